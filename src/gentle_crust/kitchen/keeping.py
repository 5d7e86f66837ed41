"""Backing up and bringing back the kitchen that is in use."""

from pathlib import Path

from gentle_crust.contract.keeping import Finding, KeptCopies
from gentle_crust.kitchen import culture_past
from gentle_crust.kitchen.beside import catch_up
from gentle_crust.kitchen.check import check
from gentle_crust.kitchen.work import Work
from gentle_crust.store import backup
from gentle_crust.store.backup import Manifest
from gentle_crust.store.copies import copies_in
from gentle_crust.store.database import folder_of, gate_of


class Keeper:
    """Keeps the data of the kitchen in use."""

    def __init__(self, work: Work) -> None:
        self.work, self.folder = work, folder_of(work.sessions)

    def copies(self) -> KeptCopies:
        """What there is to go back to."""
        days = tuple(day.isoformat() for day in reversed(copies_in(self.folder)))
        return KeptCopies(days, backup.last_backup(self.folder), str(self.folder), backup.size_of(self.folder))

    def backup(self, target: Path) -> Manifest:
        """Everything in one file."""
        return backup.write_backup(self.folder, target, self.work.now(), force=True)

    def copy_of(self, day: str) -> Path | None:
        """The copy of a day."""
        return next((path for each, path in copies_in(self.folder).items() if each.isoformat() == day), None)

    def findings(self) -> tuple[Finding, ...]:
        """What is damaged, missing or to be seen to."""
        return check(self.folder, self.work.now())

    def restore(self, source: Path) -> tuple[Manifest, Path | None]:
        """Put a backup in the place of all data, while nobody else is at them. CannotOpen if it is not whole."""
        with backup.side_folder(self.folder) as side:
            new = side / "data"
            new.mkdir(mode=0o700)
            manifest = backup.unpack(source, new)
            with gate_of(self.work.sessions).alone():
                engine = self.work.sessions.kw["bind"]
                engine.dispose()
                aside = backup.replace_data(self.folder, new, self.work.now())
        culture_past.forget()
        catch_up(Work(self.work.sessions, self.work.now))
        return manifest, aside
