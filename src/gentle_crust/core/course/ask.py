"""What is asked of a course: a formula and a method in a kitchen, by which times."""

from dataclasses import dataclass, replace
from datetime import datetime

from gentle_crust.core.clock import Nights, Room, Stand
from gentle_crust.core.course.method import Method
from gentle_crust.core.course.tailored import PLAIN, Tailoring
from gentle_crust.core.course.taken import Taken
from gentle_crust.core.fermentation.dough import Makeup, makeup_of
from gentle_crust.core.fermentation.uncertainty import Vigour, of_dough, of_leaven
from gentle_crust.core.formula.model import Formula
from gentle_crust.core.formula.scaling import BOWL_LOSS
from gentle_crust.core.learning.learnt import NOTHING_LEARNT, LearntHere
from gentle_crust.core.leaven.starter import Starter
from gentle_crust.core.oven.equipment import Oven, Vessel
from gentle_crust.core.oven.kit import Fired, Steam


@dataclass(frozen=True)
class Kitchen:
    """A kitchen: its zone, the warmth of its room and fridge (C), sleep, oven, vessels and ways to steam, water.

    ``fired``: what a wood-fired oven is fired to. ``proofer_c``: what its warm place is set to.
    """

    zone: str
    room: Room
    nights: Nights
    oven: Oven
    vessels: tuple[Vessel, ...] = ()
    steam: tuple[Steam, ...] = ()
    fired: Fired | None = None
    proofer_c: float | None = None
    outdoors_c: float | None = None
    fridge_l: float | None = None
    """Litres of the fridge that doughs may have; None if that is not known."""
    tap_c: float = 15.0
    hot_tap_c: float | None = None
    altitude_m: float = 0.0
    scale_g: float = 1.0
    learnt_k: tuple[tuple[str, float], ...] = ()
    """What ways of mixing add to a dough here, K, where it was measured."""
    yeast_strength: float = 1.0
    """The dry yeast's gas beside that of fresh stock, as it was tested; 0: it was dead."""

    @property
    def strength(self) -> float:
        """What doughs are reckoned with: nobody bakes with dead yeast, so new yeast is taken for it."""
        return self.yeast_strength or 1.0


@dataclass(frozen=True)
class Asked:
    """The question of a plan. ``ready``: when each part is to leave the oven (an aware instant); none: soon.

    ``dough_c`` is what the dough leaves the bowl with; ``lively`` whether the culture was fed within a day, if no
    ``starter`` is known.
    """

    formula: Formula
    method: Method
    kitchen: Kitchen
    pieces: int
    scaling_weight_g: float
    dough_c: float
    now: datetime
    ready: tuple[tuple[str, datetime], ...] = ()
    lively: bool = True
    starter: Starter | None = None
    school: str = "by_dough"
    taken: tuple[Taken, ...] = ()
    """What other plans and doughs take of the kitchen."""
    style: str = ""
    """The style that the method is of; empty for one of the baker's own."""
    stands: tuple[Stand, ...] = ()
    """Where else than in the room it stands what would be in the room, from when to when."""
    tailoring: Tailoring = PLAIN
    """What the baker wants otherwise in any style."""
    learnt: LearntHere = NOTHING_LEARNT
    """What this kitchen's bakes have taught."""

    @property
    def makeup(self) -> Makeup:
        """The dough as its fermentation sees it, its dry yeast as strong as that of this kitchen."""
        made = makeup_of(self.formula)
        if self.formula.yeast_kind == "fresh":
            return made
        weaker = (1 - self.kitchen.strength) * self.formula.instant_yeast_percent
        return replace(made, yeast_percent=made.yeast_percent - weaker)

    @property
    def belief(self) -> Vigour:
        """How sure the leaven's activity is, its likely one being in the dough's liveliness."""
        usual = of_leaven(self.makeup)
        if self.learnt.sigma is not None:
            return Vigour(1.0, min(self.learnt.sigma, usual.sigma))
        if self.starter is None or not self.formula.by_culture_alone:
            return usual
        return of_dough(self.starter.vigour)

    @property
    def stays_behind(self) -> float:
        """What of a dough stays in bowl and hands here, a share."""
        return BOWL_LOSS if self.learnt.bowl_loss is None else self.learnt.bowl_loss

    def ready_at(self, part: str) -> datetime | None:
        """When a part is wanted, if that was said."""
        return dict(self.ready).get(part)
