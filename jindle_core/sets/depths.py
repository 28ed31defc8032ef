"""Would the areas of a palette colour find their shading families around another colour?"""

from collections.abc import Callable
from dataclasses import dataclass

import numpy as np

from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import Array
from jindle_core.families.build import Builder
from jindle_core.families.following import holding_one
from jindle_core.families.recipes import recipe
from jindle_core.families.rule import Allowance
from jindle_core.seen.whole import SeenCard

Builders = dict[tuple[bytes, int, int | None], Builder]  # by places, layers and paper


@dataclass(frozen=True, eq=False)
class _Asked:
    """What the areas of a colour ask: tones (n, 3) of which one must lie within ``reach`` of it."""

    tones: Array
    reach: float


class Depths:
    """What the areas of a card ask of the colours that they are in, as far as its areas may change."""

    def __init__(
        self,
        seen: SeenCard,
        may: Callable[[np.ndarray], np.ndarray],
        kept: frozenset[int],
        builders: Builders,
    ) -> None:
        self._asked: dict[int, list[_Asked]] = {}
        known: dict[tuple[Builder, int, Allowance], Array] = {}
        asked = set[tuple[object, ...]]()
        for coloured in seen.coloured:
            for area in coloured.areas:
                tones = coloured.tones[area.key]
                around, reach = coloured.aim(area, max(tones.sigma, default=0.0))
                count = len(tones.places)
                if area.colour is None or around is None or count < 2 or area.key in kept:
                    continue
                places = seen.supplies.of_media((area.medium,))
                places = places[may(places)]
                way = (places.tobytes(), area.layers, coloured.paper)
                if way not in builders:
                    laid = seen.supplies.predicted.in_layers(places, area.layers, coloured.paper)
                    builders[way] = Builder(laid, seen.supplies.range_ids[places])
                allowance = recipe(area.thing).allowance
                ask = (builders[way], count, allowance)
                if (area.colour, round(reach, 3), *ask) in asked:
                    continue
                asked.add((area.colour, round(reach, 3), *ask))
                if ask not in known:
                    known[ask] = builders[way].candidates[holding_one(*ask)]
                self._asked.setdefault(area.colour, []).append(_Asked(known[ask], reach))

    def lacking(self, colour: int, labs: Array) -> Array:
        """For each of some colours (c, 3) the share (c,) of what is asked of a palette colour, by its key,
        that there is no family for around it."""
        asked = self._asked.get(colour, [])
        if not asked:
            return np.zeros(len(labs))
        held = [
            (delta_e(labs[:, None], one.tones[None]) <= one.reach).any(axis=1)
            if len(one.tones)
            else np.zeros(len(labs), dtype=bool)
            for one in asked
        ]
        return np.asarray(1.0 - np.mean(held, axis=0))
