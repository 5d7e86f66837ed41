"""Something of which a kitchen has one: read, saved over knowingly, and had back as it was before."""

import logging
from typing import ClassVar, Generic, TypeVar

from gentle_crust.contract.documents import Document
from gentle_crust.core.errors import NotFound, Unreadable
from gentle_crust.kitchen import states
from gentle_crust.kitchen.work import Work
from gentle_crust.store.repositories import Single

T = TypeVar("T")
LOG = logging.getLogger(__name__)


class OneDocument(Generic[T]):
    """Reads and saves it; what it is, says the class that is made of this one."""

    kind: ClassVar[states.Kind]
    document: Document[T]
    rows: ClassVar[type[Single]]

    def __init__(self, work: Work) -> None:
        self.work, self.now = work, work.now

    def begins(self) -> T:
        """As it is before it was ever saved."""
        raise NotImplementedError

    def empty(self) -> states.Body | None:
        """What can be had back after it was saved for the first time; None: nothing."""
        return None

    def check(self, value: T) -> None:
        """Raise CraftError for what cannot be kept."""
        raise NotImplementedError

    def get(self) -> T:
        """As it was saved, or as it begins; also if what was saved cannot be read."""
        return self.work.once(self.kind, self._look_up)

    def _look_up(self) -> T:
        with self.work.read() as session:
            body = self.rows(session).get()
        try:
            return self.begins() if body is None else self.document.read(body)
        except Unreadable:
            LOG.exception("the %s cannot be read", self.kind)
            return self.begins()

    def etag(self) -> str:
        """Names the state that stands."""
        with self.work.read() as session:
            return str(states.newest(session, self.kind))

    def can_undo(self) -> bool:
        """Whether there is an earlier state."""
        with self.work.read() as session:
            return states.earlier(session, self.kind) is not None

    def save(self, value: T, base: int | None = None) -> T:
        """Check and save; returns what was saved. Raises ChangedMeanwhile if what stands is not state ``base``."""
        self.check(value)
        body = self.document.write(value)
        with self.work.write() as session:
            before = self.rows(session).get()
            states.check(session, self.kind, base, body, before)
            if before != body:
                states.keep(session, self.kind, body, before or self.empty(), self.now())
                self.rows(session).put(body, self.now())
        return value

    def undo(self) -> T:
        """Bring back the state before the last; it is saved as a new one. Raises NotFound without any."""
        with self.work.write() as session:
            number = states.earlier(session, self.kind)
            if number is None:
                raise NotFound("id", "kitchen-no-earlier-state", kind=self.kind)
            return self.save(self.document.read(states.state(session, self.kind, number)))
