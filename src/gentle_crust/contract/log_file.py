"""The log as a file: bakes with all that was pressed, the formulas they were made of, trials, and which photos."""

from datetime import datetime
from typing import Annotated, Any, Literal

from pydantic import AwareDatetime, Field, StringConstraints

from gentle_crust.contract.strict import Strict

FORMAT, VERSION = "gentle-crust-log", 1
"""What the file calls itself, and the newest version of its shape."""
Key = Annotated[str, StringConstraints(pattern=r"^[A-Za-z0-9-]{1,60}$")]
EventKey = Annotated[str, StringConstraints(min_length=1, max_length=60)]
Name = Annotated[str, StringConstraints(max_length=80)]


class EventFile(Strict):
    """Something that was pressed: its kind, its instant, and what it holds."""

    id: EventKey
    kind: Annotated[str, StringConstraints(max_length=30)]
    at: AwareDatetime
    body: dict[str, Any]


class BakeFile(Strict):
    """A bake: the question of its plan, the formula as it was, the answer as it was shown, and what was pressed."""

    id: Key
    formula_id: Key
    engine: Name
    ready: AwareDatetime
    created_at: AwareDatetime
    updated_at: AwareDatetime
    deleted_at: AwareDatetime | None = None
    formula: dict[str, Any]
    asked: dict[str, Any]
    shown: dict[str, Any]
    events: Annotated[list[EventFile], Field(max_length=20_000)]


class VersionFile(Strict):
    """One saved state of a formula."""

    number: Annotated[int, Field(ge=1)]
    name: Name = ""
    saved_at: AwareDatetime
    body: dict[str, Any]


class FormulaFile(Strict):
    """A formula with its versions, the oldest first."""

    id: Key
    created_at: AwareDatetime
    updated_at: AwareDatetime
    deleted_at: AwareDatetime | None = None
    versions: list[VersionFile]


class TrialFile(Strict):
    """A trial."""

    id: Key
    formula_id: Key
    created_at: AwareDatetime
    updated_at: AwareDatetime
    deleted_at: AwareDatetime | None = None
    body: dict[str, Any]


class LogFile(Strict):
    """The whole log, or a part of it. Photos lie beside it, in ``photos``, each by its key as a JPEG."""

    format: Literal["gentle-crust-log"] = "gentle-crust-log"
    version: int = VERSION
    made_at: datetime
    kitchen: Name
    bakes: list[BakeFile]
    formulas: list[FormulaFile]
    trials: list[TrialFile]
    photos: list[Key]
