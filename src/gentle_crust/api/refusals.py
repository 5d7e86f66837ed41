"""Refusals over HTTP: problem+json responses."""

import json

from flask import Response
from pydantic import ValidationError

from gentle_crust.problem import ProblemField, document, of_validation

TYPE = "application/problem+json"


def respond(status: int, title: str, errors: list[ProblemField], detail: str = "") -> Response:
    """A refusal as a response."""
    return Response(json.dumps(document(status, title, errors, detail)), status=status, content_type=TYPE)


def on_validation(error: ValidationError) -> Response:
    """What the API answers to a body of the wrong shape."""
    return respond(422, "That cannot be read", of_validation(error))
