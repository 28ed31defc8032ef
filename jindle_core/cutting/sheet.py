"""What lies where on a sheet that is cut up?

Whole numbers throughout: a grain is 1/320 mm, of which a tenth of a
millimetre has 32 and a 64th of an inch 127.
"""

from dataclasses import dataclass

GRAINS = {"in": 127, "mm": 32}  # in a tick of either unit


@dataclass(frozen=True, slots=True)
class Cut:
    """A piece on a sheet, in grains from the sheet's upper left corner; ``turned`` by a quarter."""

    key: int
    x: int
    y: int
    width: int
    height: int
    turned: bool


@dataclass(frozen=True, slots=True)
class Sheet:
    """A sheet in grains, and what is cut out of it."""

    width: int
    height: int
    cuts: tuple[Cut, ...]

    @property
    def used(self) -> float:
        """The share of it that is used."""
        return sum(cut.width * cut.height for cut in self.cuts) / (self.width * self.height)
