"""The Flask application."""

import errno
from importlib.resources import files
from pathlib import Path

from flask import Response, send_from_directory
from flask_openapi import Info, OpenAPI
from sqlalchemy.exc import OperationalError
from sqlalchemy.orm import Session, sessionmaker
from werkzeug.exceptions import HTTPException

from gentle_crust import __version__, problem
from gentle_crust.api import guard, refusals
from gentle_crust.api.bench_room import bench
from gentle_crust.api.culture_room import cultures
from gentle_crust.api.formula_room import formulas
from gentle_crust.api.kitchen_room import kitchen
from gentle_crust.api.oven_room import oven
from gentle_crust.api.plan_room import plans
from gentle_crust.api.water_room import water
from gentle_crust.core.errors import CraftError
from gentle_crust.kitchen.now import Now
from gentle_crust.kitchen.photos import PhotoShelf
from gentle_crust.store.database import folder_of

LARGEST_REQUEST = 1_000_000
PAGES = Path(str(files("gentle_crust") / "web"))


def create_app(
    sessions: sessionmaker[Session], now: Now, listening: str = "127.0.0.1", passcode: str | None = None
) -> OpenAPI:
    """The application on an open store; ``listening`` is the address it will be served at."""
    app = OpenAPI(
        "gentle_crust",
        info=Info(title="Gentle Crust", version=__version__),
        validation_error_callback=refusals.on_validation,
        validation_error_model=problem.ProblemDocument,
        doc_ui=False,
        static_folder=None,
    )
    app.config["MAX_CONTENT_LENGTH"] = LARGEST_REQUEST
    app.extensions["gentle_crust_store"] = sessions
    app.extensions["gentle_crust_now"] = now
    app.extensions["gentle_crust_photos"] = PhotoShelf(folder_of(sessions))
    guard.protect(app, listening, passcode)
    for blueprint in (kitchen, formulas, plans, water, cultures, bench, oven):
        app.register_api(blueprint)
    _answer_refusals(app)
    _serve_pages(app)
    return app


def _answer_refusals(app: OpenAPI) -> None:
    @app.errorhandler(CraftError)
    def craft(error: CraftError) -> Response:
        status = 404 if error.field in ("id",) else 422
        return refusals.respond(status, "That cannot be baked", problem.of_craft(error))

    @app.errorhandler(OperationalError)
    def store(error: OperationalError) -> Response:
        said = str(error.orig).lower()
        full = "full" in said or "disk" in said
        detail = (
            "The disk is full: nothing was saved. Make room, then press again."
            if full
            else "The data file is held by another program: nothing was saved. Try again in a moment."
        )
        return refusals.respond(507 if full else 503, "Not saved", [], detail)

    @app.errorhandler(OSError)
    def disk(error: OSError) -> Response:
        if error.errno not in (errno.ENOSPC, errno.EDQUOT):
            return unforeseen(error)
        return refusals.respond(507, "Not saved", [], "The disk is full: nothing was saved. Make room, then try again.")

    @app.errorhandler(HTTPException)
    def http(error: HTTPException) -> Response:
        too_large = "That is too much for this program: a megabyte at most, a photo 12."
        detail = too_large if error.code == 413 else (error.description or error.name)
        return refusals.respond(error.code or 500, error.name, [], detail)

    @app.errorhandler(Exception)
    def unforeseen(error: Exception) -> Response:
        app.logger.exception("unforeseen")
        return refusals.respond(500, "Something broke", [], "The program failed here; nothing was saved. Try again.")


def _serve_pages(app: OpenAPI) -> None:
    def page(name: str = "index.html") -> Response:
        """A file of the built front end, or its first page for a room's address."""
        if name.startswith("api/"):
            return refusals.respond(404, "Not Found", [], "There is nothing at this address.")
        if not (PAGES / name).is_file():
            if "." in name.rsplit("/", 1)[-1]:
                return refusals.respond(404, "Not Found", [], "There is no such file.")
            name = "index.html"
        response = send_from_directory(PAGES, name)
        lasting = name.startswith("assets/")
        response.headers["Cache-Control"] = "public, max-age=31536000, immutable" if lasting else "no-cache"
        return response

    app.add_url_rule("/", "page", page)
    app.add_url_rule("/<path:name>", "page", page)
