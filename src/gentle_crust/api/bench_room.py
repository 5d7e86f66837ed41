"""The bench: doughs that are being baked, whatever is pressed about them, judgements, remedies, photos, instruments."""

from datetime import datetime, timedelta
from typing import Any

from flask import Response, current_app, request
from sqlalchemy.exc import OperationalError

from gentle_crust.api.common import answer, now, reading, room, work
from gentle_crust.contract import events as bodies
from gentle_crust.contract.asked import Asked
from gentle_crust.contract.bench import (
    BenchAnswer,
    CuesAnswer,
    CursorQuery,
    DoughAnswer,
    EditWish,
    FiguresAnswer,
    JudgeBody,
    LogQuery,
    MixedBody,
    OffersAnswer,
    PhotoPath,
    PhotoQuery,
    PressBody,
    PressedAnswer,
    PressesBody,
    RecordAnswer,
    RefusedPress,
    RemediesAnswer,
    SamplesBody,
    ScoreAnswer,
    SmallQuery,
    StageQuery,
    ToldAnswer,
    TriedAnswer,
    VerdictAnswer,
)
from gentle_crust.contract.strict import KeyPath
from gentle_crust.contract.tidy import sane
from gentle_crust.core.errors import CraftError
from gentle_crust.core.messages import NOTHING
from gentle_crust.interchange.logger_csv import Figure, read_log
from gentle_crust.kitchen import story as tale
from gentle_crust.kitchen.bench import BenchBook, BenchView, OnBench
from gentle_crust.kitchen.by_hand import HandBook
from gentle_crust.kitchen.instruments import Instruments
from gentle_crust.kitchen.photos import LARGEST_BYTES, PhotoShelf
from gentle_crust.kitchen.presses import Press, Presses
from gentle_crust.text.render import say

bench = room("bench")

SHOWN_EVENTS = 150


def _book() -> BenchBook:
    return BenchBook(work())


def _presses() -> Presses:
    return Presses(work())


def shelf() -> PhotoShelf:
    """The application's photos."""
    found: PhotoShelf = current_app.extensions["gentle_crust_photos"]
    return found


def _dough(found: OnBench) -> DoughAnswer:
    plan, step = found.live.plan, found.live.next
    times = plan.times
    return DoughAnswer(
        id=found.id,
        name=found.name,
        mind=found.mind,
        pieces=found.pieces,
        each_g=found.each_g,
        vessel=found.vessel,
        vessel_kind=found.vessel_kind,
        rye_percent=found.rye_percent,
        started=found.started,
        mixed=found.mixed,
        out=plan.out,
        load=times.load if times else plan.out,
        steps=list(found.live.steps),
        next=step.key if step else None,
        over=found.live.over,
        standing=found.live.standing,
        may_fold=found.live.standing.may_fold,
        ribbon=plan.ribbon,
        outs=list(plan.outs),
        told=plan.told.sentence if plan.told else NOTHING,
        doubts=[each.sentence for each in plan.told.doubts] if plan.told else [],
        clashes=list(found.clashes),
        snoozed=found.story.snoozed,
        history=[ToldAnswer(**tale.as_dict(each)) for each in found.story.told[-SHOWN_EVENTS:]],
        events_in_all=len(found.story.told),
        probe=found.probe,
        judged_bulk_rise=plan.proof.bulk_rise,
    )


def _bench(view: BenchView) -> BenchAnswer:
    return BenchAnswer(
        cursor=view.cursor,
        now=view.now,
        clock_back=view.clock_back,
        doughs=[_dough(each) for each in view.doughs],
        absences=list(view.absences),
        aside=list(view.aside),
        heard=view.last,
    )


@bench.get("/bench", responses={200: BenchAnswer})
def look(query: CursorQuery) -> Response:
    """Everything at the bench, if it is not as the browser has it."""
    book = _book()
    if query.cursor and query.cursor == book.cursor():
        return answer(BenchAnswer(cursor=query.cursor, unchanged=True, now=book.now()))
    return answer(_bench(book.view()))


@bench.post("/bench/presses", responses={200: PressedAnswer})
def press(body: PressesBody) -> Response:
    """Keep presses, each exactly once: a known key adds nothing more. One that is refused does not hold up others."""
    book, presses = _book(), _presses()
    ahead = sane(body.sent_at, "sent_at") - book.now()
    off = ahead if abs(ahead) > tale.FAR_AHEAD else timedelta(0)
    taken, refused = [], []
    with work().write():
        for each in body.presses:
            try:
                with work().write():
                    _keep(presses, each, sane(each.at, "at") - off)
                taken.append(each.id)
            except CraftError as error:
                why = say(error.what, reading())
                refused.append(RefusedPress(id=each.id, field=error.field, sentence=why.sentence, remedy=why.remedy))
            except (OperationalError, OSError):
                raise
            except Exception:
                current_app.logger.exception("press %s of kind %s", each.id, each.kind)
                said = {"field": "body", "sentence": FAILED_OVER, "remedy": KEPT_HERE}
                refused.append(RefusedPress(id=each.id, **said, keep=True))
    return answer(PressedAnswer(taken=taken, refused=refused, bench=_bench(book.view())))


FAILED_OVER = "The program failed over something that was pressed."
KEPT_HERE = "It is kept on this device; everything else was taken."


def _text(body: dict[str, Any], name: str) -> str:
    """A text of a press's body. CraftError if it is missing."""
    if not isinstance(body.get(name), str):
        raise CraftError(name, "api-press-incomplete", name=name)
    return str(body[name])


def _keep(presses: Presses, each: PressBody, at: datetime) -> None:
    if each.kind == "bake_withdrawn":
        return presses.withdraw(each.dough, _text(each.body, "event"), each.id)
    if each.kind == "bake_corrected":
        return presses.correct(each.dough, _text(each.body, "event"), each.id, presses.when(_text(each.body, "at")))
    if each.kind == "absence":
        if "from" in each.body:
            hours = presses.hours_away(at, _text(each.body, "from"), _text(each.body, "to"))
        else:
            hours = presses.when(_text(each.body, "start")), presses.when(_text(each.body, "end"))
        return presses.be_away(each.id, *hours)
    if each.kind == "absence_withdrawn":
        return presses.be_back(_text(each.body, "event"))
    if each.kind == "bake_started":
        return presses.start(each.dough, each.id)
    return presses.press(each.dough, (Press(each.id, each.kind, at, dict(each.body)),))


@bench.post("/bench/mixed/<key>", responses={200: BenchAnswer})
def just_mixed(path: KeyPath, body: MixedBody) -> Response:
    """A dough that was mixed without a plan comes to the bench."""
    asked = Asked(body.formula_id, pieces=body.pieces, scaling_weight_g=body.scaling_weight_g, style=body.style,
                  dough_c=body.dough_c)  # fmt: skip
    _presses().mixed(path.key, body.event, asked, body.mixed_at)
    return answer(_bench(_book().view()))


@bench.get("/bench/<key>/remedies", responses={200: RemediesAnswer})
def ways_out(path: KeyPath) -> Response:
    """Changes after which a dough runs into nothing any more, each tried."""
    ways, saves = _book().remedies(path.key)
    return answer(RemediesAnswer(remedies=list(ways), rescues=list(saves)))


@bench.get("/bench/<key>/edits", responses={200: OffersAnswer})
def what_may_change(path: KeyPath) -> Response:
    """What may be changed by hand of a dough now."""
    return answer(OffersAnswer(offers=list(HandBook(work()).offers(path.key))))


@bench.post("/bench/<key>/edits", responses={200: TriedAnswer})
def try_change(path: KeyPath, body: EditWish) -> Response:
    """What a change by hand would come to; nothing is kept."""
    return answer(TriedAnswer(tried=HandBook(work()).tried(path.key, body.model_dump(exclude_none=True))))


@bench.get("/bench/<key>/cues", responses={200: CuesAnswer})
def cues(path: KeyPath, query: StageQuery) -> Response:
    """What can be looked at now."""
    standing, found = _book().cues(path.key, query.stage)
    return answer(CuesAnswer(standing=standing, cues=list(found)))


@bench.post("/bench/<key>/judge", responses={200: VerdictAnswer})
def judge_dough(path: KeyPath, body: JudgeBody) -> Response:
    """A verdict from the forecast and what is seen; not kept."""
    return answer(VerdictAnswer(verdict=_book().judge(path.key, body.cues, body.stage)))


@bench.get("/bench/<key>/record", responses={200: RecordAnswer})
def record(path: KeyPath) -> Response:
    """Everything that happened to a dough."""
    saved, found = _book().record(path.key)
    return answer(
        RecordAnswer(
            id=saved.id,
            name=saved.answer.formula.name,
            events=[ToldAnswer(**tale.as_dict(each)) for each in found.told],
            withdrawn=[ToldAnswer(**tale.as_dict(each)) for each in found.withdrawn],
            complete=found.started is not None and found.complete,
            unreadable=[ToldAnswer(**tale.as_dict(each)) for each in found.unreadable],
        )
    )


@bench.get("/bench/score", responses={200: ScoreAnswer})
def score() -> Response:
    """How often judged proofs came out as judged."""
    return answer(ScoreAnswer(score=_book().score()))


@bench.put("/bench/<key>/photos/<photo>", responses={200: BenchAnswer})
def take_photo(path: PhotoPath, query: PhotoQuery) -> Response:
    """Keep a photo of a dough, or of one part of it: the body is a JPEG, PNG, WebP or HEIC; the header Taken-At says
    when it was taken."""
    request.max_content_length = LARGEST_BYTES
    book, presses = _book(), _presses()
    presses.must_be_there(path.key)
    kept = shelf().keep(path.photo, request.get_data())
    at = presses.when(request.headers.get("Taken-At") or book.now().isoformat())
    body = {"width": kept.width, "height": kept.height, "part": query.part}
    presses.press(path.key, (Press(path.photo, bodies.PHOTO, min(at, book.now()), body),))
    return answer(_bench(book.view()))


@bench.get("/photos/<key>")
def photo(path: KeyPath, query: SmallQuery) -> Response:
    """A photo."""
    found = shelf().get(path.key, query.small)
    if found is None:
        return Response(status=404)
    return Response(found, content_type="image/jpeg")


@bench.post("/samples", responses={200: FiguresAnswer})
def take_samples(body: SamplesBody) -> Response:
    """Figures of instruments; those that are known already add nothing."""
    off = sane(body.sent_at, "sent_at") - now()()
    off = off if abs(off) > tale.FAR_AHEAD else timedelta(0)
    figures = [(each.device, each.quantity, sane(each.at, "at") - off, each.value) for each in body.samples]
    return _figures(Instruments(work()).take(figures))


@bench.post("/samples/log", responses={200: FiguresAnswer})
def take_log(query: LogQuery) -> Response:
    """A logger's CSV file as the body: a column of times, one of temperatures."""
    instruments = Instruments(work())
    figures: tuple[Figure, ...] = read_log(request.get_data(), instruments.zone(), query.fahrenheit)
    rows = [(query.device, query.quantity, each.at, each.value) for each in figures]
    return _figures(instruments.take(rows))


def _figures(kept: list[datetime]) -> Response:
    return answer(FiguresAnswer(taken=len(kept), first=min(kept, default=None), last=max(kept, default=None)))
