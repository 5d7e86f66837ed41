"""The time of day, which tests and pictures can hold still, and a rehearsal can run fast."""

import os
import time
from collections.abc import Callable
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta

Now = Callable[[], datetime]
VARIABLE, RATE = "GENTLE_CRUST_NOW", "GENTLE_CRUST_RATE"
FASTEST = 3600.0


def system_now() -> datetime:
    """The instant it is."""
    return datetime.now(UTC)


@dataclass(frozen=True)
class Clock:
    """A clock that said ``start`` when it was set, and has run ``rate`` times as fast since; 0 stands still."""

    start: datetime
    rate: float
    set_at: float

    def __call__(self) -> datetime:
        """The instant it says."""
        return self.start + timedelta(seconds=self.rate * (time.monotonic() - self.set_at))


def rate_of(now: Now) -> float:
    """How fast a clock runs: 1 for the system's own, 0 for one that stands still."""
    if isinstance(now, Clock):
        return now.rate
    return 1.0 if now is system_now else 0.0


def now_from_environment() -> Now:
    """The system's clock, or one set to GENTLE_CRUST_NOW that stands still, or runs at GENTLE_CRUST_RATE."""
    text = os.environ.get(VARIABLE)
    if not text:
        return system_now
    try:
        instant = datetime.fromisoformat(text)
    except ValueError as error:
        raise SystemExit(f"{VARIABLE} is '{text}', but must be an instant such as 2026-11-28T06:30+00:00.") from error
    if instant.tzinfo is None:
        raise SystemExit(f"{VARIABLE} has no offset from UTC; write it as 2026-11-28T06:30+00:00.")
    return Clock(instant.astimezone(UTC), _rate(), time.monotonic())


def _rate() -> float:
    text = os.environ.get(RATE) or "0"
    try:
        rate = float(text)
    except ValueError as error:
        raise SystemExit(f"{RATE} is '{text}', but must be a number.") from error
    if not 0 <= rate <= FASTEST:
        raise SystemExit(f"{RATE} is {rate:g}, but must be between 0 and {FASTEST:g}.")
    return rate
