"""Slices are measured in a process of its own: its memory goes with it, and no request of the kitchen waits for it."""

import threading
from collections import OrderedDict
from concurrent.futures import ProcessPoolExecutor
from concurrent.futures.process import BrokenProcessPool
from dataclasses import dataclass
from hashlib import sha256
from multiprocessing import get_context

from gentle_crust.core.crumb.read import CrumbRead
from gentle_crust.core.errors import CraftError

LONGEST_S, IDLE_S, KEPT = 60.0, 90.0, 24
"""After so long a measurement is given up; a process that has nothing to do ends; so many answers are remembered."""
Ring = tuple[tuple[float, float], ...]


@dataclass(frozen=True)
class SliceFound:
    """What was measured of a slice, and its holes as rings of points, shares of the picture's width and height."""

    read: CrumbRead
    rings: tuple[Ring, ...]


def _measured(data: bytes, width_mm: float, shift: float) -> SliceFound | CraftError:
    """In the other process. What cannot be measured is handed back, as an error does not always survive the way."""
    from gentle_crust.core.crumb.measure import outlines
    from gentle_crust.interchange.crumb_photo import read_photo

    try:
        read, found = read_photo(data, width_mm, shift)
    except CraftError as error:
        return error
    return SliceFound(read, tuple(tuple(ring) for ring in outlines(found)))


class SliceProcess:
    """One process that measures, begun when it is wanted, ended when it has long had nothing to do."""

    def __init__(self) -> None:
        self._turn = threading.Lock()
        self._pool: ProcessPoolExecutor | None = None
        self._ends: threading.Timer | None = None
        self._known: OrderedDict[tuple[str, float, float], SliceFound] = OrderedDict()

    def measure(self, data: bytes, width_mm: float, shift: float = 0.0) -> SliceFound:
        """Measure the slice on a photo whose own width is ``width_mm``. CraftError for what cannot be measured."""
        key = (sha256(data).hexdigest(), round(width_mm, 1), round(shift, 3))
        with self._turn:
            if key in self._known:
                self._known.move_to_end(key)
                return self._known[key]
            found = self._elsewhere(data, key[1], key[2])
            self._known[key] = found
            while len(self._known) > KEPT:
                self._known.popitem(last=False)
            return found

    def end(self) -> None:
        """End the process, if there is one."""
        with self._turn:
            self._stop()

    def _elsewhere(self, data: bytes, width_mm: float, shift: float) -> SliceFound:
        if self._ends is not None:
            self._ends.cancel()
        if self._pool is None:
            self._pool = ProcessPoolExecutor(max_workers=1, mp_context=get_context("spawn"))
        try:
            found = self._pool.submit(_measured, data, width_mm, shift).result(LONGEST_S)
        except (BrokenProcessPool, TimeoutError) as error:
            self._stop()
            raise CraftError("photo", "crumb-not-measured") from error
        self._ends = threading.Timer(IDLE_S, self.end)
        self._ends.daemon = True
        self._ends.start()
        if isinstance(found, CraftError):
            raise found
        return found

    def _stop(self) -> None:
        if self._pool is not None:
            for each in list((self._pool._processes or {}).values()):
                each.terminate()
            self._pool.shutdown(wait=False, cancel_futures=True)
            self._pool = None


SLICES = SliceProcess()
"""The program's own."""
