"""Every saved change of a formula is kept."""

import sqlalchemy as sa
from alembic import op

from gentle_crust.store.columns import Instant

revision = "0002"
down_revision = "0001"
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Make the table of versions; what each formula says today is its first."""
    op.create_table(
        "formula_version",
        sa.Column("formula_id", sa.String(36), sa.ForeignKey("formula.id"), primary_key=True),
        sa.Column("number", sa.Integer, primary_key=True),
        sa.Column("body", sa.JSON, nullable=False),
        sa.Column("name", sa.String(80), nullable=False),
        sa.Column("saved_at", Instant, nullable=False),
    )
    op.execute(
        "INSERT INTO formula_version (formula_id, number, body, name, saved_at) "
        "SELECT id, 1, body, '', updated_at FROM formula"
    )


def downgrade() -> None:
    """Forget all versions but what each formula says today."""
    op.drop_table("formula_version")
