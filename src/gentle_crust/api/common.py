"""What every room's blueprint needs."""

import os
import sys
from collections.abc import Iterable
from dataclasses import replace
from pathlib import Path

from flask import Response, current_app, g, request, send_file
from flask_openapi import APIBlueprint, Tag
from pydantic import BaseModel

from gentle_crust.contract.sentences import as_read
from gentle_crust.core.errors import Unreadable
from gentle_crust.core.messages import Message
from gentle_crust.interchange.calendar_file import Entry, calendar_file
from gentle_crust.kitchen.now import Now
from gentle_crust.kitchen.settings import reading_of
from gentle_crust.kitchen.work import Work
from gentle_crust.text.reading import Reading
from gentle_crust.text.render import Said, say

CHUNK = 1 << 20
DESCRIBED = sys.argv[0].endswith("openapi.py")
"""Whether this program was started to describe itself."""


def room(name: str) -> APIBlueprint:
    """A room of the API; its description is made only when it is asked for, which takes seconds."""
    return APIBlueprint(name, __name__, url_prefix="/api", abp_tags=[Tag(name=name)], doc_ui=DESCRIBED)


def answer(model: BaseModel, etag: str | None = None) -> Response:
    """A model as a JSON response; ``etag`` names the state that it tells."""
    found = Response(model.model_dump_json(context=as_read(reading)), content_type="application/json")
    if etag is not None:
        found.set_etag(etag)
    return found


def if_match() -> int | None:
    """The state that a change was made from, as the request names it; None if it names none."""
    named = request.headers.get("If-Match", "").removeprefix("W/").strip('" ')
    if not named or named == "*":
        return None
    if not named.isdecimal() or len(named) > 9:
        raise Unreadable("If-Match", "api-if-match-unreadable")
    return int(named)


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


def reading() -> Reading:
    """How the baker of this kitchen reads figures."""
    if "figures" not in g:
        g.figures = replace(reading_of(work()), language=current_app.config["LANGUAGE"])
    found: Reading = g.figures
    return found


def said(what: Message) -> Said:
    """What the core says, as the baker of this kitchen reads it."""
    return say(what, reading())


def as_calendar(entries: Iterable[Entry], name: str) -> Response:
    """Entries as a calendar file, said as the baker reads."""
    made = calendar_file(entries, "Gentle Crust", now()(), reading())
    headers = {"Content-Disposition": f'inline; filename="{name}.ics"'}
    return Response(made, content_type="text/calendar; charset=utf-8", headers=headers)


def sent_once(path: Path, name: str) -> Response:
    """A file that is thrown away as soon as it is open."""
    handle = path.open("rb")
    size = os.fstat(handle.fileno()).st_size
    path.unlink()
    path.parent.rmdir()
    found = send_file(handle, "application/zip", as_attachment=True, download_name=name)
    found.headers["Content-Length"] = str(size)
    return found


def received(target: Path) -> None:
    """Write a request's body into a file, piece by piece."""
    with target.open("wb") as file:
        while piece := request.stream.read(CHUNK):
            file.write(piece)
