"""What could be taken, instead or next, as it is told."""

from typing import Any

import numpy as np

from jindle_core.card.pictures import Area
from jindle_core.checked.build import Examined
from jindle_core.checked.check import Check
from jindle_core.checked.desk import drawn
from jindle_core.checked.shading import tones_to_offer
from jindle_core.checks.finding import Status
from jindle_core.colorimetry.views import shades
from jindle_core.layers.pieces import Piece
from jindle_core.offers.for_area import family_offers, tone_offers
from jindle_core.offers.for_piece import PieceOffer, piece_offers
from jindle_core.offers.new_colour import Adding
from jindle_core.seen.colouring import Coloured
from server.cards.json.changes import change_told
from server.cards.json.checks import finding_told
from server.cards.json.colouring import judgement_told
from server.cards.json.desk import parts_told
from server.catalogue.swatches import swatch
from server.told.build import PieceInstead
from server.told.card import Adding as AddingTold
from server.told.card import ChangedPair
from server.told.colouring import FamilyMend, OfferedFamily, OfferedTone, Offers

Told = dict[str, Any]


def area_offers_told(coloured: Coloured, area: Area, owned: bool, tones: int | None) -> Offers:
    """What can be chosen for an area."""
    supplies = coloured.palette.supplies

    def tone(place: int, lab: np.ndarray) -> OfferedTone:
        return OfferedTone(swatch=swatch(supplies, place), shades=shades(lab)[0])

    return Offers(
        wanted=tones_to_offer(area, tones),
        families=[
            OfferedFamily(
                kept=one.family.kept,
                words=one.words,
                tones=[tone(*each) for each in zip(one.places, one.labs, strict=True)],
                judgement=judgement_told(one.family.judgement),
            )
            for one in family_offers(coloured, area, owned, tones)
        ],
        mends=[
            FamilyMend(words=one.words, family=one.family, **vars(tone(one.place, one.lab)))
            for one in tone_offers(coloured, area, owned)
        ],
    )


def piece_offers_told(examined: Examined, piece: Piece) -> list[PieceInstead]:
    """What a piece could be."""
    at = 1 if piece in examined.stack.where.build.inside else 0
    return [_piece(one, at, examined.stack.where.unit) for one in piece_offers(examined, piece)]


def _piece(offer: PieceOffer, face: int, unit: str) -> PieceInstead:
    return PieceInstead(
        words=offer.words,
        note=offer.note,
        stands=None if offer.stands is None else finding_told(offer.stands.finding),
        parts=parts_told(drawn(offer.stack.where.parts[face], offer.laid, offer.stack)),
        change=None if offer.change is None else change_told(offer.change, unit),
    )


def adding_told(found: Adding) -> AddingTold:
    """What adding a colour would mean."""
    changes = [
        ChangedPair(before=_stands(one.before), after=_stands(one.after) if one.after else "")
        for one in found.turned
    ]
    return AddingTold(role=found.role, changes=changes)


def _stands(check: Check) -> str:
    found = check.finding
    words = "holds" if found.status is Status.HOLDS else found.reason
    return f"{check.title} ({words}, {found.figure})"
