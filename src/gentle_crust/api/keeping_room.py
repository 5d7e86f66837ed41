"""Keeping a kitchen's data: backups out and in, the daily copies, a look over everything, and what cannot be read."""

import tempfile
from pathlib import Path

from flask import Response, request

from gentle_crust.api.common import answer, received, room, sent_once, work
from gentle_crust.contract.keeping import (
    CopyPath,
    FindingsAnswer,
    KeptAnswer,
    RestoredAnswer,
    RowBody,
    RowQuery,
    UnreadableAnswer,
)
from gentle_crust.core.errors import NotFound
from gentle_crust.kitchen.check import is_well
from gentle_crust.kitchen.keeping import Keeper
from gentle_crust.kitchen.unreadable import UnreadableBook
from gentle_crust.store.database import folder_of

LARGEST_BACKUP = 8_000_000_000

keeping = room("keeping")


@keeping.get("/backups", responses={200: KeptAnswer})
def what_is_kept() -> Response:
    """The daily copies, and when the last backup was written."""
    return answer(KeptAnswer(copies=Keeper(work()).copies()))


@keeping.get("/backup")
def write_backup() -> Response:
    """Everything in one file."""
    target = Path(tempfile.mkdtemp(dir=folder_of(work().sessions), prefix=".backup-")) / "backup.zip"
    Keeper(work()).backup(target)
    return sent_once(target, f"gentle-crust-{work().now():%Y-%m-%d}.zip")


@keeping.post("/backup/restore", responses={200: RestoredAnswer})
def restore() -> Response:
    """Put a backup, sent as the body, in the place of all data; tried first, and what was there is kept aside."""
    request.max_content_length = LARGEST_BACKUP
    with tempfile.TemporaryDirectory(dir=folder_of(work().sessions), prefix=".backup-") as scratch:
        source = Path(scratch) / "sent.zip"
        received(source)
        return _restored(source)


@keeping.post("/backups/<day>/restore", responses={200: RestoredAnswer})
def restore_copy(path: CopyPath) -> Response:
    """Go back to the copy of a day."""
    source = Keeper(work()).copy_of(path.day)
    if source is None:
        raise NotFound("id", "api-copy-not-there")
    return _restored(source)


def _restored(source: Path) -> Response:
    manifest, aside = Keeper(work()).restore(source)
    return answer(RestoredAnswer(made_at=manifest.made_at, aside="" if aside is None else str(aside)))


@keeping.get("/check", responses={200: FindingsAnswer})
def look_over() -> Response:
    """Look over all data."""
    found = Keeper(work()).findings()
    return answer(FindingsAnswer(ok=is_well(found), findings=list(found)))


@keeping.get("/unreadable", responses={200: UnreadableAnswer})
def unreadable() -> Response:
    """Everything that cannot be read."""
    return _unreadable()


def _unreadable() -> Response:
    return answer(UnreadableAnswer(rows=list(UnreadableBook(work()).all())))


@keeping.get("/unreadable/file")
def unreadable_file(query: RowQuery) -> Response:
    """One of them as a file, whole."""
    headers = {"Content-Disposition": 'attachment; filename="unreadable.json"'}
    text = UnreadableBook(work()).file(query.place, query.key)
    return Response(text, content_type="application/json", headers=headers)


@keeping.post("/unreadable/put-away", responses={200: UnreadableAnswer})
def put_away(body: RowBody) -> Response:
    """Take one of them out of sight; it is kept whole."""
    UnreadableBook(work()).put_away(body.place, body.key)
    return _unreadable()


@keeping.post("/unreadable/bring-back", responses={200: UnreadableAnswer})
def bring_back(body: RowBody) -> Response:
    """Undo that."""
    UnreadableBook(work()).bring_back(body.place, body.key)
    return _unreadable()
