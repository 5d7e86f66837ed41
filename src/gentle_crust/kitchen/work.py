"""A unit of work: one session, one moment, one commit; everything that one request asks and keeps goes through it."""

from collections.abc import Callable, Iterator
from contextlib import contextmanager, suppress
from copy import copy
from datetime import datetime
from typing import Any, TypeVar

from sqlalchemy.exc import OperationalError
from sqlalchemy.orm import Session, sessionmaker

from gentle_crust.kitchen.now import Now
from gentle_crust.store.database import IMMEDIATE, gate_of

T = TypeVar("T")


class Work:
    """What is done in one go.

    Reads inside one another share a session and see one state of the data. A write begins with the newest state,
    waits for its turn, and is kept whole when the outermost of them ends, or not at all.
    """

    def __init__(self, sessions: sessionmaker[Session], now: Now) -> None:
        self.sessions, self.clock = sessions, now
        self._session: Session | None = None
        self._writing = False
        self._once: dict[str, Any] = {}
        self.commits = 0
        """How often something was kept."""

    def now(self) -> datetime:
        """The moment it is."""
        return self.clock()

    def at(self, now: Now) -> "Work":
        """The same work by another clock: what is being read or written, it reads and writes too."""
        other = copy(self)
        other.clock = now
        return other

    @contextmanager
    def read(self) -> Iterator[Session]:
        """A session that sees one state of the data."""
        if self._session is not None:
            yield self._session
            return
        with gate_of(self.sessions).open(), self.sessions() as session:
            self._session = session
            try:
                yield session
            finally:
                self._session = None
                self._once.clear()

    @contextmanager
    def write(self) -> Iterator[Session]:
        """A session whose changes are kept when the outermost ``write`` ends; an inner one that fails leaves none."""
        inside = self._session is not None
        with self.read() as session:
            if self._writing:
                yield from self._inner(session)
                return
            session.rollback()
            self._once.clear()
            session.connection(execution_options=IMMEDIATE)
            self._writing = session.info["writing"] = True
            try:
                yield session
                session.commit()
                self.commits += 1
                if inside:
                    session.expire_all()
            except BaseException:
                with suppress(OperationalError):  # a full disk has ended the transaction already
                    session.rollback()
                raise
            finally:
                self._writing = session.info["writing"] = False
                self._once.clear()

    def _inner(self, session: Session) -> Iterator[Session]:
        point = session.begin_nested()
        try:
            yield session
            point.commit()
        except BaseException:
            with suppress(OperationalError):
                point.rollback()
            raise
        finally:
            self._once.clear()

    def once(self, name: str, look_up: Callable[[], T]) -> T:
        """Something that is asked for again and again, looked up once for as long as the same state is seen."""
        if self._session is None:
            return look_up()
        if name not in self._once:
            self._once[name] = look_up()
        found: T = self._once[name]
        return found
