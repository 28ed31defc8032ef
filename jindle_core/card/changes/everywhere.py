"""The change that uses one thing for another wherever a card uses it."""

from collections.abc import Iterable
from dataclasses import dataclass, replace

from jindle_core.card.build import Build
from jindle_core.card.ground import Ground
from jindle_core.card.pictures import Area, Over, Picture
from jindle_core.card.whole import Anchor, Card
from jindle_core.errors import BadInput, Problem
from jindle_core.layers.pieces import Piece
from jindle_core.material import End


@dataclass(frozen=True, slots=True)
class UseInstead:
    """Use one thing instead of another: wherever it is used or, with ``areas`` (keys), in those only.

    Of a palette colour only what is cut of it becomes another. ``anchor`` is the new one as a palette
    colour would be tied to it: colours tied to the old one are then tied to the new, or keep their
    value where the new one is in the palette already.
    """

    old: End
    new: End
    anchor: Anchor | None = None
    areas: tuple[int, ...] = ()

    label = "using something instead"

    def apply(self, card: Card) -> Card:
        """The card without the old one; BadInput where it does not use it."""
        if self.new.source == "palette":
            card.colour(self.new.id)
        changed = self._in_areas(card)
        if not self.areas:
            changed = self._in_palette(self._in_build(self._on_ground(changed)))
        if changed == card:
            raise BadInput(Problem("The card does not use that there.", field="old", value=str(self.old.id)))
        return changed

    def _id(self, pk: int | None) -> int | None:
        """What takes the place of a supply's id; None where that is white."""
        return (self.new.id or None) if pk is not None and self.old == End("supply", pk) else pk

    def _end(self, end: End) -> End:
        return self.new if end == self.old else end

    def _in_areas(self, card: Card) -> Card:
        keys = {card.area(key).key for key in self.areas}
        if self.old.source != "supply" or self.new.source != "supply":
            return card

        def tones(area: Area) -> Area:
            over = [one.colour for one in area.over]
            if (keys and area.key not in keys) or self.old.id not in (*area.family, *over, area.glaze):
                return area
            family = tuple(dict.fromkeys(self._id(pk) or 0 for pk in area.family))
            # What is laid over a tone made it another; over the new one it would make something else.
            kept = [one for one in area.over if one.tone != self.old.id]
            laid = tuple(replace(one, colour=self._id(one.colour) or 0) for one in kept)
            laid = tuple(one for one in laid if one.colour != one.tone)
            return replace(area, family=family, glaze=self._id(area.glaze), over=laid)

        return card.with_areas(tones)

    def _on_ground(self, card: Card) -> Card:
        ground: Ground = card.ground
        if self.new.source == "supply":
            ground = replace(
                ground,
                pads=tuple(replace(one, colour=self._id(one.colour) or 0) for one in ground.pads),
                effects=tuple(replace(one, colour=self._id(one.colour)) for one in ground.effects),
                mat=ground.mat and replace(ground.mat, colour=self._id(ground.mat.colour) or 0),
            )
        mat = ground.mat and replace(ground.mat, paper=self._id(ground.mat.paper))
        pictures: Iterable[Picture] = (replace(one, paper=self._id(one.paper)) for one in card.pictures)
        ground = replace(ground, paper=self._id(ground.paper), mat=mat)
        return replace(card, ground=ground, pictures=tuple(pictures))

    def _in_build(self, card: Card) -> Card:
        def piece(one: Piece) -> Piece:
            inked = one.inked
            if inked is not None and self.new.source == "supply":
                inked = replace(inked, colour=self._id(inked.colour) or 0)
            return replace(one, material=self._end(one.material), inked=inked)

        build: Build = card.build
        front, inside = (tuple(piece(one) for one in face) for face in build.faces)
        pairs = card.pairs and tuple(
            replace(pair, upper=self._end(pair.upper), lower=self._end(pair.lower)) for pair in card.pairs
        )
        kept = pairs and tuple(pair for pair in pairs if pair.upper != pair.lower)
        build = replace(build, base=self._end(build.base), pieces=front, inside=inside)
        return replace(card, build=build, pairs=kept)

    def _in_palette(self, card: Card) -> Card:
        if self.old.source != "supply":
            return card
        there = {colour.anchor.colour for colour in card.colours}
        choices = [(one, self._id(one.colour)) for one in card.choices]
        colours = []
        for colour in card.colours:
            anchor = colour.anchor
            if anchor.colour == self.old.id:
                free = self.anchor is not None and self.new.id not in there
                value = replace(anchor, colour=None, provenance=anchor.provenance)
                anchor = self.anchor if free and self.anchor is not None else value
            colours.append(replace(colour, anchor=anchor))
        kept = tuple(replace(one, colour=pk) for one, pk in choices if pk is not None)
        return replace(card, colours=tuple(colours), choices=kept)


@dataclass(frozen=True, slots=True)
class GlazeInstead:
    """Lay one colour over another wherever a tone is used, in all areas or some (keys): both are that tone.

    ``tone`` and the two are ids; the two are of the areas' own medium, each in so many layers.
    """

    tone: int
    under: int
    colour: int
    under_layers: int = 1
    layers: int = 1
    areas: tuple[int, ...] = ()

    label = "glazing two instead of one"

    def apply(self, card: Card) -> Card:
        """The card with it; BadInput where the tone is not used, or the lower one is a tone there already."""
        if self.under == self.colour or self.tone in (self.under, self.colour):
            raise BadInput(Problem("A glaze is made of two other colours.", field="colour"))
        if not (1 <= self.under_layers <= _GLAZED and 1 <= self.layers <= _GLAZED):
            raise BadInput(Problem(f"A glaze is laid in 1 to {_GLAZED} layers.", field="layers"))
        keys = {card.area(key).key for key in self.areas}
        laid = Over(self.under, self.colour, self.under_layers, self.layers)

        def glazed(area: Area) -> Area:
            if (keys and area.key not in keys) or self.tone not in area.family:
                return area
            if self.under in area.family:
                words = f"{area.name} has the lower one of the two as a tone of its own."
                raise BadInput(Problem(words, field="under", value=area.name))
            family = tuple(self.under if pk == self.tone else pk for pk in area.family)
            changed = area.with_family(family)
            return replace(changed, over=(*changed.over, laid))

        changed = card.with_areas(glazed)
        if changed == card:
            raise BadInput(Problem("No area there has that tone.", field="tone", value=str(self.tone)))
        return changed


_GLAZED = 2  # layers of each: more wets the paper for hardly any change
