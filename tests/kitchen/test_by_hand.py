"""What a baker changes by hand of a dough at the bench: what follows moves with it, and is baked to its end."""

import os
import random
from datetime import timedelta

import pytest

from gentle_crust.core.errors import Conflict, CraftError
from gentle_crust.kitchen import story as tale
from gentle_crust.kitchen.by_hand import HandBook
from gentle_crust.kitchen.taken import taken_of
from gentle_crust.kitchen.work import Work
from gentle_crust.text.render import say
from tests.conftest import SATURDAY
from tests.kitchen.test_bench_courses import FORMULAS, MIN, Hand

COUNTRY = {"formula_id": "tidewater-country", "pieces": 2}
BAGUETTE = {"formula_id": "market-morning-baguette", "pieces": 4}


class Baker(Hand):
    """A baker who also changes the course by hand."""

    def __init__(self, sessions) -> None:
        super().__init__(sessions)
        self.hands = HandBook(Work(sessions, lambda: self.now))

    def offer(self, key, code):
        return next(each for each in self.hands.offers(key) if each.code == code)

    def codes(self, key):
        return [each.code for each in self.hands.offers(key)]

    def edit(self, key, code, **body):
        self.press(key, "bake_edited", {"code": code, "stage": self.offer(key, code).stage, **body})

    def local(self, at):
        return at.strftime("%Y-%m-%dT%H:%M")

    def until(self, key, kind, most=30):
        """Everything that is next done when it is due, until a step of this kind is next; that step."""
        for _ in range(most):
            step = self.dough(key).live.next
            if step.kind == kind:
                return step
            self.now = max(self.now, step.at + step.minutes * MIN)
            self.press(key, tale.STEP, {"key": step.key})
        raise AssertionError(f"no {kind}")

    def kinds(self, key, *states):
        return [step.kind for step in self.dough(key).live.steps if step.state in (states or ("due", "coming"))]


@pytest.fixture
def baker(sessions) -> Baker:
    return Baker(sessions)


def in_bulk(baker, key="d", asked=COUNTRY, **more):
    """A dough an hour into its bulk."""
    baker.begin(key, **asked, **more)
    baker.until(key, "mix")
    step = baker.dough(key).live.next
    baker.now = max(baker.now, step.at) + step.minutes * MIN
    baker.press(key, tale.STEP, {"key": step.key})
    baker.now += 60 * MIN
    return baker.dough(key)


def test_a_bulk_goes_into_the_fridge_now_and_on_in_the_room_when_it_comes_out(baker) -> None:
    before = in_bulk(baker, style="room_steady")
    ready = next(step.at for step in before.live.steps if step.kind == "divide")
    out_at = baker.now + timedelta(hours=10)
    baker.edit("d", "fridge", until=baker.local(out_at))
    dough = baker.dough("d")
    chill = next(step for step in dough.live.steps if step.kind == "chill")
    back = next(step for step in dough.live.steps if step.kind == "out_of_fridge")
    divide = next(step for step in dough.live.steps if step.kind == "divide")
    assert chill.state == "done" and chill.at == baker.now
    assert back.state == "coming" and abs(back.at - out_at) < 2 * MIN
    # A cold dough has to warm before it goes on, but not for ever.
    assert ready - baker.now < divide.at - back.at < ready - baker.now + timedelta(hours=5)
    baker.now = out_at
    assert dough.live.next.kind == "out_of_fridge"
    done = baker.bake("d")
    assert list(done)[-1].startswith("cut") and any(key.startswith("shape") for key in done)


def test_shaped_loaves_go_from_a_night_in_the_fridge_straight_to_the_oven(baker) -> None:
    baker.begin("d", **COUNTRY, style="room_steady")
    baker.until("d", "preheat")
    out = baker.now + timedelta(hours=11)
    baker.edit("d", "fridge", until=baker.local(out))
    load = next(step for step in baker.dough("d").live.steps if step.kind == "load")
    assert abs(load.at - out) < 2 * MIN and "out_of_fridge" not in baker.kinds("d")
    assert baker.dough("d").live.next.kind == "preheat"
    # An hour or two of it only puts the proof off: it goes on in the room.
    baker.presses.withdraw("d", baker.dough("d").story.told[-1].id, "back")
    out = baker.now + timedelta(hours=2)
    baker.edit("d", "fridge", until=baker.local(out))
    load = next(step for step in baker.dough("d").live.steps if step.kind == "load")
    assert load.at > out + 15 * MIN and "out_of_fridge" in baker.kinds("d")
    baker.bake("d")


def test_it_may_come_out_sooner_than_was_said_and_the_rest_moves_up(baker) -> None:
    in_bulk(baker, style="room_steady")
    baker.edit("d", "fridge", until=baker.local(baker.now + timedelta(hours=10)))
    late = baker.dough("d").live.plan.out
    baker.now += timedelta(hours=3)
    assert baker.codes("d")[:2] == ["end", "take_out"]
    baker.edit("d", "take_out")
    dough = baker.dough("d")
    assert dough.live.plan.out < late - timedelta(hours=5)
    assert "out_of_fridge" not in baker.kinds("d")
    baker.bake("d")
    assert baker.dough("d").live.over


def test_what_was_changed_is_taken_back_like_any_press(baker) -> None:
    before = in_bulk(baker, style="room_steady").live
    baker.edit("d", "fridge", until=baker.local(baker.now + timedelta(hours=10)))
    event = baker.dough("d").story.told[-1]
    assert event.kind == "bake_edited" and baker.dough("d").live.plan.out > before.plan.out + timedelta(hours=6)
    baker.presses.withdraw("d", event.id, "back")
    after = baker.dough("d").live
    assert abs(after.plan.out - before.plan.out) < MIN and "out_of_fridge" not in baker.kinds("d")
    # The number of a change that was taken back is not given again: its keys stay its own.
    baker.edit("d", "fridge", until=baker.local(baker.now + timedelta(hours=10)))
    assert baker.dough("d").story.told[-1].body["number"] == event.body["number"] + 1


def test_bulk_that_is_judged_to_have_come_to_its_end_is_divided_now(baker) -> None:
    dough = in_bulk(baker, style="room_steady")
    out = dough.live.plan.out
    baker.now += 90 * MIN
    assert baker.dough("d").live.next.kind == "fold"
    baker.edit("d", "end")
    dough = baker.dough("d")
    assert dough.live.next.kind == "divide" and dough.live.next.at <= baker.now + MIN
    # What bulk left undone the proof makes up for.
    assert out - timedelta(hours=2) < dough.live.plan.out < out + timedelta(hours=2)
    assert "fold" not in baker.kinds("d")
    baker.bake("d")
    assert baker.dough("d").live.over


def test_one_stage_more_comes_where_it_belongs(baker) -> None:
    in_bulk(baker, asked={"formula_id": "harbour-flat", "pieces": 2}, style="room_steady")
    extra = {each.kind: each for each in baker.offer("d", "stage").extra}
    assert set(extra) == {"rest", "knock_back", "preshape", "bench_rest"}
    for kind in ("bench_rest", "preshape"):
        baker.press("d", "bake_edited", {"code": "stage", "stage": extra[kind].after, "kind": kind, "minutes": 20})
    steps = [(step.kind, step.at) for step in baker.dough("d").live.steps if step.state == "coming"]
    kinds = [kind for kind, _ in steps]
    assert kinds.index("divide") < kinds.index("preshape") < kinds.index("shape")
    at = dict(steps)
    assert at["shape"] - at["preshape"] >= 40 * MIN
    done = baker.bake("d")
    assert any(key.startswith("preshape-") for key in done)


def test_some_pieces_are_kept_for_tomorrow_each_with_its_own_steps(baker) -> None:
    dough = in_bulk(baker, style="room_steady")
    wanted = dough.live.plan.out + timedelta(hours=24)
    assert baker.offer("d", "split").most_pieces == 1
    baker.edit("d", "split", pieces=1, until=baker.local(wanted))
    dough = baker.dough("d")
    outs = dough.live.plan.outs
    assert [(part.name, part.pieces) for part in outs] == [("first", 1), ("later", 1)]
    assert abs(outs[1].out - wanted) < 5 * MIN and abs(outs[0].out - outs[1].out) > timedelta(hours=20)
    assert baker.kinds("d").count("load") == 2
    assert {step.part for step in dough.live.steps if step.kind == "load"} == {"first", "later"}
    assert "split" not in baker.codes("d")
    done = baker.bake("d")
    assert sum(key.startswith("out-") for key in done) == 2 and baker.dough("d").live.over


def test_a_dough_of_two_parts_takes_the_oven_for_each_of_them_not_for_the_day_between(baker) -> None:
    dough = in_bulk(baker, style="room_steady")
    wanted = dough.live.plan.out + timedelta(hours=24)
    baker.edit("d", "split", pieces=1, until=baker.local(wanted))
    taken = [each for each in taken_of(Work(baker.presses.work.sessions, lambda: baker.now)) if each.what == "oven"]
    own = [each for each in taken if each.name == dough.name and each.end > dough.live.plan.out - timedelta(hours=3)]
    assert len(own) == 2 and all(each.end - each.start < timedelta(hours=2) for each in own)


def test_pieces_part_while_they_proof_and_the_others_go_on(baker) -> None:
    baker.begin("d", **COUNTRY, style="room_steady")
    baker.until("d", "preheat")
    wanted = baker.dough("d").live.plan.out + timedelta(hours=20)
    baker.edit("d", "split", pieces=1, until=baker.local(wanted))
    dough = baker.dough("d")
    first, later = dough.live.plan.outs
    assert abs(later.out - wanted) < 5 * MIN and first.out < wanted - timedelta(hours=18)
    chill = next(step for step in dough.live.steps if step.kind == "chill")
    assert chill.part == "later" and chill.state in ("due", "coming")
    baker.bake("d")
    assert baker.dough("d").live.over


def test_another_vessel_brings_its_own_bake(baker) -> None:
    in_bulk(baker, style="room_steady")
    offer = baker.offer("d", "vessel")
    steel = next(each for each in offer.vessels if "steel" in each.name.lower() or "stone" in each.name.lower())
    before = baker.dough("d")
    assert any(step.kind == "uncover" for step in before.live.steps)
    baker.edit("d", "vessel", vessel=steel.id)
    after = baker.dough("d")
    assert after.vessel == steel.name != before.vessel
    assert not any(step.kind == "uncover" and step.state == "coming" for step in after.live.steps)
    baker.bake("d")
    assert baker.dough("d").live.over


def test_the_dough_weighed_when_it_is_divided_says_what_each_piece_weighs(baker) -> None:
    dough = in_bulk(baker, asked=BAGUETTE)
    planned = baker.offer("d", "weighed").dough_g
    tried = baker.hands.tried("d", {"code": "weighed", "dough_g": planned - 40})
    assert f"{round((planned - 40) / 4)} g" in say(tried.sentence).sentence
    baker.edit("d", "weighed", dough_g=planned - 40)
    after = baker.dough("d")
    assert dough.each_g - after.each_g == pytest.approx(10, abs=0.6)
    divide = next(step for step in after.live.steps if step.kind == "divide")
    assert f"{round(after.each_g)}" in say(divide.detail).sentence
    baker.until("d", "shape")
    assert "weighed" not in baker.codes("d")


def test_trying_a_change_keeps_nothing(baker) -> None:
    in_bulk(baker, style="room_steady")
    events = len(baker.dough("d").story.told)
    until = baker.now + timedelta(hours=9)
    tried = baker.hands.tried("d", {"code": "fridge", "stage": "bulk", "until": baker.local(until)})
    assert "Out of the oven" in say(tried.sentence).sentence and tried.out > until
    assert len(baker.dough("d").story.told) == events


def test_a_dough_that_would_go_into_the_oven_too_young_is_told_before_the_change(baker) -> None:
    baker.begin("d", **COUNTRY, style="room_steady")
    baker.until("d", "shape")
    step = baker.dough("d").live.next
    baker.now = step.at + step.minutes * MIN
    baker.press("d", tale.STEP, {"key": step.key})
    baker.now += 5 * MIN
    proof = baker.offer("d", "end")
    told = str(say(baker.hands.tried("d", {"code": "end", "stage": proof.stage}).sentence))
    target = baker.dough("d").live.plan.proof
    assert "of its greatest volume" in told and f"{100 * target.target_low:.0f}" in told
    until = baker.local(baker.now + timedelta(hours=13))
    cold = str(say(baker.hands.tried("d", {"code": "fridge", "stage": proof.stage, "until": until}).sentence))
    assert "of its greatest volume" not in cold


def test_no_fold_is_offered_of_a_dough_that_is_stiff_with_cold(baker) -> None:
    warm = in_bulk(baker, style="room_steady")
    assert warm.live.standing.may_fold
    baker.edit("d", "fridge", until=baker.local(baker.now + timedelta(hours=14)))
    baker.now += timedelta(hours=6)
    cold = baker.dough("d").live.standing
    assert cold.stage == "bulk" and cold.dough_c < 12 and not cold.may_fold
    baker.now += timedelta(minutes=5)
    baker.edit("d", "take_out")
    baker.until("d", "shape")
    assert not baker.dough("d").live.standing.may_fold or baker.dough("d").live.standing.dough_c > 12


@pytest.mark.many
@pytest.mark.parametrize(
    ("body", "field"),
    [
        ({"code": "fridge"}, "until"),
        ({"code": "fridge", "until": "2026-11-27T07:00"}, "until"),
        ({"code": "fridge", "until": "tomorrow"}, "until"),
        ({"code": "fridge", "until": "2027-11-27T07:00"}, "until"),
        ({"code": "take_out"}, "code"),
        ({"code": "fridge", "stage": "proof", "until": "2026-11-29T07:00"}, "code"),
        ({"code": "stage", "kind": "bake", "minutes": 20}, "code"),
        ({"code": "stage", "kind": "rest", "stage": "bulk", "minutes": 9000}, "minutes"),
        ({"code": "split", "pieces": 2, "until": "2026-11-29T07:00"}, "pieces"),
        ({"code": "split", "pieces": 0, "until": "2026-11-29T07:00"}, "pieces"),
        ({"code": "vessel", "vessel": "bucket"}, "vessel"),
        ({"code": "weighed", "dough_g": 3}, "dough_g"),
        ({"code": "weighed"}, "dough_g"),
        ({"code": "fly"}, "edit.code"),
        ({"code": "end", "more": 1}, "edit.more"),
    ],
)
def test_what_cannot_be_is_refused_by_name_and_nothing_is_kept(baker, body, field) -> None:
    dough = in_bulk(baker, style="room_steady")
    stage = (
        {}
        if "stage" in body or body["code"] in ("split", "vessel", "weighed", "fly", "take_out")
        else {"stage": "bulk"}
    )
    with pytest.raises(CraftError) as refused:
        baker.press("d", "bake_edited", {**stage, **body})
    said = say(refused.value.what)
    assert refused.value.field == field and said.sentence and said.remedy
    assert len(baker.dough("d").story.told) == len(dough.story.told)


def test_a_dough_in_the_oven_is_changed_no_more(baker) -> None:
    baker.begin("d", **COUNTRY, style="room_steady")
    baker.until("d", "out")
    assert baker.codes("d") == []
    with pytest.raises(Conflict):
        baker.press("d", "bake_edited", {"code": "vessel", "vessel": "pot"})


def test_what_is_not_mixed_yet_goes_nowhere(baker) -> None:
    baker.begin("d", **COUNTRY)
    assert set(baker.codes("d")) <= {"split", "vessel"} and baker.now == SATURDAY


def as_offered(dice, offer, baker):
    """What is offered, taken as it begins, or a little otherwise."""
    body = {"code": offer.code, "stage": offer.stage}
    if offer.code == "stage":
        extra = dice.choice(offer.extra)
        return {**body, "stage": extra.after, "kind": extra.kind, "minutes": extra.minutes}
    if offer.code == "vessel":
        return {**body, "vessel": dice.choice(offer.vessels).id}
    if offer.code == "weighed":
        return {**body, "dough_g": round(offer.dough_g * dice.uniform(0.9, 1.0))}
    if offer.code == "split":
        body["pieces"] = dice.randint(1, offer.most_pieces)
    if offer.until is not None:
        until = offer.until if dice.random() < 0.5 else baker.now + timedelta(hours=dice.uniform(1, 30))
        body["until"] = baker.local(max(until, baker.now + 10 * MIN))
    return body


SEEDS = 120 if os.environ.get("GENTLE_CRUST_PROVE") else 5


@pytest.mark.parametrize("seed", range(SEEDS))
def test_whatever_is_changed_at_whatever_time_the_dough_is_baked_and_cut(baker, seed) -> None:
    dice = random.Random(seed)
    baker.begin("d", formula_id=FORMULAS[seed % len(FORMULAS)], pieces=dice.choice([1, 2, 4]))
    changes, done, before = dice.randint(1, 4), [], baker.now
    for _ in range(80):
        dough = baker.dough("d")
        step = dough.live.next
        if step is None:
            break
        offers = baker.hands.offers("d")
        if changes and offers and dice.random() < 0.3:
            changes -= 1
            body = as_offered(dice, dice.choice(offers), baker)
            done.append(body["code"])
            baker.press("d", "bake_edited", body)
            continue
        at = max(baker.now, step.at + (step.minutes + dice.choice([0, 0, 0, 40])) * MIN)
        ahead = [each for each in dough.live.steps if each.state in ("due", "coming")]
        assert all(each.at >= before - MIN for each in ahead if each.state == "coming"), (seed, done)
        assert len({each.key for each in dough.live.steps}) == len(dough.live.steps), (seed, done)
        before = baker.now = at
        baker.press("d", tale.STEP, {"key": step.key})
    assert baker.dough("d").live.over and baker.dough("d").story.complete, (seed, done)
