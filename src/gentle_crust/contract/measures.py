"""How a baker measures, as it is sent and answered."""

from typing import ClassVar, Literal

from gentle_crust.contract.strict import Number, Strict
from gentle_crust.core import limits
from gentle_crust.core.formula.measures import Habits
from gentle_crust.core.limits import Limit


class HabitsBody(Strict):
    """How the baker measures."""

    limits: ClassVar[dict[str, Limit]] = {
        "cup_ml": limits.CUP_ML,
        "cup_flour_g": limits.CUP_FLOUR_G,
        "teaspoon_salt_g": limits.TEASPOON_SALT_G,
    }

    cup_ml: Number = 236.6
    flour: Literal["unknown", "spooned", "scooped"] = "unknown"
    salt: Literal["unknown", "table", "fine_sea", "flaky"] = "unknown"
    liquid_ounces: Literal["ask", "weight", "volume"] = "ask"
    cup_flour_g: Number | None = None
    teaspoon_salt_g: Number | None = None

    def habits(self) -> Habits:
        """As the core takes it."""
        return Habits(**self.model_dump())
