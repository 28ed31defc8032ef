"""What is planned for colouring a card's pictures: areas, families, light, materials?"""

from dataclasses import dataclass, replace
from typing import Annotated, TypedDict

from jindle_core.families.recipes import Extent, Thing
from jindle_core.families.shading import Light
from jindle_core.media.medium import Medium
from jindle_core.naming import Names, Use


@dataclass(frozen=True, slots=True)
class Over:
    """A colour that is laid over one of a family's, dry, so that both are the tone: ids, layers of each."""

    tone: Annotated[int, Names(Use.TONES)]
    colour: Annotated[int, Names(Use.TONES)]
    tone_layers: int = 1
    layers: int = 1


@dataclass(frozen=True, slots=True)
class Area:
    """A part of a picture that is coloured as one; keys are unique on the whole card.

    ``shape`` is the id of its shape in the drawing, or empty; ``colour`` the
    key of a palette colour, or None; ``family`` the ids of its tones, light
    to dark, empty while none is chosen; ``glaze`` a neutral that is laid over
    the darkest of them, ``over`` what makes other tones of some of them. ``like``
    is the key of an area, of this picture or another, that it is coloured as: see
    ``FOLLOWED``.
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
    family: Annotated[tuple[int, ...], Names(Use.TONES)] = ()
    glaze: Annotated[int | None, Names(Use.TONES)] = None
    like: int | None = None
    over: tuple[Over, ...] = ()

    def with_family(self, family: tuple[int, ...]) -> "Area":
        """The same of these tones; what was laid over others is left out."""
        return replace(self, family=family, over=tuple(one for one in self.over if one.tone in family))

    def coloured_as(self, other: "Area") -> "Area":
        """The same, coloured as another."""
        return replace(self, **{name: getattr(other, name) for name in FOLLOWED})


# What one has from the area it is like.
FOLLOWED = ("colour", "thing", "medium", "layers", "family", "glaze", "over")


class PictureSettings(TypedDict, total=False):
    """Some of the settings of how a picture is coloured."""

    paper: int | None
    surface: str
    light: Light
    dark_first: bool | None
    line: str
    line_range: int | None
    finishes: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Picture:
    """A picture of a card and how it is coloured; pieces show it, as often as they like.

    ``drawing`` is a line drawing's id, ``proportion`` its width by its height;
    ``paper`` a cardstock's id (None: white marker paper), ``surface`` what kind
    of paper it is where that is said of this card (empty: as its range says);
    ``dark_first`` None as the person is used to; ``line`` a kind of line ink
    (empty: no line), ``line_range`` a range that the line is stamped with
    instead.
    """

    key: int
    name: str = "picture"
    drawing: Annotated[int | None, Names(Use.DRAWING)] = None
    areas: tuple[Area, ...] = ()
    paper: Annotated[int | None, Names(Use.PAPERS)] = None
    surface: str = ""
    light: Light = Light.UPPER_LEFT
    dark_first: bool | None = None
    line: str = "alcohol-proof"
    line_range: Annotated[int | None, Names(Use.LINE)] = None
    finishes: tuple[str, ...] = ()
    proportion: float | None = None

    def with_areas(self, changed: dict[int, Area]) -> "Picture":
        """The same with those of its areas changed that stand there by their keys."""
        if not any(one.key in changed for one in self.areas):
            return self
        return replace(self, areas=tuple(changed.get(one.key, one) for one in self.areas))
