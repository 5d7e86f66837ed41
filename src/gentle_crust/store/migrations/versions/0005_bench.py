"""What instruments send: many small figures, apart from the events of people."""

import sqlalchemy as sa
from alembic import op

from gentle_crust.store.columns import Instant

revision = "0005"
down_revision = "0004"
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Make the table of samples, and that of what each instrument said last."""
    op.create_table(
        "instrument",
        sa.Column("device", sa.String(60), primary_key=True),
        sa.Column("quantity", sa.String(20), primary_key=True),
        sa.Column("at", Instant, nullable=False),
        sa.Column("value", sa.Float, nullable=False),
    )
    op.create_table(
        "sample",
        sa.Column("device", sa.String(60), primary_key=True),
        sa.Column("quantity", sa.String(20), primary_key=True),
        sa.Column("at", Instant, primary_key=True),
        sa.Column("value", sa.Float, nullable=False),
        sqlite_with_rowid=False,
    )


def downgrade() -> None:
    """There is no way back: an older program knows no instruments."""
    raise NotImplementedError("go back to the copy that was taken before this change")
