"""A bake as facts that can be held against those of another: what was set, what was done, what came of it."""

from collections.abc import Callable
from dataclasses import dataclass
from datetime import datetime
from functools import cached_property

from gentle_crust.contract.bakes import BakeFigures, BakeTells, Drawn
from gentle_crust.core.course.ask import Asked as CourseAsked
from gentle_crust.core.course.method import Method, Stage
from gentle_crust.core.course.stage_lines import stage_line
from gentle_crust.core.crumb.read import SliceKept
from gentle_crust.core.errors import CraftError
from gentle_crust.core.formula.compare import formula_lines
from gentle_crust.core.loaf.compare import Fact
from gentle_crust.core.loaf.sheet import Sheet, measured
from gentle_crust.core.messages import Message, message, named
from gentle_crust.core.plan.steps_shown import PARTS_APART
from gentle_crust.kitchen.bench import each_g
from gentle_crust.kitchen.drawn import drawing, sheets_of
from gentle_crust.kitchen.figures import figures_of
from gentle_crust.kitchen.plans import SavedPlan
from gentle_crust.kitchen.record_photos import slice_of
from gentle_crust.kitchen.story import Story
from gentle_crust.store.models import PlanRow

NOT_COMPARED = ("line-name", "line-note", "line-pieces")
"""Lines of a formula that are no property of the bread."""
NEAR_C, NEAR_MIN, NEAR_BAKE_MIN, NEAR_RISE, NEAR_SHARE, NEAR_PART = 1.0, 15.0, 3.0, 0.05, 0.03, 0.05
NEAR_HOLES = 0.03
"""Within what two bakes are taken for the same (practice); the last is a share of the figure."""


@dataclass(frozen=True)
class Baked:
    """One bake, or one part of it, with all that is known of it."""

    key: str
    part: str
    saved: SavedPlan
    story: Story
    row: PlanRow
    question: CourseAsked | None
    """The core's question of it; None if the kitchen has no more what it was planned with."""
    culture: str = ""

    @property
    def place(self) -> int:
        """The place of the part among the dough's parts."""
        names = [each.name for each in self.saved.answer.plan.outs]
        return names.index(self.part) if self.part in names else 0

    def done(self, step: str) -> datetime | None:
        """When a step of its part was done."""
        return self.story.happened.done(f"{step}-{PARTS_APART * self.place + 1}")

    @property
    def out(self) -> datetime | None:
        """When its part left the oven."""
        return self.done("out")

    @property
    def piece_g(self) -> float:
        """What a piece weighs, g."""
        asked = self.saved.answer.asked
        return each_g(int(asked.pieces or 1), float(asked.scaling_weight_g or 0), self.story)

    @property
    def sheet(self) -> Sheet | None:
        """What was said last of its loaf on its day."""
        found = [s for s in sheets_of(self.story) if s.day == 0 and s.part in ("", self.part)]
        return found[-1] if found else None

    @property
    def drawn(self) -> Drawn | None:
        """Its dough's way on the clock of what was done."""
        out = self.out
        return None if out is None else drawing(self.row.shown, self.story, out, self.place)

    @cached_property
    def tells(self) -> BakeTells:
        """What it tells of its kitchen."""
        return figures_of(self.row.shown, self.story, self.place, self.row.asked).tells or BakeTells()

    @cached_property
    def figures(self) -> BakeFigures:
        """What it came to in figures; proof and bake of its own part."""
        return figures_of(self.row.shown, self.story, self.place)


def facts_of(baked: Baked) -> tuple[Fact, ...]:
    """Everything of a bake that can be held against another's."""
    return (*_formula(baked), *_method(baked), *_done(baked), *came(baked))


def _formula(baked: Baked) -> list[Fact]:
    lines = formula_lines(baked.question.formula if baked.question else baked.saved.answer.formula)
    found = [Fact(what, "formula", said) for what, said in lines.items() if what.code not in NOT_COMPARED]
    grams = float(baked.saved.answer.asked.scaling_weight_g or 0)
    return [*found, Fact(message("compare-piece"), "formula", _mass(grams), grams, NEAR_PART * grams)]


def _method(baked: Baked) -> list[Fact]:
    """Stages as they were asked for, those of its own part at the end."""
    asked = baked.question
    if asked is None:
        return []
    found: list[Fact] = []
    count: dict[str, int] = {}
    for stage in _path(asked.method, baked.part):
        count[stage.kind] = count.get(stage.kind, 0) + 1
        name = message("stage-line", stage=message(f"course-kind-{stage.kind}"), number=count[stage.kind])
        found.append(Fact(name, "method", stage_line(stage), stage=stage.kind))
    return found


def _path(method: Method, part: str) -> tuple[Stage, ...]:
    paths = dict(method.paths)
    return paths.get(part) or next(iter(paths.values()))


def _done(baked: Baked) -> list[Fact]:
    """What was measured and how long it took."""
    asked, figures, happened = baked.saved.answer.asked, baked.figures, baked.story.happened
    folds = sum(each.key.startswith(("fold-", "extra_fold")) and not each.skipped for each in happened.deeds)
    warmths = (("dough-c", figures.dough_c, "mix"), ("room", asked.room_day_c, ""), ("fridge", asked.fridge_c, ""))
    lasted = (
        ("bulk", figures.bulk_min, NEAR_MIN), ("proof", figures.proof_min, NEAR_MIN),
        ("baked", figures.baked_min, NEAR_BAKE_MIN),
    )  # fmt: skip
    culture = named(baked.culture) if baked.culture else message("compare-no-culture")
    found = [
        Fact(message(f"compare-{name}"), "done", message("compare-warmth", warm=warm), warm, NEAR_C, stage)
        for name, warm, stage in warmths
        if warm is not None
    ]
    found += [
        Fact(message(f"compare-{name}"), "done", message("compare-minutes", minutes=minutes), float(minutes),
             max(near, NEAR_PART * minutes), "bake" if name == "baked" else name)
        for name, minutes, near in lasted
        if minutes is not None
    ]  # fmt: skip
    found.append(Fact(message("compare-folds"), "done", _number(folds), float(folds), 0.0, "fold"))
    return [*found, Fact(message("compare-culture"), "done", culture)]


def came(baked: Baked) -> list[Fact]:
    """What came of it, in figures; looks are told by its sheet."""
    figures, sheet = baked.figures, baked.sheet
    found = []
    for name, value, near in (("rise", figures.rise, NEAR_RISE), ("share", figures.share, NEAR_SHARE)):
        if value is not None:
            said = message("compare-percent", percent=round(100 * value))
            found.append(Fact(message(f"compare-{name}"), "came", said, value, near))
    found += _crumb(slice_of(baked.story, baked.part))
    if sheet is None:
        return found
    size = measured(sheet, baked.saved.answer.formula.shape, baked.piece_g)
    for name, value, places in (("density", size.g_per_ml, 2), ("tall", size.height_over_width, 2)):
        if value is not None:
            said = message("compare-number", number=round(value, places))
            found.append(Fact(message(f"compare-{name}"), "came", said, value, NEAR_PART * value))
    if size.volume_ml is not None:
        said = message("compare-ml", ml=round(size.volume_ml, -1))
        found.insert(0, Fact(message("compare-volume"), "came", said, size.volume_ml, NEAR_PART * size.volume_ml))
    if size.loss is not None:
        said = message("compare-percent", percent=round(100 * size.loss, 1))
        found.append(Fact(message("compare-loss"), "came", said, size.loss, 0.01))
    if sheet.liked is not None:
        found.append(Fact(message("compare-liked"), "came", _number(sheet.liked), float(sheet.liked)))
    return found


def _crumb(kept: SliceKept | None) -> list[Fact]:
    """What was measured of its slice."""
    if kept is None:
        return []
    read = kept.read
    share = message("compare-percent", percent=round(100 * read.holes_fraction, 1))
    figures = (
        ("mean-hole", read.mean_cell_mm2, 1, 0.15), ("largest-hole", read.largest_mm, 1, 0.15),
        ("holes-per-cm2", read.cells_per_cm2, 1, 0.2), ("even-holes", read.evenness, 2, 0.1),
    )  # fmt: skip
    return [
        Fact(message("compare-holes"), "came", share, read.holes_fraction, NEAR_HOLES),
        *(
            Fact(message(f"compare-{name}"), "came", _number(round(value, places)), value, near * value)
            for name, value, places, near in figures
            if value is not None
        ),
    ]


def _mass(grams: float) -> Message:
    return message("compare-mass", g=grams)


def _number(value: float) -> Message:
    return message("compare-number", number=value)


def question_or_none(asker: Callable[[SavedPlan], CourseAsked], saved: SavedPlan) -> CourseAsked | None:
    """The core's question of a saved plan; None if the kitchen has no more what it was planned with."""
    try:
        return asker(saved)
    except CraftError:
        return None
