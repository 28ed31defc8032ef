"""In which order are a family's tones laid, and what is done between them?"""

from dataclasses import dataclass

from jindle_core.media import WET_MEDIA, Medium

LIGHT_FIRST, DARK_FIRST = "light first", "dark first"


@dataclass(frozen=True, slots=True)
class Stroke:
    """One thing to do: with which tone, light to dark, or None for none, and what."""

    tone: int | None
    words: str


def working_order(
    medium: Medium, tones: int, dark_first: bool, layers: int = 1, glaze: str = "", solvent: bool = False
) -> list[Stroke]:
    """What to do with the tones of a family, in order.

    ``glaze`` names a neutral that goes over the darkest, ``solvent`` says that
    pencils are blended with it. Raises ValueError for a medium that areas are not coloured with.
    """
    if medium is Medium.ALCOHOL_MARKER:
        found = _dark_first(tones) if dark_first else _light_first(tones)
    elif medium is Medium.WATER_MARKER:
        found = _water(tones)
    elif medium in (Medium.WAX_PENCIL, Medium.OIL_PENCIL):
        found = _pencil(tones, medium, solvent)
    else:
        raise ValueError(f"areas are not coloured with {medium}")
    if layers > 1:
        again = "one layer more" if layers == 2 else f"{layers - 1} layers more"
        wait = "let it dry, then " if medium in WET_MEDIA else ""
        found.append(Stroke(None, f"{wait}{again} of the same where depth is wanted"))
    if glaze:
        found.append(Stroke(None, f"let it dry, then {glaze} over the deepest shadow"))
    return found


def _dark_first(tones: int) -> list[Stroke]:
    found = [Stroke(tones - 1, "lay the shadow, away from the light")]
    found += [
        Stroke(tone, "pull it out, over the edge of the one before") for tone in range(tones - 2, 0, -1)
    ]
    found.append(Stroke(0, "the rest, over all edges, until they join"))
    if tones > 2:
        found.append(Stroke(tones - 2, "go back over the joins that still show"))
        found.append(Stroke(0, "and once more to close them"))
    return found


def _light_first(tones: int) -> list[Stroke]:
    found = [Stroke(0, "a light wash over all of it, as a map")]
    found += [
        Stroke(
            tone,
            "the shaded part, leaving the light alone" if tone == 1 else "less of it, farther from the light",
        )
        for tone in range(1, tones - 1)
    ]
    if tones > 1:
        found.append(Stroke(tones - 1, "the deepest shadow only"))
    found += [Stroke(tone, "over the join with the darker one") for tone in range(tones - 2, -1, -1)]
    return found


def _water(tones: int) -> list[Stroke]:
    found = [Stroke(0, "a base over all of it")]
    found += [Stroke(tone, "while damp, along the base of the shape") for tone in range(1, tones)]
    found.append(Stroke(None, "pull the colour out with a damp brush, from dark to light"))
    found.append(Stroke(None, "lift the highlight with a clean, nearly dry brush"))
    return found


def _pencil(tones: int, medium: Medium, solvent: bool) -> list[Stroke]:
    found = [Stroke(0, "a soft layer over all of it")]
    found += [
        Stroke(tone, "over the shaded part, lighter hand first, then more pressure")
        for tone in range(1, tones)
    ]
    found += [Stroke(tone, "over the join with the darker one") for tone in range(tones - 2, -1, -1)]
    if solvent:
        found.append(Stroke(None, "blend with a little solvent on a stump, in fresh air; let it dry"))
    else:
        found.append(Stroke(None, "blend dry, with a stump or the lightest pencil"))
    if medium is Medium.WAX_PENCIL:
        found.append(Stroke(None, "wipe off the wax bloom; redraw the black line where it is dull"))
    found.append(Stroke(None, "white and gel pen last"))
    return found


@dataclass(frozen=True, slots=True)
class Together:
    """Areas, by their place, that share a family and are done while its colours are out."""

    areas: tuple[int, ...]


def sessions(families: list[tuple[int, ...]], touching: set[tuple[int, int]]) -> list[Together]:
    """Areas in the order to colour them: those of one family together, no two wet neighbours in a row.

    ``families`` are the colours of each area, ``touching`` pairs of places
    that share an edge. Groups of one family follow one another such that, where
    it can be, none touches the group before it, which is still wet.
    """
    groups: dict[tuple[int, ...], list[int]] = {}
    for place, family in enumerate(families):
        groups.setdefault(family, []).append(place)
    waiting = list(groups.values())
    found: list[list[int]] = []
    while waiting:
        before = found[-1] if found else []
        free = [one for one in waiting if not _touch(one, before, touching)]
        chosen = (free or waiting)[0]
        waiting.remove(chosen)
        found.append(chosen)
    return [Together(tuple(one)) for one in found]


def wet_neighbours(order: list[Together], touching: set[tuple[int, int]]) -> list[int]:
    """Places in the order before which to wait, since the group before them touches and is wet."""
    return [
        at
        for at in range(1, len(order))
        if _touch(list(order[at].areas), list(order[at - 1].areas), touching)
    ]


def _touch(ones: list[int], others: list[int], touching: set[tuple[int, int]]) -> bool:
    return any((a, b) in touching or (b, a) in touching for a in ones for b in others)
