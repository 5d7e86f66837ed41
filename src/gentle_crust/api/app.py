"""The Flask application."""

import uuid
from collections.abc import Callable
from contextlib import ExitStack
from importlib.resources import files
from mimetypes import add_type, guess_type
from pathlib import Path

from flask import Response, g, request, send_from_directory
from flask_openapi import Info, OpenAPI
from sqlalchemy.exc import DatabaseError
from sqlalchemy.orm import Session, sessionmaker
from werkzeug.routing import Rule

from gentle_crust import __version__
from gentle_crust.api import common, guard, refusals
from gentle_crust.api.bench_room import bench
from gentle_crust.api.compression import pack_answers, packed
from gentle_crust.api.course_room import courses
from gentle_crust.api.culture_room import cultures
from gentle_crust.api.door_room import entrance, secret_calendar
from gentle_crust.api.drill_room import drills
from gentle_crust.api.formula_room import formulas
from gentle_crust.api.keeping_room import keeping
from gentle_crust.api.kitchen_room import kitchen
from gentle_crust.api.learning_room import learning
from gentle_crust.api.log_room import log
from gentle_crust.api.oven_room import oven
from gentle_crust.api.plan_room import plans
from gentle_crust.api.water_room import water
from gentle_crust.config import config
from gentle_crust.contract import problem
from gentle_crust.contract.tidy import nested
from gentle_crust.kitchen.beside import catch_up
from gentle_crust.kitchen.now import Now
from gentle_crust.kitchen.photos import PhotoShelf
from gentle_crust.kitchen.removed import let_go
from gentle_crust.kitchen.work import Work
from gentle_crust.store.database import folder_of
from gentle_crust.text.page import ENGLISH, page_text

LARGEST_REQUEST = 1_000_000
DEEPEST = 40
"""So deep does nothing lie that this program takes."""
LARGEST_FILE = 64_000_000
"""What this program itself writes of a culture, it takes again."""
add_type("application/manifest+json", ".webmanifest")
PAGES = Path(str(files("gentle_crust") / "web"))


class Matched(Rule):
    """A rule by which addresses are read. None is ever written by it, so nothing is compiled for that."""

    def _compile_builder(self, append_unknown: bool = True) -> Callable[..., tuple[str, str]]:
        def written(rule: Rule, **values: object) -> tuple[str, str]:
            raise NotImplementedError(rule.rule)

        return written


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
    app.url_rule_class = Matched
    app.config["LANGUAGE"] = config().language
    app.config["MAX_CONTENT_LENGTH"] = LARGEST_REQUEST
    app.extensions["gentle_crust_store"] = sessions
    app.extensions["gentle_crust_now"] = now
    try:
        catch_up(Work(sessions, now))
        let_go(Work(sessions, now))
    except DatabaseError:
        app.logger.exception("what stands beside the documents cannot be brought up to date")
    app.extensions["gentle_crust_photos"] = PhotoShelf(folder_of(sessions))
    _one_work_a_request(app)
    pack_answers(app)
    guard.protect(app, listening, passcode)
    for blueprint in (
        kitchen,
        formulas,
        plans,
        water,
        cultures,
        bench,
        log,
        learning,
        drills,
        oven,
        courses,
        keeping,
        entrance,
    ):
        app.register_api(blueprint)
    app.add_url_rule("/calendar/<secret>.ics", "secret_calendar", secret_calendar)
    refusals.answer_errors(app)
    _serve_pages(app)
    return app


def _one_work_a_request(app: OpenAPI) -> None:
    @app.before_request
    def begin() -> None:
        g.request_id = uuid.uuid4().hex[:12]
        g.reading = ExitStack()
        if request.path.startswith("/api/cultures/") and request.path.endswith("/file"):
            request.max_content_length = LARGEST_FILE
        if request.path.startswith("/api/") and not request.path.startswith("/api/backup"):
            g.reading.enter_context(common.work().read())

    @app.before_request
    def bound() -> Response | None:
        if not request.is_json or not request.path.startswith("/api/"):
            return None
        if nested(request.get_data()) <= DEEPEST:
            return None
        said = problem.ProblemField(field="body", sentence="That JSON is nested too deep.", remedy="Send less at once.")
        return refusals.respond(422, "That cannot be read", [said])

    @app.after_request
    def name(response: Response) -> Response:
        response.headers["X-Request-Id"] = g.get("request_id", "")
        return response

    @app.teardown_request
    def end(_error: BaseException | None) -> None:
        if "reading" in g:
            g.pop("reading").close()


def _serve_pages(app: OpenAPI) -> None:
    def page(name: str = "index.html") -> Response:
        """A file of the built front end, or its first page for a room's address."""
        if name.startswith("api/"):
            return refusals.respond(404, "Not Found", [], "There is nothing at this address.")
        if not (PAGES / name).is_file():
            if "." in name.rsplit("/", 1)[-1]:
                return refusals.respond(404, "Not Found", [], "There is no such file.")
            name = "index.html"
        language = app.config["LANGUAGE"]
        if name == "index.html" and language != ENGLISH:
            text = (PAGES / name).read_text("utf-8").replace('lang="en"', f'lang="{language}"', 1)
            return Response(text, mimetype="text/html", headers={"Cache-Control": "no-cache"})
        sent, encoding = packed(PAGES, name)
        response = send_from_directory(PAGES, sent, mimetype=guess_type(name)[0])
        response.vary.add("Accept-Encoding")
        if encoding:
            response.headers["Content-Encoding"] = encoding
        lasting = name.startswith("assets/")
        response.headers["Cache-Control"] = "public, max-age=31536000, immutable" if lasting else "no-cache"
        return response

    def page_catalogue(language: str) -> Response:
        """What the page can say in a language other than English, which it brings along."""
        if language != app.config["LANGUAGE"]:
            return refusals.respond(404, "Not Found", [], "There is no such file.")
        return Response(page_text(language), mimetype="text/plain", headers={"Cache-Control": "no-cache"})

    app.add_url_rule("/words/<language>.ftl", "page_catalogue", page_catalogue)
    app.add_url_rule("/", "page", page)
    app.add_url_rule("/<path:name>", "page", page)
