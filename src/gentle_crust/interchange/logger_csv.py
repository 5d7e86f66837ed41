"""A temperature logger's file: a column of times and one of temperatures, however it writes them."""

import csv
import io
import itertools
import re
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from zoneinfo import ZoneInfo

from gentle_crust.core.errors import CraftError, Unreadable

LARGEST, MOST_ROWS = 5_000_000, 100_000
FORMATS = (
    "%Y-%m-%d %H:%M:%S", "%Y-%m-%d %H:%M", "%d.%m.%Y %H:%M:%S", "%d.%m.%Y %H:%M", "%d/%m/%Y %H:%M:%S",
    "%d/%m/%Y %H:%M", "%m/%d/%Y %H:%M:%S", "%m/%d/%Y %H:%M", "%m/%d/%Y %I:%M:%S %p", "%m/%d/%Y %I:%M %p",
    "%Y/%m/%d %H:%M:%S", "%Y/%m/%d %H:%M", "%d-%m-%Y %H:%M:%S", "%d-%m-%Y %H:%M",
)  # fmt: skip
WARM_WORDS = ("temp", "°c", "°f", "celsius", "fahrenheit", "grad", "(c)", "(f)", "value", "ch1")
EARLIEST, LATEST = datetime(2000, 1, 1, tzinfo=UTC), datetime(2100, 1, 1, tzinfo=UTC)


@dataclass(frozen=True)
class Figure:
    """One line: when, and C."""

    at: datetime
    value: float


def read_log(data: bytes, zone: ZoneInfo, fahrenheit: bool | None = None) -> tuple[Figure, ...]:
    """The figures of a logger's file, in C.

    ``zone`` is taken for times without one; ``fahrenheit`` says which it is where the heading does not. Raises
    CraftError for a file in which no times and temperatures are found.
    """
    if len(data) > LARGEST:
        raise CraftError("file", "interchange-logger-size")
    rows = _rows(_text(data))
    first = next((index for index, row in enumerate(rows) if _time_of(row, FORMATS, zone) is not None), None)
    if first is None:
        raise CraftError("file", "interchange-logger-no-time-column")
    heading = rows[first - 1] if first else []
    body = rows[first : first + MOST_ROWS]
    formats = _formats(body, zone)
    column = _warm_column(heading, body, formats, zone)
    words = heading[column].lower() if column < len(heading) else ""
    is_fahrenheit = _says_fahrenheit(words, [row[column] for row in body if column < len(row)], fahrenheit)
    found = []
    for row in body:
        at, value = _time_of(row, formats, zone), _number(row[column]) if column < len(row) else None
        if at is not None and value is not None:
            found.append(Figure(at, (value - 32) / 1.8 if is_fahrenheit else value))
    if not found:
        raise CraftError("file", "interchange-logger-no-temperatures")
    return tuple(found)


def _text(data: bytes) -> str:
    for encoding in ("utf-8-sig", "utf-16") if data[:2] in (b"\xff\xfe", b"\xfe\xff") else ("utf-8-sig", "latin-1"):
        try:
            return data.decode(encoding)
        except UnicodeDecodeError:
            continue
    raise CraftError("file", "interchange-logger-not-text")


def _rows(text: str) -> list[list[str]]:
    """Cells by line. The separator is whichever cuts most lines into the same number of cells."""

    def evenness(separator: str) -> tuple[int, int]:
        sizes = [line.count(separator) for line in text.splitlines()[:60] if line.strip()]
        common = max(set(sizes), key=sizes.count, default=0)
        return (sizes.count(common) if common else 0, common)

    separator = max((";", "\t", ","), key=evenness)
    try:
        return [[cell.strip() for cell in row] for row in csv.reader(io.StringIO(text), delimiter=separator)]
    except csv.Error as error:
        raise Unreadable("file", "interchange-logger-unreadable") from error


def _time_of(row: list[str], formats: tuple[str, ...], zone: ZoneInfo) -> datetime | None:
    """The instant that a line tells, in one cell or in two beside each other (day and hour)."""
    cells = [*row, *(f"{one} {other}" for one, other in itertools.pairwise(row))]
    return next((at for cell in cells if (at := _instant(cell, formats, zone)) is not None), None)


def _instant(cell: str, formats: tuple[str, ...], zone: ZoneInfo) -> datetime | None:
    if not re.search(r"\d[:.]\d\d", cell) or len(cell) > 40:
        return _epoch(cell)
    found: datetime | None = None
    try:
        found = datetime.fromisoformat(cell)
    except ValueError:
        for form in formats:
            try:
                found = datetime.strptime(cell, form)  # noqa: DTZ007 - the zone follows
                break
            except ValueError:
                continue
    if found is None or (len(cell) < 14 and "T" not in cell):
        return None
    at = found.replace(tzinfo=zone) if found.tzinfo is None else found
    return at.astimezone(UTC) if EARLIEST <= at <= LATEST else None


def _epoch(cell: str) -> datetime | None:
    """Seconds or milliseconds since 1970."""
    if not re.fullmatch(r"\d{10}|\d{13}", cell):
        return None
    return datetime(1970, 1, 1, tzinfo=UTC) + timedelta(seconds=int(cell) / (1000 if len(cell) == 13 else 1))


def _formats(body: list[list[str]], zone: ZoneInfo) -> tuple[str, ...]:
    """The way of writing times that reads every line, so that day and month are not taken for each other by turns."""
    for form in FORMATS:
        if all(_time_of(row, (form,), zone) is not None for row in body if any(row)):
            return (form,)
    return FORMATS


def _warm_column(heading: list[str], body: list[list[str]], formats: tuple[str, ...], zone: ZoneInfo) -> int:
    """The column of temperatures: the one that is called so, else the first with a plain number on every line."""
    for index, cell in enumerate(heading):
        if any(word in cell.lower() for word in WARM_WORDS) and any(
            index < len(row) and _number(row[index]) is not None for row in body
        ):
            return index
    width = max(len(row) for row in body)
    for index in range(width):
        cells = [row[index] for row in body if index < len(row)]
        numbers = [_number(cell) for cell in cells]
        counts_up = all(value == place for place, value in enumerate(numbers, int(numbers[0] or 0)))
        if numbers and None not in numbers and not (counts_up and len(numbers) > 2) and _epoch(cells[0]) is None:
            return index
    raise CraftError("file", "interchange-logger-no-temperature-column")


def _number(cell: str) -> float | None:
    """A number with a point or a comma, a unit behind it or none."""
    match = re.fullmatch(r"\s*(-?\d+(?:[.,]\d+)?)\s*(?:°?\s?[CF])?\s*", cell)
    return float(match[1].replace(",", ".")) if match else None


def _says_fahrenheit(words: str, cells: list[str], given: bool | None) -> bool:
    """Whether figures are in Fahrenheit: as the heading or the figures say, else as given, else by their size."""
    if re.search(r"°\s?f|\(f\)|fahrenheit|_f$|\bf\b", words) or any(
        re.search(r"\d\s?°?F$", cell) for cell in cells[:5]
    ):
        return True
    if re.search(r"°\s?c|\(c\)|celsius|_c$|\bc\b", words) or given is not None:
        return bool(given) and not re.search(r"°\s?c|\(c\)|celsius|_c$|\bc\b", words)
    numbers = [value for cell in cells if (value := _number(cell)) is not None]
    return bool(numbers) and sorted(numbers)[len(numbers) // 2] > 45
