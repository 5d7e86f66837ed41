"""Styles: ways to make bread as methods in a table, and which of them suit a formula."""

from dataclasses import dataclass, replace
from functools import cache, lru_cache

from gentle_crust.core.course.method import Method, Stage, Until, numbered
from gentle_crust.core.course.written import method_of, rows_of
from gentle_crust.core.errors import Unreadable
from gentle_crust.core.formula.model import Formula, Shape
from gentle_crust.core.messages import Message, message
from gentle_crust.core.oven.equipment import Vessel, vessel_row
from gentle_crust.core.tables import toml

OWN = "of_formula"
"""The style of a formula that says itself how it is made."""
RESTS_NOT = ("slipper", "flat_round")
RIPENS = ("levain", "preferment", "soak", "scald")
YEASTED = ("poolish", "biga", "sponge")


@dataclass(frozen=True)
class Style:
    """A way to make bread: its id, its name, the shapes that it fits and its method."""

    id: str
    name: Message
    fits: tuple[Shape, ...]
    method: Method
    leaven: str
    lidded: bool

    @property
    def cold(self) -> bool:
        """Whether the dough stands in the fridge."""
        return any(stage.place is not None and stage.place.name == "fridge" for stage in self.method.stages)


@cache
def styles() -> tuple[Style, ...]:
    """All styles, in the order in which they are taken for a formula."""
    return tuple(
        Style(
            row["id"], message(f"style-{row['id'].replace('_', '-')}"), tuple(row["fits"]),
            method_of({"stages": row["stages"]}), row["leaven"], row.get("lidded", False),
        )
        for row in toml("styles")["style"]
    )  # fmt: skip


def own_style(formula: Formula) -> Style | None:
    """What a formula says itself of how it is made; None if it leaves that to the styles."""
    if formula.method is None:
        return None
    return Style(OWN, message("style-of-formula"), (formula.shape,), own_method(formula), "any", False)


@lru_cache(maxsize=32)
def own_method(formula: Formula) -> Method:
    """A formula's own method: what it ripens and soaks is that of its rows, also of those that came later.

    Raises CraftError that names the stage for a method that cannot be.
    """
    method = method_of(formula.method or {})
    found = [each for each in method.stages if each.kind not in RIPENS or _row(each) < len(rows_of(each.kind, formula))]
    known = {(each.kind, _row(each)) for _, path in method.paths for each in path}
    missing = [each for each in _before(formula) if each.kind in RIPENS and (each.kind, _row(each)) not in known]
    return numbered(replace(method, stages=(*missing, *found) if method.stages else ()))


def _row(stage: Stage) -> int:
    return stage.which or 0


def style_of(id_: str, formula: Formula | None = None) -> Style:
    """The style of that id; a formula has one of its own, too. Raises CraftError that names those there are."""
    own = own_style(formula) if formula is not None and id_ == OWN else None
    found = next((each for each in styles() if each.id == id_), own)
    if found is None:
        raise Unreadable("style", "course-style-unknown", value=id_, names=tuple(each.id for each in styles()))
    return found


def suits(style: Style, formula: Formula, vessels: tuple[Vessel, ...] = ()) -> bool:
    """Whether a formula can be made in this style, with one of these vessels (none named: any)."""
    if formula.shape not in style.fits or (style.cold and formula.rye_rich):
        return False
    if style.lidded and vessels and not any(vessel_row(each.kind)["lidded"] == "1" for each in vessels):
        return False
    if style.leaven == "preferment":
        return any(one.kind in YEASTED for one in formula.preferments)
    return style.leaven in ("any", formula.leaven)


def fitting(formula: Formula, vessels: tuple[Vessel, ...] = ()) -> tuple[Style, ...]:
    """The styles that suit a formula, the usual one first: its own, if it says how it is made."""
    own = own_style(formula)
    able = tuple(each for each in styles() if suits(each, formula, vessels))
    return able if own is None else (own, *able)


def method_for(style: Style, formula: Formula) -> Method:
    """The style's method for a formula: with what it ripens, and without what its shape does not want."""
    if style.id == OWN:
        return style.method
    stages = [stage for stage in style.method.stages if not _left_out(stage, formula)]
    return numbered(Method((*_before(formula), *(replace(stage, id="") for stage in stages))))


def _left_out(stage: Stage, formula: Formula) -> bool:
    lying = formula.shape in RESTS_NOT or formula.rye_rich
    return (lying and stage.kind in ("preshape", "bench_rest")) or (
        formula.rye_rich and stage.kind in ("knead", "knock_back")
    )


def _before(formula: Formula) -> tuple[Stage, ...]:
    """What a formula has ripen or rest before its dough is mixed."""
    found = []
    counts: dict[str, int] = {}
    for one in formula.preferments:
        kind = "levain" if one.kind == "levain" else "preferment" if one.kind in YEASTED else ""
        if kind:
            found.append(Stage(kind, which=counts.get(kind, 0)))
            counts[kind] = counts.get(kind, 0) + 1
    for soaker in formula.soakers:
        kind = "soak" if soaker.kind == "soaker" else "scald"
        found.append(Stage(kind, which=counts.get(kind, 0)))
        counts[kind] = counts.get(kind, 0) + 1
    if formula.autolyse_min:
        rest = Until("span", minutes=(float(formula.autolyse_min), float(formula.autolyse_min)))
        found.append(Stage("autolyse", until=rest))
    return tuple(found)
