"""How a card is built, as its stage gets it: sizes, places, heights, the post."""

from collections.abc import Mapping
from dataclasses import asdict

from jindle_core import figures
from jindle_core.card.layouts import EDGE
from jindle_core.checked.build import Examined
from jindle_core.cutting.grain import Grain
from jindle_core.layers.folding import flat
from jindle_core.layers.pieces import BASE, OF_CARD, OF_SHEET, SHAPED, WORDS, Kind, PatternLaid, Piece
from jindle_core.layers.shapes import BORDERS
from jindle_core.layers.stacking import ENVELOPES
from jindle_core.lengths import Length
from jindle_core.material import End as Material
from jindle_core.offers.for_piece import mats_for
from jindle_core.seen.ruler import halves, lies
from server.cards.json.checks import finding_told
from server.cards.json.cutting import sheets_to_cut
from server.cards.json.palette import end_seen_told
from server.told.build import Build, InkedOver, NamedPicture, Pattern, PlacedBox, SheetToCut, Trimming
from server.told.build import Piece as PieceTold
from server.told.card import End

_SIDES = ("x", "y", "width", "height")


def build_told(examined: Examined, units: str) -> Build:
    """Everything; lengths are told in the person's unit."""
    stack = examined.stack
    card, plan = stack.palette.card.size, stack.where.build
    fold = stack.palette.card.fold
    laid = flat(card, fold)
    edge = "left" if laid.upright else "top"
    mats = mats_for(stack)
    return Build(
        fold=fold,
        base=end_seen_told(stack.seen(BASE)),
        flat=laid.size.text(units),
        score=f"{halves(laid, units)[0].text()} {units} from the {edge}",
        edge=EDGE[stack.where.unit].text(),
        post_limit=plan.post_limit,
        thickness=finding_told(examined.thick),
        envelope=None if examined.envelope is None else examined.envelope.text(),
        own_envelope=plan.envelope is not None,
        envelopes=[
            SheetToCut(
                words=one.text(),
                width=one.width.text(),
                height=one.height.text(),
                unit=one.width.unit,
            )
            for one in sorted(ENVELOPES, key=lambda one: one.width.unit != stack.where.unit)
        ],
        pieces=[_piece(examined, piece, units, mats) for piece in plan.pieces],
        inside=[_piece(examined, piece, units, mats) for piece in plan.inside],
        carrier=stack.where.carrier,
        ground_said=plan.ground_on is not None,
        ground=stack.palette.card.ground.laid,
        trimmings=[
            Trimming(name=one.name, size=one.text(units), could_be=list(one.could_be))
            for one in examined.trimmings
        ],
        base_thickness=figures.building.THICKNESS["base"],
        sheets=sheets_to_cut(),
        borders=list(BORDERS),
        pictures=[
            NamedPicture(key=one.picture.key, name=one.picture.name) for one in examined.stack.coloured
        ],
        grains=list(Grain),
    )


def _piece(examined: Examined, piece: Piece, units: str, mats: Mapping[int, Material]) -> PieceTold:
    stack = examined.stack
    size, fit, stands = stack.where.cut_to(piece), examined.fits[piece.key], examined.stands.get(piece.key)
    mat = mats[piece.key]
    height, sigma = stack.where.heights[piece.key], stack.of.inked_sigma(piece.key)
    return PieceTold(
        key=piece.key,
        kind=piece.kind,
        name=piece.name,
        on=piece.on,
        size=size.text(),
        width=size.width.text(),
        height=size.height.text(),
        size_shown=size.text(units),
        lies=lies(stack, piece, units),
        reveal=None if piece.reveal is None else piece.reveal.text(),
        reveal_unit=None if piece.reveal is None else piece.reveal.unit,
        across=piece.place.across,
        down=piece.place.down,
        right=_signed(piece.place.right),
        below=_signed(piece.place.below),
        material=end_seen_told(stack.seen(piece.key)),
        pattern=_pattern(piece.pattern) if stack.of.sheet(piece.key) is not None else None,
        inked=None if piece.inked is None else InkedOver(**asdict(piece.inked)),
        inked_uncertainty=sigma if sigma is None else round(sigma, 1),
        of_card=piece.kind in OF_CARD,
        of_sheet=piece.kind in OF_SHEET,
        is_ink=piece.is_ink,
        carries=not piece.is_ink,
        says_words=piece.kind in WORDS,
        raised=piece.raised,
        trimmed=piece.trimmed,
        tucked=piece.tucked,
        white_edge=piece.white_edge,
        text=piece.text,
        bold=piece.bold,
        picture=stack.of.shows(piece.key).picture.key if piece.kind is Kind.IMAGE else None,
        mirrored=piece.mirrored,
        is_made=piece.kind is Kind.LETTERING,
        made=piece.made,
        shaped=piece.kind in SHAPED,
        shape=piece.shape,
        sides=piece.sides,
        stitched=piece.stitched,
        rim=None if piece.opening is None else f"{piece.opening.rim.text()} {piece.opening.rim.unit}",
        opening_shape=None if piece.opening is None else piece.opening.shape,
        turn=piece.turn,
        own=bool(piece.own),
        stamped=piece.stamped,
        mat=End(source=mat.source, id=mat.id),
        box=PlacedBox(**{side: float(getattr(stack.where.boxes[piece.key], side)) for side in _SIDES}),
        bottom=round(height.bottom, 2),
        top=round(height.top, 2),
        fit=finding_told(fit.finding),
        fits_turned=fit.fits_turned,
        stands=None if stands is None else finding_told(stands.finding),
        beside=stands.beside if stands else "",
    )


def _pattern(laid: PatternLaid) -> Pattern:
    return Pattern(
        right=_signed(laid.right),
        below=_signed(laid.below),
        turn=laid.turn,
        repeated=laid.repeated,
    )


def _signed(length: Length) -> str:
    """An offset as it is typed: ``−1/4 in``; nothing for none."""
    if not length.ticks:
        return ""
    sign = "−" if length.ticks < 0 else ""
    return f"{sign}{Length(abs(length.ticks), length.unit).text()} {length.unit}"
