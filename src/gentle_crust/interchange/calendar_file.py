"""What is to be done as an iCalendar file, to be downloaded once or subscribed to."""

from collections.abc import Iterable
from datetime import datetime, timedelta
from typing import Protocol

from gentle_crust.core.messages import Message
from gentle_crust.text.reading import Reading
from gentle_crust.text.render import say

LEAST = timedelta(minutes=5)
"""What is shorter is shown so long: a line that can be read."""


class Entry(Protocol):
    """Anything that has a time and a name."""

    @property
    def id(self) -> str: ...

    @property
    def title(self) -> Message: ...

    @property
    def detail(self) -> Message: ...

    @property
    def at(self) -> datetime: ...

    @property
    def minutes(self) -> int: ...


def calendar_file(entries: Iterable[Entry], name: str, stamp: datetime, reading: Reading) -> bytes:
    """``entries`` as iCalendar, each with a reminder at its time, said as ``reading`` has it.

    The same entry keeps its UID from day to day.
    """
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
        event.add("dtend", entry.at + max(timedelta(minutes=entry.minutes), LEAST))
        event.add("summary", str(say(entry.title, reading)))
        event.add("description", str(say(entry.detail, reading)))
        alarm = Alarm()
        alarm.add("action", "DISPLAY")
        alarm.add("description", str(say(entry.title, reading)))
        alarm.add("trigger", timedelta(0))
        event.add_component(alarm)
        calendar.add_component(event)
    return bytes(calendar.to_ical())
