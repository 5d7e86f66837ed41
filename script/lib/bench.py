"""Measures what bakers would feel: forecasts, plans, the ribbon behind a slider, the first page."""

import io
import json
import platform
import re
import statistics
import subprocess
import sys
import tempfile
import time
import urllib.request
from contextlib import suppress
from datetime import UTC, datetime, timedelta
from pathlib import Path
from threading import Thread

import growth
import numpy as np
import slow_phone
from live import CHROMIUM, QUIET, serving
from PIL import Image
from playwright.sync_api import sync_playwright
from tests.crumbs import slice_of
from tests.recipes.modern import MODERN
from waitress import create_server

from gentle_crust import demo
from gentle_crust.api.app import create_app
from gentle_crust.core.culture.culture import Culture
from gentle_crust.core.culture.events import Event
from gentle_crust.core.culture.jar import Jar
from gentle_crust.core.culture.life import _lived
from gentle_crust.core.diagnosis.diagnose import diagnose
from gentle_crust.core.diagnosis.record import Record
from gentle_crust.core.fermentation.dough import Dough, FlourPart, makeup
from gentle_crust.core.fermentation.forecast import Stretch, forecast
from gentle_crust.core.oven.bake import Bake, bake
from gentle_crust.core.oven.equipment import Oven, Vessel
from gentle_crust.core.oven.kit import InVessel, OvenHeat, OvenStage, Preheat
from gentle_crust.core.oven.loaf import Loaf
from gentle_crust.core.oven.ranking import Way, rank
from gentle_crust.core.tables import rows as table_rows
from gentle_crust.interchange.crumb_photo import read_photo
from gentle_crust.interchange.recipe.whole import read
from gentle_crust.kitchen.cultures import CultureBook
from gentle_crust.kitchen.work import Work
from gentle_crust.store.database import open_store

FLOURS = ("strong_white", "very_strong_white", "plain_white", "whole_wheat", "rye", "whole_rye", "spelt", "durum")
ROOT = Path(__file__).parents[2]
REDRAWN = """key => new Promise(done => {
  const svg = document.querySelector('.ribbon svg')
  const seen = svg.innerHTML
  const begun = performance.now()
  document.activeElement.dispatchEvent(new KeyboardEvent('keydown', { key, code: key, bubbles: true }))
  const look = () => {
    const took = performance.now() - begun
    if (svg.innerHTML !== seen) done(took)
    else if (took > 3000) done(-1)
    else requestAnimationFrame(look)
  }
  look()
})"""
"""Presses a key on the focused slider and resolves with the milliseconds until the ribbon is another."""
WEB = ROOT / "src" / "gentle_crust" / "web"


def spread(times_ms: list[float]) -> tuple[float, float]:
    """Median and 95th percentile."""
    return statistics.median(times_ms), float(np.percentile(times_ms, 95))


def timed(count: int, act) -> tuple[float, float]:
    """Milliseconds of ``act(turn)`` over ``count`` turns, after one to warm up."""
    act(0)
    times = []
    for turn in range(count):
        begun = time.perf_counter()
        act(turn)
        times.append(1000 * (time.perf_counter() - begun))
    return spread(times)


def forecasts() -> tuple[float, float]:
    """A day's forecast with its band, through a cool night."""
    dough = Dough((FlourPart("strong_white", 900),), 630, 18, levain_g=180)
    path = (Stretch(6, 23, "covered_bowl"), Stretch(6, 20, "covered_bowl"), Stretch(12, 4, "banneton"))
    return timed(60, lambda turn: forecast(makeup(dough), 24 + turn % 3, path, (0.5, 0.75)))


def _post(address: str, asked: dict, path: str = "/api/plan") -> None:
    request = urllib.request.Request(  # noqa: S310 - our own loopback address
        f"{address}{path}", json.dumps(asked).encode(), {"Content-Type": "application/json"}
    )
    with urllib.request.urlopen(request) as answer:  # noqa: S310
        answer.read()


def plans(address: str) -> tuple[float, float]:
    """Plan answers over HTTP as a slider would ask for them: six formulas, two styles, a day of temperatures."""
    wishes = [
        {
            "formula_id": key,
            "ready": "2026-11-29T07:30",
            "style": style,
            "room_day_c": 20 + step / 2,
            "dough_c": 24 + step / 5,
        }
        for key in (
            "tidewater-country",
            "saltmarsh-spelt",
            "night-ferry-rye",
            "market-morning-baguette",
            "lamplighters-tin",
        )
        for style in ("cold_shaped", "room_steady")
        for step in range(12)
    ]
    return timed(len(wishes), lambda turn: _post(address, wishes[turn]))


EDITED = """() => new Promise(done => {
  const field = document.activeElement
  const shown = () => document.querySelector('.watch').textContent
  const seen = shown()
  const begun = performance.now()
  field.value = String(Number(field.value) + 0.5)
  field.dispatchEvent(new Event('input', { bubbles: true }))
  const look = () => {
    const took = performance.now() - begun
    if (shown() !== seen) done(took)
    else if (took > 3000) done(-1)
    else requestAnimationFrame(look)
  }
  look()
})"""
"""Writes into the focused field and resolves with the milliseconds until the weigh list is another."""


def _forty_ingredients(address: str) -> None:
    names = [f"Seed {number}" for number in range(1, 31)]
    formula = {
        "name": "Forty things",
        "flours": [{"kind": kind, "percent": 12.5} for kind in FLOURS],
        "hydration_percent": 78,
        "salt_percent": 2,
        "shape": "pan_loaf",
        "yeast_percent": 0.5,
        "preferments": [],
        "extras": [{"name": name, "kind": "seeds", "percent": 1} for name in names],
    }
    request = urllib.request.Request(  # noqa: S310 - our own loopback address
        f"{address}/api/formulas/forty",
        json.dumps(formula).encode(),
        {"Content-Type": "application/json"},
        method="PUT",
    )
    with urllib.request.urlopen(request) as answer:  # noqa: S310
        answer.read()


def editor(address: str) -> tuple[float, float]:
    """From a key in a formula of forty ingredients to its weigh list drawn anew, in the browser."""
    _forty_ingredients(address)
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=CHROMIUM, args=QUIET)
        page = browser.new_page(viewport={"width": 1280, "height": 800})
        page.goto(f"{address}/formulas")
        page.get_by_role("button", name="Forty things").click()
        page.get_by_role("button", name="Change it").click()
        page.get_by_role("table").last.wait_for()
        page.get_by_label("Seed 7 %").focus()
        times = []
        for _ in range(30):
            took = page.evaluate(EDITED)
            if took < 0:
                raise RuntimeError("the weigh list did not change")
            times.append(took)
            page.wait_for_timeout(60)
        browser.close()
    return spread(times[2:])


def slider(address: str) -> tuple[float, float]:
    """From a key on a slider to the ribbon drawn anew, in the browser."""
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=CHROMIUM, args=QUIET)
        page = browser.new_page(viewport={"width": 1280, "height": 800})
        page.goto(f"{address}/plan")
        page.wait_for_load_state("networkidle")
        page.locator("button.say", has_text="Kitchen").click()
        page.get_by_role("slider", name="By day").focus()
        times = []
        for turn in range(30):
            took = page.evaluate(REDRAWN, "ArrowRight" if turn % 6 < 3 else "ArrowLeft")
            if took < 0:
                raise RuntimeError("the ribbon did not change")
            times.append(took)
        browser.close()
    return spread(times[2:])


def thousand_feeds() -> tuple[float, float]:
    """A culture of a thousand feeds, each with a height and a note, opened over the API with nothing remembered."""
    now = datetime(2026, 11, 28, 6, 30, tzinfo=UTC)
    with tempfile.TemporaryDirectory() as scratch:
        sessions = open_store(Path(scratch) / "data")
        book = CultureBook(Work(sessions, lambda: now))
        book.save("old", Culture("Old", "strong_white", 100, Jar(300, 82, 150)))
        noted = {}
        for turn in range(1000):
            at = now - timedelta(hours=10 + 18 * turn)
            noted[f"f{turn}"] = (at, Event("", 0, "fed", 20, 60, 60, note="the usual"))
            noted[f"s{turn}"] = (at + timedelta(hours=7), Event("", 0, "seen", height_mm=55 + turn % 9, smell="mild"))
        book.add("old", noted)
        client = create_app(sessions, lambda: now).test_client()

        def opened(_: int) -> None:
            _lived.cache_clear()
            if client.get("/api/cultures/old").json["culture"]["events_in_all"] != 2000:
                raise RuntimeError("events are missing")

        took = timed(20, opened)
        sessions.kw["bind"].dispose()
    return took


def feeding(address: str) -> tuple[float, float]:
    """A wish for ripe levain answered over HTTP: on the counter, from tonight to the day after tomorrow."""
    hours = ("28T18:30", "29T08:30", "29T14:00", "29T19:30", "30T07:00")
    wishes = [{"needed_g": 80 + 40 * step, "at": f"2026-11-{hour}"} for hour in hours for step in range(6)]
    return timed(len(wishes), lambda turn: _post(address, wishes[turn], "/api/cultures/gull/feed"))


def a_bake() -> tuple[float, float]:
    """A bake of an hour, simulated."""
    loaves = [Loaf(800 + turn, 0.72, 22) for turn in range(41)]
    stages = (OvenStage(20, 245, True), OvenStage(40, 230))
    return timed(40, lambda turn: bake(Bake(loaves[turn], InVessel("stone"), OvenHeat(), Preheat(245, 50), stages)))


def ranking(address: str) -> tuple[float, float]:
    """Every vessel and way to steam of the demo's kitchen for one loaf, over HTTP."""
    asked = [{"formula_id": "tidewater-country", "piece_g": 700 + 7 * turn} for turn in range(16)]
    return timed(15, lambda turn: _post(address, asked[turn], "/api/oven/rank"))


def sixty_ways() -> tuple[float, float]:
    """Sixty ways to bake one loaf ranked, as if a kitchen had every vessel there is, and a few of them twice."""
    kinds = [row["kind"] for row in table_rows("vessels")]
    kit = [Vessel(f"{kind}-{turn}", kind, kind, 2) for turn in range(2) for kind in kinds]
    means = tuple(row["kind"] for row in table_rows("steam"))
    some = next(kit[:count] for count in range(len(kit)) if len(ranked(kit[:count], means, 850.0)) >= 60)
    return timed(12, lambda turn: ranked(some, means, 800.0 + 5 * turn))


def sixty_lines() -> tuple[float, float]:
    """A recipe of sixty lines read whole."""
    lines = [line for case in MODERN[1:8] for line in case.text.splitlines() if line.strip()]
    text = "\n".join(lines[:60])
    read(text)
    return timed(20, lambda _turn: read(text))


def diagnosed() -> tuple[float, float]:
    """A bake with three faults diagnosed."""
    record = Record(bulk_rise=0.3, bulk_wanted=0.5, dough_c=24, set_c=240, chamber_c=230, core_c=96)
    return timed(20, lambda _turn: diagnose(record, ("dense_tight", "side_burst", "pale_top")))


def slice_measured() -> tuple[float, float]:
    """A slice on a photo of twelve megapixels, from its file's bytes to its figures."""
    picture, _ = slice_of(1, px=1000)
    large = Image.fromarray((picture * 255).astype("uint8")).resize((4000, 3000))
    out = io.BytesIO()
    large.save(out, "JPEG", quality=90)
    return timed(5, lambda _turn: read_photo(out.getvalue(), 120.0))


def ranked(kit: list[Vessel], means: tuple[str, ...], grams: float) -> tuple[Way, ...]:
    """Ways to bake a round loaf of so many grams."""
    return rank(Loaf(grams), 2, kit, Oven(), means)


def dragged(address: str) -> tuple[float, float]:
    """From a key on a stage's handle to its bake drawn anew, in the browser."""
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=CHROMIUM, args=QUIET)
        page = browser.new_page(viewport={"width": 1280, "height": 800})
        page.goto(f"{address}/oven")
        page.get_by_role("heading", name="Where bakers disagree").wait_for()
        page.get_by_role("slider", name="Set point, Lid on").focus()
        times = []
        for turn in range(20):
            page.wait_for_timeout(200)
            times.append(page.evaluate(CORE_REDRAWN, "ArrowDown" if turn % 2 else "ArrowUp"))
        browser.close()
    return spread(times[2:])


CORE_REDRAWN = """key => new Promise(done => {
  const core = () => document.querySelector('path.line.core').getAttribute('d')
  const seen = core()
  const begun = performance.now()
  document.activeElement.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }))
  const look = () => {
    const took = performance.now() - begun
    if (core() !== seen) done(took)
    else if (took > 3000) done(-1)
    else requestAnimationFrame(look)
  }
  look()
})"""
"""Presses a key on the focused handle and resolves with the milliseconds until the core's line is another."""
PRESSED = """([name, wholly]) => new Promise(done => {
  const shown = () => document.querySelector('.rows').innerHTML
  const seen = shown()
  const button = [...document.querySelectorAll('section.next button')].find((one) => one.textContent.trim() === name)
  const begun = performance.now()
  performance.clearResourceTimings()
  const arrived = (one) => one.name.endsWith('/presses') && one.responseEnd > begun
  let drawn = 0
  button.click()
  const look = () => {
    const took = performance.now() - begun
    // What has come is drawn in the frame after the one in which it was read.
    const heard = !wholly || (performance.getEntriesByType('resource').some(arrived) && drawn++ > 1)
    if (heard && shown() !== seen) done(took)
    else if (took > 10000) done(-1)
    else requestAnimationFrame(look)
  }
  look()
})"""
"""Presses a button of the Bench and resolves with the milliseconds until its ribbons are others."""
GROWTH = (
    "Answers of a kitchen with three live doughs and 20 cultures as it grows, ms. At 10,000 finished bakes it holds"
    " 1,000,000 figures of instruments, 11,000 plans, 300 formulas and 20,000 events of cultures."
)
SATURDAY_AT = datetime(2026, 11, 28, 16, 0, tzinfo=UTC)


def _three_doughs(folder: Path):
    """A bench of three live doughs of two parts each, one of them with ten thousand figures of its probe."""
    sessions = open_store(folder)
    demo.fill(sessions, lambda: SATURDAY_AT.replace(hour=6, minute=30))
    app = create_app(sessions, lambda: SATURDAY_AT)
    client = app.test_client()
    begun = {"formula_id": "lamplighters-tin", "pieces": 2, "style": "room_steady"}
    for number, (formula, minutes) in enumerate(
        (("tidewater-country", 95), ("two-tides", 80), ("lamplighters-tin", 40))
    ):
        mixed_at = (SATURDAY_AT - timedelta(minutes=minutes)).isoformat()
        body = begun | {"formula_id": formula, "event": f"e{number}", "mixed_at": mixed_at}
        client.post(f"/api/bench/mixed/dough{number}", json=body)
        split = {"code": "split", "until": "2026-11-29T18:00", "pieces": 1}
        _press(client, f"split{number}", "bake_edited", split, dough=f"dough{number}")
    start = SATURDAY_AT - timedelta(minutes=94)
    _press(client, "probe", "bake_probe", {"device": "probe"}, start)
    samples = [
        {"device": "probe", "quantity": "dough_c", "value": 25 - turn / 5000,
         "at": (start + timedelta(seconds=turn * 0.56)).isoformat()}
        for turn in range(10_000)
    ]  # fmt: skip
    for half in (samples[:5000], samples[5000:]):
        client.post("/api/samples", json={"sent_at": SATURDAY_AT.isoformat(), "samples": half})
    return app, client


def _press(client, key: str, kind: str, body: dict, at: datetime = SATURDAY_AT, dough: str = "dough0") -> None:
    press = {"id": key, "dough": dough, "kind": kind, "at": at.isoformat(), "body": body}
    answer = client.post("/api/bench/presses", json={"sent_at": SATURDAY_AT.isoformat(), "presses": [press]})
    if answer.json["taken"] != [key]:
        raise RuntimeError(answer.json["refused"])


def presses() -> tuple[float, float]:
    """A press on one of three doughs, ten thousand figures behind it, until the whole bench is answered anew."""
    with tempfile.TemporaryDirectory() as scratch:
        _, client = _three_doughs(Path(scratch) / "data")

        def once(turn: int) -> None:
            _press(
                client, f"fold{turn}{time.monotonic_ns()}", "bake_step", {"key": f"extra_fold-{time.monotonic_ns()}"}
            )

        return timed(30, once)


def pressed_in_browser(wholly: bool) -> tuple[float, float]:
    """From a press on the Bench with three doughs of two parts to its ribbons drawn with it, in the browser.

    ``wholly``: until the forecast has followed, too.
    """
    with tempfile.TemporaryDirectory() as scratch, sync_playwright() as playwright:
        app, _ = _three_doughs(Path(scratch) / "data")
        server = create_server(app, host="127.0.0.1", port=0, threads=4)
        Thread(target=server.run, daemon=True).start()
        browser = playwright.chromium.launch(executable_path=CHROMIUM, args=QUIET)
        page = browser.new_page(viewport={"width": 1280, "height": 800})
        page.goto(f"http://127.0.0.1:{server.effective_port}/bench/dough0")
        page.locator("section.next h2").wait_for()
        times = []
        for _ in range(20):
            page.wait_for_timeout(300)
            took = page.evaluate(PRESSED, ["One more fold", wholly])
            if took < 0:
                raise RuntimeError("nothing changed on the Bench")
            times.append(took)
        browser.close()
        server.close()
    return spread(times[2:])


def cold_plan(address: str) -> tuple[float, float]:
    """What the Plan room costs on the wire with nothing kept, kB: page, script, style and fonts; and its data."""
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=CHROMIUM, args=QUIET)
        context = browser.new_context(viewport={"width": 390, "height": 844}, service_workers="block")
        page = context.new_page()
        wire = context.new_cdp_session(page)
        wire.send("Network.enable")
        paths: dict[str, str] = {}
        sizes: dict[str, float] = {}
        wire.on("Network.requestWillBeSent", lambda said: paths.update({said["requestId"]: said["request"]["url"]}))
        wire.on("Network.loadingFinished", lambda said: sizes.update({said["requestId"]: said["encodedDataLength"]}))
        page.goto(f"{address}/plan")
        page.locator("main svg").first.wait_for()
        page.wait_for_load_state("networkidle")
        browser.close()
    data = sum(size for key, size in sizes.items() if "/api/" in paths.get(key, ""))
    return (sum(sizes.values()) - data) / 1000, data / 1000


def starting() -> tuple[float, float, float, float, float]:
    """Seconds to help and to a first answer (the best), MB before a bake and after; the median start."""
    helped, answered = [], []
    for _ in range(5):
        begun = time.perf_counter()
        subprocess.run([sys.executable, "-m", "gentle_crust.cli", "--help"], capture_output=True, check=True)
        helped.append(time.perf_counter() - begun)
    with tempfile.TemporaryDirectory() as scratch:
        folder = Path(scratch)
        with serving(folder=folder):
            pass
        for _ in range(4):
            begun = time.perf_counter()
            with serving(folder=folder) as address:
                urllib.request.urlopen(f"{address}/api/kitchen").read()  # noqa: S310
                answered.append(time.perf_counter() - begun)
        with serving(folder=folder) as address:
            before = _memory_mb()
            urllib.request.urlopen(f"{address}/api/kitchen").read()  # noqa: S310
            for number in range(6):
                _post(address, {"formula_id": "tidewater-country", "ready": f"2026-11-29T{number + 12}:30"})
                _post(address, {"formula_id": "tidewater-country", "piece_g": 800 + number}, "/api/oven/rank")
            after = _memory_mb()
    return min(helped), min(answered), before, after, statistics.median(answered)


def _memory_mb() -> float:
    """What the program that is served now holds in memory."""
    found = 0.0
    for path in Path("/proc").glob("[0-9]*/cmdline"):
        with suppress(OSError):
            if b"gentle_crust.cli" in path.read_bytes() and b"--port" in path.read_bytes():
                status = (path.parent / "status").read_text()
                found = max(found, float(re.search(r"VmRSS:\s+(\d+)", status)[1]) / 1024)
    return found


def courses() -> list[tuple[str, float, float, str]]:
    """Courses: all styles of all formulas, a tree of two parts, all ways at once, mends, the first good time."""
    sys.path.insert(0, str(ROOT))
    from tests.core.test_course_kitchens import grid
    from tests.courses import courses as written

    from gentle_crust.contract.course import PlanQuestion
    from gentle_crust.core.course.mends import mends
    from gentle_crust.core.course.plan import in_style, plan, soonest
    from gentle_crust.core.course.styles import fitting

    def asked(question):
        return PlanQuestion.model_validate_json(json.dumps(question)).asked()[0]

    all_of_them = [
        asked({**question, "ready": ready})
        for question in grid(((22, 19), (28, 25), (15, 13)))
        for ready in (None, "2026-11-30T16:00:00+00:00")
    ]
    for each in all_of_them:
        plan(each)
    two = asked(written()["3 rounds for two days"])
    country = asked(grid(((22, 19),))[0])
    tight = asked({**written()["1 cold shaped"], "ready": "2026-11-28T20:00:00+00:00"})
    in_trouble = plan(tight)

    def every_way(_turn):
        for style in fitting(country.formula):
            plan(in_style(country, style))

    return [
        ("course planned: all styles and demo formulas", *timed(len(all_of_them), lambda n: plan(all_of_them[n])),
         "50 ms (95 %: 100)"),
        ("course of two parts planned", *timed(10, lambda _: plan(two)), "250 ms"),
        ("all styles that fit one formula", *timed(6, every_way), "250 ms"),
        ("mends of a plan in trouble", *timed(6, lambda _: mends(in_trouble)), "250 ms"),
        ("first good time", *timed(10, lambda _: soonest(country)), "100 ms"),
    ]  # fmt: skip


def main() -> None:
    """Print the table, and keep it if asked to."""
    rows = [("forecast of 24 h with band", *forecasts(), "10 ms")]
    with serving() as address:
        rows.append(("plan answer over HTTP", *plans(address), "60 ms"))
        rows.append(("key to redraw, formula of 40 ingredients", *editor(address), "100 ms"))
        rows.append(("slider key to ribbon redrawn", *slider(address), "150 ms"))
        rows.append(("feeds for a wish over HTTP", *feeding(address), "500 ms"))
        rows.append(("every way to bake a loaf ranked, over HTTP", *ranking(address), "1000 ms"))
        rows.append(("key on a stage to its bake redrawn", *dragged(address), "150 ms"))
        page_kb, data_kb = cold_plan(address)
    rows.append(("sixty ways to bake a loaf ranked", *sixty_ways(), "250 ms"))
    rows.append(("a bake of an hour simulated", *a_bake(), "50 ms"))
    rows.append(("recipe of sixty lines read", *sixty_lines(), "150 ms"))
    rows.append(("a bake with three faults diagnosed", *diagnosed(), "100 ms"))
    rows.append(("a slice measured on a photo of twelve megapixels", *slice_measured(), "2000 ms"))
    rows.append(("culture of 1,000 feeds opened", *thousand_feeds(), "150 ms"))
    rows.append(("press on the Bench, server, three doughs, 10,000 figures", *presses(), "60 ms"))
    rows.append(
        ("press on the Bench to ribbons redrawn, three doughs of two parts", *pressed_in_browser(False), "100 ms")
    )
    rows.append(("the same until the forecast has followed", *pressed_in_browser(True), ""))
    rows += courses()
    lines = ["| what | median | 95th percentile | wanted |", "|---|---|---|---|"]
    lines += [
        f"| {name} | {middle:.1f} ms | {high:.1f} ms | {f'under {limit}' if limit else ''} |"
        for name, middle, high, limit in rows
    ]
    helped, answered, before, after, _ = starting()
    lines += [
        f"| help printed | {helped:.2f} s | | under 0.25 s |",
        f"| start to first answer, warm | {answered:.2f} s | | under 1.5 s |",
        f"| memory before the first bake | {before:.0f} MB | | under 180 MB |",
        f"| memory after plans and bakes | {after:.0f} MB | | under 260 MB |",
        f"| cold Plan on the wire, page, script, style, fonts | {page_kb:.0f} kB | | |",
        f"| cold Plan on the wire, data | {data_kb:.0f} kB | | |",
        f"| cold Plan on the wire, all | {page_kb + data_kb:.0f} kB | | under 350 kB |",
    ]
    table = "\n".join([*lines, "", slow_phone.table(), GROWTH, "", *growth.table()])
    print(table)
    if "--write" in sys.argv:
        where = f"Measured with `script/bench` on {platform.machine()}, Python {platform.python_version()}, two cores."
        (ROOT / "docs" / "speed.md").write_text(f"# Speed\n\n{where}\n\n{table}\n", encoding="utf-8")


if __name__ == "__main__":
    main()
