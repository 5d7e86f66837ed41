"""Backups: everything of a kitchen in one file, written while it is in use; brought back only after it was tried."""

import hashlib
import json
import os
import re
import shutil
import sqlite3
import tempfile
import zipfile
from collections.abc import Iterator
from contextlib import closing, contextmanager, suppress
from dataclasses import asdict, dataclass
from datetime import UTC, datetime
from pathlib import Path
from typing import IO, Any

from gentle_crust import __version__
from gentle_crust.store import database
from gentle_crust.store.database import FILE, CannotOpen, copy_file, damage_of, known_schemas, schema_of
from gentle_crust.store.lock import LOCK, locked

MANIFEST, PHOTOS, COPIES, ASIDE = "manifest.json", "photos", "copies", "set-aside"
FORMAT = "gentle-crust-backup"
VERSION = 1
LAST = "last-backup"
"""A file that says when the last backup was written, and where."""
STAYS = (COPIES, LOCK, ASIDE, LAST, "demo", "lan-certificate.pem", "lan-key.pem", "lan-passcode")
"""What of a folder belongs to the machine, and stays where it is when a backup takes the place of the data."""
_NAMES = re.compile(rf"^({re.escape(FILE)}|{PHOTOS}/[A-Za-z0-9_-]+(\.small)?\.jpg)$")
LARGEST_MEMBER = 20_000_000_000
CHUNK = 1 << 20


@dataclass(frozen=True)
class Member:
    """One file of a backup."""

    name: str
    size: int
    sha256: str


@dataclass(frozen=True)
class Manifest:
    """What a backup holds: when it was made and by which program, its schema, how many rows of what, its files."""

    made_at: datetime
    program: str
    schema: str
    rows: dict[str, int]
    files: tuple[Member, ...]


def write_backup(folder: Path, target: Path, now: datetime, force: bool = False) -> Manifest:
    """Write all data of ``folder`` into one file; the program may go on meanwhile.

    Raises CannotOpen if there is nothing to back up, it is damaged, the target is there already and not to be
    replaced, or there is no room. A half of it is never left under the target's name.
    """
    if not (folder / FILE).is_file():
        raise CannotOpen(f"There are no data in {folder}. Give the folder with --data.")
    if target.exists() and not force:
        raise CannotOpen(f"{target} is there already. Give another name, or replace it with --force.")
    half = target.with_name(f".{target.name}.half-{os.getpid()}")
    try:
        with tempfile.TemporaryDirectory(dir=folder, prefix=".backup-") as scratch:
            copy = Path(scratch) / FILE
            copy_file(folder / FILE, copy)
            manifest = _packed(copy, folder / PHOTOS, half, now)
        half.replace(target)
    except OSError as error:
        raise CannotOpen(f"The backup could not be written to {target} ({error.strerror or error}).") from error
    except sqlite3.DatabaseError as error:
        raise CannotOpen(f"The data file cannot be copied ({error}). Look with: gentle-crust check") from error
    finally:
        half.unlink(missing_ok=True)
    if target.parent.resolve() != (folder / COPIES).resolve():
        with suppress(OSError):
            (folder / LAST).write_text(f"{manifest.made_at.isoformat()} {target}\n", encoding="utf-8")
    return manifest


def last_backup(folder: Path) -> datetime | None:
    """When the last backup was written; None if there never was one, or nobody knows."""
    try:
        return datetime.fromisoformat((folder / LAST).read_text(encoding="utf-8").split(" ", 1)[0])
    except (OSError, ValueError):
        return None


def _packed(copy: Path, photos: Path, half: Path, now: datetime) -> Manifest:
    if damage := damage_of(copy):
        raise CannotOpen(f"The data file is damaged ({damage[0]}): no backup was written.\nLook: gentle-crust check")
    with half.open("xb") as file:
        half.chmod(0o600)
        with zipfile.ZipFile(file, "w", zipfile.ZIP_DEFLATED, compresslevel=6) as packed:
            files = [_add(packed, copy, FILE)]
            for photo in sorted(photos.glob("*.jpg")):
                with suppress(FileNotFoundError):
                    files.append(_add(packed, photo, f"{PHOTOS}/{photo.name}"))
            manifest = Manifest(now.astimezone(UTC), __version__, schema_of(copy) or "", _rows(copy), tuple(files))
            packed.writestr(MANIFEST, json.dumps(_manifest_body(manifest), indent=1))
        file.flush()
        os.fsync(file.fileno())
    return manifest


def _manifest_body(manifest: Manifest) -> dict[str, Any]:
    body = {"format": FORMAT, "version": VERSION, **asdict(manifest)}
    return body | {"made_at": manifest.made_at.isoformat()}


def _add(packed: zipfile.ZipFile, path: Path, name: str) -> Member:
    kind = zipfile.ZIP_STORED if path.suffix == ".jpg" else zipfile.ZIP_DEFLATED
    digest, size = hashlib.sha256(), 0
    info = zipfile.ZipInfo(name, datetime.now(UTC).timetuple()[:6])
    info.compress_type, info.external_attr = kind, 0o600 << 16
    with path.open("rb") as source, packed.open(info, "w", force_zip64=True) as target:
        while piece := source.read(CHUNK):
            digest.update(piece)
            size += len(piece)
            target.write(piece)
    return Member(name, size, digest.hexdigest())


def _rows(path: Path) -> dict[str, int]:
    """How many rows each table has."""
    with closing(sqlite3.connect(f"file:{path}?mode=ro", uri=True)) as connection:
        names = [row[0] for row in connection.execute("SELECT name FROM sqlite_master WHERE type = 'table'")]
        counted = {name: connection.execute(f'SELECT count(*) FROM "{name}"').fetchone()[0] for name in names}  # noqa: S608
    return {name: int(count) for name, count in sorted(counted.items())}


def read_manifest(source: Path) -> Manifest:
    """What a backup says it holds. CannotOpen for a file that is none."""
    try:
        with zipfile.ZipFile(source) as packed:
            return _manifest(packed)
    except (zipfile.BadZipFile, OSError) as error:
        raise CannotOpen(f"{source} is not a backup of this program ({error}).") from error


def _manifest(packed: zipfile.ZipFile) -> Manifest:
    try:
        with packed.open(MANIFEST) as file:
            body = json.loads(file.read(20_000_000))
        if body["format"] != FORMAT or not isinstance(body["version"], int):
            raise ValueError(body["format"])
        if body["version"] > VERSION:
            raise CannotOpen("The backup was written by a newer version of this program. Update the program.")
        files = tuple(Member(str(each["name"]), int(each["size"]), str(each["sha256"])) for each in body["files"])
        made_at = datetime.fromisoformat(body["made_at"])
        return Manifest(made_at, str(body["program"]), str(body["schema"]), dict(body["rows"]), files)
    except (KeyError, ValueError, TypeError, zipfile.BadZipFile, RuntimeError, NotImplementedError) as error:
        raise CannotOpen("The file is not a backup of this program.") from error


def unpack(source: Path, side: Path) -> Manifest:
    """Lay a backup out in the empty folder ``side``, every checksum proved, and bring its schema up to date there.

    A bare data file, as is copied before a change of schema, is taken too. CannotOpen for anything that is not whole.
    """
    if not source.is_file():
        raise CannotOpen(f"There is no file {source}.")
    with source.open("rb") as file:
        bare = file.read(16) == b"SQLite format 3\0"
    try:
        if bare:
            manifest = _bare(source, side)
        else:
            with zipfile.ZipFile(source) as packed:
                manifest = _manifest(packed)
                for member in manifest.files:
                    _lay_out(packed, member, side)
    except (zipfile.BadZipFile, EOFError, RuntimeError, NotImplementedError, sqlite3.DatabaseError) as error:
        raise CannotOpen(f"{source} is not a whole backup of this program ({error}).") from error
    except OSError as error:
        raise CannotOpen(f"The backup could not be laid out ({error.strerror or error}).") from error
    if not (side / FILE).is_file():
        raise CannotOpen(f"{source} holds no data file.")
    if damage := damage_of(side / FILE, thorough=True):
        raise CannotOpen(f"The data file in {source} is damaged ({damage[0]}).")
    if schema_of(side / FILE) not in known_schemas():
        raise CannotOpen(f"{source} was written by a newer version of this program. Update the program, then restore.")
    database.open_store(side).kw["bind"].dispose()
    for rest in side.glob(f"{FILE}.before-*"):
        rest.unlink()
    copy_file(side / FILE, side / f"{FILE}.whole")
    for rest in side.glob(f"{FILE}-*"):
        rest.unlink()
    (side / f"{FILE}.whole").replace(side / FILE)
    return manifest


def _bare(source: Path, side: Path) -> Manifest:
    copy_file(source, side / FILE)
    member = Member(FILE, (side / FILE).stat().st_size, "")
    made_at = datetime.fromtimestamp(source.stat().st_mtime, UTC)
    return Manifest(made_at, "", schema_of(side / FILE) or "", _rows(side / FILE), (member,))


def _lay_out(packed: zipfile.ZipFile, member: Member, side: Path) -> None:
    if not _NAMES.match(member.name) or not 0 <= member.size <= LARGEST_MEMBER:
        raise CannotOpen(f"The backup holds a file that no backup holds ({member.name[:60]!r}).")
    target = side / member.name
    target.parent.mkdir(exist_ok=True, mode=0o700)
    digest, size = hashlib.sha256(), 0
    try:
        with packed.open(member.name) as inside, target.open("xb") as file:
            for piece in _pieces(inside):
                digest.update(piece)
                size += len(piece)
                if size > member.size:
                    break
                file.write(piece)
    except KeyError as error:
        raise CannotOpen(f"The backup lacks {member.name}, which its list names.") from error
    if size != member.size or digest.hexdigest() != member.sha256:
        raise CannotOpen(f"The backup is damaged: {member.name} is not as it was written.")
    target.chmod(0o600)


def _pieces(file: IO[bytes]) -> Iterator[bytes]:
    while piece := file.read(CHUNK):
        yield piece


@contextmanager
def side_folder(folder: Path) -> Iterator[Path]:
    """An empty folder beside ``folder``, on the same disk, gone afterwards."""
    try:
        folder.parent.mkdir(parents=True, exist_ok=True)
        with tempfile.TemporaryDirectory(dir=folder.parent, prefix=f".{folder.name}-restore-") as scratch:
            yield Path(scratch)
    except OSError as error:
        raise CannotOpen(f"Nothing can be written beside {folder} ({error.strerror or error}).") from error


def restore(folder: Path, source: Path, now: datetime) -> tuple[Manifest, Path | None]:
    """Put a backup in the place of a folder's data; what was there is kept aside. Where, is given back.

    The backup is laid out and tried beside it first: one that is not whole changes nothing. CannotOpen for that, and
    for a folder in use.
    """
    with side_folder(folder) as side:
        new = side / "data"
        new.mkdir(mode=0o700)
        manifest = unpack(source, new)
        if not folder.exists():
            folder.mkdir(mode=0o700)
        with locked(folder):
            aside = replace_data(folder, new, now)
    return manifest, aside


def replace_data(folder: Path, new: Path, now: datetime) -> Path | None:
    """Move a folder's data aside and those of ``new`` in; nobody may be using them. If it fails, all is as it was."""
    old = [path for path in folder.iterdir() if path.name not in STAYS]
    aside = _aside_of(folder, now) if old else None
    moved: list[tuple[Path, Path]] = []
    try:
        for path in old:
            target = (aside or folder) / path.name
            path.rename(target)
            moved.append((target, path))
        for path in sorted(new.iterdir(), key=lambda path: path.name == FILE):
            target = folder / path.name
            path.rename(target)
            moved.append((target, path))
    except OSError as error:
        for target, path in reversed(moved):
            target.rename(path)
        raise CannotOpen(f"The data could not be replaced ({error.strerror or error}); all is as it was.") from error
    return aside


def _aside_of(folder: Path, now: datetime) -> Path:
    for number in range(1, 1000):
        name = f"{now:%Y-%m-%d-%H%M%S}" + (f"-{number}" if number > 1 else "")
        path = folder / ASIDE / name
        if not path.exists():
            path.mkdir(parents=True, mode=0o700)
            return path
    raise CannotOpen(f"There are too many restores of this second in {folder / ASIDE}.")


def size_of(folder: Path) -> int:
    """Bytes that a folder's data take, without copies."""
    photos = sum(path.stat().st_size for path in (folder / PHOTOS).glob("*.jpg"))
    return photos + sum(path.stat().st_size for path in folder.glob(f"{FILE}*") if path.is_file())


def sweep(folder: Path) -> None:
    """Throw away what a program that was killed left half done. Only for whoever holds the folder."""
    for path in (*folder.glob(".backup-*"), *folder.glob(f".{COPIES}-*"), *folder.glob(f"{FILE}*.half")):
        shutil.rmtree(path) if path.is_dir() else path.unlink(missing_ok=True)
    for path in (folder / COPIES).glob(".*.half-*"):
        path.unlink(missing_ok=True)
