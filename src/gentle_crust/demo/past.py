"""The demo's past: six weeks of the made-up bakery, shipped as a log, its days moved so that they end yesterday."""

import json
import re
import tempfile
import zipfile
from datetime import UTC, date, datetime, timedelta
from importlib.resources import as_file, files
from pathlib import Path
from zoneinfo import ZoneInfo

from sqlalchemy.orm import Session, sessionmaker

from gentle_crust.core.clock import zone_of
from gentle_crust.kitchen.log_in import bring_in
from gentle_crust.kitchen.log_out import LOG
from gentle_crust.kitchen.now import Now
from gentle_crust.kitchen.oven_lessons import OVEN
from gentle_crust.kitchen.photos import PhotoShelf
from gentle_crust.kitchen.settings import KitchenSettings
from gentle_crust.kitchen.work import Work
from gentle_crust.store.baking import Bakes
from gentle_crust.store.models import EventRow
from gentle_crust.store.repositories import Events

SHIPPED, LESSONS = "six-weeks.zip", "lessons.json"
ENDS = date(2026, 11, 28)
"""The day on which the shipped weeks end."""
FIRST = "six-weeks-1"
"""The key of their first bake."""
INSTANT = re.compile(r'"(\d{4}-\d\d-\d\d)T(\d\d:\d\d)(:\d\d(?:\.\d+)?)?(Z|[+-]\d\d:\d\d)?"')
"""An instant as documents have it: with its offset, or by the kitchen's own clock."""


def remember(sessions: sessionmaker[Session], now: Now, folder: Path) -> None:
    """Bring in the six weeks, unless they were brought in before, or thrown away since."""
    work = Work(sessions, now)
    mark = folder / ".remembered"
    with work.read() as session:
        known = Bakes(session).get(FIRST) is not None
    if known or mark.exists():
        return
    zone = zone_of(KitchenSettings(work).get().zone)
    days = (now().astimezone(zone).date() - ENDS).days
    with tempfile.TemporaryDirectory() as scratch:
        laid_out = Path(scratch)
        with as_file(files(__package__) / SHIPPED) as shipped, zipfile.ZipFile(shipped) as packed:
            packed.extractall(laid_out)
        path = laid_out / LOG
        path.write_text(moved(path.read_text(encoding="utf-8"), days, zone), encoding="utf-8")
        bring_in(work, PhotoShelf(folder), laid_out, laid_out)
        _taught(work, moved((laid_out / LESSONS).read_text(encoding="utf-8"), days, zone))
    mark.touch()


def _taught(work: Work, lessons: str) -> None:
    """What the loaves of those weeks taught of the oven."""
    with work.write() as session:
        for each in json.loads(lessons):
            at = datetime.fromisoformat(each["at"])
            Events(session).add(EventRow(id=each["id"], kind=each["kind"], subject=OVEN, at=at, body=each["body"]))


def moved(text: str, days: int, zone: ZoneInfo) -> str:
    """Documents with every instant so many days later, at the same hour of the kitchen's clock."""
    later = timedelta(days=days)

    def change(found: re.Match[str]) -> str:
        day, clock, seconds, offset = found.groups()
        if offset is None:
            return f'"{date.fromisoformat(day) + later}T{clock}{seconds or ""}"'
        at = datetime.fromisoformat(found.group()[1:-1])
        local = at.astimezone(zone)
        there = (local.replace(tzinfo=None) + later).replace(tzinfo=zone, fold=local.fold).astimezone(UTC)
        text = there.replace(tzinfo=None).isoformat(timespec="microseconds" if "." in (seconds or "") else "seconds")
        return f'"{text}{"Z" if offset == "Z" else "+00:00"}"'

    return INSTANT.sub(change, text)
