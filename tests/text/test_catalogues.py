"""Every message that the program has is in the catalogue, and every one of the catalogue is said somewhere."""

import ast
import re
from datetime import UTC, datetime
from pathlib import Path

import pytest

import gentle_crust
from gentle_crust.core import errors
from gentle_crust.core.errors import OutOfRange, within
from gentle_crust.core.limits import DOUGH_C, JAR_MM, all_limits
from gentle_crust.core.messages import Message, message, named
from gentle_crust.text.reading import Reading, span
from gentle_crust.text.render import PLAIN, say

SOURCE = Path(gentle_crust.__file__).parent
CATALOGUES = sorted((SOURCE / "text" / "en").glob("*.ftl"))
KINDS = {name for name, kind in vars(errors).items() if isinstance(kind, type) and issubclass(kind, ValueError)}
SAYS = {"message", "Message", "kind", "__init__"} | KINDS


def codes_of(path: Path) -> set[str]:
    return set(re.findall(r"^([a-zA-Z][\w-]*) =", path.read_text("utf-8"), re.MULTILINE))


def written() -> tuple[dict[str, str], list[str]]:
    """Codes that the program's own text says, with where; and those that are put together, as patterns."""
    plain, made = {}, []
    for path in SOURCE.rglob("*.py"):
        for node in ast.walk(ast.parse(path.read_text("utf-8"))):
            called = getattr(node.func, "id", getattr(node.func, "attr", "")) if isinstance(node, ast.Call) else ""
            at = 0 if called in ("message", "Message") else 1
            if called not in SAYS or len(node.args) <= at:
                continue
            code = node.args[at]
            for part in (code.body, code.orelse) if isinstance(code, ast.IfExp) else (code,):
                if isinstance(part, ast.Constant) and isinstance(part.value, str):
                    plain[part.value] = f"{path.relative_to(SOURCE)}:{node.lineno}"
                elif isinstance(part, ast.JoinedStr):
                    pieces = [re.escape(p.value) if isinstance(p, ast.Constant) else ".+" for p in part.values]
                    made.append("".join(pieces))
    return plain, made


IN_CATALOGUE = set().union(*(codes_of(path) for path in CATALOGUES))
WRITTEN, MADE = written()


def test_no_message_is_missing_from_the_catalogue():
    assert {code: where for code, where in WRITTEN.items() if code not in IN_CATALOGUE} == {}


def test_nothing_in_the_catalogue_is_said_by_nobody():
    unused = {code for code in IN_CATALOGUE if code not in WRITTEN}
    assert {code for code in unused if not any(re.fullmatch(pattern, code) for pattern in MADE)} == set()


def test_no_code_stands_in_two_catalogues():
    everywhere = [code for path in CATALOGUES for code in codes_of(path)]
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
    from fluent.runtime import FluentResource
    from fluent.syntax import ast as fluent_ast
    from fluent.syntax.visitor import Visitor

    class Asked(Visitor):
        def __init__(self) -> None:
            self.names: set[str] = set()

        def visit_VariableReference(self, node: fluent_ast.VariableReference) -> None:  # noqa: N802 - the library's name
            self.names.add(node.id.name)

    times = {"at", "time", "after"}
    for entry in FluentResource(path.read_text("utf-8")).body:
        assert not isinstance(entry, fluent_ast.Junk), entry
        if not isinstance(entry, fluent_ast.Message):
            continue
        asked = Asked()
        asked.visit(entry)
        data = {name: "2026-11-29T07:30:00+00:00" if name in times else 3.0 for name in asked.names}
        data |= dict.fromkeys(asked.names & {"unit"}, "C")
        said = say(Message(entry.id.name, tuple(data.items())), Reading(fahrenheit=True, ounces=True))
        assert "{" not in str(said) and "$" not in str(said)


def test_figures_stand_in_the_bakers_own_units():
    with pytest.raises(OutOfRange) as refused:
        within("dough_c", DOUGH_C, 60.0)
    what = refused.value.what
    assert say(what).sentence == "Dough temperature is 60 C, but must be between 15 and 35 C."
    assert (
        say(what, Reading(fahrenheit=True)).sentence == "Dough temperature is 140°F, but must be between 59 and 95°F."
    )
    assert say(what, Reading()).remedy == "Give a value from 15 to 35°C."
    with pytest.raises(OutOfRange) as wide:
        within("jar_mm", JAR_MM, 1000.0)
    assert "1000 mm" in say(wide.value.what, Reading(fahrenheit=True, ounces=True)).sentence


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
