"""The oven: heating, steam, the lid, minutes at set points, and cooling."""

from gentle_crust.interchange.recipe.clauses import Clause
from gentle_crust.interchange.recipe.method.shaping import Shaping
from gentle_crust.interchange.recipe.method.spans import (
    OVERNIGHT_ROOM_MIN,
    Written,
    span_of,
    written_span,
)


class Baking(Shaping):
    """Reads the bake."""

    def _heats(self, one: Clause) -> bool:
        """Whether a clause speaks of the oven."""
        if one.has("bake") and not one.says(r"before baking"):
            return True
        if one.heats or one.says(r"cold oven"):
            return True
        if self.bake is not None and one.times and one.has("lid_on", "lid_off"):
            return True
        if self.phase == "baking" and not any(warmth >= 60 for warmth in one.warmths):
            return (
                bool(one.times)
                or bool(one.counts)
                or one.has("lid_on", "lid_off", "turn_down", "steam", "mist", "turn")
            )
        if one.warmths and max(one.warmths) >= 60 and one.says(r"\bcore\b|inside|internal|middle|done"):
            return True
        return one.has("heat") and one.says(r"oven|\bpot\b|stone|steel|iron")

    def _oven(self) -> Written:
        if self.bake is None:
            self.bake = {"kind": "bake", "heats": []}
        return self.bake

    def _bake(self, one: Clause) -> None:
        bake = self._oven()
        vessel = one.thing("on")
        if vessel and "vessel" not in bake:
            bake["vessel"] = vessel
            self._took("vessel", vessel)
        if one.says(r"cold oven"):
            bake["heated"] = "none"
            self._took("heated", "none")
        if one.has("steam") and not one.says(r"without steam|no steam|steam out"):
            bake["steam"] = "water_pan"
            self._took("steam", "water_pan")
        elif one.has("mist"):
            bake["steam"] = "mist_walls"
        inside = [warmth for warmth in one.warmths if warmth >= 60]
        if inside:
            bake["done"] = {"core_c": round(inside[0], 1)}
            self._took("core_c", round(inside[0], 1))
        if one.has("heat") and not one.has("bake") and not (one.times and self.phase == "baking"):
            self._preheat(one, bake)
            return
        if self.phase != "baking" and (one.has("bake") or one.times or one.heats):
            self.phase = "baking"
            self._add(bake)
        self._touch(bake)
        self._heat_stages(one, bake)

    def _preheat(self, one: Clause, bake: Written) -> None:
        if one.heats:
            self.heat_c = one.heats[0]
            self._took("setpoint_c", round(self.heat_c))
        if one.times:
            bake["preheat_min"] = one.times[0].middle
            self._took("preheat_min", one.times[0].middle)
        self._touch(bake)

    def _heat_stages(self, one: Clause, bake: Written) -> None:
        """Minutes and set points, covered or not."""
        heats: list[Written] = bake["heats"]
        off = one.has("lid_off")
        on = one.has("lid_on") and not off
        times = [] if one.has("steam") and one.says(r"\bfirst\b") and not one.has("bake") else list(one.times)
        if one.heats and len(one.heats) == 2 and len(times) == 1 and one.says(r"fall|drop|down|then|after"):
            heats.append({"minutes": times[0].middle, "setpoint_c": one.heats[0], "covered": self.covered})
            self.heat_c = one.heats[1]
            return
        if times and one.says(r"\bin all\b|in total|altogether") and heats:
            left = times[0].middle - sum(heat["minutes"] for heat in heats)
            if left >= 1:
                heats.append({"minutes": left, "setpoint_c": self.heat_c, "covered": self.covered})
            return
        if one.has("turn_down") and one.heats and len(times) == 1 and one.says(r"after\s+\d") and self.heat_c:
            heats.append({"minutes": times[0].middle, "setpoint_c": self.heat_c, "covered": self.covered})
            self.heat_c = one.heats[0]
            return
        changes = off and one.says(r"after\s+\d") and heats and not one.has("bake")
        if changes and times and heats[-1]["minutes"] > times[0].middle:
            whole = heats[-1]
            rest = {**whole, "minutes": whole["minutes"] - times[0].middle, "covered": False}
            whole |= {"minutes": times[0].middle, "covered": True}
            heats.append(rest)
            return
        if off:
            self.covered = False
        elif on:
            self.covered = True
        said_of_it = one.text.strip().lower().startswith(("lid", "covered", "with", "uncovered", "open"))
        if (on or off) and heats and said_of_it and not (times or one.heats or one.counts):
            heats[-1]["covered"] = on
            return
        minutes = [time.middle for time in times]
        if not minutes and (off or on) and one.counts and one.counts[0].low < 120:
            minutes = [one.counts[0].middle]
        if one.heats:
            self.heat_c = one.heats[0]
            for each in heats:
                if each["setpoint_c"] is None:
                    each["setpoint_c"] = self.heat_c
        for index, length in enumerate(minutes):
            heat = one.heats[index] if index < len(one.heats) else self.heat_c
            stage: Written = {"minutes": length, "setpoint_c": heat, "covered": self.covered}
            if one.says(r"\bfan\b(?!\s*\d)") and not one.says(r"\(fan"):
                stage["fan"] = True
            if one.says(r"ajar|door (?:slightly )?open"):
                stage["door"], stage["covered"] = "ajar", False
            heats.append(stage)
            self._took("bake_min", [round(s["minutes"], 1) for s in heats])
        if one.heats:
            self._took("setpoint_c", round(one.heats[0]))
        if one.has("turn") and heats:
            heats[-1]["turn"] = True

    def _cools(self, one: Clause) -> bool:
        return one.has("cool") or (one.has("rest") and not one.heats and not one.has("bake"))

    def _cool(self, one: Clause) -> None:
        span = span_of(one, OVERNIGHT_ROOM_MIN)
        last = self.stages[-1]
        stage = last if last["kind"] == "cool" else self._add({"kind": "cool"})
        if span is not None:
            stage["until"] = {"minutes": written_span(span)}
            self._took("minutes", written_span(span))
