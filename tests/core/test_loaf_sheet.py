"""A loaf judged: every part optional, what cannot be refused by its field, and what its measures come to."""

from dataclasses import fields, replace

import pytest

from gentle_crust.core.errors import CraftError
from gentle_crust.core.loaf.sheet import EXCLUDES, FULL, Sheet, checked, measured
from gentle_crust.text.render import say


def test_every_part_is_optional_and_one_is_enough():
    for name, value in (
        ("liked", 4), ("again", False), ("scores", "ear"), ("holes", ("tunnels",)), ("note", "tall"), ("out_g", 720),
        ("sourness", 0), ("blisters", False),
    ):  # fmt: skip
        assert getattr(checked(replace(Sheet(), **{name: value})), name) == value
    with pytest.raises(CraftError) as refused:
        checked(Sheet(part="tray", piece="2", day=1))
    assert refused.value.field == "sheet" and "at least one thing" in say(refused.value.what).remedy


@pytest.mark.parametrize(
    ("name", "value"),
    [
        ("height_mm", 2), ("height_mm", 900), ("width_mm", 0), ("length_mm", 5000), ("out_g", 0), ("cut_min", -1),
        ("top_colour", 101), ("base_colour", -1), ("sourness", 6), ("flavour", 0), ("liked", 9), ("day", 40),
        ("height_mm", float("nan")),
    ],
)  # fmt: skip
def test_a_figure_that_no_loaf_has_is_refused_by_its_field(name, value):
    with pytest.raises(CraftError) as refused:
        checked(replace(Sheet(liked=3), **{name: value}))
    assert refused.value.field == name


@pytest.mark.parametrize("one", EXCLUDES)
def test_looks_that_exclude_each_other_are_named(one):
    for other in EXCLUDES[one]:
        with pytest.raises(CraftError) as refused:
            checked(Sheet(holes=(other, one)))
        said = say(refused.value.what)
        assert refused.value.field == "holes" and "cannot both be so" in said.sentence and said.remedy
    assert checked(Sheet(holes=(one, "dense_base"))).holes == (one, "dense_base")


def test_a_round_loaf_is_measured_by_height_and_width():
    found = measured(Sheet(height_mm=100, width_mm=220, out_g=722), "boule", 850)
    assert found.volume_ml == pytest.approx(2547, abs=2)
    assert found.g_per_ml == pytest.approx(0.283, abs=0.001)
    assert found.height_over_width == pytest.approx(0.4545, abs=0.001)
    assert found.loss == pytest.approx(0.1506, abs=0.001)


def test_a_long_loaf_has_no_volume_without_its_length():
    sheet = Sheet(height_mm=90, width_mm=120, out_g=740)
    assert measured(sheet, "batard", 850).volume_ml is None and measured(sheet, "batard", 850).height_over_width == 0.75
    assert measured(replace(sheet, length_mm=280), "batard", 850).volume_ml == pytest.approx(1754, abs=2)
    assert measured(replace(sheet, length_mm=280), "pan_loaf", 850).volume_ml == pytest.approx(2601, abs=2)


def test_what_is_not_measured_is_not_made_up():
    nothing = measured(Sheet(liked=5), "boule", 850)
    assert all(getattr(nothing, each.name) is None for each in fields(nothing))
    assert measured(Sheet(out_g=900), "boule", 850).loss is None


@pytest.mark.parametrize("shape", FULL)
def test_a_taller_or_wider_loaf_is_never_smaller(shape):
    sheet = Sheet(height_mm=60, width_mm=100, length_mm=200)
    before = measured(sheet, shape, 500).volume_ml
    for name in ("height_mm", "width_mm"):
        assert measured(replace(sheet, **{name: getattr(sheet, name) * 1.1}), shape, 500).volume_ml > before
    assert 0 < before < 60 * 100 * 200 / 1000
