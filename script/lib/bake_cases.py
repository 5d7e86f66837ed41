"""What bakers see of bakes, each with the window in which it is accepted and the condition that it belongs to."""

from collections.abc import Callable, Iterator
from dataclasses import dataclass
from functools import cache

import numpy as np

from gentle_crust.core.oven.bake import DEEP, GOLDEN, Bake, Baked, bake
from gentle_crust.core.oven.kit import Fired, InVessel, OvenHeat, OvenStage, Preheat, Preheated, Steam
from gentle_crust.core.oven.loaf import Loaf

O55, O60 = OvenHeat("electric", 2500, 55), OvenHeat("electric", 2500, 60)
BOULE = Loaf(850, 0.75, 20, "boule")
ROLL, ENRICHED = Loaf(80, 0.66, 25, "roll", 8), Loaf(80, 0.60, 25, "roll", 12, sugar=0.1, milk=0.4)
STICK = Loaf(200, 0.66, 25, "baguette", 4)
NEVER = 99.0
"""Minutes of what never comes."""
Stages = tuple[tuple[float, float, bool], ...]


@dataclass(frozen=True)
class Seen:
    """One thing seen: between what it is accepted, and the condition that it belongs to."""

    name: str
    condition: str
    low: float
    high: float
    measure: Callable[[], float]


def course(
    loaf: Loaf = BOULE,
    vessel: str = "lidded_cast_iron",
    preheat: tuple[float, float] = (245, 50),
    stages: Stages = ((20, 245, True), (40, 230, False)),
    steam: tuple[str, ...] = (),
    hot: Preheated = "whole",
    oven: OvenHeat = O55,
    fan: bool = False,
) -> Baked:
    """One bake; the same asked twice is baked once."""
    drawn = tuple(OvenStage(minutes, setpoint, covered, fan) for minutes, setpoint, covered in stages)
    return _baked(Bake(loaf, InVessel(vessel, hot), oven, Preheat(*preheat, fan), drawn, tuple(map(Steam, steam))))


@cache
def _baked(question: Bake) -> Baked:
    return bake(question)


def forget() -> None:
    """Other constants are in force."""
    _baked.cache_clear()


def when(baked: Baked, line: str, value: float) -> float:
    """The minute at which a line gets to a value."""
    found = baked.minute_of(line, value)
    return NEVER if found is None else found


def rolls(fan: bool = False) -> Baked:
    """Eight lean rolls on a tray."""
    return course(ROLL, "tray", (210, 30), ((8, 210, True), (32, 210, False)), ("water_pan",), oven=O60, fan=fan)


def enriched() -> Baked:
    """Twelve sweet rolls with milk."""
    return course(ENRICHED, "tray", (190, 30), ((40, 190, False),), oven=O60)


def sticks(fan: bool = False) -> Baked:
    """Four small sticks on two trays."""
    return course(STICK, "tray", (230, 30), ((8, 230, True), (32, 230, False)), ("water_pan",), oven=O60, fan=fan)


def lidded(minutes: float) -> Baked:
    """A boule of 46 minutes, under its lid for so many."""
    loaf = Loaf(850, 0.75, 25)
    return course(loaf, stages=((minutes, 245, True), (46 - minutes, 230, False)), oven=O60)


def under(vessel: str) -> Baked:
    """The same stages in pot and under a thin dome."""
    return course(Loaf(850, 0.72, 25), vessel, stages=((25, 245, True), (25, 230, False)), oven=O60)


def tin(loaf: Loaf, at_c: float, minutes: float = 90) -> Baked:
    """A loaf in a tin, without steam."""
    return course(loaf, "tin", (at_c, 30), ((minutes, at_c, False),), oven=O60)


def sprung(vessel: str, *steam: str, fan: bool = False, hot: Preheated = "whole", oven: OvenHeat = O55) -> Baked:
    """A boule with one way to steam; a fan oven is set 20 C lower."""
    at = 225.0 if fan else 245.0
    heated = (at, 0.0 if hot == "none" else 50.0)
    stages = ((20.0, at, True), (30.0, 230.0, False))
    return course(vessel=vessel, preheat=heated, stages=stages, steam=steam, fan=fan, hot=hot, oven=oven)


def on_the_floor(loaf: Loaf, minutes: float, floor: float = 290, dome: float = 300) -> Baked:
    """On the floor of a fired oven of 300 litres."""
    oven = OvenHeat("wood", 2500, 300, 0, Fired(floor, dome, 30))
    return _baked(Bake(loaf, InVessel("oven_floor"), oven, Preheat(0, 0), (OvenStage(minutes, 250),)))


def _air_to_225(watts: float) -> float:
    went = course(
        Loaf(30, 0.6, 20, "roll"), "tray", (245, 60), ((1, 245, False),), hot="none",
        oven=OvenHeat("electric", watts, 55),
    )  # fmt: skip
    return float(went.minutes[np.argmax(went.chamber >= 225)] + 60)


def _soaked(vessel: str) -> float:
    went = course(vessel=vessel, preheat=(245, 90), stages=((1, 245, False),))
    return float(went.minutes[np.argmax(went.vessel >= 235)] + 90)


def _golden_loss(baked: Baked) -> float:
    return 100 * baked.at("loss", min(when(baked, "colour", GOLDEN), float(baked.minutes[-1])))


def seen() -> Iterator[Seen]:
    """All of them: the home range, then small breads, enriched ones, tins, sticks and fan, lids and domes, steam."""
    home = "home"
    yield Seen("boule in a hot pot: core 93", home, 30, 38, lambda: when(course(), "core", 93))
    yield Seen("boule in a hot pot: core 97", home, 38, 46, lambda: when(course(), "core", 97))
    yield Seen("boule in a hot pot: deep", home, 38, 46, lambda: when(course(), "colour", DEEP))
    yield Seen(
        "boule in a hot pot: loss when deep, %", home, 11, 15,
        lambda: 100 * course().at("loss", min(when(course(), "colour", DEEP), 60)),
    )  # fmt: skip
    for core in (93, 97):
        yield Seen(
            f"the same from 4 C: core {core} later", home, 3, 6,
            lambda core=core: when(course(Loaf(850, 0.75, 4)), "core", core) - when(course(), "core", core),
        )  # fmt: skip
    small = lambda: course(  # noqa: E731
        Loaf(205, 0.70, 22, "baguette", 3), "tray", (230, 20), ((6, 230, True), (20, 230, False)), ("water_pan",)
    )
    yield Seen("205 g sticks on a tray: golden", home, 15, 20, lambda: when(small(), "colour", GOLDEN))
    yield Seen("205 g sticks: core then", home, 95, 101, lambda: small().at("core", when(small(), "colour", GOLDEN)))
    stone = lambda: course(  # noqa: E731
        Loaf(350, 0.70, 22, "baguette", 2), "stone", (245, 55), ((12, 245, True), (20, 245, False)),
        ("hot_stones_and_water",),
    )  # fmt: skip
    yield Seen("350 g sticks on stone: colour at 18 min", home, GOLDEN, 90, lambda: stone().at("colour", 18))
    yield Seen("350 g sticks on stone: deep", home, 18, 24, lambda: when(stone(), "colour", DEEP))
    pan = lambda: course(Loaf(875, 0.64, 24, "pan_loaf"), "tin", (202, 20), ((45, 202, False),))  # noqa: E731
    for core in (90, 93):
        yield Seen(f"875 g tin loaf: core {core}", "tins", 31, 40, lambda core=core: when(pan(), "core", core))
    slipper = lambda: course(  # noqa: E731
        Loaf(300, 0.80, 22, "slipper"), "stone", (230, 55), ((10, 230, True), (25, 230, False)), ("water_pan",)
    )
    yield Seen("300 g slipper on stone: golden", home, 21, 30, lambda: when(slipper(), "colour", GOLDEN))
    dome = lambda: course(  # noqa: E731
        Loaf(800, 0.72, 22), "metal_dome", (260, 40), ((30, 260, True), (30, 230, False))
    )
    yield Seen("800 g boule under a dome: deep", "lids", 38, 50, lambda: when(dome(), "colour", DEEP))
    cold = lambda: course(  # noqa: E731
        Loaf(900, 0.72, 22), preheat=(220, 0), stages=((45, 220, True), (30, 220, False)), hot="none", fan=True
    )
    yield Seen(
        "cold start in a pot: done", "lids", 48, 60, lambda: max(when(cold(), "core", 96), when(cold(), "colour", 40))
    )
    flat = lambda: course(Loaf(250, 0.65, 24, "flat_round"), "stone", (260, 55), ((15, 260, False),))  # noqa: E731
    yield Seen("250 g flat round: brown", home, 7, 10, lambda: when(flat(), "colour", GOLDEN))
    yield Seen("250 g flat round: loss then, %", home, 10, 20, lambda: _golden_loss(flat()))
    yield Seen(
        "fan 20 C lower: core 93 later", "fan", -3, 3,
        lambda: when(course(vessel="stone", preheat=(210, 50), stages=((60, 210, False),), fan=True), "core", 93)
        - when(course(vessel="stone", preheat=(230, 50), stages=((60, 230, False),)), "core", 93),
    )  # fmt: skip
    for watts in (2200, 2500):
        yield Seen(f"empty oven of {watts} W: 225 C", home, 9, 15, lambda watts=watts: _air_to_225(watts))
    for vessel, low, high in (("lidded_cast_iron", 28, 45), ("stone", 40, 65), ("steel", 30, 50)):
        yield Seen(f"soak of {vessel}", home, low, high, lambda vessel=vessel: _soaked(vessel))
    yield Seen("lean rolls: golden", "rolls", 15, 20, lambda: when(rolls(), "colour", GOLDEN))
    yield Seen("lean rolls: loss when golden, %", "rolls", 11, 16, lambda: _golden_loss(rolls()))
    yield Seen("enriched rolls: golden", "enriched", 12, 17, lambda: when(enriched(), "colour", GOLDEN))
    yield Seen("enriched rolls: loss when golden, %", "enriched", 8, 12, lambda: _golden_loss(enriched()))
    yield Seen("200 g sticks: golden", "sticks", 15, 19, lambda: when(sticks(), "colour", GOLDEN))
    yield Seen("200 g sticks: loss when golden, %", "sticks", 15, 20, lambda: _golden_loss(sticks()))
    yield Seen("200 g sticks, fan at the same dial: golden", "fan", 12, 16, lambda: when(sticks(True), "colour", 40))
    yield Seen("the same: loss when golden, %", "fan", 15, 20, lambda: _golden_loss(sticks(True)))
    yield Seen(
        "fan at the same dial: golden sooner, %", "fan", 15, 35,
        lambda: 100 * (1 - when(sticks(True), "colour", GOLDEN) / when(sticks(), "colour", GOLDEN)),
    )  # fmt: skip
    yield Seen(
        "fan at the same dial: core 95 later", "fan", -3, 3,
        lambda: when(sticks(True), "core", 95) - when(sticks(), "core", 95),
    )  # fmt: skip
    yield Seen("boule in a hot pot: base at 40 min", "bases", 40, 72, lambda: course().at("base_colour", 40))
    yield Seen(
        "boule on stone: base at 40 min", "bases", 45, 78,
        lambda: course(
            vessel="stone", stages=((16, 245, True), (30, 225, False)), steam=("hot_stones_and_water",)
        ).at("base_colour", 40),
    )  # fmt: skip
    yield Seen("boule under a dome: base at 45 min", "bases", 35, 78, lambda: dome().at("base_colour", 45))
    plain, sweet = Loaf(900, 0.66, 25, "pan_loaf"), Loaf(900, 0.60, 25, "pan_loaf", sugar=0.1, milk=0.4)
    rye = Loaf(1000, 0.80, 25, "pan_loaf")
    yield Seen("900 g tin loaf: base after 38 min", "tins", 30, 60, lambda: tin(plain, 205).at("base_colour", 38))
    yield Seen("enriched tin loaf: top golden", "enriched", 20, 28, lambda: when(tin(sweet, 190), "colour", GOLDEN))
    yield Seen("1 kg rye in a tin: core 97", "tins", 52, 70, lambda: when(tin(rye, 205), "core", 97))
    for minutes, low, high in ((10, 57, 82), (20, 57, 82), (40, 15, 50)):
        yield Seen(
            f"lid on for {minutes} of 46 min: colour", "lids", low, high,
            lambda minutes=minutes: lidded(minutes).end("colour"),
        )  # fmt: skip
    yield Seen(
        "loss falls from lid 10 to lid 40, %",
        "lids",
        2,
        4,
        lambda: 100 * (lidded(10).end("loss") - lidded(40).end("loss")),
    )
    for minutes in (40, 45):
        yield Seen(
            f"dome behind pot at {minutes} min, points", "lids", 15, 40,
            lambda minutes=minutes: under("lidded_cast_iron").at("colour", minutes)
            - under("metal_dome").at("colour", minutes),
        )  # fmt: skip
    yield from _steam()
    yield from _wood()


def _steam() -> Iterator[Seen]:
    """How a boule springs with steam: in points of the index, and as shares of the pot's."""

    def spring(*of: str, **more: object) -> float:
        return sprung(*of, **more).end("spring")  # type: ignore[arg-type]

    pot, dry = ("lidded_cast_iron",), ("stone",)
    wet, mist = ("stone", "hot_stones_and_water", "soaked_towels"), ("stone", "mist_loaf")
    gas = OvenHeat("gas", 3000, 55)
    for name, low, high, measure in (
        ("pot over stones and towels", 0.5, 60, lambda: spring(*pot) - spring(*wet)),
        ("stones and towels over a misted loaf", 0.5, 60, lambda: spring(*wet) - spring(*mist)),
        ("a misted loaf over a dry oven", 1, 60, lambda: spring(*mist) - spring(*dry)),
        ("towels over a dry oven", 1, 60, lambda: spring("stone", "soaked_towels") - spring(*dry)),
        ("a water pan over a dry oven", 0.5, 60, lambda: spring("stone", "water_pan") - spring(*dry)),
        ("a dry oven over gas", 0.1, 60, lambda: spring(*dry) - spring(*dry, oven=gas)),
        ("a dry oven over a fan", 0.5, 60, lambda: spring(*dry) - spring(*dry, fan=True)),
        ("ice in the pot, % of the pot", 95, 105, lambda: 100 * spring(*pot, "ice_in_pot") / spring(*pot)),
        ("a cold pot, % of the hot one", 92, 108, lambda: 100 * spring(*pot, hot="none") / spring(*pot)),
        ("a perforated tray, % of stone", 85, 99.9, lambda: 100 * spring("perforated_tray") / spring(*dry)),
    ):
        yield Seen(f"spring: {name}", "steam", low, high, measure)
    yield Seen(
        "ice in the pot: deep later", "steam", 1, 5,
        lambda: when(sprung(*pot, "ice_in_pot"), "colour", DEEP) - when(sprung(*pot), "colour", DEEP),
    )  # fmt: skip


def _wood() -> Iterator[Seen]:
    """A floor fired to 290 C and soaked, under 2.8 kg of sticks; and one of 430 C."""
    baguettes = Loaf(350, 0.70, 24, "baguette", 8)
    hour = lambda: on_the_floor(baguettes, 60)  # noqa: E731
    loaded = lambda line: hour().minutes >= 0  # noqa: E731

    def floor() -> np.ndarray:
        return hour().vessel[loaded("vessel")]

    def lowest() -> float:
        return float(hour().minutes[loaded("vessel")][int(floor().argmin())])

    yield Seen("fired floor at loading", "wood", 270, 300, lambda: float(floor()[0]))
    yield Seen("fired floor falls by", "wood", 30, 70, lambda: float(floor()[0] - floor().min()))
    yield Seen(
        "fired floor after 25 min more: share back", "wood", 0.45, 1,
        lambda: float((hour().at("vessel", lowest() + 25) - floor().min()) / (floor()[0] - floor().min())),
    )  # fmt: skip
    yield Seen(
        "dome falls in an hour", "wood", 10, 25, lambda: 60 / 50 * (hour().at("wall", 10) - hour().at("wall", 60))
    )
    yield Seen(
        "350 g sticks on a fired floor: deep golden, core 96", "wood", 16, 24,
        lambda: max(when(hour(), "colour", 50), when(hour(), "core", 96)),
    )  # fmt: skip
    flat = lambda: on_the_floor(Loaf(250, 0.65, 24, "flat_round"), 4, 430, 450)  # noqa: E731
    yield Seen("250 g round at 430 C: golden, seconds", "wood", 80, 150, lambda: 60 * when(flat(), "colour", GOLDEN))
