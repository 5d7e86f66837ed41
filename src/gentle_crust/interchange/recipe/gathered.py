"""What was gathered from a recipe: ingredients with their stages, stages that come before the dough."""

from dataclasses import dataclass, field

from gentle_crust.core.formula.measures import Grams
from gentle_crust.interchange.recipe.compose import StageKind
from gentle_crust.interchange.recipe.lines import Mention

ASIDE_STAGE = "aside"


@dataclass(frozen=True)
class Entry:
    """An ingredient with the stage it goes into. ``sentence``: the place of the sentence that names it, if one does."""

    mention: Mention
    stage: str
    sentence: int | None = None
    whole_stage: str | None = None
    """The stage that goes in whole by this line."""


@dataclass
class Gathered:
    """All entries; stages before the dough with their kinds, in order; lines that could not be read."""

    entries: list[Entry] = field(default_factory=list)
    stages: dict[str, StageKind] = field(default_factory=dict)
    unread: list[str] = field(default_factory=list)
    named_stage: dict[int, str] = field(default_factory=dict)
    """Stages that sentences themselves make, by the sentence's place."""
    base_flour_g: float | None = None
    feel_to_g: Grams | None = None
