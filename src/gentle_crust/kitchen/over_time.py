"""Bakes in figures over time, and how right the program has been."""

from collections import Counter
from collections.abc import Sequence
from statistics import median
from typing import Any

from gentle_crust.contract.log import CameOut, FigurePoint, Right
from gentle_crust.core.readiness.outcome import OUTCOMES
from gentle_crust.kitchen.beside import FIGURES
from gentle_crust.kitchen.work import Work
from gentle_crust.store.baking import Bakes, Sought

MOST = 2_000
"""So many bakes are counted, the latest: what was right years ago says little of today."""
AS_JUDGED = set[tuple[str, str]](OUTCOMES.items())
"""Verdicts, with how a loaf comes out that was judged so."""
MOST_DRAWN = 400
"""So many bakes are drawn, the latest: more points than a page has room for tell nothing."""


def over_time(work: Work, sought: Sought) -> tuple[tuple[FigurePoint, ...], Right]:
    """Figures of finished bakes that are sought, the oldest first; and how forecasts and verdicts of all came out."""
    with work.read() as session:
        rows = Bakes(session).figures(sought, MOST)
    points = [
        FigurePoint(row.id, row.name, row.latest, row.liked, FIGURES.read(row.figures or {}))
        for row in rows[:MOST_DRAWN]
    ]
    return tuple(reversed(points)), right([row.figures for row in rows if row.figures])


def right(figures: Sequence[dict[str, Any]]) -> Right:
    """How right forecasts and verdicts were over some bakes, by their figures as they are kept."""
    late = [each["late_min"] for each in figures if each.get("late_min") is not None]
    told = [
        (str(each["verdict"]), str(each["how"]))
        for each in figures
        if each.get("verdict") in OUTCOMES and each.get("how")
    ]
    counts = dict(sorted(Counter(told).items()))
    return Right(
        bakes=len(figures),
        read=sum(int(each.get("read", 0)) for each in figures),
        inside=sum(int(each.get("inside", 0)) for each in figures),
        late_min=round(median(late)) if late else None,
        within_min=round(median(abs(each) for each in late)) if late else None,
        judged=tuple(CameOut(verdict, how, count) for (verdict, how), count in counts.items()),
        as_judged=sum(count for pair, count in counts.items() if pair in AS_JUDGED),
        verdicts=len(told),
    )
