"""How high does each piece stand, how thick is the card, and does it go into its envelope?"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from fractions import Fraction
from functools import lru_cache

import numpy as np
import shapely
from numpy.typing import NDArray

from jindle_core import figures
from jindle_core.checks.finding import Finding, Status
from jindle_core.layers.outlines import NO_OUTLINES, Outline, as_polygon
from jindle_core.layers.pieces import BASE, Kind, Piece
from jindle_core.layers.sizing import Box, edges, in_order
from jindle_core.lengths import Size, read_size
from jindle_core.limits import at_most
from jindle_core.shown import shown

ENVELOPES = tuple(read_size(*one) for one in figures.building.ENVELOPES)


_OVERLAP = 0.01  # mm²: less than that is rounding


@dataclass(frozen=True, slots=True)
class Height:
    """From where to where above the base's front a piece stands, in mm."""

    bottom: float
    top: float


def heights(
    boxes: dict[int, Box], pieces: Sequence[Piece], outlines: Mapping[int, Outline] = NO_OUTLINES
) -> dict[int, Height]:
    """By key: how high each piece stands on the front of the card; the base is below 0.

    A piece rests on the highest of what lies under any part of it. ``outlines``
    are those that are no plain boxes.
    """
    order = in_order(pieces)
    (left, right), (top, bottom) = edges([boxes[BASE], *(boxes[piece.key] for piece in order)])
    across = (left[:, None] < right) & (left < right[:, None])
    over = across & (top[:, None] < bottom) & (top < bottom[:, None])
    if outlines:
        keys = [BASE, *(piece.key for piece in order)]
        areas = np.array([outlines[key].lies if key in outlines else as_polygon(boxes[key]) for key in keys])
        over = _overlapping(areas)
    found = {BASE: Height(-figures.building.THICKNESS["base"], 0.0)}
    tops = np.zeros(len(order) + 1)
    for at, piece in enumerate(order, start=1):
        lowest = tops[:at][over[at, :at]].max(initial=0.0) + figures.building.FOAM[piece.raised.value]
        tops[at] = lowest + figures.building.THICKNESS[_made_of(piece)]
        found[piece.key] = Height(float(lowest), float(tops[at]))
    return found


def _overlapping(areas: NDArray[np.object_]) -> NDArray[np.bool_]:
    """Which of some areas (n,) lie over which, (n, n)."""
    found = np.zeros((len(areas), len(areas)), dtype=bool)
    one, other = shapely.STRtree(areas).query(areas, predicate="intersects")
    later = one > other
    for at, under in zip(one[later].tolist(), other[later].tolist(), strict=True):
        found[at, under] = _lies_over(areas[at], areas[under])
    return found


@lru_cache(maxsize=8192)  # of the pieces of a card most lie as they did before a change
def _lies_over(area: shapely.Polygon, under: shapely.Polygon) -> bool:
    return bool(area.intersection(under).area > _OVERLAP)


def thickness(*faces: dict[int, Height]) -> float:
    """How thick the folded card is at its highest, in mm: its two halves and what lies on each face."""
    return 2 * figures.building.THICKNESS["base"] + sum(top_of(face) for face in faces)


def top_of(face: Mapping[int, Height]) -> float:
    """How high (mm) the highest piece of a face stands."""
    return max(height.top for height in face.values())


def examine_thickness(thick: float, limit: float | None) -> Finding:
    """Whether a card (mm) keeps a postal limit (mm); without a limit it is only told."""
    if limit is None:
        figure = f"{shown(thick, digits=1)} mm at its highest"
        return Finding(Status.HOLDS, figure, "", "no postal limit is said; they differ by country")
    figure, words = f"{shown(thick, limit, digits=1)} mm at its highest", f"{limit:g} mm"
    if at_most(thick, limit):
        return Finding(Status.HOLDS, figure, words, "")
    return Finding(Status.FAILS, figure, words, "thicker than your post takes")


@dataclass(frozen=True, slots=True)
class Bulk:
    """How high (mm) what lies on a card's faces stands: anywhere, and near their edges."""

    anywhere: float = 0.0
    near_edges: float = 0.0

    @property
    def room(self) -> float:
        """How much (mm) of an envelope's width and height it takes."""
        middle = max(self.anywhere - figures.building.ENVELOPE_TAKES, 0.0) * figures.building.ENVELOPE_BOWS
        return max(middle, self.near_edges - figures.building.ENVELOPE_EDGE_TAKES, 0.0)


def bulk(card: Size, *faces: tuple[Mapping[int, Height], Mapping[int, shapely.Polygon]]) -> Bulk:
    """How high the faces of a card stand, each given by the heights of its pieces and their areas, by key."""
    near = shapely.box(0, 0, float(card.width.millimetres), float(card.height.millimetres)).buffer(
        -figures.building.ENVELOPE_EDGE
    )
    edge = 0.0
    for found, areas in faces:
        edge += max(
            (one.top for key, one in found.items() if key != BASE and not shapely.within(areas[key], near)),
            default=0.0,
        )
    return Bulk(sum(top_of(found) for found, _ in faces), edge)


def examine_envelope(card: Size, envelope: Size, stands: Bulk = Bulk()) -> Finding:
    """Whether a card goes into an envelope, either way round.

    One that would lying flat, but stands too high for it, goes in all the same: padded, and sorted by hand.
    """
    figure, room = f"{card.text()} into {envelope.text()}", Fraction(figures.building.ENVELOPE_ROOM)
    if not _goes_in(card, envelope, room):
        return Finding(Status.FAILS, figure, f"{room} mm of room", "does not go in")
    room += Fraction(stands.room).limit_denominator(100)
    status, words = Status.HOLDS, ""
    if not _goes_in(card, envelope, room):
        status, words = Status.LOOK_AGAIN, "it is thick: pad it, and ask for hand sorting"
    return Finding(status, figure, f"{shown(float(room), digits=1)} mm of room", words)


def _goes_in(card: Size, envelope: Size, room: Fraction) -> bool:
    wide, high = sorted(side.millimetres + room for side in (card.width, card.height))
    low, long = sorted((envelope.width.millimetres, envelope.height.millimetres))
    return wide <= low and high <= long


@lru_cache(maxsize=256)
def matching_envelope(card: Size) -> Size | None:
    """The smallest usual envelope that a card goes into, of its own unit first; None where none is."""
    fitting = [one for one in ENVELOPES if examine_envelope(card, one).status is Status.HOLDS]
    own = [one for one in fitting if one.width.unit == card.width.unit]
    return min(own or fitting, key=lambda one: one.width.millimetres * one.height.millimetres, default=None)


def _made_of(piece: Piece) -> str:
    if piece.is_ink:
        return "ink"
    return {
        Kind.PAPER: "paper",
        Kind.VELLUM: "vellum",
        Kind.RIBBON: "ribbon",
        Kind.FINISH: "finish",
    }.get(piece.kind, "card")
