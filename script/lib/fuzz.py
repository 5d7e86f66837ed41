"""Throws made-up rubbish at whatever reads text or files from outside, and times it."""

import json
import random
import sys
import time

from tests.recipes.cups import CUPS
from tests.recipes.modern import MODERN
from tests.recipes.spoken import SPOKEN
from tests.recipes.staged import STAGED

from gentle_crust.core.errors import CraftError
from gentle_crust.interchange.files import bring_in
from gentle_crust.interchange.recipe.compose import formula_of
from gentle_crust.interchange.recipe.weigh import read_recipe, warm_up
from gentle_crust.interchange.recipe.whole import read
from gentle_crust.interchange.recipe_json import told

SLOWEST_S = 1.0
RECIPES = [*MODERN, *CUPS, *SPOKEN, *STAGED]
AMOUNTS = [
    "1",
    "2",
    "3",
    "1/2",
    "½",
    "1/0",
    "0",
    "-1",
    "9999999",
    "1e9",
    "\u0663",
    "-",
    "\u2013",
    "to",
    "plus",
    "+",
    "and",
    "a",
]
UNITS = ["cups", "cup", "tbsp", "tsp", "oz", "fl oz", "lb", "g", "kg", "ml", "l", "stick", "packet", "pinch", "heaped"]
NAMES = ["flour", "bread flour", "rye", "salt", "water", "milk", "yeast", "starter", "honey", "(", ")", "105°F", "°F"]
ODDITIES = [
    "\x00",
    "\u202e",
    "\ufeff",
    "'",
    '"',
    ",",
    ";",
    "=",
    "@",
    "{",
    "}",
    "[",
    "]",
    ":",
    "null",
    "true",
    "1e999",
    "NaN",
]
SCRAPS = AMOUNTS + UNITS + NAMES + ODDITIES


def line(chance: random.Random) -> str:
    """A line of scraps, sometimes with letters of any kind."""
    parts = [chance.choice(SCRAPS) for _ in range(chance.randrange(0, 14))]
    if chance.random() < 0.3:
        parts.append("".join(chr(chance.randrange(1, 0x2FFF)) for _ in range(chance.randrange(1, 40))))
    return chance.choice(["", " "]).join(parts)[:200]


def document(chance: random.Random, depth: int = 0) -> object:
    """A tree of the keys that the importers look at."""
    kind = chance.randrange(6 if depth < 6 else 3)
    if kind == 0:
        return chance.choice([None, True, -1, 1e308, 3, 100, ""])
    if kind < 3:
        return line(chance)
    if kind == 3:
        return [document(chance, depth + 1) for _ in range(chance.randrange(5))]
    keys = ["@type", "@graph", "name", "recipeIngredient", "flours", "kind", "percent", "additionalProperty", "value"]
    return {chance.choice(keys): document(chance, depth + 1) for _ in range(chance.randrange(6))}


def mangled(chance: random.Random) -> str:
    """A written recipe with letters changed, lost and put in, or lines of several thrown together."""
    if chance.random() < 0.5:
        lines = [each for case in RECIPES for each in case.text.splitlines()]
        return "\n".join(chance.choice([chance.choice(lines), line(chance)]) for _ in range(chance.randrange(1, 60)))
    text = list(chance.choice(RECIPES).text)
    for _ in range(chance.randrange(1, 30)):
        place = chance.randrange(len(text))
        text[place : place + chance.randrange(3)] = chance.choice(["", chr(chance.randrange(32, 9000)), line(chance)])
        text = text or [" "]
    return "".join(text)


def once(chance: random.Random) -> float:
    """One throw, and the seconds it took; anything but an answer or a refusal is a fault."""
    begun = time.process_time()
    try:
        kind = chance.random()
        if kind < 0.5:
            told(read(mangled(chance)[:20_000]))
        elif kind < 0.75:
            formula_of(read_recipe(tuple(line(chance) for _ in range(chance.randrange(1, 30)))), line(chance)[:80])
        else:
            data = json.dumps(document(chance)).encode()
            if chance.random() < 0.4:
                data = bytes(chance.randrange(256) if chance.random() < 0.03 else byte for byte in data)
            bring_in(data)
    except CraftError:
        pass
    return time.process_time() - begun


def main() -> None:
    """Throw until the time is up."""
    warm_up()
    end = time.process_time() + 60 * float(sys.argv[1])
    seed = 0
    while time.process_time() < end:
        try:
            slow = once(random.Random(seed)) > SLOWEST_S  # noqa: S311
            if slow and once(random.Random(seed)) > SLOWEST_S:  # noqa: S311 - twice is no accident of the machine
                raise RuntimeError(f"took over {SLOWEST_S:g} s")
        except Exception:
            print(f"seed {seed} failed")
            raise
        seed += 1
    print(f"{seed} throws, no crash, none over {SLOWEST_S:g} s")


if __name__ == "__main__":
    main()
