"""What would make a check of the build hold? Each way was tried before it is offered."""

from typing import Any

import numpy as np

from jindle_core import defaults
from jindle_core.build_changes import AddPiece, EditPiece
from jindle_core.colorimetry.difference import delta_e
from jindle_core.contrast.rules import Status
from jindle_core.contrast.stacked import examine_finish, examine_melting
from jindle_core.ends import End
from jindle_core.formats import Length, Size
from jindle_core.layers.fitting import ways_to_fit
from jindle_core.layers.pieces import BASE, WHITE, Across, Down, Kind, Piece, Raised
from jindle_core.layouts import EDGE
from jindle_core.plan import PaletteColour
from server.cards.building.examined import PLAIN, Examined
from server.cards.building.recolour import Wanted, recolourings
from server.cards.building.written import written
from server.cards.findings import Told, mend

_OFFERED = 2


def to_fit(examined: Examined, piece: Piece) -> list[Told]:
    """Turned, moved back, cut or trimmed."""
    found = []
    for words, told in ways_to_fit(piece, examined.stack.boxes):
        change, after = _tried(examined, EditPiece(piece.key, told))
        fit = after.fits[piece.key].finding
        if fit.status is Status.HOLDS:
            found.append(mend(words, fit.figure, change))
    return found


def to_stand(examined: Examined, piece: Piece) -> list[Told]:
    """A white edge for a picture; another colour for it, or for what it lies beside."""
    stack, found = examined.stack, []
    if piece.kind is Kind.IMAGE and not piece.white_edge:
        change = written(EditPiece(piece.key, {"white_edge": True}), stack.unit)
        found.append(mend("leave a white edge around it", f"{defaults.WHITE_EDGE:g} mm all round", change))
    for key in dict.fromkeys([piece.key, *examined.stands[piece.key].at.tolist()]):
        if len(found) < _OFFERED:
            found += recolourings(stack, examined.stands, key, piece.key)
    return found[:_OFFERED]


def to_repeat(examined: Examined, piece: Piece) -> list[Told]:
    """A finishing piece in one of the colours that are there."""
    labs, names = examined.colours_without(piece)
    repeats = Wanted(
        lambda candidates: (delta_e(candidates[:, None], labs[None]) <= defaults.NEAR).any(axis=1),
        lambda lab: examine_finish(lab, labs, names).figure,
    )
    return recolourings(examined.stack, examined.stands, piece.key, piece.key, repeats)


def to_part(examined: Examined, one: int, other: int) -> list[Told]:
    """Another colour for the smaller of two, lighter or darker than all that it lies beside."""
    stack = examined.stack
    smaller, larger = sorted((one, other), key=lambda key: (key == BASE, _area(examined, key)))
    near = {each.beside for each in examined.beside.get(smaller, ()) if examined.is_plain(each.beside)}
    around = np.array([stack.lab(key)[0] for key in {larger, *near}])
    parts = Wanted(
        lambda candidates: (np.abs(candidates[:, :1] - around) >= defaults.MELTS_L).all(axis=1),
        lambda lab: examine_melting(lab, stack.lab(larger)).figure,
    )
    return recolourings(stack, examined.stands, smaller, smaller, parts)


def to_return(examined: Examined, colour: PaletteColour) -> list[Told]:
    """A finishing piece in a colour, where there is one, and a new one."""
    stack, end = examined.stack, End("palette", colour.key)
    side = Length(defaults.DOT_SIZE[stack.unit], stack.unit)
    told = {
        "on": stack.plan.carrier,
        "size": Size(side, side),
        "place": {"across": Across.RIGHT_THIRD, "down": Down.UPPER_THIRD},
        "material": end,
    }
    ways = [
        (f"{one.name} in {colour.name}", EditPiece(one.key, {"material": end, "inked": None}))
        for one in stack.plan.pieces
        if one.kind is Kind.FINISH and one.material != end
    ]
    ways = [*ways[:1], (f"add a dot in {colour.name}", AddPiece(Kind.FINISH, f"dot in {colour.name}", told))]
    found = []
    for words, change in ways:
        sent, after = _tried(examined, change)
        figure = next(finding.figure for one, finding in after.accents if one.key == colour.key)
        found.append(mend(words, figure, sent, stack.resolved.end_shades(end)))
    return found


def to_spread(examined: Examined) -> list[Told]:
    """A piece in the palette's lightest or darkest, with which the card reaches far enough."""
    stack, found = examined.stack, []
    ends = [End("palette", colour.key) for colour in stack.resolved.plan.colours]
    order = np.argsort(stack.resolved.lab[:, 0])
    pieces = [piece for piece in stack.plan.pieces if piece.kind in PLAIN and piece.key != stack.carrier]
    for end in (ends[at] for at in (*order[:1], *order[1:][-1:])):
        for piece in pieces:
            if piece.material != end:
                change, after = _tried(examined, EditPiece(piece.key, {"material": end, "inked": None}))
                stands = after.stands.get(piece.key)
                if after.spread.status is Status.HOLDS and stands and stands.finding.status is Status.HOLDS:
                    words = f"{piece.name} in {stack.resolved.end_words(end)}"
                    shades = stack.resolved.end_shades(end)
                    found.append(mend(words, after.spread.figure, change, shades))
                    break
    return found


def to_write(examined: Examined) -> list[Told]:
    """A white panel inside."""
    stack = examined.stack
    told = {"reveal": EDGE[stack.unit], "material": WHITE}
    change, after = _tried(examined, AddPiece(Kind.PANEL, "writing panel", told, inside=True))
    shades = stack.resolved.end_shades(WHITE)
    return [mend("lay a white panel inside", after.writing.figure, change, shades)]


def to_thin(examined: Examined) -> list[Told]:
    """Of the pieces that are raised, which, held flat or lower, makes the card thin enough."""
    found = []
    for piece in examined.stack.plan.every:
        for raised in (Raised.TAPE, Raised.FLAT):
            if defaults.FOAM[raised.value] < defaults.FOAM[piece.raised.value]:
                change, after = _tried(examined, EditPiece(piece.key, {"raised": raised}))
                if after.thick.status is Status.HOLDS:
                    how = "flat" if raised is Raised.FLAT else f"on {raised.value}"
                    found.append(mend(f"{piece.name} {how}", after.thick.figure, change))
                    break
    return found[:_OFFERED]


def to_post(examined: Examined) -> list[Told]:
    """A usual envelope instead of one's own."""
    usual = examined.usual_envelope
    if examined.stack.plan.envelope is None or usual is None:
        return []
    return [mend(f"take one of {usual.text()}", "", {"kind": "set_build", "envelope": None})]


def _tried(examined: Examined, change: AddPiece | EditPiece) -> tuple[dict[str, Any], Examined]:
    """A change as it is sent, and what is found after it."""
    return written(change, examined.stack.unit), Examined(examined.stack.after(change))


def _area(examined: Examined, key: int) -> float:
    box = examined.stack.boxes[key]
    return float(box.width * box.height)
