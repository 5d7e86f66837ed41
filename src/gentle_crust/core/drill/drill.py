"""A dough to be read: where it stands is drawn by lot, what it shows follows from the tables of signs."""

from dataclasses import dataclass
from math import exp, log2
from typing import Literal

import numpy as np

from gentle_crust.core import limits
from gentle_crust.core.drill.vessel import Container, Edge, StandingDough, Vessel, standing, vessel_for
from gentle_crust.core.errors import Unreadable, within
from gentle_crust.core.fermentation.capacity import greatest_rise
from gentle_crust.core.fermentation.dough import makeup_of
from gentle_crust.core.fermentation.targets import ShareTarget, bulk_rise, proof_target
from gentle_crust.core.formula.model import Formula
from gentle_crust.core.messages import Message, message
from gentle_crust.core.readiness.cues import STATES, Dough, State, cues_of, likelihood, rise_bounds
from gentle_crust.core.readiness.prior import bounds

Stage = Literal["bulk", "final_proof"]
Sure = Literal["sure", "fairly", "guess"]
DRILLED: tuple[Stage, ...] = ("bulk", "final_proof")
SURENESS: dict[Sure, float] = {"sure": 0.8, "fairly": 0.55, "guess": 0.3}
"""What is given to the state that was chosen; the others share the rest, the nearer the more (convention)."""
FADES = 0.35
OF_ANY = 0.2
"""What each of the five states has for somebody who cannot tell."""
PLAIN = 1.6
"""How much rarer a dough of the drill contradicts itself than the tables of signs would have it: they count the
mistakes of whoever looks, and here nobody does (practice)."""
SPEAKS_BITS = 0.2
EARLIEST, LATEST_RISE, SHAPED_SHARE = 0.12, 2.2, 0.56
"""Of a bulk's wanted rise at the earliest and latest, and the share at which a loaf is shaped (practice)."""
PIECE_ML = 800.0
LEAVENS: dict[str, Literal["yeast", "levain", "mixed"]] = {"yeast": "yeast", "levain": "levain"}


@dataclass(frozen=True)
class SeenSign:
    """A sign that is shown: how one looks for it, which it is, and what is seen."""

    cue: str
    look: Message
    value: str
    says: Message


@dataclass(frozen=True)
class Drill:
    """A dough to be read. ``state``, ``rise`` and ``share`` (fractions) are what the learner does not know."""

    stage: Stage
    container: Container
    drawn: StandingDough
    signs: tuple[SeenSign, ...]
    state: State
    rise: float
    share: float
    wanted: tuple[float, float]
    """Rises between which it is ready."""
    speaks: tuple[tuple[Message, float], ...]
    """What spoke for its state and against it, in bits, the strongest first."""


@dataclass(frozen=True)
class Reading:
    """How a dough was read: the state, how surely, and how far it was taken to have risen (a fraction)."""

    state: State
    sure: Sure
    rise: float | None = None


def drill(formula: Formula, stage: Stage, group: str, seed: int, state: State | None = None) -> Drill:
    """Draw a dough.

    Parameters
    ----------
    formula : whose dough
    stage : bulk or final_proof
    group : what it is baked in, as the proof's targets have it: stone, hot_pot, cold_start, tin, tray
    seed : the lot, 0 and more: the same dough each time
    state : where it stands, if that is not to be drawn by lot; then it shows what is likeliest there

    Returns
    -------
    The dough. CraftError for a stage that is not drilled.
    """
    if stage not in DRILLED:
        raise Unreadable("stage", "readiness-stage-unknown", stage=stage, names=DRILLED)
    within("seed", limits.DRILL_SEED, seed)
    rng = np.random.default_rng([seed, DRILLED.index(stage)])
    made = makeup_of(formula)
    tin = formula.shape == "pan_loaf"
    holds = greatest_rise(made, "bulk" if stage == "bulk" else "tin" if tin else "free_standing")
    dough = Dough(formula.dough_c, 100 * formula.blend("rye_fraction"), LEAVENS[formula.leaven],
                  formula.hydration_percent / 100, holds)  # fmt: skip
    between = _rises(stage, formula, group, holds)
    chosen: State = state or STATES[int(rng.integers(5))]
    place = STATES.index(chosen)
    low, high = between[place], between[place + 1]
    rise = float(rng.uniform(low, high)) if state is None else (low + high) / 2
    target = 100 * between[2]
    signs = _signs(stage, dough, target, place, rng, by_lot=state is None)
    container: Container = _container(stage, tin, rng) if state is None else _container(stage, tin, None)
    seen = {each.cue: each.value for each in signs}
    most = PIECE_ML * (1 + max(holds, between[-1]))
    vessel: Vessel = vessel_for(container, most)
    edge: Edge = seen.get("edge", "level")  # type: ignore[assignment]
    drawn = standing(vessel, PIECE_ML, rise, edge, seen.get("bubbles", "some"), seed)
    share = (1 + rise) / (1 + holds)
    return Drill(
        stage, container, drawn, signs, chosen, rise, share, (between[2], between[3]),
        _speaks(stage, signs, dough, target, place),
    )  # fmt: skip


def _rises(stage: Stage, formula: Formula, group: str, holds: float) -> tuple[float, ...]:
    """Rises (fractions) from the earliest over the four bounds between states to the latest."""
    if stage == "bulk":
        wanted = float(bulk_rise(formula.leaven, np.array([formula.dough_c]))[0])
        wanted = min(wanted, 0.62 * holds)
        inner = [each / 100 for each in rise_bounds(100 * wanted)]
        return (EARLIEST * wanted, *inner, max(LATEST_RISE * wanted, inner[-1] * 1.1))
    target: ShareTarget = proof_target(group, False)
    shares = bounds("final_proof", target)
    rises = [share * (1 + holds) - 1 for share in (min(SHAPED_SHARE, shares[0] - 0.05), *shares, 1.0)]
    return tuple(max(each, 0.05) for each in rises)


def _container(stage: Stage, tin: bool, rng: np.random.Generator | None) -> Container:
    """What it stands in: in bulk a flared bowl as often as a straight box, for a bowl deceives."""
    if stage == "final_proof":
        return "tin" if tin else "basket"
    return "bowl" if rng is None or rng.random() < 0.5 else "box"


def _signs(
    stage: Stage, dough: Dough, target: float, place: int, rng: np.random.Generator, by_lot: bool
) -> tuple[SeenSign, ...]:
    """What such a dough shows: each sign by how often it is shown in that state."""
    found = []
    for cue in cues_of(stage, dough, target):
        if not cue.values:
            continue
        chances = []
        for each in cue.values:
            told = likelihood(stage, cue.cue, each.value, dough, target)
            chances.append(0.0 if told is None else told[0][place])
        weights = np.array(chances) ** PLAIN
        if weights.sum() <= 0:
            continue
        pick = int(rng.choice(len(weights), p=weights / weights.sum())) if by_lot else int(weights.argmax())
        value = cue.values[pick]
        found.append(SeenSign(cue.cue, cue.look, value.value, value.says))
    return tuple(found)


def _speaks(
    stage: Stage, signs: tuple[SeenSign, ...], dough: Dough, target: float, place: int
) -> tuple[tuple[Message, float], ...]:
    """What each sign says for the state that it really was, in bits."""
    found = []
    for sign in signs:
        told = likelihood(stage, sign.cue, sign.value, dough, target)
        if told is None:
            continue
        others = [each for i, each in enumerate(told[0]) if i != place]
        bits = log2(max(told[0][place], 1e-4) / max(sum(others) / len(others), 1e-4))
        if abs(bits) >= SPEAKS_BITS:
            found.append((sign.says, round(bits, 2)))
    return tuple(sorted(found, key=lambda each: -abs(each[1])))


def given(reading: Reading) -> dict[State, float]:
    """What a reading gives to each state.

    Parameters
    ----------
    reading : the state that was chosen, and how surely

    Returns
    -------
    Probabilities of the five states.
    """
    if reading.state not in STATES:
        raise Unreadable("state", "drill-state-unknown", state=str(reading.state)[:30])
    if reading.sure not in SURENESS:
        raise Unreadable("sure", "drill-sure-unknown", sure=str(reading.sure)[:30])
    chosen, most = STATES.index(reading.state), SURENESS[reading.sure]
    far = {i: exp(-FADES * abs(i - chosen)) for i in range(5) if i != chosen}
    total = sum(far.values())
    return {state: most if i == chosen else (1 - most) * far[i] / total for i, state in enumerate(STATES)}


def score(reading: Reading, state: State) -> float:
    """The logarithmic score of a reading: bits better than somebody who cannot tell (Good 1952, unverified).

    Parameters
    ----------
    reading : how it was read
    state : how it was

    Returns
    -------
    Bits: 0 tells nothing, 2 is sure and right, below 0 is worse than knowing nothing.
    """
    return round(log2(given(reading)[state] / OF_ANY), 2)


def becomes(stage: Stage, state: State) -> Message:
    """What a loaf would have become of a dough that went on from there.

    Parameters
    ----------
    stage : bulk or final_proof
    state : where it stood

    Returns
    -------
    A sentence.
    """
    return message(f"drill-becomes-{stage.replace('_', '-')}-{state}")


def finger_of(reading: Reading, found: Drill) -> float | None:
    """By how much of its greatest volume a reading took a loaf for riper than it was (less ripe: negative), turned to
    the share at which this reader says ready.

    Parameters
    ----------
    reading : how it was read
    found : the dough

    Returns
    -------
    A share, early negative; None in bulk.
    """
    if found.stage != "final_proof":
        return None
    return STEP_SHARE * (STATES.index(found.state) - STATES.index(reading.state))


STEP_SHARE = 0.06
"""Share of the greatest volume from one state of a proof to the next (practice)."""
