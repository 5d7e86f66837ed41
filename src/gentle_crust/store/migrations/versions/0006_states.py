"""Earlier states of kitchen, pantry and plans, rows that were put away unread, and a culture's former picture."""

import sqlalchemy as sa
from alembic import op

from gentle_crust.store.columns import Instant

revision = "0006"
down_revision = "0005"
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Make the new tables."""
    op.create_table(
        "state",
        sa.Column("kind", sa.String(20), primary_key=True),
        sa.Column("subject", sa.String(60), primary_key=True),
        sa.Column("number", sa.Integer, primary_key=True),
        sa.Column("body", sa.JSON, nullable=False),
        sa.Column("saved_at", Instant, nullable=False),
    )
    op.create_table(
        "set_aside",
        sa.Column("place", sa.String(30), primary_key=True),
        sa.Column("key", sa.String(200), primary_key=True),
        sa.Column("body", sa.JSON, nullable=False),
        sa.Column("put_away_at", Instant, nullable=False),
    )
    op.create_table(
        "culture_photo_former",
        sa.Column("culture_id", sa.String(36), sa.ForeignKey("culture.id"), primary_key=True),
        sa.Column("content_type", sa.String(30), nullable=False),
        sa.Column("data", sa.LargeBinary, nullable=False),
        sa.Column("taken_at", Instant, nullable=False),
    )


def downgrade() -> None:
    """There is no way back: an older program knows no earlier states."""
    raise NotImplementedError("go back to the copy that was taken before this change")
