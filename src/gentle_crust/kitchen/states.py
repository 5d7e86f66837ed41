"""Earlier states of the kitchen, the pantry and the plans: numbered, to be compared with and to be had back."""

from datetime import datetime
from typing import Any, Literal

from sqlalchemy.orm import Session

from gentle_crust.contract.conflict import ChangedMeanwhile, changes
from gentle_crust.contract.documents import VERSION
from gentle_crust.core.errors import NotFound
from gentle_crust.store.repositories import States

Kind = Literal["kitchen", "pantry", "plan"]
Body = dict[str, Any]
KEPT = {"kitchen": 30, "pantry": 30, "plan": 6}
"""So many states of one thing are kept (practice)."""


def newest(session: Session, kind: Kind, subject: str = "") -> int:
    """The number of the state that stands; 0 if nothing was saved since states are kept."""
    return States(session).newest(kind, subject)


def check(session: Session, kind: Kind, base: int | None, mine: Body, theirs: Body | None, subject: str = "") -> None:
    """Raise ChangedMeanwhile if what stands is not the state ``base`` that ``mine`` was made from.

    Without ``base`` nothing is asked: whoever saves does not know what stood there. What is the same is no conflict.
    """
    stands = newest(session, kind, subject)
    if base is None or base == stands or not theirs:
        return
    began = States(session).body(kind, subject, base)
    if began is not None and kind == "plan":
        began = began["asked"]
    found = changes(plain(began), plain(mine) or {}, plain(theirs) or {})
    if found:
        raise ChangedMeanwhile(kind, str(stands), found)


def keep(session: Session, kind: Kind, body: Body, before: Body | None, at: datetime, subject: str = "") -> int:
    """Keep a state, and the one ``before`` it if none was kept yet; its number."""
    states = States(session)
    number = states.newest(kind, subject)
    if number == 0 and before is not None and states.body(kind, subject, 0) is None:
        states.add(kind, subject, 0, before, at)
    states.add(kind, subject, number + 1, body, at)
    states.forget(kind, subject, number + 2 - KEPT[kind])
    return number + 1


def let_go(session: Session, kind: Kind, subject: str) -> None:
    """Drop all earlier states of what can no longer be changed, as a plan that is on the bench."""
    States(session).forget(kind, subject, newest(session, kind, subject))


def earlier(session: Session, kind: Kind, subject: str = "") -> int | None:
    """The number of the state before the one that stands; None if there is none."""
    return States(session).before(kind, subject, newest(session, kind, subject))


def state(session: Session, kind: Kind, number: int, subject: str = "") -> Body:
    """A state's body. Raises NotFound if it is not kept."""
    body = States(session).body(kind, subject, number)
    if body is None:
        raise NotFound("id", "kitchen-earlier-state-gone")
    return body


def plain(body: Body | None) -> Body | None:
    """A document without its version."""
    return None if body is None else {name: value for name, value in body.items() if name != VERSION}
