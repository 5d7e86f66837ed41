"""What a diagnosis is asked with."""

from typing import Annotated, Literal

from pydantic import Field

from gentle_crust.contract.strict import Number, Short, Strict
from gentle_crust.core.diagnosis.record import Leaven, Record, ShareLogged

Fault = Literal[
    "dense_tight", "tight_wild_holes", "flying_crust", "dense_base_line", "gummy", "spread", "caved_in", "side_burst",
    "no_ear", "pale_top", "dark_early", "crust_hard", "crust_soft", "base_pale", "base_burnt", "too_sour", "bland",
    "too_salty", "undersalted", "dry_crumb", "flour_blotches", "stuck", "misshapen", "flour_streaks", "dull_crust",
    "base_burst", "too_open",
]  # fmt: skip


class ShareInput(Strict):
    """Share of the greatest volume: low (10 %), likely and high (90 %)."""

    low: Number
    likely: Number
    high: Number


class RecordInput(Strict):
    """What was logged of a bake: rises and shares as fractions, temperatures in C, percents over all flour."""

    dough_c: Number | None = None
    room_c: Number | None = None
    leaven: Leaven | None = None
    leaven_vigour: Annotated[Number | None, Field(description="1 = usual")] = None
    leaven_past_peak_h: Number | None = None
    bulk_rise: Number | None = None
    bulk_wanted: Number | None = None
    bulk_hours: Number | None = None
    proof_share: ShareInput | None = None
    proof_hours: Number | None = None
    folds_done: int | None = None
    folds_planned: int | None = None
    kneaded: bool | None = None
    hydration_over_capacity: Number | None = None
    salt_percent: Number | None = None
    flour_protein: Number | None = None
    rye_percent: Number | None = None
    shaped: Literal["loose", "good", "tight"] | None = None
    skin: Literal["moist", "dry"] | None = None
    waited_min: Number | None = None
    scored: Literal["none", "shallow", "good", "deep"] | None = None
    vessel: Short | None = None
    fill_g_per_ml: Number | None = None
    preheat_min: Number | None = None
    soak_min: Annotated[Number | None, Field(description="until the vessel is within 10 K of the set point")] = None
    chamber_c: Number | None = None
    set_c: Number | None = None
    steam: Literal["none", "weak", "good"] | None = None
    steam_min: Annotated[Number | None, Field(description="until vent or uncovering")] = None
    baked_min: Number | None = None
    core_c: Number | None = None
    colour: Number | None = None
    base_colour: Number | None = None
    loss_fraction: Number | None = None
    cooled_min: Number | None = None
    bench_flour: Literal["little", "much"] | None = None
    stored: Literal["open", "wrapped", "fridge"] | None = None
    days_old: Number | None = None
    seam: Literal["closed", "open"] | None = None
    handled: Literal["gently", "roughly"] | None = None
    core_at_load_c: Number | None = None
    mixed_min: Number | None = None
    cold_hours: Number | None = None
    sugar_percent: Number | None = None

    def record(self) -> Record:
        """As the core takes it."""
        values = self.model_dump(exclude={"proof_share"})
        share = None if self.proof_share is None else ShareLogged(**self.proof_share.model_dump())
        return Record(**values, proof_share=share)
