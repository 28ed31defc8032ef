"""Everything a person can match against, held as arrays and kept fresh.

A request never reads a row per colour: one small query asks for the versions,
and only a change of them reads the colours again.
"""

from collections import OrderedDict
from dataclasses import asdict, dataclass
from functools import cached_property
from threading import Lock

import numpy as np

from jindle_core import defaults
from jindle_core.colorimetry.naming import hue_family
from jindle_core.colorimetry.spaces import on_screen
from jindle_core.colorimetry.views import shades
from jindle_core.matching.nearest import Nearest, NearestIndex
from jindle_core.matching.search import SearchIndex
from jindle_core.media import COLUMN_OF, COLUMNS, FORM, Form, Medium
from jindle_core.prediction import light_hand, second_layer
from server.access import ranges_seen_by
from server.accounts.models import Person
from server.catalogue.models import CatalogueStamp, Colour, DrawerEntry

_KEPT = 32  # people whose arrays are held at once in one process


@dataclass(frozen=True)
class RangeFacts:
    """What every colour of a range shares."""

    id: int
    name: str
    maker: str
    medium: Medium
    own: bool


@dataclass(frozen=True, eq=False)
class Catalogue:
    """The colours of some ranges, in the order of their ids; arrays of length n.

    ``lab`` (n, 3), ``sigma`` and ``discontinued`` and ``owned`` (n,).
    """

    rows: tuple[tuple, ...]
    ranges: dict[int, RangeFacts]
    owned: np.ndarray

    ID, RANGE, CODE, NAME, FAMILY, PROVENANCE, GONE = range(7)

    @cached_property
    def lab(self) -> np.ndarray:
        """The colours (n, 3)."""
        return np.array([row[7:10] for row in self.rows], dtype=float).reshape(-1, 3)

    @cached_property
    def sigma(self) -> np.ndarray:
        """The uncertainty of each, in ΔE00."""
        return np.array([defaults.UNCERTAINTY[row[self.PROVENANCE]] for row in self.rows], dtype=float)

    @cached_property
    def discontinued(self) -> np.ndarray:
        """Whether each is no longer made."""
        return np.array([row[self.GONE] for row in self.rows], dtype=bool)

    @cached_property
    def range_ids(self) -> np.ndarray:
        """The range of each."""
        return np.array([row[self.RANGE] for row in self.rows], dtype=np.intp)

    @cached_property
    def places(self) -> dict[int, int]:
        """Where each colour's id stands."""
        return {row[self.ID]: place for place, row in enumerate(self.rows)}

    @cached_property
    def columns(self) -> dict[str, np.ndarray]:
        """The places of the colours in each column of the palette table."""
        keys = np.array([COLUMN_OF.get(self.ranges[row[self.RANGE]].medium, "") for row in self.rows])
        return {column.key: np.flatnonzero(keys == column.key) for column in COLUMNS}

    @cached_property
    def indexes(self) -> dict[tuple[str, bool], tuple[NearestIndex, np.ndarray]]:
        """By column and "only what I own": a search tree and the places it searches.

        What is no longer made and not owned cannot be had, so it is left out.
        """
        found = {}
        for key, places in self.columns.items():
            for only_owned in (False, True):
                kept = places[(self.owned if only_owned else self.to_be_had)[places]]
                found[key, only_owned] = (NearestIndex(self.lab[kept]), kept)
        return found

    @cached_property
    def to_be_had(self) -> np.ndarray:
        """Whether each colour is still made or owned."""
        return ~self.discontinued | self.owned

    @cached_property
    def search(self) -> SearchIndex:
        """Finds colours by what somebody types."""
        return SearchIndex([(row[self.CODE], row[self.NAME]) for row in self.rows])

    @cached_property
    def shades(self) -> list[dict[str, str]]:
        """Every colour in every view, as the API gives it."""
        return [asdict(one) for one in shades(self.lab)]

    @cached_property
    def shown(self) -> np.ndarray:
        """Whether a screen can show each colour."""
        return on_screen(self.lab)

    @cached_property
    def second_shades(self) -> dict[int, dict[str, str]]:
        """By place: a marker's second layer or a pad's light hand, in every view."""
        found: dict[int, dict[str, str]] = {}
        for form, predicted in ((Form.STROKE, second_layer), (Form.DAB, light_hand)):
            places = [
                at for at, row in enumerate(self.rows) if FORM[self.ranges[row[self.RANGE]].medium] is form
            ]
            if places:
                seen = shades(predicted(self.lab[places]))
                found.update(zip(places, map(asdict, seen), strict=True))
        return found

    @cached_property
    def sheets(self) -> dict[tuple[int, str], list[int]]:
        """By range and title: the places of the colours of a patterned paper."""
        found: dict[tuple[int, str], list[int]] = {}
        for place in self.columns["paper"]:
            row = self.rows[place]
            found.setdefault((row[self.RANGE], row[self.FAMILY]), []).append(int(place))
        return found

    def nearest(self, targets: np.ndarray, k: int, places: np.ndarray) -> list[Nearest]:
        """For each target (m, 3) the ``k`` nearest colours among some places, by place."""
        found = NearestIndex(self.lab[places]).query(targets, k)
        return [Nearest(places[one.indices], one.distances) for one in found]

    def of_media(self, media: tuple[Medium, ...]) -> np.ndarray:
        """The places of the colours, still made or owned, in any of some media."""
        fitting = [key for key, facts in self.ranges.items() if facts.medium in media]
        return np.flatnonzero(np.isin(self.range_ids, fitting) & self.to_be_had)

    def hue_name(self, place: int) -> str:
        """What one would call the colour at a place aloud."""
        return hue_family(self.rows[place][7:10])


_held: OrderedDict[tuple[int, int, int], Catalogue] = OrderedDict()
_holding = Lock()


def catalogue_for(person: Person) -> Catalogue:
    """The shared ranges and the person's own, as they are now; one query where nothing changed."""
    shared = CatalogueStamp.objects.filter(pk=1).values_list("version", flat=True).first() or 0
    key = (person.pk, shared, person.catalogue_version)
    with _holding:
        if found := _held.get(key):
            _held.move_to_end(key)
            return found
    made = _read(person)
    with _holding:
        for old in [held for held in _held if held[0] == person.pk]:
            del _held[old]
        _held[key] = made
        while len(_held) > _KEPT:
            _held.popitem(last=False)
    return made


def forget_catalogues() -> None:
    """Let go of everything held: for tests, whose roll-backs make versions come again."""
    with _holding:
        _held.clear()


def _read(person: Person) -> Catalogue:
    ranges = {
        one.pk: RangeFacts(one.pk, one.name, one.maker, Medium(one.medium), one.owner_id is not None)
        for one in ranges_seen_by(person)
    }
    rows = tuple(
        Colour.objects.filter(range__in=list(ranges))
        .order_by("id")
        .values_list(
            "id",
            "range_id",
            "code",
            "name",
            "family",
            "provenance",
            "discontinued",
            "lab_l",
            "lab_a",
            "lab_b",
        )
    )
    mine = set(DrawerEntry.objects.filter(owner=person).values_list("colour_id", flat=True))
    owned = np.array([row[0] in mine for row in rows], dtype=bool)
    return Catalogue(rows, ranges, owned)
