"""A kitchen that is not here: a dough whose truth differs a little from its forecast, and its instruments."""

import random
from dataclasses import dataclass, field, replace
from datetime import datetime, timedelta
from typing import Literal

import numpy as np

from gentle_crust.core.errors import CraftError
from gentle_crust.core.fermentation.capacity import greatest_rise
from gentle_crust.core.fermentation.dough import Dough, FlourPart, Makeup, makeup
from gentle_crust.core.fermentation.engine import Leg, State, Trace, begin, handled, run

Deed = Literal["mix", "fold", "divide", "chill", "warm", "preheat", "load", "out"]
DEEDS: tuple[Deed, ...] = ("mix", "fold", "divide", "chill", "warm", "preheat", "load", "out")
LOAF = Dough(
    (FlourPart("strong_white", 800), FlourPart("whole_wheat", 100)),
    water_g=640,
    salt_g=18,
    levain_g=180,
)
JAR_START_MM = 30.0
LONGEST_H = 48.0
OVEN_C, OVEN_RISES_MIN, CORE_RISES_MIN = 245.0, 14.0, 13.0


@dataclass(frozen=True)
class Truth:
    """How this kitchen differs from what anybody would forecast: its leaven's activity, its room, its dough."""

    activity: float = 0.85
    room_c: float = 21.6
    fridge_c: float = 4.8
    dough_c: float = 24.4


@dataclass(frozen=True)
class Faults:
    """What goes wrong with the instruments: silence, noise (K), a jump (K), a clock off (s), a probe on the table."""

    lost: bool = False
    noise_k: float = 0.08
    jump_k: float = 0.0
    skew_s: float = 0.0
    on_table: bool = False


@dataclass
class SimKitchen:
    """A dough, its rooms and the instruments in them. ``done`` lists what was done to it and when."""

    truth: Truth = field(default_factory=Truth)
    faults: Faults = field(default_factory=Faults)
    dough: Dough = LOAF
    done: list[tuple[Deed, datetime]] = field(default_factory=list)
    seed: int = 7
    _trace: Trace | None = None
    _begun: datetime | None = None
    _moved: datetime | None = None
    """The stretch that goes on now, and when it began."""
    _state: State | None = None

    def __post_init__(self) -> None:
        self._random = random.Random(self.seed)  # noqa: S311 - noise of a thermometer
        self._makeup: Makeup = makeup(self.dough)

    def do(self, deed: Deed, at: datetime) -> None:
        """Something is done to the dough. CraftError for what is unknown, or done before mixing."""
        if deed not in DEEDS:
            raise CraftError("do", "devices-deed-unknown", deed=deed, names=DEEDS)
        if deed not in ("mix", "preheat") and self._begun is None:
            raise CraftError("do", "devices-no-dough-yet")
        self.done.append((deed, at))
        if deed == "mix":
            self._begun = at
            self._go_on(begin(self._makeup, self.truth.dough_c), at, self.truth.room_c, "covered_bowl")
        elif deed in ("divide", "fold"):
            state = handled(self._makeup, self._now(at), "divide" if deed == "divide" else "fold")
            self._go_on(state, at, self.truth.room_c, "banneton" if deed == "divide" else "covered_bowl")
        elif deed in ("chill", "warm"):
            self._go_on(self._now(at), at, self.truth.fridge_c if deed == "chill" else self.truth.room_c, "banneton")

    def _now(self, at: datetime) -> State:
        if self._trace is None or self._moved is None:
            raise CraftError("do", "devices-no-dough-yet")
        return self._trace.at(min((at - self._moved) / timedelta(hours=1), LONGEST_H))

    def _go_on(self, state: State, at: datetime, ambient_c: float, container: str) -> None:
        shaped = any(deed == "divide" for deed, _ in self.done)
        holds = greatest_rise(self._makeup, "free_standing" if shaped else "bulk")
        grams = self._makeup.dough_g / (2 if shaped else 1)
        cold = ambient_c == self.truth.fridge_c
        leg = Leg(LONGEST_H, np.array([ambient_c]), container, grams, holds, fridge=cold)
        self._trace = run(self._makeup, state, leg, np.array([self.truth.activity]))
        self._moved = at

    def _when(self, deed: Deed) -> datetime | None:
        return next((at for what, at in reversed(self.done) if what == deed), None)

    def dough_at(self, at: datetime) -> tuple[float, float] | None:
        """Temperature (C) and rise of the dough; None before it is mixed and once it is out of the oven."""
        if self._trace is None or self._moved is None or self._when("out") is not None:
            return None
        loaded = self._when("load")
        hours = ((at if loaded is None else min(at, loaded)) - self._moved) / timedelta(hours=1)
        warm = float(np.interp(hours, self._trace.hours, self._trace.dough_c))
        rise = float(np.interp(hours, self._trace.hours, self._trace.rise[:, 0]))
        if loaded is not None and at > loaded:
            minutes = (at - loaded) / timedelta(minutes=1)
            warm = 98 - (98 - warm) * float(np.exp(-max(minutes - 6, 0) / CORE_RISES_MIN))
        return warm, rise

    def figures(self, at: datetime) -> tuple[tuple[str, str, float], ...]:
        """What the instruments show: device, quantity, value. Nothing of the dough while its probe is lost."""
        found = [
            ("kitchen-air", "room_c", self.truth.room_c + self._noise()),
            ("fridge", "fridge_c", self.truth.fridge_c + self._noise()),
            ("oven-probe", "oven_c", self._oven(at) + self._noise()),
        ]
        dough = self.dough_at(at)
        if dough is not None and not self.faults.lost:
            warm = self.truth.room_c + 2.4 if self.faults.on_table else dough[0] + self.faults.jump_k
            found.append(("dough-probe", "dough_c", warm + self._noise()))
        if dough is not None:
            found.append(("scale", "scale_g", self._makeup.dough_g))
            found.append(("sample-jar", "level_mm", JAR_START_MM * (1 + dough[1])))
        return tuple((device, quantity, round(value, 2)) for device, quantity, value in found)

    def _noise(self) -> float:
        return self._random.gauss(0, self.faults.noise_k)

    def _oven(self, at: datetime) -> float:
        lit = self._when("preheat")
        if lit is None or at < lit:
            return self.truth.room_c
        minutes = (at - lit) / timedelta(minutes=1)
        return OVEN_C - (OVEN_C - self.truth.room_c) * float(np.exp(-minutes / OVEN_RISES_MIN))

    def break_(self, **faults: float) -> None:
        """Set what goes wrong from now on."""
        self.faults = replace(self.faults, **faults)  # type: ignore[arg-type]
