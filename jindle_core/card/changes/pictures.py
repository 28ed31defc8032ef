"""Every change of how a card's picture is coloured; see ``changes`` for what a change is."""

from dataclasses import dataclass, replace
from itertools import count

from jindle_core import figures
from jindle_core.card.changes.palette import checked_name
from jindle_core.card.pictures import Area, Colouring, ColouringSettings
from jindle_core.card.whole import Card
from jindle_core.errors import BadInput, Problem
from jindle_core.families.recipes import Extent, Thing
from jindle_core.line_art.drawing import LineDrawing
from jindle_core.media import PICTURE_MEDIA, Medium
from jindle_core.stored import declared


def areas_of(drawing: LineDrawing) -> tuple[Area, ...]:
    """An area for each shape of a drawing, named by it, sized by the share that shows."""
    found = []
    for key, shape in enumerate(drawing.shapes, start=1):
        extent = Extent.SMALL
        if shape.share <= figures.drawings.AREA_TINY:
            extent = Extent.TINY
        elif shape.share >= figures.drawings.AREA_LARGE:
            extent = Extent.LARGE
        found.append(Area(key, shape.id.replace("-", " ").replace("_", " "), shape.id, extent=extent))
    return tuple(found)


@dataclass(frozen=True, slots=True)
class SetDrawing:
    """Colour another drawing, with its areas; None: only a list. Areas without a shape stay.

    ``proportion`` is the drawing's width by its height.
    """

    drawing: int | None
    areas: tuple[Area, ...] = ()
    proportion: float | None = None

    label = "the line drawing"

    def apply(self, card: Card) -> Card:
        """The card with the drawing; areas that keep their name keep what was said of them."""
        before = {one.name: one for one in card.colouring.areas}
        fresh = count(card.colouring.next_key)
        areas = tuple(
            replace(before.pop(one.name), shape=one.shape)
            if one.name in before
            else replace(one, key=next(fresh))
            for one in self.areas
        )
        listed = [one for one in before.values() if not one.shape or self.drawing is None]
        areas = (*areas, *(replace(one, shape="") for one in listed))[: figures.drawings.AREAS_LIMIT]
        drawn = replace(card.colouring, drawing=self.drawing, areas=areas, proportion=self.proportion)
        return replace(card, colouring=drawn)


_BY_OTHERS = ("drawing", "proportion", "areas", "next_key")  # what changes of their own say


@dataclass(frozen=True, slots=True)
class SetColouring:
    """Say on what, under which light, in which order and with which materials the picture is coloured.

    ``settings`` holds some of: paper, surface, light, dark_first, line, line_range, finishes;
    BadInput where one is nothing that it can be.
    """

    settings: ColouringSettings

    label = "how the picture is coloured"

    def apply(self, card: Card) -> Card:
        """The card with these settings."""
        settings = declared(self.settings, Colouring, "the colouring", _BY_OTHERS)
        return replace(card, colouring=replace(card.colouring, **settings))


@dataclass(frozen=True, slots=True)
class AddArea:
    """Add an area that is only named, without a shape of the drawing."""

    name: str
    extent: Extent = Extent.SMALL

    label = "adding an area"

    def apply(self, card: Card) -> Card:
        """The card with the area at the end."""
        areas = card.colouring.areas
        if len(areas) >= figures.drawings.AREAS_LIMIT:
            raise BadInput(Problem(f"{figures.drawings.AREAS_LIMIT} areas are the most.", field="areas"))
        added = Area(card.colouring.next_key, checked_name(self.name), extent=self.extent)
        return replace(card, colouring=replace(card.colouring, areas=(*areas, added)))


@dataclass(frozen=True, slots=True)
class EditArea:
    """Change what is said of an area; None leaves a part as it is, a colour or glaze of 0 takes it away.

    With another colour, thing or medium its family no longer fits and is taken off.
    """

    key: int
    name: str | None = None
    colour: int | None = None
    thing: Thing | None = None
    extent: Extent | None = None
    focal: bool | None = None
    medium: Medium | None = None
    layers: int | None = None
    glaze: int | None = None

    label = "what is said of an area"

    def apply(self, card: Card) -> Card:
        """The card with the area changed."""
        area = card.colouring.area(self.key)
        if self.colour:
            card.colour(self.colour)
        if self.medium is not None:
            _coloured_with(self.medium)
        if self.layers is not None and not 1 <= self.layers <= figures.drawings.AREA_LAYERS:
            raise BadInput(
                Problem(f"An area has 1 to {figures.drawings.AREA_LAYERS} layers.", field="layers")
            )
        told = {
            name: getattr(self, name)
            for name in ("thing", "extent", "focal", "medium", "layers")
            if getattr(self, name) is not None
        }
        if self.name is not None:
            told["name"] = checked_name(self.name)
        if self.colour is not None:
            told["colour"] = self.colour or None
        if self.glaze is not None:
            if self.glaze and not area.family:
                raise BadInput(Problem("There is no family yet to glaze over.", field="glaze"))
            told["glaze"] = self.glaze or None
        changed = replace(area, **told)
        kept = (changed.colour, changed.thing, changed.medium) == (area.colour, area.thing, area.medium)
        changed = changed if kept else replace(changed, family=(), glaze=None)
        return replace(card, colouring=card.colouring.with_area(changed))


@dataclass(frozen=True, slots=True)
class RemoveArea:
    """Forget an area; its shape stays bare."""

    key: int

    label = "removing an area"

    def apply(self, card: Card) -> Card:
        """The card without the area."""
        gone = card.colouring.area(self.key)
        kept = tuple(one for one in card.colouring.areas if one is not gone)
        return replace(card, colouring=replace(card.colouring, areas=kept))


@dataclass(frozen=True, slots=True)
class AreaFamily:
    """The tones, light to dark, of one area, and their medium (None where there are none)."""

    key: int
    colours: tuple[int, ...]
    medium: Medium | None = None


@dataclass(frozen=True, slots=True)
class SetFamilies:
    """Choose the families of some areas."""

    families: tuple[AreaFamily, ...]

    label = "choosing shading families"

    def apply(self, card: Card) -> Card:
        """The card with these families."""
        colouring = card.colouring
        most = figures.families.FAMILY_SIZES[1]
        for one in self.families:
            if len(one.colours) > most or len(set(one.colours)) < len(one.colours):
                raise BadInput(Problem(f"A family has up to {most} colours, each once.", field="colours"))
            area = colouring.area(one.key)
            medium = _coloured_with(one.medium or area.medium)
            # A glaze lies over whatever is the darkest, as long as it can lie there at all.
            glaze = area.glaze if one.colours and medium is area.medium else None
            colouring = colouring.with_area(replace(area, family=one.colours, glaze=glaze, medium=medium))
        return replace(card, colouring=colouring)


def _coloured_with(medium: Medium) -> Medium:
    if medium not in PICTURE_MEDIA:
        raise BadInput(
            Problem(
                f"Areas are not coloured with {medium}.", field="medium", expected=", ".join(PICTURE_MEDIA)
            )
        )
    return medium


ColouringChange = SetDrawing | SetColouring | AddArea | EditArea | RemoveArea | SetFamilies
