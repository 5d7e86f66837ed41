"""A forecast for any dough along any path of surroundings: how it rises, and when it reaches each rise."""

from dataclasses import dataclass

import numpy as np

from gentle_crust.core import limits
from gentle_crust.core.errors import CraftError, within
from gentle_crust.core.fermentation.capacity import greatest_rise
from gentle_crust.core.fermentation.dough import Dough, makeup
from gentle_crust.core.fermentation.engine import Leg, Trace, begin, crossings, run
from gentle_crust.core.fermentation.uncertainty import Span, Vigour, activities, band, span
from gentle_crust.core.messages import message

CURVE_EVERY_MIN = 10
_SHAPED = {"banneton": "free_standing", "tin": "tin", "tray": "tray"}


@dataclass(frozen=True)
class Stretch:
    """Hours at one ambient temperature (C) in one container."""

    hours: float
    ambient_c: float
    container: str


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
    """Answer of :func:`forecast`."""

    targets: tuple[TargetTime, ...]
    greatest_rise: Peak
    curve: tuple[CurvePoint, ...]


def _check(start_c: float, path: tuple[Stretch, ...], rise_targets: tuple[float, ...], pieces: int) -> None:
    within("start_c", limits.MEASURED_DOUGH_C, start_c, message("limit-dough-temperature"))
    within("pieces", limits.PIECES, pieces)
    if not path:
        raise CraftError("path", "fermentation-path-empty")
    for index, stretch in enumerate(path):
        within(f"path.{index}.hours", limits.STRETCH_H, stretch.hours)
        within(f"path.{index}.ambient_c", limits.AMBIENT_C, stretch.ambient_c)
    within("path", limits.PATH_H, sum(stretch.hours for stretch in path))
    for index, rise in enumerate(rise_targets):
        within(f"rise_targets.{index}", limits.RISE_TARGET, rise)


def forecast(
    dough: Dough,
    start_c: float,
    path: tuple[Stretch, ...],
    rise_targets: tuple[float, ...] = (0.5, 0.75, 1.0),
    pieces: int = 1,
    vigour: Vigour | None = None,
) -> Forecast:
    """Forecast a freshly mixed dough at ``start_c`` (C) along ``path``; ``pieces`` divides it for cooling.

    A banneton, tin or tray holds the dough as shaped. No gas is taken away between stretches.
    """
    made = makeup(dough)
    _check(start_c, path, rise_targets, pieces)
    factors = activities(vigour)
    state = begin(made, start_c, len(factors))
    traces: list[Trace] = []
    for stretch in path:
        holds = greatest_rise(made, _SHAPED.get(stretch.container, "bulk"))
        leg = Leg(stretch.hours, np.array([stretch.ambient_c]), stretch.container, made.dough_g / pieces, holds)
        traces.append(run(made, state, leg, factors))
        state = traces[-1].end()
    return _answer(traces, rise_targets)


def _answer(traces: list[Trace], rise_targets: tuple[float, ...]) -> Forecast:
    hours = np.concatenate([trace.start_age_h + trace.hours for trace in traces])
    rise = np.concatenate([trace.rise for trace in traces])
    middle = rise.shape[1] // 2
    low, high = band(rise)
    targets = tuple(TargetTime(target, span(crossings(hours, rise, target))) for target in rise_targets)
    top = int(rise[:, middle].argmax())
    every = np.arange(0, hours[-1] + 1e-6, CURVE_EVERY_MIN / 60)
    series = [np.concatenate([trace.dough_c for trace in traces]), rise[:, middle], low, high]
    series.append(np.concatenate([trace.ph[:, middle] for trace in traces]))
    sampled = [np.interp(every, hours, values) for values in series]
    columns = [values.tolist() for values in (every, *sampled)]
    curve = tuple(CurvePoint(*row) for row in zip(*columns, strict=True))
    return Forecast(targets, Peak(float(rise[top, middle]), float(hours[top])), curve)
