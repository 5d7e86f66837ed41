"""A formula's history: its versions, and what came of each."""

from collections.abc import Sequence

from gentle_crust.contract.bakes import BakeLine
from gentle_crust.contract.log import History, VersionStory
from gentle_crust.core.errors import CraftError
from gentle_crust.kitchen.bakes import line_of
from gentle_crust.kitchen.formulas import FormulaBook
from gentle_crust.kitchen.trials import TrialBook
from gentle_crust.kitchen.work import Work
from gentle_crust.store.baking import Bakes, Sought
from gentle_crust.store.models import BakeRow

MOST_OF_A_VERSION = 12
"""So many bakes of each version are shown, the latest; the list has them all."""


def history_of(work: Work, key: str) -> History:
    """The story of a formula, the newest version first; bakes of versions that are gone stand at the end.

    Raises CraftError if there is no such formula and none of its bakes.
    """
    with work.read() as session:
        rows = Bakes(session).page(Sought(formula=key), None, 10_000)
    try:
        kept = FormulaBook(work).get(key, "id")
        versions = FormulaBook(work).versions(key)
        name, away = kept.formula.name, kept.put_away
    except CraftError:
        if not rows:
            raise
        versions, name, away = (), rows[0].name, True
    by_version: dict[int | None, list[BakeRow]] = {}
    known = {version.number for version in versions}
    for row in rows:
        number = row.version if row.version in known else (1 if row.version is None and 1 in known else None)
        by_version.setdefault(number, []).append(row)
    told = [
        _story(
            work, by_version.get(each.number, []), number=each.number, name=each.name, saved_at=each.saved_at,
            changes=tuple(change for change in each.changes if change.differs),
        )
        for each in versions
    ]  # fmt: skip
    if None in by_version:
        told.append(_story(work, by_version[None], number=None, name="", saved_at=None, changes=()))
    liked = [row for row in rows if row.liked is not None]
    best = max(liked, key=lambda row: (row.liked, row.latest), default=None)
    return History(
        formula_id=key,
        name=name,
        put_away=away,
        versions=tuple(told),
        trials=TrialBook(work).all(key),
        best=None if best is None else line_of(best, work.now()),
        bakes=len(rows),
    )


def _story(work: Work, rows: Sequence[BakeRow], **version: object) -> VersionStory:
    lines: tuple[BakeLine, ...] = tuple(line_of(row, work.now()) for row in rows[:MOST_OF_A_VERSION])
    liked = [row.liked for row in rows if row.liked is not None]
    mean = round(sum(liked) / len(liked), 1) if liked else None
    return VersionStory(bakes=lines, in_all=len(rows), liked=mean, **version)  # type: ignore[arg-type]
