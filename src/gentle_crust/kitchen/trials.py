"""Trials of a kitchen: planned, judged, concluded, put away; and pooled with others of the same question."""

from collections.abc import Sequence
from dataclasses import replace
from random import SystemRandom

from gentle_crust.contract.documents import TRIAL
from gentle_crust.contract.log import TrialShown
from gentle_crust.core.errors import Conflict, CraftError, NotFound
from gentle_crust.core.loaf.trial import LETTERS, Side, Trial, checked, pooled
from gentle_crust.core.messages import Message
from gentle_crust.kitchen import story as tale
from gentle_crust.kitchen.bakes import line_of
from gentle_crust.kitchen.blind import readable
from gentle_crust.kitchen.drawn import loaf_line
from gentle_crust.kitchen.formulas import FormulaBook
from gentle_crust.kitchen.pooled_figures import as_told, figures_apart
from gentle_crust.kitchen.story import story_of
from gentle_crust.kitchen.work import Work
from gentle_crust.store.baking import Bakes, Plans, Trials
from gentle_crust.store.models import BakeRow, TrialRow
from gentle_crust.store.repositories import Events

CHANCE = SystemRandom()


class TrialBook:
    """All trials of a kitchen."""

    def __init__(self, work: Work) -> None:
        self.work, self.now = work, work.now

    def plan(self, key: str, formula_id: str, question: str, sides: Sequence[Side], blind: bool) -> TrialShown:
        """Write a trial down, or what it is to find out anew. Conflict once it was judged.

        A blind one gets its letters by lot; they stay when it is written anew.
        """
        FormulaBook(self.work).get(formula_id)
        trial = checked(Trial(question.strip(), tuple(sides), blind))
        with self.work.write() as session:
            unknown = [side.bake for side in sides if Plans(session).get(side.bake) is None]
            if unknown:
                raise CraftError("sides", "kitchen-plan-not-here")
            row = Trials(session).get(key)
            if row is not None:
                before = TRIAL.read(row.body)
                if before.judged:
                    raise Conflict("trial", "trial-judged-already")
                kept = before.letters if len(before.letters) == len(sides) else ()
                trial = replace(trial, letters=kept)
            if blind and not trial.letters:
                trial = replace(trial, letters=tuple(CHANCE.sample(LETTERS, len(sides))))
            now = self.now()
            self._put(key, formula_id, trial, now if row is None else row.created_at)
        return self.one(key)

    def conclude(self, key: str, better: int, conclusion: str) -> TrialShown:
        """Say which side was better (-1: neither), and what is concluded; said again, it is put right.

        ``better`` counts the sides as they are shown: those of a blind trial by their letters.
        """
        with self.work.write() as session:
            row = self._row(key)
            trial = TRIAL.read(row.body)
            place = _order(trial)[better] if 0 <= better < len(trial.sides) and trial.hidden else better
            found = checked(replace(trial, better=place, conclusion=conclusion.strip()))
            if not all(_baked(Bakes(session).get(side.bake)) for side in trial.sides):
                raise Conflict("trial", "trial-not-baked")
            self._put(key, row.formula_id, found, row.created_at)
        return self.one(key)

    def reopen(self, key: str) -> TrialShown:
        """Take back what was concluded."""
        with self.work.write():
            row = self._row(key)
            found = replace(TRIAL.read(row.body), better=None, conclusion="")
            self._put(key, row.formula_id, found, row.created_at)
        return self.one(key)

    def put_away(self, key: str, away: bool) -> TrialShown:
        """Put a trial away, or bring it back."""
        with self.work.write():
            row = self._row(key)
            row.deleted_at = self.now() if away else None
        return self.one(key)

    def _put(self, key: str, formula_id: str, trial: Trial, created_at: object) -> None:
        with self.work.write() as session:
            row = TrialRow(
                id=key,
                formula_id=formula_id,
                bakes=f" {' '.join(dict.fromkeys(side.bake for side in trial.sides))} ",
                body=TRIAL.write(trial),
                created_at=created_at,
                updated_at=self.now(),
                deleted_at=None,
            )
            Trials(session).put(row)
            session.flush()

    def _row(self, key: str) -> TrialRow:
        with self.work.read() as session:
            row = Trials(session).get(key)
        if row is None:
            raise NotFound("id", "trial-unknown")
        return row

    def one(self, key: str) -> TrialShown:
        """One trial."""
        with self.work.read():
            row = self._row(key)
            trial = TRIAL.read(row.body)  # one that was asked for by its key says what is wrong with it
            shown = self._shown([row])[0]
            return replace(shown, apart=() if trial.hidden else self._apart(row.formula_id, trial))

    def _apart(self, formula: str, trial: Trial) -> tuple[Message, ...]:
        """By how much what was measured differs, over all trials of its question."""
        with self.work.read() as session:
            like = [each for _, each in readable(Trials(session).all(formula)) if _same(each, trial)]
        return tuple(as_told(each) for each in figures_apart(self.work, like))

    def all(self, formula: str = "") -> tuple[TrialShown, ...]:
        """All that were not put away, the latest first; only those of a formula if it is given."""
        with self.work.read() as session:
            return self._shown(Trials(session).all(formula))

    def of_bake(self, key: str) -> tuple[TrialShown, ...]:
        """Those of which a bake is a side."""
        with self.work.read() as session:
            return self._shown(Trials(session).of_bakes([key]))

    def _shown(self, rows: Sequence[TrialRow]) -> tuple[TrialShown, ...]:
        read = readable(rows)
        with self.work.read() as session:
            keys = {side.bake for _, trial in read for side in trial.sides}
            bakes = Bakes(session).of(tuple(keys))
            names = {key: name for key, (name, _) in Plans(session).names(tuple(keys)).items()}
            told = Events(session).about(tuple(keys), tale.ALL)
            formulas = {row.formula_id for row in rows}
            of_formula = {key: [trial for _, trial in readable(Trials(session).all(key))] for key in formulas}
        found = []
        for row, trial in read:
            like = [each for each in of_formula[row.formula_id] if _same(each, trial)]
            order = _order(trial) if trial.hidden else tuple(range(len(trial.sides)))
            sides = [bakes.get(trial.sides[place].bake) for place in order]
            loaves = tuple(
                loaf_line(story_of(told.get(trial.sides[place].bake, [])), trial.sides[place].part) for place in order
            )
            found.append(
                TrialShown(
                    id=row.id,
                    formula_id=row.formula_id,
                    formula_name=next((names[side.bake] for side in trial.sides if side.bake in names), "?"),
                    at=row.created_at,
                    trial=_as_known(trial),
                    sides=tuple(None if bake is None else line_of(bake, self.now()) for bake in sides),
                    loaves=loaves,
                    ready=all(_baked(bake) for bake in sides),
                    pooled=pooled(like),
                    put_away=row.deleted_at is not None,
                )
            )
        return tuple(found)


def _order(trial: Trial) -> tuple[int, ...]:
    """Places of a blind trial's sides in the order in which they are shown: by their letters."""
    return tuple(sorted(range(len(trial.sides)), key=lambda place: trial.letters[place]))


def _as_known(trial: Trial) -> Trial:
    """A trial as it may be known by now: of a blind one that is not judged, letters in place of sides."""
    if not trial.hidden:
        return trial
    sides = tuple(Side(trial.sides[place].bake, trial.letters[place]) for place in _order(trial))
    return replace(trial, sides=sides, letters=tuple(side.part for side in sides))


def _same(one: Trial, other: Trial) -> bool:
    """Whether two trials ask the same of the same sides."""
    says = [{side.says.strip().casefold() for side in each.sides} for each in (one, other)]
    return one.question.strip().casefold() == other.question.strip().casefold() and says[0] == says[1]


def _baked(row: BakeRow | None) -> bool:
    return row is not None and row.out is not None and not row.stopped
