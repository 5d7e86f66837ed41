"""What one dough can try: two parts that go the same way but for one thing."""

from dataclasses import replace

import pytest

from gentle_crust.contract.formula import FormulaBody
from gentle_crust.core.course.method import Baking, Method, Part, is_cold
from gentle_crust.core.course.styles import method_for, style_of, styles
from gentle_crust.core.course.tailored import shaped_at
from gentle_crust.core.course.trials import MOST_VESSELS, trial_offers
from gentle_crust.core.oven.equipment import Vessel
from gentle_crust.text.render import say
from tests.courses import COUNTRY as WRITTEN

COUNTRY = FormulaBody.model_validate(WRITTEN).formula()

POT, STONE, STEEL = (Vessel(kind, kind, kind, 2) for kind in ("lidded_cast_iron", "stone", "steel"))
TRAY, TIN = (Vessel(kind, kind, kind, 2) for kind in ("tray", "tin"))


def way(style="room_steady"):
    return method_for(style_of(style, COUNTRY), COUNTRY)


def offers(method=None, vessel=POT, others=(POT, STONE), pieces=2):
    return {each.code: each for each in trial_offers(method or way(), vessel, others, pieces)}


def without_ids(stages):
    return tuple(replace(stage, id="") for stage in stages)


def test_each_other_kind_of_vessel_is_offered_once_and_not_too_many():
    found = offers(others=(POT, STONE, replace(STONE, id="second"), STEEL, TRAY, TIN))
    vessels = [code for code in found if code.startswith("vessel-")]
    assert vessels[:2] == ["vessel-stone", "vessel-steel"] and len(vessels) == MOST_VESSELS


def test_parts_share_all_up_to_shaping_and_differ_in_the_bake_alone():
    found = offers()["vessel-stone"].method
    one, other = (part.stages for part in found.parts)
    assert found.stages == way().stages[: shaped_at(way().stages)] or len(found.stages) == shaped_at(way().stages)
    assert [stage.kind for stage in one] == [stage.kind for stage in other]
    unlike = [a.kind for a, b in zip(without_ids(one), without_ids(other), strict=True) if a != b]
    assert unlike == ["bake"]
    assert next(stage for stage in other if stage.kind == "bake").baking.vessel == STONE


@pytest.mark.parametrize(("pieces", "first", "second"), [(2, 1, 1), (3, 2, 1), (7, 4, 3)])
def test_pieces_are_halved_and_the_odd_one_goes_as_planned(pieces, first, second):
    assert [part.pieces for part in offers(pieces=pieces)["vessel-stone"].method.parts] == [first, second]


def test_one_piece_a_method_of_parts_and_one_without_an_oven_cannot_be_a_trial():
    parts = Method(way().stages[:4], (Part("x", 1, way().stages[4:]), Part("y", 1, way().stages[4:])))
    no_oven = Method(tuple(stage for stage in way().stages if stage.kind != "bake"))
    assert offers(pieces=1) == {} and offers(parts) == {} and offers(no_oven) == {} and offers(Method(())) == {}


def test_steam_is_tried_only_where_no_lid_keeps_it():
    assert "steam" not in offers(vessel=POT)
    found = offers(vessel=STONE, others=(STONE,))["steam"].method
    baking = next(stage for stage in found.parts[1].stages if stage.kind == "bake").baking
    assert baking == Baking(vessel=STONE, steam=())


def test_a_cold_dough_waits_a_night_longer_and_one_of_the_room_goes_into_the_cold_first():
    cold, room = offers(way("cold_shaped"))["night"].method, offers(way("room_steady"))["night"].method
    for found in (cold, room):
        holds = [sum(s.until.minutes[1] for s in part.stages if is_cold(s) and s.until) for part in found.parts]
        assert holds[1] >= holds[0] + 24 * 60
    assert not any(is_cold(stage) for stage in room.parts[0].stages)
    assert room.parts[1].stages[0].kind == "keep"


@pytest.mark.parametrize("style", [each.id for each in styles()])
def test_in_every_style_each_offer_says_what_either_part_does_and_no_stage_shares_its_id(style):
    method = way(style)
    for each in offers(method, STONE, (POT, STONE, STEEL)).values():
        said = [say(text).sentence for text in each.says]
        assert len(set(said)) == 2 and all(said) and say(each.title).sentence
        ids = [stage.id for stage in each.method.stages] + [s.id for part in each.method.parts for s in part.stages]
        assert len(ids) == len(set(ids)) and all(ids)


def test_what_the_baker_fixed_of_the_bake_stays_in_the_part_that_goes_as_planned():
    fixed = Baking(vessel=POT, core_c=97.0)
    method = way().changed(lambda stages: tuple(replace(s, baking=fixed) if s.kind == "bake" else s for s in stages))
    one, other = (
        next(s for s in part.stages if s.kind == "bake").baking for part in offers(method)["vessel-stone"].method.parts
    )
    assert one == fixed and other == Baking(vessel=STONE)


def test_a_trial_leaves_the_method_that_it_came_from_alone():
    method = way()
    before = (method.stages, method.parts)
    offers(method)
    assert (method.stages, method.parts) == before
