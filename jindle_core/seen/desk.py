"""How does the card on the desk look: as it is built, or in a first simple form?

Base, mat, panel, a picture of a few pebbles in the leading colours and a
lettering strip, or its line drawing, taken from what is said to lie on what.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from fractions import Fraction
from types import MappingProxyType
from typing import Any

from jindle_core import figures
from jindle_core.card.whole import Card, Pair, PaletteColour
from jindle_core.contrast.rules import PairKind
from jindle_core.layers.lettering import font_size
from jindle_core.layers.letters import letters
from jindle_core.layers.outlines import NO_OUTLINES, Outline, as_path, as_polygon
from jindle_core.layers.pieces import BASE, SHAPED, WHITE_END, WORDS, Kind, Piece
from jindle_core.layers.shapes import offset
from jindle_core.layers.sizing import Box, in_order
from jindle_core.layers.stacking import Height
from jindle_core.material import End
from jindle_core.palettes.role import Role
from jindle_core.patterned.sheet import Sheet


@dataclass(frozen=True, slots=True)
class PatternDrawn:
    """A sheet's picture on a part: the sheet's id, its size, where its corner lies (mm), how it is turned."""

    sheet: int
    width: float
    height: float
    x: float
    y: float
    turn: float
    repeated: bool


@dataclass(frozen=True, slots=True)
class Part:
    """One thing drawn: a shape, where (mm from the top left), and in which colour.

    ``shape`` is "rect", "disc" (an ellipse in the box), "dots" (a pattern that
    fills the box), "ground" (the ground as it is laid), "drawing" (the card's
    line drawing), "veil" (vellum) or "text"; ``raised`` is how far (mm) foam
    lifts it, and ``trimmed`` that it ends at the card's edge. ``piece`` is the
    key of the piece that it is, 0 for none, ``rim`` the white edge (mm) around
    it. Text has a ``size`` of type (mm), and is blank where nobody said it; a drawing is that of the
    ``picture`` with this key, or below 0 as the piece with this key is stamped; left and right are exchanged
    where it is ``mirrored``. ``path`` is the
    outline of what is no box, and of letters, as SVG writes it, ``stitches`` a line sewn along it;
    all of it is turned by ``turns``: degrees clockwise, and about which point.
    ``pattern`` is that of the sheet that it is cut out of.
    """

    name: str
    shape: str
    x: float
    y: float
    width: float
    height: float
    end: End
    raised: float = 0.0
    piece: int = 0
    rim: float = 0.0
    text: str = ""
    size: float = 0.0
    bold: bool = True
    trimmed: bool = False
    picture: int = 0
    mirrored: bool = False
    path: str = ""
    stitches: str = ""
    turns: tuple[tuple[float, float, float], ...] = ()
    pattern: PatternDrawn | None = None


# By a picture's key the width and height of its drawing, in any unit.
Drawings = Mapping[int, tuple[float, float]]


def built_desk(
    card: Card,
    face: Sequence[Piece],
    drawings: Drawings,
    boxes: dict[int, Box],
    stands: dict[int, Height],
    outlines: Mapping[int, Outline] = NO_OUTLINES,
    sheets: Mapping[int, Sheet] = MappingProxyType({}),
) -> list[Part]:
    """A face of a card that is built of pieces, which are laid out in ``boxes`` and stand so high.

    ``outlines`` are of those that are no plain boxes, ``sheets`` patterned papers by
    their ids. The ground, where one is laid, is on the piece that carries it.
    """
    build = card.build
    parts = [_part("base", "rect", boxes[BASE], build.base)]
    carrier = build.carrier if card.ground.laid and face == build.pieces else None
    if carrier == BASE:
        parts.append(_part("panel", "ground", boxes[BASE], WHITE_END))
    for piece in in_order(face):
        box, up = boxes[piece.key], stands[piece.key].bottom - stands[piece.on].top
        told: dict[str, Any] = {"raised": up, "piece": piece.key, "trimmed": piece.trimmed}
        rim = figures.building.WHITE_EDGE if piece.white_edge else 0.0
        if outline := outlines.get(piece.key):
            told["turns"] = tuple(outline.turn.steps) if outline.turn else ()
            told["path"] = as_path(outline.straight) if piece.kind in SHAPED else ""
        if piece.stitched and piece.kind in SHAPED:
            area = outline.straight if outline else as_polygon(box)
            told["stitches"] = as_path(offset(area, figures.building.STITCH_OFF))
        if piece.key == carrier:
            parts.append(_part("panel", "ground", box, piece.material, **told))
        elif piece.kind is Kind.IMAGE and (key := card.picture(piece.picture).key) in drawings:
            told |= {"rim": rim, "picture": -piece.key if piece.stamped else key, "mirrored": piece.mirrored}
            parts.append(_part("picture", "drawing", _fitted(box, drawings[key]), piece.material, **told))
        elif piece.kind in (Kind.IMAGE, Kind.FINISH):
            name = "picture" if piece.kind is Kind.IMAGE else piece.kind.value
            parts.append(_part(name, "disc", box, piece.material, rim=rim, **told))
        elif piece.kind in WORDS:
            size = font_size(box, piece.text)
            told |= {"text": piece.text, "size": size, "bold": piece.bold}
            told["path"] = as_path(letters(box, piece.text, piece.bold))
            parts.append(_part("lettering", "text", box, piece.material, **told))
        else:
            if sheet := sheets.get(piece.material.id if piece.material.source == "sheet" else 0):
                told["pattern"] = _pattern(piece, box, sheet)
            shape = "veil" if piece.kind is Kind.VELLUM else "rect"
            parts.append(_part(piece.kind.value, shape, box, piece.material, **told))
    return parts


def _pattern(piece: Piece, box: Box, sheet: Sheet) -> PatternDrawn:
    laid = piece.pattern
    x, y = (float(side) for side in (box.x + laid.right.millimetres, box.y + laid.below.millimetres))
    return PatternDrawn(piece.material.id, sheet.width, sheet.height, x, y, laid.turn, laid.repeated)


def _part(name: str, shape: str, box: Box, end: End, **told: Any) -> Part:
    x, y, width, height = (float(side) for side in (box.x, box.y, box.width, box.height))
    return Part(name, shape, x, y, width, height, end, **told)


def _fitted(box: Box, drawing: tuple[float, float]) -> Box:
    """A drawing as large as it fits into a box, in its middle."""
    wide, high = (Fraction(side) for side in drawing)
    scale = min(box.width / wide, box.height / high)
    width, height = wide * scale, high * scale
    return Box(box.x + (box.width - width) / 2, box.y + (box.height - height) / 2, width, height)


def desk(card: Card, pairs: Sequence[Pair], drawings: Drawings = MappingProxyType({})) -> list[Part]:
    """The parts of a card without pieces from the lowest to the uppermost, in millimetres.

    Its drawings lie side by side. A ground that is laid takes the place of what pairs say of the panel.
    """
    laid = card.ground
    wide, high = float(card.size.width.millimetres), float(card.size.height.millimetres)
    short = min(wide, high)
    by_kind: dict[PairKind, Pair] = {}
    for pair in pairs:
        by_kind.setdefault(pair.kind, pair)
    mat, picture, quiet = (by_kind.get(kind) for kind in (PairKind.MAT, PairKind.PICTURE, PairKind.QUIET))
    lettering = by_kind.get(PairKind.LETTERING_SMALL) or by_kind.get(PairKind.LETTERING_LARGE)
    parts = [Part("base", "rect", 0, 0, wide, high, WHITE_END)]

    inset = figures.palettes.MARGIN * short
    if mat or laid.mat:
        parts.append(_inset("mat", "rect", wide, high, inset, mat.upper if mat else WHITE_END))
        inset += figures.palettes.MAT_REVEAL * short
    ground = (picture and picture.lower) or (mat and mat.lower) or (quiet and quiet.lower)
    if laid.laid:
        parts.append(_inset("panel", "ground", wide, high, inset, WHITE_END))
    elif ground:
        parts.append(_inset("panel", "rect", wide, high, inset, ground))
    if quiet and not laid.laid:
        parts.append(_inset("pattern", "dots", wide, high, inset, quiet.upper))
    if drawings:
        parts += _drawn(wide, high, inset, drawings, picture.upper if picture else WHITE_END)
    elif picture:
        parts += _pebbles(wide, high, picture.upper, card.colours)
    if lettering:
        strip_wide, strip_high = figures.palettes.STRIP_WIDTH * wide, figures.palettes.STRIP_HEIGHT * short
        left = wide - inset - strip_wide - 0.04 * short
        top = high - inset - strip_high - 0.06 * short
        box = (left, top, strip_wide, strip_high)
        if not (laid.laid and laid.lettered):
            parts.append(Part("strip", "rect", *box, lettering.lower))
        type_size = font_size(Box(*(Fraction(side) for side in box)), "")
        parts.append(Part("lettering", "text", *box, lettering.upper, size=type_size))
    return parts


def _inset(name: str, shape: str, wide: float, high: float, inset: float, end: End) -> Part:
    return Part(name, shape, inset, inset, wide - 2 * inset, high - 2 * inset, end)


def _drawn(wide: float, high: float, inset: float, drawings: Drawings, end: End) -> list[Part]:
    """The drawings side by side inside the panel, each as large as its part of it."""
    share = 1 - 2 * figures.palettes.DRAWING_INSET
    room, tall = (wide - 2 * inset) * share, (high - 2 * inset) * share
    shapes = [width / height for width, height in drawings.values()]
    height = min(tall, room / sum(shapes))
    left, found = (wide - height * sum(shapes)) / 2, []
    for key, shape in zip(drawings, shapes, strict=True):
        box = (left, (high - height) / 2, height * shape, height)
        found.append(Part("picture", "drawing", *box, end, picture=key))
        left += height * shape
    return found


# Centre (shares of width and height) and diameter (share of the focal height).
_PEBBLES = ((0.40, 0.40, 1.0), (0.62, 0.30, 0.62), (0.24, 0.62, 0.5), (0.58, 0.56, 0.36))


def _pebbles(wide: float, high: float, lead: End, colours: Sequence[PaletteColour]) -> list[Part]:
    others = [
        End("palette", colour.key)
        for role in (Role.LEAD, Role.SUPPORT, Role.ACCENT)
        for colour in colours
        if colour.role is role and End("palette", colour.key) != lead
    ]
    tall = figures.palettes.FOCAL_HEIGHT * min(wide, high)
    return [
        Part(
            "picture",
            "disc",
            x * wide - share * tall / 2,
            y * high - share * tall / 2,
            share * tall,
            share * tall,
            end,
        )
        for (x, y, share), end in zip(_PEBBLES, [lead, *others], strict=False)
    ]
