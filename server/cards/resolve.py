"""A plan together with the colours it speaks of, as they are now."""

from dataclasses import dataclass, replace
from functools import cached_property, lru_cache

import numpy as np

from jindle_core import figures
from jindle_core.card.changes.palette import AddColour
from jindle_core.card.whole import Anchor, Card, End, Pair, PaletteColour
from jindle_core.colorimetry.spaces import on_screen
from jindle_core.colorimetry.views import shades
from jindle_core.contrast.guess import guess_pairs
from jindle_core.supplies.colours import Supplies

WHITE_WORDS = "white paper"


@lru_cache(maxsize=4096)
def value_shades(lab: tuple[float, float, float]) -> dict[str, str]:
    """A plain value in every view."""
    return shades(np.array([lab]))[0]


@lru_cache(maxsize=4096)
def value_on_screen(lab: tuple[float, float, float]) -> bool:
    """Whether a screen can show a plain value."""
    return bool(on_screen(np.array(lab)))


@dataclass(frozen=True)
class ResolvedPlan:
    """A plan read against a catalogue."""

    plan: Card
    catalogue: Supplies

    @cached_property
    def lab(self) -> np.ndarray:
        """The palette's colours (n, 3): of the supplies where they stand there, else as stored."""
        return np.array([self._now(colour.anchor)[0] for colour in self.plan.colours]).reshape(-1, 3)

    @cached_property
    def sigma(self) -> list[float]:
        """The uncertainty of each palette colour."""
        return [self._now(colour.anchor)[1] for colour in self.plan.colours]

    def as_added(self) -> list[AddColour]:
        """The palette as changes that would make it anew, its colours as they are now."""
        return [
            AddColour(replace(colour.anchor, lab=tuple(map(float, lab))), colour.name, colour.role)
            for colour, lab in zip(self.plan.colours, self.lab, strict=True)
        ]

    @cached_property
    def pairs(self) -> tuple[Pair, ...]:
        """What lies on what: as said, or as the roles suggest while nothing was said.

        None on a card that is built of pieces: what they really lie on says more.
        """
        if self.plan.build.every:
            return ()
        if self.plan.pairs is not None:
            return self.plan.pairs
        colours = self.plan.colours
        guesses = guess_pairs([colour.role for colour in colours], self.lab[:, 0].tolist())
        return tuple(
            Pair(
                number,
                guess.kind,
                End("palette", colours[guess.upper].key),
                End("white") if guess.lower is None else End("palette", colours[guess.lower].key),
            )
            for number, guess in enumerate(guesses, start=self.plan.next_pair)
        )

    @cached_property
    def _places(self) -> dict[int, int]:
        return {colour.key: place for place, colour in enumerate(self.plan.colours)}

    def place(self, colour: PaletteColour) -> int | None:
        """Where the palette colour's supply stands in the catalogue, if it does."""
        return None if colour.anchor.colour is None else self.catalogue.places.get(colour.anchor.colour)

    def end_lab(self, end: End) -> np.ndarray:
        """The colour (3,) of one end of a pair; white paper where its supply is gone."""
        if end.source == "palette":
            return self.lab[self._places[end.id]]
        place = self._supply(end)
        return np.array(figures.laying.PAPER_WHITE_LAB) if place is None else self.catalogue.lab[place]

    def end_shades(self, end: End) -> dict[str, str]:
        """The colour of one end in every view."""
        if end.source == "palette":
            colour = self.plan.colour(end.id)
            place, value = self.place(colour), colour.anchor.lab
        else:
            place, value = self._supply(end), figures.laying.PAPER_WHITE_LAB
        return value_shades(value) if place is None else self.catalogue.shades[place]

    def end_words(self, end: End) -> str:
        """One end of a pair, named."""
        if end.source == "palette":
            return self.plan.colour(end.id).name
        place = self._supply(end)
        if place is None:
            return WHITE_WORDS if end.source == "white" else "a colour no longer in your supplies"
        row = self.catalogue.rows[place]
        label = row.label
        label += ", no longer in your supplies" if self.catalogue.lost[place] else ""
        return f"{self.catalogue.ranges[row.range_id].name} {label}"

    def _supply(self, end: End) -> int | None:
        return self.catalogue.places.get(end.id) if end.source == "supply" else None

    def _now(self, anchor: Anchor) -> tuple[tuple[float, ...], float]:
        place = None if anchor.colour is None else self.catalogue.places.get(anchor.colour)
        if place is None:
            return anchor.lab, figures.colour.UNCERTAINTY[anchor.provenance]
        return tuple(self.catalogue.lab[place]), float(self.catalogue.sigma[place])
