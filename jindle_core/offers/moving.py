"""What takes the place of each thing that a card uses, where other supplies may be taken for it?

Families keep their steps and pads are chosen as a set; everything else goes to what is nearest.
"""

from collections.abc import Callable, Hashable, Iterator, Sequence
from dataclasses import dataclass, replace
from functools import cached_property

import numpy as np

from jindle_core import figures
from jindle_core.card.changes.build import EditPiece, SetBuild
from jindle_core.card.changes.every import AnyChange
from jindle_core.card.changes.ground import UsePad
from jindle_core.card.changes.pictures import AreaFamily, SetColouring, SetFamilies
from jindle_core.card.pictures import Area
from jindle_core.card.whole import Card
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.views import Shades
from jindle_core.families.build import Builder
from jindle_core.families.convert import assign, convert
from jindle_core.families.following import follow
from jindle_core.families.judge import judge_family
from jindle_core.families.recipes import recipe
from jindle_core.layers.pieces import BASE, Piece
from jindle_core.material import End
from jindle_core.media.groups import PAD_MEDIA
from jindle_core.media.medium import Medium
from jindle_core.seen.colouring import Coloured
from jindle_core.seen.whole import SeenCard

# Whether supplies, by their places, may take the place of others; where a CIELAB (…, 3) is wanted then.
May = Callable[[np.ndarray], np.ndarray]
Wanted = Callable[[np.ndarray], np.ndarray]


@dataclass(frozen=True, slots=True)
class Follower:
    """One thing that follows: its id, what it is, in what before and after, and the change.

    ``change`` is None where it stays: ``held`` on purpose, or, with a ``note``, for want of anything.
    """

    id: str
    words: str
    before: tuple[Shades, ...]
    after: tuple[Shades, ...]
    labels: tuple[str, ...]
    change: AnyChange | None
    held: bool = False
    note: str = ""


class Moving:
    """How what a card uses moves: each thing to where its colour is ``wanted``, of what ``may`` be taken.

    ``card`` is the card with the palette as it is to be, ``medium`` says in what those of a medium go on.
    If it is ``thorough``, more families are tried for each area and, where there is none of as many tones,
    those of fewer. ``builders`` are what families are built of, by places, layers and paper, where that is
    kept for more than one moving.
    """

    def __init__(
        self,
        seen: SeenCard,
        wanted: Wanted,
        may: May,
        card: Card | None = None,
        thorough: bool = False,
        medium: Callable[[Medium], Medium] = lambda medium: medium,
        builders: dict[tuple[bytes, int, int | None], Builder] | None = None,
    ) -> None:
        self.seen, self.wanted, self.may, self.card = seen, wanted, may, card or seen.card
        self.thorough, self.medium = thorough, medium
        self._answered: dict[Hashable, list[int]] = {}
        self._builders = {} if builders is None else builders
        self.supplies = seen.supplies

    def nearest(self, place: int, media: Sequence[Medium], taken: Sequence[int] = ()) -> int | None:
        """The place of what takes that of a supply; None where there is nothing."""
        places = self.supplies.of_media(media)
        places = places[self.may(places) & ~np.isin(places, list(taken))]
        if not len(places):
            return None
        wanted = self.wanted(self.supplies.lab[place])
        return int(places[delta_e(wanted, self.supplies.lab[places]).argmin()])

    def shades(self, place: int | None) -> tuple[Shades, ...]:
        """The shades of what is at a place, if anything is."""
        return () if place is None else (self.supplies.shades[place],)

    def label(self, place: int | None) -> tuple[str, ...]:
        """What it is called, if anything is there."""
        return () if place is None else (self.supplies.rows[place].label,)

    def family(self, coloured: Coloured, area: Area) -> Follower | None:
        """An area's family, its steps kept."""
        supplies, tones = self.supplies, coloured.tones[area.key]
        if not tones.places:
            return None
        medium = self.medium(area.medium)
        places = supplies.of_media((medium,))
        places = places[self.may(places)]
        id_, words = f"area:{area.key}", area.name
        if len(self.seen.coloured) > 1:
            words = f"{area.name} of {coloured.picture.name}"
        before = tuple(supplies.shades[place] for place in tones.places)
        labs = (
            supplies.predicted.in_layers(places, area.layers, coloured.paper)
            if len(places)
            else np.zeros((0, 3))
        )
        # Many areas are laid in one way.
        key = (area.family, area.medium, area.layers, area.thing, area.colour, coloured.paper)
        if key not in self._answered:
            self._answered[key] = self._taken(coloured, area, places, labs)
        taken = self._answered[key]
        if not taken:
            return Follower(id_, words, before, (), (), None, note="nothing holds such a family")
        family = AreaFamily(area.key, tuple(supplies.rows[at].id for at in taken), medium)
        after = tuple(supplies.shades[at] for at in taken)
        labels = tuple(supplies.rows[at].label for at in taken)
        note = "" if medium is area.medium else f"in {medium} instead of {area.medium}"
        if len(taken) < len(tones.places):
            note = ", ".join(filter(None, (note, f"{len(taken)} tones instead of {len(tones.places)}")))
        return Follower(id_, words, before, after, labels, SetFamilies((family,)), note=note)

    def _taken(self, coloured: Coloured, area: Area, places: np.ndarray, labs: np.ndarray) -> list[int]:
        """The places of the family's tones then: within the usual limits where there is such a family, else
        with its steps kept or the best of as many around the area's colour, whichever has less wrong with it;
        fewer tones that hold go before as many that do not."""
        wanted = self.wanted(coloured.tones[area.key].lab)
        if not len(places):
            return []
        if len(wanted) == 1:
            return [self._alone(wanted[0], places, labs)]
        then = self._then.picture(coloured.picture.key)
        allowed = recipe(area.thing).allowance
        around, reach = then.aim(then.area(area.key), max(coloured.tones[area.key].sigma))
        builder = self._builder(area, coloured.paper, places, labs)
        if followed := follow(wanted, builder, allowed, around, reach):
            return [int(places[at]) for at in followed]
        made = convert(wanted, labs)
        middle = wanted[len(wanted) // 2] if around is None else around
        count = figures.families.FAMILIES_TRIED if self.thorough else 1
        found = builder.best(middle, len(wanted), count, allowed, reach=reach)
        tried = [made.places] if made is not None else []
        tried += [one.places for one in found]

        # What was wrong with it before may be wrong with it then.
        had = len(judge_family(wanted, allowed, around, reach).faults)

        def wrong(family: tuple[int, ...]) -> tuple[int, float]:
            tones = labs[list(family)]
            faults = judge_family(tones, allowed, around, reach).faults
            return max(len(faults) - had, 0), float(delta_e(tones, wanted).sum())

        best = min((one for one in tried if len(one) == len(wanted)), key=wrong, default=())
        fewer = found[0] if found and len(found[0].places) < len(wanted) else None
        if fewer and fewer.judgement.holds and (not best or wrong(best)[0]):
            return [int(places[at]) for at in fewer.places]
        if best or not self.thorough:
            return [int(places[at]) for at in best]
        return [int(places[at]) for at in fewer.places] if fewer else [self._alone(middle, places, labs)]

    def _alone(self, wanted: np.ndarray, places: np.ndarray, labs: np.ndarray) -> int:
        """The place of the tone that comes nearest."""
        return int(places[delta_e(wanted, labs).argmin()])

    def _builder(self, area: Area, paper: int | None, places: np.ndarray, labs: np.ndarray) -> Builder:
        """What families of some places are built of, once for all areas laid in the same way."""
        way = (places.tobytes(), area.layers, paper)
        if way not in self._builders:
            self._builders[way] = Builder(labs, self.supplies.range_ids[places])
        return self._builders[way]

    @cached_property
    def _then(self) -> SeenCard:
        """The card with the palette as it is to be."""
        return replace(self.seen, card=self.card)

    def pads(self, which: Sequence[int]) -> Iterator[Follower]:
        """The pads at some places of the ground, as a set: none is taken twice while there are enough."""
        ground, supplies = self.seen.card.ground, self.supplies
        kept = {supplies.places.get(pad.colour) for at, pad in enumerate(ground.pads) if at not in which}
        known = [at for at in which if ground.pads[at].colour in supplies.places]
        if not known:
            return
        places = supplies.of_media(PAD_MEDIA)
        places = places[self.may(places) & ~np.isin(places, [one for one in kept if one is not None])]
        before = [supplies.places[ground.pads[at].colour] for at in known]
        picked = assign(self.wanted(supplies.lab[before]), supplies.lab[places]) if len(places) else []
        for n, at in enumerate(known):
            id_, words = f"pad:{at}", f"pad {at + 1} of the ground"
            if not picked:
                yield Follower(id_, words, self.shades(before[n]), (), (), None, note="there is no pad")
                continue
            place = int(places[picked[n]])
            change = UsePad(at, supplies.rows[place].id)
            yield Follower(id_, words, self.shades(before[n]), self.shades(place), self.label(place), change)

    def piece(self, piece: Piece) -> Iterator[Follower]:
        """What a piece is of, where that is a supply, and what it is inked with."""
        supplies = self.supplies
        place = supplies.places.get(piece.material.id) if piece.material.source == "supply" else None
        if place is not None:
            yield self._other(
                f"piece:{piece.key}", piece.name, place, lambda end: EditPiece(piece.key, {"material": end})
            )
        inked = piece.inked
        over = supplies.places.get(inked.colour) if inked else None
        if inked is not None and over is not None:
            yield self._other(
                f"inked:{piece.key}",
                f"{piece.name}, inked over",
                over,
                lambda end: EditPiece(piece.key, {"inked": replace(inked, colour=end.id)}),
                PAD_MEDIA,
            )

    def base(self) -> Iterator[Follower]:
        """What the card itself is of, where that is a supply."""
        end = self.seen.card.build.base
        place = self.supplies.places.get(end.id) if end.source == "supply" else None
        if place is not None:
            yield self._other(f"piece:{BASE}", "the card itself", place, lambda end: SetBuild({"base": end}))

    def paper(self, coloured: Coloured) -> Iterator[Follower]:
        """The paper that a picture is coloured on."""
        key = coloured.picture.key
        if coloured.paper is not None:
            words = f"the paper of {coloured.picture.name}"
            yield self._other(
                f"paper:{key}", words, coloured.paper, lambda end: SetColouring({"paper": end.id}, key)
            )

    def _other(
        self,
        id_: str,
        words: str,
        place: int,
        change: Callable[[End], AnyChange],
        media: Sequence[Medium] = (),
    ) -> Follower:
        supplies = self.supplies
        found = self.nearest(place, media or (supplies.ranges[int(supplies.range_ids[place])].medium,))
        if found is None or found == place:
            note = "there is nothing else" if found is None else "it is the nearest already"
            return Follower(id_, words, self.shades(place), (), (), None, note=note)
        end = End("supply", supplies.rows[found].id)
        return Follower(id_, words, self.shades(place), self.shades(found), self.label(found), change(end))


def families(moving: Moving, wanted: Callable[[Area], bool]) -> Iterator[Follower]:
    """The families of areas; those that follow another go with it."""
    for coloured in moving.seen.coloured:
        for area, said in zip(coloured.areas, coloured.picture.areas, strict=True):
            if said.like is None and wanted(area):
                found = moving.family(coloured, area)
                if found is not None:
                    yield found
