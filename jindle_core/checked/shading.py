"""Which families would the areas of a card best have? Areas of one thing share theirs."""

from collections.abc import Hashable, Iterator, Sequence

import numpy as np

from jindle_core import figures
from jindle_core.card.changes.pictures import AreaFamily, SetFamilies
from jindle_core.card.pictures import Area
from jindle_core.colorimetry.difference import delta_e
from jindle_core.errors import BadInput, Problem
from jindle_core.families.build import Builder, Family
from jindle_core.families.part import part
from jindle_core.families.recipes import Thing, recipe, suited, tones_wanted
from jindle_core.seen.colouring import Coloured


def tones_to_offer(area: Area, said: int | None) -> int:
    """How many tones a family for an area has: as said, or as the area wants."""
    return said or tones_wanted(area.thing, area.extent, area.focal)


def proposed(pictures: Sequence[Coloured], keys: Sequence[int], owned: bool) -> SetFamilies:
    """The best family for each of some areas of some pictures that there is one for.

    Areas of one thing share one: what has less room takes a part of it, and
    where others of it have theirs, that is taken on. Without any key, of
    those without a family that follow no other. BadInput where there is none
    at all.
    """
    for key in keys:
        pictures[0].palette.card.area(key)
    things: dict[Hashable, list[tuple[Coloured, Area]]] = {}
    others: dict[Hashable, list[tuple[Coloured, Area]]] = {}
    for coloured in pictures:
        for area in coloured.areas:
            asked = area.key in keys if keys else not area.family and area.like is None
            its = (coloured.paper, area.medium, area.layers, area.colour, area.thing)
            (things if asked else others).setdefault(its, []).append((coloured, area))
    known: dict[Builder, np.ndarray] = {}
    families: list[AreaFamily] = []
    for kind, areas in things.items():
        families += _shared(areas, others.get(kind, []), owned, known)
    if not families:
        raise BadInput(
            Problem(
                "No area here has a palette colour to build a family around, or the supplies hold none.",
                field="areas",
                expected="areas with a colour, and a colour of their medium in its hue",
            )
        )
    return SetFamilies(tuple(families))


def _shared(
    areas: Sequence[tuple[Coloured, Area]],
    others: Sequence[tuple[Coloured, Area]],
    owned: bool,
    known: dict[Builder, np.ndarray],
) -> Iterator[AreaFamily]:
    """One family for all areas of a thing, of which each takes as many tones as it has room for."""
    coloured, first = areas[0]
    if wanted_around(coloured, first) is None:
        return
    tones = max(tones_to_offer(area, None) for _, area in areas)
    had = [one.tones[area.key].places for one, area in others if _holds(one, area)]
    places = max(had, key=len, default=())
    if len(places) < tones:
        # White beside black goes deeper: where one of them lies so, all of them do.
        beside = next((one for one in areas if one[0].beside(one[1], Thing.BLACK)), areas[0])
        count = figures.families.FAMILIES_LOOKED_AT if places else 1
        found, candidates = best_families(*beside, owned, tones, count, known)
        if not found:
            return
        each = [tuple(candidates[list(one.places)].tolist()) for one in found]
        # What the others have is gone on with where that can be.
        places = next((one for one in each if set(places) <= set(one)), each[0])
    supplies = coloured.palette.supplies
    labs = supplies.predicted.in_layers(np.array(places), first.layers, coloured.paper)
    around = coloured.aim(first, 0.0)[0]
    for _, area in areas:
        taken = part(labs, tones_to_offer(area, None), around, recipe(area.thing).allowance)
        yield AreaFamily(area.key, tuple(supplies.rows[places[at]].id for at in taken), area.medium)


def _holds(coloured: Coloured, area: Area) -> bool:
    judged = coloured.judgement(area)
    return judged is not None and judged.holds


def best_families(
    coloured: Coloured,
    area: Area,
    owned: bool,
    tones: int | None = None,
    count: int = 1,
    known: dict[Builder, np.ndarray] | None = None,
) -> tuple[list[Family], np.ndarray]:
    """The best families for an area, and the places that theirs speak of.

    ``known`` keeps, by builder, how far the palette is from all its candidates, for the next area.
    """
    supplies = coloured.palette.supplies
    builder, places = supplies.families(area.medium, owned, area.layers, coloured.paper)
    around = wanted_around(coloured, area)
    if around is None or not len(places):
        return [], places
    beside_black = coloured.beside(area, Thing.BLACK)
    made, off = recipe(area.thing, beside_black), None
    _, reach = coloured.aim(area, float(np.median(supplies.sigma[places])))
    if made.around is None and area.colour is not None:
        at = [colour.key for colour in coloured.palette.card.colours].index(area.colour)
        known = {} if known is None else known
        if builder not in known:
            known[builder] = delta_e(coloured.palette.lab[:, None], builder.candidates[None])
        off = known[builder][at]
    fits = suited(area.thing, builder.candidates, coloured.warmth(area), beside_black)
    among = fits if fits.sum() >= figures.families.FAMILY_SIZES[0] else None
    wanted = tones_to_offer(area, tones)
    return builder.best(around, wanted, count, made.allowance, off, reach, among), places


def wanted_around(coloured: Coloured, area: Area) -> np.ndarray | None:
    """The colour that an area's family is built around; None where nothing says which."""
    made = recipe(area.thing, coloured.beside(area, Thing.BLACK))
    return coloured.aim(area, 0.0)[0] if made.around is None else np.asarray(made.around)
