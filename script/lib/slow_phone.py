"""Every room on a phone whose processor is four times slower: the largest paint, shifts, blocking, and the bytes."""

import statistics
from collections.abc import Iterator

from live import CHROMIUM, QUIET, serving
from playwright.sync_api import Browser, sync_playwright

ROOMS = ("/bench", "/log", "/plan", "/formulas", "/cultures", "/cultures/gull", "/oven", "/water", "/kitchen")
SLOWER = 4
TURNS = 5
WATCH = """() => {
  window.seen = { paint: 0, shift: 0, blocked: 0 }
  new PerformanceObserver((list) => list.getEntries().forEach((one) => (seen.paint = one.startTime)))
    .observe({ type: 'largest-contentful-paint', buffered: true })
  new PerformanceObserver((list) => list.getEntries().forEach((one) => {
    if (!one.hadRecentInput) seen.shift += one.value
  })).observe({ type: 'layout-shift', buffered: true })
  new PerformanceObserver((list) => list.getEntries().forEach((one) => {
    seen.blocked += Math.max(one.duration - 50, 0)
  })).observe({ type: 'longtask', buffered: true })
}"""
SENT = """() => performance.getEntriesByType('resource').concat(performance.getEntriesByType('navigation'))
  .map((one) => [one.name, one.encodedBodySize])"""


def visited(browser: Browser, address: str, room: str) -> tuple[float, float, float, float, float]:
    """Largest paint ms, layout shift, blocking ms, and kB of the program and of data, of one first visit."""
    context = browser.new_context(
        viewport={"width": 390, "height": 844}, service_workers="block", is_mobile=True, has_touch=True
    )
    page = context.new_page()
    context.new_cdp_session(page).send("Emulation.setCPUThrottlingRate", {"rate": SLOWER})
    page.add_init_script(f"({WATCH})()")
    page.goto(address + room)
    page.wait_for_load_state("networkidle")
    page.wait_for_timeout(500)
    seen = page.evaluate("seen")
    sent = dict(page.evaluate(SENT)).items()
    context.close()
    data = sum(size for name, size in sent if "/api/" in name)
    return seen["paint"], seen["shift"], seen["blocked"], (sum(size for _, size in sent) - data) / 1000, data / 1000


def rooms() -> Iterator[tuple[str, float, float, float, float, float, float]]:
    """Each room with the medians of five first visits; of blocking the least too, as the machine itself may be busy."""
    with serving() as address, sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=CHROMIUM, args=QUIET)
        for room in ROOMS:
            turns = [visited(browser, address, room) for _ in range(TURNS)]
            paint, shift, blocked, program, data = (statistics.median(each) for each in zip(*turns, strict=True))
            yield room, paint, shift, blocked, min(turn[2] for turn in turns), program, data
        browser.close()


def table() -> str:
    """What was measured, as Markdown."""
    head = (
        "| Room, phone, four times slower | largest paint | layout shift | blocked | at least | program | data |\n"
        "|---|---|---|---|---|---|---|\n"
    )
    return head + "".join(
        f"| {room} | {paint / 1000:.2f} s | {shift:.3f} | {blocked:.0f} ms | {least:.0f} ms "
        f"| {program:.0f} kB | {data:.0f} kB |\n"
        for room, paint, shift, blocked, least, program, data in rooms()
    )


if __name__ == "__main__":
    print(table())
