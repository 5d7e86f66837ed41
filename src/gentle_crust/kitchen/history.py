"""A formula's history: its versions, and what came of each."""

from collections.abc import Sequence

from gentle_crust.contract.log import History, VersionStory
from gentle_crust.contract.shown import Version
from gentle_crust.core.errors import CraftError
from gentle_crust.kitchen.bakes import line_of
from gentle_crust.kitchen.formulas import FormulaBook
from gentle_crust.kitchen.trials import TrialBook
from gentle_crust.kitchen.work import Work
from gentle_crust.store.baking import Bakes, VersionCount

MOST_OF_A_VERSION = 12
"""So many bakes of each version are shown, the latest; the list has them all."""


def history_of(work: Work, key: str) -> History:
    """The story of a formula, the newest version first; bakes of versions that are gone stand at the end.

    Raises CraftError if there is no such formula and none of its bakes.
    """
    with work.read() as session:
        counts = {each.version: each for each in Bakes(session).by_version(key)}
        best = Bakes(session).best(key)
        latest = Bakes(session).of_versions(key, tuple(counts), 1)
    try:
        kept = FormulaBook(work).get(key, "id")
        versions = FormulaBook(work).versions(key)
        name, away = kept.formula.name, kept.put_away
    except CraftError:
        if not counts:
            raise
        versions, name, away = (), latest[0].name, True
    told = []
    for version in versions:
        # Bakes of the first programs do not say of which version they were made: there was one.
        mine: list[int | None] = [version.number, None] if version.number == 1 else [version.number]
        told.append(_story(work, key, version, mine, counts))
    known = {version.number for version in versions} | ({None} if versions else set())
    gone = [number for number in counts if number not in known]
    if gone:
        told.append(_story(work, key, None, gone, counts))
    return History(
        formula_id=key,
        name=name,
        put_away=away,
        versions=tuple(told),
        trials=TrialBook(work).all(key),
        best=None if best is None else line_of(best, work.now()),
        bakes=sum(each.bakes for each in counts.values()),
    )


def _story(
    work: Work,
    key: str,
    version: Version | None,
    numbers: Sequence[int | None],
    counts: dict[int | None, VersionCount],
) -> VersionStory:
    """One version, and what came of its bakes; None for versions that are gone."""
    mine = [counts[number] for number in numbers if number in counts]
    with work.read() as session:
        rows = Bakes(session).of_versions(key, numbers, MOST_OF_A_VERSION) if mine else ()
    liked = [(each.liked, each.bakes) for each in mine if each.liked is not None]
    weight = sum(many for _, many in liked)
    return VersionStory(
        number=None if version is None else version.number,
        name="" if version is None else version.name,
        saved_at=None if version is None else version.saved_at,
        changes=() if version is None else tuple(change for change in version.changes if change.differs),
        bakes=tuple(line_of(row, work.now()) for row in rows),
        in_all=sum(each.bakes for each in mine),
        liked=round(sum(mean * many for mean, many in liked) / weight, 1) if weight else None,
    )
