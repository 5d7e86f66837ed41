"""Bakes of the log side by side."""

from collections.abc import Sequence
from dataclasses import fields
from datetime import datetime, timedelta
from urllib.parse import unquote

from gentle_crust.contract.events import NOTE
from gentle_crust.contract.log import SideShown, StageSpan
from gentle_crust.core.errors import Conflict, CraftError, NotFound
from gentle_crust.core.loaf.compare import FEWEST, MOST, Compared, compare
from gentle_crust.core.loaf.sheet import WHOSE, Sheet, measured
from gentle_crust.core.oven.doneness import shade
from gentle_crust.kitchen import story as tale
from gentle_crust.kitchen.bakes import line_of
from gentle_crust.kitchen.blind import letters_of
from gentle_crust.kitchen.facts import Baked, facts_of, question_or_none
from gentle_crust.kitchen.figures import minutes_of
from gentle_crust.kitchen.follow import mixed_of
from gentle_crust.kitchen.plans import PlanBook
from gentle_crust.kitchen.record_photos import photos_of
from gentle_crust.kitchen.story import story_of
from gentle_crust.kitchen.work import Work
from gentle_crust.store.baking import Bakes, Plans
from gentle_crust.store.models import BakeRow
from gentle_crust.store.repositories import Cultures, Events

MIN = timedelta(minutes=1)
Chosen = tuple[str, str]
"""A bake's key, and the part of it; empty for all of it."""


def chosen(text: str) -> tuple[Chosen, ...]:
    """Bakes as a question names them: keys with commas between, a part, percent-encoded, after a colon."""
    found = []
    for each in text.split(","):
        key, _, part = each.strip().partition(":")
        found.append((key, unquote(part)))
    return tuple(found)


class SideBySide:
    """Two to six bakes of a kitchen, or parts of them."""

    def __init__(self, work: Work) -> None:
        self.work, self.plans = work, PlanBook(work)

    def compare(self, keys: Sequence[Chosen]) -> tuple[tuple[SideShown, ...], Compared, tuple[str, ...]]:
        """Bakes side by side: each of them, what differs, and in which looks their loaves do."""
        if len(set(keys)) < len(keys):
            raise CraftError("of", "compare-twice")
        if len(keys) > MOST:
            raise CraftError("of", "compare-how-many", least=FEWEST, most=MOST)
        blind = letters_of(self.work, [key for key, _ in keys])
        if any(part for key, part in keys if key in blind):
            raise Conflict("of", "trial-hidden-name")
        baked = self._baked(keys)
        compared = compare([facts_of(each) for each, _ in baked])
        differing = {line.what.code for line in compared.lines if line.differs}
        sides = tuple(self._shown(each, row, differing) for each, row in baked)
        return sides, compared, _looks([side.sheet for side in sides])

    def baked(self, key: str, part: str = "") -> Baked:
        """One bake, or one part of it, with all that is known of it. Raises CraftError if there is none."""
        return self._baked([(key, part)])[0][0]

    def many(self, keys: Sequence[Chosen]) -> list[Baked]:
        """Some bakes, or parts of them, with all that is known of each. Raises CraftError if one is not there."""
        return [each for each, _ in self._baked(keys)]

    def _baked(self, keys: Sequence[Chosen]) -> list[tuple[Baked, BakeRow]]:
        only = tuple(dict.fromkeys(key for key, _ in keys))
        with self.work.read() as session:
            rows, plans = Bakes(session).of(only), {key: Plans(session).get(key) for key in only}
            told, cultures = Events(session).about(only, tale.ALL), Cultures(session).names()
            saved = {key: self.plans.open(key) for key in only if key in rows}
            asker = self.plans.asker()
        questions = {key: question_or_none(asker, each) for key, each in saved.items()}
        found = []
        for key, part in keys:
            row, plan = rows.get(key), plans.get(key)
            if row is None or plan is None or key not in saved:
                raise NotFound("of", "kitchen-bake-unknown")
            one = Baked(
                key,
                part,
                saved[key],
                story_of(told.get(key, [])),
                plan,
                questions[key],
                cultures.get(row.culture_id, ""),
            )
            found.append((one, row))
        return found

    def _shown(self, baked: Baked, row: BakeRow, differing: set[str]) -> SideShown:
        sheet, story = baked.sheet, baked.story
        return SideShown(
            key=baked.key,
            part=baked.part,
            name=row.name,
            line=line_of(row, self.work.now()),
            drawn=baked.drawn,
            mixed=mixed_of(baked.saved.answer.plan, story),
            spans=_spans(baked, differing),
            sheet=sheet,
            measured=None if sheet is None else measured(sheet, baked.saved.answer.formula.shape, baked.piece_g),
            top=None if sheet is None or sheet.top_colour is None else shade(sheet.top_colour),
            base=None if sheet is None or sheet.base_colour is None else shade(sheet.base_colour),
            photos=tuple(each for each in photos_of(story) if each.part in ("", baked.part)),
            notes=tuple(str(each.body["text"]) for each in story.of(NOTE)),
        )


def _spans(baked: Baked, differing: set[str]) -> tuple[StageSpan, ...]:
    """Bulk, proof and bake as they were, minutes from mixing."""
    figures = baked.figures
    mixed, load, out = mixed_of(baked.saved.answer.plan, baked.story), baked.done("load"), baked.out
    if mixed is None:
        return ()

    def minutes(at: datetime) -> float:
        return round((at - mixed) / MIN, 1)

    found = []
    mixing = minutes_of(baked.row.shown, "mix")
    if figures.bulk_min is not None:
        found.append(StageSpan("bulk", mixing, mixing + figures.bulk_min, "compare-bulk" in differing))
    if load is not None and figures.proof_min is not None:
        found.append(StageSpan("proof", minutes(load) - figures.proof_min, minutes(load), "compare-proof" in differing))
    if load is not None and out is not None:
        found.append(StageSpan("bake", minutes(load), minutes(out), "compare-baked" in differing))
    return tuple(found)


def _looks(sheets: list[Sheet | None]) -> tuple[str, ...]:
    """Fields of sheets in which those that speak of it differ."""
    there = [sheet for sheet in sheets if sheet is not None]
    found = []
    for each in fields(Sheet):
        said = {getattr(sheet, each.name) for sheet in there} - {None, "", ()}
        if each.name not in WHOSE and len(said) > 1:
            found.append(each.name)
    return tuple(found)
