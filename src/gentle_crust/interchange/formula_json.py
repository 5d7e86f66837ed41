"""The program's own JSON for a formula. Its JSON Schema is what `gentle-crust formula --schema` prints."""

from typing import Annotated

from pydantic import AllowInfNan, BaseModel, ConfigDict, Field, StringConstraints, TypeAdapter

from gentle_crust.core.formula.model import ExtraKind, Formula, PrefermentKind, Shape

Number = Annotated[float, AllowInfNan(False)]
Short = Annotated[str, StringConstraints(max_length=80)]
_FORMULA = TypeAdapter(Formula)


class _Strict(BaseModel):
    model_config = ConfigDict(extra="forbid")


class FlourShareBody(_Strict):
    """One flour of the blend."""

    kind: Short
    percent: Number


class ExtraBody(_Strict):
    """An extra."""

    name: Short
    kind: ExtraKind
    percent: Number


class PrefermentBody(_Strict):
    """The preferment."""

    kind: PrefermentKind
    flour_kind: Short
    flour_percent: Number
    hydration_percent: Number
    yeast_percent: Number = 0


class FormulaBody(_Strict):
    """A formula, whole: percents over all flour, the preferment's included."""

    name: Annotated[str, StringConstraints(max_length=200)]
    flours: Annotated[list[FlourShareBody], Field(max_length=20)]
    hydration_percent: Number
    salt_percent: Number
    shape: Shape
    extras: Annotated[list[ExtraBody], Field(max_length=40)] = []
    preferment: PrefermentBody | None = None
    instant_yeast_percent: Number = 0
    scaling_weight_g: Number = 850
    pieces: int = 2
    dough_c: Number = 25
    autolyse_min: int = 30
    note: Annotated[str, StringConstraints(max_length=500)] = ""

    def formula(self) -> Formula:
        """As the core takes it."""
        return _FORMULA.validate_python(self.model_dump())
