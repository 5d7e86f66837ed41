"""What every room's blueprint needs."""

from typing import Any

from flask import Response, current_app
from pydantic import BaseModel

from gentle_crust.kitchen.now import Now


def answer(model: BaseModel) -> Response:
    """A model as a JSON response."""
    return Response(model.model_dump_json(), content_type="application/json")


def now() -> Now:
    """The application's clock."""
    found: Now = current_app.extensions["gentle_crust_now"]
    return found


def sessions() -> Any:
    """Sessions on the application's store."""
    return current_app.extensions["gentle_crust_store"]
