"""What was used otherwise than it was planned, in words that stay true when supplies come and go?"""

from dataclasses import dataclass

from jindle_core.colorimetry.naming import hue_family
from jindle_core.supplies.asked import place_of
from jindle_core.supplies.whole import Supplies


@dataclass(frozen=True, slots=True)
class UsedInstead:
    """For what (such as "Colour breast"), what was planned, and what was taken: its code or name, its range
    and medium, its colour as #rrggbb and as one would call it; the name beside a code."""

    of: str
    was: str
    label: str
    range: str
    medium: str
    shade: str
    hue: str
    name: str = ""

    @property
    def words(self) -> str:
        """All of it."""
        called = " ".join(filter(None, (self.label, self.name)))
        return f"{self.of}: {called} of {self.range} instead of {self.was}"


def used_instead(supplies: Supplies, of: str, was: int, taken: int) -> UsedInstead:
    """One supply, by its id, taken instead of another; BadInput for what is no supply."""
    planned, place = place_of(supplies, was, "was"), place_of(supplies, taken, "taken")
    row, before = supplies.rows[place], supplies.rows[planned]
    known = supplies.ranges[row.range_id]
    was_words = f"{before.label} of {supplies.ranges[before.range_id].name}"
    name = row.name if row.name != row.label else ""
    shade, hue = supplies.shades[place]["colour"], hue_family(supplies.lab_at(place))
    return UsedInstead(of, was_words, row.label, known.name, known.medium.value, shade, hue, name)
