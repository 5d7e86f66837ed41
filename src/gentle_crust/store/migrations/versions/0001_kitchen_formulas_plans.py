"""Kitchen, formulas and plans."""

import sqlalchemy as sa
from alembic import op

from gentle_crust.store.columns import Instant

revision = "0001"
down_revision = None
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Make the first tables."""
    op.create_table(
        "kitchen",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("body", sa.JSON, nullable=False),
        sa.Column("updated_at", Instant, nullable=False),
    )
    op.create_table(
        "formula",
        sa.Column("id", sa.String(36), primary_key=True),
        sa.Column("body", sa.JSON, nullable=False),
        sa.Column("created_at", Instant, nullable=False),
        sa.Column("updated_at", Instant, nullable=False),
        sa.Column("deleted_at", Instant),
    )
    op.create_table(
        "plan",
        sa.Column("id", sa.String(36), primary_key=True),
        sa.Column("formula_id", sa.String(36), sa.ForeignKey("formula.id"), nullable=False, index=True),
        sa.Column("formula", sa.JSON, nullable=False),
        sa.Column("asked", sa.JSON, nullable=False),
        sa.Column("shown", sa.JSON, nullable=False),
        sa.Column("engine", sa.String(20), nullable=False),
        sa.Column("ready", Instant, nullable=False, index=True),
        sa.Column("created_at", Instant, nullable=False),
        sa.Column("updated_at", Instant, nullable=False),
        sa.Column("deleted_at", Instant),
    )


def downgrade() -> None:
    """Take them away again."""
    for table in ("plan", "formula", "kitchen"):
        op.drop_table(table)
