"""What every room's blueprint needs."""

from flask import Response, current_app, g
from pydantic import BaseModel

from gentle_crust.kitchen.now import Now
from gentle_crust.kitchen.work import Work


def answer(model: BaseModel) -> Response:
    """A model as a JSON response."""
    return Response(model.model_dump_json(), content_type="application/json")


def now() -> Now:
    """The moment that this request is answered for."""
    return work().now


def clock() -> Now:
    """The application's clock, which runs on."""
    found: Now = current_app.extensions["gentle_crust_now"]
    return found


def work() -> Work:
    """The request's unit of work: one session, one moment."""
    if "work" not in g:
        moment = clock()()
        g.work = Work(current_app.extensions["gentle_crust_store"], lambda: moment)
    found: Work = g.work
    return found
