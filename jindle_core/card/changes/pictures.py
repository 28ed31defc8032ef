"""Every change of how a card's pictures are coloured; see ``changes`` for what a change is.

Where a change speaks of a ``picture``, None means the first.
"""

from collections.abc import Iterable
from dataclasses import dataclass, replace
from itertools import count

from jindle_core import figures
from jindle_core.card.changes.palette import checked_name
from jindle_core.card.pictures import Area, Picture, PictureSettings
from jindle_core.card.whole import Card
from jindle_core.errors import BadInput, Problem
from jindle_core.families.recipes import Extent, Thing
from jindle_core.layers.pieces import Kind
from jindle_core.line_art.drawing import LineDrawing
from jindle_core.media.groups import PICTURE_MEDIA
from jindle_core.media.medium import Medium
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
class AddPicture:
    """One more picture: of a drawing with its areas, a list of areas, or like one that there is.

    ``proportion`` is the drawing's width by its height. One that is like another
    (``like``, its key) has its drawing, paper, light and materials, and areas
    that are coloured as the other's until something else is said of them.
    """

    name: str
    drawing: int | None = None
    areas: tuple[Area, ...] = ()
    proportion: float | None = None
    like: int | None = None

    label = "adding a picture"

    def apply(self, card: Card) -> Card:
        """The card with the picture at the end."""
        if len(card.pictures) >= figures.drawings.PICTURES_LIMIT:
            raise BadInput(
                Problem(f"{figures.drawings.PICTURES_LIMIT} pictures are the most.", field="pictures")
            )
        name, fresh = checked_name(self.name), count(card.next_area)
        if self.like is None:
            areas = tuple(replace(one, key=next(fresh)) for one in self.areas)
            added = Picture(card.next_picture, name, self.drawing, areas, proportion=self.proportion)
        else:
            other = card.picture(self.like)
            areas = tuple(replace(one, key=next(fresh), like=one.key) for one in other.areas)
            added = replace(other, key=card.next_picture, name=name, areas=areas)
        return replace(card, pictures=(*card.pictures, added))


@dataclass(frozen=True, slots=True)
class NamePicture:
    """Call a picture something else."""

    picture: int
    name: str

    label = "the name of a picture"

    def apply(self, card: Card) -> Card:
        """The card with the picture so called."""
        return card.with_picture(replace(card.picture(self.picture), name=checked_name(self.name)))


@dataclass(frozen=True, slots=True)
class RemovePicture:
    """Take a picture away, with the pieces that show it; areas that followed its own stay as they are.

    A card has one picture at least: the last becomes an empty one.
    """

    picture: int

    label = "removing a picture"

    def apply(self, card: Card) -> Card:
        """The card without it."""
        gone = card.picture(self.picture)
        card = _let_go(card, {area.key for area in gone.areas})
        build = card.build
        for piece in card.build.every:
            if piece.kind is Kind.IMAGE and card.picture(piece.picture) is gone:
                build = build.without_piece(piece.key)
            elif piece.picture == gone.key:
                build = build.with_piece(replace(build.piece(piece.key), picture=None))
        kept = tuple(one for one in card.pictures if one.key != gone.key)
        return replace(card, build=build, pictures=kept or (Picture(card.next_picture),))


@dataclass(frozen=True, slots=True)
class SetDrawing:
    """Colour another drawing, with its areas; None: only a list. Areas without a shape stay.

    ``proportion`` is the drawing's width by its height.
    """

    drawing: int | None
    areas: tuple[Area, ...] = ()
    proportion: float | None = None
    picture: int | None = None

    label = "the line drawing"

    def apply(self, card: Card) -> Card:
        """The card with the drawing; areas that keep their name keep what was said of them."""
        picture = card.picture(self.picture)
        before = {one.name: one for one in picture.areas}
        fresh = count(card.next_area)
        areas = tuple(
            replace(before.pop(one.name), shape=one.shape)
            if one.name in before
            else replace(one, key=next(fresh))
            for one in self.areas
        )
        listed = [one for one in before.values() if not one.shape or self.drawing is None]
        areas = (*areas, *(replace(one, shape="") for one in listed))[: figures.drawings.AREAS_LIMIT]
        card = _let_go(card, {one.key for one in picture.areas} - {one.key for one in areas})
        # What followed an area that is gone is coloured as that was.
        now = {one.key: one for one in card.picture(picture.key).areas}
        areas = tuple(replace(now[one.key], shape=one.shape) if one.key in now else one for one in areas)
        drawn = replace(picture, drawing=self.drawing, areas=areas, proportion=self.proportion)
        return card.with_picture(drawn)


_BY_OTHERS = ("key", "name", "drawing", "proportion", "areas")  # what changes of their own say


@dataclass(frozen=True, slots=True)
class SetColouring:
    """Say on what, under which light, in which order and with which materials a picture is coloured.

    ``settings`` holds some of: paper, surface, light, dark_first, line, line_range, finishes;
    BadInput where one is nothing that it can be.
    """

    settings: PictureSettings
    picture: int | None = None

    label = "how the picture is coloured"

    def apply(self, card: Card) -> Card:
        """The card with these settings."""
        settings = declared(self.settings, Picture, "the colouring", _BY_OTHERS)
        return card.with_picture(replace(card.picture(self.picture), **settings))


@dataclass(frozen=True, slots=True)
class AddArea:
    """Add an area that is only named, without a shape of the drawing."""

    name: str
    extent: Extent = Extent.SMALL
    picture: int | None = None

    label = "adding an area"

    def apply(self, card: Card) -> Card:
        """The card with the area at the end of its picture's."""
        picture = card.picture(self.picture)
        if len(picture.areas) >= figures.drawings.AREAS_LIMIT:
            raise BadInput(Problem(f"{figures.drawings.AREAS_LIMIT} areas are the most.", field="areas"))
        added = Area(card.next_area, checked_name(self.name), extent=self.extent)
        return card.with_picture(replace(picture, areas=(*picture.areas, added)))


@dataclass(frozen=True, slots=True)
class EditAreas:
    """Change what is said of some areas; None leaves a part as it is, a colour or glaze of 0 takes it away.

    With another colour, thing or medium a family no longer fits and is taken off.
    An area that followed another goes its own way with what is said of it.
    """

    keys: tuple[int, ...]
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
        """The card with the areas changed."""
        if self.colour:
            card.colour(self.colour)
        if self.medium is not None:
            _coloured_with(self.medium)
        if self.layers is not None and not 1 <= self.layers <= figures.drawings.AREA_LAYERS:
            raise BadInput(
                Problem(f"An area has 1 to {figures.drawings.AREA_LAYERS} layers.", field="layers")
            )
        if self.name is not None and len(self.keys) != 1:
            raise BadInput(Problem("One area is named at a time.", field="name"))
        changed = {key: self._changed(card, card.area(key)) for key in self.keys}
        return card.with_areas(lambda area: changed.get(area.key, area))

    def _changed(self, card: Card, area: Area) -> Area:
        told = {
            name: getattr(self, name)
            for name in ("thing", "extent", "focal", "medium", "layers")
            if getattr(self, name) is not None
        }
        if self.name is not None:
            told["name"] = checked_name(self.name)
        if self.colour is not None:
            told["colour"] = self.colour or None
        before = card.followed(area)
        if self.glaze is not None:
            if self.glaze and not before.family:
                raise BadInput(Problem("There is no family yet to glaze over.", field="glaze"))
            told["glaze"] = self.glaze or None
        if area.like is not None and not told.keys() & {"colour", "thing", "medium", "layers", "glaze"}:
            return replace(area, **told)  # it goes on as the other does
        changed = replace(before, like=None, **told)
        kept = (changed.colour, changed.thing, changed.medium) == (before.colour, before.thing, before.medium)
        return changed if kept else replace(changed, family=(), glaze=None, over=())


@dataclass(frozen=True, slots=True)
class FollowArea:
    """Colour some areas as another is, now and whatever becomes of it; None: each goes its own way."""

    keys: tuple[int, ...]
    like: int | None

    label = "colouring one area as another"

    def apply(self, card: Card) -> Card:
        """The card with the areas following; BadInput where one would follow itself."""
        keys = {card.area(key).key for key in self.keys}
        if self.like is None:
            return _let_go(card, keys, followers=False)
        other = card.area(self.like)
        plain = Area(other.key, other.name)  # what it had of its own is forgotten

        def following(area: Area) -> Area:
            return replace(area.coloured_as(plain), like=other.key) if area.key in keys else area

        changed = card.with_areas(following)
        for area in changed.areas:
            changed.followed(area)
        return changed


@dataclass(frozen=True, slots=True)
class RemoveArea:
    """Forget an area; its shape stays bare, and what followed it stays as it is."""

    key: int

    label = "removing an area"

    def apply(self, card: Card) -> Card:
        """The card without the area."""
        card = _let_go(card, {card.area(self.key).key})
        picture = card.picture_of(self.key)
        return card.with_picture(
            replace(picture, areas=tuple(one for one in picture.areas if one.key != self.key))
        )


@dataclass(frozen=True, slots=True)
class AreaFamily:
    """The tones, light to dark, of one area, and their medium (None where there are none)."""

    key: int
    colours: tuple[int, ...]
    medium: Medium | None = None


@dataclass(frozen=True, slots=True)
class SetFamilies:
    """Choose the families of some areas; one that followed another goes its own way with it."""

    families: tuple[AreaFamily, ...]

    label = "choosing shading families"

    def apply(self, card: Card) -> Card:
        """The card with these families."""
        changed = {}
        most = figures.families.FAMILY_SIZES[1]
        for one in self.families:
            if len(one.colours) > most or len(set(one.colours)) < len(one.colours):
                raise BadInput(Problem(f"A family has up to {most} colours, each once.", field="colours"))
            area = card.followed(card.area(one.key))
            medium = _coloured_with(one.medium or area.medium)
            # A glaze lies over whatever is the darkest, as long as it can lie there at all.
            glaze = area.glaze if one.colours and medium is area.medium else None
            coloured = area.with_family(one.colours)
            changed[one.key] = replace(coloured, glaze=glaze, medium=medium, like=None)
        return card.with_areas(lambda area: changed.get(area.key, area))


def _let_go(card: Card, keys: Iterable[int], followers: bool = True) -> Card:
    """The card where nothing follows these areas any more, or these follow nothing; all look as they did."""
    keys = set(keys)
    return card.with_areas(
        lambda area: (
            replace(card.followed(area), like=None)
            if (area.like in keys if followers else area.like is not None and area.key in keys)
            else area
        )
    )


def _coloured_with(medium: Medium) -> Medium:
    if medium not in PICTURE_MEDIA:
        raise BadInput(
            Problem(
                f"Areas are not coloured with {medium}.", field="medium", expected=", ".join(PICTURE_MEDIA)
            )
        )
    return medium


PictureChange = (
    AddPicture
    | NamePicture
    | RemovePicture
    | SetDrawing
    | SetColouring
    | AddArea
    | EditAreas
    | FollowArea
    | RemoveArea
    | SetFamilies
)
