"""What of a kitchen's lessons was put aside, and which of them its baker wishes minded."""

from dataclasses import dataclass

from gentle_crust.contract import events as bodies
from gentle_crust.kitchen.story import readable
from gentle_crust.kitchen.work import Work
from gentle_crust.store.repositories import Events

KITCHEN = "kitchen"
"""Whose lessons they are."""
MARKS = 400
"""So many taps are looked at, the latest."""
BY_WISH = ("finger", "eye")
"""Lessons on the baker, which count only if the baker wishes it."""
ELSEWHERE = ("mixer", "oven")
"""Lessons that are learnt and shown in other rooms."""


@dataclass(frozen=True)
class Marks:
    """What was put aside: lessons by their keys, what single bakes told of them, and lessons that count by wish."""

    lessons: frozenset[str]
    bakes: frozenset[tuple[str, str]]
    wished: frozenset[str]

    def aside(self, key: str) -> bool:
        """Whether a lesson does not count."""
        return key not in self.wished if key in BY_WISH else key in self.lessons


def marks_of(work: Work) -> Marks:
    """What was put aside, and what was wished."""
    kinds = (bodies.LESSON_ASIDE, bodies.LESSON_COUNTED)
    with work.read() as session:
        told = readable(Events(session).plain(*kinds, subject=KITCHEN, last=MARKS))
    aside = {(str(body["lesson"]), str(body.get("bake", ""))): kind == kinds[0] for _, kind, _, body in told}
    return Marks(
        frozenset(lesson for (lesson, bake), is_aside in aside.items() if is_aside and not bake),
        frozenset(which for which, is_aside in aside.items() if is_aside and which[1]),
        frozenset(lesson for (lesson, bake), is_aside in aside.items() if not is_aside and not bake),
    )
