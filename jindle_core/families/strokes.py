"""How often is the paper wetted where an area's tones run into one another?"""

from typing import assert_never

from jindle_core.media.medium import Carrier, Medium


def wet_strokes(medium: Medium, tones: int, dark_first: bool, layers: int = 1) -> int:
    """The wet strokes over one another at the busiest join of a family; 0 for what does not wet.

    Going back and forth wets as a layer does. Counted from the order in which tones are laid
    (``planning.colouring.laying``, against which it is tested): dark first, each join gets its two tones, the
    lightest over all edges, and both once more; light first, the deepest lies over all the others, and the
    one before it goes back over their join; with water a damp brush goes over them at the end.

    >>> wet_strokes(Medium.ALCOHOL_MARKER, 3, dark_first=True)
    5
    """
    if not tones:
        return 0
    match medium.traits.carrier:
        case None:
            return 0
        case Carrier.WATER:
            once = tones + 1
        case Carrier.ALCOHOL if dark_first:
            once = min(tones, 2) if tones < 3 else 5
        case Carrier.ALCOHOL:
            once = tones + 1 if tones > 1 else 1
        case never:
            assert_never(never)
    return once + layers - 1
