"""Compiles the bake's equations, so that the first question does not wait for it: ``python -m`` this module."""

from gentle_crust.core.oven.bake import Bake, bake
from gentle_crust.core.oven.kit import InVessel, OvenHeat, Preheat, Stage
from gentle_crust.core.oven.loaf import Loaf


def warm() -> None:
    """Bake one roll."""
    bake(Bake(Loaf(90, shape="roll"), InVessel("tray"), OvenHeat(), Preheat(200, 10), (Stage(5, 200),)))


if __name__ == "__main__":
    warm()
