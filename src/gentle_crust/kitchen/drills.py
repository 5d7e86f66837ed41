"""Reading dough for practice: doughs of own formulas, answers kept, honest scores, and what they teach."""

from dataclasses import dataclass
from statistics import mean
from typing import Any

from gentle_crust.contract import events as bodies
from gentle_crust.contract.drill import DrillScore
from gentle_crust.core import limits
from gentle_crust.core.drill.drill import Drill, Reading, Stage, drill, finger_of, score
from gentle_crust.core.errors import CraftError, within
from gentle_crust.core.formula.model import Formula
from gentle_crust.core.learning.belief import Tell
from gentle_crust.core.oven.equipment import vessel_row
from gentle_crust.core.readiness.cues import STATES
from gentle_crust.kitchen.formulas import FormulaBook
from gentle_crust.kitchen.settings import KitchenSettings
from gentle_crust.kitchen.story import readable
from gentle_crust.kitchen.work import Work
from gentle_crust.store.models import EventRow
from gentle_crust.store.repositories import Events

READER = "reader"
"""Whose history it is."""
LATEST, DAY_S = 60, 86_400.0
EYE_SD, FINGER_SD = 0.04, 0.05
GROUPS = {"pan_loaf": "tin", "roll": "tray"}


@dataclass(frozen=True)
class Judged:
    """A dough that was judged: how it was, how it was read, and the score in bits."""

    found: Drill
    reading: Reading
    bits: float


class DrillBook:
    """The practice of one kitchen."""

    def __init__(self, work: Work) -> None:
        self.work = work

    def drill(self, formula_id: str, stage: Stage, seed: int) -> Drill:
        """The dough of that lot. CraftError for a formula, stage or lot there is not."""
        formula = FormulaBook(self.work).get(formula_id).formula
        return drill(formula, stage, self._group(formula), seed)

    def sides(self, formula_id: str, stage: Stage) -> tuple[Drill, ...]:
        """Under, ready and over of a formula's dough, each as it is likeliest to show itself."""
        formula = FormulaBook(self.work).get(formula_id).formula
        group = self._group(formula)
        return tuple(drill(formula, stage, group, 1, state) for state in ("early", "ready", "over"))

    def judge(self, key: str, formula_id: str, stage: Stage, seed: int, reading: Reading) -> Judged:
        """Keep how a dough was read, once under the client's own key, and say how it was."""
        if reading.rise is not None:
            within("rise", limits.DRILL_RISE, 100 * reading.rise)
        found = self.drill(formula_id, stage, seed)
        bits = score(reading, found.state)
        eye = None if reading.rise is None or found.container != "bowl" else round(reading.rise - found.rise, 3)
        body: dict[str, Any] = {
            "formula": formula_id, "stage": stage, "state": found.state, "said": reading.state, "sure": reading.sure,
            "bits": bits, "eye": eye, "finger": finger_of(reading, found),
        }  # fmt: skip
        with self.work.write() as session:
            events = Events(session)
            if events.get(key) is None:
                events.add(EventRow(id=key, kind=bodies.DRILLED, subject=READER, at=self.work.now(), body=body))
        return Judged(found, reading, bits)

    def score(self) -> DrillScore:
        """How the latest doughs were read."""
        told = [body for _, _, _, body in self._told()]
        off = [STATES.index(each["said"]) - STATES.index(each["state"]) for each in told]
        return DrillScore(
            doughs=len(told),
            right=sum(each == 0 for each in off),
            near=sum(abs(each) == 1 for each in off),
            bits=round(mean(float(each["bits"]) for each in told), 2) if told else None,
            riper=round(mean(off), 2) if off else None,
            eye_percent=_percent([float(each["eye"]) for each in told if each.get("eye") is not None]),
        )

    def tells(self) -> dict[str, list[tuple[str, Tell]]]:
        """What the drill tells of eye and finger, by the event that told it."""
        found: dict[str, list[tuple[str, Tell]]] = {"eye": [], "finger": []}
        for key, _, at, body in self._told():
            for what, sd in (("eye", EYE_SD), ("finger", FINGER_SD)):
                if body.get(what) is not None:
                    found[what].append((key, Tell(at.timestamp() / DAY_S, float(body[what]), sd, 0, key)))
        return found

    def _told(self) -> list[Any]:
        with self.work.read() as session:
            return list(readable(Events(session).plain(bodies.DRILLED, subject=READER, last=LATEST)))

    def _group(self, formula: Formula) -> str:
        """What its proof is aimed at: by its shape, else by the kitchen's first vessel."""
        if formula.shape in GROUPS:
            return GROUPS[formula.shape]
        vessels = KitchenSettings(self.work).get().vessels
        try:
            return vessel_row(vessels[0].kind)["proof_group"] if vessels else "stone"
        except CraftError:
            return "stone"


def _percent(values: list[float]) -> int | None:
    return round(100 * mean(values)) if values else None
