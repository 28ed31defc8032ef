"""In which order are the areas of a picture coloured, their tones laid, and what is done between them?"""

from collections.abc import Sequence
from typing import assert_never

from jindle_core.card.pictures import Area
from jindle_core.media.medium import Medium, Toning
from jindle_core.planning.step import Step, Wait
from jindle_core.seen.colouring import Coloured


def laying(
    medium: Medium, tones: int, dark_first: bool, layers: int = 1, glaze: str = "", solvent: bool = False
) -> list[Step]:
    """What to do with the tones of a family, in order.

    ``glaze`` names a neutral that goes over the darkest, ``solvent`` says that
    pencils are blended with it. Raises ValueError for a medium that areas are not coloured with.
    """
    match medium.traits.toning:
        case Toning.BLENDED:
            found = _dark_first(tones) if dark_first else _light_first(tones)
        case Toning.DAMP:
            found = _water(tones)
        case Toning.DRAWN:
            found = _pencil(tones, medium.traits.blooms, solvent, dark_first)
        case Toning.BRUSHED:
            found = _stencilled(tones)
        case None:
            raise ValueError(f"areas are not coloured with {medium}")
        case never:
            assert_never(never)
    if layers > 1:
        again = "one layer more" if layers == 2 else f"{layers - 1} layers more"
        wait = Wait.DRY if medium.traits.stays_damp else None
        found.append(Step(f"{again} of the same where depth is wanted", wait=wait))
    if glaze:
        found.append(Step(f"{glaze} over the deepest shadow", wait=Wait.DRY))
    return found


def _dark_first(tones: int) -> list[Step]:
    found = [Step("lay the shadow, away from the light", tones - 1)]
    found += [Step("pull it out, over the edge of the one before", tone) for tone in range(tones - 2, 0, -1)]
    found.append(Step("the rest, over all edges, until they join", 0))
    if tones > 2:
        found.append(Step("go back over the joins that still show", tones - 2))
        found.append(Step("and once more to close them", 0))
    return found


def _light_first(tones: int) -> list[Step]:
    found = [Step("a light wash over all of it, as a map", 0)]
    found += [
        Step(
            "the shaded part, leaving the light alone" if tone == 1 else "less of it, farther from the light",
            tone,
        )
        for tone in range(1, tones - 1)
    ]
    if tones > 1:
        found.append(Step("the deepest shadow only", tones - 1))
    found += [Step("over the join with the darker one", tone) for tone in range(tones - 2, -1, -1)]
    return found


def _water(tones: int) -> list[Step]:
    found = [Step("a base over all of it", 0)]
    found += [Step("while damp, along the base of the shape", tone) for tone in range(1, tones)]
    found.append(Step("pull the colour out with a damp brush, from dark to light"))
    found.append(Step("lift the highlight with a clean, nearly dry brush"))
    return found


def _pencil(tones: int, blooms: bool, solvent: bool, dark_first: bool) -> list[Step]:
    if solvent and dark_first:
        found = [Step("the shadow, roughly: the solvent blends it", tones - 1)]
        found += [Step("over its edge and on", tone) for tone in range(tones - 2, 0, -1)]
        found += [Step("the rest, and lightly over all of it", 0)] if tones > 1 else []
    else:
        found = [Step("a soft layer over all of it", 0)]
        found += [
            Step("over the shaded part, lighter hand first, then more pressure", tone)
            for tone in range(1, tones)
        ]
        found += [Step("over the join with the darker one", tone) for tone in range(tones - 2, -1, -1)]
    if solvent:
        found.append(Step("blend with a little solvent on a stump, in fresh air; let it dry"))
    else:
        found.append(Step("blend dry, with a stump or the lightest pencil"))
    if blooms:
        found.append(Step("wipe off the wax bloom; redraw the black line where it is dull"))
    found.append(Step("white and gel pen last"))
    return found


def _stencilled(tones: int) -> list[Step]:
    found = [Step("lay its stencil, or mask what is around it; a light hand over all of it", 0)]
    found += [
        Step(
            "through the next stencil, or over the shaded part only; "
            + ("a small brush" if tone == tones - 1 else "less of it"),
            tone,
        )
        for tone in range(1, tones)
    ]
    found += [
        Step("back over the join with what is left on its brush", tone) for tone in range(tones - 2, -1, -1)
    ]
    return [*found, Step("lift the stencil before the next area; wipe it", wait=Wait.DRY)]


def sessions(families: Sequence[tuple[int, ...]], touching: set[tuple[int, int]]) -> list[list[int]]:
    """Places of areas in the order to colour them: of one family together, no two wet neighbours in a row.

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
    return found


def wet_neighbours(order: Sequence[list[int]], touching: set[tuple[int, int]]) -> list[int]:
    """Places in the order before which to wait, since the group before them touches and is wet."""
    return [at for at in range(1, len(order)) if _touch(order[at], order[at - 1], touching)]


def _touch(ones: list[int], others: list[int], touching: set[tuple[int, int]]) -> bool:
    return any((a, b) in touching or (b, a) in touching for a in ones for b in others)


def area_steps(coloured: Coloured, area: Area) -> list[Step]:
    """The order in which an area's tones are laid, ``using`` them; empty where it has none."""
    count = len(coloured.tones[area.key].places)
    if not count:
        return []
    supplies = coloured.palette.supplies
    glaze = supplies.rows[coloured.glazes[area.key][0]].called if area.key in coloured.glazes else ""
    solvent = "solvent" in coloured.picture.finishes
    steps = laying(area.medium, count, coloured.dark_first, area.layers, glaze, solvent)
    return steps + [
        Step(
            f"{supplies.rows[laid.place].called} over it, wherever it lies"
            + (f", in {laid.layers} layers" if laid.layers > 1 else ""),
            tone,
            Wait.DRY,
        )
        for tone, laid in coloured.laid_over(area).items()
    ]


def picture_steps(coloured: Coloured, without: frozenset[int] = frozenset()) -> list[Step]:
    """The order of the areas that have a family, ``to`` those of one family at a time.

    ``without`` are the keys of areas that nobody need colour.
    """
    areas = coloured.areas
    places = [at for at, area in enumerate(areas) if area.family and area.key not in without]
    renumbered = {at: n for n, at in enumerate(places)}
    # Pencil is dry as soon as it is laid; a stencil that is laid over damp ink smears it.
    wet_areas = {at for at in places if areas[at].medium.traits.stays_damp}
    touching = {
        (renumbered[a], renumbered[b]) for a, b in coloured.touching if a in wet_areas and b in wet_areas
    }
    order = sessions([areas[at].family for at in places], touching)
    wet = set(wet_neighbours(order, touching))
    return [
        Step(
            "together, while the colours are out" if len(group) > 1 else "",
            wait=Wait.NEIGHBOUR_DRY if at in wet else None,
            to=tuple(areas[places[n]].key for n in group),
        )
        for at, group in enumerate(order)
    ]
