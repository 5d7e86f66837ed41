"""A slice measured on a photo, in a process of its own: what measures is large."""

import json
import sys
from pathlib import Path
from typing import get_args

from gentle_crust.contract import problem
from gentle_crust.core.crumb.read import WhyNot
from gentle_crust.core.errors import CraftError

WHY = get_args(WhyNot)[1:]
_NUMBER = {"type": "number"}
SCHEMA = {
    "type": "object",
    "properties": {
        "holes_fraction": _NUMBER,
        "cells_per_cm2": _NUMBER,
        "mean_cell_mm2": _NUMBER,
        "largest_mm": _NUMBER,
        "evenness": {"type": ["number", "null"], "minimum": 0, "maximum": 1},
        "top_to_bottom": {"type": "array", "items": _NUMBER, "minItems": 10, "maxItems": 10},
        "dense_line": {
            "type": ["object", "null"],
            "properties": {"from_mm": _NUMBER, "to_mm": _NUMBER},
        },
        "quality": {
            "type": "object",
            "properties": {"usable": {"type": "boolean"}, "why": {"enum": ["", *WHY]}},
        },
    },
}


def crumb(photo: Path | None, width_mm: float | None, schema: bool, codes: bool) -> int:
    """Measure a photo and print its figures; 2 and a problem on standard error for what cannot be read."""
    if schema or codes:
        print(json.dumps({"quality": list(WHY)} if codes else SCHEMA, indent=2))
        return 0
    try:
        if photo is None or width_mm is None:
            missing = "photo" if photo is None else "width_mm"
            raise CraftError(missing, "crumb-missing", what=missing)
        from gentle_crust.interchange.crumb_photo import of_file

        print(json.dumps(of_file(photo, width_mm)))
        return 0
    except CraftError as error:
        document = problem.document(422, "That cannot be measured", problem.of_craft(error))
        print(json.dumps(document), file=sys.stderr)
        return 2
