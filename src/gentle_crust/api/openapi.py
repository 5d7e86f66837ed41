"""Prints the API's description, docs/openapi.json; with --limits the core's limits as the fields read them."""

import json
import sys
from datetime import UTC, datetime
from pathlib import Path
from tempfile import TemporaryDirectory
from typing import Any

from gentle_crust.api.app import create_app
from gentle_crust.api.refusals import DESCRIBED, TYPE
from gentle_crust.contract.problem import ChangedDocument, ProblemDocument
from gentle_crust.core.limits import all_limits
from gentle_crust.store.database import open_store


def description() -> str:
    """The OpenAPI document as text, keys sorted."""
    with TemporaryDirectory() as folder:
        app = create_app(open_store(Path(folder)), lambda: datetime(2026, 1, 1, tzinfo=UTC))
        return json.dumps(_with_refusals(app.api_doc), indent=1, sort_keys=True) + "\n"


def _with_refusals(document: dict[str, Any]) -> dict[str, Any]:
    """Every operation with what it may refuse, and as what."""
    schemas = document["components"]["schemas"]
    for model in (ProblemDocument, ChangedDocument):
        schema = model.model_json_schema(ref_template="#/components/schemas/{model}")
        schemas |= schema.pop("$defs", {})
        schemas[model.__name__] = schema
    for path, operations in document["paths"].items():
        for method, operation in operations.items():
            refused = {"422", "500", "503"}
            refused |= {"404"} if "{" in path else set()
            refused |= {"409", "413", "507"} if method in ("put", "post", "delete") else set()
            operation["responses"] |= {status: DESCRIBED[status] for status in sorted(refused)}
            if "409" in refused:
                kinds = [{"$ref": f"#/components/schemas/{name}"} for name in ("ChangedDocument", "ProblemDocument")]
                said = operation["responses"]["409"]["description"]
                operation["responses"]["409"] = {
                    "description": said, "content": {TYPE: {"schema": {"anyOf": kinds}}}
                }  # fmt: skip
    return document


def limits() -> str:
    """The core's limits as a module of the front end."""
    lines = [
        f"  {name}: {{ low: {limit.low:.10g}, high: {limit.high:.10g} }},"
        for name, limit in sorted(all_limits().items())
    ]
    head = "/* The core's limits, as `python -m gentle_crust.api.openapi --limits` prints them. */"
    return "\n".join([head, "export const limits = {", *lines, "} as const"]) + "\n"


if __name__ == "__main__":
    print(limits() if "--limits" in sys.argv else description(), end="")
