"""One renderer for page, command line, card, calendar and files: a message, a language, and how the baker reads."""

from dataclasses import dataclass, fields, is_dataclass
from datetime import datetime
from functools import lru_cache
from importlib.resources import files
from typing import TYPE_CHECKING, Any

from gentle_crust.core.messages import Message, Value
from gentle_crust.text.pseudo import PSEUDO
from gentle_crust.text.pseudo import catalogue as pseudo_of
from gentle_crust.text.reading import Reading

if TYPE_CHECKING:
    from fluent.runtime import FluentBundle
    from fluent.syntax.ast import Resource

PLAIN = Reading(plain=True)
"""How figures stand where nothing is known of the reader: the command line, a log."""


@dataclass(frozen=True)
class Said:
    """A sentence, and what can be done about it (empty if nothing is said of that)."""

    sentence: str
    remedy: str = ""

    def __str__(self) -> str:
        return f"{self.sentence} {self.remedy}".strip()


def say(what: Message, reading: Reading = PLAIN) -> Said:
    """The sentences of a message. KeyError for a code that the catalogue does not have."""
    bundle = _bundle(reading)
    found = bundle.get_message(what.code)
    if found.value is None:
        raise KeyError(what.code)
    data = {name: _shown(value, reading) for name, value in what.data}
    remedy = found.attributes.get("remedy")
    return Said(_formatted(bundle, found.value, data), _formatted(bundle, remedy, data) if remedy else "")


def shown(value: Any, reading: Reading = PLAIN) -> Any:
    """A record as JSON takes it, what it says as sentences."""
    if isinstance(value, Message):
        return str(say(value, reading))
    if is_dataclass(value) and not isinstance(value, type):
        return {field.name: shown(getattr(value, field.name), reading) for field in fields(value)}
    if isinstance(value, dict):
        return {key: shown(each, reading) for key, each in value.items()}
    if isinstance(value, (list, tuple)):
        return [shown(each, reading) for each in value]
    return value


def _formatted(bundle: "FluentBundle", pattern: Any, data: dict[str, Any]) -> str:
    text, errors = bundle.format_pattern(pattern, data)
    if errors:
        raise errors[0]
    return str(text)


def _shown(value: Value, reading: Reading) -> Any:
    """A value as the catalogues take it: figures without thousands' commas, names one after the other, parts said."""
    from fluent.runtime.types import fluent_number

    if isinstance(value, bool) or value is None:
        return str(value)
    if isinstance(value, (int, float)):
        return fluent_number(float(f"{value:.6g}"), useGrouping=False)
    if isinstance(value, Message):
        return say(value, reading).sentence
    if isinstance(value, datetime):
        return value.isoformat()
    if isinstance(value, tuple) and value and isinstance(value[0], Message):
        return " ".join(say(part, reading).sentence for part in value if isinstance(part, Message))
    if isinstance(value, tuple):
        return ", ".join(str(name) for name in value)
    return value


@lru_cache(maxsize=16)
def _bundle(reading: Reading) -> "FluentBundle":
    from fluent.runtime import FluentBundle

    bundle = FluentBundle([reading.language], functions=reading.functions, use_isolating=False)
    for resource in _resources(reading.language):
        bundle.add_resource(resource)
    return bundle


@lru_cache(maxsize=4)
def _resources(language: str) -> tuple["Resource", ...]:
    from fluent.runtime import FluentResource

    return tuple(FluentResource(text) for text in catalogues(language))


def catalogues(language: str) -> list[str]:
    """What core, kitchen and the edges say, as the texts of catalogues."""
    if language == PSEUDO:
        return [pseudo_of(text) for text in catalogues("en")]
    folder = files("gentle_crust") / "text" / language
    return [each.read_text("utf-8") for each in folder.iterdir() if each.name.endswith(".ftl")]
