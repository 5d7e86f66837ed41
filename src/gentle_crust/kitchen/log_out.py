"""The log out of a kitchen: as JSON with its schema, as tables, with its photos."""

import csv
import json
import zipfile
from collections.abc import Iterator, Sequence
from dataclasses import asdict
from pathlib import Path
from typing import Any

from gentle_crust.contract import events as bodies
from gentle_crust.contract.bakes import BakeFigures
from gentle_crust.contract.log_file import BakeFile, EventFile, FormulaFile, LogFile, TrialFile, VersionFile
from gentle_crust.core.loaf.sheet import measured
from gentle_crust.interchange.safe_csv import cell
from gentle_crust.kitchen import story as tale
from gentle_crust.kitchen.beside import FIGURES
from gentle_crust.kitchen.drawn import sheets_of
from gentle_crust.kitchen.photos import PhotoShelf
from gentle_crust.kitchen.settings import KitchenSettings
from gentle_crust.kitchen.story import story_of
from gentle_crust.kitchen.work import Work
from gentle_crust.store.baking import Bakes, Plans, Sought, Trials
from gentle_crust.store.models import BakeRow, FormulaRow, PlanRow
from gentle_crust.store.repositories import Events, Formulas

LOG, SCHEMA, BAKES, READINGS, PHOTOS = "log.json", "log.schema.json", "bakes.csv", "readings.csv", "photos"
MOST = 1_000_000
OF_A_LOAF = (
    "liked", "height_mm", "width_mm", "length_mm", "out_g", "form", "scores", "blow_out", "openness", "bite",
    "top_colour", "sourness", "flavour", "crust", "again",
)  # fmt: skip
"""What of a loaf's sheet stands in the table of bakes."""


def log_file(work: Work, bake: str = "", formula: str = "") -> LogFile:
    """The log as a file; only one bake, or those of one formula, if that is given. What was taken out stays out."""
    with work.read() as session:
        rows = list(Bakes(session).page(Sought(formula=formula), None, MOST))
        rows = [row for row in rows if not bake or row.id == bake]
        keys = tuple(row.id for row in rows)
        told = Events(session).of_subjects(keys)
        plans = [plan for key in keys if (plan := Plans(session).get(key))]
        kept = {row.formula_id for row in rows} | ({formula} if formula else set())
        formulas = [found for key in sorted(kept) if (found := Formulas(session).get(key))]
        trials = [
            TrialFile(
                id=row.id, formula_id=row.formula_id, created_at=row.created_at, updated_at=row.updated_at,
                deleted_at=row.deleted_at, body=row.body,
            )
            for row in (Trials(session).of_bakes(keys) if bake else Trials(session).all(formula))
        ]  # fmt: skip
        versions = {row.id: Formulas(session).versions(row.id) for row in formulas}
        bakes = [_bake(plan, told.get(plan.id, [])) for plan in plans]
        return LogFile(
            made_at=work.now(),
            kitchen=KitchenSettings(work).get().name[:80],
            bakes=sorted(bakes, key=lambda each: (each.created_at, each.id)),
            formulas=[_formula(row, versions[row.id]) for row in formulas],
            trials=sorted(trials, key=lambda each: (each.created_at, each.id)),
            photos=sorted(each.id for one in bakes for each in one.events if each.kind == bodies.PHOTO),
        )


def _bake(plan: PlanRow, events: list[Any]) -> BakeFile:
    return BakeFile(
        id=plan.id, formula_id=plan.formula_id, engine=plan.engine, ready=plan.ready, created_at=plan.created_at,
        updated_at=plan.updated_at, deleted_at=plan.deleted_at, formula=plan.formula, asked=plan.asked,
        shown=plan.shown, events=[EventFile(id=key, kind=kind, at=at, body=body) for key, kind, at, body in events],
    )  # fmt: skip


def _formula(row: FormulaRow, versions: Sequence[Any]) -> FormulaFile:
    return FormulaFile(
        id=row.id,
        created_at=row.created_at,
        updated_at=row.updated_at,
        deleted_at=row.deleted_at,
        versions=[
            VersionFile(number=each.number, name=each.name, saved_at=each.saved_at, body=each.body)
            for each in sorted(versions, key=lambda each: each.number)
        ],
    )


def write_folder(work: Work, shelf: PhotoShelf, folder: Path, bake: str = "", formula: str = "") -> LogFile:
    """Write the log into a folder: JSON, its schema, tables and photos."""
    found = log_file(work, bake, formula)
    folder.mkdir(parents=True, exist_ok=True)
    (folder / LOG).write_text(found.model_dump_json(indent=1) + "\n", encoding="utf-8")
    (folder / SCHEMA).write_text(json.dumps(LogFile.model_json_schema(), indent=1) + "\n", encoding="utf-8")
    with work.read() as session:
        rows = Bakes(session).of([each.id for each in found.bakes])
    _table(folder / BAKES, _bake_rows(found, rows))
    _table(folder / READINGS, _reading_rows(found))
    (folder / PHOTOS).mkdir(exist_ok=True)
    for key in found.photos:
        data = shelf.get(key)
        if data is not None:
            (folder / PHOTOS / f"{key}.jpg").write_bytes(data)
    return found


def as_zip(folder: Path, target: Path) -> None:
    """A folder as one file; photos are packed as they are."""
    with zipfile.ZipFile(target, "w", zipfile.ZIP_DEFLATED) as packed:
        for path in sorted(folder.rglob("*")):
            if path.is_file():
                how = zipfile.ZIP_STORED if path.suffix == ".jpg" else zipfile.ZIP_DEFLATED
                packed.write(path, path.relative_to(folder).as_posix(), how)


def _table(path: Path, rows: Iterator[dict[str, Any]]) -> None:
    found = list(rows)
    with path.open("w", newline="", encoding="utf-8") as file:
        names = list(dict.fromkeys(name for row in found for name in row))
        writer = csv.DictWriter(file, names or ["bake"])
        writer.writeheader()
        writer.writerows({name: cell(str(v)) if isinstance(v, str) else v for name, v in row.items()} for row in found)


def _bake_rows(found: LogFile, rows: dict[str, BakeRow]) -> Iterator[dict[str, Any]]:
    """One row a bake: times in UTC, C, g, mm, ml; shares and rises as fractions."""
    for each in found.bakes:
        row = rows[each.id]
        story = story_of([(e.id, e.kind, e.at, e.body) for e in each.events if e.kind in tale.ALL])
        sheets = [sheet for sheet in sheets_of(story) if sheet.day == 0]
        sheet = sheets[-1] if sheets else None
        grams = float(each.asked.get("scaling_weight_g") or 0)
        size = None if sheet is None else measured(sheet, str(each.formula.get("shape", "")), grams)
        yield {
            "bake": each.id,
            "name": row.name,
            "formula": row.formula_id,
            "version": row.version,
            "pieces": row.pieces,
            "piece_g": grams,
            "started": row.started.isoformat(),
            "out": "" if row.out is None else row.out.isoformat(),
            "afterwards": row.afterwards,
            **asdict(FIGURES.read(row.figures) if row.figures else BakeFigures()),
            **{name: None if sheet is None else getattr(sheet, name) for name in OF_A_LOAF},
            "volume_ml": None if size is None else size.volume_ml,
            "g_per_ml": None if size is None else size.g_per_ml,
            "loss": None if size is None else size.loss,
            "faults": row.faults.strip(),
            "notes": row.words,
        }


def _reading_rows(found: LogFile) -> Iterator[dict[str, Any]]:
    """One row a reading."""
    for each in found.bakes:
        for event in each.events:
            if event.kind == bodies.READ:
                yield {
                    "bake": each.id, "at": event.at.isoformat(), "kind": str(event.body.get("kind", "")),
                    "value": event.body.get("value"),
                }  # fmt: skip
