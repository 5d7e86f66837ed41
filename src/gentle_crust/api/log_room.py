"""The log: bakes that were, sought, side by side, as trials, over time, and with their formula."""

import shutil
import tempfile
from dataclasses import replace
from pathlib import Path

from flask import Response, request

from gentle_crust.api.bench_room import shelf
from gentle_crust.api.common import answer, reading, received, room, sent_once, work
from gentle_crust.contract.bench import AskingAnswer, BakeAnswer, BakesAnswer
from gentle_crust.contract.log import (
    SEASONS,
    AfterwardsBody,
    AgainAnswer,
    BakesQuery,
    ChoicesAnswer,
    CompareAnswer,
    CompareQuery,
    ConcludeBody,
    DiagnosisAnswer,
    DiagnosisQuery,
    FaultChoice,
    FiguresOverTimeAnswer,
    HistoryAnswer,
    ImportedAnswer,
    OnceMoreAnswer,
    OutQuery,
    PutAwayBody,
    RemovedAnswer,
    SliceAnswer,
    SliceQuery,
    TrialAnswer,
    TrialBody,
    TrialsAnswer,
)
from gentle_crust.contract.oven import ChipAnswer
from gentle_crust.contract.strict import KeyPath
from gentle_crust.core.crumb.read import unlike_crumb
from gentle_crust.core.diagnosis.diagnose import in_front, stands_out
from gentle_crust.core.diagnosis.seen import NOT_ON_SHEET
from gentle_crust.core.errors import Unreadable
from gentle_crust.core.loaf.faults import FAULTS, fault_name
from gentle_crust.core.loaf.trial import Side
from gentle_crust.core.messages import message
from gentle_crust.kitchen.afterwards import enter
from gentle_crust.kitchen.again import again
from gentle_crust.kitchen.bakes import BakesBook
from gentle_crust.kitchen.history import history_of
from gentle_crust.kitchen.log_in import bring_in
from gentle_crust.kitchen.log_out import as_zip, write_folder
from gentle_crust.kitchen.next_time import next_time
from gentle_crust.kitchen.over_time import over_time
from gentle_crust.kitchen.removed import KEPT_FOR, removed
from gentle_crust.kitchen.side_by_side import SideBySide, chosen
from gentle_crust.kitchen.slices import SliceDesk
from gentle_crust.kitchen.trials import TrialBook
from gentle_crust.kitchen.why import why
from gentle_crust.store.baking import Sought
from gentle_crust.store.database import folder_of
from gentle_crust.text.render import say

log = room("log")
LARGEST_LOG = 8_000_000_000


def _sought(query: BakesQuery) -> Sought:
    if query.fault and query.fault not in FAULTS:
        raise Unreadable("fault", "log-choice-unknown", named=query.fault)
    if query.season and query.season not in SEASONS:
        raise Unreadable("season", "log-choice-unknown", named=query.season)
    months = SEASONS.get(query.season, ())
    return Sought(query.name, query.formula, query.culture, query.fault, query.liked, months)


@log.get("/bakes", responses={200: BakesAnswer})
def list_bakes(query: BakesQuery) -> Response:
    """Bakes that were begun, the latest first, by pages; only those that are sought."""
    page = BakesBook(work()).page(_sought(query), query.more)
    return answer(BakesAnswer(bakes=list(page.lines), more=page.more))


@log.get("/bakes/choices", responses={200: ChoicesAnswer})
def choices() -> Response:
    """What the log can be searched by: formulas, cultures and faults of which it has something."""
    return answer(ChoicesAnswer(choices=BakesBook(work()).choices()))


@log.get("/bakes/asking", responses={200: AskingAnswer})
def asking_bakes() -> Response:
    """Bakes of which something may be asked: how the loaf is, or how it keeps."""
    return answer(AskingAnswer(bakes=list(BakesBook(work()).asking())))


@log.get("/bakes/compare", responses={200: CompareAnswer})
def compare_bakes(query: CompareQuery) -> Response:
    """Two to six bakes, or parts of them, side by side."""
    sides, compared, looks = SideBySide(work()).compare(chosen(query.of))
    return answer(CompareAnswer(sides=list(sides), compared=compared, looks=list(looks)))


@log.get("/bakes/figures", responses={200: FiguresOverTimeAnswer})
def figures(query: BakesQuery) -> Response:
    """Finished bakes in figures over time, and how right forecasts and verdicts were."""
    points, right = over_time(work(), _sought(query))
    return answer(FiguresOverTimeAnswer(points=list(points), right=right))


@log.get("/bakes/removed", responses={200: RemovedAnswer})
def removed_bakes() -> Response:
    """Bakes that were taken out of the log and can be had back."""
    return answer(RemovedAnswer(bakes=list(removed(work())), days=KEPT_FOR.days))


@log.get("/log/file")
def write_out(query: OutQuery) -> Response:
    """The log as one packed file: JSON with its schema, tables, photos; only a bake or a formula's if one is named."""
    scratch = Path(tempfile.mkdtemp(dir=folder_of(work().sessions), prefix=".log-"))
    try:
        write_folder(work(), shelf(), scratch / "log", query.bake, query.formula)
        target = Path(tempfile.mkdtemp(dir=folder_of(work().sessions), prefix=".log-")) / "log.zip"
        as_zip(scratch / "log", target)
    finally:
        shutil.rmtree(scratch)
    return sent_once(target, f"log-{work().now():%Y-%m-%d}.zip")


@log.post("/log/file", responses={200: ImportedAnswer})
def read_in() -> Response:
    """Bring in a log, sent as the body: packed, or its JSON alone. What is known stays as it is."""
    request.max_content_length = LARGEST_LOG
    with tempfile.TemporaryDirectory(dir=folder_of(work().sessions), prefix=".log-") as folder:
        source = Path(folder) / "sent"
        received(source)
        brought = bring_in(work(), shelf(), source, Path(folder) / "laid-out")
    names = ("bakes", "events", "photos", "formulas", "trials", "known")
    return answer(ImportedAnswer(**{name: brought.counts[name] for name in names}, left=brought.left))


@log.get("/bakes/<key>", responses={200: BakeAnswer})
def bake_record(path: KeyPath) -> Response:
    """What was done, read, judged, written and photographed of one bake."""
    return answer(
        BakeAnswer(
            bake=BakesBook(work()).one(path.key),
            chips=ChipAnswer.all(),
            trials=list(TrialBook(work()).of_bake(path.key)),
        )
    )


@log.put("/bakes/<key>", responses={200: BakeAnswer})
def enter_bake(path: KeyPath, body: AfterwardsBody) -> Response:
    """Enter a bake that is over: what is not known of it is reckoned, and marked so."""
    enter(work(), path.key, body)
    return bake_record(path)


@log.get("/bakes/<key>/why", responses={200: DiagnosisAnswer})
def bake_why(path: KeyPath, query: DiagnosisQuery) -> Response:
    """Why a bake came out so, by its record and its loaf's sheet."""
    more = tuple(each for each in query.more.split(",") if each)
    found = why(work(), path.key, query.part, more)
    return answer(
        DiagnosisAnswer(
            faults=[FaultChoice(each, fault_name(each)) for each in found.faults],
            others=[FaultChoice(each, fault_name(each)) for each in NOT_ON_SHEET if each not in found.faults],
            diagnosis=found.diagnosis,
            in_front=0 if found.diagnosis is None else in_front(found.diagnosis),
            stands_out=found.diagnosis is None or stands_out(found.diagnosis),
            change_in_formula=found.in_formula,
        )
    )


@log.get("/bakes/<key>/next", responses={200: OnceMoreAnswer})
def bake_next(path: KeyPath, query: DiagnosisQuery) -> Response:
    """What a plan is asked for, to bake that once more with the one change that its diagnosis proposes."""
    found = next_time(work(), path.key, query.part, tuple(each for each in query.more.split(",") if each))
    mind = say(found.change.text, reading()).sentence[:300]
    return answer(
        OnceMoreAnswer(
            asked=replace(found.asked, mind=mind),
            takes=list(found.takes),
            change=found.change.text,
            in_formula=found.in_formula,
            formula_id=found.asked.formula_id,
        )
    )


@log.get("/photos/<key>/slice", responses={200: SliceAnswer})
def measure_slice(path: KeyPath, query: SliceQuery) -> Response:
    """The slice on a photo, measured; nothing is kept."""
    found = SliceDesk(work()).measure(path.key, query.width_mm, query.shift)
    quality = found.read.quality
    doubt = None if quality.usable else message(f"crumb-quality-{quality.why.replace('_', '-')}")
    mind = message("crumb-unlike") if doubt is None and unlike_crumb(found.read) else None
    return answer(SliceAnswer(read=found.read, rings=[list(ring) for ring in found.rings], doubt=doubt, mind=mind))


@log.get("/bakes/<key>/again", responses={200: AgainAnswer})
def bake_again(path: KeyPath) -> Response:
    """What a plan is asked for, to bake like that once more."""
    return answer(AgainAnswer(again=again(work(), path.key)))


@log.get("/formulas/<key>/history", responses={200: HistoryAnswer})
def formula_history(path: KeyPath) -> Response:
    """A formula's versions and what came of each."""
    return answer(HistoryAnswer(history=history_of(work(), path.key)))


@log.get("/trials", responses={200: TrialsAnswer})
def trials() -> Response:
    """All trials, the latest first."""
    return answer(TrialsAnswer(trials=list(TrialBook(work()).all())))


@log.get("/trials/<key>", responses={200: TrialAnswer})
def one_trial(path: KeyPath) -> Response:
    """One trial."""
    return answer(TrialAnswer(trial=TrialBook(work()).one(path.key)))


@log.put("/trials/<key>", responses={200: TrialAnswer})
def plan_trial(path: KeyPath, body: TrialBody) -> Response:
    """Plan a trial, or write anew what it is to find out."""
    sides = [Side(each.bake, each.part, each.says.strip()) for each in body.sides]
    return answer(
        TrialAnswer(trial=TrialBook(work()).plan(path.key, body.formula_id, body.question, sides, body.blind))
    )


@log.put("/trials/<key>/conclusion", responses={200: TrialAnswer})
def conclude(path: KeyPath, body: ConcludeBody) -> Response:
    """Judge a trial: which side is better, and what is concluded."""
    return answer(TrialAnswer(trial=TrialBook(work()).conclude(path.key, body.better, body.conclusion)))


@log.delete("/trials/<key>/conclusion", responses={200: TrialAnswer})
def reopen(path: KeyPath) -> Response:
    """Take back what was concluded."""
    return answer(TrialAnswer(trial=TrialBook(work()).reopen(path.key)))


@log.post("/trials/<key>/put-away", responses={200: TrialAnswer})
def put_trial_away(path: KeyPath, body: PutAwayBody) -> Response:
    """Put a trial away, or bring it back."""
    return answer(TrialAnswer(trial=TrialBook(work()).put_away(path.key, body.away)))
