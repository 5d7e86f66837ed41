"""A bake's photos as its record shows them, each with the line that gives it its scale."""

from collections.abc import Mapping

from gentle_crust.contract import events as bodies
from gentle_crust.contract.bakes import RecordPhoto
from gentle_crust.core.loaf.photo_line import photo_width_mm
from gentle_crust.kitchen.story import Story


def photos_of(story: Story, letters: Mapping[str, str] | None = None) -> tuple[RecordPhoto, ...]:
    """The photos of a dough, the first first; ``letters`` stand for the parts of a blind trial. Of several lines over
    one photo the last counts."""
    lines = {each.body["photo"]: bodies.LINE.read(each.body["line"]) for each in story.of(bodies.SCALED)}
    found = []
    for each in story.of(bodies.PHOTO):
        width, height = int(each.body["width"]), int(each.body["height"])
        part, line = str(each.body.get("part", "")), lines.get(each.id)
        found.append(
            RecordPhoto(
                id=each.id,
                at=each.at,
                width=width,
                height=height,
                part=(letters or {}).get(part, part),
                line=line,
                shows_mm=None if line is None else photo_width_mm(line, width, height),
            )
        )
    return tuple(found)
