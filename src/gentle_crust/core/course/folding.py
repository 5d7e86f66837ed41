"""When a dough is folded: as it is wished, as there is time, and while the baker is awake."""

from dataclasses import dataclass

from gentle_crust.core.clock import Clock
from gentle_crust.core.course.method import Series

FOLDS_NEED_H = 0.2
"""A fold nearer to the end of its stage than this is not made any more."""
CLOSEST_FOLDS_H = 1 / 6
FORGIVING = 0.7
"""After a late fold the next may follow in this part of the usual time (practice)."""


@dataclass(frozen=True)
class Folded:
    """Folds of a stage under way, hours from the clock's origin: those that were wished, and those that were not.

    ``left_out`` of the wished ones do not happen; what is left is done no sooner than ``not_before``.
    """

    done: tuple[float, ...] = ()
    extra: tuple[float, ...] = ()
    left_out: int = 0
    not_before: float = -1e9


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


def folds_on(so_far: Folded, wished_h: tuple[float, ...], start: float, hours: float | None) -> tuple[float, ...]:
    """Folds of a stage under way, hours into it: those that were done, and the others as soon as they may be.

    A late fold pushes the next only as far as it must: folds are forgiving.
    """
    found = [at - start for at in sorted((*so_far.done, *so_far.extra))]
    last = so_far.done[-1] - start if so_far.done else None
    for place in range(len(so_far.done) + so_far.left_out, len(wished_h)):
        due = wished_h[place]
        if last is not None and place:
            due = max(due, last + FORGIVING * (wished_h[place] - wished_h[place - 1]))
        last = due = max(due, so_far.not_before - start)
        if hours is None or due <= hours - FOLDS_NEED_H:
            found.append(due)
    return tuple(sorted(each for each in found if each > 0 and (hours is None or each < hours)))
