"""Questions to what ferments as JSON: a dough along its path, a preferment, a culture that was fed."""

from typing import Annotated, Any, Literal

from pydantic import AllowInfNan, BaseModel, ConfigDict, Field, TypeAdapter, model_validator

from gentle_crust.core.culture import looked
from gentle_crust.core.fermentation.dough import Dough, FlourPart
from gentle_crust.core.fermentation.forecast import Handling, Stretch, forecast
from gentle_crust.core.fermentation.readings import Reading
from gentle_crust.core.fermentation.temperature import Shape
from gentle_crust.core.leaven.brought import MixedIn, MixedKind, whole
from gentle_crust.core.leaven.preferment import PrefermentAsked, PrefermentKind, ripe_in, with_yeast
from gentle_crust.text.render import shown

Number = Annotated[float, AllowInfNan(False)]
Few = Field(max_length=20)


class Strict(BaseModel):
    """What is asked; a name that is not known is refused."""

    model_config = ConfigDict(extra="forbid")


class FlourInput(Strict):
    """Grams of one flour."""

    kind: str
    g: Number


class FlourShareInput(Strict):
    """Percent of one flour."""

    kind: str
    percent: Annotated[Number, Field(gt=0, le=100)] = 100.0

    def part(self) -> FlourPart:
        """As a part of 100 g."""
        return FlourPart(self.kind, self.percent)


class StretchInput(Strict):
    """Hours at one ambient temperature in one container; what is done to the dough there."""

    hours: Number
    ambient_c: Number
    container: str = "covered_bowl"
    folds: int = Field(0, description="Sets of folds, evenly spread over the stretch")
    handling: Handling | None = Field(None, description="What is done to the dough as the stretch begins")
    place: Literal["room", "fridge", "proofer", "oven_off", "outdoors", "bath"] | None = None
    shape: Shape = Field("ball", description="A stick cools and warms sooner than a ball")

    def stretch(self) -> Stretch:
        """As the core takes it."""
        return TypeAdapter(Stretch).validate_python(self.model_dump())


Path_ = Annotated[list[StretchInput], Field(max_length=60)]


class PathState(Strict):
    """A preferment that stood so, from its mixing at ``start_c`` on."""

    path: Path_
    start_c: Number = 22.0


class MixedInput(Strict):
    """A preferment as it goes into the dough: its flours by share, its grams, ripe or as it stood."""

    kind: MixedKind
    flours: Annotated[list[FlourShareInput], Few] = [FlourShareInput(kind="strong_white")]
    flour_g: Number
    water_g: Number
    instant_yeast_g: Number = 0
    state: Literal["ripe"] | PathState = "ripe"

    def mixed(self) -> MixedIn:
        """As the core takes it."""
        total = sum(each.percent for each in self.flours) or 1.0
        flours = tuple(FlourPart(each.kind, self.flour_g * each.percent / total) for each in self.flours)
        if isinstance(self.state, PathState):
            path = tuple(each.stretch() for each in self.state.path)
            return MixedIn(self.kind, flours, self.water_g, self.instant_yeast_g, path, self.state.start_c)
        return MixedIn(self.kind, flours, self.water_g, self.instant_yeast_g)


class YeastInput(Strict):
    """What is known of the baker's yeast."""

    osmotolerant: bool = False
    woken_min: Annotated[Number, Field(ge=0, le=60, description="Minutes in warm, sweet water before mixing")] = 0.0
    strength: Annotated[Number, Field(ge=0.02, le=2, description="Its gas beside fresh stock, by its test")] = 1.0


class DoughInput(Strict):
    """A whole batch, grams; flours and water leave out the levain's own and the preferments'."""

    flours: Annotated[list[FlourInput], Few]
    water_g: Number
    salt_g: Number = 0
    sugar_g: Number = 0
    oil_g: Number = 0
    instant_yeast_g: Number = 0
    active_dry_yeast_g: Number = 0
    fresh_yeast_g: Number = 0
    levain_g: Number = 0
    levain_hydration: Number = 1.0
    preferments: Annotated[list[MixedInput], Field(max_length=6)] = []
    yeast: YeastInput = YeastInput()
    altitude_m: Number = Field(0.0, ge=0, le=5000)

    def dough(self) -> Dough:
        """As the core takes it, its preferments left out."""
        return TypeAdapter(Dough).validate_python(self.model_dump(exclude={"preferments"}))

    def mixed(self) -> tuple[MixedIn, ...]:
        """Its preferments."""
        return tuple(each.mixed() for each in self.preferments)


class ReadingInput(Strict):
    """A rise (fraction) that was read, by eye or on a sample jar, hours after mixing."""

    hours: Number
    rise: Number
    by: Literal["eye", "jar"] = "eye"

    def reading(self) -> Reading:
        """As the core takes it."""
        return Reading(self.hours, "rise_jar" if self.by == "jar" else "rise_eye", self.rise)


class ForecastInput(Strict):
    """Question of `gentle-crust forecast`."""

    dough: DoughInput
    start_c: Number = 25.0
    path: Path_
    rise_targets: Annotated[list[Number], Few] = [0.5, 0.75, 1.0]
    pieces: int = 1
    readings: Annotated[list[ReadingInput], Field(max_length=60)] = []


def forecast_answer(text: str) -> dict[str, Any]:
    """The forecast asked for in JSON. CraftError for what cannot be reckoned."""
    asked = ForecastInput.model_validate_json(text)
    made = whole(asked.dough.dough(), asked.dough.mixed())
    path = tuple(each.stretch() for each in asked.path)
    readings = tuple(each.reading() for each in asked.readings)
    found = forecast(made, asked.start_c, path, tuple(asked.rise_targets), asked.pieces, None, readings)
    return dict(shown(found))


class PrefermentInput(Strict):
    """Question of `gentle-crust preferment`: the yeast for a time, or the time for a yeast (percent of its flour)."""

    kind: PrefermentKind
    flours: Annotated[list[FlourShareInput], Few] = [FlourShareInput(kind="strong_white")]
    hydration: Number = Field(description="Water over its flour, a fraction")
    path: Path_
    start_c: Number = 22.0
    ripe_in_h: Number | None = None
    instant_yeast_percent: Number | None = None

    @model_validator(mode="after")
    def one_question(self) -> "PrefermentInput":
        """Either the time or the yeast."""
        if (self.ripe_in_h is None) == (self.instant_yeast_percent is None):
            raise ValueError("give ripe_in_h or instant_yeast_percent")
        return self


def preferment_answer(text: str) -> dict[str, Any]:
    """When a preferment is ripe, or the yeast that makes it so. CraftError for what cannot be."""
    asked = PrefermentInput.model_validate_json(text)
    path = tuple(each.stretch() for each in asked.path)
    flours = tuple(each.part() for each in asked.flours)
    one = PrefermentAsked(asked.kind, flours, asked.hydration, path, asked.start_c)
    if asked.ripe_in_h is not None:
        found = ripe_in(one, asked.ripe_in_h)
    else:
        found = with_yeast(one, asked.instant_yeast_percent or 0.0)
    window = {"from": found.window_h.from_h, "to": found.window_h.to_h}
    return {**shown(found), "window_h": window}


class FeedInput(Strict):
    """Grams of seed, flour and water."""

    seed: Number
    flour: Number
    water: Number


class LookInput(Strict):
    """What was seen hours after the feed; cues as `judge --cues` lists them for a culture, and `growth`."""

    hours: Number
    rise: Number | None = None
    cues: Annotated[dict[str, str | Number], Field(max_length=20)] = {}


class CultureInput(Strict):
    """Question of `gentle-crust culture`: a feed, where it stands, and what was seen of it."""

    flours: Annotated[list[FlourShareInput], Few]
    hydration: Number = Field(1.0, description="Water over flour of the seed, a fraction")
    feed: FeedInput
    path: Path_
    start_c: Number = 24.0
    looks: Annotated[list[LookInput], Field(max_length=60)] = []


def culture_answer(text: str) -> dict[str, Any]:
    """When a culture peaks and is ripe, and how it is now. CraftError for what cannot be."""
    asked = CultureInput.model_validate_json(text)
    fed = looked.Fed(
        flours=tuple(each.part() for each in asked.flours),
        hydration=asked.hydration,
        feed=looked.Feed(asked.feed.seed, asked.feed.flour, asked.feed.water),
        path=tuple(each.stretch() for each in asked.path),
        looks=tuple(looked.Look(each.hours, each.rise, each.cues) for each in asked.looks),
        start_c=asked.start_c,
    )
    return dict(shown(looked.looked_at(fed)))
