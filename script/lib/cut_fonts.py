"""The two fonts of the page, cut to the letters and weights that English and figures need.

That spares half of their bytes on a first visit. Run by hand when a font's package changes; it needs ``fonttools`` and
``brotli``, which nothing else here needs. Other letters come from the packages themselves, when a name has them
(web/src/theme/fonts.css).
"""

import io
from pathlib import Path

from fontTools import subset
from fontTools.ttLib import TTFont
from fontTools.varLib import instancer

WEB = Path(__file__).parents[2] / "web"
PACKAGES = WEB / "node_modules" / "@fontsource-variable"
FONTS = WEB / "src" / "theme" / "fonts"
LETTERS = [
    *range(0x20, 0x7F),
    *(0xA0, 0xA3, 0xB0, 0xB1, 0xB7, 0xBC, 0xBD, 0xBE, 0xD7, 0xE9, 0xF7),
    *(0x2009, 0x2013, 0x2014, 0x2018, 0x2019, 0x201C, 0x201D, 0x2022, 0x2026, 0x202F, 0x20AC, 0x2212, 0xFFFD),
]
"""What English and figures need; a name with other letters fetches the package's own file."""
FEATURES = ["kern", "mark", "mkmk", "ccmp", "tnum", "lnum", "liga"]
CUTS = {"bricolage-grotesque": (400, 400, 800), "atkinson-hyperlegible-next": (400, 400, 700)}
"""Lightest, usual and heaviest weight of each."""


def cut(name: str, weights: tuple[int, int, int]) -> int:
    """Write one cut font; bytes of it."""
    font = TTFont(PACKAGES / name / "files" / f"{name}-latin-wght-normal.woff2")
    narrowed = io.BytesIO()
    font.flavor = None
    instancer.instantiateVariableFont(font, {"wght": weights}, optimize=True).save(narrowed)
    narrowed.seek(0)
    font = TTFont(narrowed)
    options = subset.Options(layout_features=FEATURES, flavor="woff2")
    cutter = subset.Subsetter(options)
    cutter.populate(unicodes=LETTERS)
    cutter.subset(font)
    font.flavor = "woff2"
    target = FONTS / f"{name}-latin.woff2"
    font.save(target)
    return target.stat().st_size


if __name__ == "__main__":
    FONTS.mkdir(exist_ok=True)
    for name, weights in CUTS.items():
        print(name, cut(name, weights))
