"""How often is the paper wetted where an area's tones run into one another?"""

from jindle_core.media import WET_MEDIA, Medium


def wet_strokes(medium: Medium, tones: int, dark_first: bool, layers: int = 1) -> int:
    """The wet strokes over one another at the busiest join of a family; 0 for what does not wet.

    Going back and forth wets as a layer does. Counted from the order in which tones are laid
    (``planning.colouring.laying``, against which it is tested): dark first, each join gets its two tones, the
    lightest over all edges, and both once more; light first, the deepest lies over all the others, and the
    one before it goes back over their join; with water a damp brush goes over them at the end.

    >>> wet_strokes(Medium.ALCOHOL_MARKER, 3, dark_first=True)
    5
    """
    if medium not in WET_MEDIA or not tones:
        return 0
    once = tones + 1 if tones > 1 else 1
    if medium is Medium.ALCOHOL_MARKER and dark_first:
        once = min(tones, 2) if tones < 3 else 5
    elif medium is Medium.WATER_MARKER:
        once = tones + 1
    return once + layers - 1
