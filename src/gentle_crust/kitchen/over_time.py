"""Bakes in figures over time, and how right the program has been."""

from statistics import median

from gentle_crust.contract.bakes import BakeFigures
from gentle_crust.contract.log import CameOut, FigurePoint, Right
from gentle_crust.core.readiness.outcome import OUTCOMES
from gentle_crust.kitchen.beside import FIGURES
from gentle_crust.kitchen.work import Work
from gentle_crust.store.baking import Bakes, Sought

MOST = 10_000
MOST_DRAWN = 400
"""So many bakes are drawn, the latest: more points than a page has room for tell nothing."""


def over_time(work: Work, sought: Sought) -> tuple[tuple[FigurePoint, ...], Right]:
    """Figures of finished bakes that are sought, the oldest first; and how forecasts and verdicts of all came out."""
    with work.read() as session:
        rows = Bakes(session).figures(sought, MOST)
    points = []
    for row in rows:
        figures = FIGURES.read(row.figures) if row.figures else BakeFigures()
        points.append(FigurePoint(row.id, row.name, row.latest, row.liked, figures))
    return tuple(reversed(points[:MOST_DRAWN])), right([point.figures for point in points])


def right(figures: list[BakeFigures]) -> Right:
    """How right forecasts and verdicts were over some bakes."""
    late = [each.late_min for each in figures if each.late_min is not None]
    told = [(each.verdict, each.how) for each in figures if each.verdict in OUTCOMES and each.how]
    counts = {pair: told.count(pair) for pair in sorted(set(told))}
    return Right(
        bakes=len(figures),
        read=sum(each.read for each in figures),
        inside=sum(each.inside for each in figures),
        late_min=round(median(late)) if late else None,
        within_min=round(median(abs(each) for each in late)) if late else None,
        judged=tuple(CameOut(verdict, how, count) for (verdict, how), count in counts.items()),
        as_judged=sum(count for (verdict, how), count in counts.items() if OUTCOMES[verdict] == how),
        verdicts=len(told),
    )
