"""The time of day, which tests and pictures can hold still."""

import os
from collections.abc import Callable
from datetime import UTC, datetime

Now = Callable[[], datetime]
VARIABLE = "GENTLE_CRUST_NOW"


def system_now() -> datetime:
    """The instant it is."""
    return datetime.now(UTC)


def now_from_environment() -> Now:
    """The system's clock, or a clock stopped at the instant that GENTLE_CRUST_NOW holds."""
    text = os.environ.get(VARIABLE)
    if not text:
        return system_now
    try:
        instant = datetime.fromisoformat(text)
    except ValueError as error:
        raise SystemExit(f"{VARIABLE} is '{text}', but must be an instant such as 2026-11-28T06:30+00:00.") from error
    if instant.tzinfo is None:
        raise SystemExit(f"{VARIABLE} has no offset from UTC; write it as 2026-11-28T06:30+00:00.")
    return lambda: instant.astimezone(UTC)
