"""Where bakers disagree about the oven: the schools as variants of one bake, with what each changes and costs."""

from collections.abc import Callable
from dataclasses import dataclass, replace

from gentle_crust.core.messages import NOTHING, Message, joined, message
from gentle_crust.core.oven.bake import Bake, Baked, bake
from gentle_crust.core.oven.doneness import shade, shade_code
from gentle_crust.core.oven.equipment import FAN_LOWER_C, Oven, Vessel, vessel_row
from gentle_crust.core.oven.kit import OvenStage, Preheat, Steam
from gentle_crust.core.oven.loaf import Loaf
from gentle_crust.core.oven.staged import Done, Draft, Want, done_of, draft

_LONGER_MIN = 60.0


@dataclass(frozen=True)
class School:
    """A variant: its question, what bakers of this school do, how it went against the usual, and what that changes.

    ``default`` marks the one that was drawn up; ``minutes`` is in the oven until done, ``heating_min`` before it.
    """

    key: str
    question: Message
    what: Message
    default: bool
    minutes: float | None
    heating_min: float
    spring: float
    colour: float
    loss: float
    changes: Message
    advice: Message = NOTHING


def schools(
    loaf: Loaf, pieces: int, vessel: Vessel, oven: Oven, want: Want, altitude_m: float = 0.0
) -> tuple[School, ...]:
    """The variants that make sense for this vessel, beside the bake as drawn up.

    Parameters
    ----------
    loaf : one piece as it is loaded: dough (g, 30-5000), hydration (a fraction, .45-1.2), warmth (C), shape
    pieces : number of pieces, 1-400
    vessel : a vessel of the kitchen, or its kind in the table of vessels
    oven : the oven as its baker describes it: kind, litres (10-2000), watts, offset (K)
    want : what is wished of the loaf
    altitude_m : height above the sea, m, 0-5000

    Returns
    -------
    Bakes, each by its name.
    """
    made = draft(loaf, pieces, vessel, oven, want, altitude_m)
    variants = _lidded(made) if vessel_row(vessel.kind)["lidded"] == "1" else _open(made)
    variants += _heat(made, oven)
    found = []
    for key, question, what, change, advice in variants:
        asked = change(made.bake) if change else made.bake
        # The last stage goes on until the loaf is done by the same signs.
        open_end = replace(asked.stages[-1], minutes=asked.stages[-1].minutes + _LONGER_MIN)
        went = bake(replace(asked, stages=(*asked.stages[:-1], open_end)))
        done = done_of(went, made.done.core_c, made.done.colour, made.done.loss)
        at = done.minute if done.minute is not None else asked.minutes + _LONGER_MIN
        found.append(
            School(
                key,
                question,
                what,
                change is None,
                done.minute,
                asked.preheat.minutes,
                went.end("spring"),
                went.at("colour", at),
                went.at("loss", at),
                NOTHING if change is None else _said(made, asked, went, done, at),
                advice,
            )
        )
    return tuple(found)


_Variant = tuple[str, Message, Message, Callable[[Bake], Bake] | None, Message]


def _vessel(asked: Bake, **change: object) -> Bake:
    return replace(asked, vessel=replace(asked.vessel, **change))  # type: ignore[arg-type]


def _lidded(made: Draft) -> list[_Variant]:
    heat = made.bake.stages[0].setpoint_c
    long = made.bake.stages[0].minutes
    ask = message("school-preheat")
    found: list[_Variant] = []
    hot = Preheat(heat, 40, made.bake.preheat.fan)
    cold = Preheat(heat, 0, made.bake.preheat.fan)

    def starting(preheat: Preheat, kind: str, more: float) -> Callable[[Bake], Bake]:
        def change(asked: Bake) -> Bake:
            first = replace(asked.stages[0], minutes=max(asked.stages[0].minutes + more, 8))
            return _vessel(replace(asked, preheat=preheat, stages=(first, *asked.stages[1:])), preheated=kind)

        return change

    now = made.bake.vessel.preheated
    found.append(
        ("hot", ask, message("school-preheat-whole"), None if now == "whole" else starting(hot, "whole", -18), NOTHING)
    )
    found.append(
        (
            "lid",
            ask,
            message("school-preheat-lid"),
            None if now == "lid" else starting(hot, "lid", 6),
            message("school-preheat-lid-why"),
        )
    )
    if made.bake.vessel.kind == "lidded_cast_iron":
        why = message("school-preheat-hob-why")
        found.append(
            ("hob", ask, message("school-preheat-hob"), None if now == "hob" else starting(hot, "hob", 6), why)
        )
    found.append(
        ("cold", ask, message("school-preheat-none"), None if now == "none" else starting(cold, "none", 15), NOTHING)
    )
    shorter = message("school-uncover")

    def uncover(by: float) -> Callable[[Bake], Bake]:
        def change(asked: Bake) -> Bake:
            first = replace(asked.stages[0], minutes=max(asked.stages[0].minutes + by, 5))
            return replace(asked, stages=(first, *asked.stages[1:]))

        return change

    found.append(
        ("early", shorter, message("school-uncover-sooner", minutes=round(max(long - 8, 5))), uncover(-8), NOTHING)
    )
    found.append(("late", shorter, message("school-uncover-later", minutes=round(long + 10)), uncover(10), NOTHING))
    ice = message("school-ice")

    def iced(asked: Bake) -> Bake:
        return replace(asked, steam=(Steam("ice_in_pot"),))

    if now == "whole" and made.bake.vessel.kind in ("lidded_cast_iron", "metal_dome"):
        found.append(("ice", ice, message("school-ice-handful"), iced, message("school-ice-useless")))
    return found


def _open(made: Draft) -> list[_Variant]:
    found: list[_Variant] = []
    ask = message("school-off")

    def off(asked: Bake) -> Bake:
        first = OvenStage(15, 0, True, False)
        return replace(asked, stages=(first, *asked.stages[1:])) if len(asked.stages) > 1 else asked

    if len(made.bake.stages) > 1:
        found.append(("on", ask, message("school-off-on"), None, NOTHING))
        found.append(("off", ask, message("school-off-first"), off, message("school-off-useless")))
        spray = message("school-spray")

        def walls(asked: Bake) -> Bake:
            return replace(asked, steam=(*asked.steam, Steam("mist_walls")))

        found.append(("spray", spray, message("school-spray-six"), walls, message("school-spray-never")))
    return found


def _heat(made: Draft, oven: Oven) -> list[_Variant]:
    ask = message("school-heat")
    even = 230.0 - (FAN_LOWER_C if oven.kind == "electric_fan" else 0.0)
    hot = min(260.0 - (FAN_LOWER_C if oven.kind == "electric_fan" else 0.0), oven.top_c)

    def at(first: float, second: float) -> Callable[[Bake], Bake]:
        def change(asked: Bake) -> Bake:
            stages = [replace(stage, setpoint_c=first if i == 0 else second) for i, stage in enumerate(asked.stages)]
            return replace(asked, preheat=replace(asked.preheat, setpoint_c=first), stages=tuple(stages))

        return change

    if made.bake.loaf.shape == "pan_loaf" or made.bake.oven.kind == "wood":
        return []
    first = made.bake.stages[0].setpoint_c
    found: list[_Variant] = []
    if abs(even - first) > 3 or made.bake.stages[-1].setpoint_c != first:
        found.append(("even", ask, message("school-heat-even", even=round(even)), at(even, even), NOTHING))
    if hot - first > 3:
        found.append(
            ("hotter", ask, message("school-heat-falling", hot=round(hot), even=round(even)), at(hot, even), NOTHING)
        )
    return found


def _said(made: Draft, asked: Bake, went: Baked, done: Done, at: float) -> Message:
    """What a variant changes and costs."""
    found = []
    usual = made.done.minute
    if done.minute is None:
        found.append(message("change-not-done"))
    elif usual is not None and abs(done.minute - usual) >= 1.5:
        later = done.minute - usual
        found.append(message("change-later" if later > 0 else "change-sooner", minutes=round(abs(later))))
    heating = asked.preheat.minutes - made.bake.preheat.minutes
    if abs(heating) >= 5:
        code = "change-more-heating" if heating > 0 else "change-less-heating"
        found.append(message(code, minutes=round(abs(heating))))
    spring = went.end("spring") / max(made.baked.end("spring"), 1)
    percent = round(spring * 100 - 100)
    if abs(spring - 1) < 0.05:
        found.append(message("change-springs-alike"))
    else:
        found.append(message("change-springs-more" if spring > 1 else "change-springs-less", percent=abs(percent)))
    colour = went.at("colour", at)
    if shade_code(colour) != shade_code(made.baked.end("colour")):
        found.append(message("change-shade", shade=shade(colour)))
    return joined(*found)
