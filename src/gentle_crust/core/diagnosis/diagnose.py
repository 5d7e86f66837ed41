"""From faults seen to causes, each with what speaks for and against it, what to look at next, and one change."""

from dataclasses import dataclass
from math import log2

from gentle_crust.core.diagnosis.change import NextChange, change_for
from gentle_crust.core.diagnosis.evidence import Evidence, evidence
from gentle_crust.core.diagnosis.inference import FAULTS, Weighed, causes, comes_again, shows, weigh_causes
from gentle_crust.core.diagnosis.record import Record, check_record
from gentle_crust.core.diagnosis.simulated import NOTHING_MORE, Known
from gentle_crust.core.errors import CraftError, Unreadable
from gentle_crust.core.loaf.faults import fault_name
from gentle_crust.core.messages import Message, message
from gentle_crust.core.tables import toml

WORTH_TELLING = 0.02
"""A cause less probable than this is not told."""
SPEAKS_BITS = 0.15
"""Evidence of fewer bits says nothing."""
RULED_OUT_BELOW, RULED_OUT_BITS = 0.12, -1.0
SHOWS_IT = 0.2
"""A cause that shows a fault as often as this might have been it."""
UNEXPLAINED_BELOW = 0.2
SURE, CHANGE_FROM, WORTH_A_LOOK = 0.85, 0.35, 0.06
MOST_FAULTS = 12
IN_FRONT_FROM, MOST_IN_FRONT = 0.15, 4
STANDS_OUT_FROM = 0.3
"""The likeliest cause is one to act on from this probability; below it, the record does not tell."""


@dataclass(frozen=True)
class Speaks:
    """One thing that speaks for or against a cause: bits are the base-2 logarithm of its likelihood ratio."""

    evidence: str
    text: Message
    bits: float


@dataclass(frozen=True)
class LikelyCause:
    """A cause with its probability (0-1, together with all others), and what speaks for and against it."""

    cause: str
    name: Message
    p: float
    for_: tuple[Speaks, ...]
    against: tuple[Speaks, ...]


@dataclass(frozen=True)
class RuledOut:
    """A cause that might have been it, and what of the record rules it out."""

    cause: str
    name: Message
    text: Message


@dataclass(frozen=True)
class LookNext:
    """What single look next time would tell most."""

    look: str
    text: Message


@dataclass(frozen=True)
class Diagnosis:
    """Causes, the likeliest first; those ruled out; faults that nothing explains; a look and a change for next time."""

    causes: tuple[LikelyCause, ...]
    ruled_out: tuple[RuledOut, ...]
    unexplained: tuple[str, ...]
    look_next: LookNext | None
    change: NextChange | None


def diagnose(
    record: Record, seen: tuple[str, ...], not_seen: tuple[str, ...] = (), known: Known = NOTHING_MORE
) -> Diagnosis:
    """Say why a loaf came out so.

    Parameters
    ----------
    record : what was logged of its bake; what is not known is None
    seen : codes of the faults seen, 0-12
    not_seen : codes of faults that were looked for and are not there
    known : what is known of its dough and bake beyond the record: a change is simulated with it

    Returns
    -------
    The diagnosis; CraftError that names the field for faults or figures that there are not.
    """
    _check(seen, not_seen)
    check_record(record)
    told = evidence(record, known)
    ratios: dict[str, float] = {}
    for each in told:
        for cause, ratio in each.ratios.items():
            ratios[cause] = ratios.get(cause, 1.0) * ratio
    weighed = weigh_causes(seen, not_seen, ratios)
    ranked = sorted(weighed.p, key=lambda cause: -weighed.p[cause])
    named = tuple(
        _cause(each, weighed.p[each], seen, not_seen, told) for each in ranked if weighed.p[each] >= WORTH_TELLING
    )
    return Diagnosis(
        named,
        _ruled_out(weighed, seen, told),
        tuple(fault for fault in seen if weighed.explained[fault] < UNEXPLAINED_BELOW),
        _look_next(weighed, ranked, record),
        _change(weighed, ranked, record, seen, known),
    )


def in_front(found: Diagnosis) -> int:
    """How many of the causes are likely enough to be told at length; the first always is."""
    likely = sum(each.p >= IN_FRONT_FROM for each in found.causes[:MOST_IN_FRONT])
    return max(likely, min(len(found.causes), 1))


def stands_out(found: Diagnosis) -> bool:
    """Whether the likeliest cause is likely enough to act on."""
    return not found.causes or found.causes[0].p >= STANDS_OUT_FROM


def _check(seen: tuple[str, ...], not_seen: tuple[str, ...]) -> None:
    if len(seen) > MOST_FAULTS:
        raise CraftError("seen", "diagnosis-many-faults", most=MOST_FAULTS)
    for field, faults in (("seen", seen), ("not_seen", not_seen)):
        for fault in faults:
            if fault not in FAULTS:
                raise Unreadable(field, "diagnosis-fault-unknown", fault=fault, names=FAULTS)
    both = next((fault for fault in seen if fault in not_seen), None)
    if both is not None:
        raise CraftError("not_seen", "diagnosis-fault-both", fault=both)


def cause_name(cause: str) -> Message:
    """A cause in a baker's words.

    Parameters
    ----------
    cause : its code

    Returns
    -------
    A part of a sentence.
    """
    return message(f"cause-{cause.replace('_', '-')}")


def _cause(
    cause: str, p: float, seen: tuple[str, ...], not_seen: tuple[str, ...], told: tuple[Evidence, ...]
) -> LikelyCause:
    speaks = [Speaks(each.code, each.text, log2(each.ratios[cause])) for each in told if cause in each.ratios]
    for fault in seen:
        bits = _fault_bits(cause, fault)
        if bits > 0:
            speaks.append(Speaks(fault, message("diagnosis-seen", fault=fault_name(fault)), bits))
    for fault in not_seen:
        strength = float(shows(fault)[causes().index(cause)])
        if strength > 0:
            text = message("diagnosis-not-seen", fault=fault_name(fault))
            speaks.append(Speaks(fault, text, log2(1 - 0.8 * strength)))
    speaks = [Speaks(each.evidence, each.text, round(each.bits, 2)) for each in speaks if abs(each.bits) >= SPEAKS_BITS]
    speaks.sort(key=lambda each: -abs(each.bits))
    return LikelyCause(
        cause,
        cause_name(cause),
        round(p, 3),
        tuple(each for each in speaks if each.bits > 0),
        tuple(each for each in speaks if each.bits < 0),
    )


def _fault_bits(cause: str, fault: str) -> float:
    """How much a fault speaks for a cause: how often it shows it, over how often the fault is there at all."""
    table = toml("diagnosis")
    strength = float(shows(fault)[causes().index(cause)])
    usual = float(table["leak"]) + sum(
        float(row["prior"]) * float(row["faults"].get(fault, 0)) for row in table["cause"].values()
    )
    return log2(strength / usual) if strength > usual else 0.0


def _ruled_out(weighed: Weighed, seen: tuple[str, ...], told: tuple[Evidence, ...]) -> tuple[RuledOut, ...]:
    """Causes that show a fault that was seen, and that the record speaks against."""
    found = []
    for place, cause in enumerate(causes()):
        likely = any(shows(fault)[place] >= SHOWS_IT for fault in seen)
        against = [each for each in told if cause in each.ratios and log2(each.ratios[cause]) <= RULED_OUT_BITS]
        if likely and weighed.p[cause] < RULED_OUT_BELOW and against:
            strongest = min(against, key=lambda each: each.ratios[cause])
            found.append(RuledOut(cause, cause_name(cause), strongest.text))
    return tuple(found)


def _look_next(weighed: Weighed, ranked: list[str], record: Record) -> LookNext | None:
    """The look that would tell the likeliest causes apart; nothing where one of them is sure."""
    if weighed.p[ranked[0]] >= SURE and weighed.p[ranked[1]] < 0.5:
        return None
    looks: dict[str, str] = toml("diagnosis")["look"]
    for cause in ranked[:4]:
        look = looks[cause]
        if weighed.p[cause] >= WORTH_A_LOOK and getattr(record, look) is None:
            return LookNext(look, message(f"diagnosis-look-{look.replace('_', '-')}"))
    return None


def _change(
    weighed: Weighed, ranked: list[str], record: Record, seen: tuple[str, ...], known: Known
) -> NextChange | None:
    """One change for the next bake: what mends the likeliest cause, and how probably the faults come again with it."""
    first = ranked[0]
    if weighed.p[first] < CHANGE_FROM:
        return None
    again = {fault: round(comes_again(weighed, fault, first), 2) for fault in seen}
    return change_for(first, record, again, known)
