"""Whether a page can be used by everybody: axe's rules, and the contrast of what axe leaves open, measured."""

import io
from typing import Any

from axe_playwright_python.sync_playwright import Axe
from PIL import Image
from playwright.sync_api import Page

PLACES = """(targets) => targets.map((target) => {
  const one = document.querySelector(target)
  const over = document.querySelector('[aria-modal=true]')
  if (!one || (over?.checkVisibility() && !over.contains(one))) return null
  const style = getComputedStyle(one), box = one.getBoundingClientRect()
  const shape = one instanceof SVGElement
  return {
    target, left: box.left + scrollX, top: box.top + scrollY, right: box.right + scrollX, bottom: box.bottom + scrollY,
    ink: shape ? style.fill : style.color, size: parseFloat(style.fontSize), weight: Number(style.fontWeight),
    words: (one.textContent || '').trim(),
    halo: shape && style.paintOrder.startsWith('stroke') && parseFloat(style.strokeWidth) >= 3 ? style.stroke : '',
  }
})"""
AT_REST = """() => document.getAnimations().every(
  (one) => one.playState !== 'running' || one.effect?.getComputedTiming().endTime === Infinity)"""
"""Nothing fades in or out any more: half a veil over a page is not what a reader is left with."""
WITHOUT_INK = "*, *::before { color: transparent !important } text, tspan { fill: transparent !important }"
SIDES = ("left", "top", "right", "bottom")
WORST = 0.2
"""So much of the ground under a text may be worse than what is measured: a line that crosses it."""


def sound(page: Page) -> None:
    """Fail for what axe finds, and for words of too little contrast where axe cannot tell what lies under them."""
    page.wait_for_function(AT_REST)
    found = Axe().run(page, options={"resultTypes": ["violations", "incomplete"]}).response
    violations: list[Any] = [
        (each["id"], [node["html"][:120] for node in each["nodes"]]) for each in found["violations"]
    ]
    if violations or (violations := list(faint(page, found))):
        raise AssertionError(violations)


def faint(page: Page, found: dict[str, Any]) -> list[str]:
    """Of the texts whose contrast axe left open, those that have too little, with what they have."""
    left_open = [each for each in found["incomplete"] if each["id"] == "color-contrast"]
    targets = [node["target"][0] for each in left_open for node in each["nodes"] if len(node["target"]) == 1]
    if not targets:
        return []
    places, ground = seen_at_rest(page, targets)
    told = []
    for place in places:
        (box,) = boxes([place])
        if box[0] < 0 or box[1] < 0 or box[2] > ground.width or box[3] > ground.height or box[2] <= box[0]:
            continue
        under = ground.crop(box)
        if place["halo"]:
            red, green, blue = parts(place["halo"])
            under = Image.new("RGB", (1, 1), (round(red), round(green), round(blue)))
        ratio = against(under, place["ink"])
        large = place["size"] >= 24 or (place["size"] >= 18.66 and place["weight"] >= 700)
        if ratio < (3.0 if large else 4.5):
            told.append(f"{place['words'][:40]}: {ratio:.1f} ({place['target']})")
    return told


def seen_at_rest(page: Page, targets: list[str]) -> tuple[list[dict[str, Any]], Image.Image]:
    """Where the words stand, and a picture of what is under them, of one and the same moment.

    Raises:
        AssertionError: The page does not come to rest: its words moved whenever a picture was taken.
    """
    for _ in range(10):
        page.wait_for_function(AT_REST)
        places = page.evaluate(PLACES, targets)
        style = page.add_style_tag(content=WITHOUT_INK)
        ground = Image.open(io.BytesIO(page.screenshot(animations="disabled", full_page=True))).convert("RGB")
        style.evaluate("one => one.remove()")
        if boxes(places) == boxes(page.evaluate(PLACES, targets)):
            return [place for place in places if place and place["words"]], ground
    raise AssertionError("the page does not come to rest")


def boxes(places: list[Any]) -> list[Any]:
    """Where each of the places is, nothing for one that is gone or covered."""
    return [place and [round(place[side]) for side in SIDES] for place in places]


def against(ground: Image.Image, ink: str) -> float:
    """The contrast of a colour (rgb(…)) with a ground, as the worst but a fifth of it has."""
    letters = luminance(parts(ink))
    counted = ground.getcolors(ground.width * ground.height) or []
    contrasts = sorted((contrast(luminance(colour), letters), many) for many, colour in counted)
    left = WORST * ground.width * ground.height
    for ratio, many in contrasts:
        left -= many
        if left <= 0:
            return ratio
    return contrasts[-1][0]


def parts(colour: str) -> list[float]:
    """The parts of rgb(…), 0-255."""
    return [float(part) for part in colour.split("(")[1].rstrip(")").split(",")[:3]]


def contrast(one: float, other: float) -> float:
    """Of two luminances, 1-21 (WCAG 2)."""
    return (max(one, other) + 0.05) / (min(one, other) + 0.05)


def luminance(colour: Any) -> float:
    """Of a colour of three parts of 0-255 (WCAG 2)."""
    parts = [part / 255 for part in colour]
    linear = [part / 12.92 if part <= 0.04045 else ((part + 0.055) / 1.055) ** 2.4 for part in parts]
    return 0.2126 * linear[0] + 0.7152 * linear[1] + 0.0722 * linear[2]
