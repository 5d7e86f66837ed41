"""What of a sentence was not understood."""

import re

from gentle_crust.interchange.recipe.ingredients import named_in
from gentle_crust.interchange.recipe.layout import STAGE_WORDS
from gentle_crust.interchange.recipe.words import KNOWN, MIXERS, PATTERNS, SHAPES, STOP, WORDS


def left_over(text: str) -> str:
    """Words of a sentence of which nothing was taken."""
    bare = text
    for pattern in WORDS.values():
        bare = pattern.sub(" ", bare)
    for pattern in PATTERNS.values():
        bare = pattern.sub(" ", bare)
    for _, named in (*SHAPES, *MIXERS, *STAGE_WORDS):
        bare = re.sub(rf"\b(?:{named})\b", " ", bare, flags=re.IGNORECASE)
    for word, _ in named_in(bare):
        bare = re.sub(rf"\b{re.escape(word)}s?\b", " ", bare, flags=re.IGNORECASE)
    words = [
        word for word in re.findall(r"[^\W\d_][\w'-]+", bare) if word.lower() not in STOP and word.lower() not in KNOWN
    ]
    return " ".join(words)
