"""The program's own JSON for a formula. Its JSON Schema is what `gentle-crust formula --schema` prints."""

from typing import Annotated, Any, ClassVar

from pydantic import Field, StringConstraints, model_validator

from gentle_crust.contract.adapted import Adapted
from gentle_crust.contract.method import CourseMethodBody
from gentle_crust.contract.strict import Number, Short, Strict
from gentle_crust.core import limits
from gentle_crust.core.formula.model import ExtraKind, Formula, PrefermentKind, Shape, SoakerKind, YeastKind
from gentle_crust.core.limits import Limit

_FORMULA: Adapted[Formula] = Adapted(Formula)


class LotBody(Strict):
    """One bag of a flour."""

    limits: ClassVar[dict[str, Limit]] = {
        "price_per_kg": limits.PRICE_PER_KG,
    }

    mill: Short = ""
    bag: Short = ""
    date: Short = ""
    price_per_kg: Number | None = None
    note: Annotated[str, StringConstraints(max_length=300)] = ""


class MyFlourBody(Strict):
    """A flour of the baker's own; what is unknown is null."""

    limits: ClassVar[dict[str, Limit]] = {
        "absorption_percent": limits.ABSORPTION_PERCENT,
        "protein_percent": limits.PROTEIN_PERCENT,
        "ash_percent": limits.ASH_PERCENT,
        "whole_grain_fraction": limits.WHOLE_GRAIN,
    }

    id: Short
    name: Short
    kind: Short
    absorption_percent: Number | None = None
    protein_percent: Number | None = None
    ash_percent: Number | None = None
    whole_grain_fraction: Number | None = None
    lots: Annotated[list[LotBody], Field(max_length=50)] = []


class FlourShareBody(Strict):
    """One flour of the blend."""

    kind: Short
    percent: Number
    mine: MyFlourBody | None = None


class ExtraBody(Strict):
    """An extra; late if it is worked in after the gluten has formed."""

    name: Short
    kind: ExtraKind
    percent: Number
    late: bool = False


class PrefermentBody(Strict):
    """A preferment; flour_kind is the kind, or the baker's own flour's id, of one of the formula's flours."""

    limits: ClassVar[dict[str, Limit]] = {
        "flour_percent": limits.PREFERMENTED_PERCENT,
        "hydration_percent": limits.PREFERMENT_WATER_PERCENT,
        "yeast_percent": limits.PREFERMENT_YEAST_PERCENT,
        "salt_percent": limits.PREFERMENT_SALT_PERCENT,
    }

    kind: PrefermentKind
    flour_kind: Short
    flour_percent: Number
    hydration_percent: Number
    yeast_percent: Number = 0
    salt_percent: Number = 0


class SoakerBody(Strict):
    """Grains that drink first; percents of all the formula's flour."""

    name: Short
    kind: SoakerKind
    water_percent: Number
    flours: Annotated[list[FlourShareBody], Field(max_length=20)] = []
    extras: Annotated[list[ExtraBody], Field(max_length=40)] = []
    bound: bool = True


def of_several_preferments(body: dict[str, Any]) -> None:
    """A formula of the first form, changed in place: one preferment becomes a list, instant yeast one of some kind."""
    if "preferment" in body and "preferments" not in body:
        one = body.pop("preferment")
        body["preferments"] = [] if one is None else [one]
    if "instant_yeast_percent" in body and "yeast_percent" not in body:
        body["yeast_percent"] = body.pop("instant_yeast_percent")


class FormulaBody(Strict):
    """A formula, whole: percents over all flour, the preferments' included."""

    limits: ClassVar[dict[str, Limit]] = {
        "hydration_percent": limits.HYDRATION_PERCENT,
        "salt_percent": limits.SALT_PERCENT,
        "yeast_percent": limits.YEAST_PERCENT,
        "scaling_weight_g": limits.SCALING_WEIGHT_G,
        "pieces": limits.PIECES,
        "dough_c": limits.DOUGH_C,
        "autolyse_min": limits.AUTOLYSE_MIN,
    }

    name: Annotated[str, StringConstraints(max_length=200)]
    flours: Annotated[list[FlourShareBody], Field(max_length=20)]
    hydration_percent: Number
    salt_percent: Number
    shape: Shape
    extras: Annotated[list[ExtraBody], Field(max_length=40)] = []
    preferments: Annotated[list[PrefermentBody], Field(max_length=8)] = []
    yeast_percent: Number = 0
    scaling_weight_g: Number = 850
    pieces: int = 2
    dough_c: Number = 25
    autolyse_min: int = 30
    note: Annotated[str, StringConstraints(max_length=500)] = ""
    yeast_kind: YeastKind = "instant"
    soakers: Annotated[list[SoakerBody], Field(max_length=8)] = []
    held_back_percent: Number = 0
    salt_late: bool = False
    feel_to_percent: Number | None = None
    method: CourseMethodBody | None = None
    yeast_woken: bool = False

    @model_validator(mode="before")
    @classmethod
    def of_the_first_form(cls, document: Any) -> Any:
        """A file from before there could be several preferments: one preferment, and instant yeast."""
        if not isinstance(document, dict):
            return document
        newer = dict(document)
        of_several_preferments(newer)
        return newer

    def formula(self) -> Formula:
        """As the core takes it."""
        body = self.model_dump(exclude={"method"})
        method = None if self.method is None else self.method.model_dump(by_alias=True, exclude_none=True)
        return _FORMULA.read({**body, "method": method})
