"""Wall-clock time in a kitchen: its zone, its nights, and the temperature of its room."""

from dataclasses import dataclass, replace
from datetime import UTC, datetime, timedelta
from zoneinfo import ZoneInfo, ZoneInfoNotFoundError

import numpy as np
from numpy.typing import NDArray

from gentle_crust.core.errors import CraftError, Unreadable

Floats = NDArray[np.float64]
PARTS_H = (-3.0, 3.0, 9.0, 15.0, 21.0, 27.0)
"""Middles of the parts of a day, with the last of the day before and the first of the day after."""
NIGHT_COOLS_H = 1.5
"""Time constant with which a room drifts to its night or day temperature (practice)."""


def zone_of(name: str) -> ZoneInfo:
    """The IANA zone of that name; CraftError if there is none."""
    try:
        return ZoneInfo(name)
    except (ZoneInfoNotFoundError, ValueError, OSError) as error:
        raise Unreadable("zone", "scheduling-zone-unknown", name=name) from error


def instant(local: datetime, zone: ZoneInfo, field: str) -> datetime:
    """A kitchen's wall-clock time as a UTC instant. The first of two in the hour that autumn repeats.

    Raises CraftError for a time in the hour that spring's change of clocks leaves out.
    """
    here = local.replace(tzinfo=zone, fold=0)
    there = here.astimezone(UTC)
    if there.astimezone(zone).replace(tzinfo=None) != local:
        after = there.astimezone(zone)
        raise CraftError(field, "scheduling-no-such-time", time=local, after=after)
    return there


@dataclass(frozen=True)
class Nights:
    """When the baker sleeps, hours of the day, local: from 22.0 to 5.75 is ten at night to a quarter to six."""

    start_h: float
    end_h: float

    @property
    def length_h(self) -> float:
        """Hours of sleep."""
        return (self.end_h - self.start_h) % 24


@dataclass(frozen=True)
class Room:
    """Temperatures of a kitchen, C: by day, by night, and of its fridge.

    ``hours_k``: by how many K the room is warmer than that about three, nine, fifteen and twenty-one o'clock; empty
    while nobody knows.
    """

    day_c: float
    night_c: float
    fridge_c: float
    hours_k: tuple[float, ...] = ()


@dataclass(frozen=True)
class Stand:
    """Somewhere warmer or cooler than the room that the dough is put: from ``start`` to ``end`` (None: until told)."""

    start: datetime
    end: datetime | None
    ambient_c: float


@dataclass(frozen=True)
class Clock:
    """Hours before and after an origin (UTC) in a kitchen's zone; its nights and its room."""

    origin: datetime
    zone: ZoneInfo
    nights: Nights
    room: Room
    stands: tuple[Stand, ...] = ()
    """Where else the dough stood or will stand; the later of two that overlap holds."""

    def at(self, hours: float) -> datetime:
        """The instant at ``hours`` from the origin, to the nearest second."""
        return (self.origin + timedelta(hours=hours, milliseconds=500)).replace(microsecond=0)

    def hours(self, when: datetime) -> float:
        """Hours from the origin to an instant."""
        return (when - self.origin).total_seconds() / 3600

    def local_hour(self, hours: Floats) -> Floats:
        """Local hour of the day (0-24) at each time, changes of clocks included."""

        def offset(at: float) -> float:
            shift = self.at(at).astimezone(self.zone).utcoffset()
            return shift.total_seconds() / 3600 if shift else 0.0

        start = self.origin.hour + self.origin.minute / 60 + self.origin.second / 3600
        first, last = offset(float(hours.flat[0])), offset(float(hours.flat[-1]))
        shifts = first if first == last else np.array([offset(float(at)) for at in hours])
        result: Floats = (start + hours + shifts) % 24
        return result

    def local_hour_at(self, hours: float) -> float:
        """Local hour of the day at one time."""
        return float(self.local_hour(np.array([hours]))[0])

    def room_c(self, hours: Floats) -> Floats:
        """Room temperature at each time: it drifts to the night's from bedtime and back from getting up."""
        hour = self.local_hour(hours)
        asleep_for = (hour - self.nights.start_h) % 24
        awake_for = (hour - self.nights.end_h) % 24
        asleep = asleep_for < self.nights.length_h
        toward = np.where(asleep, self.room.night_c, self.room.day_c)
        away = np.where(asleep, self.room.day_c, self.room.night_c)
        since = np.where(asleep, asleep_for, awake_for)
        result: Floats = toward + (away - toward) * np.exp(-since / NIGHT_COOLS_H)
        if self.room.hours_k:
            first, *_, last = self.room.hours_k
            result = result + np.interp(hour, PARTS_H, (last, *self.room.hours_k, first))
        for stand in self.stands:
            end = np.inf if stand.end is None else self.hours(stand.end)
            result = np.where((hours >= self.hours(stand.start)) & (hours < end), stand.ambient_c, result)
        return result

    def room_at(self, hours: float) -> float:
        """Room temperature at one time."""
        return float(self.room_c(np.array([hours]))[0])

    def kitchen_at(self, hours: float) -> float:
        """Temperature of the kitchen itself at one time, wherever the dough stands."""
        return replace(self, stands=()).room_at(hours)

    def asleep_min(self, start: float, end: float) -> float:
        """Minutes of start..end (hours from the origin, less than a day) that lie in the baker's sleep."""
        local = self.at(start).astimezone(self.zone)
        since_bed = (local.hour + local.minute / 60 + local.second / 3600 - self.nights.start_h) % 24
        length = end - start
        tonight = max(min(since_bed + length, self.nights.length_h) - since_bed, 0.0)
        next_night = max(min(since_bed + length - 24, self.nights.length_h), 0.0)
        return 60 * (tonight + next_night)


def usual_day(room: Room, nights: Nights) -> tuple[Floats, Floats]:
    """A day of the kitchen from noon to noon, every quarter of an hour: local hours (12-36), and its warmth, C."""
    hours = np.linspace(12.0, 36.0, 97)
    clock = Clock(datetime(2000, 1, 1, tzinfo=UTC), ZoneInfo("UTC"), nights, room)
    return hours, clock.room_c(hours)
