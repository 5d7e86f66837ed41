"""Alembic's entry: runs on the connection that the program hands over, inside its transaction."""

from alembic import context

from gentle_crust.store.models import Base

context.configure(
    connection=context.config.attributes["connection"], target_metadata=Base.metadata, render_as_batch=True
)
context.run_migrations()
