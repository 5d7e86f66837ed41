"""Loaves and slices drawn as the demo's photos: made up, each from its sheet and a seed."""

import io
import random
from itertools import pairwise
from math import cos, pi, sin

from PIL import Image, ImageChops, ImageDraw, ImageFilter

SIZE = (640, 440)
BOARD, CLOTH = (96, 74, 56), (214, 209, 198)
CRUSTS = ((8, (224, 193, 140)), (25, (208, 164, 102)), (42, (186, 130, 70)), (58, (158, 98, 48)), (74, (120, 68, 34)),
          (90, (84, 48, 28)))  # fmt: skip
HEIGHTS = {"domed": 0.62, "round": 0.74, "flat": 0.36, "spread": 0.4, "mushroomed": 0.7, "caved_in": 0.5}
HOLES = {
    "tight": (320, 3.0),
    "even_small": (300, 5.0),
    "even_medium": (170, 8.5),
    "open": (110, 13.0),
    "wild": (34, 24.0),
}


def crust(colour: float) -> tuple[int, int, int]:
    """The colour of a crust of an index, 0-100."""
    for (low, one), (high, other) in pairwise(CRUSTS):
        if colour <= high:
            part = min(max((colour - low) / (high - low), 0), 1)
            return tuple(round(a + (b - a) * part) for a, b in zip(one, other, strict=True))  # type: ignore[return-value]
    return CRUSTS[-1][1]


def _shade(colour: tuple[int, ...], factor: float) -> tuple[int, ...]:
    return tuple(min(round(each * factor), 255) for each in colour)


def _outline(
    form: str, wide: float, high: float, centre: tuple[float, float], dice: random.Random
) -> list[tuple[float, float]]:
    """A loaf from the side: a flat base, a dome, no two alike."""
    x, y = centre
    lumps = [(dice.uniform(-0.012, 0.012), dice.uniform(0, 2 * pi), n) for n in (2, 3, 5)]
    points = []
    for step in range(121):
        angle = pi * step / 120
        lump = 1 + sum(size * sin(n * angle + turn) for size, turn, n in lumps)
        up = sin(angle) ** (0.62 if form in ("domed", "flat") else 0.5)
        if form == "caved_in":
            up *= 1 - 0.22 * sin(angle) ** 6
        side = cos(angle) * (1 + (0.1 * sin(angle) ** 2 if form == "mushroomed" else 0))
        points.append((x - wide / 2 * side * lump, y - high * up * lump))
    return points


def _board(dice: random.Random) -> Image.Image:
    picture = Image.new("RGB", SIZE, CLOTH)
    draw = ImageDraw.Draw(picture)
    draw.rectangle((0, 340, *SIZE), fill=BOARD)
    for _ in range(46):
        y = dice.randint(342, SIZE[1])
        draw.line((0, y, SIZE[0], y + dice.randint(-3, 3)), fill=_shade(BOARD, dice.uniform(0.9, 1.08)), width=2)
    return picture.filter(ImageFilter.GaussianBlur(1))


def loaf(sheet: dict, seed: str) -> bytes:
    """The whole loaf from the side."""
    dice = random.Random(seed)  # noqa: S311 - the same each time
    form = sheet.get("form", "domed")
    wide = 540 if form in ("flat", "spread") else 500
    high = HEIGHTS[form] * wide * 0.8
    base = crust(sheet.get("top_colour", 55))
    picture = _board(dice)
    shadow = Image.new("L", SIZE, 0)
    ImageDraw.Draw(shadow).ellipse((320 - wide * 0.56, 372, 320 + wide * 0.56, 392), fill=120)
    picture.paste((40, 30, 24), mask=shadow.filter(ImageFilter.GaussianBlur(14)))
    mask = Image.new("L", SIZE, 0)
    outline = _outline(form, wide, high, (320, 392), dice)
    ImageDraw.Draw(mask).polygon(outline, fill=255)
    skin = Image.new("RGB", SIZE, base)
    draw = ImageDraw.Draw(skin)
    for row in range(round(392 - high) - 6, 404):
        part = (row - (392 - high)) / high
        draw.line((0, row, SIZE[0], row), fill=_shade(base, 1.12 - 0.34 * max(part, 0)))
    for _ in range(150):
        x, y, r = dice.uniform(60, 580), dice.uniform(392 - high, 392), dice.uniform(1, 3.4)
        draw.ellipse((x - r, y - r, x + r, y + r), fill=_shade(base, dice.uniform(0.72, 1.2)))
    for band in range(3):
        y = 392 - high * (0.42 + 0.2 * band)
        draw.arc((320 - wide * 0.5, y, 320 + wide * 0.5, y + high), 200, 340, fill=_shade(base, 1.42), width=5)
    scores = sheet.get("scores", "opened")
    if scores != "closed":
        gape = {"opened": 0.1, "ear": 0.17, "tore_beside": 0.07}[scores]
        span = [-0.34 + 0.68 * step / 24 for step in range(25)]
        lip = [(320 + wide * x, 392 - high * (0.93 - 1.5 * x * x)) for x in span]
        fold = [(x, y + high * gape * (1 - (part / 0.34) ** 2)) for (x, y), part in zip(lip, span, strict=True)]
        draw.polygon([*lip, *reversed(fold)], fill=(226, 190, 132))
        for x, y in fold[3:-3:2]:
            draw.line((x, y, x + 5, y - high * 0.04), fill=(204, 164, 108), width=2)
        if scores == "ear":
            draw.line(lip, fill=_shade(base, 0.5), width=7, joint="curve")
    if sheet.get("blow_out") == "side":
        draw.polygon([(498, 388), (536, 318), (556, 352), (540, 390)], fill=(224, 186, 126))
    skin = skin.filter(ImageFilter.GaussianBlur(1.6))
    picture.paste(skin, mask=mask.filter(ImageFilter.GaussianBlur(1)))
    return _jpeg(picture, dice)


def slice_of(sheet: dict, seed: str, share: float | None = None) -> bytes:
    """A slice: its crumb by openness, its holes where the sheet says; ``share`` of it holes, if that is known."""
    dice = random.Random(seed + "slice")  # noqa: S311 - the same each time
    form = sheet.get("form", "domed")
    wide = 570 if form in ("flat", "spread") else 530
    high = HEIGHTS[form] * wide * 0.84
    picture = Image.new("RGB", SIZE, (52, 58, 60))
    outline = _outline(form, wide, high, (320, 404), dice)
    rind = crust(sheet.get("top_colour", 55))
    body = {"white": (243, 232, 205), "cream": (236, 216, 174), "grey": (206, 190, 162), "brown": (186, 150, 108)}
    crumb = body[sheet.get("crumb_colour", "cream")]
    draw = ImageDraw.Draw(picture)
    draw.polygon(outline, fill=rind)
    inner = [(320 + (x - 320) * 0.962, 400 - (400 - y) * 0.955 if y < 400 else y) for x, y in outline]
    mask = Image.new("L", SIZE, 0)
    ImageDraw.Draw(mask).polygon(inner, fill=255)
    inside = Image.new("RGB", SIZE, crumb)
    draw = ImageDraw.Draw(inside)
    count, size = HOLES[sheet.get("openness", "even_medium")]
    where = sheet.get("holes", [])
    full = sum(mask.histogram()[128:])
    holes = Image.new("L", SIZE, 0)
    pen = ImageDraw.Draw(holes)
    for number in range(count if share is None else 3000):
        if share is not None and number % 8 == 0 and _covered(holes, mask) >= share * full:
            break
        r = size * dice.lognormvariate(0, 0.5) * 0.62
        x, y = dice.uniform(60, 580), dice.uniform(404 - high, 400)
        if "under_crust" in where and dice.random() < 0.4:
            y, r = 404 - high * dice.uniform(0.78, 0.9), r * 1.6
        if "dense_base" in where and y > 368:
            continue
        pen.ellipse((x - r * 1.15, y - r * 0.85, x + r * 1.15, y + r * 0.85), fill=255)
        tone = _shade(crumb, dice.uniform(0.6, 0.8))
        draw.ellipse((x - r * 1.15, y - r * 0.85, x + r * 1.15, y + r * 0.85), fill=tone)
        draw.arc((x - r * 1.15, y - r * 0.85, x + r * 1.15, y + r * 0.85), 200, 340, fill=_shade(crumb, 0.5), width=1)
    if "dense_base" in where:
        draw.rectangle((0, 376, SIZE[0], 404), fill=_shade(crumb, 0.82))
    for _ in range(900):
        x, y = dice.uniform(50, 590), dice.uniform(404 - high, 378)
        draw.point((x, y), fill=_shade(crumb, dice.uniform(0.8, 1.06)))
    picture.paste(inside.filter(ImageFilter.GaussianBlur(0.8)), mask=mask.filter(ImageFilter.GaussianBlur(1)))
    return _jpeg(picture, dice)


def _covered(holes: Image.Image, mask: Image.Image) -> int:
    """Points of the crumb that are holes."""
    return sum(ImageChops.multiply(holes, mask).histogram()[128:])


def _jpeg(picture: Image.Image, dice: random.Random) -> bytes:
    noise = Image.effect_noise(SIZE, 14).convert("RGB")
    out = io.BytesIO()
    Image.blend(picture, noise, 0.05).save(out, "JPEG", quality=72, optimize=True)
    return out.getvalue()
