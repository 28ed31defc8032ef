"""How does the card on the desk look, in its first simple form?

Base, mat, panel, a picture of a few pebbles in the leading colours and a
lettering strip, or its line drawing, taken from what is said to lie on what.
"""

from dataclasses import dataclass

from jindle_core import defaults
from jindle_core.contrast.rules import PairKind
from jindle_core.formats import Size
from jindle_core.ground import Ground
from jindle_core.plan import End, Pair, PaletteColour, Role

WHITE = End("white")
NOTHING_LAID = Ground()


@dataclass(frozen=True, slots=True)
class Part:
    """One thing drawn: a shape, where (mm from the top left), and in which colour.

    ``shape`` is "rect", "disc" (inscribed in the box), "dots" (a pattern that
    fills the box), "ground" (the ground as it is laid), "drawing" (the card's
    line drawing) or "text".
    """

    name: str
    shape: str
    x: float
    y: float
    width: float
    height: float
    end: End


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
