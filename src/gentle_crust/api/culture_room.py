"""Cultures: kept, fed, looked at, taken care of; and what is built of culture or yeast before a dough."""

from flask import Response, request

from gentle_crust.api.common import answer, as_calendar, room, work
from gentle_crust.contract.cultures import (
    AwayAnswer,
    AwayBody,
    CultureAnswer,
    CultureBody,
    CultureFileBody,
    CulturesAnswer,
    EventBody,
    EventPath,
    FeedWaysAnswer,
    FeedWishBody,
    FilePath,
    NextAnswer,
    PicturePath,
    PlainFeedAnswer,
    Taken,
    UsableCulture,
    UsableCultures,
)
from gentle_crust.contract.preferments import (
    DoseAnswer,
    DoseBody,
    DoseUsual,
    DoseUsuals,
    LookBody,
    RipenessAnswer,
    SourAnswer,
    SourBody,
)
from gentle_crust.contract.strict import KeyPath
from gentle_crust.core.culture import dosing
from gentle_crust.interchange import culture_files
from gentle_crust.kitchen import builds
from gentle_crust.kitchen.ahead import Ahead
from gentle_crust.kitchen.culture_pictures import PictureBook
from gentle_crust.kitchen.cultures import CultureBook
from gentle_crust.kitchen.photos import LARGEST_BYTES

cultures = room("cultures")


def _book() -> CultureBook:
    return CultureBook(work())


def _opened(key: str) -> Response:
    return answer(CultureAnswer(culture=_book().open(key)))


@cultures.get("/cultures", responses={200: CulturesAnswer})
def list_cultures() -> Response:
    """All cultures as they live now."""
    book = _book()
    built = Ahead(work()).builds()
    return answer(CulturesAnswer(cultures=list(book.all()), builds=list(built), gone=list(book.gone())))


@cultures.get("/usable-cultures", responses={200: UsableCultures})
def usable_cultures() -> Response:
    """Cultures of which a levain can be built now, by name: what a plan asks."""
    usable = [UsableCulture(id=each.id, name=each.culture.name) for each in _book().usable()]
    return answer(UsableCultures(cultures=usable))


@cultures.get("/cultures/<key>", responses={200: CultureAnswer})
def open_culture(path: KeyPath) -> Response:
    """One culture with its life and history."""
    return _opened(path.key)


@cultures.put("/cultures/<key>", responses={200: CultureAnswer})
def save_culture(path: KeyPath, body: CultureBody) -> Response:
    """Keep a culture under the client's own key."""
    _book().save(path.key, body.culture())
    return _opened(path.key)


@cultures.delete("/cultures/<key>", responses={200: CulturesAnswer})
def put_away_culture(path: KeyPath) -> Response:
    """Put a culture away; it can be brought back for thirty days."""
    _book().put_away(path.key)
    return list_cultures()


@cultures.post("/cultures/<key>/restore", responses={200: CultureAnswer})
def restore_culture(path: KeyPath) -> Response:
    """Bring a culture back."""
    _book().put_away(path.key, False)
    return _opened(path.key)


@cultures.put("/cultures/<key>/events/<event>", responses={200: CultureAnswer})
def log_event(path: EventPath, body: EventBody) -> Response:
    """Write down what happened, under the client's own key. A retry adds nothing."""
    _book().log(path.key, path.event, body.event(path.event), body.at)
    return _opened(path.key)


@cultures.delete("/cultures/<key>/events/<event>", responses={200: CultureAnswer})
def withdraw_event(path: EventPath) -> Response:
    """Take an event back; it can be brought in again for thirty days."""
    _book().withdraw(path.key, path.event)
    return _opened(path.key)


@cultures.post("/cultures/<key>/events/<event>/restore", responses={200: CultureAnswer})
def restore_event(path: EventPath) -> Response:
    """Bring an event in again."""
    _book().withdraw(path.key, path.event, False)
    return _opened(path.key)


@cultures.post("/cultures/<key>/feed", responses={200: FeedWaysAnswer})
def ask_feed(path: KeyPath, body: FeedWishBody) -> Response:
    """Ways to so much ripe levain at a time."""
    found = _book().feed(path.key, body.needed_g, body.kept_g, body.at, body.warm_c)
    return answer(FeedWaysAnswer(found=found))


@cultures.get("/cultures/<key>/plain-feed", responses={200: PlainFeedAnswer})
def ask_plain_feed(path: KeyPath) -> Response:
    """What it would do with a plain feed at 24 C, to compare it with another."""
    return answer(PlainFeedAnswer(plain=_book().plain_feed(path.key)))


@cultures.post("/cultures/<key>/away", responses={200: AwayAnswer})
def ask_away(path: KeyPath, body: AwayBody) -> Response:
    """What to do before an absence and after it."""
    return answer(AwayAnswer(away=_book().away(path.key, body.leave, body.back)))


@cultures.get("/cultures/<key>/pictures/<picture>")
def picture(path: PicturePath) -> Response:
    """One of its pictures."""
    found = PictureBook(work()).one(path.key, path.picture)
    return Response(found.data, content_type=found.content_type)


@cultures.put("/cultures/<key>/pictures/<picture>", responses={200: CultureAnswer})
def put_picture(path: PicturePath, query: Taken) -> Response:
    """Keep a picture under the client's own key: the body is a photograph. A retry adds nothing."""
    request.max_content_length = LARGEST_BYTES
    PictureBook(work()).keep(path.key, path.picture, request.get_data(), query.at)
    return _opened(path.key)


@cultures.delete("/cultures/<key>/pictures/<picture>", responses={200: CultureAnswer})
def drop_picture(path: PicturePath) -> Response:
    """Take a picture away; it can be had back for thirty days."""
    PictureBook(work()).take_away(path.key, path.picture)
    return _opened(path.key)


@cultures.post("/cultures/<key>/pictures/<picture>/restore", responses={200: CultureAnswer})
def restore_picture(path: PicturePath) -> Response:
    """Have a picture back."""
    PictureBook(work()).take_away(path.key, path.picture, False)
    return _opened(path.key)


@cultures.get("/cultures/<key>/history.<form>")
def history_file(path: FilePath) -> Response:
    """The culture's whole history as a file."""
    culture, history = _book().history(path.key)
    write = culture_files.to_json if path.form == "json" else culture_files.to_csv
    kind = "application/json" if path.form == "json" else "text/csv; charset=utf-8"
    headers = {"Content-Disposition": f'attachment; filename="culture.{path.form}"'}
    return Response(write(culture, history), content_type=kind, headers=headers)


@cultures.put("/cultures/<key>/file", responses={200: CultureAnswer})
def bring_in(path: KeyPath, body: CultureFileBody) -> Response:
    """A culture and its history from a file, under the client's own key."""
    _book().bring_in(path.key, *culture_files.read(body.text))
    return _opened(path.key)


@cultures.get("/cultures/<key>/calendar.ics")
def culture_calendar(path: KeyPath) -> Response:
    """Its feeds ahead, to download or subscribe to."""
    return calendar_response(path.key)


@cultures.get("/calendar.ics")
def calendar() -> Response:
    """All that is ahead, feeds and steps, to download or subscribe to."""
    return calendar_response(None)


def calendar_response(key: str | None) -> Response:
    """Feeds of one culture as a calendar, or all that is ahead."""
    return as_calendar(Ahead(work()).calendar(key), "feeds" if key else "ahead")


@cultures.get("/next", responses={200: NextAnswer})
def next_thing() -> Response:
    """The next thing to do in the whole kitchen."""
    return answer(NextAnswer(next=Ahead(work()).next()))


@cultures.get("/preferments", responses={200: DoseUsuals})
def usual_preferments() -> Response:
    """What each kind of preferment is usually mixed with and given."""
    kinds = [
        DoseUsual(kind=kind, hydration_percent=water, hours=dosing.USUAL_HOURS[kind])  # type: ignore[arg-type]
        for kind, water in dosing.USUAL_HYDRATION.items()
    ]
    return answer(DoseUsuals(kinds=kinds))


@cultures.post("/preferments", responses={200: DoseAnswer})
def dose_preferment(body: DoseBody) -> Response:
    """Yeast for a preferment's hours and temperatures."""
    clock, made, nights = builds.dose(work(), builds.DoseAsked(**body.model_dump()))
    return answer(DoseAnswer(origin=clock.origin, dose=made, nights=list(nights)))


@cultures.post("/preferments/ripeness", responses={200: RipenessAnswer})
def judge_preferment(body: LookBody) -> Response:
    """Whether a preferment is ripe, from its forecast and what is seen of it."""
    cues = {name: value for name in ("surface", "bubbles", "smell") if (value := getattr(body, name)) is not None}
    asked = builds.DoseAsked(**body.model_dump(exclude={"surface", "bubbles", "smell"}))
    return answer(RipenessAnswer(ripeness=builds.ripeness(work(), asked, cues)))


@cultures.post("/sour", responses={200: SourAnswer})
def lead_sour(body: SourBody) -> Response:
    """A rye sour in stages, led back from the time at which it is wanted."""
    clock, made, nights = builds.lead_sour(work(), builds.SourAsked(**body.model_dump()))
    return answer(SourAnswer(origin=clock.origin, sour=made, nights=list(nights)))
