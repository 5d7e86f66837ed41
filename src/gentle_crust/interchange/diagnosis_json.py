"""A diagnosis as JSON."""

import json
import sys
from typing import Any

from gentle_crust.core.diagnosis.diagnose import Diagnosis, LikelyCause, cause_name
from gentle_crust.core.diagnosis.inference import FAULTS, causes
from gentle_crust.core.loaf.faults import fault_name
from gentle_crust.core.tables import toml
from gentle_crust.text.render import shown


def told(found: Diagnosis) -> dict[str, Any]:
    """Causes with what speaks for and against them, those ruled out, a look and a change."""
    return {
        "causes": [_cause(each) for each in found.causes],
        "ruled_out": [{"cause": each.cause, "text": shown(each.text)} for each in found.ruled_out],
        "unexplained": list(found.unexplained),
        "look_next": shown(found.look_next),
        "change": shown(found.change),
    }


def _cause(one: LikelyCause) -> dict[str, Any]:
    return {"cause": one.cause, "p": one.p, "for": shown(one.for_), "against": shown(one.against)}


def list_codes() -> int:
    """Print the codes of faults and causes with their names, and those of looks; returns the exit status."""
    codes = {
        "faults": {each: shown(fault_name(each)) for each in FAULTS},
        "causes": {each: shown(cause_name(each)) for each in causes()},
        "looks": sorted(set(toml("diagnosis")["look"].values())),
    }
    json.dump(codes, sys.stdout, indent=2)
    sys.stdout.write("\n")
    return 0
