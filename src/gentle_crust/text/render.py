"""One renderer for page, command line, card, calendar and files: a message, a language, and how the baker reads."""

from dataclasses import dataclass
from datetime import datetime
from functools import lru_cache
from importlib.resources import files
from typing import TYPE_CHECKING, Any

from gentle_crust.core.messages import Message, Value
from gentle_crust.text.reading import Reading

if TYPE_CHECKING:
    from fluent.runtime import FluentBundle
    from fluent.syntax.ast import Resource

ENGLISH = "en"
PLAIN = Reading(plain=True)
"""How figures stand where nothing is known of the reader: the command line, a log."""


@dataclass(frozen=True)
class Said:
    """A sentence, and what can be done about it (empty if nothing is said of that)."""

    sentence: str
    remedy: str = ""

    def __str__(self) -> str:
        return f"{self.sentence} {self.remedy}".strip()


def say(what: Message, reading: Reading = PLAIN, language: str = ENGLISH) -> Said:
    """The sentences of a message. KeyError for a code that the catalogue does not have."""
    bundle = _bundle(language, reading)
    found = bundle.get_message(what.code)
    if found.value is None:
        raise KeyError(what.code)
    data = {name: _shown(value, reading, language) for name, value in what.data}
    remedy = found.attributes.get("remedy")
    return Said(_formatted(bundle, found.value, data), _formatted(bundle, remedy, data) if remedy else "")


def _formatted(bundle: "FluentBundle", pattern: Any, data: dict[str, Any]) -> str:
    text, errors = bundle.format_pattern(pattern, data)
    if errors:
        raise errors[0]
    return str(text)


def _shown(value: Value, reading: Reading, language: str) -> Any:
    """A value as the catalogues take it: figures without thousands' commas, names one after the other, parts said."""
    from fluent.runtime.types import fluent_number

    if isinstance(value, bool) or value is None:
        return str(value)
    if isinstance(value, (int, float)):
        return fluent_number(float(f"{value:.6g}"), useGrouping=False)
    if isinstance(value, Message):
        return say(value, reading, language).sentence
    if isinstance(value, datetime):
        return value.isoformat()
    if isinstance(value, tuple):
        return ", ".join(value)
    return value


@lru_cache(maxsize=16)
def _bundle(language: str, reading: Reading) -> "FluentBundle":
    from fluent.runtime import FluentBundle

    bundle = FluentBundle([language], functions=reading.functions, use_isolating=False)
    for resource in _resources(language):
        bundle.add_resource(resource)
    return bundle


@lru_cache(maxsize=4)
def _resources(language: str) -> tuple["Resource", ...]:
    from fluent.runtime import FluentResource

    folder = files("gentle_crust") / "text" / language
    return tuple(FluentResource(each.read_text("utf-8")) for each in folder.iterdir() if each.name.endswith(".ftl"))
