"""The log out of a folder of data and into one, from the command line."""

import json
import sys
import tempfile
from datetime import UTC, datetime
from pathlib import Path

from gentle_crust.cli.keeping import DAMAGED, REFUSED
from gentle_crust.core.errors import CraftError
from gentle_crust.store.database import CannotOpen
from gentle_crust.text.render import say, shown


def schema() -> int:
    """Print what a log's JSON holds."""
    from gentle_crust.contract.log_file import LogFile

    print(json.dumps(LogFile.model_json_schema(), indent=1))
    return 0


def codes() -> int:
    """Print the kinds of entries, and the faults that a loaf's sheet shows."""
    from gentle_crust.core.loaf.faults import FAULTS, fault_name
    from gentle_crust.kitchen.story import ALL

    print(
        json.dumps({"events": list(ALL), "faults": {each: say(fault_name(each)).sentence for each in FAULTS}}, indent=1)
    )
    return 0


def write_out(folder: Path, target: Path) -> int:
    """Write the whole log into a folder that is empty or not there."""
    from gentle_crust.kitchen.beside import catch_up
    from gentle_crust.kitchen.log_out import write_folder
    from gentle_crust.kitchen.photos import PhotoShelf
    from gentle_crust.kitchen.work import Work
    from gentle_crust.store.database import open_store

    if target.exists() and (not target.is_dir() or any(target.iterdir())):
        print(f"{target} is not empty: choose a new folder.", file=sys.stderr)
        return REFUSED
    try:
        sessions = open_store(folder)
    except CannotOpen as error:
        print(error, file=sys.stderr)
        return REFUSED
    work = Work(sessions, lambda: datetime.now(UTC))
    catch_up(work)
    found = write_folder(work, PhotoShelf(folder), target)
    counts = {name: len(getattr(found, name)) for name in ("bakes", "formulas", "trials", "photos")}
    print(json.dumps({"folder": str(target), **counts, "events": sum(len(each.events) for each in found.bakes)}))
    return 0


def bring_in(folder: Path, source: Path) -> int:
    """Bring in a log that was written out; what is known stays as it is."""
    from gentle_crust.kitchen.log_in import bring_in as bring
    from gentle_crust.kitchen.photos import PhotoShelf
    from gentle_crust.kitchen.work import Work
    from gentle_crust.store.database import open_store

    if not source.exists():
        print(f"{source} is not there.", file=sys.stderr)
        return REFUSED
    try:
        sessions = open_store(folder)
        with tempfile.TemporaryDirectory() as scratch:
            found = bring(Work(sessions, lambda: datetime.now(UTC)), PhotoShelf(folder), source, Path(scratch))
    except CannotOpen as error:
        print(error, file=sys.stderr)
        return REFUSED
    except CraftError as error:
        why = say(error.what)
        print(f"{why.sentence} {why.remedy}".strip(), file=sys.stderr)
        return REFUSED
    names = ("bakes", "events", "photos", "formulas", "trials", "known")
    print(json.dumps({**{name: found.counts[name] for name in names}, "left": shown(found.left)}, indent=1))
    return DAMAGED if found.left else 0
