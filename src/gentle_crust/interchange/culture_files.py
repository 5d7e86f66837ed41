"""A culture's whole history as JSON or CSV, out and in."""

import csv
import io
import json
from dataclasses import asdict, fields
from datetime import datetime
from typing import Any

from pydantic import ValidationError

from gentle_crust.contract.adapted import Adapted
from gentle_crust.contract.documents import CULTURE
from gentle_crust.contract.problem import of_validation
from gentle_crust.contract.tidy import clean, sane
from gentle_crust.core.culture.culture import Culture
from gentle_crust.core.culture.events import Event
from gentle_crust.core.errors import CraftError
from gentle_crust.interchange.safe_csv import cell

FORMAT = "gentle-crust-culture"
LARGEST = 60_000_000
MOST_EVENTS = 400_000
_EVENT: Adapted[Event] = Adapted(Event)
_INSTANT: Adapted[datetime] = Adapted(datetime)
_COLUMNS = tuple(field.name for field in fields(Event) if field.name != "at_h")
_NUMBERS = ("seed_g", "flour_g", "water_g", "g", "gross_g", "height_mm", "culture_c")

History = tuple[tuple[datetime, Event], ...]


def to_json(culture: Culture, history: History) -> str:
    """The culture and all its events, the oldest first, instants in UTC."""
    events = []
    for at, event in history:
        plain = {name: value for name, value in _EVENT.write(event).items() if value not in (None, "", [])}
        plain.pop("at_h")
        events.append({"at": at.isoformat(), **plain})
    body = {"format": FORMAT, "version": 2, "culture": CULTURE.write(culture), "events": events}
    return json.dumps(body, indent=2, ensure_ascii=False) + "\n"


def to_csv(culture: Culture, history: History) -> str:
    """One line an event; the culture itself stands in the first line, one cell that is a comment in JSON."""
    out = io.StringIO()
    lines = csv.writer(out, lineterminator="\n")
    lines.writerow((f"# {json.dumps(CULTURE.write(culture), ensure_ascii=False)}",))
    lines.writerow(("at", *_COLUMNS))
    for at, event in history:
        lines.writerow((at.isoformat(), *(_cell(getattr(event, name)) for name in _COLUMNS)))
    return out.getvalue()


def _cell(value: Any) -> str:
    if value is None or value == ():
        return ""
    if isinstance(value, tuple):
        return cell(json.dumps([asdict(each) for each in value]))
    text = f"{value:g}" if isinstance(value, float) else str(value)
    return cell(text)


def read(text: str) -> tuple[Culture, History]:
    """A culture from a file of either kind. CraftError, naming what is wrong, for anything else."""
    if len(text) > LARGEST:
        raise CraftError("text", "interchange-culture-file-size")
    try:
        found = _from_json(text) if text.lstrip().startswith("{") else _from_csv(text)
    except ValidationError as error:
        first = of_validation(error)[0]
        raise CraftError(
            f"text.{first.field}", "contract-not-as-declared", sentence=first.sentence, remedy=first.remedy
        ) from error
    if len(found[1]) > MOST_EVENTS:
        raise CraftError("text", "interchange-too-many-events", most_events=MOST_EVENTS)
    return found


def _from_json(text: str) -> tuple[Culture, History]:
    try:
        body = clean(json.loads(text))
    except (json.JSONDecodeError, RecursionError) as error:
        raise CraftError("text", "interchange-culture-file-damaged") from error
    if body.get("format") != FORMAT or not isinstance(body.get("events"), list):
        raise CraftError("text", "interchange-not-a-culture", format=FORMAT)
    rows = [dict(row) if isinstance(row, dict) else {} for row in body["events"]]
    return _culture(body.get("culture")), tuple(_event(row, place) for place, row in enumerate(rows, 1))


def _from_csv(text: str) -> tuple[Culture, History]:
    first, _, rest = clean(text).lstrip("\ufeff").partition("\n")
    if first.startswith('"'):
        first = next(csv.reader([first]), [""])[0]
    try:
        culture = clean(json.loads(first.lstrip("# ")))
    except (json.JSONDecodeError, RecursionError) as error:
        raise CraftError("text", "interchange-culture-line-missing") from error
    rows = [
        {name: value.removeprefix("'") for name, value in row.items() if name and value}
        for row in csv.DictReader(io.StringIO(rest))
        if None not in row.values()
    ]
    return _culture(culture), tuple(_event(dict(row), place) for place, row in enumerate(rows, 1))


def _culture(body: Any) -> Culture:
    """The culture itself, whichever version wrote it. Raises pydantic's ValidationError too."""
    if not isinstance(body, dict) or not body:
        raise CraftError("text", "interchange-not-a-culture", format=FORMAT)
    return CULTURE.adapted.read(CULTURE.raised(body))


def _event(row: dict[str, Any], place: int) -> tuple[datetime, Event]:
    written = row.pop("at", None)
    try:
        at = _INSTANT.read(written)
    except ValidationError as error:
        raise CraftError(f"events.{place}.at", "interchange-event-time-unreadable", place=place) from error
    sane(at, f"events.{place}.at")
    unknown = set(row) - set(_COLUMNS)
    if unknown:
        name = sorted(unknown)[0]
        raise CraftError(f"events.{place}.{name}", "interchange-event-field-unknown", place=place, name=name)
    for name in _NUMBERS:
        if isinstance(row.get(name), str):
            row[name] = row[name].replace(",", ".")
    if isinstance(row.get("also_flours"), str):
        try:
            row["also_flours"] = json.loads(row["also_flours"])
        except (json.JSONDecodeError, RecursionError) as error:
            raise CraftError(
                f"events.{place}.also_flours", "interchange-event-flours-unreadable", place=place
            ) from error
    return at, _EVENT.read({"id": f"event-{place}", **row, "at_h": 0.0})
