"""When a dough is folded: as it is wished, as there is time, and while the baker is awake."""

from gentle_crust.core.clock import Clock
from gentle_crust.core.course.method import Series

FOLDS_NEED_H = 0.2
"""A fold nearer to the end of its stage than this is not made any more."""
CLOSEST_FOLDS_H = 1 / 6


def folds_h(wished: tuple[Series, ...], hours: float | None) -> tuple[float, ...]:
    """When each fold falls, hours into its stage; in one of ``hours`` closer together, or fewer, as they find room."""
    times: list[float] = []
    for series in wished:
        gap = sum(series.gap_min) / 2
        first = max(series.first_min, 60 * times[-1] + gap if times else 0.0)
        times += [(first + gap * place) / 60 for place in range(series.count)]
    if hours is None or not times or times[-1] <= hours - FOLDS_NEED_H:
        return tuple(times)
    room_h = hours - FOLDS_NEED_H
    closest = max(min(min(series.gap_min) for series in wished if series.count) / 60, CLOSEST_FOLDS_H)
    closest = min(closest, times[1] - times[0]) if len(times) > 1 else closest
    stated = any(series.gap_min[0] != series.gap_min[1] for series in wished)
    least = closest if stated else CLOSEST_FOLDS_H
    gap_h = max(room_h / (len(times) + 0.5), least)
    squeezed = (min(times[0], gap_h) + gap_h * place for place in range(len(times)))
    return tuple(at for at in squeezed if at <= room_h)


def folds_awake(clock: Clock, start: float, folds: tuple[float, ...]) -> tuple[float, ...]:
    """Folds that nobody asked for, drawn together so that they are done by bedtime; what finds no room is left out."""
    asleep = [fold for fold in folds if clock.asleep_min(start + fold, start + fold + 1 / 20) > 0]
    if not asleep:
        return folds
    bed = (clock.nights.start_h - clock.local_hour_at(start)) % 24
    awake = tuple(fold for fold in folds if fold not in asleep)
    if bed > folds[-1] or bed < 2 * FOLDS_NEED_H:
        return awake
    gap = max((bed - FOLDS_NEED_H) / len(folds), CLOSEST_FOLDS_H)
    return tuple(gap * (n + 1) for n in range(len(folds)) if gap * (n + 1) <= bed - FOLDS_NEED_H / 2)
