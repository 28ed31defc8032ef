"""How many areas of scanned outlines are found, and how long does a photo take, against decoding it?"""

import io
import statistics
from collections.abc import Iterator
from dataclasses import dataclass, field
from pathlib import Path

import numpy as np
import shapely
from numpy.typing import NDArray
from PIL import Image

from bench.visitor import Row, timed
from jindle_core import figures
from jindle_core.errors import BadInput
from jindle_core.interchange.small_picture import small_picture
from jindle_core.line_art.drawing import LineDrawing
from jindle_core.line_art.enclosed import enclosed
from jindle_core.line_art.scanned.areas import MendStroke, MendWay, Scanned, scanned
from jindle_core.line_art.svg import read_svg
from standins.stamp import on_paper, stamped

_DRAWINGS = Path(__file__).parents[1] / "demo" / "data" / "drawings"
_WANTED = {"clean": 0.99, "usual": 0.97, "poor": 0.94, "dirty": 0.92}
_SIDE, _STROKE = 1300, 6.5  # pixels
_FOUND = 0.8  # intersection over union
_LEAST = 20 * _STROKE**2
_GESTURES = 3
_CALLS = 3


@dataclass
class _Counted:
    """Of so many true areas how many were found, split, and together with others in one that was found."""

    areas: int = 0
    found: int = 0
    split: int = 0
    merged: int = 0
    mended: int = 0
    lost: list[str] = field(default_factory=list)


def scan_rows() -> list[Row]:
    """Rows: found in each condition, split and merged, found after three gestures; a photo's time."""
    counted = {condition: _count(condition) for condition in _WANTED}
    rows = [
        _row(
            f"Areas of {one.areas} found in scanned outlines, {condition}", one.found, one, _WANTED[condition]
        )
        for condition, one in counted.items()
    ]
    usual = counted["usual"]
    rows += [
        _most("Of them split, usual", usual.split, usual, 0.015),
        _most("Merged or leaked, usual", usual.merged, usual, 0.02),
    ]
    rows += [
        _row(f"Found after at most {_GESTURES} gestures a drawing, {condition}", one.mended, one, 0.98)
        for condition, one in counted.items()
    ]
    return [*rows, _photo()]


def _row(what: str, part: int, one: _Counted, wanted: float) -> Row:
    share = part / one.areas
    return what, f"≥ {wanted:.0%}", f"{share:.1%}", share >= wanted


def _most(what: str, part: int, one: _Counted, most: float) -> Row:
    share = part / one.areas
    return what, f"≤ {most:.1%}", f"{share:.1%}", share <= most


def _count(condition: str) -> _Counted:
    counted = _Counted()
    for name, drawing in _drawings():
        rings, true = _rings(drawing), _true(drawing)
        # One print of each drawing, each print its own seed.
        pixels = np.asarray(Image.open(io.BytesIO(stamped(rings, condition, len(name), _SIDE, _STROKE))))
        counted.areas += len(true)
        try:
            found = scanned(pixels)
        except BadInput as error:
            counted.lost.append(f"{name}: {error}")
            continue
        there = _there(found, true)
        counted.found += sum(there)
        lost = [one for one, held in zip(true, there, strict=True) if not held]
        counted.split += sum(_in_pieces(found, one) for one in lost)
        counted.merged += _merged(found, true)
        counted.mended += sum(_after_gestures(pixels, found, true))
    return counted


def _drawings() -> Iterator[tuple[str, LineDrawing]]:
    for path in sorted(_DRAWINGS.glob("*.svg")):
        yield path.stem, read_svg(path.read_bytes())


def _rings(drawing: LineDrawing) -> list[list[NDArray[np.float64]]]:
    return [
        [np.array(ring.split(), float).reshape(-1, 2) for ring in shape.path.replace("Z", "").split("M")[1:]]
        for shape in drawing.shapes
    ]


def _true(drawing: LineDrawing) -> list[shapely.Polygon]:
    """The areas that a stroke of that width leaves, in pixels: what its lines enclose, parted where they run
    closer together than it is wide."""
    shapes = [enclosed(rings) for rings in _rings(drawing)]
    seen = [one.difference(shapely.union_all(shapes[at + 1 :])) for at, one in enumerate(shapes)]
    faces = shapely.get_parts(shapely.polygonize([shapely.unary_union([one.boundary for one in seen])]))
    faces = [shapely.transform(one, lambda points: on_paper(points, _SIDE)) for one in faces]
    left = [
        shapely.buffer(part, _STROKE / 2).intersection(face)
        for face in faces
        for part in shapely.get_parts(shapely.buffer(face, -_STROKE / 2))
    ]
    return [one for one in left if one.area >= _LEAST]


def _areas(found: Scanned) -> list[shapely.Polygon]:
    return [shapely.transform(one, lambda points: points * _SIDE) for one in found.areas]


def _there(found: Scanned, true: list[shapely.Polygon]) -> list[bool]:
    areas = _areas(found)
    tree = shapely.STRtree(areas)
    near = [[areas[at] for at in tree.query(one, predicate="intersects")] for one in true]
    return [
        any(area.intersection(one).area >= _FOUND * area.union(one).area for area in some)
        for one, some in zip(true, near, strict=True)
    ]


def _in_pieces(found: Scanned, one: shapely.Polygon) -> bool:
    return sum(area.intersection(one).area > 0.15 * one.area for area in _areas(found)) > 1


def _merged(found: Scanned, true: list[shapely.Polygon]) -> int:
    """How many true areas lie, for the most part, in one that holds another as well."""
    shared = [sum(area.intersection(one).area > 0.5 * one.area for one in true) for area in _areas(found)]
    return sum(count for count in shared if count > 1)


def _after_gestures(pixels: NDArray[np.uint8], found: Scanned, true: list[shapely.Polygon]) -> list[bool]:
    """Which are there once somebody who sees what is wrong has mended it, the largest first."""
    mends: list[MendStroke] = []
    there = _there(found, true)
    for _ in range(_GESTURES):
        wrong = [one for one, held in zip(true, there, strict=True) if not held]
        gestures = (_gesture(found, one) for one in sorted(wrong, key=lambda one: -one.area))
        gesture = next((one for one in gestures if one is not None), None)
        if gesture is None:
            break
        try:
            after = scanned(pixels, [*mends, gesture])
        except BadInput:
            break
        mends.append(gesture)
        found, there = after, _there(after, true)
    return there


def _gesture(found: Scanned, one: shapely.Polygon) -> MendStroke | None:
    """The stroke that mends an area: through its pieces where it is split, over its widest gap else."""
    parts = [area for area in _areas(found) if area.intersection(one).area > 0.15 * one.area]
    inside = [area for area in parts if area.intersection(one).area > 0.8 * area.area]
    if len(inside) > 1:
        points = [area.representative_point().coords[0] for area in inside]
        return MendStroke(MendWay.JOIN, np.array(points) / _SIDE)
    lines = [area.boundary for area in _areas(found)]
    lines += [shapely.LineString(points * _SIDE) for points in found.lines if len(points) > 1]
    gaps = one.boundary.difference(shapely.buffer(shapely.union_all(lines), 1.2 * _STROKE))
    widest = max(shapely.get_parts(shapely.line_merge(gaps)), key=lambda part: part.length, default=None)
    if widest is None or widest.length < _STROKE / 2:
        return None
    return MendStroke(MendWay.LINE, shapely.get_coordinates(widest) / _SIDE)


def _photo() -> Row:
    """A photo of 12 megapixels, read, against decoding all of it."""
    name, drawing = next(_drawings())
    small = Image.open(io.BytesIO(stamped(_rings(drawing), "usual", len(name))))
    out = io.BytesIO()
    small.resize((4000, 3000), Image.Resampling.BICUBIC).save(out, "JPEG", quality=90)
    photo = out.getvalue()
    decoding = statistics.median(timed(lambda: Image.open(io.BytesIO(photo)).load()) for _ in range(_CALLS))
    reading = statistics.median(
        timed(lambda: scanned(small_picture(photo, figures.scans.SIDE).pixels)) for _ in range(_CALLS)
    )
    ratio = reading / decoding
    return "A photo of an outline of 12 megapixels, read", "≤ 10 × decoding it", f"{ratio:.1f} ×", ratio <= 10
