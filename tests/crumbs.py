"""Slices drawn with holes that are known, to measure the measuring."""

from dataclasses import dataclass

import numpy as np
from scipy import ndimage


@dataclass(frozen=True)
class Truth:
    """What a drawn slice has."""

    holes_fraction: float
    cells_per_cm2: float
    mean_cell_mm2: float
    largest_mm: float


def slice_of(seed, *, width_mm=120.0, px=800, count=160, mean_mm=2.6, spread=0.45, ground=(0.25, 0.27, 0.30),
             light=0.0, noise=0.015, blur=0.8, crust=2.0, dense_mm=0.0):  # fmt: skip
    """A slice on a ground: an ellipse flattened below, a crust, holes that do not touch; picture and truth."""
    rng = np.random.default_rng(seed)
    mm = width_mm / px
    tall = int(0.62 * px)
    margin = int(0.12 * px)
    rows, columns = tall + 2 * margin, px + 2 * margin
    y, x = np.mgrid[0:rows, 0:columns]
    u, v = (x - margin - px / 2) / (px / 2), (y - margin - tall * 0.62) / (tall * 0.62)
    down = (y - margin - tall * 0.62) / (tall * 0.38)
    inside = (np.abs(u) ** 2.4 + np.where(v < 0, np.abs(v), np.abs(down)) ** 2.4) <= 1
    depth = ndimage.distance_transform_edt(inside) * mm
    holes = np.zeros(inside.shape, dtype=bool)
    areas, tries, placed = [], 0, []
    base = np.flatnonzero(inside.any(axis=1))[-1]
    while len(areas) < count and tries < 40_000:
        tries += 1
        r = 0.5 * max(mean_mm * np.exp(rng.normal(0, spread)), 1.0)
        cy, cx = rng.uniform(margin, margin + tall), rng.uniform(margin, margin + px)
        if depth[int(cy), int(cx)] < crust + r + 0.8:
            continue
        if dense_mm and (base - cy) * mm < crust + dense_mm + r:
            continue
        if any((cy - py) ** 2 + (cx - qx) ** 2 < ((r + q + 0.45) / mm) ** 2 for py, qx, q in placed):
            continue
        stretch = rng.uniform(0.8, 1.25)
        reach = int(1.3 * r / mm) + 2
        at = (slice(int(cy) - reach, int(cy) + reach + 1), slice(int(cx) - reach, int(cx) + reach + 1))
        near = ((y[at] - cy) * stretch) ** 2 + ((x[at] - cx) / stretch) ** 2 <= (r / mm) ** 2
        holes[at] |= near
        placed.append((cy, cx, r * 1.25))
        areas.append(near.sum() * mm**2)
    crumb = np.array([0.86, 0.80, 0.68])
    picture = np.where(inside[..., None], crumb, np.array(ground))
    picture = np.where((inside & (depth < crust))[..., None], np.array([0.45, 0.27, 0.13]), picture)
    picture = np.where(holes[..., None], crumb * 0.52, picture)
    picture = picture * (1 + light * (u + v)[..., None] / 2)
    picture = ndimage.gaussian_filter(picture, (blur, blur, 0)) + rng.normal(0, noise, picture.shape)
    whole = inside.sum() * mm**2
    truth = Truth(
        sum(areas) / whole, 100 * len(areas) / whole, float(np.mean(areas)), float(np.sqrt(4 * max(areas) / np.pi))
    )
    return np.clip(picture, 0, 1), truth
