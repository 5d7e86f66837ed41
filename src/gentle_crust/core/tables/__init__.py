"""The numbers of the craft, each with its unit and provenance, read once from the files beside this one."""

import csv
import tomllib
from functools import cache
from importlib.resources import files
from typing import Any


@cache
def rows(name: str) -> tuple[dict[str, str], ...]:
    """Rows of the table ``name`` (a CSV file beside this module), as text by column."""
    with (files(__package__) / f"{name}.csv").open(encoding="utf-8") as file:
        return tuple(csv.DictReader(file))


@cache
def numbers(name: str, key: str, value: str) -> dict[str, float]:
    """One numeric column of table ``name``, keyed by another of its columns."""
    return {row[key]: float(row[value]) for row in rows(name)}


@cache
def toml(name: str) -> dict[str, Any]:
    """The whole of a TOML table."""
    return tomllib.loads((files(__package__) / f"{name}.toml").read_text(encoding="utf-8"))


@cache
def constant(table: str, section: str, key: str) -> float:
    """The value of one constant of a TOML table, in the unit written beside it."""
    return float(toml(table)[section][key]["value"])
