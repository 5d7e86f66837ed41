"""A kitchen grown large: real bakes, cultures and plans, made by the program itself, repeated over the years before.

Every repeated row is a row that the program wrote, under a new key, with all its times moved back alike.
"""

import json
import re
import sqlite3
import sys
from contextlib import closing
from datetime import UTC, datetime, timedelta
from pathlib import Path

from gentle_crust import demo
from gentle_crust.demo.doughs import begin_doughs
from gentle_crust.kitchen.beside import catch_up
from gentle_crust.kitchen.work import Work
from gentle_crust.store.database import FILE, open_store

NOW = datetime(2026, 11, 28, 6, 30, tzinfo=UTC)
INSTANT = re.compile(r"\d{4}-\d\d-\d\d[T ]\d\d:\d\d(?::\d\d(?:\.\d+)?)?(?:Z|[+-]\d\d:\d\d)?")
EVERY = timedelta(hours=11)
"""A bake follows another by so much."""


def moved(text: str, by: timedelta) -> str:
    """A text with all its times earlier by ``by``, written as they were."""

    def earlier(found: re.Match[str]) -> str:
        at = datetime.fromisoformat(found[0]) - by
        length = 16 if len(found[0]) == 16 else None
        spec = "microseconds" if "." in found[0] else "auto"
        return at.isoformat(" " if " " in found[0] else "T", spec)[:length]

    return INSTANT.sub(earlier, text)


def _columns(file: sqlite3.Connection, table: str) -> list[str]:
    return [row[1] for row in file.execute(f"PRAGMA table_info({table})")]


def _rows(file: sqlite3.Connection, table: str, where: str, *values: object) -> list[dict]:
    names = _columns(file, table)
    found = file.execute(f"SELECT * FROM {table} WHERE {where}", values)  # noqa: S608 - our own names
    return [dict(zip(names, row, strict=True)) for row in found]


def _put(file: sqlite3.Connection, table: str, rows: list[dict]) -> None:
    names = _columns(file, table)
    marks = ", ".join("?" for _ in names)
    values = ([row[name] for name in names] for row in rows)
    file.executemany(f"INSERT INTO {table} VALUES ({marks})", values)  # noqa: S608 - our own names


def _repeated(row: dict, by: timedelta, keys: dict[str, str], timed: tuple[str, ...]) -> dict:
    """A row once more: under new keys, its times earlier, also those inside its documents."""
    again = {name: moved(value, by) if name in timed and value is not None else value for name, value in row.items()}
    return again | {name: f"{row[name][:40]}{end}" for name, end in keys.items()}


PLAN_TIMES = ("asked", "shown", "ready", "created_at", "updated_at", "begins")
BAKE_TIMES = ("started", "out", "latest")


def bakes(file: sqlite3.Connection, count: int) -> None:
    """So many finished bakes, each with its plan, its steps and all that was pressed."""
    done = file.execute("SELECT id FROM bake WHERE out IS NOT NULL AND id LIKE 'demo-baked%'").fetchone()[0]
    plan, bake = _rows(file, "plan", "id = ?", done)[0], _rows(file, "bake", "id = ?", done)[0]
    steps, events = _rows(file, "plan_step", "plan_id = ?", done), _rows(file, "event", "subject = ?", done)
    for number in range(1, count + 1):
        by, end = number * EVERY + timedelta(days=1), f"-{number}"
        _put(file, "plan", [_repeated(plan, by, {"id": end}, PLAN_TIMES)])
        _put(file, "bake", [_repeated(bake, by, {"id": end}, BAKE_TIMES)])
        _put(file, "plan_step", [_repeated(step, by, {"plan_id": end}, ("at",)) for step in steps])
        _put(file, "event", [_repeated(each, by, {"id": end, "subject": end}, ("at", "body")) for each in events])


def plans(file: sqlite3.Connection, count: int) -> None:
    """So many saved plans that were never baked, all but twelve of them for a day gone by."""
    plan = _rows(file, "plan", "id = ?", demo.TOMORROW_PLAN)[0]
    steps = _rows(file, "plan_step", "plan_id = ?", demo.TOMORROW_PLAN)
    for number in range(1, count + 1):
        by, end = timedelta(days=number - 12, minutes=7), f"-p{number}"
        _put(file, "plan", [_repeated(plan, by, {"id": end}, PLAN_TIMES)])
        _put(file, "plan_step", [_repeated(step, by, {"plan_id": end}, ("at",)) for step in steps])


def formulas(file: sqlite3.Connection, count: int) -> None:
    """So many formulas in all."""
    there = _rows(file, "formula", "deleted_at IS NULL")
    for number in range(len(there), count):
        row = there[number % len(there)]
        key, name = f"{row['id'][:25]}-{number}", f"{row['name']} {number}"
        body = json.dumps(json.loads(row["body"]) | {"name": name})
        line = json.dumps(json.loads(row["line"]) | {"id": key, "name": name, "version": 1})
        again = row | {
            "id": key,
            "name": name,
            "body": body,
            "line": line,
            "created_at": moved(row["created_at"], -timedelta(seconds=number)),
        }
        _put(file, "formula", [again])
        _put(
            file,
            "formula_version",
            [{"formula_id": key, "number": 1, "body": body, "name": "", "saved_at": again["created_at"]}],
        )


def cultures(file: sqlite3.Connection, count: int, events_each: int) -> None:
    """So many cultures of so many events each: the demo's liveliest, its last days over and over."""
    culture = _rows(file, "culture", "id = 'gull'")[0]
    life = sorted(_rows(file, "event", "subject = 'gull'"), key=lambda row: row["at"])
    first, last = (datetime.fromisoformat(life[place]["at"]) for place in (0, -1))
    span = last - first + timedelta(hours=6)
    for number in range(1, count + 1):
        body = json.dumps(json.loads(culture["body"]) | {"name": f"Jar {number}"})
        _put(file, "culture", [culture | {"id": f"jar-{number}", "body": body}])
        for place in range(events_each):
            times, which = divmod(place, len(life))
            row = life[len(life) - 1 - which]
            again = _repeated(row, times * span, {"id": f"-j{number}-{place}"}, ("at",))
            _put(file, "event", [again | {"subject": f"jar-{number}"}])


def samples(file: sqlite3.Connection, count: int) -> None:
    """So many figures of three instruments, one every half minute, back from now."""
    kinds = (("dough-probe", "dough_c", 24.0), ("kitchen-air", "room_c", 21.5), ("fridge", "fridge_c", 4.5))
    for place, (device, quantity, value) in enumerate(kinds):
        rows = (
            (
                device,
                quantity,
                f"{(NOW - timedelta(seconds=30 * number)).replace(tzinfo=None)}.000000"[:26],
                value + number % 7 / 10,
            )
            for number in range(1, count // 3 + 1)
        )
        file.executemany("INSERT OR IGNORE INTO sample VALUES (?, ?, ?, ?)", rows)
        file.execute(
            "INSERT OR REPLACE INTO instrument VALUES (?, ?, ?, ?)",
            (device, quantity, f"{NOW.replace(tzinfo=None)}.000000", value + place),
        )


def base(folder: Path, cultures_in_all: int = 0) -> None:
    """The made-up bakery with three doughs on its bench, and so many more cultures that were just begun."""
    sessions = open_store(folder)
    demo.fill(sessions, lambda: NOW)
    demo.plan_ahead(sessions, lambda: NOW)
    begin_doughs(sessions, lambda: NOW)
    sessions.kw["bind"].dispose()
    with closing(sqlite3.connect(folder / FILE)) as file, file:
        cultures(file, cultures_in_all, 5)


def grow(folder: Path, many_bakes: int) -> None:
    """Make a kitchen large: ``many_bakes`` finished, and all else in the same proportion."""
    base(folder)
    share = min(many_bakes / 10_000, 1.0)
    with closing(sqlite3.connect(folder / FILE)) as file, file:
        file.execute("PRAGMA synchronous=OFF")
        bakes(file, many_bakes)
        plans(file, round(1000 * share))
        formulas(file, max(round(300 * share), 7))
        cultures(file, 20, max(round(1000 * share), 5))
        samples(file, round(1_000_000 * share))
    sessions = open_store(folder)
    catch_up(Work(sessions, lambda: NOW))
    sessions.kw["bind"].dispose()


if __name__ == "__main__":
    grow(Path(sys.argv[1]), int(sys.argv[2]) if len(sys.argv) > 2 else 10_000)
    folder = Path(sys.argv[1])
    print(f"{folder}: {(folder / FILE).stat().st_size / 1e6:.0f} MB, as of {NOW.isoformat()}.")
