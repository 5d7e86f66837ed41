"""Pictures of a culture, in the order in which they were taken."""

from datetime import datetime, timedelta

from sqlalchemy.orm import Session

from gentle_crust.contract.cultures import Picture
from gentle_crust.core.clock import zone_of
from gentle_crust.core.errors import CraftError, NotFound
from gentle_crust.core.limits import PICTURES
from gentle_crust.kitchen.local_time import instant_of
from gentle_crust.kitchen.photos import LARGEST_BYTES
from gentle_crust.kitchen.pictures import as_jpeg, cleaned
from gentle_crust.kitchen.settings import KitchenSettings
from gentle_crust.kitchen.work import Work
from gentle_crust.store.models import PictureRow
from gentle_crust.store.repositories import Cultures

RECOVERABLE = timedelta(days=30)
LONGEST_PX = 1000
"""So large a picture is kept, on its longer side."""
OLDEST = timedelta(days=20 * 365)


def pictures_of(session: Session, culture: str, now: datetime) -> tuple[tuple[Picture, ...], tuple[Picture, ...]]:
    """A culture's pictures, the oldest first, and those that were taken away and can be had back."""
    rows = Cultures(session).pictures(culture)
    shown = tuple(Picture(key, taken) for key, taken, removed in rows if removed is None)
    gone = tuple(Picture(key, taken) for key, taken, removed in rows if removed and now - removed <= RECOVERABLE)
    return shown, gone


class PictureBook:
    """The pictures of a kitchen's cultures."""

    def __init__(self, work: Work) -> None:
        self.work, self.now = work, work.now

    def one(self, culture: str, key: str) -> PictureRow:
        """A picture that was not taken away. NotFound without."""
        with self.work.read() as session:
            row = Cultures(session).picture(key)
            if row is None or row.culture_id != culture or row.removed_at is not None:
                raise NotFound("id", "kitchen-picture-not-here")
            return row

    def keep(self, culture: str, key: str, data: bytes, taken: str | None) -> None:
        """Keep a picture, and nothing that came with it; the same key again adds nothing. CraftError for what is none.

        ``taken``: by the kitchen's wall clock; what lies ahead or too far back is taken for now.
        """
        if not data or len(data) > LARGEST_BYTES:
            raise CraftError("photo", "kitchen-picture-size")
        now = self.now()
        at = now if taken is None else instant_of(taken, zone_of(KitchenSettings(self.work).get().zone), "at")
        at = at if timedelta() <= now - at <= OLDEST else now
        kept = as_jpeg(cleaned(data, LONGEST_PX))
        with self.work.write() as session:
            book = Cultures(session)
            if book.get(culture) is None:
                raise NotFound("id", "kitchen-culture-not-here")
            if book.picture(key) is not None:
                return
            shown, _ = pictures_of(session, culture, now)
            if len(shown) >= PICTURES.high:
                raise CraftError("photo", "kitchen-pictures-too-many", most=round(PICTURES.high))
            book.add_picture(
                PictureRow(
                    id=key, culture_id=culture, content_type="image/jpeg", data=kept, taken_at=at, removed_at=None
                )
            )

    def take_away(self, culture: str, key: str, away: bool = True) -> None:
        """Take a picture away, or have it back."""
        with self.work.write() as session:
            row = Cultures(session).picture(key)
            if row is None or row.culture_id != culture:
                raise NotFound("id", "kitchen-picture-not-here")
            if not away and row.removed_at is not None and self.now() - row.removed_at > RECOVERABLE:
                raise NotFound("id", "kitchen-picture-not-here")
            row.removed_at = self.now() if away else None
