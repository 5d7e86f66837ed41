"""Costly proofs run whole, with what each found, its seed and the commit, written to docs/proof.md."""

import os
import re
import subprocess
import sys
import tempfile
import time
from collections import Counter
from collections.abc import Callable, Iterator
from dataclasses import dataclass, replace
from datetime import UTC, datetime, timedelta
from itertools import pairwise
from pathlib import Path
from typing import Any

from hostile import REQUESTS, throw
from population import coverage, situations
from tests.crumbs import slice_of
from tests.plans import Bench, Wish, kitchen, make_plan
from tests.recipes.kept_back import KEPT_BACK
from tests.recipes.score import LEAST, TUNED, rates, score
from tests.stories.bakes import KEPT_BACK as BAKES_KEPT
from tests.stories.bakes import TUNED as BAKES

from gentle_crust import demo
from gentle_crust.contract.asked import Asked
from gentle_crust.core.clock import Nights, Room
from gentle_crust.core.course.believed import Read
from gentle_crust.core.course.targets import usual_proof_h
from gentle_crust.core.crumb.measure import read_crumb
from gentle_crust.core.diagnosis.diagnose import diagnose
from gentle_crust.core.diagnosis.record import Record, ShareLogged
from gentle_crust.core.errors import CraftError
from gentle_crust.core.formula.model import FlourShare, Formula, Preferment
from gentle_crust.core.oven.equipment import Oven, Vessel
from gentle_crust.kitchen.plans import PlanBook
from gentle_crust.kitchen.work import Work
from gentle_crust.store.database import open_store
from gentle_crust.text.render import say

ROOT = Path(__file__).parents[2]
NOW = datetime(2026, 11, 28, 6, 30, tzinfo=UTC)
NEVER = {"unripe", "no_rise", "water_hot"}
"""Problems of a dough that hardly ferments where it stands."""


@dataclass(frozen=True)
class Proof:
    """What one proof found: whether it holds, and its figures in words."""

    holds: bool
    figures: tuple[str, ...]


def kitchens() -> Proof:
    """Every demo formula, in the room and cold, in kitchens from 5 to 40 C by day and by night."""
    with tempfile.TemporaryDirectory() as scratch:
        sessions = open_store(Path(scratch) / "data")
        demo.fill(sessions, lambda: NOW)
        book = PlanBook(Work(sessions, lambda: NOW))
        said: Counter[str] = Counter()
        unmended, errors = [], []
        for key, day, night, style in _rooms([each.id for each in book.formulas.all()]):
            asked = Asked(key, room_day_c=day, room_night_c=night, style=style, ready="2026-11-29T18:00")
            try:
                codes = {problem.code for problem in book.preview(asked).plan.problems}
            except CraftError as error:
                errors.append(f"{key} {day:.0f}/{night:.0f} {style}: {say(error.what)}")
                continue
            said["planned" if not codes else "with a time to choose" if not codes & NEVER else "never ferments"] += 1
            if codes & NEVER and not book.mends(asked):
                unmended.append(f"{key} {day:.0f}/{night:.0f} {style} {sorted(codes)}")
        sessions.kw["bind"].dispose()
    total = sum(said.values())
    figures = (
        f"{total} plans: {said['planned']} without a problem, {said['with a time to choose']} that need another time,"
        f" {said['never ferments']} that hardly ferment there and name it",
        f"errors: {len(errors)}{''.join(f'; {each}' for each in errors[:3])}",
        f"of the last, without any mend: {len(unmended)}{''.join(f'; {each}' for each in unmended[:3])}",
    )
    return Proof(not errors and not unmended, figures)


def _rooms(keys: list[str]) -> Iterator[tuple[str, float, float, str]]:
    for key in keys:
        for day in range(5, 41, 5):
            for night in range(5, 41, 5):
                for style in ("room_steady", "cold_shaped"):
                    yield key, float(day), float(night), style


KITCHEN = kitchen("Europe/Lisbon", Room(23, 19, 4.5), Nights(22, 5.75), Oven("electric", 250))
VESSELS = {kind: Vessel(kind, kind, kind) for kind in ("stone", "lidded_cast_iron", "tin", "tray")}
SHAPES = (("boule", "stone"), ("batard", "lidded_cast_iron"), ("baguette", "stone"), ("pan_loaf", "tin"),
          ("roll", "tray"), ("slipper", "tray"))  # fmt: skip


ROUNDED_H = 2 / 60


def yeasted() -> Proof:
    """Yeasted doughs of every shape, .2 to 2.5 % of instant yeast, 58 to 80 % water, 20 to 28 C: each has a proof."""
    count, short, off, said = 0, [], [], []
    least = 1e9
    for shape, vessel in SHAPES:
        for percent in (0.2, 0.5, 0.8, 1.0, 1.3, 1.7, 2.0, 2.5):
            for water in (58, 66, 74, 80):
                for warm in (20, 23, 25, 28):
                    formula = Formula("Y", (FlourShare("strong_white", 100),), water, 2, shape, yeast_percent=percent)
                    wish = Wish(formula, 2, 90 if shape == "roll" else 500, NOW + timedelta(hours=30), "room",
                                VESSELS[vessel], warm)  # fmt: skip
                    plan = make_plan(wish, KITCHEN, NOW)
                    if plan.times is None:
                        continue
                    count += 1
                    proof_h = (plan.times.load - plan.times.proof_start) / timedelta(hours=1)
                    mixing = timedelta(minutes=next(step.minutes for step in plan.steps if step.kind == "mix"))
                    bulk_h = (plan.times.bulk_end - plan.times.mix - mixing) / timedelta(hours=1)
                    least = min(least, 60 * proof_h)
                    name = (
                        f"{shape} {percent} % {water} % {warm} C: bulk {60 * bulk_h:.0f}, proof {60 * proof_h:.0f} min"
                    )
                    # A plan's times are whole minutes, and the bulk's end and the proof's are two of them.
                    if proof_h + ROUNDED_H < min(0.9 * usual_proof_h(bulk_h), 0.5 * bulk_h):
                        short.append(name)
                    inside = plan.proof.target_low - 0.015 <= plan.proof.share <= plan.proof.target_high + 0.015
                    told = {problem.code for problem in plan.problems} & {"over_proofed", "under_proofed"}
                    (said if told else off).extend([] if inside else [name])
    return Proof(
        not short and not off,
        (f"{count} plans; shortest proof {least:.0f} min",
         f"shorter than usual: {len(short)}{''.join(f'; {each}' for each in short[:3])}",
         f"outside its target, unsaid: {len(off)}, said: {len(said)}{''.join(f'; {each}' for each in off[:3])}"),
    )  # fmt: skip


def silent_dough() -> Proof:
    """A dough that does not rise: the longer, and the lower it was read, the less its leaven is believed alive."""
    formula = Formula("L", (FlourShare("strong_white", 100),), 75, 2, "boule", (),
                      (Preferment("levain", "strong_white", 10, 100),))  # fmt: skip
    risen, count = [], 0
    for warm in (18.0, 21.0, 24.0, 27.0):
        where = replace(KITCHEN, room=Room(warm, warm, 4.5))
        wish = Wish(formula, 2, 850, NOW + timedelta(hours=60), "room", VESSELS["lidded_cast_iron"], warm)
        dough = Bench(wish, where, NOW)

        def vigour(*rises: tuple[float, float], dough: Bench = dough) -> float:
            mixed = dough.saved.times.mix  # type: ignore[union-attr]  # a plan of today has its times
            read = [Read(mixed + timedelta(hours=at), "rise_eye", rise) for at, rise in rises]
            told = dough.followed(readings=read).plan.told
            return told.vigour.likely if told else 1.0

        hours = [0.5 * n for n in range(2, 29)]
        by_time = [vigour(*((at, 0.0) for at in hours[: n + 1])) for n in range(0, len(hours), 2)]
        by_rise = {at: [vigour((at, rise / 20)) for rise in range(30, -3, -2)] for at in (3.0, 6.0, 9.0)}
        for name, line in (("in time", by_time), *((f"at {at:.0f} h", line) for at, line in by_rise.items())):
            count += len(line) - 1
            risen += [f"{name}, {warm:.0f} C" for one, other in pairwise(line) if other > one + 1e-9]
    return Proof(not risen, (f"{count} pairs compared; the belief rose in {len(risen)}{risen[:2] if risen else ''}",))


def bands() -> Proof:
    """Made-up doughs by leaven and place keep to the band of 80 %, before and after readings by eye."""
    found = {one.name: coverage(one, 400, seed=7) for one in situations()}
    return Proof(
        all(0.72 <= each.inside <= 0.88 for each in found.values()),
        tuple(f"{name}: {100 * each.inside:.0f} % inside, {each.width_h:.1f} h wide" for name, each in found.items()),
    )


def _tests(*names: str, said: str = "") -> Proof:
    """Tests that are too long for every day, run whole; ``said``: what of their output is a figure."""
    went = subprocess.run(  # noqa: S603
        [sys.executable, "-m", "pytest", "-s", "-v", "--timeout=0", *names], cwd=ROOT, capture_output=True, text=True,
        env={**os.environ, "GENTLE_CRUST_PROVE": "1"}, check=False,
    )  # fmt: skip
    last = (went.stdout.strip().splitlines() or [""])[-1]
    if went.returncode:
        return Proof(False, (last, *re.findall(r"^FAILED .*", went.stdout, re.MULTILINE)))
    figure = re.search(said, went.stdout) if said else None
    return Proof(True, (figure[0].strip("= ") if figure else "passed",))


def _script(name: str, *arguments: str) -> Proof:
    """A script of this folder; its last line is its figure."""
    went = subprocess.run(  # noqa: S603
        [sys.executable, str(Path(__file__).with_name(f"{name}.py")), *arguments], cwd=ROOT, capture_output=True,
        text=True, check=False,
    )  # fmt: skip
    return Proof(went.returncode == 0, ((went.stdout.strip().splitlines() or [went.stderr[-300:]])[-1],))


def kills() -> Proof:
    """2,200 writes of eight kinds, 100 kills in between with a backup under way: nothing acknowledged is lost."""
    return _tests("tests/api/test_kill.py", said=r"\d+ writes acknowledged.*")


def screens() -> Proof:
    """Every room in every size, by day and by night, in every state: the browser tests whole, not a sample of them."""
    return _tests("tests/browser", "-n", "3", "--dist", "loadfile", said=r"\d+ passed.*")


def damage() -> Proof:
    """Every kind of row damaged in every way: it is named, can be had and put away, and all else answers."""
    return _tests("tests/store/test_damage.py", said=r"\d+ passed.*")


def every_kind() -> Proof:
    """What is tried over many kinds (refusals, formulas, hours, old kitchens), of which script/test takes a few,
    and what takes long."""
    return _tests("tests/api", "tests/core", "tests/kitchen", "tests/store", "-m", "many or long", said=r"\d+ passed.*")


def warmth() -> Proof:
    """Forecasts in steps of a tenth of a degree from 0 to 40 C: none jumps, and by how much they move at most."""
    return _tests("tests/core/test_truth_of_dough.py", "-k", "no_cliff", said=r"\d+ passed.*")


def old_stores() -> Proof:
    """Data files of every version that ever was: opened, whole, and changes of schema all or nothing."""
    return _tests("tests/store/test_old_stores.py", said=r"\d+ passed.*")


def requests() -> Proof:
    """10,000 requests drawn from the API's description, right and wrong: none ends in a failure of the program."""
    sent, seed, failures = 0, 7, set[str]()
    while sent < REQUESTS and seed < 12:
        found = throw(REQUESTS - sent + 1000, seed)
        sent, seed, failures = sent + found.sent, seed + 1, failures | set(found.failures)
    named = "; ".join(sorted(failures)[:5])
    return Proof(sent >= REQUESTS and not failures, (f"{sent} requests, {len(failures)} failures {named}".strip(),))


def reader() -> Proof:
    """What is thrown at the paste box and the importers for ten minutes: no crash, nothing slow."""
    return _script("fuzz", "10")


def recipes() -> Proof:
    """Eighty written recipes against their right readings; the twenty kept back, by which none was mended, apart."""
    every, kept = [score(case) for case in (*TUNED, *KEPT_BACK)], [score(case) for case in KEPT_BACK]
    holds = all(rate >= least for rate, least in zip(rates(every), LEAST, strict=True))
    said = "{}: {} lines, {:.1%} right, {:.1%} inside their bands, {:.1%} in their stage; {:.1%} of {} courses right"
    figures = []
    for name, found in (("all eighty", every), ("kept back", kept)):
        right, inside, staged, courses = rates(found)
        lines = sum(each.lines for each in found)
        told = sum(each.course is not None for each in found)
        figures.append(said.format(name, lines, right, inside, staged, courses, told))
    silent = [f"{each.name}: {', '.join(each.silent)}" for each in every if each.silent]
    missed = [each.name for each in every if each.course is False]
    figures += [f"lines silently wrong: {len(silent)}", f"courses misread: {', '.join(missed) or 'none'}"]
    return Proof(holds and not silent, tuple(figures))


def stories() -> Proof:
    """Sixty bakes with the causes a good baker would name; fifteen of them, never tuned on, apart."""
    figures, holds = [], True
    for name, told, first_least, third_least in (
        ("all sixty", [*BAKES, *BAKES_KEPT], 48, 57),
        ("kept back", BAKES_KEPT, 11, 14),
    ):
        first = third = absurd = 0
        for each in told:
            fields = dict(each.record)
            if "proof_share" in fields:
                fields["proof_share"] = ShareLogged(**fields["proof_share"])
            causes = [one.cause for one in diagnose(Record(**fields), each.seen, each.not_seen).causes]
            first += causes[0] in each.first
            third += any(cause in each.first for cause in causes[:3])
            absurd += causes[0] in each.absurd
        holds &= first >= first_least and third >= third_least and not absurd
        figures.append(f"{name}: first cause agreed in {first}, among the first three in {third}, absurd {absurd}")
    return Proof(holds, tuple(figures))


def lived_bakes() -> Proof:
    """640 bakes lived by the engines with one thing gone wrong, logged with errors: the cause named first is the true
    one in three of four."""
    return _tests("tests/core/test_simulated_change.py", "-k", "engines_lived", said=r"first cause right in .*")


def kitchens_learnt() -> Proof:
    """200 kitchens lived in: how far "ready at" is off at the first bake and after ten, bands, and what is unlearnt."""
    return _tests("tests/core/test_learning.py", "-k", "kitchens_are_learnt", said=r"\d+ kitchens: .*")


def crumbs() -> Proof:
    """Forty drawn slices whose holes are known: how far each figure is off."""
    off: dict[str, list[float]] = {"share": [], "mean": [], "count": [], "largest": []}
    ways: tuple[dict[str, Any], ...] = (
        {}, {"light": 0.25}, {"ground": (0.95, 0.95, 0.95)}, {"noise": 0.05}, {"blur": 2.2},
        {"count": 420, "mean_mm": 1.6}, {"count": 40, "mean_mm": 6.0, "spread": 0.6}, {"px": 600},
    )  # fmt: skip
    for seed in range(40):
        picture, truth = slice_of(100 + seed, **ways[seed % len(ways)])
        found, _ = read_crumb(picture, 120.0)
        pairs = ((found.holes_fraction, truth.holes_fraction), (found.mean_cell_mm2, truth.mean_cell_mm2),
                 (found.cells_per_cm2, truth.cells_per_cm2), (found.largest_mm, truth.largest_mm))  # fmt: skip
        for name, (got, wanted) in zip(off, pairs, strict=True):
            off[name].append(abs(got / wanted - 1))
    worst = {name: max(values) for name, values in off.items()}
    holds = worst["share"] <= 0.1 and worst["mean"] <= 0.1 and worst["count"] <= 0.2 and worst["largest"] <= 0.2
    return Proof(holds, tuple(f"{name}: at most {value:.1%} off" for name, value in worst.items()))


def whole_bake() -> Proof:
    """A bake at six hundred times its pace, from mixing to the cooled loaf, pressed in the browser, instruments on."""
    return _tests("tests/browser/test_bench_room.py", "-k", "whole_bake")


def feeds() -> Proof:
    """200 wishes for a ripe levain: each is ripe when wanted, or truly out of reach."""
    return _tests("tests/core/test_feeding.py")


def random_benches() -> Proof:
    """Twelve doughs pressed at random, at random times, read, judged and changed: the bench still answers."""
    return _tests("tests/kitchen/test_bench_courses.py")


def set_ups() -> Proof:
    """5,000 set-ups of oven, vessel, steam and loaf drawn at random: each bakes like bread, heat and water kept."""
    return _tests("tests/core/test_oven_cases.py")


def course_trees() -> Proof:
    """500 random methods, two parts at most: planned backward they come out forward within a minute and .01 share."""
    return _tests("tests/core/test_course_solving.py", "-k", "forward or backward", said=r"\d+ of \d+ trees.*")


def changes_by_hand() -> Proof:
    """120 doughs changed by hand at random, up to four times each: all are baked and cut, nothing runs backward."""
    return _tests("tests/kitchen/test_by_hand.py")


def courses_lived() -> Proof:
    """Twelve courses lived through in the browser, from formula to cut loaf, pressed late, early and taken back."""
    return _tests("tests/browser/test_courses_lived.py")


def course_kitchens() -> Proof:
    """Every demo formula in every style that fits it, in twelve kitchens from 5/5 to 40/36 C: planned, or mended."""
    return _tests("tests/core/test_course_kitchens.py", said=r"planned \d+ of \d+.*")


def course_presses() -> Proof:
    """300 random sequences of presses on courses under way: time never runs backward, nothing is done twice."""
    return _tests("tests/core/test_course_progress.py", said=r"\d+ passed.*")


PROOFS: dict[str, Callable[[], Proof]] = {
    "kitchens": kitchens,
    "yeasted": yeasted,
    "silent_dough": silent_dough,
    "bands": bands,
    "kills": kills,
    "damage": damage,
    "old_stores": old_stores,
    "every_kind": every_kind,
    "warmth": warmth,
    "requests": requests,
    "screens": screens,
    "reader": reader,
    "recipes": recipes,
    "stories": stories,
    "lived_bakes": lived_bakes,
    "kitchens_learnt": kitchens_learnt,
    "crumbs": crumbs,
    "whole_bake": whole_bake,
    "feeds": feeds,
    "random_benches": random_benches,
    "set_ups": set_ups,
    "changes_by_hand": changes_by_hand,
    "courses_lived": courses_lived,
    "course_trees": course_trees,
    "course_kitchens": course_kitchens,
    "course_presses": course_presses,
}


def _commit() -> str:
    found = subprocess.run(
        ["/usr/bin/env", "git", "rev-parse", "--short", "HEAD"], cwd=ROOT, capture_output=True, text=True, check=False
    )
    return found.stdout.strip() or "unknown"


FILE = ROOT / "docs" / "proof.md"
HEAD = """# Proofs

Written by `script/prove`, which runs all of them, or those that it is given; each says when and at which commit it
was run. Chance is seeded with 7. Samples of the same run in `script/test`.
"""


def _kept() -> dict[str, str]:
    """The proofs that the file holds, by name, so that one of them can be run anew."""
    parts = FILE.read_text(encoding="utf-8").split("\n## ")[1:] if FILE.exists() else []
    return {part.split(":", 1)[0].lower().replace(" ", "_"): part.rstrip() for part in parts}


def _told(name: str, proof: Proof, took: float) -> str:
    """One proof as the file tells it."""
    lines = [
        f"{name.replace('_', ' ').capitalize()}: {'holds' if proof.holds else 'DOES NOT HOLD'}", "",
        (PROOFS[name].__doc__ or "").strip(), "", *(f"- {figure}" for figure in proof.figures),
        f"- {datetime.now(UTC):%Y-%m-%d}, at commit {_commit()}, {took:.0f} s",
    ]  # fmt: skip
    return "\n".join(lines)


def main(names: list[str]) -> int:
    """Run the proofs, all or those named, and write what each found as soon as it did; returns the exit status."""
    whole = True
    for name in names or list(PROOFS):
        begun = time.perf_counter()
        proof = PROOFS[name]()
        whole &= proof.holds
        kept = _kept() | {name: _told(name, proof, time.perf_counter() - begun)}
        print(kept[name], flush=True)
        sections = [f"\n## {kept[each]}\n" for each in PROOFS if each in kept]
        FILE.write_text(HEAD + "".join(sections), encoding="utf-8")
    return 0 if whole else 1


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
