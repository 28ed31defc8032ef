"""How does the card on the desk look: as it is built, or in a first simple form?

Base, mat, panel, a picture of a few pebbles in the leading colours and a
lettering strip, or its line drawing, taken from what is said to lie on what.
"""

from dataclasses import dataclass

from jindle_core import defaults
from jindle_core.build import Build
from jindle_core.contrast.rules import PairKind
from jindle_core.formats import Size
from jindle_core.ground import Ground
from jindle_core.layers.pieces import BASE, Kind
from jindle_core.layers.sizing import Box, in_order, laid_out
from jindle_core.layers.stacking import heights
from jindle_core.plan import End, Pair, PaletteColour, Role

WHITE = End("white")
NOTHING_LAID = Ground()


@dataclass(frozen=True, slots=True)
class Part:
    """One thing drawn: a shape, where (mm from the top left), and in which colour.

    ``shape`` is "rect", "disc" (inscribed in the box), "dots" (a pattern that
    fills the box), "ground" (the ground as it is laid), "drawing" (the card's
    line drawing) or "text"; ``raised`` is how far (mm) foam lifts it.
    """

    name: str
    shape: str
    x: float
    y: float
    width: float
    height: float
    end: End
    raised: float = 0.0


def built_desk(
    size: Size,
    build: Build,
    pairs: tuple[Pair, ...],
    drawing: tuple[float, float] | None,
    laid: Ground,
) -> list[Part]:
    """The same from the pieces that a card is built of.

    The first panel carries the ground, or the card's own front where there is
    none; a strip without lettering of its own carries the card's words.
    """
    boxes = laid_out(size, build.pieces)
    stands = heights(boxes, build.pieces)
    order = in_order(build.pieces)
    panel = next((piece.key for piece in order if piece.kind is Kind.PANEL), None)
    lettering = [pair.upper for pair in pairs if pair.kind in _LETTERING]
    words_lie_on = Kind.LETTERING if any(piece.kind is Kind.LETTERING for piece in order) else Kind.STRIP
    parts = [_boxed("base", "rect", boxes[BASE], build.base)]
    if laid.laid and panel is None:
        parts.append(_boxed("panel", "ground", boxes[BASE], WHITE))
    for piece in order:
        box, up = boxes[piece.key], stands[piece.key].bottom - stands[piece.on].top
        if piece.key == panel:
            shape = "ground" if laid.laid else "rect"
            parts.append(_boxed("panel", shape, box, piece.material, up))
        elif piece.kind is Kind.IMAGE and drawing:
            parts.append(_fitted(box, drawing, piece.material, up))
        elif piece.kind in (Kind.IMAGE, Kind.FINISH):
            parts.append(_boxed("picture", "disc", box, piece.material, up))
        else:
            name = "strip" if piece.kind is Kind.LETTERING else piece.kind.value
            parts.append(_boxed(name, "rect", box, piece.material, up))
        if piece.kind is words_lie_on and lettering:
            parts.append(_boxed("lettering", "text", box, lettering[0]))
    return parts


_LETTERING = (PairKind.LETTERING_SMALL, PairKind.LETTERING_LARGE)


def _boxed(name: str, shape: str, box: Box, end: End, raised: float = 0.0) -> Part:
    sides = (float(getattr(box, side)) for side in ("x", "y", "width", "height"))
    return Part(name, shape, *sides, end, raised)


def _fitted(box: Box, drawing: tuple[float, float], end: End, raised: float) -> Part:
    """A drawing as large as it fits into a box, in its middle."""
    scale = min(float(box.width) / drawing[0], float(box.height) / drawing[1])
    width, height = drawing[0] * scale, drawing[1] * scale
    x, y = float(box.x) + (float(box.width) - width) / 2, float(box.y) + (float(box.height) - height) / 2
    return Part("picture", "drawing", x, y, width, height, end, raised)


def desk(
    size: Size,
    colours: tuple[PaletteColour, ...],
    pairs: tuple[Pair, ...],
    drawing: tuple[float, float] | None = None,
    laid: Ground = NOTHING_LAID,
) -> list[Part]:
    """The parts of the card from the lowest to the uppermost, in millimetres.

    ``drawing`` is the width and height of a line drawing, in any unit. A
    ground that is laid takes the place of what pairs say of the panel.
    """
    wide, high = float(size.width.millimetres), float(size.height.millimetres)
    short = min(wide, high)
    by_kind: dict[PairKind, Pair] = {}
    for pair in pairs:
        by_kind.setdefault(pair.kind, pair)
    mat, picture, quiet = (by_kind.get(kind) for kind in (PairKind.MAT, PairKind.PICTURE, PairKind.QUIET))
    lettering = by_kind.get(PairKind.LETTERING_SMALL) or by_kind.get(PairKind.LETTERING_LARGE)
    parts = [Part("base", "rect", 0, 0, wide, high, WHITE)]

    inset = defaults.MARGIN * short
    if mat or laid.mat:
        parts.append(_inset("mat", "rect", wide, high, inset, mat.upper if mat else WHITE))
        inset += defaults.MAT_REVEAL * short
    ground = (picture and picture.lower) or (mat and mat.lower) or (quiet and quiet.lower)
    if laid.laid:
        parts.append(_inset("panel", "ground", wide, high, inset, WHITE))
    elif ground:
        parts.append(_inset("panel", "rect", wide, high, inset, ground))
    if quiet and not laid.laid:
        parts.append(_inset("pattern", "dots", wide, high, inset, quiet.upper))
    if drawing:
        parts.append(_drawn(wide, high, inset, drawing, picture.upper if picture else WHITE))
    elif picture:
        parts += _pebbles(wide, high, picture.upper, colours)
    if lettering:
        strip_wide, strip_high = defaults.STRIP_WIDTH * wide, defaults.STRIP_HEIGHT * short
        left = wide - inset - strip_wide - 0.04 * short
        top = high - inset - strip_high - 0.06 * short
        box = (left, top, strip_wide, strip_high)
        if not (laid.laid and laid.lettered):
            parts.append(Part("strip", "rect", *box, lettering.lower))
        parts.append(Part("lettering", "text", *box, lettering.upper))
    return parts


def _inset(name: str, shape: str, wide: float, high: float, inset: float, end: End) -> Part:
    return Part(name, shape, inset, inset, wide - 2 * inset, high - 2 * inset, end)


def _drawn(wide: float, high: float, inset: float, drawing: tuple[float, float], end: End) -> Part:
    """The drawing as large as it fits inside the panel."""
    share = 1 - 2 * defaults.DRAWING_INSET
    scale = min((wide - 2 * inset) * share / drawing[0], (high - 2 * inset) * share / drawing[1])
    width, height = drawing[0] * scale, drawing[1] * scale
    return Part("picture", "drawing", (wide - width) / 2, (high - height) / 2, width, height, end)


# Centre (shares of width and height) and diameter (share of the focal height).
_PEBBLES = ((0.40, 0.40, 1.0), (0.62, 0.30, 0.62), (0.24, 0.62, 0.5), (0.58, 0.56, 0.36))


def _pebbles(wide: float, high: float, lead: End, colours: tuple[PaletteColour, ...]) -> list[Part]:
    others = [
        End("palette", colour.key)
        for role in (Role.LEAD, Role.SUPPORT, Role.ACCENT)
        for colour in colours
        if colour.role is role and End("palette", colour.key) != lead
    ]
    tall = defaults.FOCAL_HEIGHT * min(wide, high)
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
