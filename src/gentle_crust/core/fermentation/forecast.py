"""A forecast for any dough along any path of surroundings: how it rises, and when it reaches each rise."""

from dataclasses import dataclass, replace
from typing import Literal

import numpy as np

from gentle_crust.core import limits
from gentle_crust.core.errors import CraftError, within
from gentle_crust.core.fermentation.acid import sourness
from gentle_crust.core.fermentation.capacity import greatest_rise
from gentle_crust.core.fermentation.crossing import crossings
from gentle_crust.core.fermentation.dough import Makeup
from gentle_crust.core.fermentation.engine import Leg, State, Trace, begin, handled, run
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.readings import Reading, check, grid, update
from gentle_crust.core.fermentation.temperature import Shape
from gentle_crust.core.fermentation.uncertainty import Span, Vigour, activities, band, of_leaven, span, spread
from gentle_crust.core.messages import message

CURVE_EVERY_MIN = 10
_SHAPED = {"banneton": "free_standing", "couche": "free_standing", "tin": "tin", "tray": "tray"}
Handling = Literal["knock_back", "divide", "shape"]
_PRESSES = {"knock_back": "knock_back", "divide": "divide", "shape": "gentle_shape"}


@dataclass(frozen=True)
class Stretch:
    """Hours at one ambient temperature (C) in one container.

    ``folds``: how often the dough is folded in it, evenly spread; ``handling``: what is done to it as it begins.
    ``place``: where that is; a fridge's air takes heat faster, and its warmth is less sure. ``shape`` of the pieces.
    """

    hours: float
    ambient_c: float
    container: str = "covered_bowl"
    folds: int = 0
    handling: Handling | None = None
    place: str | None = None
    shape: Shape = "ball"

    @property
    def folds_h(self) -> tuple[float, ...]:
        """When it is folded, hours into the stretch."""
        return tuple(self.hours * (place + 1) / (self.folds + 1) for place in range(self.folds))


@dataclass(frozen=True)
class TargetTime:
    """When a rise (fraction of the gas-free volume) is reached, hours from the start."""

    rise: float
    hours: Span


@dataclass(frozen=True)
class Peak:
    """The greatest rise on the path and its time."""

    rise: float
    hours: float


@dataclass(frozen=True)
class CurvePoint:
    """The dough at one time: hours, C, rise with its band, and an index of acidity as pH."""

    hours: float
    dough_c: float
    rise: float
    rise_low: float
    rise_high: float
    ph: float


@dataclass(frozen=True)
class Forecast:
    """Answer of :func:`forecast`. ``vigour``: what is believed of the leaven after the readings, 1 being usual."""

    targets: tuple[TargetTime, ...]
    greatest_rise: Peak
    curve: tuple[CurvePoint, ...]
    sourness: float
    vigour: Span


def _check(
    start_c: float, path: tuple[Stretch, ...], rise_targets: tuple[float, ...], pieces: int,
    readings: tuple[Reading, ...],
) -> None:  # fmt: skip
    within("start_c", limits.MEASURED_DOUGH_C, start_c, message("limit-dough-temperature"))
    within("pieces", limits.PIECES, pieces)
    check_path(path)
    for index, rise in enumerate(rise_targets):
        within(f"rise_targets.{index}", limits.RISE_TARGET, rise)
    for index, reading in enumerate(readings):
        check(reading, f"readings.{index}")


def check_path(path: tuple[Stretch, ...]) -> None:
    """Raise CraftError, naming the field, for a path that is none, too long, or through no kitchen.

    Parameters
    ----------
    path : stretches of hours (h), surroundings (C) and container, one after the other

    Returns
    -------
    Nothing; CraftError for a path that is refused.
    """
    if not path:
        raise CraftError("path", "fermentation-path-empty")
    for index, stretch in enumerate(path):
        within(f"path.{index}.hours", limits.STRETCH_H, stretch.hours)
        within(f"path.{index}.ambient_c", limits.AMBIENT_C, stretch.ambient_c)
        within(f"path.{index}.folds", limits.FOLDS, stretch.folds)
    within("path", limits.PATH_H, sum(stretch.hours for stretch in path))


def long_enough(path: tuple[Stretch, ...], hours: float) -> tuple[Stretch, ...]:
    """A path that lasts so long at least: its last stretch goes on.

    Parameters
    ----------
    path : stretches of hours (h), surroundings (C) and container, one after the other
    hours : hours, 0-240

    Returns
    -------
    The path, its last stretch as long as needed.
    """
    before = sum(stretch.hours for stretch in path[:-1])
    return (*path[:-1], replace(path[-1], hours=max(hours - before, path[-1].hours)))


def carry(
    made: Makeup, state: State, path: tuple[Stretch, ...], piece_g: float, vigour: Vigour, factors: Floats,
    jar: bool = False,
) -> list[Trace]:  # fmt: skip
    """A dough carried along ``path``, one trace a stretch, one column an activity of ``factors``.

    ``jar``: whether it is a culture or a preferment in its jar, which no vessel shapes.

    Parameters
    ----------
    made : the dough's makeup
    state : where the dough stands, one column an activity of its leaven
    path : stretches of hours (h), surroundings (C) and container, one after the other
    piece_g : weight of one piece, g, 30-5000
    vigour : what is believed of the leaven's pace: likely factor, spread, shares weak and dead
    factors : how many equally likely activities, or the activities themselves
    jar : whether it stands in a jar

    Returns
    -------
    A course for each stretch.
    """
    traces: list[Trace] = []
    for stretch in path:
        holds = greatest_rise(made, "culture" if jar else _SHAPED.get(stretch.container, "bulk"))
        fridge = stretch.place == "fridge"
        if stretch.handling:
            state = handled(made, state, _PRESSES[stretch.handling])
        leg = Leg(
            stretch.hours, np.array([stretch.ambient_c]), stretch.container, piece_g, holds, stretch.folds_h, fridge,
            stretch.shape,
        )  # fmt: skip
        traces.append(run(made, state, leg, spread(factors, vigour, made, stretch.ambient_c, fridge)))
        state = traces[-1].end()
    return traces


def forecast(
    made: Makeup,
    start_c: float,
    path: tuple[Stretch, ...],
    rise_targets: tuple[float, ...] = (0.5, 0.75, 1.0),
    pieces: int = 1,
    vigour: Vigour | None = None,
    readings: tuple[Reading, ...] = (),
) -> Forecast:
    """Forecast a dough along a path.

    Parameters
    ----------
    made : the dough as it leaves the bowl.
    start_c : its warmth then [C], 0-45.
    path : where it stands, stretch after stretch; a banneton, couche, tin or tray holds it as shaped.
    rise_targets : rises [fraction of the gas-free volume] whose times are wanted.
    pieces : it stands in so many from the start, for its cooling.
    vigour : what is believed of its leaven; as is usual for its kind if not given.
    readings : rises that were read; they move that belief, and with it all that is foretold.

    Raises
    ------
    CraftError : naming the field, for what is out of reach.

    Parameters
    ----------
    made : the dough's makeup
    start_c : temperature at the beginning, C, 0-43
    path : stretches of hours (h), surroundings (C) and container, one after the other
    rise_targets : rises asked about, fractions
    pieces : number of pieces, 1-400
    vigour : what is believed of the leaven's pace: likely factor, spread, shares weak and dead
    readings : what was measured, in order of time

    Returns
    -------
    Hours to each rise, greatest rise, and the course by ten minutes, low to high.
    """
    _check(start_c, path, rise_targets, pieces, readings)
    belief = of_leaven(made) if vigour is None else vigour
    piece_g = made.dough_g / pieces
    if readings:
        belief = _after(made, start_c, path, piece_g, belief, readings)
    factors = activities(belief)
    traces = carry(made, begin(made, start_c, len(factors)), path, piece_g, belief, factors)
    return _answer(made, traces, rise_targets, factors)


def _after(
    made: Makeup, start_c: float, path: tuple[Stretch, ...], piece_g: float, belief: Vigour,
    readings: tuple[Reading, ...],
) -> Vigour:  # fmt: skip
    """The belief after readings of rise."""
    tried = grid(belief)
    exact = replace(belief, sigma=0.0)
    hours, rise = _joined(carry(made, begin(made, start_c, len(tried)), path, piece_g, exact, tried))
    return update(readings, lambda at: np.array([np.interp(at, hours, column) for column in rise.T]), belief)


def _joined(traces: list[Trace]) -> tuple[Floats, Floats]:
    hours = np.concatenate([trace.start_age_h + trace.hours for trace in traces])
    return hours, np.concatenate([trace.rise for trace in traces])


def _answer(made: Makeup, traces: list[Trace], rise_targets: tuple[float, ...], factors: Floats) -> Forecast:
    hours, rise = _joined(traces)
    middle = rise.shape[1] // 2
    low, high = band(rise)
    signed = np.concatenate([trace.signed_rise for trace in traces])
    targets = tuple(TargetTime(target, span(crossings(hours, signed, target))) for target in rise_targets)
    top = int(rise[:, middle].argmax())
    every = np.arange(0, hours[-1] + 1e-6, CURVE_EVERY_MIN / 60)
    dough_c = np.concatenate([trace.dough_c for trace in traces])
    bacteria = np.concatenate([trace.bacteria[:, middle] for trace in traces])
    series = [dough_c, rise[:, middle], low, high]
    series.append(np.concatenate([trace.ph[:, middle] for trace in traces]))
    sampled = [np.interp(every, hours, values) for values in series]
    columns = [values.tolist() for values in (every, *sampled)]
    curve = tuple(CurvePoint(*row) for row in zip(*columns, strict=True))
    sour = sourness(hours, dough_c, bacteria, made.hydration, made.souring, made.buffer)
    return Forecast(targets, Peak(float(rise[top, middle]), float(hours[top])), curve, sour, span(factors))
