"""Slices on the kitchen's photos, measured."""

from gentle_crust.core import limits
from gentle_crust.core.errors import NotFound, within
from gentle_crust.interchange.slice_process import SLICES, SliceFound
from gentle_crust.kitchen.photos import PhotoShelf
from gentle_crust.kitchen.work import Work
from gentle_crust.store.database import folder_of


class SliceDesk:
    """Where the kitchen's own photos are measured."""

    def __init__(self, work: Work) -> None:
        self.shelf = PhotoShelf(folder_of(work.sessions))

    def measure(self, photo: str, width_mm: float, shift: float = 0.0) -> SliceFound:
        """The slice on a photo that is kept here, by its own width and where its baker wants the threshold.

        Raises CraftError for a photo that is gone, and for a width that no slice has.
        """
        within("width_mm", limits.SLICE_MM, width_mm)
        within("shift", limits.CRUMB_SHIFT, shift)
        data = self.shelf.get(photo)
        if data is None:
            raise NotFound("photo", "crumb-photo-gone")
        return SLICES.measure(data, width_mm, shift)
