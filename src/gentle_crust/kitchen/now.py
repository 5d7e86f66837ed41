"""The time of day, which tests and pictures can hold still, and a rehearsal can run fast."""

import time
from collections.abc import Callable
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta

Now = Callable[[], datetime]


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


def clock_of(text: str | None, rate: float = 0.0) -> Now:
    """The system's clock, or one set to an instant that stands still or runs at ``rate``; else SystemExit."""
    if not text:
        return system_now
    try:
        instant = datetime.fromisoformat(text)
    except ValueError as error:
        raise SystemExit(f"GENTLE_CRUST_NOW is '{text}', but must be an instant: 2026-11-28T06:30+00:00.") from error
    if instant.tzinfo is None:
        raise SystemExit(f"GENTLE_CRUST_NOW has no offset from UTC; write it as {text}+00:00.")
    return Clock(instant.astimezone(UTC), rate, time.monotonic())
