"""The pads of a card's ground: which are there, and their inks as they are laid."""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property

import numpy as np

from jindle_core.blending.inks import Inks, amount
from jindle_core.blending.known import Known, known
from jindle_core.card.ground import Ground, PadUse
from jindle_core.prediction.behaviour import Hand
from jindle_core.prediction.near import Way
from jindle_core.prediction.stocks import WHITE_CARD
from jindle_core.seen.palette import SeenPalette
from jindle_core.supplies.colours import RangeFacts
from jindle_core.supplies.whole import Supplies


@dataclass(frozen=True)
class Pads:
    """The pads of a ground. Those that have left the supplies are left out."""

    palette: SeenPalette

    @property
    def ground(self) -> Ground:
        """What is planned."""
        return self.palette.card.ground

    @property
    def supplies(self) -> Supplies:
        """The supplies that it is laid with."""
        return self.palette.supplies

    @cached_property
    def pads(self) -> tuple[PadUse, ...]:
        """The pads that are there."""
        return tuple(pad for pad in self.ground.pads if pad.colour in self.supplies.places)

    @cached_property
    def places(self) -> list[int]:
        """Where they stand among the supplies."""
        return [self.supplies.places[pad.colour] for pad in self.pads]

    @cached_property
    def inks(self) -> Inks:
        """Their inks as they are laid here."""
        return self.inks_at(self.places, [(pad.hand, pad.coats) for pad in self.pads])

    def inks_at(self, places: Sequence[int], how: Sequence[tuple[Hand, int]]) -> Inks:
        """The inks of the pads at some places of the supplies, by hand and coats."""
        facts = [self.facts(place) for place in places]
        amounts = [
            amount(about.medium, self.supplies.predicted.behaviour(about.id), hand, coats)
            for about, (hand, coats) in zip(facts, how, strict=True)
        ]
        return self.supplies.predicted.dabs(np.array(places, dtype=np.intp)).times(np.array(amounts))

    def sigma(self, at: int) -> float:
        """One sigma (ΔE00) of a pad of the ground as it is laid here."""
        pad = self.pads[at]
        return self.supplies.predicted.sigma(self.places[at], Way(pad.coats, pad.hand, self.card))

    def facts(self, place: int) -> RangeFacts:
        """What is known of the range of a colour."""
        return self.supplies.ranges[int(self.supplies.range_ids[place])]

    def known(self, place: int) -> Known:
        """What can be said of a pad at all."""
        metallic = bool(self.facts(place).properties.get("metallic"))
        return known(self.supplies.lab[place], float(self.supplies.sigma[place]), metallic)

    def card_of(self, pk: int | None) -> np.ndarray:
        """The reflectance (31,) of a cardstock; white where none is said, or it is gone."""
        place = None if pk is None else self.supplies.places.get(pk)
        return WHITE_CARD if place is None else self.supplies.reflectance(np.array([place]))[0]

    @cached_property
    def card(self) -> np.ndarray:
        """What the ground is laid on."""
        return self.card_of(self.ground.paper)

    def is_predicted(self, at: int) -> bool:
        """Whether the join after a pad can be predicted at all."""
        return all(self.known(place).predicted for place in self.places[at : at + 2])
