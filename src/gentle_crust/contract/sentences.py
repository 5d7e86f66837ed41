"""What the core says, in what is stored and in what is answered.

A message is stored as its code and data, and answered as a sentence in the baker's own units: an answer is written
with the reading as its context. Of a time when sentences were stored, they are kept as they are.
"""

import json
import logging
from collections.abc import Callable
from datetime import datetime
from typing import Any

from pydantic import GetJsonSchemaHandler, TypeAdapter
from pydantic.json_schema import JsonSchemaValue
from pydantic_core import CoreSchema, core_schema

from gentle_crust.core.messages import Message, Value, written
from gentle_crust.text.reading import Reading
from gentle_crust.text.render import say

LOG = logging.getLogger(__name__)
READING = "reading"


def as_read(reading: Callable[[], Reading]) -> dict[str, Callable[[], Reading]]:
    """The context with which an answer is written for whoever reads so; it is asked for once something is said."""
    return {READING: reading}


def _of_stored(value: Any) -> Message:
    if isinstance(value, Message):
        return value
    if isinstance(value, str):
        return written(value)
    if isinstance(value, dict) and isinstance(value.get("code"), str) and isinstance(value.get("data"), dict):
        return Message(value["code"], tuple((str(name), _value_of(each)) for name, each in value["data"].items()))
    raise ValueError("a message has a code and data")


def _value_of(value: Any) -> Value:
    if isinstance(value, dict):
        return _of_stored(value)
    if isinstance(value, list):
        parts = [_of_stored(each) if isinstance(each, dict) else str(each) for each in value]
        return tuple(parts)  # type: ignore[return-value]  # all of one kind, as they were written
    if isinstance(value, (str, int, float)):
        return value
    raise ValueError("a message holds names, figures and messages")


def _stored(value: Value) -> Any:
    if isinstance(value, Message):
        return {"code": value.code, "data": {name: _stored(each) for name, each in value.data}}
    if isinstance(value, tuple):
        return [_stored(each) for each in value]
    return value.isoformat() if isinstance(value, datetime) else value


def _written(value: Message, info: Any) -> Any:
    reading = (info.context or {}).get(READING)
    return _stored(value) if reading is None else _told(value, reading())


def _told(value: Message, reading: Reading) -> str:
    """The sentence of a message; of one that was stored and that no catalogue has any more, its code and data."""
    try:
        return str(say(value, reading))
    except (LookupError, ValueError):
        LOG.exception("%s cannot be said", value.code)
        return str(value)


def _schema(_source: Any, _handler: Any) -> CoreSchema:
    return core_schema.no_info_plain_validator_function(
        _of_stored, serialization=core_schema.plain_serializer_function_ser_schema(_written, info_arg=True)
    )


def _json_schema(_schema: CoreSchema, _handler: GetJsonSchemaHandler) -> JsonSchemaValue:
    return {"type": "string"}


# The core knows nothing of how it is written down; pydantic asks the type itself.
Message.__get_pydantic_core_schema__ = _schema  # type: ignore[attr-defined]
Message.__get_pydantic_json_schema__ = _json_schema  # type: ignore[attr-defined]
MESSAGE: TypeAdapter[Message] = TypeAdapter(Message)


def kept(title: Any) -> str:
    """What a stored document says, a message or an older sentence, as one text that a column keeps."""
    return title if isinstance(title, str) else json.dumps(title, separators=(",", ":"))


def unkept(text: str) -> Message:
    """Back from such a text."""
    if not text.startswith("{"):
        return written(text)
    try:
        return _of_stored(json.loads(text))
    except ValueError:
        return written(text)
