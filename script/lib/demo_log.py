"""Six weeks of the made-up bakery, lived through at many times their speed, and written out as the demo's log.

Each bake is planned and pressed as a baker would: the doughs go by the program's own engine, but in a kitchen that is
cooler than its settings say, with a leaven that grows slower towards the end, in an oven that is cooler than its dial;
what is read is read by an eye that errs. What came of a bake follows from how its dough truly went into the oven, and
how that truly baked it; slices are drawn from the same truth, and some of them measured.
"""

import json
import random
import tempfile
from dataclasses import dataclass, field, replace
from datetime import UTC, datetime, timedelta
from pathlib import Path
from typing import Any
from unittest.mock import patch

from draw_loaves import loaf, slice_of

from gentle_crust import demo
from gentle_crust.contract import events as bodies
from gentle_crust.contract.asked import Asked
from gentle_crust.contract.documents import FORMULA
from gentle_crust.contract.log import AfterwardsBody
from gentle_crust.core.clock import zone_of
from gentle_crust.core.course.as_written import as_written
from gentle_crust.core.course.fill import fill
from gentle_crust.core.formula.model import Formula
from gentle_crust.core.learning.learnt import LearntHere
from gentle_crust.core.loaf.trial import Side
from gentle_crust.core.oven.bake import Baked
from gentle_crust.core.oven.bake import bake as bake_of
from gentle_crust.core.plan.shown import Plan
from gentle_crust.demo.past import LESSONS
from gentle_crust.kitchen.afterwards import enter
from gentle_crust.kitchen.blind import letters_of
from gentle_crust.kitchen.formulas import FormulaBook
from gentle_crust.kitchen.learning import LearningBook
from gentle_crust.kitchen.log_out import as_zip, write_folder
from gentle_crust.kitchen.oven_lessons import OVEN
from gentle_crust.kitchen.photos import PhotoShelf
from gentle_crust.kitchen.plans import PlanBook
from gentle_crust.kitchen.presses import Press, Presses
from gentle_crust.kitchen.settings import reading_of
from gentle_crust.kitchen.trial_offers import trials_for
from gentle_crust.kitchen.trials import TrialBook
from gentle_crust.kitchen.work import Work
from gentle_crust.store.database import open_store
from gentle_crust.store.models import PlanRow
from gentle_crust.store.repositories import Events
from gentle_crust.text.render import say

END = datetime(2026, 11, 28, 6, 0, tzinfo=UTC)
"""The morning on which the six weeks end."""
TARGET = Path(__file__).resolve().parents[2] / "src" / "gentle_crust" / "demo" / "six-weeks.zip"
COUNTRY, TIN, SPELT, MALTED = "tidewater-country", "lamplighters-tin", "saltmarsh-spelt", "quayside-malted"
MIN = timedelta(minutes=1)
COOLER_K = 1.9
"""The bakery's kitchen is by so much cooler than its settings say."""
OVEN_K = -19.0
"""And its oven than its dial."""
CULTURE, DRIFTS_FROM, DRIFT = "gull", 22, 0.011
"""Its culture works slower from so many days before the end, by so much a day."""
HELD, MEASURED = 0.75, 0.6
"""Shares of bakes whose core is measured as they come out, and whose slice is measured."""
SIZES = {"boule": (1.72, 0.79, 0.0), "batard": (1.0, 0.78, 2.15), "pan_loaf": (0.86, 0.95, 1.95)}
"""Width, height and length of a loaf, by the side of a cube of its crumb."""
EYE = 0.035
"""By so much (standard deviation, rise) a rise is misread."""

FIRST: dict[str, Any] = {
    "name": "Quayside malted",
    "flours": [{"kind": "strong_white", "percent": 88}, {"kind": "whole_wheat", "percent": 12}],
    "hydration_percent": 66,
    "salt_percent": 1.7,
    "shape": "batard",
    "extras": [{"name": "Malt", "kind": "malt", "percent": 3}],
    "preferments": [
        {"kind": "levain", "flour_kind": "strong_white", "flour_percent": 7, "hydration_percent": 100},
    ],
    "scaling_weight_g": 780,
    "pieces": 2,
    "dough_c": 24.0,
    "autolyse_min": 0,
    "note": "For soup: dark, malty, soft inside.",
}
VERSIONS: tuple[tuple[int, str, dict[str, Any]], ...] = (
    (41, "from my notebook", {}),
    (34, "wetter", {"hydration_percent": 71, "autolyse_min": 30}),
    (27, "more levain, more salt", {"salt_percent": 2.0, "preferments": [
        {"kind": "levain", "flour_kind": "strong_white", "flour_percent": 12, "hydration_percent": 100}]}),
    (19, "warmer dough", {"dough_c": 25.5, "hydration_percent": 73}),
    (10, "rye for the crust, less malt", {
        "flours": [{"kind": "strong_white", "percent": 80}, {"kind": "whole_wheat", "percent": 12},
                   {"kind": "rye", "percent": 8}],
        "extras": [{"name": "Malt", "kind": "malt", "percent": 1.5}]}),
)  # fmt: skip
"""Days before the end on which a version was written down, its name, and what is other than before."""


@dataclass
class Bake:
    """One bake: on which day before the end its loaves come out, at which hour; of what, how, and how the leaven is."""

    days: int
    hour: float
    formula: str
    style: str = "cold_shaped"
    vigour: str = "lively"
    vessel: str | None = None
    late_min: float = 0
    """By so much longer its dough is left in bulk than it should."""
    quality: float = 0.0
    """By how much the formula itself is better (or worse) liked than the usual, steps of 5."""
    dough_k: float = 0.0
    """By how much its dough left the bowl warmer than planned."""
    note: str = ""
    afterwards: str = ""
    sheet: dict[str, Any] = field(default_factory=dict)


BAKES = (
    Bake(40, 8.5, MALTED, late_min=-50, quality=-1.2, note="Pale inside and out, tastes of flour. Needs salt."),
    Bake(39, 17.0, TIN, "room_steady", note="Toast for the week."),
    Bake(37, 10.0, COUNTRY, late_min=-62, note="Cut the bulk short to catch the ferry: it shows."),
    Bake(33, 8.5, MALTED, late_min=-30, quality=-0.7, note="Better open, still bland."),
    Bake(
        31,
        10.0,
        COUNTRY,
        vessel="pot",
        late_min=-22,
        sheet={"bite": "gummy", "cut_min": 20},
        note="Could not wait, cut it steaming.",
    ),
    Bake(30, 9.0, SPELT, late_min=42, note="Spelt wants a gentle hand and a short bulk."),
    Bake(27, 13.0, COUNTRY, "room_steady", "hungry", late_min=-45, note="Gull was hungry, everything dragged."),
    Bake(26, 8.5, MALTED, note="That is the salt it wanted."),
    Bake(24, 17.0, TIN, "room_steady", dough_k=-4.5, note="Water straight from the winter tap."),
    Bake(23, 9.0, COUNTRY, vessel="stone"),
    Bake(20, 8.5, MALTED, late_min=55, quality=0.2, note="Fell asleep over the bulk. Flat, but what a taste."),
    Bake(17, 8.5, MALTED, quality=0.5, note="Warm dough, in time at last."),
    Bake(16, 12.5, COUNTRY, "room_steady"),
    Bake(15, 9.0, SPELT, late_min=-12),
    Bake(13, 8.0, COUNTRY, vessel="pot", note="The one to copy: ear like a fin."),
    Bake(11, 17.0, TIN, "room_steady"),
    Bake(9, 8.5, MALTED, quality=1.0, note="Rye in the crust: dark and thin. People asked for the recipe."),
    Bake(6, 12.5, COUNTRY, "room_steady", afterwards="At the lighthouse, in a borrowed oven."),
    Bake(5, 8.0, COUNTRY, vessel="pot"),
    Bake(3, 8.5, MALTED, quality=1.1, note="Again as last week. Keep this."),
)
"""The six weeks, the oldest first; trials are baked besides."""


CHIPS = (8.0, 25.0, 42.0, 58.0, 74.0, 90.0)


def chip(colour: float) -> float:
    """The chip that a colour is nearest to."""
    return min(CHIPS, key=lambda each: abs(each - colour))


def crumb_of(formula: Formula, off: float) -> float:
    """The share of holes of a crumb, from how far its dough had come and how wet it was."""
    usual = 0.2 if formula.shape == "pan_loaf" else 0.27 + 0.008 * (formula.hydration_percent - 70)
    return min(max(usual + (0.9 * off if off < 0 else -0.2 * off), 0.08), 0.42)


HERE = LearningBook.here


def _by_its_culture() -> Any:
    """Forecasts moved by what the bakery's culture taught, whose own life then nobody kept."""
    return patch.object(LearningBook, "here", lambda book, _, *about: HERE(book, CULTURE, *about))


class Weeks:
    """A kitchen with a clock that the script turns."""

    def __init__(self, folder: Path) -> None:
        self.folder, self.now = folder, END - timedelta(days=62)
        self.sessions = open_store(folder)
        self.work = Work(self.sessions, lambda: self.now)
        self.shelf = PhotoShelf(folder)
        self.count = 0

    def live(self) -> None:
        """Everything, in its order."""
        demo.fill(self.sessions, lambda: END)
        body = FIRST
        for days, name, changes in VERSIONS:
            self.now = END - timedelta(days=days)
            body = {**body, **changes}
            FormulaBook(self.work).save(MALTED, FORMULA.adapted.read(body), name)
        for number, bake in enumerate(BAKES):
            self.bake(f"six-weeks-{number + 1}", bake)
        self.trial("six-weeks-trial-1", 21, "vessel-stone", "Pot or stone for the country loaf?", False,
                   "The pot gives the better ear; the base is crisper from the stone.")  # fmt: skip
        self.trial("six-weeks-trial-2", 8, "vessel-stone", "Pot or stone for the country loaf?", True,
                   "Tasted blind with the neighbours: the pot again.")  # fmt: skip
        self.trial("six-weeks-trial-3", 2, "night", "Is a night more in the cold worth it?", True, "")

    # -- one bake ------------------------------------------------------------------------------------------------

    def bake(self, key: str, bake: Bake) -> None:
        """Plan it the day before, live through it, and judge its loaf."""
        dice = random.Random(key)  # noqa: S311 - the same each time
        out = self._at(bake.days, bake.hour)
        self.now = out - timedelta(hours=40)
        number = self._version(bake)
        if bake.afterwards:
            return self._enter(key, bake, out, number, dice)
        asked = Asked(bake.formula, version=number, ready=self._local(out), style=bake.style, vessel_id=bake.vessel,
                      culture_id="")  # fmt: skip
        book = PlanBook(self.work)
        with _by_its_culture():
            book.save(key, asked)
        self._of_culture(key, bake.formula)
        plan = book.open(key).answer.plan
        truth = self._truth(asked, plan, bake, dice)
        self._live_through(key, plan, truth, bake, dice)
        self._judge(key, truth, bake, dice)

    def _of_culture(self, key: str, formula: str) -> None:
        """Its levain came from the bakery's culture, of whose life then nobody kept a record."""
        if formula == TIN:
            return
        with self.work.write() as session:
            row = session.get_one(PlanRow, key)
            row.asked = {**row.asked, "culture_id": CULTURE}

    def _enter(self, key: str, bake: Bake, out: datetime, number: int, dice: random.Random) -> None:
        """A bake that was made elsewhere, entered two days later."""
        self.now = out + timedelta(days=2)
        mixed = out - timedelta(hours=7, minutes=40)
        enter(self.work, key, AfterwardsBody(event=f"{key}-e", formula_id=bake.formula, version=number,
                                             mixed=self._local(mixed), out=self._local(out), style=bake.style,
                                             vessel_id=bake.vessel, note=bake.afterwards))  # fmt: skip
        self._judge(key, PlanBook(self.work).open(key).answer.plan, bake, dice)

    def _version(self, bake: Bake) -> int:
        """The newest version of its formula on its day."""
        day = self._at(bake.days, bake.hour) - timedelta(hours=20)
        versions = FormulaBook(self.work).versions(bake.formula)
        return next((each.number for each in versions if each.saved_at <= day), 1)

    def _truth(self, asked: Asked, plan: Plan, bake: Bake, dice: random.Random) -> Plan:
        """The same dough as it truly goes: mixed a little off its hour, in the kitchen as it is."""
        book = PlanBook(self.work)
        settings = book.settings.get()
        off = dice.uniform(-1.0, 1.0)
        true = replace(
            asked, ready=None, culture=bake.vigour, room_day_c=settings.room_day_c - COOLER_K + off,
            room_night_c=settings.room_night_c - COOLER_K + off,
        )  # fmt: skip
        if plan.times is None:
            raise AssertionError("a plan of today has its times")
        if bake.dough_k:
            true = replace(true, dough_c=FormulaBook(self.work).get(bake.formula).formula.dough_c + bake.dough_k)
        mixed = plan.times.mix + dice.randint(-12, 18) * MIN
        pace = 1 - DRIFT * max(DRIFTS_FROM - bake.days, 0) if bake.formula != TIN else 1.0
        with patch.object(LearningBook, "here", return_value=LearntHere(pace=pace)):  # the truth, not what was learnt
            return book.for_mixed("truth", true, mixed).answer.plan

    def _baked(self, key: str, place: int = 0) -> Baked:
        """The bake as it truly went: as it was set, in the oven as it is."""
        book = PlanBook(self.work)
        path = fill(book.question(book.open(key)))[place]
        if path.bake is None:
            raise AssertionError("every loaf of the weeks is baked")
        question = path.bake.question
        return bake_of(replace(question, oven=replace(question.oven, offset_k=OVEN_K, pace=1.0)))

    def _live_through(self, key: str, plan: Plan, truth: Plan, bake: Bake, dice: random.Random) -> None:
        """Every press at its true hour."""
        known = {step.key for step in plan.steps}
        late, last = timedelta(0), plan.begins - timedelta(days=2)
        presses: list[tuple[datetime, str, dict[str, Any]]] = []
        for step in truth.steps:
            if step.kind in ("divide", "preshape"):
                late = bake.late_min * MIN
            if step.kind in ("preheat", "score", "load"):
                late = timedelta(0)
            if step.key in known:
                last = max(step.at + step.minutes * MIN + late + dice.randint(0, 3) * MIN, last + MIN)
                presses.append((last, bodies.STEP, {"key": step.key}))
        mixed = truth.times.mix if truth.times else plan.begins
        warm = round(2 * next(part for part in truth.ribbon.parts if part.kind == "bulk").points[0].dough_c) / 2
        seen = warm + dice.choice((-0.5, 0, 0.5))
        presses.append((mixed + 18 * MIN, bodies.READ, {"measure": "celsius", "value": seen}))
        bulk = next(part for part in truth.ribbon.parts if part.kind == "bulk").points
        for part in (0.45, 0.7, 0.92):
            point = bulk[min(round(part * (len(bulk) - 1)), len(bulk) - 1)]
            read = round(20 * (point.rise + dice.gauss(0, EYE))) * 5
            if read > 0:
                presses.append((point.at, bodies.READ, {"measure": "percent", "value": read}))
        late = bulk[min(round(0.8 * (len(bulk) - 1)), len(bulk) - 1)]
        warm = round(2 * (late.dough_c + dice.gauss(0, 0.25))) / 2
        presses.append((late.at + MIN, bodies.READ, {"measure": "celsius", "value": warm}))
        outs = [(at, body) for at, _, body in presses if str(body.get("key", "")) == "out-1"]
        if outs and dice.random() < HELD:
            core = round(self._baked(key).end("core") + dice.gauss(0, 0.6), 1)
            presses.append((outs[0][0] - timedelta(seconds=30), bodies.READ, {"measure": "core", "value": core}))
        started = min(plan.begins, *(at for at, _, _ in presses)) - 5 * MIN
        self._press(key, started, bodies.STARTED, {})
        done = sorted(presses, key=lambda each: each[0])
        load = next((at for at, _, body in done if str(body.get("key", "")).startswith("load-")), None)
        for at, kind, body in done:
            if at == load:
                self._look(key, at - 12 * MIN, truth, dice)
            self._press(key, at, kind, body)

    def _look(self, key: str, at: datetime, truth: Plan, dice: random.Random) -> None:
        """The final proof judged by its look: as it truly stands, seen by an eye that errs."""
        off = truth.proof.share + dice.gauss(0, 0.03) - (truth.proof.target_low + truth.proof.target_high) / 2
        poke = "springs_back" if off < -0.08 else "stays" if off > 0.09 else "slow_partial"
        jiggle = "none" if off < -0.1 else "wobbly" if off > 0.05 else "some"
        self._press(key, at, bodies.JUDGED, {"cues": {"poke": poke, "jiggle": jiggle}, "stage": "final_proof"})

    def _press(self, key: str, at: datetime, kind: str, body: dict[str, Any]) -> None:
        self.now = max(self.now, at)
        self.count += 1
        Presses(self.work).press(key, (Press(f"{key}-{self.count}", kind, at, body),))

    # -- what came of it -----------------------------------------------------------------------------------------

    def _judge(
        self, key: str, truth: Plan, bake: Bake, dice: random.Random, part: str = "", better: float = 0.0
    ) -> None:
        """The loaf once it can be cut: a sheet, photos, how the proof was, and what is kept in mind."""
        formula = PlanBook(self.work).open(key).answer.formula
        off = truth.proof.share - (truth.proof.target_low + truth.proof.target_high) / 2 + bake.late_min / 420
        baked = None if bake.afterwards else self._baked(key, 1 if part == "B" else 0)
        sheet = {**self._sheet(formula, off, bake.quality + better, dice, baked), **bake.sheet}
        at = max(self.now, truth.out + timedelta(hours=3)) + 5 * MIN
        self._press(key, at, bodies.LOAF, {**sheet, **({"part": part} if part else {})})
        self.now = at + 2 * MIN
        for name in ("loaf", "slice"):
            photo = f"{key}-{part.lower() or 'all'}-{name}"
            drawn = loaf(sheet, photo) if name == "loaf" else slice_of(sheet, photo, crumb_of(formula, off))
            kept = self.shelf.keep(photo, drawn)
            body = {"width": kept.width, "height": kept.height, "part": part}
            Presses(self.work).press(key, (Press(photo, bodies.PHOTO, self.now, body),))
        if dice.random() < MEASURED and not bake.afterwards:
            self._press(key, self.now + MIN, bodies.SLICED, {"photo": photo, "width_mm": sheet["width_mm"]})
        if part:
            return
        how = "under" if off < -0.09 else "over" if off > 0.09 else "right"
        self._press(key, self.now + MIN, bodies.OUTCOME, {"how": how})
        if bake.note:
            self._press(key, self.now + MIN, bodies.NOTE, {"text": bake.note})
        self._press(key, self.now + MIN, bodies.FINISHED, {})
        if dice.random() < 0.45:
            self.now = truth.out + timedelta(days=2, hours=2)
            keeps = "firm" if bake.formula == TIN else dice.choice(("fresh", "firm"))
            self._press(key, self.now, bodies.LOAF, {"day": 2, "keeps": keeps, "liked": max(sheet["liked"] - 1, 1)})

    def _sheet(
        self, formula: Formula, off: float, quality: float, dice: random.Random, baked: Baked | None = None
    ) -> dict[str, Any]:
        """A loaf as its dough went into the oven: under, right or over by ``off`` (share); and as it was ``baked``."""
        tin = formula.shape == "pan_loaf"
        off += dice.gauss(0, 0.025)
        right = abs(off) < 0.09
        liked = 4.2 + quality - 13 * max(abs(off) - 0.04, 0) + dice.gauss(0, 0.3)
        loss = (0.10 if tin else 0.135) + dice.uniform(-0.01, 0.01)
        colour = float(dice.choice((42, 58)) if tin else dice.choice((58, 58, 74)))
        base = None
        if baked is not None:
            loss = baked.end("loss") + dice.gauss(0, 0.004)
            colour, base = (chip(baked.end(line) + dice.gauss(0, 4)) for line in ("colour", "base_colour"))
            liked -= 0.03 * max(50 - colour, 0)
        grams = formula.scaling_weight_g * (1 - loss)
        wide, tall, long = SIZES["pan_loaf" if tin else "boule" if formula.shape == "boule" else "batard"]
        bulk = (grams / 0.36) ** (1 / 3) * 10
        spread = 1 + max(off, 0) * (0 if tin else 1.3) + dice.uniform(-0.02, 0.02)
        wide, tall = wide * bulk * spread, tall * bulk * (1 - max(off, 0) * 1.8 - max(-off, 0) * 0.8)
        found: dict[str, Any] = {
            "form": "domed" if tin or right else "flat" if off > 0 else "round",
            "scores": "opened" if tin or off > 0.04 else "ear" if right else "tore_beside",
            "openness": "even_small" if tin else "tight" if off < -0.09 else "wild" if off < -0.06 else
                        "open" if formula.hydration_percent > 72 and right else "even_medium",
            "top_colour": colour,
            "crumb_colour": "cream",
            "bite": "gummy" if off < -0.14 else "moist",
            "crust": "thin" if tin else "crackling" if right else "thick",
            "height_mm": round(tall), "width_mm": round(wide), "out_g": round(grams),
            "sourness": dice.choice((1, 2)) if off < 0.04 else 3,
            "flavour": max(1, min(5, round(3.4 + quality + dice.gauss(0, 0.3)))),
            "salt": "low" if formula.salt_percent < 1.8 else "right",
            "liked": max(1, min(5, round(liked))),
            "again": liked > 3.4,
        }  # fmt: skip
        if long:
            found["length_mm"] = round(long * bulk)
        if base is not None:
            found["base_colour"] = base
        if off < -0.09:
            found |= {"blow_out": "side", "holes": ["dense_base"]}
        elif off < -0.06:
            found["holes"] = ["under_crust"]
        return found

    # -- trials --------------------------------------------------------------------------------------------------

    def trial(self, key: str, days: int, code: str, question: str, blind: bool, conclusion: str) -> None:
        """One dough in two parts that differ in one thing; concluded unless there is nothing to say yet."""
        dice = random.Random(key)  # noqa: S311 - the same each time
        out = self._at(days, 13.0)
        self.now = out - timedelta(hours=44)
        bake_key = f"{key}-bake"
        asked = Asked(COUNTRY, ready=self._local(out), style="cold_shaped", vessel_id="pot", culture_id="",
                      version=FormulaBook(self.work).newest(COUNTRY))  # fmt: skip
        offer = next(each for each in trials_for(self.work, asked) if each.code == code)
        asked = replace(asked, style=None, vessel_id=None, method=as_written(offer.method))
        with _by_its_culture():
            PlanBook(self.work).save(bake_key, asked)
        self._of_culture(bake_key, COUNTRY)
        says = [say(each, reading_of(self.work)).sentence for each in offer.says]
        sides = [Side(bake_key, part, said) for part, said in zip("AB", says, strict=True)]
        TrialBook(self.work).plan(key, COUNTRY, question, sides, blind)
        plan = PlanBook(self.work).open(bake_key).answer.plan
        bake = Bake(days, 13.0, COUNTRY)
        self._live_through(bake_key, plan, plan, bake, dice)
        last = max(each.out for each in plan.outs)
        self.now = max(self.now, last + timedelta(hours=3))
        if conclusion:
            for part, better in (("A", 0.5), ("B", -0.4)):
                self._judge(bake_key, plan, bake, dice, part, better)
            shown = TrialBook(self.work).one(key)
            letters = letters_of(self.work, [bake_key]).get(bake_key, {})
            names = [side.part for side in shown.trial.sides]
            best = names.index(letters.get("A", "A"))
            self.now += timedelta(hours=2)
            TrialBook(self.work).conclude(key, best, conclusion)
        self._press(bake_key, self.now + MIN, bodies.FINISHED, {})

    def lessons(self) -> list[dict[str, Any]]:
        """What the loaves taught of the oven, as events."""
        with self.work.read() as session:
            told = Events(session).plain(bodies.OVEN_TAUGHT, subject=OVEN)
        return [{"id": key, "kind": kind, "at": at.isoformat(), "body": body} for key, kind, at, body in told]

    # -- days ----------------------------------------------------------------------------------------------------

    def _at(self, days: int, hour: float) -> datetime:
        zone = zone_of(PlanBook(self.work).settings.get().zone)
        day = (END.astimezone(zone) - timedelta(days=days)).replace(hour=0, minute=0, second=0, microsecond=0)
        return (day + timedelta(hours=hour)).astimezone(UTC)

    def _local(self, at: datetime) -> str:
        return at.astimezone(zone_of(PlanBook(self.work).settings.get().zone)).strftime("%Y-%m-%dT%H:%M")


def main() -> None:
    """Live through the weeks, and write them out."""
    with tempfile.TemporaryDirectory() as scratch:
        weeks = Weeks(Path(scratch) / "data")
        weeks.live()
        weeks.now = END
        write_folder(weeks.work, weeks.shelf, Path(scratch) / "out")
        (Path(scratch) / "out" / LESSONS).write_text(json.dumps(weeks.lessons()), encoding="utf-8")
        TARGET.unlink(missing_ok=True)
        as_zip(Path(scratch) / "out", TARGET)
        print(
            f"{TARGET.name}: {TARGET.stat().st_size // 1024} kB, {weeks.count} presses, {len(BAKES)} bakes and trials"
        )


if __name__ == "__main__":
    main()
