"""Palettes landed on supplies, as the screens get them."""

from dataclasses import asdict
from typing import Any

import numpy as np

from jindle_core import defaults
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.naming import hue_family
from jindle_core.colorimetry.views import shades
from jindle_core.families.convert import assign
from jindle_core.palettes.landing import Landed, reasons
from server.catalogue.arrays import Catalogue
from server.catalogue.swatches import match
from server.palettes.models import Combination


def places_of(catalogue: Catalogue, column: str, owned: bool) -> np.ndarray:
    """The supplies of a column of the palette table that a palette may land on."""
    return catalogue.indexes[column, owned][1]


def landing(catalogue: Catalogue, places: np.ndarray, one: Landed) -> dict[str, Any]:
    """A palette of a rule as ``LandingSerializer`` describes it."""
    found = places[list(one.places)]
    off = delta_e(one.wanted, catalogue.lab[found])
    return {
        "rule": one.rule.key,
        "title": one.rule.title,
        "about": one.rule.about,
        "colours": [
            _colour(catalogue, int(place), wanted, 0.0, float(distance))
            | {"name": catalogue.rows[place][Catalogue.NAME] or hue_family(catalogue.lab[place])}
            | {"role": slot.role.value}
            for slot, place, wanted, distance in zip(one.rule.places, found, one.wanted, off, strict=True)
        ],
        "reasons": [asdict(reason) for reason in reasons(one)],
    }


def combination(
    catalogue: Catalogue, places: np.ndarray, kept: Combination, person_id: int
) -> dict[str, Any]:
    """A kept combination, with the supplies it lands on, as ``CombinationSerializer`` describes it."""
    labs = np.array([one["lab"] for one in kept.stored], dtype=float)
    found = places[assign(labs, catalogue.lab[places])] if len(places) else None
    colours = []
    for at, (one, shade) in enumerate(zip(kept.stored, shades(labs), strict=True)):
        told = {"name": one["name"], "role": one["role"], "lab": one["lab"], "shades": shade}
        told |= {"match": None, "wanted": shade}
        if found is not None:
            place = int(found[at])
            distance = float(delta_e(labs[at], catalogue.lab[place]))
            told |= _colour(catalogue, place, labs[at], defaults.UNCERTAINTY[one["provenance"]], distance)
        colours.append(told)
    return {"id": kept.pk, "name": kept.name, "own": kept.owner_id == person_id, "colours": colours}


def _colour(
    catalogue: Catalogue, place: int, wanted: np.ndarray, sigma: float, distance: float
) -> dict[str, Any]:
    """The supply at a place beside the colour that it stands for."""
    return {
        "match": match(catalogue, place, wanted.tolist(), sigma, distance),
        "wanted": shades(wanted)[0],
        "lab": [round(float(value), 2) for value in wanted],
    }
