"""The tables. Instants are UTC; documents are JSON as the core's dataclasses write themselves."""

from datetime import datetime
from typing import Any

from sqlalchemy import ForeignKey, Index, LargeBinary, String, Text, text
from sqlalchemy.orm import DeclarativeBase, Mapped, mapped_column

from gentle_crust.store.columns import Document, Instant


class Base(DeclarativeBase):
    """Base of all tables."""

    type_annotation_map = {datetime: Instant, dict[str, Any]: Document}


class KitchenRow(Base):
    """The kitchen's habits: one row."""

    __tablename__ = "kitchen"

    id: Mapped[int] = mapped_column(primary_key=True)
    body: Mapped[dict[str, Any]]
    updated_at: Mapped[datetime]


class FormulaRow(Base):
    """A formula. ``deleted_at`` set means put away: it can be brought back."""

    __tablename__ = "formula"

    id: Mapped[str] = mapped_column(String(36), primary_key=True)
    body: Mapped[dict[str, Any]]
    created_at: Mapped[datetime]
    updated_at: Mapped[datetime]
    deleted_at: Mapped[datetime | None]
    name: Mapped[str | None] = mapped_column(String(80))
    line: Mapped[dict[str, Any] | None]
    """What a list shows of it, read off ``body`` by rule number ``rule``."""
    rule: Mapped[int] = mapped_column(default=0, index=True)

    __table_args__ = (Index("ix_formula_order", "created_at", "id", sqlite_where=text("deleted_at IS NULL")),)


class VersionRow(Base):
    """One saved state of a formula. Never changed, only followed by another."""

    __tablename__ = "formula_version"

    formula_id: Mapped[str] = mapped_column(ForeignKey("formula.id"), primary_key=True)
    number: Mapped[int] = mapped_column(primary_key=True)
    body: Mapped[dict[str, Any]]
    name: Mapped[str] = mapped_column(String(80))
    saved_at: Mapped[datetime]


class PantryRow(Base):
    """The baker's own flours and prices: one row."""

    __tablename__ = "pantry"

    id: Mapped[int] = mapped_column(primary_key=True)
    body: Mapped[dict[str, Any]]
    updated_at: Mapped[datetime]


class EventRow(Base):
    """Something that happened in the kitchen. Never changed; the client makes the key, so a retry adds nothing."""

    __tablename__ = "event"

    id: Mapped[str] = mapped_column(String(60), primary_key=True)
    kind: Mapped[str] = mapped_column(String(30), index=True)
    subject: Mapped[str] = mapped_column(String(60), default="")
    """The key of what it is about, a plan for one; empty if it is about the kitchen."""
    at: Mapped[datetime]
    body: Mapped[dict[str, Any]]

    __table_args__ = (Index("ix_event_subject_at", "subject", "at"),)


class SampleRow(Base):
    """A figure that an instrument sent: its device, what it measures, and when by the kitchen's clock."""

    __tablename__ = "sample"

    device: Mapped[str] = mapped_column(String(60), primary_key=True)
    quantity: Mapped[str] = mapped_column(String(20), primary_key=True)
    at: Mapped[datetime] = mapped_column(primary_key=True)
    value: Mapped[float]

    __table_args__ = {"sqlite_with_rowid": False}


class InstrumentRow(Base):
    """What each instrument said last."""

    __tablename__ = "instrument"

    device: Mapped[str] = mapped_column(String(60), primary_key=True)
    quantity: Mapped[str] = mapped_column(String(20), primary_key=True)
    at: Mapped[datetime]
    value: Mapped[float]


class DeviceRow(Base):
    """A phone or another device that was let in with the passcode. Its token is kept as a hash alone."""

    __tablename__ = "device"

    id: Mapped[str] = mapped_column(String(36), primary_key=True)
    token: Mapped[str] = mapped_column(String(64), unique=True)
    name: Mapped[str] = mapped_column(String(60))
    signed_in: Mapped[datetime]
    seen: Mapped[datetime]
    revoked: Mapped[datetime | None]


class MarkRow(Base):
    """How far something that is done bit by bit has come."""

    __tablename__ = "mark"

    name: Mapped[str] = mapped_column(String(40), primary_key=True)
    at: Mapped[datetime]


class CultureRow(Base):
    """A culture that is kept. ``deleted_at`` set means put away: it can be brought back."""

    __tablename__ = "culture"

    id: Mapped[str] = mapped_column(String(36), primary_key=True)
    body: Mapped[dict[str, Any]]
    created_at: Mapped[datetime]
    updated_at: Mapped[datetime]
    deleted_at: Mapped[datetime | None]


class StateRow(Base):
    """A state in which the kitchen, the pantry or a plan once was, kept so that it can be had back and compared with.

    ``subject`` is a plan's key; empty for the kitchen and the pantry, of which there is one.
    """

    __tablename__ = "state"

    kind: Mapped[str] = mapped_column(String(20), primary_key=True)
    subject: Mapped[str] = mapped_column(String(60), primary_key=True)
    number: Mapped[int] = mapped_column(primary_key=True)
    body: Mapped[dict[str, Any]]
    saved_at: Mapped[datetime]


class SetAsideRow(Base):
    """A row that cannot be read and was put away: all that it holds, as text, by its table and its key there."""

    __tablename__ = "set_aside"

    place: Mapped[str] = mapped_column(String(30), primary_key=True)
    key: Mapped[str] = mapped_column(String(200), primary_key=True)
    body: Mapped[dict[str, Any]]
    put_away_at: Mapped[datetime]


class PictureRow(Base):
    """A picture of a culture; one that was taken away can be had back for a while."""

    __tablename__ = "culture_picture"

    id: Mapped[str] = mapped_column(String(60), primary_key=True)
    culture_id: Mapped[str] = mapped_column(ForeignKey("culture.id"), index=True)
    content_type: Mapped[str] = mapped_column(String(30))
    data: Mapped[bytes] = mapped_column(LargeBinary)
    taken_at: Mapped[datetime]
    removed_at: Mapped[datetime | None]


class PlanRow(Base):
    """A saved plan: what was asked, the formula as it was then, and the answer that was shown."""

    __tablename__ = "plan"

    id: Mapped[str] = mapped_column(String(36), primary_key=True)
    formula_id: Mapped[str] = mapped_column(ForeignKey("formula.id"), index=True)
    formula: Mapped[dict[str, Any]]
    asked: Mapped[dict[str, Any]]
    shown: Mapped[dict[str, Any]]
    engine: Mapped[str] = mapped_column(String(20))
    ready: Mapped[datetime]
    created_at: Mapped[datetime]
    updated_at: Mapped[datetime]
    deleted_at: Mapped[datetime | None]
    name: Mapped[str | None] = mapped_column(String(80))
    pieces: Mapped[int | None]
    begins: Mapped[datetime | None]
    rule: Mapped[int] = mapped_column(default=0, index=True)
    """The number of the rule by which name, pieces, beginning and steps were read off the documents; 0: not yet."""

    __table_args__ = (Index("ix_plan_ready", "ready", "id", sqlite_where=text("deleted_at IS NULL")),)


class PlanStepRow(Base):
    """A step of a saved plan, beside its document: what is next is looked up here."""

    __tablename__ = "plan_step"

    plan_id: Mapped[str] = mapped_column(ForeignKey("plan.id", ondelete="CASCADE"), primary_key=True)
    number: Mapped[int] = mapped_column(primary_key=True)
    kind: Mapped[str] = mapped_column(String(30))
    title: Mapped[str] = mapped_column(String(120))
    at: Mapped[datetime]

    __table_args__ = (Index("ix_plan_step_at", "at", "plan_id"), {"sqlite_with_rowid": False})


class BakeRow(Base):
    """A bake that was begun, beside its events: under its plan's key, read off them by rule number ``rule``."""

    __tablename__ = "bake"

    id: Mapped[str] = mapped_column(String(36), primary_key=True)
    name: Mapped[str] = mapped_column(String(80))
    pieces: Mapped[int]
    started: Mapped[datetime]
    out: Mapped[datetime | None]
    """When the last loaf came out, or it was stopped."""
    leaves: Mapped[datetime] = mapped_column(index=True)
    """Until when it is on the bench: FOR_EVER while nothing says when it leaves."""
    stopped: Mapped[bool]
    how: Mapped[str] = mapped_column(String(10))
    as_judged: Mapped[bool | None] = mapped_column(index=True)
    """Whether it came out as its proof was judged; None if it was not judged or not tasted."""
    notes: Mapped[int]
    photos: Mapped[int]
    drawn: Mapped[dict[str, Any] | None]
    """Its dough's way, thinned; None of one that is not over, or that has none."""
    loaf: Mapped[dict[str, Any] | None]
    """What was said of its loaf, as far as a list draws it."""
    liked: Mapped[int | None] = mapped_column(index=True)
    formula_id: Mapped[str] = mapped_column(String(36), default="")
    version: Mapped[int | None]
    """Of which version of its formula it was made."""
    culture_id: Mapped[str] = mapped_column(String(36), default="")
    words: Mapped[str] = mapped_column(Text, default="")
    """All that was written of it, to be searched."""
    faults: Mapped[str] = mapped_column(String(400), default="")
    """Codes of what its loaves' sheets show, each between blanks."""
    figures: Mapped[dict[str, Any] | None]
    """What it came to in figures; None of one that is not over."""
    afterwards: Mapped[bool] = mapped_column(default=False)
    """Whether it was entered when it was over."""
    removed: Mapped[datetime | None] = mapped_column(index=True)
    """When it was taken out of the log, from which it goes for good some weeks later."""
    latest: Mapped[datetime]
    """``out``, or ``started`` before that: the list's order."""
    rule: Mapped[int] = mapped_column(index=True)

    __table_args__ = (Index("ix_bake_latest", "latest", "id"), Index("ix_bake_formula", "formula_id", "latest"))

    def on_bench(self, now: datetime) -> bool:
        """Whether it is on the bench."""
        return now <= self.leaves


class TrialRow(Base):
    """Bakes, or parts of one, that are to differ in one thing. ``deleted_at`` set means put away."""

    __tablename__ = "trial"

    id: Mapped[str] = mapped_column(String(36), primary_key=True)
    formula_id: Mapped[str] = mapped_column(String(36))
    bakes: Mapped[str] = mapped_column(String(400))
    """Keys of its bakes, each between blanks."""
    body: Mapped[dict[str, Any]]
    created_at: Mapped[datetime]
    updated_at: Mapped[datetime]
    deleted_at: Mapped[datetime | None]

    __table_args__ = (Index("ix_trial_formula", "formula_id", "created_at"),)
