"""The log into a kitchen: what is new is added, what is known stays as it is, what cannot be read is left and named."""

import json
import shutil
import zipfile
from collections import Counter
from dataclasses import dataclass, field
from pathlib import Path

from pydantic import ValidationError

from gentle_crust.contract import events as bodies
from gentle_crust.contract.documents import ASKED, FORMULA, PLAN, TRIAL
from gentle_crust.contract.log_file import FORMAT, VERSION, BakeFile, FormulaFile, LogFile, TrialFile, VersionFile
from gentle_crust.contract.problem import of_validation
from gentle_crust.core.errors import CraftError, Unreadable
from gentle_crust.core.messages import Message, message, named
from gentle_crust.kitchen.beside import write_bake, write_formula, write_plan
from gentle_crust.kitchen.log_out import LOG, PHOTOS
from gentle_crust.kitchen.photos import LARGEST_BYTES, PhotoShelf
from gentle_crust.kitchen.work import Work
from gentle_crust.store.baking import Plans, Trials
from gentle_crust.store.models import EventRow, FormulaRow, PlanRow, TrialRow, VersionRow
from gentle_crust.store.repositories import Events, Formulas

LARGEST_JSON, LARGEST_IN_ALL, MOST_FILES = 400_000_000, 8_000_000_000, 60_000
"""Bytes of the log itself, bytes unpacked, and files of one import."""
MOST_LEFT = 40
"""So many reasons are given; more tell nothing new."""


@dataclass
class Brought:
    """What an import brought: counts of what is new, of bakes that were known, and what was left out, with why."""

    counts: Counter[str] = field(default_factory=Counter)
    left: list[Message] = field(default_factory=list)

    def leave(self, what: str, name: str, why: Message) -> None:
        """Something was left out."""
        if len(self.left) < MOST_LEFT:
            self.left.append(message("log-left", what=message(f"log-{what}"), name=named(name[:60]), why=why))
        self.counts["left"] += 1


def bring_in(work: Work, shelf: PhotoShelf, source: Path, scratch: Path) -> Brought:
    """A folder, a packed one, or a log's JSON alone. Raises CraftError for what is no log, or a newer program's."""
    folder = source if source.is_dir() else _unpacked(source, scratch)
    found = _read(folder / LOG)
    brought = Brought()
    with work.write():
        for formula in found.formulas:
            _formula(work, formula, brought)
        for bake in found.bakes:
            _bake(work, bake, brought)
        for trial in found.trials:
            _trial(work, trial, brought)
    for key in found.photos:
        _photo(shelf, folder / PHOTOS / f"{key}.jpg", key, brought)
    return brought


def _unpacked(source: Path, scratch: Path) -> Path:
    """A packed folder laid out; a file of JSON is a folder of that alone."""
    scratch.mkdir(parents=True, exist_ok=True)
    if not zipfile.is_zipfile(source):
        if source.stat().st_size > LARGEST_JSON:
            raise CraftError("file", "log-file-too-large")
        shutil.copyfile(source, scratch / LOG)
        return scratch
    try:
        with zipfile.ZipFile(source) as packed:
            inside = packed.infolist()
            if len(inside) > MOST_FILES or sum(each.file_size for each in inside) > LARGEST_IN_ALL:
                raise CraftError("file", "log-file-too-large")
            wanted = [each for each in inside if _is_ours(each.filename)]
            for each in wanted:
                packed.extract(each, scratch)
    except (zipfile.BadZipFile, OSError, NotImplementedError, RuntimeError, EOFError) as error:
        raise Unreadable("file", "log-file-unreadable") from error
    return scratch


def _is_ours(name: str) -> bool:
    """Whether a packed file has a name that a log's file has: nothing else is laid out."""
    folder, _, file = name.rpartition("/")
    key = file.removesuffix(".jpg")
    return name == LOG or (folder == PHOTOS and file.endswith(".jpg") and key.replace("-", "").isalnum())


def _read(path: Path) -> LogFile:
    try:
        if path.stat().st_size > LARGEST_JSON:
            raise CraftError("file", "log-file-too-large")
        body = json.loads(path.read_bytes())
    except (OSError, ValueError, RecursionError) as error:
        raise Unreadable("file", "log-file-unreadable") from error
    if not isinstance(body, dict) or body.get("format") != FORMAT:
        raise Unreadable("file", "log-file-unreadable")
    if not isinstance(body.get("version"), int) or body["version"] > VERSION:
        raise Unreadable("file", "log-file-newer")
    try:
        return LogFile.model_validate(body)
    except (ValidationError, RecursionError) as error:
        first = of_validation(error)[0] if isinstance(error, ValidationError) else None
        raise Unreadable("file", "log-file-not-as-declared", where=first.field if first else "") from error


def _formula(work: Work, found: FormulaFile, brought: Brought) -> None:
    """A formula that is not here; one that is here stays as it is."""
    with work.write() as session:
        if Formulas(session).get(found.id) is not None:
            return
        try:
            for version in found.versions:
                FORMULA.read(version.body)
            newest = found.versions[-1].body
        except (CraftError, IndexError) as error:
            why = error.what if isinstance(error, CraftError) else message("log-file-unreadable")
            return brought.leave("formula", found.id, why)
        row = FormulaRow(
            id=found.id, body=newest, created_at=found.created_at, updated_at=found.updated_at,
            deleted_at=found.deleted_at,
        )  # fmt: skip
        Formulas(session).add(row)
        session.flush()
        for version in found.versions:
            kept = VersionRow(formula_id=found.id, number=version.number, body=version.body, name=version.name,
                              saved_at=version.saved_at)  # fmt: skip
            Formulas(session).add_version(kept)
        session.flush()
        write_formula(work, row, Formulas(session).newest(found.id))
        brought.counts["formulas"] += 1


def _bake(work: Work, found: BakeFile, brought: Brought) -> None:
    """A bake that is not here, or what was pressed of one that is."""
    name = str(found.formula.get("name", found.id))
    with work.write() as session:
        known = Plans(session).get(found.id)
        if known is None:
            try:
                FORMULA.read(found.formula)
                ASKED.read(found.asked)
                PLAN.read(found.shown)
            except CraftError as error:
                return brought.leave("bake", name, error.what)
            _must_have_formula(work, found, brought)
            row = PlanRow(
                id=found.id, formula_id=found.formula_id, formula=found.formula, asked=found.asked, shown=found.shown,
                engine=found.engine[:20], ready=found.ready, created_at=found.created_at, updated_at=found.updated_at,
                deleted_at=found.deleted_at,
            )  # fmt: skip
            Plans(session).add(row)
            write_plan(session, row)
        elif known.asked != found.asked or known.formula != found.formula:
            return brought.leave("bake", name, message("log-bake-other"))
        added = _events(work, found, brought)
        session.flush()
        write_bake(session, found.id)
        brought.counts["events"] += added
        brought.counts["bakes" if known is None else "known"] += 1


def _must_have_formula(work: Work, found: BakeFile, brought: Brought) -> None:
    """A formula that is neither here nor in the file comes back, put away, as the bake had it."""
    at = found.created_at
    first = VersionFile(number=1, saved_at=at, body=found.formula)
    _formula(
        work, FormulaFile(id=found.formula_id, created_at=at, updated_at=at, deleted_at=at, versions=[first]), brought
    )


def _events(work: Work, found: BakeFile, brought: Brought) -> int:
    """What was pressed and is not here yet, in the order of the file."""
    with work.write() as session:
        events = Events(session)
        there = {row.id: row.subject for row in events.rows(tuple(each.id for each in found.events))}
        added = 0
        for each in found.events:
            if each.id in there:
                if there[each.id] != found.id:
                    brought.leave("event", each.id, message("log-event-other"))
                continue
            try:
                bodies.read(each.kind, each.at, each.body)
            except CraftError as error:
                brought.leave("event", each.id, error.what)
                continue
            session.add(EventRow(id=each.id, kind=each.kind, subject=found.id, at=each.at, body=each.body))
            added += 1
        return added


def _trial(work: Work, found: TrialFile, brought: Brought) -> None:
    with work.write() as session:
        if Trials(session).get(found.id) is not None:
            return
        try:
            trial = TRIAL.read(found.body)
        except CraftError as error:
            return brought.leave("trial", found.id, error.what)
        keys = dict.fromkeys(side.bake for side in trial.sides)
        row = TrialRow(
            id=found.id, formula_id=found.formula_id, bakes=f" {' '.join(keys)} ", body=found.body,
            created_at=found.created_at, updated_at=found.updated_at, deleted_at=found.deleted_at,
        )  # fmt: skip
        Trials(session).put(row)
        brought.counts["trials"] += 1


def _photo(shelf: PhotoShelf, path: Path, key: str, brought: Brought) -> None:
    if shelf.has(key):
        return
    if not path.is_file() or path.stat().st_size > LARGEST_BYTES:
        return brought.leave("photo", key, message("log-photo-missing"))
    try:
        shelf.keep_as_it_is(key, path.read_bytes())
    except CraftError as error:
        return brought.leave("photo", key, error.what)
    brought.counts["photos"] += 1
