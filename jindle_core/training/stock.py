"""Of which colours can anything be asked?"""

from collections.abc import Collection

import numpy as np

from jindle_core import figures
from jindle_core.media.groups import LAID_MEDIA, MAT_MEDIA
from jindle_core.media.medium import Medium
from jindle_core.supplies.whole import Supplies
from jindle_core.training.question import Asked, AskedColour

# What is put in order of lightness, or chosen: laid as an even colour.
EVEN_MEDIA = (*LAID_MEDIA, *MAT_MEDIA)


def stock(
    supplies: Supplies, media: Collection[Medium], asked: Asked, random: np.random.Generator
) -> np.ndarray:
    """The places of the colours of some media that can be asked of: in the drawer, or all that can be had.

    What is metallic turns with the light and has no one lightness, so nothing is asked of it. Of very many
    colours some are drawn, and those that it is to be about.
    """
    places = supplies.of_media(media)
    if asked.owned:
        places = places[supplies.usable[places]]
    if asked.on_screen:
        places = places[supplies.shown[places]]
    if not asked.darks:
        places = places[supplies.lab[places, 0] >= figures.training.DARKS_L]
    metallic = [key for key, facts in supplies.ranges.items() if facts.properties.get("metallic")]
    if metallic:
        places = places[~np.isin(supplies.range_ids[places], metallic)]
    most = figures.training.AMONG_APART if asked.apart else figures.training.AMONG
    if len(places) > most:
        drawn = random.choice(places, most, replace=False)
        places = np.union1d(drawn, _about(places, supplies, asked))
    return places


def beginnings(places: np.ndarray, supplies: Supplies, asked: Asked) -> np.ndarray:
    """Those of some places that a question may begin with: the ones it is to be about, if any is there."""
    rather = _about(places, supplies, asked)
    return rather if len(rather) else places


def _about(places: np.ndarray, supplies: Supplies, asked: Asked) -> np.ndarray:
    """Those of some places that it is to be about: as many at most as are drawn of very many."""
    wanted = [supplies.places[pk] for pk in asked.around if pk in supplies.places]
    return np.intersect1d(places, np.array(wanted, dtype=np.intp))[: figures.training.AMONG_APART]


def asked_colour(supplies: Supplies, place: int) -> AskedColour:
    """The colour at a place, as a value of its own."""
    row = supplies.rows[place]
    facts = supplies.ranges[row.range_id]
    return AskedColour(
        row.id,
        row.label,
        facts.name,
        facts.medium,
        supplies.provenance(place),
        supplies.lab_at(place),
        float(supplies.sigma[place]),
    )


def still_there(supplies: Supplies, colours: Collection[AskedColour]) -> list[int] | None:
    """The places of colours that were asked of before; None where one is no longer to be had."""
    places = [supplies.places.get(-1 if one.id is None else one.id, -1) for one in colours]
    if any(place < 0 or not supplies.to_be_had[place] for place in places):
        return None
    return places
