"""How a bake is drawn in a list, and its loaf: filled when the program starts."""

import sqlalchemy as sa
from alembic import op

revision = "0008"
down_revision = "0007"
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Make the new columns."""
    op.add_column("bake", sa.Column("drawn", sa.JSON))
    op.add_column("bake", sa.Column("loaf", sa.JSON))
    op.add_column("bake", sa.Column("liked", sa.Integer))
    op.create_index("ix_bake_liked", "bake", ["liked"])
