"""What the log looks for and draws of a bake, and trials: filled when the program starts."""

import sqlalchemy as sa
from alembic import op

from gentle_crust.store.columns import Instant

revision = "0009"
down_revision = "0008"
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Make the new columns and the table of trials."""
    op.add_column("bake", sa.Column("formula_id", sa.String(36), nullable=False, server_default=""))
    op.add_column("bake", sa.Column("version", sa.Integer))
    op.add_column("bake", sa.Column("culture_id", sa.String(36), nullable=False, server_default=""))
    op.add_column("bake", sa.Column("words", sa.Text, nullable=False, server_default=""))
    op.add_column("bake", sa.Column("faults", sa.String(400), nullable=False, server_default=""))
    op.add_column("bake", sa.Column("figures", sa.JSON))
    op.add_column("bake", sa.Column("afterwards", sa.Boolean, nullable=False, server_default=sa.false()))
    op.add_column("bake", sa.Column("removed", Instant))
    op.create_index("ix_bake_formula", "bake", ["formula_id", "latest"])
    op.create_index("ix_bake_removed", "bake", ["removed"])
    op.create_table(
        "trial",
        sa.Column("id", sa.String(36), primary_key=True),
        sa.Column("formula_id", sa.String(36), nullable=False),
        sa.Column("bakes", sa.String(400), nullable=False),
        sa.Column("body", sa.JSON, nullable=False),
        sa.Column("created_at", Instant, nullable=False),
        sa.Column("updated_at", Instant, nullable=False),
        sa.Column("deleted_at", Instant),
    )
    op.create_index("ix_trial_formula", "trial", ["formula_id", "created_at"])
