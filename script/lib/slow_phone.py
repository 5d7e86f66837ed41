"""Every room on a slow phone: the largest paint, shifts, blocking, and the bytes.

How fast a shared machine is changes by the second, and a page slowed four times on a busy one is a page slowed
eight times. So the phone is defined by what it does: a loop of fixed work takes PHONE_LOOP_MS on it, four times what
it takes in a quiet minute of the two-core machine this was written on. Before every visit the same loop is timed,
and the browser is slowed by as much as is still wanting.
"""

import statistics
from collections.abc import Iterator

from live import CHROMIUM, QUIET, serving
from playwright.sync_api import Browser, sync_playwright

ROOMS = ("/bench", "/log", "/plan", "/formulas", "/cultures", "/cultures/gull", "/oven", "/water", "/kitchen")
PHONE_LOOP_MS = 24.0
TURNS = 5
LOOP = """() => {
  const once = () => {
    const begun = performance.now(), kept = []
    let sum = 0
    for (let i = 0; i < 400000; i++) {
      kept[i % 1000] = { v: i, k: 'k' + (i % 97) }
      sum += kept[(i * 7) % 1000]?.v ?? 0
    }
    window.kept = sum
    return performance.now() - begun
  }
  return Array.from({ length: 12 }, once).slice(3)
}"""
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


def slowing(browser: Browser) -> float:
    """By how much the browser is to be slowed now, 1 or more, so that the loop takes as long as on the phone."""
    context = browser.new_context()
    took = statistics.median(context.new_page().evaluate(LOOP))
    context.close()
    return max(PHONE_LOOP_MS / took, 1.0)


def visited(browser: Browser, address: str, room: str) -> tuple[float, float, float, float, float, float]:
    """Largest paint ms, layout shift, blocking ms, kB of the program and of data, and the slowing, of a first visit."""
    rate = slowing(browser)
    context = browser.new_context(
        viewport={"width": 390, "height": 844}, service_workers="block", is_mobile=True, has_touch=True
    )
    page = context.new_page()
    context.new_cdp_session(page).send("Emulation.setCPUThrottlingRate", {"rate": rate})
    page.add_init_script(f"({WATCH})()")
    page.goto(address + room)
    page.wait_for_load_state("networkidle")
    page.wait_for_timeout(500)
    seen = page.evaluate("seen")
    sent = dict(page.evaluate(SENT)).items()
    context.close()
    data = sum(size for name, size in sent if "/api/" in name)
    program = sum(size for _, size in sent) - data
    return seen["paint"], seen["shift"], seen["blocked"], program / 1000, data / 1000, rate


def rooms() -> Iterator[tuple[str, list[tuple[float, float, float, float, float, float]]]]:
    """Each room with its first visits."""
    with serving() as address, sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=CHROMIUM, args=QUIET)
        for room in ROOMS:
            yield room, [visited(browser, address, room) for _ in range(TURNS)]
        browser.close()


def row(room: str, visits: list[tuple[float, float, float, float, float, float]]) -> str:
    """A line of the table: medians, and of blocking and slowing the least and the most."""
    paint, shift, blocked, program, data, _ = (statistics.median(each) for each in zip(*visits, strict=True))
    (least, most), (calm, busy) = (
        (min(visit[at] for visit in visits), max(visit[at] for visit in visits)) for at in (2, 5)
    )
    return (
        f"| {room} | {paint / 1000:.2f} s | {shift:.3f} | {blocked:.0f} ms | {least:.0f} to {most:.0f} ms "
        f"| {calm:.1f} to {busy:.1f} | {program:.0f} kB | {data:.0f} kB |\n"
    )


def table() -> str:
    """What was measured, as Markdown."""
    head = (
        f"On a phone on which the fixed loop takes {PHONE_LOOP_MS:.0f} ms; medians of {TURNS} first visits.\n\n"
        "| Room | largest paint | layout shift | blocked | least to most | slowed by | program | data |\n"
        "|---|---|---|---|---|---|---|---|\n"
    )
    return head + "".join(row(room, visits) for room, visits in rooms())


if __name__ == "__main__":
    print(table())
