"""The verdict: the forecast's expectation weighed with the cues, by Bayes, with what each counted and what to ask next.

Cues are taken as independent of one another, but tempered, since they repeat each other.
"""

from dataclasses import dataclass, field
from math import log2

from gentle_crust.core import limits
from gentle_crust.core.errors import within
from gentle_crust.core.fermentation.targets import ShareTarget
from gentle_crust.core.limits import Limit
from gentle_crust.core.messages import Message, message
from gentle_crust.core.readiness.advice import Action, Pace, action_for, conflict_of, of_loaf
from gentle_crust.core.readiness.cues import (
    STATES,
    Dough,
    Likelihood,
    Stage,
    State,
    check_cues,
    cues_of,
    likelihood,
    measured,
    weight_by_rye,
)
from gentle_crust.core.readiness.outside import CRUST, Outside, VerdictCode, code_of, outside_of
from gentle_crust.core.readiness.prior import ANY, ShareBand, check_band, prior, target_of
from gentle_crust.core.tables import constant

ENGINE = "3"
"""Version of the rules and the table of cues; raised whenever a verdict would change."""
ALIKE = 0.36
"""Cues repeat each other: each of ``n`` counts as its likelihood to the power n^-0.36, one alone in full (tuned)."""
MEASURED_WHOLLY = 1.0
"""What was measured counts in full."""
COLD_POKE = 0.5
"""A cold dough answers the poke sluggishly at every stage: it counts for so much of it (practice)."""
SURE = 0.9
"""So sure, nothing more need be asked."""
LEAST_BITS = 0.03
FALLS = ("culture", "preferment", "bulk", "final_proof")
"""Stages at which a dough can be past its peak."""
APART = 2
DOUGH_SURE = 0.6
"""Forecast and dough contradict each other if the dough alone is so sure of being so many states from the forecast."""
DEFAULT_RISE_PERCENT, LEAN_CORE_C, TIN_CORE_C = 60.0, 95.0, 92.0
CRUST_BESIDE_OTHERS = 0.35
"""A crust tells of the inside of a loaf only where nothing else does; beside a knock or a crackle it counts so much
(practice), beside a core that was measured not at all."""


@dataclass(frozen=True)
class Question:
    """A dough to be judged.

    ``target``: the rise wanted (percent) in bulk, the core wanted (C) in the oven. ``pace``: how fast it nears that.
    """

    stage: Stage
    dough: Dough = field(default_factory=Dough)
    share: ShareBand | None = None
    vessel: str | None = None
    past_peak: bool | None = None
    cues: dict[str, str | float] = field(default_factory=dict)
    target: float | None = None
    share_target: ShareTarget | None = None
    pace: Pace | None = None
    core_wanted_c: float | None = None
    """The core that the baker wants, C; it wins over ``target``."""

    @property
    def wanted(self) -> float:
        """The rise or the core that is wanted."""
        if self.stage == "baked" and self.core_wanted_c is not None:
            return self.core_wanted_c
        if self.target is not None:
            return self.target
        if self.stage == "baked":
            if self.dough.rye:
                return constant("oven", "done", "rye_core")
            return TIN_CORE_C if self.vessel == "tin" else LEAN_CORE_C
        return DEFAULT_RISE_PERCENT


@dataclass(frozen=True)
class States:
    """Probability of each state."""

    early: float
    nearly: float
    ready: float
    late: float
    over: float

    @property
    def likeliest(self) -> State:
        """The most probable one."""
        return max(STATES, key=lambda state: getattr(self, state))


@dataclass(frozen=True)
class Counted:
    """What one cue says, and its weight for the verdict in bits (negative: against it)."""

    cue: str
    says: Message
    weight: float


@dataclass(frozen=True)
class Ask:
    """What would settle it best: the cue, how to look, and the bits that it is expected to bring."""

    cue: str
    look: Message
    bits: float


@dataclass(frozen=True)
class Conflict:
    """The forecast says one thing, the dough another: both explanations, and how to tell them apart."""

    forecast: State
    dough: State
    sentence: Message


@dataclass(frozen=True)
class Verdict:
    """The answer to a question of readiness."""

    engine: str
    stage: Stage
    states: States
    verdict: State
    why: tuple[Counted, ...]
    ask_next: Ask | None
    action: Action
    conflict: Conflict | None
    prior: States
    outside: Outside | None = None
    """Of a baked loaf: its colour, with probabilities."""
    verdict_code: VerdictCode | None = None
    """Of a baked loaf: inside and outside together."""


def tempered(question: Question) -> float:
    """The power with which each cue that is no figure counts, by how many of them there are.

    Parameters
    ----------
    question : what is asked, whole

    Returns
    -------
    A power, 0-1.
    """
    seen = sum(measured(question.stage, cue, question.wanted) is None for cue in question.cues)
    return float(max(seen, 1) ** -ALIKE)


def _weight_of(question: Question, cue: str) -> float:
    """The power with which a cue's likelihood counts."""
    if measured(question.stage, cue, question.wanted) is not None:
        return MEASURED_WHOLLY
    if question.stage == "baked" and cue in CRUST:
        inside = question.cues.keys() & {"knock", "crackle", "loss_percent"}
        return 0.0 if "core_c" in question.cues else CRUST_BESIDE_OTHERS if inside else tempered(question)
    power = tempered(question) * weight_by_rye(question.stage, cue, question.dough)
    if cue == "poke" and question.stage in ("bulk", "final_proof"):
        return power * (1 + (COLD_POKE - 1) * question.dough.coldness)
    return power


def _told(question: Question) -> list[tuple[str, Message, Likelihood]]:
    """Each given cue that says something of this dough: its name, its words, its tempered likelihood."""
    found = []
    for cue, value in question.cues.items():
        told = likelihood(question.stage, cue, value, question.dough, question.wanted)
        if told is not None:
            power = _weight_of(question, cue)
            found.append((cue, told[1], _tuple([each**power for each in told[0]])))
    return found


def _tuple(values: list[float]) -> Likelihood:
    return (values[0], values[1], values[2], values[3], values[4])


def _weighed(before: Likelihood, seen: Likelihood) -> Likelihood:
    product = [one * other for one, other in zip(before, seen, strict=True)]
    total = sum(product)
    return _tuple([each / total for each in product])


def seen_likelihood(question: Question) -> Likelihood:
    """How likely each state is to show all the cues together.

    Parameters
    ----------
    question : what is asked, whole

    Returns
    -------
    Likelihood of each state, 0-1: the cues' product, tempered.
    """
    seen: Likelihood = (1.0, 1.0, 1.0, 1.0, 1.0)
    for _, _, each in _told(question):
        seen = _tuple([one * other for one, other in zip(seen, each, strict=True)])
    return seen


def _action(question: Question, verdict: State) -> Action:
    action = action_for(question.stage, verdict, question.dough, question.vessel, question.pace)
    if question.stage != "baked":
        return action
    return of_loaf(action, question.cues, question.wanted, question.pace, code_of(verdict, outside_of(question.cues)))


def judge(question: Question) -> Verdict:
    """Judge a dough. Raises CraftError, naming the field, for what cannot be.

    Parameters
    ----------
    question : what is asked, whole

    Returns
    -------
    Probabilities of the states, what counted, what to ask next and to do: prior times likelihood.
    """
    _check(question)
    target = question.share_target or target_of(question.stage, question.vessel, question.dough.coldness)
    before = prior(question.stage, question.share, target, question.past_peak)
    told = _told(question)
    after = before
    for _, _, seen in told:
        after = _weighed(after, seen)
    if question.past_peak and question.stage in FALLS:
        after = _never_ready_again(after)
    states = States(*after)
    verdict = states.likeliest
    why = [Counted(cue, says, _bits(seen, after, verdict)) for cue, says, seen in told]
    if question.share is not None or question.past_peak:
        why.append(Counted("forecast", _forecast_says(question, States(*before)), _bits(before, ANY, verdict)))
    return Verdict(
        engine=ENGINE,
        stage=question.stage,
        states=states,
        verdict=verdict,
        why=tuple(sorted(why, key=lambda each: -abs(each.weight))),
        ask_next=_ask_next(question, after),
        action=_action(question, verdict),
        conflict=_conflict(question, States(*before), seen_likelihood(question)),
        prior=States(*before),
        outside=outside_of(question.cues) if question.stage == "baked" else None,
        verdict_code=code_of(verdict, outside_of(question.cues)) if question.stage == "baked" else None,
    )


def _never_ready_again(after: Likelihood) -> Likelihood:
    """Past its peak a dough is late or has gone over, however it looks."""
    late, over = after[3], after[4]
    return (0.0, 0.0, 0.0, late / (late + over), over / (late + over))


def _check(question: Question) -> None:
    within(
        "dough_c", Limit("dough-temperature", -2, 110 if question.stage == "baked" else 45, "C"), question.dough.dough_c
    )
    within("rye_percent", limits.RYE_PERCENT, question.dough.rye_percent)
    if question.share is not None:
        check_band(question.share)
    if question.core_wanted_c is not None:
        within("core_wanted_c", limits.CORE_WANTED_C, question.core_wanted_c)
    if question.target is not None:
        low, high, unit = (60, 100, "C") if question.stage == "baked" else (5, 400, "percent")
        within("target", Limit("what-is-wanted", low, high, unit), question.target)
    check_cues(question.stage, question.cues)


def _bits(seen: Likelihood, weights: Likelihood, verdict: State) -> float:
    """How much evidence favours the verdict over the other states, these taken as likely as ``weights``."""
    place = STATES.index(verdict)
    others = [(weight, each) for i, (weight, each) in enumerate(zip(weights, seen, strict=True)) if i != place]
    total = sum(weight for weight, _ in others) or 1.0
    against = sum(weight * each for weight, each in others) / total
    return log2(max(seen[place], 1e-6) / max(against, 1e-6))


def _forecast_says(question: Question, before: States) -> Message:
    if question.past_peak:
        return message("forecast-past-its-peak")
    return message(f"forecast-{before.likeliest}")


def _entropy(shares: Likelihood) -> float:
    return -sum(share * log2(share) for share in shares if share > 1e-12)


def _ask_next(question: Question, after: Likelihood) -> Ask | None:
    """The cue, not yet given, from which most is expected; None if it is settled or none would tell."""
    if max(after) > SURE:
        return None
    best: Ask | None = None
    for cue in cues_of(question.stage, question.dough, question.wanted):
        if cue.cue in question.cues or not cue.values:
            continue
        bits = _expected_bits(question, cue.cue, tuple(each.value for each in cue.values), after)
        if bits > (best.bits if best else LEAST_BITS):
            best = Ask(cue.cue, cue.look, bits)
    return best


def _expected_bits(question: Question, cue: str, values: tuple[str, ...], after: Likelihood) -> float:
    """Uncertainty that looking at a cue is expected to take away."""
    power = _weight_of(question, cue)
    expected, total = 0.0, 0.0
    for value in values:
        told = likelihood(question.stage, cue, value, question.dough, question.wanted)
        if told is None:
            return 0.0
        chance = sum(share * each for share, each in zip(after, told[0], strict=True))
        expected += chance * _entropy(_weighed(after, _tuple([each**power for each in told[0]])))
        total += chance
    return _entropy(after) - expected / total


def _conflict(question: Question, before: States, seen: Likelihood) -> Conflict | None:
    """Where forecast and cues, each taken alone, lie far apart."""
    if not question.cues or (question.share is None and not question.past_peak):
        return None
    alone = _weighed(ANY, seen)
    by_clock, by_hand = before.likeliest, States(*alone).likeliest
    place = STATES.index(by_clock)
    ahead, behind = sum(alone[place + APART :]), sum(alone[: max(place - APART + 1, 0)])
    if max(ahead, behind) < DOUGH_SURE:
        return None
    return Conflict(by_clock, by_hand, conflict_of(question.stage, ahead > behind, question.dough))
