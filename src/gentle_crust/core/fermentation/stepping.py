"""What must be stepped of a dough's life: the gas that it keeps, and how its warmth follows the air around it.

Everything here is compiled; how the steps come about is told by the modules that call it.
"""

import numpy as np
from numpy.typing import NDArray

from gentle_crust.core.compiled import compiled

Floats = NDArray[np.float64]
Flags = NDArray[np.bool_]


@compiled()
def filled_one(full: float, gain: float, leak: float) -> float:
    """Fullness of one dough after a step in which ``gain`` is made and some leaks away, by the midpoint rule."""
    middle = full + gain * (1 - min(max(full, 0.0) ** 4, 1.0)) / 2
    after = full + gain * (1 - min(max(middle, 0.0) ** 4, 1.0))
    return after - leak * max(after, 0.0) * min(max(after, 0.0) ** 4, 1.0)


@compiled()
def filled_many(full: Floats, gain: Floats, leak: float, fullness: Floats, gas: Floats) -> Floats:
    """The same for many doughs, by the table of fullness against gas; one beyond the table's end stays there."""
    after = np.interp(np.interp(full, fullness, gas) + gain, gas, fullness)
    for place in range(len(after)):
        if full[place] > fullness[-1]:
            after[place] = full[place]
        above = max(after[place], 0.0)
        after[place] -= leak * above * min(above**4, 1.0)
    return after


@compiled()
def keep_gas(
    path: Floats, first: int, gains: Floats, parts: Floats, helds: Floats, folds: Flags, keeps: float, leak: float,
    fullness: Floats, gas: Floats,
) -> None:  # fmt: skip
    """Gas kept, step by step from ``first`` on, written into ``path`` (steps + 1, doughs), ml.

    ``gains``: gas made in each step over what the dough holds; ``parts``: fullness of a ml; ``helds``: ml dissolved;
    ``folds``: whether the dough is folded after the step, which keeps a share ``keeps`` of its bubbles.
    """
    if path.shape[1] == 1:
        kept = path[first, 0]
        for step in range(first, len(gains)):
            full = filled_one((kept - helds[step]) * parts[step], gains[step, 0], leak)
            if folds[step + 1] and full > 0:
                full *= keeps
            kept = full / parts[step] + helds[step]
            path[step + 1, 0] = kept
        return
    for step in range(first, len(gains)):
        full_many = filled_many((path[step] - helds[step]) * parts[step], gains[step], leak, fullness, gas)
        if folds[step + 1]:
            full_many = np.where(full_many > 0, full_many * keeps, full_many)
        path[step + 1] = full_many / parts[step] + helds[step]


@compiled()
def follow_air(
    start: Floats, decay: Floats, drive: Floats, folds: Flags, to_modes: Floats, to_nodes: Floats, share: Floats,
    loses_k: float,
) -> Floats:  # fmt: skip
    """Modes of warmth after each step, shape (steps + 1, modes); a fold brings every node to the mean less ``loses_k``.

    ``drive`` is what the air of each step adds to each mode, ``decay`` what is left of the mode after a step.
    """
    path = np.empty((len(drive) + 1, len(start)))
    now = start
    path[0] = now
    for step in range(len(drive)):
        now = decay * now + drive[step]
        if folds[step + 1]:
            mean = 0.0
            for node in range(len(share)):
                mean += share[node] * np.sum(to_nodes[node] * now)
            now = np.sum(to_modes, axis=1) * (mean - loses_k)
        path[step + 1] = now
    return path
