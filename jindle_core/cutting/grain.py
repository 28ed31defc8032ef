"""Which way must a base lie on a sheet, so that it is folded along the grain?"""

from enum import StrEnum

from jindle_core.layers.folding import Flat
from jindle_core.lengths import Size


class Grain(StrEnum):
    """How the fibres of the sheets run. Card that is folded across them cracks."""

    UNKNOWN = "not known"
    LONG = "along the long side"
    SHORT = "along the short side"


def turned_for_grain(base: Flat, sheet: Size, grain: Grain) -> bool | None:
    """Whether a base must be turned by a quarter to be folded along the grain.

    None where that is not known, or where it does not go onto the sheet that way.
    """
    if grain is Grain.UNKNOWN:
        return None
    tall = sheet.height.millimetres >= sheet.width.millimetres
    upright = tall == (grain is Grain.LONG)
    turned = base.upright != upright
    size = base.size.turned() if turned else base.size
    wide, high = size.width.millimetres, size.height.millimetres
    return turned if wide <= sheet.width.millimetres and high <= sheet.height.millimetres else None
