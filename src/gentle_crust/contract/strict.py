"""The base of everything that is sent: no unknown fields, no broken letters."""

from typing import Annotated, Any

from pydantic import AllowInfNan, BaseModel, ConfigDict, StringConstraints, model_validator

from gentle_crust.contract.tidy import clean

Number = Annotated[float, AllowInfNan(False)]
Short = Annotated[str, StringConstraints(max_length=80)]


class Strict(BaseModel):
    """A request: unknown fields are refused, half letters and control characters do not get in."""

    model_config = ConfigDict(extra="forbid")

    @model_validator(mode="before")
    @classmethod
    def _clean(cls, value: Any) -> Any:
        return clean(value) if isinstance(value, dict) else value
