"""Numbers that recipes write in words, made figures: half a cup, two thirds of, twenty-five, four hundred and fifty.

Fractions are ours, before and after the library: it reads whole numbers only.
"""

import re

from text_to_num import text2num

_COUNTS = ("one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve")
COUNT_OF = {word: number for number, word in enumerate(_COUNTS, 1)} | {"a": 1, "an": 1}
PART_OF = {
    "half": 1 / 2, "halves": 1 / 2, "halfs": 1 / 2, "third": 1 / 3, "thirds": 1 / 3,
    "quarter": 1 / 4, "quarters": 1 / 4,
    "fourth": 1 / 4, "fourths": 1 / 4, "fifth": 1 / 5, "fifths": 1 / 5, "sixth": 1 / 6, "sixths": 1 / 6,
    "eighth": 1 / 8, "eighths": 1 / 8, "tenth": 1 / 10, "tenths": 1 / 10,
}  # fmt: skip
_COUNT = rf"(?:{'|'.join(sorted(COUNT_OF, key=len, reverse=True))}|\d+)"
_PART = rf"(?:{'|'.join(sorted(PART_OF, key=len, reverse=True))})"
_OF_A = r"(?:\s+of)?(?:\s+(?:an?|the|one)\b)?"
_BARE = re.compile(rf"\b{_PART}\b", re.IGNORECASE)


_SMALL = "one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|thirteen|fourteen|fifteen|sixteen|seventeen"
_SMALL += "|eighteen|nineteen|twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety"
_WHOLE = re.compile(
    rf"\b(?:{_SMALL})(?:-(?:{_SMALL}))?(?:\s+(?:hundred|thousand)(?:\s+(?:and\s+)?(?:{_SMALL})(?:-(?:{_SMALL}))?)?)?\b"
    r"|\b(?:a\s+)?(?:hundred|thousand)\b",
    re.IGNORECASE,
)


def _whole_numbers(text: str) -> str:
    """Whole numbers in words as figures: twenty-five, four hundred and fifty, a hundred."""

    def figure(match: re.Match[str]) -> str:
        words = re.sub(r"^a\s+", "one ", match[0].lower()).replace("hundred and", "hundred")
        words = f"one {words}" if words in ("hundred", "thousand") else words
        try:
            return str(text2num(words.replace("-", " "), "en"))
        except ValueError:
            return match[0]

    return _WHOLE.sub(figure, text)


def in_figures(text: str, unit: str, left_over: bool = False) -> str:
    """``text`` with its fractions and numbers in words as figures; ``unit`` is a pattern of the units that may follow.

    Raises ValueError if a fraction in words is left over, unless ``left_over`` allows it: of an amount it must be
    asked about, and never be taken as a whole.
    """
    text = _whole_numbers(re.sub(r"\b(?:a\s+)?dozen\b", "12", text, flags=re.IGNORECASE))
    text = re.sub(rf"\b({_COUNT})-({_PART})\b", r"\1 \2", text, flags=re.IGNORECASE)
    text = re.sub(r"\b(\d+)\s*-\s*(?=\d+\s*/\s*\d+)", r"\1 ", text)
    text = re.sub(r"\b(\d+)\s+(?:and|&)\s+(?=\d+\s*/\s*\d+)", r"\1 ", text, flags=re.IGNORECASE)
    count_and_part = rf"\b({_COUNT})\s+and\s+(?:({_COUNT})\s+)?({_PART})\b{_OF_A}"
    text = re.sub(count_and_part, lambda m: _sum(m[1], m[2], m[3]), text, flags=re.IGNORECASE)
    unit_and_part = rf"\b({_COUNT})\s+({unit})\s+and\s+(?:({_COUNT})\s+)?({_PART})\b"
    text = re.sub(unit_and_part, lambda m: f"{_sum(m[1], m[3], m[4])} {m[2]}", text, flags=re.IGNORECASE)
    many = rf"\b({_COUNT})\s+({_PART})\b{_OF_A}"
    text = re.sub(many, lambda m: _sum("0", m[1], m[2]), text, flags=re.IGNORECASE)
    followed = rf"\b({_PART})\b(?:{_OF_A}\s+(?=(?:\d[\d.,]*\s*-?\s*g\w*\s+)?(?:{unit})\b))"
    text = re.sub(followed, lambda m: f"{_sum('0', None, m[1])} ", text, flags=re.IGNORECASE)
    text = re.sub(r"(\d\s*/\s*\d+|\d\.\d{4})\s+of\s+(?:an?|the|one)\b", r"\1", text, flags=re.IGNORECASE)
    if not left_over and _BARE.search(text):
        raise ValueError("a fraction in words that cannot be made out")
    return text


def _count(word: str | None) -> int:
    if word is None:
        return 1
    return int(word) if word.isdigit() else COUNT_OF[word.lower()]


def _sum(whole: str, count: str | None, part: str) -> str:
    return f"{(int(whole) if whole.isdigit() else _count(whole)) + _count(count) * PART_OF[part.lower()]:.4f}"
