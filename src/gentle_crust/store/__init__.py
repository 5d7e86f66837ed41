"""What is kept: SQLite through SQLAlchemy, its schema by Alembic."""
