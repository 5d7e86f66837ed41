"""The staged bake, vessel by vessel, and which loaf fits which."""

import re
from importlib.resources import files

import pytest

from gentle_crust.core.cautions import at_step, caution
from gentle_crust.core.errors import CraftError
from gentle_crust.core.oven.equipment import Oven, Vessel, fits, shape_row, vessel_row
from gentle_crust.core.tables import rows
from gentle_crust.text.render import say
from tests.plans import baked_in

CAUTIONS = re.findall(
    r"^caution-(\S+) =", (files("gentle_crust") / "text/en/cautions.ftl").read_text("utf-8"), re.MULTILINE
)
KINDS = [row["kind"] for row in rows("vessels")]
SHAPES = [row["shape"] for row in rows("shapes")]


def vessel(kind, count=1):
    return Vessel(kind, kind, kind.replace("_", " "), count)


def bake(kind="lidded_cast_iron", shape="boule", g=850, pieces=1, oven=None, rye=0.0, cold=False, count=1):
    return baked_in(vessel(kind, count), oven or Oven("electric", 300), shape, g, pieces, rye, cold)


@pytest.mark.parametrize("kind", KINDS)
@pytest.mark.parametrize("shape", SHAPES)
def test_every_vessel_and_shape_has_a_bake_that_a_baker_would_recognise(kind, shape):
    found = bake(kind, shape, float(shape_row(shape)["reference_g"]))
    first, last = found.stages[0], found.stages[-1]
    assert 165 <= last.setpoint_c <= first.setpoint_c <= 270
    assert not last.covered
    assert 6 <= found.minutes <= 80
    assert found.core[-1].core_c >= found.core_done_c - 1
    assert 0 < found.touch_min < found.minutes
    assert first.setpoint_c <= float(vessel_row(kind)["rated_c"])


@pytest.mark.parametrize(
    ("kind", "shape", "g", "low", "high"),
    [
        ("lidded_cast_iron", "boule", 850, 38, 48),
        ("stone", "boule", 900, 36, 46),
        ("tin", "pan_loaf", 875, 31, 42),
        ("stone", "baguette", 350, 18, 27),
        ("tray", "baguette", 205, 15, 22),
        ("lidded_enamel", "boule", 900, 50, 64),
        ("stone", "flat_round", 250, 7, 12),
    ],
)
def test_bakes_are_as_long_as_bakers_find_them(kind, shape, g, low, high):
    assert low <= bake(kind, shape, g).minutes <= high


def test_bigger_loaves_bake_longer_and_cold_ones_some_minutes_more():
    lengths = [bake(g=g).minutes for g in (500, 700, 900, 1200)]
    assert lengths == sorted(lengths) and lengths[0] < lengths[-1]
    assert 2 <= bake(cold=True).minutes - bake().minutes <= 7


def test_rye_dries_longer_and_cools_for_a_day():
    rye, wheat = bake("tin", "pan_loaf", 900, rye=0.7), bake("tin", "pan_loaf", 900)
    assert rye.minutes > wheat.minutes
    assert rye.cool_min == 24 * 60 and wheat.cool_min == 90
    assert rye.core_done_c > wheat.core_done_c


@pytest.mark.parametrize("kind", ["lidded_enamel", "lidded_clay"])
def test_enamel_and_clay_start_cold(kind):
    assert bake(kind).cold_start and bake(kind).preheat_min == 0


@pytest.mark.parametrize(("pieces", "count", "loads"), [(1, 1, 1), (2, 1, 2), (2, 2, 1), (5, 2, 3), (7, 3, 4)])
def test_loads_by_pots(pieces, count, loads):
    assert bake(pieces=pieces, count=count).loads == loads


@pytest.mark.parametrize("top_c", [180, 200, 220, 240])
def test_a_weak_oven_is_never_asked_for_more(top_c):
    found = bake("stone", "boule", oven=Oven("gas", top_c))
    assert max(stage.setpoint_c for stage in found.stages) <= top_c
    assert found.short_k == pytest.approx(245 - top_c)
    assert found.minutes >= bake("stone", "boule", oven=Oven("gas", 275)).minutes


@pytest.mark.parametrize(
    ("kind", "shape", "g", "fine"),
    [
        ("lidded_cast_iron", "boule", 900, True),
        ("lidded_cast_iron", "boule", 1500, False),
        ("lidded_cast_iron", "baguette", 300, False),
        ("tin", "pan_loaf", 900, True),
        ("tin", "boule", 900, False),
        ("stone", "pan_loaf", 900, False),
        ("stone", "boule", 2000, True),
        ("tray", "roll", 90, True),
        ("metal_dome", "slipper", 400, False),
    ],
)
def test_what_fits_what(kind, shape, g, fine):
    reason = str(say(fits(vessel(kind), shape, g)))
    assert (reason == "") is fine
    assert fine or reason.endswith(".")


@pytest.mark.parametrize(
    ("look_up", "field"), [(lambda: vessel_row("cauldron"), "vessel"), (lambda: shape_row("star"), "shape")]
)
def test_unknown_vessels_and_shapes_are_refused(look_up, field):
    with pytest.raises(CraftError) as refused:
        look_up()
    assert refused.value.field == field


@pytest.mark.parametrize(
    ("step", "kind", "oven", "wanted"),
    [
        ("load", "stone", "electric", {"blades", "hot_iron"}),
        ("load", "lidded_cast_iron", "electric", {"blades", "hot_iron"}),
        ("load", "lidded_clay", "electric", {"blades", "hot_iron", "ceramic"}),
        ("vent", "lidded_cast_iron", "electric", {"lid_steam"}),
        ("vent", "stone", "electric", {"door_steam"}),
        ("preheat", "stone", "gas", {"gas", "ratings"}),
        ("preheat", "stone", "wood", {"ratings", "wood"}),
        ("feed", "stone", "electric", {"jar", "mould"}),
        ("cut", "tin", "electric", {"knife"}),
        ("fold", "tin", "electric", set()),
    ],
)
def test_cautions_stand_where_they_matter(step, kind, oven, wanted):
    lidded = vessel_row(kind)["lidded"] == "1"
    assert {each.code for each in at_step(step, kind, oven, lidded)} == wanted


@pytest.mark.parametrize("code", CAUTIONS)
def test_cautions_are_short_and_calm(code):
    text = str(say(caution(code).text))
    assert len(text) < 180 and "!" not in text and text.endswith(".")
