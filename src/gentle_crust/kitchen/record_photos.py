"""A bake's photos as its record shows them, each with the line that gives it its scale."""

from collections.abc import Mapping

from gentle_crust.contract import events as bodies
from gentle_crust.contract.bakes import RecordPhoto
from gentle_crust.core.crumb.read import SliceKept
from gentle_crust.core.loaf.photo_line import photo_width_mm
from gentle_crust.kitchen.story import Story


def photos_of(story: Story, letters: Mapping[str, str] | None = None) -> tuple[RecordPhoto, ...]:
    """The photos of a dough, the first first; ``letters`` stand for the parts of a blind trial. Of several lines over
    one photo the last counts."""
    lines = {each.body["photo"]: bodies.LINE.read(each.body["line"]) for each in story.of(bodies.SCALED)}
    slices = slices_of(story)
    found = []
    for each in story.of(bodies.PHOTO):
        width, height = int(each.body["width"]), int(each.body["height"])
        part, line = str(each.body.get("part", "")), lines.get(each.id)
        press, measured = slices.get(each.id, ("", None))
        found.append(
            RecordPhoto(
                id=each.id,
                at=each.at,
                width=width,
                height=height,
                part=(letters or {}).get(part, part),
                line=line,
                shows_mm=None if line is None else photo_width_mm(line, width, height),
                slice=measured,
                sliced=press,
            )
        )
    return tuple(found)


def slices_of(story: Story) -> dict[str, tuple[str, SliceKept]]:
    """Slices that were measured, by their photo: the press that kept them, and their figures. The last one counts."""
    return {
        str(each.body["photo"]): (each.id, bodies.SLICE.read(each.body["slice"])) for each in story.of(bodies.SLICED)
    }


def slice_of(story: Story, part: str = "") -> SliceKept | None:
    """The slice that was measured last: of a part if one is named, or of all of it."""
    of_part = {each.id: str(each.body.get("part", "")) for each in story.of(bodies.PHOTO)}
    found = [kept for photo, (_, kept) in slices_of(story).items() if not part or of_part.get(photo) in ("", part)]
    return found[-1] if found else None
