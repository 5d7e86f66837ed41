"""Trials that one dough can be: two parts of it that go the same way but for one thing."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace

from gentle_crust.core.course.method import Baking, Method, Part, Stage, is_cold, numbered
from gentle_crust.core.course.tailored import later_part, shaped_at
from gentle_crust.core.messages import Message, message
from gentle_crust.core.oven.equipment import Vessel, in_a_sentence, vessel_row

A, B = "A", "B"
"""Names of the parts; pieces are marked with them."""
MOST_VESSELS = 3


@dataclass(frozen=True)
class TrialOffer:
    """A trial: which thing differs, what is done with either part, and the method in two parts."""

    code: str
    title: Message
    says: tuple[Message, Message]
    method: Method


def trial_offers(method: Method, vessel: Vessel, others: Sequence[Vessel], pieces: int) -> tuple[TrialOffer, ...]:
    """What one dough of several pieces can try; nothing of one piece, or of a method that parts already.

    ``vessel``: what it is baked in; ``others``: vessels that this loaf fits.
    """
    if pieces < 2 or method.parts or not method.stages:
        return ()
    at = shaped_at(method.stages)
    trunk, rest = method.stages[:at], method.stages[at:]
    if not any(stage.kind == "bake" for stage in rest):
        return ()
    first = pieces - pieces // 2

    def parted(code: str, title: Message, says: tuple[Message, Message], own: tuple[Stage, ...]) -> TrialOffer:
        parts = (Part(A, first, _own_ids(rest, A)), Part(B, pieces - first, _own_ids(own, B)))
        return TrialOffer(code, title, says, numbered(Method(trunk, parts)))

    found = [
        parted(f"vessel-{other.id}", message("trial-vessels", one=in_a_sentence(vessel), other=in_a_sentence(other)),
               (_in(vessel), _in(other)), _baked(rest, Baking(vessel=other)))
        for other in _unlike(vessel, others)
    ]  # fmt: skip
    if vessel_row(vessel.kind)["lidded"] != "1":
        says = (message("trial-steam"), message("trial-no-steam"))
        found.append(parted("steam", message("trial-steams"), says, _baked(rest, Baking(vessel=vessel, steam=()))))
    cold = any(is_cold(stage) for stage in rest)
    says = (message("trial-first"), message("trial-night-longer" if cold else "trial-night"))
    found.append(parted("night", message("trial-nights" if cold else "trial-room-or-cold"), says, later_part(rest, 1)))
    return tuple(found)


def _unlike(vessel: Vessel, others: Sequence[Vessel]) -> Iterator[Vessel]:
    """Vessels of other kinds, one of each, not too many."""
    kinds = {vessel.kind}
    for other in others:
        if other.kind not in kinds and len(kinds) <= MOST_VESSELS:
            kinds.add(other.kind)
            yield other


def _own_ids(stages: tuple[Stage, ...], name: str) -> tuple[Stage, ...]:
    """Stages of a part: none goes by the id of one of the other."""
    return tuple(replace(stage, id=f"{stage.id or stage.kind}-{name.lower()}") for stage in stages)


def _baked(stages: tuple[Stage, ...], baking: Baking) -> tuple[Stage, ...]:
    return tuple(replace(stage, baking=baking) if stage.kind == "bake" else stage for stage in stages)


def _in(vessel: Vessel) -> Message:
    return message("trial-in-vessel", vessel=in_a_sentence(vessel))
