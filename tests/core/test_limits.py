"""Limits are declared once; checks use them, and what they refuse names the field, the limits and the remedy."""

import math
import re
from pathlib import Path

import pytest

from gentle_crust.core import errors, limits
from gentle_crust.core.errors import (
    Conflict,
    CraftError,
    Infeasible,
    NotFound,
    OutOfRange,
    Unreadable,
    called,
    within,
)
from gentle_crust.core.limits import Limit, all_limits
from gentle_crust.core.messages import message
from gentle_crust.text.render import say

CORE = Path(limits.__file__).parents[1]


@pytest.mark.parametrize("name", all_limits())
def test_every_limit_is_one_and_lets_its_own_ends_in(name):
    limit = all_limits()[name]
    words = say(called(limit)).sentence
    assert limit.low < limit.high and words[0].isupper() and words.strip() == words and words != name
    for value in (limit.low, limit.high, (limit.low + limit.high) / 2):
        assert within(name, limit, value) == value
    for value in (limit.low - 1e-6 * (1 + abs(limit.low)), limit.high * (1 + 1e-6) + 1e-6, math.nan, math.inf):
        with pytest.raises(OutOfRange) as refused:
            within(name, limit, value)
        assert refused.value.field == name and words in say(refused.value.what).sentence
        for end in (limit.low, limit.high):
            assert f"{end:g}" in say(refused.value.what).sentence and f"{end:g}" in say(refused.value.what).remedy


def test_a_name_of_ones_own_goes_before_the_limits_words():
    with pytest.raises(OutOfRange, match="Water of the poolish"):
        within("x", limits.PREFERMENT_WATER_PERCENT, 300, "Water of the poolish")


def test_no_check_writes_its_limits_by_hand():
    """`within` takes a Limit; one that stands in a call is there because its ends depend on what was given."""
    literal = re.compile(r'within\([^)]*Limit\("[^"]*", [\d_.-]+, [\d_.-]+[,)]', re.S)
    found = [path.name for path in CORE.rglob("*.py") if literal.search(path.read_text(encoding="utf-8"))]
    assert found == []


def test_errors_are_a_tree():
    for kind in (NotFound, Conflict, OutOfRange, Unreadable, Infeasible):
        error = kind("field", "some-code", count=3)
        assert isinstance(error, CraftError) and error.field == "field"
        assert error.what == message("some-code", count=3) and str(error) == "field: some-code count=3"
    named = {each for each in vars(errors).values() if isinstance(each, type) and issubclass(each, CraftError)}
    assert len(named) == 6


def test_samples_have_limits_of_their_own():
    assert set(limits.SAMPLE_OF) == {"dough_c", "room_c", "fridge_c", "oven_c", "scale_g", "level_mm"}
    assert all(isinstance(each, Limit) for each in limits.SAMPLE_OF.values())
