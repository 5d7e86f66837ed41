"""Feeds as an iCalendar file, to be downloaded once or subscribed to."""

import re
from collections.abc import Iterable
from datetime import datetime, timedelta
from typing import Protocol

LASTS = timedelta(minutes=10)


class Entry(Protocol):
    """Anything that has a time and a name."""

    @property
    def id(self) -> str: ...

    @property
    def title(self) -> str: ...

    @property
    def detail(self) -> str: ...

    @property
    def at(self) -> datetime: ...


def calendar_file(entries: Iterable[Entry], name: str, stamp: datetime) -> bytes:
    """``entries`` as iCalendar, each with a reminder at its time; the same entry keeps its UID from day to day."""
    from icalendar import Alarm, Calendar, Event  # large, and not wanted at the start

    calendar = Calendar()
    calendar.add("prodid", "-//Gentle Crust//EN")
    calendar.add("version", "2.0")
    calendar.add("x-wr-calname", name)
    calendar.add("refresh-interval;value=duration", "PT1H")
    for entry in entries:
        event = Event()
        event.add("uid", f"{entry.id}@gentle-crust")
        event.add("dtstamp", stamp)
        event.add("dtstart", entry.at)
        event.add("dtend", entry.at + LASTS)
        event.add("summary", entry.title)
        event.add("description", plain(entry.detail))
        alarm = Alarm()
        alarm.add("action", "DISPLAY")
        alarm.add("description", entry.title)
        alarm.add("trigger", timedelta(0))
        event.add_component(alarm)
        calendar.add_component(event)
    return bytes(calendar.to_ical())


def plain(sentence: str) -> str:
    """A sentence of the core with its quantities in grams and Celsius, for readers that know no units."""
    return re.sub(r"\{([^|{}]+)\|(\w+)\}", _quantity, sentence)


def _quantity(found: re.Match[str]) -> str:
    value, unit = found[1], found[2]
    if unit == "g":
        grams = float(value)
        return f"{grams:.0f} g" if grams >= 10 else f"{grams:.1f} g"
    if unit in ("c", "dc"):
        return f"{float(value):g} °C"
    return value
