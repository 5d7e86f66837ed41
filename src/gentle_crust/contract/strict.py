"""The base of everything that is sent: no unknown fields, no broken letters."""

from typing import Annotated, Any, ClassVar

from pydantic import AllowInfNan, BaseModel, ConfigDict, GetJsonSchemaHandler, StringConstraints, model_validator
from pydantic.json_schema import JsonSchemaValue
from pydantic_core import CoreSchema

import gentle_crust.contract.sentences  # noqa: F401 - how messages are written
from gentle_crust.contract.tidy import clean
from gentle_crust.core.limits import Limit

Number = Annotated[float, AllowInfNan(False)]
Short = Annotated[str, StringConstraints(max_length=80)]


class Shown(BaseModel):
    """The base of everything that is answered: built when the first of its kind is, not at the start."""

    model_config = ConfigDict(defer_build=True)


class Strict(Shown):
    """A request: unknown fields are refused, half letters and control characters do not get in."""

    model_config = ConfigDict(extra="forbid", defer_build=True)

    limits: ClassVar[dict[str, Limit]] = {}
    """Between what its figures lie, by field: told in the schema, checked by the core, which says it in words."""

    @classmethod
    def __get_pydantic_json_schema__(cls, core_schema: CoreSchema, handler: GetJsonSchemaHandler) -> JsonSchemaValue:
        """The schema with every limit as its minimum and maximum."""
        schema = handler(core_schema)
        fields = handler.resolve_ref_schema(schema).get("properties", {})
        for name, limit in cls.limits.items():
            field = fields[name]
            figure = next((each for each in field.get("anyOf", []) if each.get("type") != "null"), field)
            figure |= {"minimum": limit.low, "maximum": limit.high}
        return schema

    @model_validator(mode="before")
    @classmethod
    def _clean(cls, value: Any) -> Any:
        return clean(value) if isinstance(value, dict) else value


class KeyPath(Shown):
    """A key in the path."""

    key: Annotated[str, StringConstraints(pattern=r"^[A-Za-z0-9-]{1,60}$")]
