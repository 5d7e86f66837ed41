"""What stands beside documents and events, so that lists, filters and pages are SQL: written with them, never by hand.

Each is read off by a rule with a number. Whatever an older rule wrote, or none, is written anew at the start.
"""

import logging
from collections.abc import Iterator, Sequence
from dataclasses import replace
from datetime import datetime
from typing import Any

from sqlalchemy.orm import Session

from gentle_crust.contract import events as bodies
from gentle_crust.contract.adapted import Adapted
from gentle_crust.contract.bakes import BakeFigures, Drawn, LoafLine, Told
from gentle_crust.contract.documents import FORMULA
from gentle_crust.contract.formulas import FormulaLine
from gentle_crust.contract.sentences import kept
from gentle_crust.contract.tidy import sane
from gentle_crust.core.course.tailored import LATER, NOW
from gentle_crust.core.errors import CraftError
from gentle_crust.core.formula.feel import feel, mixing_for
from gentle_crust.core.formula.model import Formula
from gentle_crust.core.loaf.faults import faults_of
from gentle_crust.core.plan.shown import Plan
from gentle_crust.core.readiness.outcome import came_out_as_judged
from gentle_crust.kitchen import story as tale
from gentle_crust.kitchen.drawn import drawing, loaf_line, sheets_of
from gentle_crust.kitchen.figures import figures_of
from gentle_crust.kitchen.pantry import PantryBook
from gentle_crust.kitchen.story import Story, story_of
from gentle_crust.kitchen.tells import bake_loss
from gentle_crust.kitchen.work import Work
from gentle_crust.store.baking import Bakes, Plans
from gentle_crust.store.models import BakeRow, FormulaRow, PlanRow
from gentle_crust.store.repositories import Events, Formulas

FIGURES: Adapted[BakeFigures] = Adapted(BakeFigures)
DRAWN: Adapted[Drawn] = Adapted(Drawn)
LOAF_LINE: Adapted[LoafLine] = Adapted(LoafLine)
LOG = logging.getLogger(__name__)
RULE = 6
AT_ONCE = 200
"""So many rows are written anew in one transaction."""


def write_bake(session: Session, key: str, story: Story | None = None) -> None:
    """Write down how a bake stands by its events; one whose start was taken back is none, nor is one without a plan."""
    if story is None:
        story = story_of(Events(session).plain(*tale.ALL, subject=key))
    head = Plans(session).head(key)
    if story.started is None or head is None:
        Bakes(session).drop(key)
        return
    out, outcome, removed = out_of(story), story.last(bodies.OUTCOME), story.last(bodies.REMOVED)
    shown = {} if out is None else Plans(session).shown(key)
    asked = {} if out is None else Plans(session).asked(key)
    drawn = None if out is None else drawing(shown, story, out)
    loaf = loaf_line(story)
    row = BakeRow(
        id=key,
        name=head.name[:80],
        pieces=head.pieces,
        started=story.started,
        out=out,
        leaves=story.leaves,
        stopped=bool(story.of(bodies.STOPPED)),
        how="" if outcome is None else str(outcome.body["how"]),
        as_judged=_as_judged(story),
        notes=len(story.of(bodies.NOTE)),
        photos=len(story.of(bodies.PHOTO)),
        drawn=None if drawn is None else DRAWN.write(drawn),
        loaf=None if loaf is None else LOAF_LINE.write(loaf),
        liked=None if loaf is None else loaf.liked,
        formula_id=head.formula_id,
        version=head.version,
        culture_id=head.culture_id,
        words=_words(story),
        faults=_faults(story),
        figures=None if out is None else FIGURES.write(_figures(session, key, shown, asked, story)),
        afterwards=bool(story.of(bodies.STARTED)[0].body.get("afterwards")),
        removed=None if removed is None else removed.at,
        latest=out or story.started,
        rule=RULE,
    )
    Bakes(session).put(row)


def _figures(session: Session, key: str, shown: dict[str, Any], asked: dict[str, Any], story: Story) -> BakeFigures:
    """A finished bake in figures, with what it tells of its kitchen; one that was entered afterwards tells nothing."""
    if story.of(bodies.STARTED)[0].body.get("afterwards"):
        return figures_of(shown, story)
    found = figures_of(shown, story, 0, asked)
    if found.tells is None:
        return found
    formula = Plans(session).formula(key)
    preferments = formula.get("preferments") or []
    wild = any(each.get("kind") == "levain" for each in preferments if isinstance(each, dict))
    yeasted = bool(formula.get("yeast_percent")) or any(each.get("yeast_percent") for each in preferments)
    flours = [each for each in formula.get("flours") or [] if isinstance(each, dict)]
    main = max(flours, key=lambda each: float(each.get("percent") or 0), default={})
    tells = replace(
        found.tells, leaven="levain" if wild else "yeast", bake_loss=_bake_loss(asked, story),
        flour=str(main.get("kind", "")),
    )  # fmt: skip
    # Of two leavens nobody knows which of them was slow.
    return replace(found, tells=replace(tells, pace=None) if wild and yeasted else tells)


def _bake_loss(asked: dict[str, Any], story: Story) -> Told | None:
    """What its loaves lost in the oven, by what was weighed of the first of them."""
    weighed = next((sheet.out_g for sheet in sheets_of(story) if sheet.day == 0 and sheet.out_g), None)
    pieces, planned = asked.get("pieces"), asked.get("scaling_weight_g")
    if not isinstance(pieces, int | float) or not isinstance(planned, int | float) or pieces < 1:
        return None
    whole = story.happened.dough_g
    return bake_loss(float(planned) if whole is None else whole / pieces, weighed)


def _words(story: Story) -> str:
    """All that was written of a bake, its loaves and its photos."""
    notes = [str(each.body.get("text", "")) for each in story.of(bodies.NOTE)]
    return "\n".join([*notes, *(sheet.note for sheet in sheets_of(story) if sheet.note)])


def _faults(story: Story) -> str:
    """Codes of what its loaves show, by what was said of each last, between blanks."""
    last = {(sheet.part, sheet.piece, sheet.day): sheet for sheet in sheets_of(story)}
    found = dict.fromkeys(fault for sheet in last.values() for fault in faults_of(sheet))
    return f" {' '.join(found)} " if found else ""


def out_of(story: Story) -> datetime | None:
    """When the last loaf came out, or it was put away or stopped; None while neither is known."""
    outs = [deed.at for deed in story.happened.deeds if deed.key.startswith("out-") and not deed.skipped]
    closing = story.of(bodies.FINISHED, bodies.STOPPED)
    return max(outs, default=None) or (closing[-1].at if closing else None)


def parts_of(plan: Plan, story: Story) -> tuple[str, ...]:
    """Names of the parts that a dough went, as it was planned or as it was parted by hand."""
    planned = tuple(each.name for each in plan.outs)
    return planned or ((NOW, LATER) if any(edit.code == "split" for edit in story.happened.edits) else ())


def _as_judged(story: Story) -> bool | None:
    outcome = story.last(bodies.OUTCOME)
    proofs = [each for each in story.of(bodies.JUDGED) if each.body["stage"] == "final_proof"]
    if outcome is None or not proofs:
        return None
    return came_out_as_judged(proofs[-1].body["verdict"]["verdict"], outcome.body["how"])


def write_plan(session: Session, row: PlanRow) -> None:
    """Write down name, pieces, beginning and steps of a plan, as far as its documents can be read."""
    row.rule = RULE
    row.name = str(row.formula.get("name") or "?")[:80]
    pieces = row.asked.get("pieces")
    row.pieces = int(pieces) if isinstance(pieces, int | float) else 1
    row.begins = _instant(row.shown.get("begins")) if row.formula and row.asked else None
    steps = row.shown.get("steps")
    found = [_step(step) for step in steps] if isinstance(steps, list) else []
    session.flush()
    Plans(session).put_steps(row.id, [step for step in found if step is not None])


def _step(step: Any) -> tuple[str, str, datetime] | None:
    at = _instant(step.get("at")) if isinstance(step, dict) else None
    return None if at is None else (str(step.get("kind", ""))[:30], kept(step.get("title", "")), at)


def _instant(value: Any) -> datetime | None:
    try:
        return sane(datetime.fromisoformat(str(value)), "at")
    except (CraftError, ValueError):
        return None


def line_of(key: str, formula: Formula, version: int) -> FormulaLine:
    """What a list shows of a formula."""
    feels = feel(formula)
    return FormulaLine(
        id=key,
        name=formula.name,
        shape=formula.shape,
        leaven=formula.leaven,
        pieces=formula.pieces,
        scaling_weight_g=formula.scaling_weight_g,
        hydration_percent=formula.hydration_percent,
        dough_c=formula.dough_c,
        feel=feels.word,
        mixing=mixing_for(feels),
        preferments=len(formula.preferments),
        version=version,
    )


def write_formula(work: Work, row: FormulaRow, version: int) -> None:
    """Write down what a list shows of a formula, its own flours as the pantry knows them; nothing of an unreadable."""
    row.rule, row.name, row.line = RULE, None, None
    try:
        formula = PantryBook(work).get().refreshed(FORMULA.read(row.body))
    except CraftError:
        LOG.warning("formula %s cannot be read", row.id)
        return
    row.name = formula.name[:80]
    row.line = line_of(row.id, formula, version).model_dump(mode="json")


def write_formulas(work: Work) -> None:
    """Write down all formulas' lines anew: the pantry has changed."""
    with work.write() as session:
        numbers = Formulas(session).newest_numbers()
        for row in Formulas(session).all():
            write_formula(work, row, numbers.get(row.id, 1))


def catch_up(work: Work) -> None:
    """Write down what no rule wrote yet, or another: after an update, or when older data came back."""
    with work.read() as session:
        plans, formulas = Plans(session).of_another_rule(RULE), Formulas(session).of_another_rule(RULE)
        bakes = [*Bakes(session).of_another_rule(RULE), *Bakes(session).unwritten(bodies.STARTED)]
    for some in batched(plans):
        with work.write() as session:
            for key in some:
                write_plan(session, session.get_one(PlanRow, key))
    for some in batched(formulas):
        with work.write() as session:
            numbers = Formulas(session).newest_of(some)
            for key in some:
                write_formula(work, session.get_one(FormulaRow, key), numbers.get(key, 1))
    for some in batched(bakes):
        with work.write() as session:
            for key in some:
                write_bake(session, key)


def batched(keys: Sequence[str]) -> Iterator[Sequence[str]]:
    """So many keys as are written in one transaction."""
    return (keys[start : start + AT_ONCE] for start in range(0, len(keys), AT_ONCE))
