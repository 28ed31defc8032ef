"""Which colours are there, which of them are to be had, and what do they look like laid?"""

from collections.abc import Collection, Iterator, Sequence
from dataclasses import dataclass, field, replace
from functools import cached_property
from typing import Any, NamedTuple

import numpy as np

from jindle_core import figures
from jindle_core.blending.inks import Inks, one_dab
from jindle_core.colorimetry.naming import hue_family
from jindle_core.colorimetry.recovery import lab_to_reflectance
from jindle_core.colorimetry.spaces import on_screen, reflectance_to_lab
from jindle_core.colorimetry.views import Shades, shades
from jindle_core.families.build import Builder
from jindle_core.fullness import Fullness
from jindle_core.held import Held
from jindle_core.matching.nearest import Indices, Nearest, NearestIndex
from jindle_core.matching.search import SearchIndex
from jindle_core.media import COLUMN_OF, EVERY_COLUMN, FORM, PAD_MEDIA, Form, Medium
from jindle_core.palettes.standing import Landable
from jindle_core.prediction.behaviour import COVERING, Behaviour, Covering, Hand
from jindle_core.prediction.laying import laid
from jindle_core.prediction.near import Way
from jindle_core.prediction.stocks import WHITE_CARD
from jindle_core.provenance import Provenance
from jindle_core.substitutes.glaze import GlazeTable
from jindle_core.supplies.predictions import Predictions
from jindle_core.supplies.readings import LaidReading, Settled

# What is worked out from the ranges and the readings alone.
_WITHOUT_DRAWER = (
    "label_lab", "lab", "sigma", "_ids", "_single", "_laid_sigmas", "predictions", "_dabs", "_pad_ranges",
    "discontinued", "range_ids", "places", "named", "lost", "columns", "search", "shades", "shown",
    "second_shades", "sheets",
)  # fmt: skip
_SIGMAS = 4000  # ways of laying single colours, whose doubt is held at once
_BUILDERS = 12  # media, drawers and papers whose families are held at once


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


@dataclass(frozen=True, slots=True)
class Kept:
    """A colour in the drawer: how full, and the person's note."""

    fullness: Fullness
    note: str


@dataclass(frozen=True, eq=False)
class Supplies:
    """The colours of some ranges, in the order of their ids, as one person knows them.

    Arrays are of length n. ``drawer``, ``spectra`` and ``settled`` go by a
    colour's id, and so do ``shares`` (of a sheet); ``swatches`` by a range's.
    """

    rows: tuple[SupplyColour, ...]
    ranges: dict[int, RangeFacts]
    drawer: dict[int, Kept] = field(default_factory=dict)
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

    @cached_property
    def owned(self) -> np.ndarray:
        """Whether each is in the drawer, dry ones too."""
        return np.array([row.id in self.drawer for row in self.rows], dtype=bool)

    @cached_property
    def usable(self) -> np.ndarray:
        """Whether each is in the drawer and not dry: what "only what I own" offers."""
        wet = [pk in self.drawer and self.drawer[pk].fullness != "dry" for pk in self._ids]
        return np.array(wet, dtype=bool)

    @cached_property
    def _ids(self) -> list[int]:
        return [row.id for row in self.rows]

    def kept(self, place: int) -> Kept | None:
        """How the colour at a place stands in the drawer, if it does."""
        return self.drawer.get(self.rows[place].id)

    @property
    def all_kept(self) -> list[tuple[int, Kept]]:
        """The places of all that is in the drawer, and how it stands there."""
        return [(place, self.drawer[row.id]) for place, row in enumerate(self.rows) if row.id in self.drawer]

    def reflectance(self, places: np.ndarray) -> np.ndarray:
        """One layer's reflectance (m, 31) of the colours at some places: read, or recovered from Lab."""
        places = np.asarray(places, dtype=np.intp)
        new = np.unique(places[np.isnan(self._single[places, 0])])
        if len(new):
            found = lab_to_reflectance(self.lab[new])
            for at, place in enumerate(new):
                known = self.spectra.get(self.rows[place].id)
                if known is not None:
                    found[at] = known
            self._single[new] = found  # only what is right for good: others may read it meanwhile
        return np.asarray(self._single[places])

    @cached_property
    def _single(self) -> np.ndarray:
        """What was found of single layers (n, 31) so far, each asked for again and again; NaN: not yet."""
        return np.full((len(self.rows), len(WHITE_CARD)), np.nan)

    @cached_property
    def predictions(self) -> Predictions:
        """What the person's readings say of colours laid otherwise."""
        media = {key: facts.medium for key, facts in self.ranges.items()}
        return Predictions(self.swatches, media, self._ones)

    def _ones(self, ids: Sequence[int]) -> dict[int, np.ndarray]:
        there = sorted(set(ids) & self.places.keys())
        places = np.array([self.places[pk] for pk in there], dtype=np.intp)
        return dict(zip(there, self.reflectance(places), strict=True)) if there else {}

    def behaviour(self, range_id: int) -> Behaviour:
        """How a range behaves: as fitted, or as its medium usually does."""
        return self.predictions.known(range_id).behaviour

    @cached_property
    def _glaze_tables(self) -> Held[Medium, tuple[GlazeTable, np.ndarray]]:
        return Held(len(Medium))

    @cached_property
    def _earlier_glazes(self) -> dict[Medium, GlazeTable]:
        return {}

    def after(self, earlier: "Supplies") -> "Supplies":
        """The same, which need not work out again what they were before."""
        made = {medium: table for medium, (table, _) in earlier._glaze_tables.values.items()}
        self._earlier_glazes.update(earlier._earlier_glazes | made)
        return self

    def with_drawer(self, drawer: dict[int, Kept]) -> "Supplies":
        """The same colours with another drawer; what that has no part in stands as it was worked out."""
        made = replace(self, drawer=drawer)
        vars(made).update({name: found for name, found in vars(self).items() if name in _WITHOUT_DRAWER})
        vars(made)["_earlier_indexes"] = vars(self).get("indexes", self._earlier_indexes)
        return made.after(self)

    def worked_out(self) -> "Supplies":
        """The same, with what has no part in a drawer worked out, for many drawers to come."""
        for name in _WITHOUT_DRAWER:
            getattr(self, name)
        return self

    @cached_property
    def _earlier_indexes(self) -> dict[tuple[str, bool], tuple[NearestIndex, np.ndarray]]:
        return {}

    def glazes(self, medium: Medium) -> tuple[GlazeTable, np.ndarray]:
        """Every glaze of two usable colours of a transparent medium, and the places they speak of.

        Of very many colours the first ``figures.laying.GLAZE_OWNED``, in the order of their ranges.
        """

        def made() -> tuple[GlazeTable, np.ndarray]:
            places = self.of_media((medium,))
            places = places[self.usable[places]][: figures.laying.GLAZE_OWNED]
            behaviours = [self.behaviour(int(range_id)) for range_id in self.range_ids[places]]
            earlier = self._earlier_glazes.pop(medium, None)
            return GlazeTable(self.reflectance(places), behaviours, earlier), places

        return self._glaze_tables.get(medium, made)

    @cached_property
    def _builders(self) -> Held[tuple[Medium, bool, int, int | None], tuple[Builder, Indices]]:
        return Held(_BUILDERS)

    def families(
        self, medium: Medium, owned: bool, layers: int, paper: int | None
    ) -> tuple[Builder, np.ndarray]:
        """What families of a medium, laid in layers on a card, are built from; and its places.

        The card is a place, or None for white. Without two that are owned, all
        that can be had.
        """

        def made() -> tuple[Builder, Indices]:
            places = self.of_media((medium,))
            mine = places[self.usable[places]]
            enough = owned and len(mine) >= figures.families.FAMILY_SIZES[0]
            places = mine if enough else places[self.to_be_had[places]]
            return Builder(self.predicted(places, layers, paper)), places

        return self._builders.get((medium, owned, layers, paper), made)

    def predicted(self, places: np.ndarray, layers: int, paper: int | None) -> np.ndarray:
        """CIELAB (m, 3) of the colours at some places laid in layers on a card (a place, or None: white)."""
        if layers == 1 and paper is None:
            return np.asarray(self.lab[places])
        return self.laid_on(
            places, WHITE_CARD if paper is None else self.reflectance(np.array([paper]))[0], layers
        )

    def laid_on(self, places: np.ndarray, card: np.ndarray, layers: int = 1) -> np.ndarray:
        """CIELAB (m, 3) of the colours at some places laid in layers on a reflectance (31,), as predicted."""
        return self.laid(places, Way(layers, card=card))

    def laid(self, places: np.ndarray, way: Way) -> np.ndarray:
        """CIELAB (m, 3) of the colours at some places laid some way, as predicted."""
        found = np.empty((len(places), 3))
        for there, range_id, ids, ones in self._by_range(places):
            found[there] = self.predictions.labs(range_id, ids, ones, way)
        return found

    def laying_sigma(self, places: np.ndarray, way: Way) -> np.ndarray:
        """One sigma (m,) that laying the colours at some places so adds to what they have themselves."""
        found = np.empty(len(places))
        for there, range_id, ids, ones in self._by_range(places):
            found[there] = self.predictions.sigmas(range_id, ids, ones, way)
        return found

    def laid_sigma(self, place: int, way: Way) -> float:
        """One sigma of what the colour at a place shows laid so: what it has itself, and what laying adds."""
        key = (place, way.layers, way.hand, way.card.tobytes(), way.below)
        return self._laid_sigmas.get(
            key, lambda: float(np.hypot(self.sigma[place], self.laying_sigma(np.array([place]), way)[0]))
        )

    @cached_property
    def _laid_sigmas(self) -> Held[tuple[int, int, Hand, bytes, int], float]:
        return Held(_SIGMAS)

    def _by_range(self, places: np.ndarray) -> Iterator[tuple[np.ndarray, int, list[int], np.ndarray]]:
        """Of the colours at some places those of each range: which, the range, their ids, single layers."""
        ones = self.reflectance(places)
        for range_id in np.unique(self.range_ids[places]):
            there = self.range_ids[places] == range_id
            yield there, int(range_id), [self.rows[place].id for place in places[there]], ones[there]

    @cached_property
    def _dabs(self) -> tuple[Inks, np.ndarray]:
        """A full dab of every pad, and by place which of them it is."""
        pads = np.array([row.range_id in self._pad_ranges for row in self.rows], dtype=bool)
        places = np.flatnonzero(pads)
        ranges = self.range_ids[places].tolist()
        media = [self.ranges[one].medium for one in ranges]
        return one_dab(self.reflectance(places), media, [self.behaviour(one) for one in ranges]), np.cumsum(
            pads
        ) - 1

    @cached_property
    def _pad_ranges(self) -> set[int]:
        return {key for key, facts in self.ranges.items() if facts.medium in PAD_MEDIA}

    def dabs(self, places: np.ndarray) -> Inks:
        """A full dab (m,) each of the pads at some places."""
        inks, order = self._dabs
        return inks[order[places]]

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
        keys = np.array([COLUMN_OF.get(self.ranges[row.range_id].medium, "") for row in self.rows])
        return {column.key: np.flatnonzero((keys == column.key) & ~self.lost) for column in EVERY_COLUMN}

    @cached_property
    def indexes(self) -> dict[tuple[str, bool], tuple[NearestIndex, np.ndarray]]:
        """By column and "only what I own": a search tree and the places it searches.

        What is no longer made and not owned cannot be had, so it is left out.
        """
        found = {}
        for key, places in self.columns.items():
            for only_owned in (False, True):
                kept = places[(self.usable if only_owned else self.to_be_had)[places]]
                earlier = self._earlier_indexes.get((key, only_owned))
                if earlier is None or not np.array_equal(kept, earlier[1]):
                    earlier = NearestIndex(self.lab[kept]), kept
                found[key, only_owned] = earlier
        return found

    def landable(self, column: str, only_owned: bool) -> Landable:
        """The same colours of a column as a palette lands on them."""
        key = (column, only_owned)
        index, _ = self.indexes[key]
        return self._landables.get(key, lambda: Landable(index.lab, index))

    @cached_property
    def _landables(self) -> Held[tuple[str, bool], Landable]:
        return Held(2 * len(EVERY_COLUMN))

    @cached_property
    def to_be_had(self) -> np.ndarray:
        """Whether each colour is still made or owned."""
        return np.asarray((~self.discontinued | self.owned) & ~self.lost)

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
    def second_shades(self) -> dict[int, Shades]:
        """By place: a marker's second layer or a pad's light hand, in every view."""
        found: dict[int, Shades] = {}
        for range_id, facts in self.ranges.items():
            if FORM[facts.medium] not in (Form.STROKE, Form.DAB):
                continue
            places = np.flatnonzero(self.range_ids == range_id)
            how = (2, Hand.MIDDLE) if FORM[facts.medium] is Form.STROKE else (1, Hand.LIGHT)
            seen = laid(self.reflectance(places), facts.medium, *how, behaviour=self.behaviour(range_id))
            views = shades(reflectance_to_lab(seen))
            found.update(zip(places.tolist(), views, strict=True))
        return found

    @cached_property
    def sheets(self) -> dict[tuple[int, str], list[int]]:
        """By range and title: the places of the colours of a patterned paper, also of one that is lost."""
        found: dict[tuple[int, str], list[int]] = {}
        for place, row in enumerate(self.rows):
            if row.family and self.ranges[row.range_id].medium is Medium.PATTERNED_PAPER:
                found.setdefault((row.range_id, row.family), []).append(place)
        return found

    def nearest(self, targets: np.ndarray, k: int, places: np.ndarray) -> list[Nearest]:
        """For each target (m, 3) the ``k`` nearest colours among some places, by place."""
        found = NearestIndex(self.lab[places]).query(targets, k)
        return [Nearest(places[one.indices], one.distances) for one in found]

    def of_media(self, media: Collection[Medium]) -> np.ndarray:
        """The places of the colours, still made or owned, in any of some media."""
        fitting = [key for key, facts in self.ranges.items() if facts.medium in media]
        return np.flatnonzero(np.isin(self.range_ids, fitting) & self.to_be_had)

    def hue_name(self, place: int) -> str:
        """What one would call the colour at a place aloud."""
        return hue_family(self.lab[place])


def is_transparent(medium: Medium) -> bool:
    """Whether colours of a medium can be glazed over one another."""
    return COVERING.get(medium) is Covering.TRANSPARENT
