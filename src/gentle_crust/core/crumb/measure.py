"""Measures the holes of a slice in a picture: how many, how large, how even, and where they sit."""

from dataclasses import dataclass
from itertools import pairwise
from typing import Any

import numpy as np
from numpy.typing import NDArray
from scipy import ndimage
from skimage import filters, measure, morphology, segmentation  # type: ignore[attr-defined]

from gentle_crust.core import limits
from gentle_crust.core.crumb.read import CrumbRead, Line, Quality
from gentle_crust.core.errors import within

Floats = NDArray[np.float64]
Flags = NDArray[np.bool_]

SMALLEST_MM = 0.8
"""Equivalent diameter from which on a hole counts."""
BANDS = 10
FEWEST_FOR_EVENNESS = 10
CRUST_MM = 2.5
"""Thickness within which a crust is looked for (practice)."""
LIGHT_MM = 24.0
"""Over this length the light on a slice is taken to be even."""
LEAST_PX = 160
DARK, FLAT, BLURRED = 0.16, 0.05, 0.045
"""Brightness and contrast (0-1), and steepest step over contrast, below which a picture cannot be read (practice)."""
STEEP, LOPSIDED = 0.2, 1.18
"""Slope of a slice's base, and its larger half over the other, above which it was not taken straight (practice)."""
DENSE_SHARE, DENSE_FROM_MM, DENSE_AT_BASE_MM, DENSE_WITHIN = 0.3, 2.5, 4.5, 0.35
"""A dense line: share of holes beside the usual, least thickness, what crust and rim add at the base, and where."""
EDGE_PX = 3
"""Half width up to which a dark strip beside the crust is its edge (practice)."""
DENSE_HOLES = 1.2
"""And so many mean holes thicker: large ones leave a rim free by themselves."""


@dataclass(frozen=True)
class Found:
    """The slice and its holes as drawn over the picture: labels by pixel (0: none), and mm a pixel."""

    slice_: Flags
    holes: NDArray[np.int32]
    mm_per_px: float
    threshold: float


def read_crumb(rgb: Floats, width_mm: float, shift: float = 0.0) -> tuple[CrumbRead, Found]:
    """Measure a slice.

    Parameters
    ----------
    rgb : picture, (rows, columns, 3), 0-1
    width_mm : width of the slice itself, mm, 20-600
    shift : by how much the baker moves the threshold, -0.2 (fewer holes) to 0.2 (more)

    Returns
    -------
    The figures, and what was found where. Otsu's threshold on the picture in even light (Otsu 1979, unverified),
    touching holes parted by a watershed (Vincent and Soille 1991, unverified).
    """
    within("width_mm", limits.SLICE_MM, width_mm)
    within("shift", limits.CRUMB_SHIFT, shift)
    slice_ = _slice(rgb)
    grey = np.asarray(rgb @ np.array([0.299, 0.587, 0.114]))
    columns = np.flatnonzero(slice_.any(axis=0))
    across = int(columns[-1] - columns[0] + 1) if columns.size else 0
    quality = _quality(grey, slice_, across)
    if not columns.size:
        none = Found(slice_, np.zeros(slice_.shape, np.int32), 1.0, 0.0)
        return CrumbRead(0.0, 0.0, 0.0, 0.0, None, (0.0,) * BANDS, None, quality), none
    mm = width_mm / across
    even = _even_light(grey, slice_, mm)
    dark, threshold = _dark(even, slice_, mm, shift)
    crust = _crust(dark, slice_, mm)
    holes = _parted(_without_edge(dark & ~crust & slice_, crust), mm)
    return _figures(holes, slice_, crust, mm, quality), Found(slice_, holes, mm, threshold)


def _slice(rgb: Floats) -> Flags:
    """The slice: what differs from the background that the picture's rim shows; the whole picture if none does."""
    soft = ndimage.gaussian_filter(rgb, (1.5, 1.5, 0))
    apart = np.sqrt(((soft - _ground(soft)) ** 2).sum(axis=2))
    rim = _rim(rgb.shape[:2])
    noise = float(np.percentile(apart[rim], 90))
    if noise > 0.25:
        return np.ones(rgb.shape[:2], dtype=bool)
    if float(apart.max()) < 0.08:
        return np.zeros(rgb.shape[:2], dtype=bool)
    limit = min(max(2.0 * noise, 0.06), 0.5 * float(filters.threshold_otsu(apart)) + 0.02)
    mask = ndimage.binary_fill_holes(apart > limit)
    labels, count = ndimage.label(mask)
    if not count:
        return np.zeros(rgb.shape[:2], dtype=bool)
    sizes = np.bincount(labels.ravel())
    sizes[0] = 0
    largest = labels == int(sizes.argmax())
    closed = ndimage.binary_fill_holes(ndimage.binary_closing(np.pad(largest, 4), iterations=3)[4:-4, 4:-4])
    return np.asarray(closed, dtype=bool)


def _rim(shape: tuple[int, ...]) -> Flags:
    """The picture's rim, where the ground is seen."""
    wide = max(min(shape[:2]) // 50, 2)
    rim = np.ones(shape[:2], dtype=bool)
    rim[wide:-wide, wide:-wide] = False
    return rim


def _ground(rgb: Floats) -> Floats:
    """The ground behind the slice, its colour changing evenly across the picture, as the rim shows it."""
    rim = _rim(rgb.shape[:2])
    y, x = np.nonzero(rim)
    across, down = x / rgb.shape[1], y / rgb.shape[0]
    every = max(x.size // 20_000, 1)
    plane = np.column_stack([np.ones(x.size), across, down])[::every]
    fitted = np.linalg.lstsq(plane, rgb[rim][::every], rcond=None)[0]
    steps = np.arange(rgb.shape[1]) / rgb.shape[1]
    return np.asarray(
        fitted[0]
        + steps[None, :, None] * fitted[1]
        + (np.arange(rgb.shape[0]) / rgb.shape[0])[:, None, None] * fitted[2]
    )


def _quality(grey: Floats, slice_: Flags, across: int) -> Quality:
    if float(np.percentile(grey, 98)) < DARK:
        return Quality(False, "dark")
    if not slice_.any() or slice_.mean() < 0.02:
        return Quality(False, "no_slice")
    if across < LEAST_PX:
        return Quality(False, "small")
    if _oblique(slice_):
        return Quality(False, "oblique")
    inside = grey[slice_]
    contrast = float(np.percentile(inside, 95) - np.percentile(inside, 5))
    if float(np.percentile(inside, 75)) < DARK:
        return Quality(False, "dark")
    if contrast < FLAT:
        return Quality(False, "flat")
    soft = ndimage.gaussian_filter(grey, 1.5)
    steps = np.hypot(ndimage.sobel(soft, 0), ndimage.sobel(soft, 1)) / 8
    core = ndimage.binary_erosion(slice_, iterations=max(across // 25, 2))
    sharp = float(np.percentile(steps[core], 99.8)) if core.any() else 0.0
    return Quality(False, "blurred") if sharp < BLURRED * contrast else Quality(True, "")


def _oblique(slice_: Flags) -> bool:
    """Whether the slice lies askew, or was taken from one side: its base slopes, or one of its halves is far larger."""
    columns = np.flatnonzero(slice_.any(axis=0))
    left, right = columns[0], columns[-1]
    middle = columns[(columns > left + (right - left) * 0.2) & (columns < right - (right - left) * 0.2)]
    if middle.size < LEAST_PX / 4:
        return False
    base = slice_.shape[0] - 1 - slice_[::-1, middle].argmax(axis=0)
    slope = float(np.polyfit(middle, base, 1)[0])
    centre = (left + right) // 2
    halves = sorted((int(slice_[:, left:centre].sum()), int(slice_[:, centre:right].sum())))
    return abs(slope) > STEEP or halves[1] > LOPSIDED * max(halves[0], 1)


def _even_light(grey: Floats, slice_: Flags, mm: float) -> Floats:
    """The picture as in even light: over the brightness of the crumb around, which holes do not darken."""
    step = max(int(1.2 / mm), 1)
    small, inside = grey[::step, ::step], slice_[::step, ::step]
    size = max(int(LIGHT_MM / mm / step), 3)
    filled = np.where(inside, small, np.median(small[inside]) if inside.any() else 0.5)
    bright = ndimage.percentile_filter(filled, 80, size=size)
    bright = ndimage.gaussian_filter(bright, size / 3)
    light = ndimage.zoom(bright, (grey.shape[0] / small.shape[0], grey.shape[1] / small.shape[1]), order=1)
    return np.asarray(grey / np.maximum(light[: grey.shape[0], : grey.shape[1]], 0.02))


def _dark(even: Floats, slice_: Flags, mm: float, shift: float) -> tuple[Flags, float]:
    """What is darker than crumb: below half-way between crumb and holes."""
    inner = ndimage.binary_erosion(slice_, iterations=max(int(2 * CRUST_MM / mm), 1))
    values = even[inner] if inner.any() else even[slice_]
    cut = float(filters.threshold_otsu(values))
    for _ in range(3):
        light, dark = values[values >= cut], values[values < cut]
        if not dark.size or not light.size:
            break
        cut = float((np.median(light) + np.percentile(dark, 40)) / 2)
    crumb = float(np.median(values[values >= cut])) if (values >= cut).any() else 1.0
    depth = crumb - float(np.percentile(values[values < cut], 40)) if (values < cut).any() else 0.0
    if depth < 0.12:
        cut = crumb - 0.12
    cut += shift
    smooth = ndimage.gaussian_filter(even, max(0.12 / mm, 0.4))
    return smooth < cut, cut


def _crust(dark: Flags, slice_: Flags, mm: float) -> Flags:
    """The crust: what is dark and hangs together with the slice's rim, as deep as a crust is."""
    depth = np.asarray(ndimage.distance_transform_edt(np.pad(slice_, 1)))[1:-1, 1:-1] * mm
    rim = slice_ & (depth <= 0.8)
    near = dark & slice_ & (depth <= 2 * CRUST_MM)
    labels, _ = ndimage.label(near | rim)
    touching = np.unique(labels[rim])
    hangs = np.isin(labels, touching[touching > 0])
    thickness = _thickness(dark, slice_, depth)
    return np.asarray(hangs & (depth <= thickness) & slice_)


def _thickness(dark: Flags, slice_: Flags, depth: Floats) -> float:
    """How deep the dark rim reaches, mm: where less than half of what is so deep is dark."""
    for deep in np.arange(1.2, 3 * CRUST_MM, 0.3):
        ring = slice_ & (depth > deep - 0.3) & (depth <= deep)
        if ring.any() and dark[ring].mean() < 0.55:
            return float(deep - 0.3) + 0.15
    return CRUST_MM


def _without_edge(dark: Flags, crust: Flags) -> Flags:
    """What is dark without the crust's own blurred edge: strips beside it that are no wider than an edge is blurred."""
    near = ndimage.binary_dilation(crust, iterations=EDGE_PX + 2)
    wide = ndimage.binary_opening(dark, structure=morphology.disk(EDGE_PX))
    return np.asarray(dark & ~(near & ~wide))


def _parted(dark: Flags, mm: float) -> NDArray[np.int32]:
    """Holes by label, those that touch parted at their waists; those that are too small left out."""
    distance = np.asarray(ndimage.distance_transform_edt(dark))
    smooth = ndimage.gaussian_filter(distance, 0.6)
    heights = np.round(smooth * 16).astype(np.uint16)
    peaks = morphology.h_maxima(heights, round(16 * max(0.18 / mm, 0.75)))
    markers, _ = ndimage.label(peaks & dark)
    labels = segmentation.watershed(-smooth, markers, mask=dark)
    area = np.bincount(labels.ravel())
    least = np.pi / 4 * (SMALLEST_MM / mm) ** 2
    keep = area >= least
    keep[0] = False
    relabelled = np.cumsum(keep) * keep
    return np.asarray(relabelled[labels], dtype=np.int32)


def _figures(holes: NDArray[np.int32], slice_: Flags, crust: Flags, mm: float, quality: Quality) -> CrumbRead:
    areas: Floats = np.bincount(holes.ravel())[1:].astype(np.float64) * mm**2
    whole_mm2 = float(slice_.sum()) * mm**2
    share = float(areas.sum()) / whole_mm2
    return CrumbRead(
        round(share, 4),
        round(100 * areas.size / whole_mm2, 3),
        round(float(areas.mean()), 3) if areas.size else 0.0,
        round(float(np.sqrt(4 * areas.max() / np.pi)), 2) if areas.size else 0.0,
        None if areas.size < FEWEST_FOR_EVENNESS else round(1 - _gini(areas), 3),
        _bands(holes > 0, slice_ & ~crust),
        _dense_line(holes > 0, slice_, mm, float(np.sqrt(4 * areas.mean() / np.pi)) if areas.size else 0.0),
        quality,
    )


def _gini(areas: Floats) -> float:
    """Gini's index of areas, 0 (all alike) to 1."""
    ordered = np.sort(areas)
    rank = np.arange(1, ordered.size + 1)
    return float((2 * (rank * ordered).sum() / ordered.sum() - (ordered.size + 1)) / ordered.size)


def _bands(holes: Flags, inside: Flags) -> tuple[float, ...]:
    rows = np.flatnonzero(inside.any(axis=1))
    if not rows.size:
        return (0.0,) * BANDS
    edges = np.linspace(rows[0], rows[-1] + 1, BANDS + 1).round().astype(int)
    found = []
    for top, bottom in pairwise(edges):
        area = inside[top:bottom].sum()
        found.append(round(float((holes[top:bottom] & inside[top:bottom]).sum() / area), 4) if area else 0.0)
    return tuple(found)


def _dense_line(holes: Flags, slice_: Flags, mm: float, hole_mm: float) -> Line | None:
    """A band near the base with hardly a hole in it, thicker than a crust."""
    rows = np.flatnonzero(slice_.any(axis=1))
    height = rows[-1] - rows[0] + 1
    middle = slice(slice_.shape[1] // 5, -(slice_.shape[1] // 5) or None)
    width = np.maximum(slice_[:, middle].sum(axis=1), 1)
    share = ndimage.uniform_filter1d((holes & slice_)[:, middle].sum(axis=1) / width, max(int(0.8 / mm), 1))
    usual = float(np.median(share[rows[0] + height // 5 : rows[-1] - height // 3]))
    if usual < 0.06:
        return None
    low = share < DENSE_SHARE * usual
    start = int(rows[-1] - DENSE_WITHIN * height)
    labels, count = ndimage.label(low[start : rows[-1] + 1])
    for each in range(1, count + 1):
        inside = np.flatnonzero(labels == each) + start
        base, top = (rows[-1] - inside[-1]) * mm, (rows[-1] - inside[0] + 1) * mm
        least = DENSE_FROM_MM + DENSE_HOLES * hole_mm + (DENSE_AT_BASE_MM if base < 0.5 else 0.0)
        if top - max(base, 0) >= least:
            return Line(round(float(base), 1), round(float(top), 1))
    return None


def outlines(found: Found) -> list[list[tuple[float, float]]]:
    """The holes' outlines, to be drawn over the picture.

    Parameters
    ----------
    found : what was found where

    Returns
    -------
    Rings of points (across, down), each 0-1 of the picture's width and height.
    """
    rows, columns = found.holes.shape
    rings: list[list[tuple[float, float]]] = []
    for contour in measure.find_contours((found.holes > 0).astype(float), 0.5):
        thin: Any = measure.approximate_polygon(contour, 0.7)
        rings.append([(round(float(x) / columns, 4), round(float(y) / rows, 4)) for y, x in thin])
    return rings
