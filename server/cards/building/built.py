"""How a card is built, as its stage gets it: sizes, places, heights, the post."""

from dataclasses import asdict
from typing import Any

from jindle_core import figures
from jindle_core.card.layouts import EDGE, STARTS
from jindle_core.checked.build import Examined
from jindle_core.cutting.grain import Grain
from jindle_core.layers.fitting import to_use_elsewhere
from jindle_core.layers.folding import Flat, flat
from jindle_core.layers.pieces import OF_CARD, Kind, Piece
from jindle_core.layers.sizing import Box, as_read, of_size
from jindle_core.layers.stacking import ENVELOPES
from jindle_core.lengths import Length
from jindle_core.seen.stack import Stack
from server.cards.json.checks import finding_told

_SIDES = ("x", "y", "width", "height")


def built(examined: Examined, units: str) -> dict[str, Any]:
    """Everything, as ``BuildSerializer`` describes it; lengths are told in the person's unit."""
    stack = examined.stack
    card, plan = stack.resolved.card.size, stack.build
    fold = stack.resolved.card.fold
    laid = flat(card, fold)
    edge = "left" if laid.upright else "top"
    return {
        "fold": fold.value,
        "base": told_end(stack, 0),
        "flat": laid.size.text(units),
        "score": f"{_halves(laid, units)[0].text()} {units} from the {edge}",
        "edge": EDGE[stack.unit].text(),
        "post_limit": plan.post_limit,
        "thickness": finding_told(examined.thick),
        "envelope": examined.envelope and examined.envelope.text(),
        "own_envelope": plan.envelope is not None,
        "envelopes": [
            {
                "words": one.text(),
                "width": one.width.text(),
                "height": one.height.text(),
                "unit": one.width.unit,
            }
            for one in sorted(ENVELOPES, key=lambda one: one.width.unit != stack.unit)
        ],
        "pieces": [_piece(examined, piece, units) for piece in plan.pieces],
        "inside": [_piece(examined, piece, units) for piece in plan.inside],
        "carrier": stack.carrier,
        "ground_said": plan.ground_on is not None,
        "ground": stack.resolved.card.ground.laid,
        "trimmings": _trimmings(examined, units),
        "base_thickness": figures.building.THICKNESS["base"],
        "sheets": [
            {"words": f"{name}{wide} × {high} {unit}", "width": wide, "height": high, "unit": unit}
            for name, wide, high, unit in figures.cutting.SHEETS_TO_CUT
        ],
        "grains": [one.value for one in Grain],
        "layouts": [{"key": one.key, "words": one.words} for one in STARTS],
    }


def told_end(stack: Stack, key: int) -> dict[str, Any]:
    """What a piece is of, as ``EndViewSerializer`` describes it."""
    return asdict(stack.material(key)) | {"words": stack.words(key), "shades": stack.shades(key)}


def _piece(examined: Examined, piece: Piece, units: str) -> dict[str, Any]:
    stack = examined.stack
    size, fit, stands = stack.cut_to(piece), examined.fits[piece.key], examined.stands.get(piece.key)
    height = stack.heights[piece.key]
    return {
        "key": piece.key,
        "kind": piece.kind.value,
        "name": piece.name,
        "on": piece.on,
        "size": size.text(),
        "size_shown": size.text(units),
        "lies": _lies(stack, piece, units),
        "reveal": piece.reveal and piece.reveal.text(),
        "reveal_unit": piece.reveal and piece.reveal.unit,
        "across": piece.place.across.value,
        "down": piece.place.down.value,
        "right": _signed(piece.place.right),
        "below": _signed(piece.place.below),
        "material": told_end(stack, piece.key),
        "inked": piece.inked and asdict(piece.inked),
        "of_card": piece.kind in OF_CARD,
        "carries": piece.kind is not Kind.LETTERING,
        "raised": piece.raised.value,
        "trimmed": piece.trimmed,
        "tucked": piece.tucked,
        "white_edge": piece.white_edge,
        "text": piece.text,
        "bold": piece.bold,
        "box": {side: float(getattr(stack.boxes[piece.key], side)) for side in _SIDES},
        "bottom": round(height.bottom, 2),
        "top": round(height.top, 2),
        "fit": finding_told(fit.finding),
        "fits_turned": fit.fits_turned,
        "stands": stands and finding_told(stands.finding),
        "beside": stands.beside if stands else "",
    }


def _halves(laid: Flat, units: str) -> list[Length]:
    """The two halves of the base as they are read off a ruler: together as long as the base is."""
    whole = laid.size.width if laid.upright else laid.size.height
    return as_read(whole, [laid.score.millimetres] * 2, units)


def _lies(stack: Stack, piece: Piece, units: str) -> str:
    """Where a piece lies on another as a ruler has it, the parts adding up; blank where it hangs over."""
    box, under = stack.boxes[piece.key], stack.boxes[piece.on]
    if not box.inside(under):
        return ""
    told = []
    for words, whole, parts in (
        ("across", under.width, [box.x - under.x, box.width, under.right - box.right]),
        ("down", under.height, [box.y - under.y, box.height, under.bottom - box.bottom]),
    ):
        read = as_read(Length.near(whole, stack.unit), parts, units)
        total = Length(sum(one.ticks for one in read), units)
        told.append(f"{words} {' + '.join(one.text() for one in read)} = {total.text()}")
    return f"{', '.join(told)} {units}"


def _trimmings(examined: Examined, units: str) -> list[dict[str, Any]]:
    """What falls off pieces that are trimmed and is large enough for something, with what it could be."""
    stack, found = examined.stack, []
    for piece in stack.build.every:
        for off in to_use_elsewhere(examined.fits[piece.key].trimmings):
            sides = (Length.floor(side, stack.unit).text(units) for side in (off.width, off.height))
            could = [
                other.name
                for other in stack.build.every
                if other.key != piece.key
                and stack.stock(other.key) == stack.stock(piece.key)
                and _goes_into(of_size(stack.cut_to(other)), off)
            ]
            found.append({"name": piece.name, "size": f"{' × '.join(sides)} {units}", "could_be": could})
    return found


def _goes_into(box: Box, room: Box) -> bool:
    as_it_is = box.width <= room.width and box.height <= room.height
    return as_it_is or (box.height <= room.width and box.width <= room.height)


def _signed(length: Length) -> str:
    """An offset as it is typed: ``−1/4 in``; nothing for none."""
    if not length.ticks:
        return ""
    sign = "−" if length.ticks < 0 else ""
    return f"{sign}{Length(abs(length.ticks), length.unit).text()} {length.unit}"
