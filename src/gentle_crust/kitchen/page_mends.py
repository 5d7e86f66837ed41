"""What would do about a plan's problems, as changes of the question that the page asked."""

from dataclasses import dataclass
from datetime import datetime, timedelta
from typing import Any

from gentle_crust.contract.asked import Asked
from gentle_crust.core.clock import zone_of
from gentle_crust.core.course.fill import usual_cool_min
from gentle_crust.core.course.mends import alternatives
from gentle_crust.core.course.plan import CoursePlan
from gentle_crust.core.messages import Message
from gentle_crust.kitchen.local_time import LOCAL
from gentle_crust.kitchen.question import Behind

MOST = 4


@dataclass(frozen=True)
class PageMend:
    """One change that would do: a sentence, and what of the question takes which value."""

    sentence: Message
    change: dict[str, Any]


def page_mends(made: CoursePlan, asked: Asked, behind: Behind) -> tuple[PageMend, ...]:
    """Single changes that would rid a plan of its problems; all were tried."""
    found: list[PageMend] = []
    for mend in alternatives(made, MOST):
        change = dict(mend.leaven) or _as_asked(mend.change, asked, behind)
        if change and all(other.change != change for other in found):
            found.append(PageMend(mend.text, change))
    return tuple(found)


def _as_asked(change: dict[str, Any], asked: Asked, behind: Behind) -> dict[str, Any]:
    """A change of the core's question in the page's own fields; nothing for one that the page cannot ask."""
    found: dict[str, Any] = {}
    for name, value in change.items():
        if name == "ready":
            times = {"": value} if isinstance(value, str) else value
            first, *others = times
            found["ready"] = _local(times[first], asked, behind)
            if asked.ready_parts is not None:
                found["ready_parts"] = {name: _local(times[name], asked, behind) for name in others}
        elif name == "style" and value is not None:
            found |= {"style": value, "method": None}
        elif name == "method" and value is not None:
            # What was asked beside the style stands in the method by now.
            found |= {"method": value, "style": None, "fridge_days": 0, "later_pieces": 0, "folds": None}
        elif name == "culture":
            found["culture"] = "lively" if value["lively"] else "hungry"
        elif name not in ("style", "method"):
            found[name] = value
    return found


def _local(value: str, asked: Asked, behind: Behind) -> str:
    """A time at which a part leaves the oven, by the kitchen's clock and as it was meant."""
    at = datetime.fromisoformat(value)
    if asked.ready_means == "cut":
        at += timedelta(minutes=usual_cool_min(behind.formula))
    return at.astimezone(zone_of(asked.zone or behind.settings.zone)).strftime(LOCAL)
