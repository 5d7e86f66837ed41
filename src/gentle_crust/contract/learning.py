"""What a kitchen has taught, as its page shows it."""

from dataclasses import dataclass
from datetime import datetime
from typing import Annotated

from pydantic import StringConstraints

from gentle_crust.contract.log import Key
from gentle_crust.contract.strict import Shown, Strict
from gentle_crust.core.messages import Message


@dataclass(frozen=True)
class LessonBake:
    """What one bake told of a lesson, or one dough of the ``drill``; ``aside``: it does not count."""

    id: str
    drill: bool
    name: str
    at: datetime
    says: Message
    aside: bool


@dataclass(frozen=True)
class LessonLine:
    """A lesson: what it is about, what it says, how sure it is (0-1 of what was unknown at first), where it is used.

    ``tells``: on so many bakes it rests; ``by_wish``: it counts only if its baker wishes so; ``changed``: the last
    bakes say that the thing is no longer as it was.
    """

    key: str
    what: str
    name: Message
    says: Message
    sure: float
    used: Message
    tells: int
    aside: bool
    by_wish: bool
    changed: bool
    bakes: tuple[LessonBake, ...]


@dataclass(frozen=True)
class OtherLesson:
    """What is learnt elsewhere, by the mixing bowl or the oven; ``to``: the room that shows it."""

    key: str
    name: Message
    says: Message
    tells: int
    to: str
    aside: bool


class LearningAnswer(Shown):
    """All that the kitchen has taught."""

    lessons: list[LessonLine]
    others: list[OtherLesson]


class AsideBody(Strict):
    """A lesson, or what one bake told of it, that counts no longer, or again; ``event``: the client's own key."""

    event: Key
    lesson: Annotated[str, StringConstraints(min_length=1, max_length=80)]
    bake: Annotated[str, StringConstraints(max_length=60)] = ""
    aside: bool = True
