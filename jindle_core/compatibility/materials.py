"""What do inks, papers and finishes do? Usual properties by kind; a range may say its own."""

import math
from dataclasses import dataclass
from types import MappingProxyType


@dataclass(frozen=True, slots=True)
class LineInk:
    """What a line is drawn, stamped or printed with.

    ``solvent_proof``: alcohol does not dissolve it. ``waterproof``: water does
    not, once it is dry. ``slow``: it stays open for hours unless it is set.
    """

    title: str
    solvent_proof: bool
    waterproof: bool
    slow: bool = False


@dataclass(frozen=True, slots=True)
class Surface:
    """A kind of paper: how many wet layers it takes with ease, whether water and heat suit it.

    Each stroke over a join counts as a layer (``families.strokes``); beyond
    ``most_layers`` it feathers.
    ``soaks``: alcohol colours sink in and blend, as they must.
    """

    title: str
    wet_layers: int
    takes_water: bool
    takes_heat: bool = True
    soaks: bool = True

    @property
    def most_layers(self) -> int:
        """The wet layers that it takes at all, by somebody who minds."""
        return math.ceil(_WITH_CARE * self.wet_layers)


# What a paper takes with care, to what it takes with ease: heavy cardstock is worked with six strokes, and
# from five on one minds; we take the others to stand alike.
_WITH_CARE = 1.5

# Figures as cardmakers give them for the kind; a range's own properties replace them. Of wet layers they say
# that heavy cardstock takes a trio and feathers from the seventh on, and that marker paper takes five tones
# worked back and forth and more; the others stand between by our estimate: test them on a scrap.
LINE_INKS = MappingProxyType(
    {
        "dye": LineInk("dye ink, stamped", solvent_proof=False, waterproof=False),
        "pigment": LineInk("pigment ink, stamped", solvent_proof=False, waterproof=False, slow=True),
        "alcohol-proof": LineInk("ink made for alcohol markers", solvent_proof=True, waterproof=False),
        "solvent": LineInk("permanent solvent ink", solvent_proof=False, waterproof=True),
        "fine pen": LineInk("waterproof fine pen", solvent_proof=False, waterproof=True),
        "laser": LineInk("laser print", solvent_proof=False, waterproof=True),
        "ink-jet": LineInk("ink-jet print", solvent_proof=True, waterproof=False),
    }
)
SURFACES = MappingProxyType(
    {
        one.title: one
        for one in (
            Surface("smooth marker paper", 8, takes_water=False),
            Surface("heavy cardstock", 4, takes_water=False),
            Surface("hard smooth board", 5, takes_water=False),
            Surface("watercolour paper", 6, takes_water=True),
            Surface("kraft", 4, takes_water=False),
            Surface("vellum", 1, takes_water=False, takes_heat=False, soaks=False),
        )
    }
)
WHITE_MARKER_PAPER = SURFACES["smooth marker paper"]
FINISHES = MappingProxyType(
    {
        "embossed line": "clear embossing powder over the line",
        "embossing": "heat embossing after the colouring",
        "gloss": "gloss medium over the colouring",
        "glitter": "glitter glue over the colouring",
        "solvent": "solvent to blend pencils",
        "fixative": "spray fixative",
    }
)
