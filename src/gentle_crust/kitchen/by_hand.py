"""Changes by hand of a dough at the bench: what may be changed now, what would come of it, and how it is kept."""

from dataclasses import replace
from datetime import datetime
from typing import Any

from gentle_crust.contract import events as bodies
from gentle_crust.contract.adapted import as_declared
from gentle_crust.contract.bench import EditWish
from gentle_crust.contract.tidy import sane
from gentle_crust.core.bench.edit import Edit
from gentle_crust.core.bench.offers import Offer, Tried, checked, offers, ran_min, what_comes
from gentle_crust.core.clock import zone_of
from gentle_crust.kitchen.bench import BenchBook, Dough
from gentle_crust.kitchen.local_time import instant_of
from gentle_crust.kitchen.story import EDIT, Story
from gentle_crust.kitchen.work import Work

CUTS = ("fridge", "split")
"""Changes that cut the stage in which the dough is."""


class HandBook:
    """Changes by hand."""

    def __init__(self, work: Work) -> None:
        self.now, self.bench = work.now, BenchBook(work)

    def offers(self, key: str) -> tuple[Offer, ...]:
        """What may be changed of a dough now."""
        dough = self.bench.one(key)
        return offers(dough.followed, dough.now)

    def tried(self, key: str, body: dict[str, Any]) -> Tried:
        """What a change would come to; nothing is kept."""
        dough = self.bench.one(key)
        edit = self._edit(dough, body, self.now())
        happened = replace(dough.following.happened, edits=(*dough.following.happened.edits, edit))
        return what_comes(edit, dough.carried(replace(dough.following, happened=happened)), dough.asked.pieces)

    def edit(self, key: str, body: dict[str, Any], at: datetime, story: Story) -> Edit:
        """A change as it counts. Raises CraftError for one that cannot be made now, naming the field."""
        return self._edit(self.bench.one(key, story), body, at)

    def _edit(self, dough: Dough, body: dict[str, Any], at: datetime) -> Edit:
        wish = as_declared(EditWish.model_validate, body, "edit")
        zone = zone_of(self.bench.settings.get().zone)
        until = sane(instant_of(wish.until, zone, "until"), "until") if wish.until else None
        edit = Edit(
            wish.code, _number(dough.story), at, wish.stage, until, wish.kind, wish.minutes, wish.pieces, wish.vessel,
            wish.dough_g,
        )  # fmt: skip
        planned_g = float(dough.asked.pieces * dough.asked.scaling_weight_g)
        edit = checked(edit, offers(dough.followed, max(dough.now, at)), planned_g)
        return replace(edit, minutes=round(ran_min(dough.followed, edit.stage, at), 1)) if edit.code in CUTS else edit


def _number(story: Story) -> int:
    """The next number of a dough's changes; that of one that was taken back is not used again."""
    made = [each for each in (*story.told, *story.withdrawn) if each.kind == bodies.EDITED]
    return max((each.body["number"] for each in made), default=0) + 1


def edit_body(edit: Edit) -> dict[str, Any]:
    """A change as its event keeps it: what it does not say is left out, and its time is the event's."""
    return {name: value for name, value in EDIT.write(edit).items() if name != "at" and value not in ("", None)}
