"""Refusals as RFC 9457 problem+json: the field's path, the sentence and the remedy; never the input itself."""

import json
from typing import Any

from flask import Response
from pydantic import BaseModel, ValidationError

from gentle_crust.core.errors import CraftError

TYPE = "application/problem+json"


class ProblemField(BaseModel):
    """One field that was refused."""

    field: str
    sentence: str
    remedy: str


class ProblemDocument(BaseModel):
    """A refusal."""

    type: str = "about:blank"
    title: str
    status: int
    detail: str
    errors: list[ProblemField] = []


def document(status: int, title: str, errors: list[ProblemField], detail: str = "") -> dict[str, Any]:
    """The body of a refusal; without ``detail``, the first field's sentence and remedy."""
    text = detail or " ".join(f"{error.sentence} {error.remedy}".strip() for error in errors[:1])
    return ProblemDocument(title=title, status=status, detail=text, errors=errors).model_dump()


def respond(status: int, title: str, errors: list[ProblemField], detail: str = "") -> Response:
    """A refusal as a response."""
    return Response(json.dumps(document(status, title, errors, detail)), status=status, content_type=TYPE)


def of_craft(error: CraftError) -> list[ProblemField]:
    """The field that the craft refused."""
    return [ProblemField(field=error.field, sentence=error.sentence, remedy=error.remedy)]


_WORDS = {
    "missing": ("is missing.", "Give it."),
    "extra_forbidden": ("is not a field I know.", "Leave it out, or check its spelling."),
    "string_too_long": ("is too long.", "Shorten it."),
    "model_type": ("is not an object.", "Send a JSON object."),
    "model_attributes_type": ("is not a JSON object.", "Send a JSON object."),
    "dataclass_type": ("is not an object.", "Send a JSON object."),
    "finite_number": ("is not a number.", "Give a plain number."),
}


def of_validation(error: ValidationError) -> list[ProblemField]:
    """Wrong shapes, in words: what is missing, unknown, or not of its kind."""
    found = []
    for item in error.errors(include_input=False, include_url=False):
        path = ".".join(str(part) for part in item["loc"]) or "body"
        words, remedy = _WORDS.get(item["type"], ("", ""))
        if not words:
            words = f"is not right: {item['msg'][0].lower()}{item['msg'][1:]}."
            remedy = "Correct it."
        found.append(ProblemField(field=path, sentence=f"{path} {words}", remedy=remedy))
    return found


def on_validation(error: ValidationError) -> Response:
    """What the API answers to a body of the wrong shape."""
    return respond(422, "That cannot be read", of_validation(error))
