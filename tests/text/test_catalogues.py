"""Every message that the program has is in the catalogue, and every one of the catalogue is said somewhere."""

import ast
import re
from datetime import UTC, datetime
from functools import cache
from pathlib import Path

import pytest
from fluent.runtime import FluentResource
from fluent.syntax import ast as fluent_ast

import gentle_crust
from gentle_crust.core import errors
from gentle_crust.core.errors import OutOfRange, within
from gentle_crust.core.limits import DOUGH_C, JAR_MM, all_limits
from gentle_crust.core.messages import Message, message, named
from gentle_crust.core.readiness.cues import STAGES, UNITS, cues_of
from gentle_crust.text.page import asked_of
from gentle_crust.text.reading import Reading, span
from gentle_crust.text.render import PLAIN, say

SOURCE = Path(gentle_crust.__file__).parent
CATALOGUES = sorted((SOURCE / "text" / "en").glob("*.ftl"))
KINDS = {name for name, kind in vars(errors).items() if isinstance(kind, type) and issubclass(kind, ValueError)}
SAYS = {"message", "Message", "kind", "__init__", "wrong"} | KINDS


@cache
def asked_for(catalogue: Path) -> dict[str, set[str]]:
    """The names of the data that each message of a catalogue asks for, its remedy's too."""
    found = {}
    for entry in FluentResource(catalogue.read_text("utf-8")).body:
        assert not isinstance(entry, fluent_ast.Junk), entry
        if isinstance(entry, fluent_ast.Message):
            found[entry.id.name] = set(asked_of(entry))
    return found


def calls():
    """Every call in the program's text, with where it stands and what is called."""
    for path in SOURCE.rglob("*.py"):
        for node in ast.walk(ast.parse(path.read_text("utf-8"))):
            if isinstance(node, ast.Call):
                called = getattr(node.func, "id", getattr(node.func, "attr", ""))
                yield f"{path.relative_to(SOURCE)}:{node.lineno}", called, node


def written() -> tuple[list[tuple[str, str, set[str] | None]], list[str]]:
    """The codes that the program's text says, with where and the names of their data (None: not written out); and
    those that are put together, as patterns."""
    plain, made = [], []
    for where, called, node in calls():
        at = 0 if called in ("message", "Message") else 1
        if called not in SAYS or len(node.args) <= at:
            continue
        code = node.args[at]
        names = {word.arg for word in node.keywords} | ({"stage"} if called == "wrong" else set())
        for part in (code.body, code.orelse) if isinstance(code, ast.IfExp) else (code,):
            if isinstance(part, ast.Constant) and isinstance(part.value, str):
                plain.append((part.value, where, None if None in names else names))
            elif isinstance(part, ast.JoinedStr):
                pieces = [re.escape(p.value) if isinstance(p, ast.Constant) else ".+" for p in part.values]
                made.append("".join(pieces))
    return plain, made


ASKED = {code: names for path in CATALOGUES for code, names in asked_for(path).items()}
WRITTEN, MADE = written()


def test_no_message_is_missing_from_the_catalogue():
    assert [(code, where) for code, where, _ in WRITTEN if code not in ASKED] == []


def test_nothing_in_the_catalogue_is_said_by_nobody():
    unused = ASKED.keys() - {code for code, _, _ in WRITTEN}
    assert {code for code in unused if not any(re.fullmatch(pattern, code) for pattern in MADE)} == set()


def test_every_message_is_given_what_its_sentence_asks_for_and_no_more():
    given = [(code, where, names) for code, where, names in WRITTEN if names is not None]
    assert len(given) > 150
    assert [(code, where, names ^ ASKED[code]) for code, where, names in given if names != ASKED[code]] == []


def test_every_unit_of_a_limit_has_its_words():
    units = {limit.unit for limit in all_limits().values()} | {cue.unit for stage in STAGES for cue in cues_of(stage)}
    for _, called, node in calls():
        if called == "Limit" and len(node.args) > 3:
            units |= {part.value for part in ast.walk(node.args[3]) if isinstance(part, ast.Constant)}
    told = {UNITS.get(unit, unit) for unit in units - {"", "inside_l"}}
    assert {unit for unit in told if f"unit-{unit}" not in ASKED} == set()


def test_no_code_stands_twice_in_one_catalogue():
    for path in CATALOGUES:
        codes = [each.id.name for each in FluentResource(path.read_text()).body if hasattr(each, "id")]
        assert len(codes) == len(set(codes)), path.name


def test_no_code_stands_in_two_catalogues():
    everywhere = [code for path in CATALOGUES for code in asked_for(path)]
    assert len(everywhere) == len(set(everywhere))


@pytest.mark.parametrize("name", sorted(all_limits()))
def test_every_limit_is_called_something_and_says_its_bounds(name):
    limit = all_limits()[name]
    with pytest.raises(OutOfRange) as refused:
        within("there", limit, limit.high + 1)
    said = say(refused.value.what)
    assert said.sentence[0].isupper() and said.sentence.endswith(".") and "must be between" in said.sentence
    assert f"{limit.high:.6g}" in said.sentence and f"{limit.low:.6g}" in said.remedy


@pytest.mark.parametrize("path", CATALOGUES, ids=lambda path: path.stem)
def test_every_message_can_be_said_with_what_it_asks_for(path):
    times = {"at", "time", "after", "until", "load", "up", "instead", "goes"}
    for code, names in asked_for(path).items():
        data = {name: "2026-11-29T07:30:00+00:00" if name in times else 3.0 for name in names}
        data |= dict.fromkeys(names & {"unit"}, "C")
        said = say(Message(code, tuple(data.items())), Reading(fahrenheit=True, ounces=True))
        assert "{" not in str(said) and "$" not in str(said)


def test_figures_stand_in_the_bakers_own_units():
    with pytest.raises(OutOfRange) as refused:
        within("dough_c", DOUGH_C, 60.0)
    what, hot = refused.value.what, "Dough temperature is 140°F, but must be between 59 and 109.4°F."
    assert say(what).sentence == "Dough temperature is 60 C, but must be between 15 and 43 C."
    assert say(what, Reading(fahrenheit=True)).sentence == hot
    assert say(what, Reading()).remedy == "Give a value from 15 to 43°C."
    with pytest.raises(OutOfRange) as wide:
        within("jar_mm", JAR_MM, 1000.0)
    assert "1000 mm" in say(wide.value.what, Reading(fahrenheit=True, ounces=True)).sentence


@pytest.mark.parametrize(
    ("reading", "c", "shown", "apart"),
    [
        (PLAIN, 27.34, "27.3 C", "27.3 K"),
        (Reading(), 27.34, "27.5°C", "27°"),
        (Reading(), 96.2, "96°C", "96°"),
        (Reading(fahrenheit=True), 27.34, "81°F", "49°"),
        (Reading(fahrenheit=True), -18.0, "0°F", "-32°"),
    ],
)
def test_temperatures_are_as_fine_as_they_are_read(reading, c, shown, apart):
    """Half degrees, as on every drawing: the same dough has the same figure wherever it stands."""
    assert (reading.warmth(c), reading.difference(c)) == (shown, apart)
    assert Reading().warmth(c, 2) == f"{c:.2f}".rstrip("0").rstrip(".") + "°C"


@pytest.mark.parametrize(
    ("reading", "g", "shown"),
    [
        (PLAIN, 1250.0, "1250 g"),
        (Reading(), 1250.4, "1250\u00a0g"),
        (Reading(), 3.24, "3.2\u00a0g"),
        (Reading(), 0.456, "0.46\u00a0g"),
        (Reading(scale_g=5), 1252.6, "1255\u00a0g"),
        (Reading(scale_g=0.1), 20.04, "20\u00a0g"),
        (Reading(ounces=True), 28.349523125, "1\u00a0oz"),
        (Reading(ounces=True), 500.0, "17.6\u00a0oz"),
        (Reading(ounces=True), 7.0, "0.247\u00a0oz"),
    ],
)
def test_weights_are_as_fine_as_the_scale(reading, g, shown):
    assert reading.mass(g) == shown


def test_times_are_those_of_the_kitchens_clock():
    at = datetime(2026, 7, 4, 22, 30, tzinfo=UTC).isoformat()
    assert (Reading().clock(at), Reading(zone="Europe/Lisbon").clock(at)) == ("22:30", "23:30")
    assert Reading(zone="Asia/Tokyo").day(at) == "Sunday 5 July"
    assert [span(minutes) for minutes in (0, 59.6, 61, -150)] == ["0 min", "1 h", "1 h 1 min", "2 h 30 min"]


def test_a_part_of_a_sentence_is_said_in_it_and_a_code_that_is_not_there_is_an_error():
    assert say(message("limit-of", what=message("limit-water"), whose="the pot")).sentence == "Water of the pot"
    assert say(named("Grey {hill} flour")).sentence == "Grey {hill} flour"
    with pytest.raises((KeyError, LookupError)):
        say(message("no-such-code"))
