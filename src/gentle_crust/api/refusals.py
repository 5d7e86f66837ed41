"""Refusals over HTTP: problem+json responses, and what each kind of error answers."""

import errno
import json
import logging

from flask import Flask, Response, g
from pydantic import ValidationError
from sqlalchemy.exc import DatabaseError, OperationalError
from werkzeug.exceptions import HTTPException

from gentle_crust.api.common import reading, said
from gentle_crust.contract.conflict import ChangedMeanwhile
from gentle_crust.contract.problem import ChangedDocument, ProblemField, document, of_craft, of_validation
from gentle_crust.core.errors import Conflict, CraftError, NotFound
from gentle_crust.store.database import CannotOpen

TYPE = "application/problem+json"
LOG = logging.getLogger(__name__)
RESPONSES = {
    404: ("Not here", "Nothing lies under that key."),
    409: ("Conflict", "Somebody else changed it, or it is under way already."),
    413: ("Too large", "More was sent than is taken."),
    422: ("That cannot be baked", "A field is wrong; the sentence says which and what to do."),
    500: ("Something broke", "The program failed; it is logged under the request's number."),
    503: ("Held", "The data file is held by another program."),
    507: ("Not saved", "The disk is full."),
}
"""Titles, and what the description of the API says of every refusal."""
DESCRIBED = {
    str(status): {"description": words, "content": {TYPE: {"schema": {"$ref": "#/components/schemas/ProblemDocument"}}}}
    for status, (_, words) in RESPONSES.items()
}
TOO_LARGE = "That is too much for this program: a megabyte at most, a photo 12, a culture's file 16."
FULL = "The disk is full: nothing was saved. Make room, then press again."
HELD = "The data file is held by another program: nothing was saved. Try again in a moment."
DAMAGED = (
    "The data file is damaged. Stop the program, look with `gentle-crust check`, and bring back the newest copy with"
    " `gentle-crust restore`."
)


def respond(status: int, title: str, errors: list[ProblemField], detail: str = "") -> Response:
    """A refusal as a response; it carries the request's number, which the log knows too."""
    body = document(status, title, errors, detail)
    if number := g.get("request_id"):
        body["instance"] = f"urn:request:{number}"
    return Response(json.dumps(body), status=status, content_type=TYPE)


def on_validation(error: ValidationError) -> Response:
    """What the API answers to a body of the wrong shape."""
    return respond(422, "That cannot be read", of_validation(error))


def status_of(error: CraftError) -> int:
    """The status of a refusal of the craft."""
    if isinstance(error, NotFound):
        return 404
    return 409 if isinstance(error, Conflict) else 422


def answer_errors(app: Flask) -> None:
    """Give every error its answer."""

    @app.errorhandler(ChangedMeanwhile)
    def changed(error: ChangedMeanwhile) -> Response:
        found = ChangedDocument(
            title=RESPONSES[409][0],
            status=409,
            detail=str(said(error.what)),
            errors=of_craft(error, reading()),
            etag=error.etag,
            fields=list(error.fields),
        )
        return Response(found.model_dump_json(), status=409, content_type=TYPE)

    @app.errorhandler(CraftError)
    def craft(error: CraftError) -> Response:
        status = status_of(error)
        return respond(status, RESPONSES[status][0], of_craft(error, reading()))

    @app.errorhandler(CannotOpen)
    def closed(error: CannotOpen) -> Response:
        return respond(409, RESPONSES[409][0], [], str(error))

    @app.errorhandler(DatabaseError)
    def store(error: DatabaseError) -> Response:
        said = _said(error)
        if "full" in said or "disk i/o" in said:
            return respond(507, RESPONSES[507][0], [], FULL)
        if isinstance(error, OperationalError) and ("locked" in said or "busy" in said):
            return respond(503, RESPONSES[503][0], [], HELD)
        if "malformed" in said or "not a database" in said:
            LOG.exception("the data file is damaged")
            return respond(500, "The data file is damaged", [], DAMAGED)
        return unforeseen(error)

    @app.errorhandler(OSError)
    def disk(error: OSError) -> Response:
        if error.errno not in (errno.ENOSPC, errno.EDQUOT):
            return unforeseen(error)
        return respond(507, RESPONSES[507][0], [], FULL)

    @app.errorhandler(HTTPException)
    def http(error: HTTPException) -> Response:
        detail = TOO_LARGE if error.code == 413 else (error.description or error.name)
        return respond(error.code or 500, error.name, [], detail)

    @app.errorhandler(Exception)
    def unforeseen(error: Exception) -> Response:
        number = g.get("request_id", "")
        LOG.exception("request %s failed", number)
        kept = "What was sent is kept all the same." if _kept() else "Nothing of it was kept."
        return respond(
            500, RESPONSES[500][0], [], f"The program failed over this. {kept} It is logged as request {number}."
        )


def _kept() -> bool:
    """Whether this request kept something before it failed."""
    return "work" in g and g.work.commits > 0


def _said(error: BaseException | None) -> str:
    """What the database said, with what led to it: the first failure may lie behind others."""
    found = []
    while error is not None:
        found.append(str(error.orig if isinstance(error, DatabaseError) else error).lower())
        error = error.__cause__ or error.__context__
    return " ".join(found)
