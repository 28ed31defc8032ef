"""Which colours are there, and what is known of each, whoever has it in the drawer?"""

from collections.abc import Collection
from dataclasses import KW_ONLY, dataclass, field
from functools import cached_property
from typing import Any, NamedTuple

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.naming import hue_family
from jindle_core.colorimetry.recovery import lab_to_reflectance
from jindle_core.colorimetry.spaces import on_screen
from jindle_core.colorimetry.views import Shades, shades
from jindle_core.matching.search import SearchIndex
from jindle_core.media.groups import EVERY_COLUMN
from jindle_core.media.medium import Medium
from jindle_core.prediction.stocks import WHITE_CARD
from jindle_core.provenance import Provenance
from jindle_core.supplies.readings import LaidReading, Settled


class SupplyColour(NamedTuple):
    """A colour of a range as its range gives it: CIELAB on paper, dry.

    A plain tuple, for there are tens of thousands.
    """

    id: int
    range_id: int
    code: str
    name: str
    family: str
    provenance: Provenance
    discontinued: bool
    lightness: float
    a: float
    b: float

    @property
    def label(self) -> str:
        """What it is called for short: its code, or the name where it has none."""
        return self.code or self.name

    @property
    def called(self) -> str:
        """What it is called in a sentence, where a code alone says nothing."""
        return self.label if self.name in ("", self.label) else f"{self.label} {self.name}"


@dataclass(frozen=True)
class RangeFacts:
    """What every colour of a range shares; ``gone``: it was deleted, ``away``: the person has put it away."""

    id: int
    name: str
    maker: str
    medium: Medium
    own: bool
    gone: bool = False
    properties: dict[str, Any] = field(default_factory=dict)
    away: bool = False

    @property
    def lost(self) -> bool:
        """Whether it only stands in where cards name its colours."""
        return self.gone or self.away


@dataclass(frozen=True, eq=False)
class Colours:
    """The colours of some ranges, in the order of their ids, as one person has read them.

    Arrays are of length n. ``spectra`` and ``settled`` go by a colour's id,
    and so do ``shares`` (of a sheet); ``swatches`` by a range's.
    """

    rows: tuple[SupplyColour, ...]
    ranges: dict[int, RangeFacts]
    _: KW_ONLY
    spectra: dict[int, np.ndarray] = field(default_factory=dict)
    settled: dict[int, Settled] = field(default_factory=dict)
    swatches: dict[int, list[LaidReading]] = field(default_factory=dict)
    shares: dict[int, float] = field(default_factory=dict)
    off: frozenset[int] = frozenset()  # colours of sheets that are not on the shelf

    @cached_property
    def label_lab(self) -> np.ndarray:
        """The colours (n, 3) as their ranges give them."""
        return np.array([row[7:] for row in self.rows], dtype=float).reshape(-1, 3)

    @cached_property
    def lab(self) -> np.ndarray:
        """The colours (n, 3): the person's own readings where there are any."""
        lab = self.label_lab.copy()
        for pk, settled in self.settled.items():
            lab[self.places[pk]] = settled.lab
        return lab

    def lab_at(self, place: int) -> tuple[float, float, float]:
        """The colour at a place."""
        lightness, a, b = self.lab[place].tolist()
        return lightness, a, b

    def provenance(self, place: int) -> Provenance:
        """Where the colour at a place comes from."""
        settled = self.settled.get(self.rows[place].id)
        return settled.provenance if settled else self.rows[place].provenance

    @cached_property
    def sigma(self) -> np.ndarray:
        """The uncertainty of each, in ΔE00."""
        sigma = np.array([figures.colour.UNCERTAINTY[row.provenance] for row in self.rows], dtype=float)
        for pk, settled in self.settled.items():
            sigma[self.places[pk]] = settled.sigma
        return sigma

    def reflectance(self, places: np.ndarray) -> np.ndarray:
        """One layer's reflectance (m, 31) of the colours at some places: read, or recovered from Lab."""
        places = np.asarray(places, dtype=np.intp)
        single, there = self._single
        new = np.unique(places[~there[places]])
        if len(new):
            found = lab_to_reflectance(self.lab[new])
            for at, place in enumerate(new):
                known = self.spectra.get(self.rows[place].id)
                if known is not None:
                    found[at] = known
            single[new] = found
            there[new] = True  # not before all of a row is there: another thread may read it meanwhile
        return np.asarray(single[places])

    @cached_property
    def _single(self) -> tuple[np.ndarray, np.ndarray]:
        """Single layers (n, 31), each asked for again and again; and which (n,) were found so far."""
        return np.empty((len(self.rows), len(WHITE_CARD))), np.zeros(len(self.rows), dtype=bool)

    @cached_property
    def discontinued(self) -> np.ndarray:
        """Whether each is no longer made."""
        return np.array([row.discontinued for row in self.rows], dtype=bool)

    @cached_property
    def range_ids(self) -> np.ndarray:
        """The range of each."""
        return np.array([row.range_id for row in self.rows], dtype=np.intp)

    @cached_property
    def places(self) -> dict[int, int]:
        """Where each colour's id stands."""
        return {row.id: place for place, row in enumerate(self.rows)}

    @cached_property
    def named(self) -> dict[tuple[str, str], int]:
        """By label and the name of its range where each stands that is not lost, the first of several."""
        found: dict[tuple[str, str], int] = {}
        for place, row in enumerate(self.rows):
            if not self.lost[place]:
                found.setdefault((row.label, self.ranges[row.range_id].name), place)
        return found

    @cached_property
    def lost(self) -> np.ndarray:
        """Whether its range or sheet was deleted or put away: each only stands in where cards name it."""
        return np.array(
            [self.ranges[row.range_id].lost or row.id in self.off for row in self.rows], dtype=bool
        )

    @cached_property
    def columns(self) -> dict[str, np.ndarray]:
        """The places of the colours in each column of the palette table."""
        keys = np.array([self.ranges[row.range_id].medium.traits.column for row in self.rows])
        return {column.key: np.flatnonzero((keys == column.key) & ~self.lost) for column in EVERY_COLUMN}

    @cached_property
    def search(self) -> SearchIndex:
        """Finds colours by what somebody types."""
        # What is lost is found by nothing.
        return SearchIndex(
            [
                ("", "") if lost else (row.code, row.name)
                for row, lost in zip(self.rows, self.lost, strict=True)
            ],
            [self.ranges[row.range_id].name for row in self.rows],
        )

    @cached_property
    def shades(self) -> list[Shades]:
        """Every colour in every view, as the API gives it."""
        return shades(self.lab)

    @cached_property
    def shown(self) -> np.ndarray:
        """Whether a screen can show each colour."""
        return on_screen(self.lab)

    @cached_property
    def sheets(self) -> dict[tuple[int, str], list[int]]:
        """By range and title: the places of the colours of a patterned paper, also of one that is lost."""
        found: dict[tuple[int, str], list[int]] = {}
        for place, row in enumerate(self.rows):
            if row.family and self.ranges[row.range_id].medium.traits.printed:
                found.setdefault((row.range_id, row.family), []).append(place)
        return found

    def in_media(self, media: Collection[Medium]) -> np.ndarray:
        """Whether each is in any of some media."""
        fitting = [key for key, facts in self.ranges.items() if facts.medium in media]
        return np.isin(self.range_ids, fitting)

    def hue_name(self, place: int) -> str:
        """What one would call the colour at a place aloud."""
        return hue_family(self.lab[place])
