"""Columns beside documents, so that lists, filters and pages are SQL: of bakes, of plans and their steps, of formulas.

Also the devices that were let in, and how far what is done bit by bit has come.

They are filled from the documents when the program starts.
"""

import sqlalchemy as sa
from alembic import op

from gentle_crust.store.columns import Instant

revision = "0007"
down_revision = "0006"
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Make the new tables, columns and indexes."""
    op.create_table(
        "bake",
        sa.Column("id", sa.String(36), primary_key=True),
        sa.Column("name", sa.String(80), nullable=False),
        sa.Column("pieces", sa.Integer, nullable=False),
        sa.Column("started", Instant, nullable=False),
        sa.Column("out", Instant),
        sa.Column("leaves", Instant, nullable=False),
        sa.Column("stopped", sa.Boolean, nullable=False),
        sa.Column("how", sa.String(10), nullable=False),
        sa.Column("as_judged", sa.Boolean),
        sa.Column("notes", sa.Integer, nullable=False),
        sa.Column("photos", sa.Integer, nullable=False),
        sa.Column("latest", Instant, nullable=False),
        sa.Column("rule", sa.Integer, nullable=False),
    )
    op.create_index("ix_bake_leaves", "bake", ["leaves"])
    op.create_index("ix_bake_latest", "bake", ["latest", "id"])
    op.create_index("ix_bake_as_judged", "bake", ["as_judged"])
    op.create_index("ix_bake_rule", "bake", ["rule"])
    op.create_table(
        "plan_step",
        sa.Column("plan_id", sa.String(36), sa.ForeignKey("plan.id", ondelete="CASCADE"), primary_key=True),
        sa.Column("number", sa.Integer, primary_key=True),
        sa.Column("kind", sa.String(30), nullable=False),
        sa.Column("title", sa.String(120), nullable=False),
        sa.Column("at", Instant, nullable=False),
        sqlite_with_rowid=False,
    )
    op.create_index("ix_plan_step_at", "plan_step", ["at", "plan_id"])
    op.create_table(
        "mark",
        sa.Column("name", sa.String(40), primary_key=True),
        sa.Column("at", Instant, nullable=False),
    )
    op.create_table(
        "device",
        sa.Column("id", sa.String(36), primary_key=True),
        sa.Column("token", sa.String(64), nullable=False, unique=True),
        sa.Column("name", sa.String(60), nullable=False),
        sa.Column("signed_in", Instant, nullable=False),
        sa.Column("seen", Instant, nullable=False),
        sa.Column("revoked", Instant),
    )
    for name, kind in (("name", sa.String(80)), ("pieces", sa.Integer), ("begins", Instant)):
        op.add_column("plan", sa.Column(name, kind))
    op.add_column("plan", sa.Column("rule", sa.Integer, nullable=False, server_default="0"))
    op.create_index("ix_plan_rule", "plan", ["rule"])
    op.drop_index("ix_plan_ready", "plan")
    op.create_index("ix_plan_ready", "plan", ["ready", "id"], sqlite_where=sa.text("deleted_at IS NULL"))
    op.add_column("formula", sa.Column("name", sa.String(80)))
    op.add_column("formula", sa.Column("line", sa.JSON))
    op.add_column("formula", sa.Column("rule", sa.Integer, nullable=False, server_default="0"))
    op.create_index("ix_formula_rule", "formula", ["rule"])
    op.create_index("ix_formula_order", "formula", ["created_at", "id"], sqlite_where=sa.text("deleted_at IS NULL"))
    op.drop_index("ix_event_subject", "event")
    op.drop_index("ix_event_at", "event")


def downgrade() -> None:
    """There is no way back: an older program would leave the new columns behind."""
    raise NotImplementedError("go back to the copy that was taken before this change")
