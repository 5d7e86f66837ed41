"""Cautions, shown at the step where they matter."""

from dataclasses import dataclass

from gentle_crust.core.messages import Message, message


@dataclass(frozen=True)
class Caution:
    """A stable code and a short, calm sentence."""

    code: str
    text: Message


def caution(code: str) -> Caution:
    """The caution of that code."""
    return Caution(code, message(f"caution-{code}"))


STEAMED: dict[str, tuple[str, ...]] = {
    "stones": ("steam_stones",),
    "towels": ("towels",),
    "water": ("steam_water",),
    "spray": ("spray",),
}
"""Cautions of what goes into the oven to make steam, at the minute at which it goes in."""
CODES = (
    "jar", "mould", "scald", "dairy", "raw_dough", "gas", "ratings", "hob", "wood", "blades", "hot_iron", "ceramic",
    "grill", "steam_stones", "towels", "steam_water", "spray", "lid_steam", "door_steam", "knife", "first",
)  # fmt: skip
GLAZED = ("lidded_enamel", "lidded_clay")


def at_step(
    kind: str,
    vessel: str,
    oven: str,
    lidded: bool,
    dairy: bool = False,
    scored: bool = True,
    what: str = "",
) -> tuple[Caution, ...]:
    """Cautions for a step, by its kind, the vessel's kind, the oven's kind, a lid, and dairy in it.

    ``scored``: whether the loaf is cut before it is loaded. ``what`` goes in or comes out at a step of steaming.
    """
    found: list[str] = []
    if kind in ("feed", "levain"):
        found += ["jar", "mould"]
    if kind == "scald":
        found.append("scald")
    if kind == "soak" and dairy:
        found.append("dairy")
    if kind == "mix":
        found.append("raw_dough")
    if what == "hob":
        found.append("hob")
    elif kind == "preheat":
        found += ["gas", "ratings"] if oven == "gas" else ["ratings"]
        found += ["wood"] if oven == "wood" else []
    if kind == "score":
        found.append("blades")
    if kind == "load":
        found += ["blades", "hot_iron"] if scored else ["hot_iron"]
        found += ["ceramic"] if vessel in GLAZED else []
    if kind == "steam_in":
        found += STEAMED.get(what, ())
        found += ["ceramic"] if what == "ice" and vessel in GLAZED else []
    if kind == "steam_out":
        found += ["hot_iron", "towels"] if what == "towels" else ["hot_iron"]
    if kind in ("vent", "uncover"):
        found.append("lid_steam" if lidded else "door_steam")
    if kind in ("turn", "swap", "out_of_tin"):
        found.append("hot_iron")
    if kind in ("fire", "rake_out"):
        found.append("wood")
    if kind == "grill" or what == "grill":
        found.append("grill")
    if kind == "out":
        found.append("hot_iron")
    if kind == "cut":
        found.append("knife")
    return tuple(caution(code) for code in found)
