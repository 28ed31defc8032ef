"""Which colours does a card speak of, as they are now, and what lies on what?"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from functools import cached_property, lru_cache

import numpy as np

from jindle_core import figures
from jindle_core.card.changes.palette import AddColour
from jindle_core.card.whole import Anchor, Card, Pair, PaletteColour
from jindle_core.checks.ids import OnPair
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import Lab, as_lab, on_screen
from jindle_core.colorimetry.views import Shades, shades
from jindle_core.contrast.guess import guess_pairs
from jindle_core.matching.verdicts import Verdict, combined, judge_distance
from jindle_core.material import End
from jindle_core.patterned.sheet import Sheet
from jindle_core.supplies.matched import ITSELF, Match, match_of, swatch_of
from jindle_core.supplies.whole import Supplies

WHITE_WORDS = "white card"
_OF_NO_COLOUR = {"white": WHITE_WORDS, "vellum": "vellum", "ribbon": "ribbon"}


@lru_cache(maxsize=4096)
def value_shades(lab: Lab) -> Shades:
    """A plain value in every view."""
    return shades(np.array([lab]))[0]


@lru_cache(maxsize=4096)
def value_on_screen(lab: Lab) -> bool:
    """Whether a screen can show a plain value."""
    return bool(on_screen(np.array(lab)))


@dataclass(frozen=True, slots=True)
class EndSeen:
    """One end of a pair, or what something is of: in words, and in every view."""

    end: End
    words: str
    shades: Shades


@dataclass(frozen=True, slots=True)
class PairSeen:
    """What lies on what, and the id of the check on it."""

    pair: Pair
    upper: EndSeen
    lower: EndSeen
    check: str


@dataclass(frozen=True, slots=True)
class Likest:
    """The palette colour that something is most like, how far (ΔE00) it is off, and what that means."""

    colour: PaletteColour
    distance: float
    verdict: Verdict


@dataclass(frozen=True)
class SeenPalette:
    """A card read against supplies; ``sheets`` are patterned papers by their ids."""

    card: Card
    supplies: Supplies
    sheets: Mapping[int, Sheet] = field(default_factory=dict)

    @property
    def unit(self) -> str:
        """The card's own unit, in which everything is cut."""
        return self.card.size.width.unit

    @cached_property
    def lab(self) -> np.ndarray:
        """The palette's colours (n, 3): of the supplies where they stand there, else as stored."""
        return np.array([self._now(colour.anchor)[0] for colour in self.card.colours]).reshape(-1, 3)

    @cached_property
    def sigma(self) -> list[float]:
        """The uncertainty of each palette colour."""
        return [self._now(colour.anchor)[1] for colour in self.card.colours]

    def as_added(self) -> list[AddColour]:
        """The palette as changes that would make it anew, its colours as they are now."""
        return [
            AddColour(replace(colour.anchor, lab=as_lab(lab)), colour.name, colour.role)
            for colour, lab in zip(self.card.colours, self.lab, strict=True)
        ]

    @cached_property
    def pairs(self) -> tuple[Pair, ...]:
        """What lies on what: as said, or as the roles suggest while nothing was said.

        None on a card that is built of pieces: what they really lie on says more.
        """
        if self.card.build.every:
            return ()
        if self.card.pairs is not None:
            return self.card.pairs
        colours = self.card.colours
        guesses = guess_pairs([colour.role for colour in colours], self.lab[:, 0].tolist())
        return tuple(
            Pair(
                number,
                guess.kind,
                End("palette", colours[guess.upper].key),
                End("white") if guess.lower is None else End("palette", colours[guess.lower].key),
            )
            for number, guess in enumerate(guesses, start=self.card.next_pair)
        )

    def match(self, at: int, place: int, distance: float) -> Match:
        """The supply at a place, ``distance`` (ΔE00) away, beside the palette colour at a place."""
        if place == self.place(self.card.colours[at]):
            return Match(swatch_of(self.supplies, place), ITSELF)
        return match_of(self.supplies, place, self.lab[at].tolist(), self.sigma[at], distance)

    @property
    def pairs_seen(self) -> list[PairSeen]:
        """The pairs with the colours of their ends."""
        return [
            PairSeen(pair, self.seen_end(pair.upper), self.seen_end(pair.lower), str(OnPair(pair.key)))
            for pair in self.pairs
        ]

    @cached_property
    def _places(self) -> dict[int, int]:
        return {colour.key: place for place, colour in enumerate(self.card.colours)}

    def place(self, colour: PaletteColour) -> int | None:
        """Where the palette colour's supply stands among the supplies, if it does."""
        return None if colour.anchor.colour is None else self.supplies.places.get(colour.anchor.colour)

    def end_lab(self, end: End) -> np.ndarray:
        """The colour (3,) of an end, of a sheet that on the whole; white paper where its supply is gone."""
        if end.source == "palette":
            return np.asarray(self.lab[self._places[end.id]])
        if (sheet := self.sheet(end)) is not None:
            return np.asarray(sheet.shares @ self.sheet_labs(sheet))
        place = self._supply(end)
        return np.array(figures.laying.PAPER_WHITE_LAB if place is None else self.supplies.lab[place])

    def end_shades(self, end: End) -> Shades:
        """The colour of one end in every view."""
        if self.sheet(end) is not None:
            return value_shades(as_lab(self.end_lab(end)))
        if end.source == "palette":
            colour = self.card.colour(end.id)
            place, value = self.place(colour), colour.anchor.lab
        else:
            place, value = self._supply(end), figures.laying.PAPER_WHITE_LAB
        return value_shades(value) if place is None else self.supplies.shades[place]

    def seen_end(self, end: End) -> EndSeen:
        """One end, in words and in every view."""
        return EndSeen(end, self.end_words(end), self.end_shades(end))

    def end_words(self, end: End) -> str:
        """One end of a pair, named."""
        if end.source == "palette":
            return self.card.colour(end.id).name
        if end.source == "sheet":
            sheet = self.sheet(end)
            return "a sheet no longer on your shelf" if sheet is None else sheet.title
        place = self._supply(end)
        if place is None:
            return _OF_NO_COLOUR.get(end.source, "a colour no longer in your supplies")
        row = self.supplies.rows[place]
        label = row.label
        label += ", no longer in your supplies" if self.supplies.lost[place] else ""
        return f"{self.supplies.ranges[row.range_id].name} {label}"

    def sheet(self, end: End) -> Sheet | None:
        """The patterned paper that something is of, while it is on the shelf."""
        return self.sheets.get(end.id) if end.source == "sheet" else None

    def sheet_labs(self, sheet: Sheet) -> np.ndarray:
        """CIELAB (n, 3) of a sheet's colours as they are now; white paper for one that is gone."""
        places = [self.supplies.places.get(pk) for pk in sheet.colours]
        white = figures.laying.PAPER_WHITE_LAB
        return np.array([white if place is None else self.supplies.lab[place] for place in places], float)

    def nearest(self, lab: np.ndarray, sigma: float) -> Likest | None:
        """The palette colour nearest to a CIELAB (3,) known to a sigma; None where there is no colour."""
        if not self.card.colours:
            return None
        off = delta_e(np.asarray(lab, float), self.lab)
        at = int(off.argmin())
        verdict = judge_distance(float(off[at]), combined(self.sigma[at], sigma)).verdict
        return Likest(self.card.colours[at], float(off[at]), verdict)

    def _supply(self, end: End) -> int | None:
        return self.supplies.places.get(end.id) if end.source == "supply" else None

    def _now(self, anchor: Anchor) -> tuple[Lab, float]:
        place = None if anchor.colour is None else self.supplies.places.get(anchor.colour)
        if place is None:
            return anchor.lab, figures.colour.UNCERTAINTY[anchor.provenance]
        return self.supplies.lab_at(place), float(self.supplies.sigma[place])


def palette_ends(palette: SeenPalette, without: Sequence[End]) -> tuple[list[End], np.ndarray]:
    """The palette's colours with their CIELAB (n, 3), but for some."""
    ends = [End("palette", colour.key) for colour in palette.card.colours]
    kept = [place for place, end in enumerate(ends) if end not in without]
    return [ends[place] for place in kept], palette.lab[kept]
