"""What do the supplies look like laid, and how sure is that?"""

from collections.abc import Iterator, Sequence
from functools import cached_property

import numpy as np

from jindle_core import figures
from jindle_core.blending.inks import Inks, one_dab
from jindle_core.colorimetry.spaces import reflectance_to_lab
from jindle_core.colorimetry.views import Shades, shades
from jindle_core.held import Held
from jindle_core.media.medium import Form
from jindle_core.prediction.behaviour import Behaviour, Hand
from jindle_core.prediction.known import Known
from jindle_core.prediction.laying import laid
from jindle_core.prediction.near import Way
from jindle_core.prediction.stocks import WHITE_CARD
from jindle_core.supplies.colours import Colours
from jindle_core.supplies.predictions import Predictions

_SIGMAS = 4000  # ways of laying single colours, whose doubt is held at once


class Predicted:
    """Colours laid in any way, by their places (m,), as the readings of their owner have it."""

    def __init__(self, colours: Colours) -> None:
        self._colours = colours
        self._sigmas = Held[tuple[int, int, Hand, bytes, int], float](_SIGMAS)

    @cached_property
    def _says(self) -> Predictions:
        media = {key: facts.medium for key, facts in self._colours.ranges.items()}
        colours = self._colours

        def own(pk: int) -> float:
            return float(colours.sigma[colours.places[pk]])

        return Predictions(colours.swatches, media, self._ones, own)

    def _ones(self, ids: Sequence[int]) -> dict[int, np.ndarray]:
        at = self._colours.places
        there = sorted(set(ids) & at.keys())
        places = np.array([at[pk] for pk in there], dtype=np.intp)
        return dict(zip(there, self._colours.reflectance(places), strict=True)) if there else {}

    def known(self, range_id: int) -> Known:
        """How a range behaves and how surely: as fitted, or as its medium usually does."""
        return self._says.known(range_id)

    def behaviour(self, range_id: int) -> Behaviour:
        """How a range behaves."""
        return self.known(range_id).behaviour

    def in_layers(self, places: np.ndarray, layers: int, paper: int | None) -> np.ndarray:
        """CIELAB (m, 3) laid in layers on a card (a place, or None: white)."""
        if layers == 1 and paper is None:
            return np.asarray(self._colours.lab[places])
        card = WHITE_CARD if paper is None else self._colours.reflectance(np.array([paper]))[0]
        return self.laid(places, Way(layers, card=card))

    def laid(self, places: np.ndarray, way: Way) -> np.ndarray:
        """CIELAB (m, 3) laid some way."""
        found = np.empty((len(places), 3))
        for there, range_id, ids, ones in self._by_range(places):
            found[there] = self._says.labs(range_id, ids, ones, way)
        return found

    def laying_sigma(self, places: np.ndarray, way: Way) -> np.ndarray:
        """One sigma (m,), in ΔE00, that laying them so adds to what they have themselves."""
        found = np.empty(len(places))
        for there, range_id, ids, ones in self._by_range(places):
            found[there] = self._says.sigmas(range_id, ids, ones, way)
        return found

    def sigma(self, place: int, way: Way) -> float:
        """One sigma of what the colour at a place shows laid so: what it has itself, and what laying adds."""
        key = (place, way.layers, way.hand, way.card.tobytes(), way.below)
        own = self._colours.sigma[place]
        return self._sigmas.get(
            key, lambda: float(np.hypot(own, self.laying_sigma(np.array([place]), way)[0]))
        )

    def glaze_sigma(self, under: int, over: int) -> float:
        """One sigma (ΔE00) of the colour at a place laid over that at another.

        What both have themselves, and what laying one over the other leaves open.
        """
        own = self._colours.sigma
        return float(np.sqrt(own[under] ** 2 + own[over] ** 2 + figures.laying.GLAZE_SIGMA**2))

    def _by_range(self, places: np.ndarray) -> Iterator[tuple[np.ndarray, int, list[int], np.ndarray]]:
        """Of the colours at some places those of each range: which, the range, their ids, single layers."""
        ones, ranges = self._colours.reflectance(places), self._colours.range_ids[places]
        for range_id in np.unique(ranges):
            there = ranges == range_id
            yield there, int(range_id), [self._colours.rows[one].id for one in places[there]], ones[there]

    @cached_property
    def _dabs(self) -> tuple[Inks, np.ndarray]:
        """A full dab of every pad, and by place which of them it is."""
        ranges = self._colours.ranges
        pads = np.array(
            [ranges[row.range_id].medium.traits.pad is not None for row in self._colours.rows], dtype=bool
        )
        places = np.flatnonzero(pads)
        its = self._colours.range_ids[places].tolist()
        media, behaviours = [ranges[one].medium for one in its], [self.behaviour(one) for one in its]
        return one_dab(self._colours.reflectance(places), media, behaviours), np.cumsum(pads) - 1

    def dabs(self, places: np.ndarray) -> Inks:
        """A full dab (m,) each of the pads at some places."""
        inks, order = self._dabs
        return inks[order[places]]

    @cached_property
    def second_shades(self) -> dict[int, Shades]:
        """By place: a marker's second layer or a pad's light hand, in every view."""
        found: dict[int, Shades] = {}
        for range_id, facts in self._colours.ranges.items():
            if facts.medium.traits.form not in (Form.STROKE, Form.DAB):
                continue
            places = np.flatnonzero(self._colours.range_ids == range_id)
            how = (2, Hand.MIDDLE) if facts.medium.traits.form is Form.STROKE else (1, Hand.LIGHT)
            ones = self._colours.reflectance(places)
            seen = laid(ones, facts.medium, *how, behaviour=self.behaviour(range_id))
            views = shades(reflectance_to_lab(seen))
            found.update(zip(places.tolist(), views, strict=True))
        return found
