"""Prints the API's description; docs/openapi.json is its output."""

import json
from datetime import UTC, datetime
from pathlib import Path
from tempfile import TemporaryDirectory

from gentle_crust.api.app import create_app
from gentle_crust.store.database import open_store


def description() -> str:
    """The OpenAPI document as text, keys sorted."""
    with TemporaryDirectory() as folder:
        app = create_app(open_store(Path(folder)), lambda: datetime(2026, 1, 1, tzinfo=UTC))
        return json.dumps(app.api_doc, indent=1, sort_keys=True) + "\n"


if __name__ == "__main__":
    print(description(), end="")
