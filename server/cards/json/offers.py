"""What could be taken, instead or next, as it is told."""

from typing import Any

import numpy as np

from jindle_core.card.pictures import Area
from jindle_core.checked.build import Examined
from jindle_core.checked.check import Check
from jindle_core.checked.desk import drawn
from jindle_core.colorimetry.views import shades
from jindle_core.contrast.rules import Status
from jindle_core.layers.pieces import Piece
from jindle_core.offers.for_area import family_offers, tone_offers, tones_to_offer
from jindle_core.offers.for_piece import PieceOffer, piece_offers
from jindle_core.offers.new_colour import Adding
from jindle_core.seen.colouring import Coloured
from server.cards.json.changes import change_told
from server.cards.json.checks import finding_told
from server.cards.json.colouring import judgement_told
from server.cards.json.desk import parts_told
from server.catalogue.swatches import swatch

Told = dict[str, Any]


def area_offers_told(coloured: Coloured, area: Area, owned: bool, tones: int | None) -> Told:
    """What can be chosen for an area, as ``OffersSerializer`` describes it."""
    supplies = coloured.palette.supplies

    def tone(place: int, lab: np.ndarray) -> Told:
        return {"swatch": swatch(supplies, place), "shades": shades(lab)[0]}

    return {
        "wanted": tones_to_offer(area, tones),
        "families": [
            {
                "kept": one.family.kept,
                "tones": [tone(*each) for each in zip(one.places, one.labs, strict=True)],
                "judgement": judgement_told(one.family.judgement),
            }
            for one in family_offers(coloured, area, owned, tones)
        ],
        "mends": [
            {"words": one.words, "family": one.family and list(one.family)} | tone(one.place, one.lab)
            for one in tone_offers(coloured, area, owned)
        ],
    }


def piece_offers_told(examined: Examined, piece: Piece) -> list[Told]:
    """What a piece could be, as ``PieceInsteadSerializer`` describes it."""
    at = 1 if piece in examined.stack.build.inside else 0
    return [_piece(one, at, examined.stack.unit) for one in piece_offers(examined, piece)]


def _piece(offer: PieceOffer, face: int, unit: str) -> Told:
    return {
        "words": offer.words,
        "note": offer.note,
        "stands": offer.stands and finding_told(offer.stands.finding),
        "parts": parts_told(drawn(offer.stack.parts[face], offer.laid, offer.stack)),
        "change": offer.change and change_told(offer.change, unit),
    }


def adding_told(found: Adding) -> Told:
    """What adding a colour would mean, as ``AddingSerializer`` describes it."""
    changes = [
        {"before": _stands(one.before), "after": _stands(one.after) if one.after else ""}
        for one in found.turned
    ]
    return {"role": found.role.value, "changes": changes}


def _stands(check: Check) -> str:
    found = check.finding
    words = "holds" if found.status is Status.HOLDS else found.reason
    return f"{check.title} ({words}, {found.figure})"
