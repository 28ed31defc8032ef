"""Families for an area: the best there are, and what would make the one it has whole."""

from collections.abc import Sequence
from typing import Any

import numpy as np

from jindle_core import figures
from jindle_core.card.changes.pictures import AreaFamily, SetFamilies
from jindle_core.card.pictures import Area
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.views import shades
from jindle_core.errors import BadInput, Problem
from jindle_core.families.build import Builder, Family
from jindle_core.families.mending import bridge, deeper, glazed_shadow, lighter
from jindle_core.families.recipes import Thing, recipe, suited, tones_wanted
from jindle_core.seen.colouring import Coloured
from jindle_core.supplies.colours import Supplies, is_transparent
from server.cards.json.colouring import told_judgement
from server.catalogue.swatches import swatch


def offered(
    coloured: Coloured,
    area: Area,
    owned: bool,
    tones: int | None = None,
    count: int = 1,
    known: dict[Builder, np.ndarray] | None = None,
) -> tuple[list[Family], np.ndarray]:
    """The best families for an area, and the places that theirs speak of; empty where there is no colour.

    ``known`` keeps, by builder, how far the palette is from all its candidates, for the next area.
    """
    catalogue = coloured.resolved.supplies
    builder, places = catalogue.families(area.medium, owned, area.layers, coloured.paper)
    made = recipe(area.thing)
    around, off = made.around, None
    aimed, reach = coloured.aim(area, float(np.median(catalogue.sigma[places])) if len(places) else 0.0)
    if around is None and area.colour is not None and len(places):
        at = [colour.key for colour in coloured.resolved.card.colours].index(area.colour)
        around = aimed
        known = {} if known is None else known
        if builder not in known:
            known[builder] = delta_e(coloured.resolved.lab[:, None], builder.candidates[None])
        off = known[builder][at]
    if around is None or not len(places):
        return [], places
    fits = suited(area.thing, builder.candidates, coloured.warmth(area), coloured.beside(area, Thing.BLACK))
    wanted = tones or tones_wanted(area.thing, area.extent, area.focal)
    if not fits.all() and fits.sum() >= figures.families.FAMILY_SIZES[0]:
        builder, places = Builder(builder.candidates[fits]), places[fits]
        off = None if off is None else off[fits]
    return builder.best(np.asarray(around), wanted, count, made.allowance, off, reach), places


def proposed(coloured: Coloured, keys: Sequence[int], owned: bool) -> SetFamilies:
    """The best family for each of some areas that there is one for; BadInput where there is none at all."""
    catalogue, families = coloured.resolved.supplies, []
    answered: dict[tuple, tuple[list[Family], np.ndarray]] = {}
    known: dict[Builder, np.ndarray] = {}
    for key in keys:
        area = coloured.colouring.area(key)
        # A drawing has many leaves: what is asked alike is answered once.
        alike = (area.medium, area.layers, area.colour, area.thing, area.extent, area.focal)
        alike += (coloured.warmth(area) > 0, coloured.beside(area, Thing.BLACK))
        if alike not in answered:
            answered[alike] = offered(coloured, area, owned, known=known)
        found, places = answered[alike]
        for family in found[:1]:
            ids = tuple(catalogue.rows[place].id for place in places[list(family.places)])
            families.append(AreaFamily(key, ids, area.medium))
    if not families:
        raise BadInput(
            Problem(
                "No area here has a palette colour to build a family around, or the supplies hold none.",
                field="areas",
                expected="areas with a colour, and two colours of their medium",
            )
        )
    return SetFamilies(tuple(families))


def offers(coloured: Coloured, area: Area, owned: bool, tones: int | None) -> dict[str, Any]:
    """What can be chosen for an area, as ``OffersSerializer`` describes it."""
    families, places = offered(coloured, area, owned, tones, figures.families.FAMILIES_OFFERED)
    return {
        "wanted": tones or tones_wanted(area.thing, area.extent, area.focal),
        "families": [
            {
                "kept": family.kept,
                "tones": _tones(coloured, area, places[list(family.places)]),
                "judgement": told_judgement(family.judgement),
            }
            for family in families
        ],
        "mends": _mends(coloured, area, owned),
    }


def _tones(coloured: Coloured, area: Area, places: np.ndarray) -> list[dict[str, Any]]:
    """The colours at some places as they would look in the area."""
    catalogue = coloured.resolved.supplies
    labs = catalogue.predicted(places, area.layers, coloured.paper)
    return [_tone(catalogue, int(place), lab) for place, lab in zip(places, labs, strict=True)]


def _tone(catalogue: Supplies, place: int, lab: np.ndarray) -> dict[str, Any]:
    return {"swatch": swatch(catalogue, place), "shades": _views(lab)}


def _views(lab: np.ndarray) -> dict[str, str]:
    return shades(np.asarray(lab))[0]


def _mends(coloured: Coloured, area: Area, owned: bool) -> list[dict[str, Any]]:
    """Tones that would make the chosen family whole: each with the family after it."""
    tones = coloured.tones[area.key]
    if not tones.places:
        return []
    catalogue = coloured.resolved.supplies
    builder, places = catalogue.families(area.medium, owned, area.layers, coloured.paper)
    other = ~np.isin(places, tones.places)
    candidates, places = builder.candidates[other], places[other]
    found = []

    def offer(words: str, at: int | None, where: int) -> None:
        if at is not None and len(tones.places) < figures.families.FAMILY_SIZES[1]:
            after = [*tones.places[:where], int(places[at]), *tones.places[where:]]
            ids = [catalogue.rows[place].id for place in after]
            tone = _tone(catalogue, int(places[at]), candidates[at])
            found.append({"words": words, "family": ids} | tone)

    offer("a deeper shadow", deeper(tones.lab, candidates), len(tones.places))
    offer("a lighter light", lighter(tones.lab, candidates), 0)
    judged = coloured.judgement(area)
    for fault in judged.faults if judged else ():
        if fault.key == "far" and fault.step is not None:
            upper, lower = tones.lab[fault.step], tones.lab[fault.step + 1]
            offer("a tone in between", bridge(upper, lower, candidates), fault.step + 1)
    if is_transparent(area.medium) and area.key not in coloured.glazes:
        found += _glazes(coloured, area, candidates, places)
    return found


def _glazes(
    coloured: Coloured, area: Area, candidates: np.ndarray, places: np.ndarray
) -> list[dict[str, Any]]:
    """A neutral over the darkest tone: no tone of its own, so the family stays as it is."""
    catalogue, tones = coloured.resolved.supplies, coloured.tones[area.key]
    greys = places[np.hypot(candidates[:, 1], candidates[:, 2]) < figures.paper.NEUTRAL_ROLE_C]
    dark = catalogue.reflectance(np.array(tones.places[-1:]))[0]
    behaviour = catalogue.behaviour(int(catalogue.range_ids[tones.places[-1]]))
    glaze = glazed_shadow(dark, catalogue.reflectance(greys), behaviour, area.layers, coloured.card)
    if glaze is None:
        return []
    place = int(greys[glaze.place])
    words = f"over the dark once it is dry: predicted, ± {figures.laying.GLAZE_SIGMA:.0f}"
    lab = np.array(glaze.lab)
    return [{"words": words, "family": None, "swatch": swatch(catalogue, place), "shades": _views(lab)}]
