"""Cautions, shown at the step where they matter."""

from dataclasses import dataclass

from gentle_crust.core.tables import toml


@dataclass(frozen=True)
class Caution:
    """A stable code and a short, calm sentence."""

    code: str
    text: str


def caution(code: str) -> Caution:
    """The caution of that code (KeyError if there is none: a mistake in the program)."""
    return Caution(code, str(toml("cautions")[code]))


STEAMING = {
    "hot_stones_and_water": ("steam_stones", "steam_water"),
    "hot_pan": ("steam_water",),
    "water_pan": ("steam_water",),
    "soaked_towels": ("towels",),
    "mist_walls": ("spray",),
}
"""Cautions of each way to steam."""


def at_step(
    kind: str, vessel: str, oven: str, lidded: bool, dairy: bool = False, steam: tuple[str, ...] | None = None
) -> tuple[Caution, ...]:
    """Cautions for a step, by its kind, the vessel's kind, the oven's kind, a lid, and dairy in it.

    ``steam``: how it is steamed, if that has a step of its own; None: it belongs to loading.
    """
    found: list[str] = []
    if kind in ("feed", "levain"):
        found.append("jar")
        found.append("mould")
    if kind == "scald":
        found.append("scald")
    if kind == "soak" and dairy:
        found.append("dairy")
    if kind == "mix":
        found.append("raw_dough")
    if kind == "preheat":
        found += ["gas", "ratings"] if oven == "gas" else ["ratings"]
        if oven == "wood":
            found.append("wood")
    if kind == "load":
        found += ["blades", "hot_iron"]
        if not lidded and steam is None:
            found.append("steam_water")
        if vessel in ("lidded_enamel", "lidded_clay"):
            found.append("ceramic")
    if kind == "steam":
        found += [code for source in steam or () for code in STEAMING.get(source, ())]
    if kind == "vent":
        found.append("lid_steam" if lidded else "door_steam")
    if kind == "out":
        found.append("hot_iron")
    if kind == "cut":
        found.append("knife")
    return tuple(caution(code) for code in found)
