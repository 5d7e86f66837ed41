"""A made-up bakery to try the program with, and the formulas that every new kitchen starts with."""

import shutil
import tomllib
from collections.abc import Iterator
from dataclasses import dataclass
from datetime import datetime, timedelta
from importlib.resources import files
from pathlib import Path
from typing import Any

from sqlalchemy.orm import Session, sessionmaker

from gentle_crust.contract.asked import Asked
from gentle_crust.contract.documents import CULTURE, FORMULA, KITCHEN, PANTRY
from gentle_crust.contract.events import STARTED
from gentle_crust.core.clock import zone_of
from gentle_crust.core.culture.events import Event
from gentle_crust.kitchen.cultures import CultureBook
from gentle_crust.kitchen.formulas import FormulaBook
from gentle_crust.kitchen.now import Now
from gentle_crust.kitchen.pantry import PantryBook
from gentle_crust.kitchen.plans import PlanBook
from gentle_crust.kitchen.settings import KitchenSettings
from gentle_crust.kitchen.work import Work
from gentle_crust.store.baking import Plans
from gentle_crust.store.database import CannotOpen
from gentle_crust.store.lock import LOCK
from gentle_crust.store.repositories import Events

TOMORROW_PLAN = "5d0a0f5e-0000-4000-8000-000000000001"


@dataclass(frozen=True)
class _Morning:
    """The clock of the morning on which the demo's plan was made: half past six, kitchen time."""

    now: Now
    zone: str

    def __call__(self) -> datetime:
        local = self.now().astimezone(zone_of(self.zone))
        return local.replace(hour=6, minute=30, second=0, microsecond=0)


def _data() -> dict[str, Any]:
    return tomllib.loads((files(__package__) / "bakery.toml").read_text(encoding="utf-8"))


def start_formulas(sessions: sessionmaker[Session], now: Now, with_past: bool = False) -> None:
    """Give a kitchen its first formulas, if it never had any and was never set up.

    ``with_past``: some were changed since they were first written down.
    """
    if not KitchenSettings(Work(sessions, now)).is_new() or FormulaBook(Work(sessions, now)).lines()[0]:
        return
    data, begun = _data(), now()
    for place, (key, body) in enumerate(data["formula"].items()):
        for state in data["earlier"].get(key, []) if with_past else []:
            book = FormulaBook(Work(sessions, lambda days=state["days_ago"]: begun - timedelta(days=days)))
            book.save(key, FORMULA.adapted.read(body | state["as"]), state["name"])
        book = FormulaBook(Work(sessions, lambda place=place: begun + timedelta(microseconds=place)))
        book.save(key, FORMULA.adapted.read(body))


def fill(sessions: sessionmaker[Session], now: Now, planned: bool = True) -> None:
    """The whole demo: formulas, kitchen, cultures, and a plan for tomorrow morning. Does nothing the second time.

    ``planned``: with the plan, which takes a moment; else that is left for later.
    """
    if not KitchenSettings(Work(sessions, now)).is_new():
        return
    start_formulas(sessions, now, with_past=True)
    kitchen = KITCHEN.adapted.read(_data()["kitchen"])
    KitchenSettings(Work(sessions, now)).save(kitchen)
    PantryBook(Work(sessions, now)).save(PANTRY.adapted.read(_data()["pantry"]))
    morning = _Morning(now, kitchen.zone)
    _fill_cultures(sessions, now, morning)
    if planned:
        plan_ahead(sessions, now)


def plan_ahead(sessions: sessionmaker[Session], now: Now) -> None:
    """The demo's plan, for the first good time from now on: made anew if it lies behind and nobody ever touched it."""
    book = PlanBook(Work(sessions, now))
    with sessions.begin() as session:
        row = Plans(session).get(TOMORROW_PLAN)
        begun = row is not None and Events(session).any(STARTED, TOMORROW_PLAN)
        mine = row is not None and (begun or row.updated_at != row.created_at or row.deleted_at is not None)
        if row is not None and not mine and datetime.fromisoformat(str(row.shown["begins"])) < now():
            session.delete(row)
            row = None
    if row is None:
        book.save(TOMORROW_PLAN, Asked("tidewater-country"))


def _fill_cultures(sessions: sessionmaker[Session], now: Now, morning: Now) -> None:
    """Three cultures: one that thrives, one that was forgotten in the fridge, one that is four days old."""
    book = CultureBook(Work(sessions, now))
    for place, (key, body) in enumerate(_data()["culture"].items()):
        events = body.pop("events")
        kept = CultureBook(Work(sessions, lambda place=place: now() + timedelta(microseconds=place)))
        kept.save(key, CULTURE.adapted.read(body))
        noted = {}
        for number, event in enumerate(_told(events)):
            at = morning() + timedelta(hours=event.pop("hours"))
            if at <= now():
                event_key = f"{key}-{number}"
                noted[event_key] = (at, Event(id=event_key, at_h=0.0, **event))
        book.add(key, noted)


def _told(events: list[dict[str, Any]]) -> Iterator[dict[str, Any]]:
    """Events one by one; ``daily`` says for how many days before the same happened at the same hour."""
    for event in events:
        days = event.pop("daily", 0)
        for day in range(days, -1, -1):
            yield {**event, "hours": event["hours"] - 24 * day}


def reset(folder: Path) -> None:
    """Throw the demo's folder away; only a folder that this program filled as a demo."""
    here = _data_in(folder)
    if here and not (folder / "demo").exists():
        raise CannotOpen(f"{folder} was not made by the demo: it is left alone.")
    for path in here:
        shutil.rmtree(path) if path.is_dir() else path.unlink()


def _data_in(folder: Path) -> list[Path]:
    """What lies in a folder, but for the lock that this program holds."""
    return [path for path in folder.iterdir() if path.name != LOCK] if folder.exists() else []


def mark(folder: Path) -> None:
    """Mark a folder as the demo's own, so that it may be reset."""
    folder.mkdir(parents=True, exist_ok=True)
    if _data_in(folder) and not (folder / "demo").exists():
        raise CannotOpen(f"{folder} holds other data: the demo does not touch it.")
    (folder / "demo").write_text("This folder holds made-up data and may be thrown away.\n", encoding="utf-8")
