"""What is planned for colouring a card's picture: areas, families, light, materials?"""

from dataclasses import dataclass, replace
from typing import TypedDict

from jindle_core.card.keys import above
from jindle_core.errors import BadInput, Problem
from jindle_core.families.recipes import Extent, Thing
from jindle_core.families.shading import Light
from jindle_core.media import Medium


@dataclass(frozen=True, slots=True)
class Area:
    """A part of the picture that is coloured as one.

    ``shape`` is the id of its shape in the drawing, or empty; ``colour`` the
    key of a palette colour, or None; ``family`` the ids of its tones, light
    to dark, empty while none is chosen; ``glaze`` a neutral that is laid over
    the darkest of them.
    """

    key: int
    name: str
    shape: str = ""
    colour: int | None = None
    thing: Thing = Thing.OTHER
    extent: Extent = Extent.SMALL
    focal: bool = False
    medium: Medium = Medium.ALCOHOL_MARKER
    layers: int = 1
    family: tuple[int, ...] = ()
    glaze: int | None = None


class ColouringSettings(TypedDict, total=False):
    """Some of the settings of how a picture is coloured."""

    paper: int | None
    surface: str
    light: Light
    dark_first: bool | None
    line: str
    line_range: int | None
    finishes: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Colouring:
    """How a card's picture is coloured.

    ``drawing`` is a line drawing's id, ``proportion`` its width by its height;
    ``paper`` a cardstock's id (None: white marker paper), ``surface`` what kind
    of paper it is where that is said of this card (empty: as its range says);
    ``dark_first`` None as the person is used to; ``line`` a kind of line ink
    (empty: no line), ``line_range`` a range that the line is stamped with
    instead. ``next_key`` is above every key that an area ever had.
    """

    drawing: int | None = None
    areas: tuple[Area, ...] = ()
    paper: int | None = None
    surface: str = ""
    light: Light = Light.UPPER_LEFT
    dark_first: bool | None = None
    line: str = "alcohol-proof"
    line_range: int | None = None
    finishes: tuple[str, ...] = ()
    next_key: int = 1
    proportion: float | None = None

    def __post_init__(self) -> None:
        """Keep ``next_key`` above the areas that there are."""
        object.__setattr__(self, "next_key", above(self.areas, self.next_key))

    def area(self, key: int) -> Area:
        """The area with this key; BadInput where there is none."""
        for area in self.areas:
            if area.key == key:
                return area
        raise BadInput(Problem(f"This card has no area {key}.", field="key", value=str(key)))

    def with_area(self, changed: Area) -> "Colouring":
        """The same with one area changed."""
        return replace(self, areas=tuple(changed if one.key == changed.key else one for one in self.areas))

    def without_colour(self, key: int) -> "Colouring":
        """The same with no area in a palette colour that is taken away."""
        return replace(
            self, areas=tuple(replace(one, colour=None) if one.colour == key else one for one in self.areas)
        )
