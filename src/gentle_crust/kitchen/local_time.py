"""Times as they are written in the kitchen: its wall clock, 2026-11-29T07:30."""

from datetime import datetime
from zoneinfo import ZoneInfo

from gentle_crust.core.clock import instant
from gentle_crust.core.errors import Unreadable

LOCAL = "%Y-%m-%dT%H:%M"


def instant_of(text: str, zone: ZoneInfo, field: str) -> datetime:
    """The instant of a written time. CraftError, naming ``field``, if it is none."""
    try:
        local = datetime.strptime(text, LOCAL)  # noqa: DTZ007 - the kitchen's wall clock
    except ValueError as error:
        raise Unreadable(field, "kitchen-time-unreadable", text=text) from error
    return instant(local, zone, field)
