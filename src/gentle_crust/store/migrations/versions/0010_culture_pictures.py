"""Several pictures of a culture, each under its own key; the one before the last change is one that was taken away."""

import sqlalchemy as sa
from alembic import op

from gentle_crust.store.columns import Instant

revision = "0010"
down_revision = "0009"
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Make the new table, fill it from the old ones, and drop them."""
    op.create_table(
        "culture_picture",
        sa.Column("id", sa.String(60), primary_key=True),
        sa.Column("culture_id", sa.String(36), sa.ForeignKey("culture.id"), nullable=False, index=True),
        sa.Column("content_type", sa.String(30), nullable=False),
        sa.Column("data", sa.LargeBinary, nullable=False),
        sa.Column("taken_at", Instant, nullable=False),
        sa.Column("removed_at", Instant),
    )
    op.execute(
        "INSERT INTO culture_picture (id, culture_id, content_type, data, taken_at, removed_at) "
        "SELECT culture_id || '-1', culture_id, content_type, data, taken_at, NULL FROM culture_photo"
    )
    op.execute(
        "INSERT INTO culture_picture (id, culture_id, content_type, data, taken_at, removed_at) "
        "SELECT culture_id || '-0', culture_id, content_type, data, taken_at, taken_at FROM culture_photo_former"
    )
    for old in ("culture_photo", "culture_photo_former"):
        op.drop_table(old)


def downgrade() -> None:
    """There is no way back: an older program knows one picture of a culture."""
    raise NotImplementedError("go back to the copy that was taken before this change")
