"""Documents as they are stored: each kind has a version, and whatever an older program wrote is raised to it.

A document is written from the core's own types and read back into them. Its shape is kept, version by version, beside
the tests: a shape that changes without a new version and its upcaster is found there.
"""

from collections.abc import Callable
from dataclasses import dataclass
from functools import cached_property
from typing import Any, Generic, TypeVar

from pydantic import ValidationError

from gentle_crust.contract.adapted import Adapted
from gentle_crust.contract.asked import Asked
from gentle_crust.contract.formula import of_several_preferments
from gentle_crust.contract.kitchen import Pantry, Settings
from gentle_crust.contract.problem import of_validation
from gentle_crust.contract.tidy import clean
from gentle_crust.core.culture.culture import Culture
from gentle_crust.core.errors import Unreadable
from gentle_crust.core.formula.model import Formula
from gentle_crust.core.loaf.trial import Trial
from gentle_crust.core.plan.shown import Plan

T = TypeVar("T")
Body = dict[str, Any]
Upcaster = Callable[[Body], None]
VERSION = "document_version"
"""Where a stored document says of which version it is; those of the first programs do not say."""


@dataclass(frozen=True)
class Document(Generic[T]):
    """One kind of stored document: its name, its type, and what raises it, version by version, to the newest.

    An upcaster changes a body in place and leaves what is newer alone: the oldest documents do not say what they are.
    """

    name: str
    adapted: Adapted[T]
    upcasters: tuple[Upcaster, ...] = ()

    @property
    def version(self) -> int:
        """The newest version."""
        return 1 + len(self.upcasters)

    def write(self, value: T) -> Body:
        """As it is stored."""
        body: Body = self.adapted.write(value)
        return {**body, VERSION: self.version}

    def read(self, body: Body) -> T:
        """Back from the store. Raises Unreadable for what is no such document."""
        try:
            return self.adapted.read(self.raised(body))
        except ValidationError as error:
            first = of_validation(error)[0]
            raise Unreadable(
                first.field, "contract-document-not-as-declared", name=self.name, sentence=first.sentence
            ) from error
        except (TypeError, KeyError, AttributeError, ValueError, RecursionError) as error:
            if isinstance(error, Unreadable):
                raise
            raise Unreadable(self.name, "contract-document-unreadable", name=self.name) from error

    def raised(self, body: Body) -> Body:
        """The document in its newest version."""
        if not body:
            raise Unreadable(self.name, "contract-document-torn", name=self.name)
        found = clean(body)
        written = found.pop(VERSION, 1)
        if not isinstance(written, int) or written > self.version:
            raise Unreadable(self.name, "contract-document-newer", name=self.name)
        for upcast in self.upcasters[max(written - 1, 0) :]:
            upcast(found)
        for name in found.keys() - self.fields:
            raise Unreadable(str(name), "contract-document-unknown-field", name=self.name, unknown=name)
        return found

    @cached_property
    def fields(self) -> frozenset[str]:
        """The names of its fields."""
        return frozenset(self.adapted.adapter.json_schema()["properties"])


_MEASURES: Body = {"cup_ml": 236.6, "flour": "unknown", "salt": "unknown", "liquid_ounces": "ask"}


def _kitchen_2(body: Body) -> None:
    """The first kitchens did not say how much room for dough their fridge has."""
    body.setdefault("fridge_l", None)


def _kitchen_3(body: Body) -> None:
    """Older kitchens had no bakes of their own."""
    body.setdefault("bakes", [])


def _kitchen_4(body: Body) -> None:
    """No older bake of a baker's own was of a pot warmed on the hob: nothing is to be raised."""


def _kitchen_5(body: Body) -> None:
    """No older kitchen had a rack oven: nothing is to be raised."""


def _kitchen_6(body: Body) -> None:
    """No older bake of a baker's own was grilled."""
    for bake in body.get("bakes", []):
        for stage in bake["stages"]:
            stage.setdefault("grill", False)


def _kitchen_7(body: Body) -> None:
    """Older kitchens did not keep how their baker measures."""
    body.setdefault("measures", _MEASURES | {"cup_flour_g": None, "teaspoon_salt_g": None})


def _formula_3(body: Body) -> None:
    """The first formulas had no method of their own."""
    body.setdefault("method", None)


def _formula_4(body: Body) -> None:
    """No older formula said that its yeast was woken."""
    body.setdefault("yeast_woken", False)


def _formula_5(body: Body) -> None:
    """No older formula had eggs, beer or fruit as kinds of their own: what they were called "other" stays so."""


def _plan_2(body: Body) -> None:
    """The first plans did not say how warm tap and kettle are, nor draw the loaf's core."""
    body.setdefault("tap_c", 14.0)
    body.setdefault("kettle_c", 100.0)
    ribbon = body["ribbon"]
    ribbon.setdefault("core", [])
    rises = [point["rise"] for part in ribbon["parts"] for point in part["points"]]
    ribbon.setdefault("greatest_rise", max(rises, default=0.0))


def _plan_3(body: Body) -> None:
    """What older plans said was stored as sentences: cautions by their codes now, the others as they were written."""
    for step in body["steps"]:
        for caution in step["cautions"]:
            caution["text"] = {"code": f"caution-{caution['code']}", "data": {}}


def _plan_4(body: Body) -> None:
    """Older plans did not keep keys of their steps: each was counted among those of its kind."""
    count: dict[str, int] = {}
    for step in body["steps"]:
        count[step["kind"]] = count.get(step["kind"], 0) + 1
        step.setdefault("key", f"{step['kind']}-{count[step['kind']]}")


def _plan_5(body: Body) -> None:
    """Parts of older plans were not drawn."""
    for out in body.get("outs", ()):
        out.setdefault("load", None)
        out.setdefault("ribbon", [])


def _plan_6(body: Body) -> None:
    """What older plans weigh is called as it was written then: nothing is to be raised."""


# What the first pantries called an ingredient, and the code that it goes by now.
_PRICED = {
    "Salt": "ingredient-salt",
    "Instant yeast": "yeast-instant",
    "Active dry yeast": "yeast-active_dry",
    "Fresh yeast": "yeast-fresh",
    "Yeast for sweet doughs": "yeast-osmotolerant",
    "Strong white": "flour-strong_white",
    "Very strong white": "flour-very_strong_white",
    "Plain white": "flour-plain_white",
    "Whole wheat": "flour-whole_wheat",
    "Fine rye": "flour-rye",
    "Whole rye": "flour-whole_rye",
    "Spelt": "flour-spelt",
    "Durum": "flour-durum",
    "Maize": "flour-maize",
    "Rice": "flour-rice",
    "Gluten-free": "flour-gluten_free",
    "Other grain": "flour-other",
}


def _pantry_2(body: Body) -> None:
    """The first pantries kept prices by the English names of what is bought."""
    for price in body.get("prices", ()):
        price["name"] = _PRICED.get(price["name"], price["name"])


def _asked_2(body: Body) -> None:
    """The first questions chose between a proof in the room and one in the fridge."""
    proof = body.pop("proof", None)
    if proof is not None:
        body["style"] = "cold_shaped" if proof == "cold" else "room_steady"


def _asked_3(body: Body) -> None:
    """Older questions had one time for all parts."""
    body.setdefault("ready_parts", None)


def _asked_4(body: Body) -> None:
    """Nothing was known of the yeast of older plans."""
    body.setdefault("yeast_strength", None)


def _asked_5(body: Body) -> None:
    """Older plans had nothing to be minded, and no bake had taught them anything."""
    body.setdefault("learnt", None)
    body.setdefault("mind", None)


def _culture_2(body: Body) -> None:
    """The first cultures were fed at one time of the day, and with one flour."""
    body.setdefault("also_flours", [])
    schedule = body.get("schedule")
    if schedule is not None and "times" not in schedule:
        schedule["times"] = [{"hour": schedule.pop("hour"), "weekday": schedule.pop("weekday", None)}]


KITCHEN: Document[Settings] = Document(
    "kitchen", Adapted(Settings), (_kitchen_2, _kitchen_3, _kitchen_4, _kitchen_5, _kitchen_6, _kitchen_7)
)
PANTRY: Document[Pantry] = Document("pantry", Adapted(Pantry), (_pantry_2,))
FORMULA: Document[Formula] = Document(
    "formula", Adapted(Formula), (of_several_preferments, _formula_3, _formula_4, _formula_5)
)
ASKED: Document[Asked] = Document("question of the plan", Adapted(Asked), (_asked_2, _asked_3, _asked_4, _asked_5))
PLAN: Document[Plan] = Document("plan", Adapted(Plan), (_plan_2, _plan_3, _plan_4, _plan_5, _plan_6))
CULTURE: Document[Culture] = Document("culture", Adapted(Culture), (_culture_2,))
TRIAL: Document[Trial] = Document("trial", Adapted(Trial))
DOCUMENTS: tuple[Document[Any], ...] = (KITCHEN, PANTRY, FORMULA, ASKED, PLAN, CULTURE, TRIAL)
