"""Backing up, bringing back and looking over a folder of data, from the command line."""

import json
import sys
from datetime import UTC, datetime
from pathlib import Path

from gentle_crust.store.database import CannotOpen
from gentle_crust.text.render import shown

REFUSED, DAMAGED = 2, 1


def backup(folder: Path, target: Path, force: bool) -> int:
    """Write everything into one file."""
    from gentle_crust.store.backup import write_backup

    try:
        manifest = write_backup(folder, target, datetime.now(UTC), force)
    except CannotOpen as error:
        print(error, file=sys.stderr)
        return REFUSED
    photos = sum(1 for member in manifest.files if member.name.endswith(".jpg")) // 2
    rows = {name: manifest.rows.get(name, 0) for name in ("formula", "plan", "event")}
    print(f"{target} holds everything in {folder}:", end=" ")
    print(f"{rows['formula']} formulas, {rows['plan']} plans, {rows['event']} events, {photos} photos.")
    return 0


def restore(folder: Path, source: Path) -> int:
    """Put a backup in the place of a folder's data."""
    from gentle_crust.store.backup import restore as bring_back

    try:
        manifest, aside = bring_back(folder, source, datetime.now(UTC))
    except CannotOpen as error:
        print(error, file=sys.stderr)
        return REFUSED
    print(f"{folder} now holds the backup of {manifest.made_at:%d %B %Y, %H:%M} UTC.")
    if aside is not None:
        print(f"What was there is kept in {aside}.")
    return 0


def check(folder: Path) -> int:
    """Say in words what is damaged, missing or to be seen to."""
    from gentle_crust.kitchen.check import check as look
    from gentle_crust.kitchen.check import is_well

    found = look(folder, datetime.now(UTC))
    print(json.dumps({"ok": is_well(found), "findings": shown(found)}, indent=1))
    return 0 if is_well(found) else DAMAGED
