"""What is sent and what the core takes are one thing told twice: field by field the same, and nothing lost between."""

from dataclasses import asdict, fields

import pytest
from pydantic import TypeAdapter, ValidationError

from gentle_crust.contract import cultures, documents, events, formula, water
from gentle_crust.contract.asked import Asked
from gentle_crust.contract.kitchen import Pantry, Settings
from gentle_crust.contract.kitchens import KitchenBody, OvenBody, PantryBody, VesselBody
from gentle_crust.contract.plans import AskedBody
from gentle_crust.contract.strict import Strict
from gentle_crust.core.culture.culture import Culture
from gentle_crust.core.culture.events import Event
from gentle_crust.core.culture.jar import Jar
from gentle_crust.core.culture.schedule import Schedule
from gentle_crust.core.errors import Unreadable
from gentle_crust.core.formula.flour import Lot, MyFlour
from gentle_crust.core.formula.model import Extra, FlourShare, Formula, Preferment, Soaker
from gentle_crust.core.oven.equipment import Oven, Vessel
from gentle_crust.demo import TOMORROW_PLAN
from gentle_crust.text.render import say
from tests.conftest import SATURDAY

PAIRS = [
    (AskedBody, Asked, set()), (KitchenBody, Settings, set()), (OvenBody, Oven, set()),
    (VesselBody, Vessel, set()), (PantryBody, Pantry, set()), (formula.FormulaBody, Formula, set()),
    (formula.PrefermentBody, Preferment, set()), (formula.SoakerBody, Soaker, set()),
    (formula.FlourShareBody, FlourShare, set()), (formula.ExtraBody, Extra, set()),
    (formula.MyFlourBody, MyFlour, set()), (formula.LotBody, Lot, set()), (cultures.CultureBody, Culture, set()),
    (cultures.JarBody, Jar, set()), (cultures.ScheduleBody, Schedule, set()),
    (cultures.EventBody, Event, {"id", "at_h"}),
]  # fmt: skip


@pytest.mark.parametrize(("body", "core", "own"), PAIRS, ids=[body.__name__ for body, _, _ in PAIRS])
def test_the_fields_are_the_same(body, core, own):
    sent, taken = set(body.model_fields), {each.name for each in fields(core)}
    assert sent - taken <= {"at"} and taken - sent <= own


@pytest.mark.parametrize(("body", "core", "own"), PAIRS, ids=[body.__name__ for body, _, _ in PAIRS])
def test_what_may_be_left_out_is_the_same_on_both_sides(body, core, own):
    from dataclasses import MISSING

    for each in fields(core):
        if each.name in body.model_fields and not body.model_fields[each.name].is_required():
            sent = body.model_fields[each.name].get_default(call_default_factory=True)
            if each.default is not MISSING and not isinstance(sent, list):
                assert sent == each.default or sent is None, each.name


def every(kind):
    return {kind, *(each for one in kind.__subclasses__() for each in every(one))}


@pytest.mark.parametrize(
    "model", sorted(every(Strict) - {Strict}, key=lambda each: each.__name__), ids=lambda each: each.__name__
)
def test_limits_belong_to_fields_and_stand_in_the_schema(model):
    assert set(model.limits) <= set(model.model_fields)
    shown = model.model_json_schema()
    own = shown.get("properties") or shown["$defs"][model.__name__]["properties"]
    for name, limit in model.limits.items():
        figure = next((each for each in own[name].get("anyOf", []) if each.get("type") != "null"), own[name])
        assert (figure["minimum"], figure["maximum"]) == (limit.low, limit.high)
    with pytest.raises(ValidationError):
        model.model_validate({"a_field_that_none_has": 1})


def test_what_is_saved_comes_back_as_it_was_sent(client):
    for path, part in (("/api/kitchen", "settings"), ("/api/pantry", "pantry")):
        sent = client.get(path).json[part]
        assert client.put(path, json=sent).json[part] == sent
    for line in client.get("/api/formulas").json["formulas"]:
        each = client.get(f"/api/formulas/{line['id']}").json
        saved = client.put(f"/api/formulas/{each['id']}", json=each["formula"]).json
        assert saved["formula"] == each["formula"] and saved["version"] == each["version"], (
            "nothing changed, no version"
        )
    for each in client.get("/api/cultures").json["cultures"]:
        assert (
            client.put(f"/api/cultures/{each['id']}", json=each["culture"]).json["culture"]["culture"]
            == each["culture"]
        )
    plan = client.get(f"/api/plans/{TOMORROW_PLAN}").json
    assert client.put(f"/api/plans/{TOMORROW_PLAN}", json=plan["asked"]).json["asked"] == plan["asked"]


def test_the_body_of_a_request_becomes_the_cores_own_type(book):
    asked = book.open(TOMORROW_PLAN).answer.asked
    assert AskedBody(**asdict(asked)).asked() == asked
    kitchen = book.settings.get()
    assert KitchenBody(**asdict(kitchen)).settings(kitchen) == kitchen
    for each in book.formulas.all():
        assert formula.FormulaBody.model_validate(asdict(each.formula)).formula() == each.formula
    for line in book.cultures.all():
        body = cultures.CultureBody(**asdict(line.culture))
        assert TypeAdapter(Culture).validate_python(body.model_dump()) == line.culture


@pytest.mark.parametrize("kind", sorted(events.BODIES))
def test_every_kind_of_event_is_read_with_care(kind):
    for odd in (
        {
            "key": 7,
            "event": 7,
            "text": 7,
            "how": 7,
            "kind": 7,
            "end": 7,
            "mixing": 7,
            "foam": 7,
            "width": "x",
            "cuts": "x",
        },
        17,
    ):
        try:
            found = events.read(kind, SATURDAY, odd)
        except Unreadable as error:
            assert kind in say(error.what).sentence
        else:
            assert found == (odd if isinstance(odd, dict) else {}), kind
            assert events.BODIES[kind] in (events.Kept, events.Probe, events.Started), f"{kind} takes anything"
    with pytest.raises(Unreadable):
        events.read(kind, SATURDAY.replace(year=1), {})


def test_a_kind_that_is_not_known_is_unreadable():
    with pytest.raises(Unreadable):
        events.read("bake_sung", SATURDAY, {})
    assert len(documents.DOCUMENTS) == 7 and water.BowlBody.limits
