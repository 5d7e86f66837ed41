"""Bakes held against one another, faults read off a sheet, and how much trials can tell."""

import pytest

from gentle_crust.core.errors import CraftError
from gentle_crust.core.loaf.compare import Fact, compare
from gentle_crust.core.loaf.faults import FAULTS, faults_of
from gentle_crust.core.loaf.pooling import apart, liking
from gentle_crust.core.loaf.sheet import Sheet
from gentle_crust.core.loaf.trial import Side, Trial, chance, checked, pooled
from gentle_crust.core.messages import NOTHING, message, named
from gentle_crust.text.render import say


def figure(name, value, near=0.0, group="done", stage=""):
    return Fact(message(f"compare-{name}"), group, message("compare-number", number=value), value, near, stage)


def words(name, text, group="formula", stage=""):
    return Fact(named(name), group, named(text), stage=stage)


# -- side by side ------------------------------------------------------------------------------------------------


@pytest.mark.parametrize(("one", "other", "differs"), [(24.0, 24.9, False), (24.0, 25.1, True), (24.0, 24.0, False)])
def test_figures_within_what_nobody_can_tell_apart_are_the_same(one, other, differs):
    found = compare([[figure("dough-c", one, 1.0)], [figure("dough-c", other, 1.0)]])
    assert found.lines[0].differs is differs and found.things == differs


def test_what_came_of_it_is_no_thing_that_was_done():
    found = compare([[figure("liked", 2, group="came")], [figure("liked", 5, group="came")]])
    assert found.lines[0].differs and not found.lines[0].counts and found.things == 0


def test_a_line_that_only_one_formula_has_differs_and_a_reading_that_only_one_bake_has_does_not():
    found = compare([[words("Malt", "3 %"), figure("dough-c", 24, 1.0)], []])
    assert [(line.differs, line.values[1]) for line in found.lines] == [(True, NOTHING), (False, NOTHING)]


def test_a_stage_that_was_set_otherwise_is_one_thing_with_how_long_it_took_and_what_goes_with_it():
    cold = [words("proof", "fridge", "method", "proof"), words("warm up", "1 h", "method", "warm_up"),
            figure("proof", 700, 15, stage="proof")]  # fmt: skip
    room = [words("proof", "room", "method", "proof"), figure("proof", 120, 15, stage="proof")]
    found = compare([cold, room])
    assert sum(line.differs for line in found.lines) == 3 and found.things == 1
    assert "trial" in say(found.worth).sentence


def test_the_same_stage_as_set_but_longer_as_done_is_a_thing_of_its_own():
    one = [words("bulk", "till ready", "method", "bulk"), figure("bulk", 200, 15, stage="bulk")]
    other = [words("bulk", "till ready", "method", "bulk"), figure("bulk", 260, 15, stage="bulk")]
    assert compare([one, other]).things == 1


def test_of_many_things_some_are_named_and_all_are_counted():
    names = [f"thing {n}" for n in range(9)]
    found = compare([[words(name, "a") for name in names], [words(name, "b") for name in names]])
    sentence = say(found.worth).sentence
    assert found.things == 9 and sentence.startswith("9 things differ, among them") and "thing 8" not in sentence


@pytest.mark.parametrize("many", [0, 1, 7])
def test_fewer_than_two_and_more_than_six_are_not_compared(many):
    with pytest.raises(CraftError) as error:
        compare([[figure("dough-c", 24)]] * many)
    assert error.value.field == "bakes"


# -- faults ------------------------------------------------------------------------------------------------------


@pytest.mark.parametrize(
    ("sheet", "faults"),
    [
        (Sheet(), ()),
        (Sheet(form="domed", scores="ear", openness="open", bite="moist", top_colour=58, salt="right"), ()),
        (Sheet(openness="tight", holes=("dense_base",)), ("dense_tight", "dense_base_line")),
        (Sheet(openness="wild", holes=("under_crust",)), ("tight_wild_holes", "flying_crust")),
        (Sheet(form="spread"), ("spread",)), (Sheet(form="caved_in"), ("caved_in",)),
        (Sheet(blow_out="side", scores="closed"), ("side_burst", "no_ear")), (Sheet(blow_out="none"), ()),
        (Sheet(top_colour=20), ("pale_top",)), (Sheet(top_colour=90, base_colour=90), ("dark_early", "base_burnt")),
        (Sheet(base_colour=8), ("base_pale",)), (Sheet(crust="thick", salt="high"), ("crust_hard", "too_salty")),
        (Sheet(crust="leathery", salt="low", bite="dry"), ("crust_soft", "undersalted", "dry_crumb")),
        (Sheet(flavour=1), ("bland",)), (Sheet(flavour=3), ()), (Sheet(bottom="burst"), ("base_burst",)),
        (Sheet(flour_blotches=True, form="mushroomed", bite="gummy"), ("gummy", "flour_blotches", "misshapen")),
    ],
)  # fmt: skip
def test_a_sheet_shows_these_faults_and_what_it_does_not_speak_of_is_none(sheet, faults):
    assert faults_of(sheet) == faults


def test_every_fault_has_words_of_its_own():
    said = [say(message(f"fault-{fault}")).sentence for fault in FAULTS]
    assert len(set(said)) == len(FAULTS) and not any("fault" in each or "_" in each for each in said)


# -- trials ------------------------------------------------------------------------------------------------------


@pytest.mark.parametrize(
    ("wins", "of", "expected"), [(1, 1, 1.0), (2, 2, 0.5), (5, 5, 0.0625), (6, 6, 0.03125), (3, 4, 0.625), (2, 4, 1.0)]
)
def test_the_chance_of_luck_is_that_of_a_coin_thrown_as_often(wins, of, expected):
    assert chance(wins, of) == pytest.approx(expected)
    assert chance(of - wins, of) == pytest.approx(expected), "whichever side it falls on"


def trial(better=None, **more):
    return Trial("Pot?", (Side("a", "A", "pot"), Side("a", "B", "stone")), better=better, **more)


@pytest.mark.parametrize(
    ("betters", "says"),
    [
        ([], "Not judged"), ([None], "Not judged"), ([-1], "no difference"), ([-1, -1], "2 pairs, and no difference"),
        ([0], "One pair"), ([0, 0], "Not enough"), ([0] * 5, "Not enough"), ([0] * 6, "cases only"),
        ([0] * 6 + [1] * 5, "Not enough"), ([0] * 6 + [-1] * 4, "cases only"),
    ],
)  # fmt: skip
def test_an_honest_word_on_how_much_so_many_pairs_can_tell(betters, says):
    assert says in say(pooled([trial(better) for better in betters]).worth).sentence


@pytest.mark.parametrize(
    ("wins", "losses", "sure"), [(1, 0, 0.75), (1, 1, 0.5), (2, 0, 0.875), (6, 0, 0.992), (4, 2, 0.773), (0, 3, 0.0625)]
)
def test_how_sure_a_liking_is_is_that_of_a_coin_whose_bias_nobody_knew(wins, losses, sure):
    found = liking("pot", wins, losses)
    assert found.sure == pytest.approx(sure, abs=0.001)
    assert 0 < found.low < (1 + wins) / (2 + wins + losses) < found.high < 1


def test_nothing_is_sure_before_anything_was_judged():
    assert liking("pot", 0, 0) is None and pooled([trial(None)]).liking is None
    assert pooled([trial(0), trial(0), trial(1)]).liking.side == "pot"
    three = Trial("Pot?", (Side("a", "A"), Side("b", "B"), Side("c", "C")), better=0)
    assert pooled([three]).liking is None, "of pairs only"


def test_a_figure_apart_is_students():
    what = message("compare-volume")
    found = apart(what, "pot", [120.0, 80.0, 160.0])
    assert found.mean == pytest.approx(120) and found.pairs == 3
    assert (found.low, found.high) == pytest.approx((120 - 1.8856 * 23.094, 120 + 1.8856 * 23.094), abs=0.05)
    assert found.sure == pytest.approx(0.9825, abs=0.001)
    one = apart(what, "pot", [120.0])
    assert (one.low, one.high, one.sure) == (None, None, None) and apart(what, "pot", []) is None
    assert apart(what, "pot", [5.0, 5.0]).sure == 1.0 and apart(what, "pot", [0.0, 0.0]).sure == 0.5
    wide = apart(what, "pot", [120.0, -100.0])
    assert wide.low < 0 < wide.high and wide.sure < 0.6


def test_wins_are_counted_by_what_was_done_wherever_it_stood():
    turned = Trial("Pot?", (Side("b", "A", "stone"), Side("b", "B", "pot")), better=1)
    found = pooled([trial(0), turned, trial(-1)])
    assert {each.side: each.count for each in found.wins} == {"pot": 2, "stone": 0} and found.neither == 1


@pytest.mark.parametrize(
    ("wrong", "field"),
    [
        ({"question": " "}, "question"),
        ({"sides": (Side("a"),)}, "sides"), ({"sides": (Side("a"), Side("a"))}, "sides"),
        ({"better": 2}, "better"), ({"better": -2}, "better"), ({"conclusion": "x" * 2001}, "conclusion"),
        ({"sides": (Side("a"), Side("b")), "blind": True}, "blind"),
    ],
)  # fmt: skip
def test_a_trial_that_cannot_be_is_refused_by_its_field(wrong, field):
    body = {"question": "Pot?", "sides": trial().sides} | wrong
    with pytest.raises(CraftError) as error:
        checked(Trial(**body))
    assert error.value.field == field


def test_a_blind_trial_hides_its_sides_until_it_is_judged():
    assert trial(blind=True).hidden and not trial(0, blind=True).hidden and not trial().hidden
