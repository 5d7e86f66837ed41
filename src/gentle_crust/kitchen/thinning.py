"""Figures of instruments grow fewer with age: what a bake's record shows of them is kept for good.

After a fortnight one a minute is kept of what was measured while something baked or fermented, and of all else one a
quarter of an hour; of either stretch its highest and its lowest too, so that no peak is lost.
"""

from datetime import UTC, datetime, timedelta

from gentle_crust.kitchen.work import Work
from gentle_crust.store.baking import Bakes
from gentle_crust.store.repositories import Marks
from gentle_crust.store.samples import Samples

WHOLE = timedelta(days=14)
"""So long every figure is kept (practice)."""
BESIDE = timedelta(hours=1)
"""A bake's record begins so long before it, and ends so long after."""
DAY = timedelta(days=1)
DONE = "samples_thinned"


def thin(work: Work, most_days: int = 4000) -> int:
    """Thin what has become old enough, a day a transaction, at most so many days; how many figures were let go."""
    gone = 0
    for _ in range(most_days):
        with work.write() as session:
            day = _next_day(work, Marks(session), Samples(session))
            if day is None:
                return gone
            spans = [
                (begin - BESIDE, end + BESIDE) for begin, end in Bakes(session).spans(day - BESIDE, day + DAY + BESIDE)
            ]
            gone += Samples(session).thin(day, day + DAY, _joined(spans))
            Marks(session).put(DONE, day + DAY)
    return gone


def _next_day(work: Work, marks: Marks, samples: Samples) -> datetime | None:
    """The next day, in UTC, that is old enough and was not thinned yet; those without figures are passed over."""
    since = marks.get(DONE) or datetime(2000, 1, 1, tzinfo=UTC)
    first = samples.first_since(since)
    if first is None:
        return None
    day = max(first.replace(hour=0, minute=0, second=0, microsecond=0), since)
    return day if day + DAY <= work.now() - WHOLE else None


def _joined(spans: list[tuple[datetime, datetime]]) -> list[tuple[datetime, datetime]]:
    """Spans that overlap, as one."""
    found: list[tuple[datetime, datetime]] = []
    for begin, end in sorted(spans):
        if found and begin <= found[-1][1]:
            found[-1] = (found[-1][0], max(found[-1][1], end))
        else:
            found.append((begin, end))
    return found
