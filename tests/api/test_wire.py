"""What goes over the wire: packed for whoever takes it so, whole when unpacked; and what a start loads."""

import gzip
import re
import subprocess
import sys

import pytest

from gentle_crust import demo
from gentle_crust.api.app import PAGES
from gentle_crust.api.compression import LEAST_BYTES

SCRIPT = next(path.name for path in (PAGES / "assets").glob("frame-*.js"))
HEADERS = ("Content-Security-Policy", "X-Content-Type-Options", "Referrer-Policy", "Cross-Origin-Opener-Policy",
           "Cross-Origin-Resource-Policy", "Permissions-Policy", "X-Frame-Options")  # fmt: skip


def asked(client, path, encodings=""):
    return client.get(path, headers={"Accept-Encoding": encodings})


@pytest.mark.parametrize(
    ("takes", "gets"), [("br, gzip", "br"), ("gzip", "gzip"), ("gzip, br;q=0", "gzip"), ("", None)]
)
def test_a_script_comes_packed_as_it_is_taken_and_for_good(client, takes, gets):
    found = asked(client, f"/assets/{SCRIPT}", takes)
    assert found.status_code == 200 and found.headers.get("Content-Encoding") == gets
    assert found.mimetype in ("text/javascript", "application/javascript")
    assert "Accept-Encoding" in found.headers["Vary"] and "immutable" in found.headers["Cache-Control"]
    whole = (PAGES / "assets" / SCRIPT).read_bytes()
    assert len(found.data) < len(whole) / 2 if gets else found.data == whole
    if gets == "gzip":
        assert gzip.decompress(found.data) == whole


def test_every_text_of_the_build_has_its_packed_forms():
    texts = [path for path in PAGES.rglob("*") if path.suffix in (".js", ".css", ".html", ".svg")]
    assert len(texts) > 20
    for path in texts:
        assert path.with_name(path.name + ".br").is_file()
        assert gzip.decompress(path.with_name(path.name + ".gz").read_bytes()) == path.read_bytes()


@pytest.mark.parametrize("path", ["/api/cultures", f"/api/plans/{demo.TOMORROW_PLAN}", "/api/formulas"])
def test_long_answers_are_packed_and_say_the_same(client, path):
    plain, packed = asked(client, path), asked(client, path, "gzip")
    assert packed.headers["Content-Encoding"] == "gzip" and len(packed.data) < len(plain.data) / 2
    assert gzip.decompress(packed.data) == plain.data and len(plain.data) > LEAST_BYTES


def test_short_answers_and_pictures_are_not(client):
    assert "Content-Encoding" not in asked(client, "/api/phone", "gzip").headers
    assert "Content-Encoding" not in asked(client, "/icon-180.png", "gzip, br").headers


@pytest.mark.parametrize("path", ["/", "/bench", "/api/kitchen", "/api/none", f"/assets/{SCRIPT}", "/sw.js", "/none.js",
                                  "/calendar/none.ics"])  # fmt: skip
def test_every_answer_has_every_header(client, path):
    found = client.get(path)
    assert [name for name in HEADERS if name not in found.headers] == []
    assert "unsafe-eval" not in found.headers["Content-Security-Policy"]


def test_the_worker_keeps_every_part_of_the_build_and_is_never_kept_itself(client):
    worker = client.get("/sw.js")
    assert worker.headers["Cache-Control"] == "no-cache" and worker.mimetype.endswith("javascript")
    kept = set(re.search(r"const ASSETS = \[(.*)\]", worker.text)[1].replace('"', "").split(","))
    wanted = {
        f"/assets/{path.name}" for path in (PAGES / "assets").iterdir() if path.suffix in (".js", ".css", ".woff2")
    }
    assert wanted <= kept and "/" in kept
    assert all(client.get(path).status_code == 200 for path in kept)
    assert client.get("/manifest.webmanifest").mimetype == "application/manifest+json"
    icons = client.get("/manifest.webmanifest").get_json(force=True)["icons"]
    assert all(client.get(icon["src"]).status_code == 200 for icon in icons)


def loads(code: str) -> set[str]:
    """Which large modules are loaded after some code."""
    told = "; print(*{name.split('.')[0] for name in __import__('sys').modules})"
    found = subprocess.run([sys.executable, "-c", code + told], capture_output=True, text=True, check=True)
    return set(found.stdout.splitlines()[-1].split())


def test_help_loads_nothing_large():
    code = "import contextlib, io\nwith contextlib.suppress(SystemExit), contextlib.redirect_stdout(io.StringIO()):\n"
    code += " __import__('gentle_crust.cli').cli.main(['--help'])\npass"
    assert loads(code) & {"numpy", "pydantic", "flask", "sqlalchemy", "scipy", "numba"} == set()


def test_a_start_loads_no_compiler_and_nothing_that_only_some_questions_need():
    found = loads("import gentle_crust.api.app")
    assert "flask" in found and found & {"numba", "scipy", "alembic", "pint", "llvmlite"} == set()
