"""What do colours look like laid, as one person's readings have them; and how sure is that?"""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.spaces import Array, reflectance_to_lab
from jindle_core.held import Held
from jindle_core.media.medium import Medium
from jindle_core.prediction.behaviour import Hand
from jindle_core.prediction.fitting import Laying, fit
from jindle_core.prediction.known import Known, usually
from jindle_core.prediction.near import Way, left_open, pulled
from jindle_core.supplies.readings import LaidReading

_Read = dict[int, list[LaidReading]]  # by colour


@dataclass(frozen=True, eq=False)
class Predictions:
    """What is known of ranges and colours from ``swatches``, by the id of their range.

    ``media`` gives a range's medium; ``ones`` the one-layer reflectances (m, 31) of colours by their ids, and
    nothing for those that are not there; ``own`` how surely (one sigma, ΔE00) one of them is known.
    """

    swatches: Mapping[int, Sequence[LaidReading]]
    media: Mapping[int, Medium]
    ones: Callable[[Sequence[int]], dict[int, Array]]
    own: Callable[[int], float]

    @cached_property
    def _known(self) -> Held[int, Known]:
        return Held(len(self.media))

    @cached_property
    def _read(self) -> Held[int, _Read]:
        return Held(len(self.media))

    def known(self, range_id: int) -> Known:
        """How a range behaves: as fitted, or as its medium usually does; ValueError for what is not laid."""
        return self._known.get(range_id, lambda: self._fitted(range_id))

    def is_read(self, range_id: int) -> bool:
        """Whether anything of a range was read laid otherwise than usual."""
        return self.media[range_id].traits.covering is not None and bool(self.known(range_id).readings)

    def labs(self, range_id: int, colours: Sequence[int], ones: Array, way: Way) -> Array:
        """CIELAB (m, 3) of colours of a range laid some way; ``ones`` (m, 31) are their single layers.

        ValueError where the colour that they are to lie over is not there.
        """
        known = self.known(range_id)
        says = known.says(ones, way.layers, way.hand, way.card, self._below(way, len(ones)))
        for at, near in self._near(range_id, colours, ones).items():
            says[at], _ = pulled(known, way, says[at], near)
        return reflectance_to_lab(says)

    def sigmas(self, range_id: int, colours: Sequence[int], ones: Array, way: Way) -> Array:
        """One sigma (m,), in ΔE00, that laying them so adds to what they have themselves."""
        known = self.known(range_id)
        sigma = known.sigma(ones, way.layers, way.hand, way.card, self._below(way, len(ones)))
        for at, near in self._near(range_id, colours, ones).items():
            left = left_open(known, way, [one for one, *_ in near])
            sigma[at] = np.hypot(sigma[at] * left, figures.colour.UNCERTAINTY["read"])
        return sigma

    def _near(
        self, range_id: int, colours: Sequence[int], ones: Array
    ) -> dict[int, list[tuple[Way, Array, Array]]]:
        """By its place: how a colour was read otherwise, what was seen, and what is predicted there."""
        read, known = self._by_colour(range_id), self.known(range_id)
        return {
            at: [
                (one.way, one.seen, known.says(ones[at][None], *self._given(one))[0]) for one in read[colour]
            ]
            for at, colour in enumerate(colours)
            if colour in read
        }

    def _given(self, one: LaidReading) -> tuple[int, Hand, Array, Array | None]:
        return one.layers, one.hand, one.way.card, self._below(one.way, 1)

    def _below(self, way: Way, count: int) -> Array | None:
        if not way.below:
            return None
        found = self.ones([way.below])
        if way.below not in found:
            raise ValueError(f"there is no colour {way.below}")
        return np.repeat(found[way.below][None], count, axis=0)

    def _by_colour(self, range_id: int) -> _Read:
        """A range's readings by colour; those over a colour that is gone say nothing any more."""

        def made() -> _Read:
            listed = self.swatches.get(range_id, ())
            there = self.ones([pk for one in listed for pk in (one.colour, one.below) if pk])
            found: _Read = {}
            for one in listed:
                if one.colour in there and (not one.below or one.below in there):
                    found.setdefault(one.colour, []).append(one)
            return found

        return self._read.get(range_id, made)

    def _fitted(self, range_id: int) -> Known:
        medium = self.media[range_id]
        known = usually(medium)
        listed = [one for each in self._by_colour(range_id).values() for one in each]
        ones = self.ones([pk for one in listed for pk in (one.colour, one.below) if pk])
        layings = [
            Laying(
                ones[one.colour],
                one.layers,
                one.hand,
                one.way.card,
                np.array(one.lab),
                ones[one.below] if one.below else None,
                self.own(one.colour),
            )
            for one in listed
        ]
        return fit(medium, layings) if layings else known
