"""The temperature of a dough: heat conducted through a ball or a stick that loses it to the air around its vessel."""

from dataclasses import dataclass
from functools import lru_cache
from typing import Literal

import numpy as np
from numpy.typing import NDArray

from gentle_crust.core.errors import Unreadable
from gentle_crust.core.fermentation.rates import Floats
from gentle_crust.core.fermentation.stepping import follow_air
from gentle_crust.core.tables import constant, numbers

NODES = 8
STILL_FRIDGE = 1.2
"""A fridge's moving, cold air takes heat this much faster than a room's (practice)."""
FOLD_COOLS_K = 0.3
"""What cold hands and air take from a dough at each fold (practice)."""


STICK_LENGTHS = 9.0
"""A stick is so many times as long as it is thick (practice)."""
Shape = Literal["ball", "stick"]
NONE: frozenset[int] = frozenset()


@dataclass(frozen=True)
class _Conduction:
    """Modes of heat flow in one ball: node temperatures = to_nodes @ modes, modes decay at rate_per_h."""

    rate_per_h: Floats
    to_nodes: Floats
    to_modes: Floats
    share: Floats


def heat_loss_w_per_m2_k(container: str, fridge: bool = False) -> float:
    """Surface heat loss of a dough in ``container``, W/m2 K; more in a ``fridge``, whose air moves, than in a room.

    Parameters
    ----------
    container : what the dough stands in, of the table of containers
    fridge : whether it stands in a fridge, whose air moves

    Returns
    -------
    W/m2 K (practice).
    """
    table = numbers("containers", "container", "heat_loss_w_per_m2_k")
    if container not in table:
        raise Unreadable("container", "fermentation-container-unknown", container=container, names=tuple(table))
    return table[container] * (STILL_FRIDGE if fridge else 1.0)


@lru_cache(maxsize=512)
def _conduction(mass_g: float, loss_w_per_m2_k: float, shape: Shape = "ball") -> _Conduction:
    """Finite volumes in NODES shells of a ball or a stick, brought to their modes.

    The shells of both hold the same shares of the dough: those of a ball cut in layers of equal thickness.
    """
    k = constant("fermentation", "dough", "conductivity_w_per_m_k")
    volume = mass_g / 1000 / constant("fermentation", "dough", "density_kg_per_m3")
    heat_j_per_k = mass_g / 1000 * constant("fermentation", "dough", "heat_capacity_j_per_kg_k")
    within = np.linspace(0.0, 1.0, NODES + 1) ** 3
    if shape == "stick":
        radius = (volume / (2 * STICK_LENGTHS * np.pi)) ** (1 / 3)
        edges = radius * np.sqrt(within)
        surface = 2 * np.pi * edges * 2 * STICK_LENGTHS * radius
    else:
        radius = (3 * volume / (4 * np.pi)) ** (1 / 3)
        edges = radius * np.cbrt(within)
        surface = 4 * np.pi * edges**2
    share: Floats = np.diff(within)
    middles = (edges[1:] + edges[:-1]) / 2
    between = k * surface[1:-1] / np.diff(middles)
    outward = surface[-1] / (1 / loss_w_per_m2_k + (radius - middles[-1]) / k)
    flow = np.zeros((NODES, NODES))
    inner = np.arange(NODES - 1)
    flow[inner, inner] -= between
    flow[inner + 1, inner + 1] -= between
    flow[inner, inner + 1] += between
    flow[inner + 1, inner] += between
    flow[-1, -1] -= outward
    root = np.sqrt(share * heat_j_per_k)
    rate, vectors = np.linalg.eigh(flow / np.outer(root, root) * 3600)
    return _Conduction(rate, vectors / root[:, None], vectors.T * root, share)


def node_shares() -> Floats:
    """Share of the dough's volume in each node, from the middle outwards."""
    return _conduction(1000, 7.0).share


def cool(
    nodes_c: Floats, mass_g: float, container: str, ambient_c: Floats, step_h: float,
    fold_steps: frozenset[int] = NONE, fridge: bool = False, shape: Shape = "ball",
) -> Floats:  # fmt: skip
    """Node temperatures after each of len(ambient_c) steps, shape (steps + 1, NODES), the start first.

    ``ambient_c`` holds the temperature around the vessel during each step; the dough is folded after ``fold_steps``.

    Parameters
    ----------
    nodes_c : temperatures of the dough's shells, C, from the middle outwards
    mass_g : weight of the piece, g
    container : what the dough stands in, of the table of containers
    ambient_c : temperature of the surroundings by step, C
    step_h : length of a step, h
    fold_steps : steps after which the dough is folded
    fridge : whether it stands in a fridge, whose air moves
    shape : shape of the piece

    Returns
    -------
    C, (steps + 1, NODES): heat conduction in a ball of that weight, backward in time.
    """
    modes = _conduction(round(mass_g), heat_loss_w_per_m2_k(container, fridge), shape)
    folds = fold_flags(len(ambient_c), fold_steps)
    path: Floats = follow_air(
        nodes_c, ambient_c, modes.rate_per_h, step_h, folds, modes.to_modes, modes.to_nodes, modes.share, FOLD_COOLS_K
    )
    return path


def fold_flags(steps: int, fold_steps: frozenset[int]) -> NDArray[np.bool_]:
    """Whether the dough is folded after each of ``steps``, shape (steps + 1,).

    Parameters
    ----------
    steps : number of steps
    fold_steps : steps after which the dough is folded

    Returns
    -------
    True where it is folded.
    """
    flags = np.zeros(steps + 1, dtype=np.bool_)
    for step in fold_steps:
        if step <= steps:
            flags[step] = True
    return flags


def mixed(nodes_c: Floats, loses_k: float = 0.0) -> Floats:
    """A dough that was turned over: every node at the mean, less what hands and air took.

    Parameters
    ----------
    nodes_c : temperatures of the dough's shells, C, from the middle outwards
    loses_k : what hands and air take from a dough that is turned over, K

    Returns
    -------
    C, one a node.
    """
    return np.full(NODES, float(nodes_c @ node_shares()) - loses_k)
