"""Palettes landed on supplies, as the screens get them."""

from collections.abc import Sequence
from dataclasses import asdict
from typing import Any

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.naming import hue_family
from jindle_core.colorimetry.views import shades
from jindle_core.families.convert import assign
from jindle_core.palettes.landing import Landed, reasons
from jindle_core.supplies.colours import Supplies
from server.catalogue.swatches import match
from server.palettes.models import Combination


def places_of(catalogue: Supplies, column: str, owned: bool) -> np.ndarray:
    """The supplies of a column of the palette table that a palette may land on."""
    return catalogue.indexes[column, owned][1]


def landings(catalogue: Supplies, places: np.ndarray, landed: Sequence[Landed]) -> list[dict[str, Any]]:
    """Palettes of rules as ``LandingSerializer`` describes them."""
    if not landed:
        return []
    # Every colour of all of them at once: to work out few takes as long as many.
    found = places[np.concatenate([one.places for one in landed])]
    asked = np.concatenate([one.wanted for one in landed])
    off = delta_e(asked, catalogue.lab[found]).tolist()
    colours = iter(
        [
            _colour(catalogue, int(place), wanted, shade, 0.0, distance)
            | {"name": catalogue.rows[place].name or hue_family(catalogue.lab[place])}
            for place, wanted, shade, distance in zip(found, asked, shades(asked), off, strict=True)
        ]
    )
    return [
        {
            "rule": one.rule.key,
            "title": one.rule.title,
            "about": one.rule.about,
            "colours": [next(colours) | {"role": slot.role.value} for slot in one.rule.places],
            "reasons": [asdict(reason) for reason in reasons(one)],
        }
        for one in landed
    ]


def combination(catalogue: Supplies, places: np.ndarray, kept: Combination, person_id: int) -> dict[str, Any]:
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
            sigma = figures.colour.UNCERTAINTY[one["provenance"]]
            told |= _colour(catalogue, place, labs[at], shade, sigma, distance)
        colours.append(told)
    return {"id": kept.pk, "name": kept.name, "own": kept.owner_id == person_id, "colours": colours}


def _colour(
    catalogue: Supplies, place: int, wanted: np.ndarray, shade: dict, sigma: float, distance: float
) -> dict[str, Any]:
    """The supply at a place beside the colour that it stands for."""
    return {
        "match": match(catalogue, place, wanted.tolist(), sigma, distance),
        "wanted": shade,
        "lab": [round(float(value), 2) for value in wanted],
    }
