"""Formulas of several preferments and any yeast; the pantry; what happens in the kitchen."""

import json
from typing import Any

import sqlalchemy as sa
from alembic import op

from gentle_crust.store.columns import Instant

revision = "0003"
down_revision = "0002"
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Write every kept formula in the newer form, and make the new tables."""
    for table, column, keys in (
        ("formula", "body", ("id",)),
        ("formula_version", "body", ("formula_id", "number")),
        ("plan", "formula", ("id",)),
    ):
        _rewrite(table, column, keys)
    op.create_table(
        "pantry",
        sa.Column("id", sa.Integer, primary_key=True),
        sa.Column("body", sa.JSON, nullable=False),
        sa.Column("updated_at", Instant, nullable=False),
    )
    op.create_table(
        "event",
        sa.Column("id", sa.String(60), primary_key=True),
        sa.Column("kind", sa.String(30), nullable=False, index=True),
        sa.Column("subject", sa.String(60), nullable=False, index=True),
        sa.Column("at", Instant, nullable=False, index=True),
        sa.Column("body", sa.JSON, nullable=False),
    )


def _rewrite(table: str, column: str, keys: tuple[str, ...]) -> None:
    connection = op.get_bind()
    rows = connection.exec_driver_sql(f"SELECT {', '.join(keys)}, {column} FROM {table}").fetchall()  # noqa: S608
    for row in rows:
        body = json.dumps(_newer(json.loads(row[-1])))
        where = " AND ".join(f"{key} = ?" for key in keys)
        connection.exec_driver_sql(f"UPDATE {table} SET {column} = ? WHERE {where}", (body, *row[:-1]))  # noqa: S608


def _newer(body: dict[str, Any]) -> dict[str, Any]:
    """One preferment becomes a list of them, instant yeast a yeast of some kind."""
    if "preferment" in body:
        one = body.pop("preferment")
        body["preferments"] = [] if one is None else [one]
    if "instant_yeast_percent" in body:
        body["yeast_percent"] = body.pop("instant_yeast_percent")
    return body


def downgrade() -> None:
    """There is no way back: a formula of several preferments has no older form."""
    raise NotImplementedError("go back to the copy that was taken before this change")
