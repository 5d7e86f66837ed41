"""Cultures and their pictures."""

import sqlalchemy as sa
from alembic import op

from gentle_crust.store.columns import Instant

revision = "0004"
down_revision = "0003"
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Make the new tables; what happens to a culture goes into the table of events."""
    op.create_table(
        "culture",
        sa.Column("id", sa.String(36), primary_key=True),
        sa.Column("body", sa.JSON, nullable=False),
        sa.Column("created_at", Instant, nullable=False),
        sa.Column("updated_at", Instant, nullable=False),
        sa.Column("deleted_at", Instant),
    )
    op.create_table(
        "culture_photo",
        sa.Column("culture_id", sa.String(36), sa.ForeignKey("culture.id"), primary_key=True),
        sa.Column("content_type", sa.String(30), nullable=False),
        sa.Column("data", sa.LargeBinary, nullable=False),
        sa.Column("taken_at", Instant, nullable=False),
    )
    there = {column["name"] for column in sa.inspect(op.get_bind()).get_columns("event")}
    if "subject" not in there:  # the first events of all knew no subject
        with op.batch_alter_table("event") as table:
            table.add_column(sa.Column("subject", sa.String(60), nullable=False, server_default=""))
            table.create_index("ix_event_subject", ["subject"])
    op.create_index("ix_event_subject_at", "event", ["subject", "at"])


def downgrade() -> None:
    """There is no way back: an older program knows no cultures."""
    raise NotImplementedError("go back to the copy that was taken before this change")
