"""How does a card that somebody else made come into one's own supplies, and what has to give way?

What both have is kept. Families keep their steps and pads are chosen as a set, the rest goes to
what is nearest; where one has nothing of a kind, colours stay as values.
"""

from collections.abc import Iterable, Iterator
from dataclasses import dataclass, replace
from functools import cached_property

import numpy as np

from jindle_core import figures
from jindle_core.card.changes.every import Purpose
from jindle_core.card.changes.pictures import EditAreas
from jindle_core.card.references import turned
from jindle_core.checked.check import Check
from jindle_core.checked.compared import gives_way, holding
from jindle_core.checked.whole import CheckedCard
from jindle_core.colorimetry.difference import delta_e
from jindle_core.material import End
from jindle_core.media.groups import DRAWN_MEDIA, PAD_MEDIA
from jindle_core.media.medium import Medium
from jindle_core.naming import Use
from jindle_core.offers.following import Following
from jindle_core.offers.moving import Follower, Moving, families
from jindle_core.seen.whole import SeenCard
from jindle_core.travelling.foreign import Foreign
from jindle_core.travelling.otherwise import Otherwise, otherwise

_KEPT = (Use.LINE, Use.DRAWING, Use.SHEETS)  # what is one's own already, or comes along


@dataclass(frozen=True, eq=False)
class Arriving:
    """A foreign card on its way into the drawer (``owned``), or into all that is to be had."""

    foreign: Foreign
    owned: bool

    @property
    def before(self) -> SeenCard:
        """The card as its maker told it."""
        return self.foreign.seen

    @cached_property
    def following(self) -> Following:
        """What takes the place of what may not be taken as it is."""
        return Following(self.before, tuple(self._followers()), (), Purpose.MOVE)

    def _followers(self) -> Iterator[Follower]:
        card, moving = self.before.card, self._moving
        yield from families(moving, lambda area: not self._stay(area.family))
        pads = [at for at, pad in enumerate(card.ground.pads) if not self._stay([pad.colour])]
        yield from moving.pads(pads)
        yield from self._over()
        for piece in card.build.every:
            for one in moving.piece(piece):
                inked = piece.inked if one.id.startswith("inked:") else None
                if not self._stay([inked.colour if inked else piece.material.id]):
                    yield one
        if not self._stay([card.build.base.id]):
            yield from moving.base()
        for coloured in self.before.coloured:
            if coloured.picture.paper is not None and not self._stay([coloured.picture.paper]):
                yield from moving.paper(coloured)

    def _over(self) -> Iterator[Follower]:
        """What lies over the tones of areas: a glaze goes to what is nearest, a tone of two is left out."""
        moving, places = self._moving, self.foreign.supplies.places
        for coloured in self.before.coloured:
            for area in coloured.picture.areas:
                if area.like is None and area.glaze is not None and not self._stay([area.glaze]):
                    place = places[area.glaze]
                    found = moving.nearest(place, (area.medium,))
                    change = found is not None and EditAreas((area.key,), glaze=self._id(found))
                    yield Follower(
                        f"glaze:{area.key}",
                        f"{area.name}, glazed over",
                        moving.shades(place),
                        moving.shades(found),
                        moving.label(found),
                        change or None,
                        note="" if change else "there is nothing like it",
                    )
                if area.like is None and not self._stay(laid.colour for laid in area.over):
                    note = "what is laid over one of its tones is left out"
                    yield Follower(f"over:{area.key}", area.name, (), (), (), None, note=note)

    def _id(self, place: int) -> int:
        return self.foreign.supplies.rows[place].id

    @cached_property
    def _moving(self) -> Moving:
        return Moving(
            self.before, lambda lab: lab, lambda places: self._may[places], thorough=True, medium=self._medium
        )

    @cached_property
    def _may(self) -> np.ndarray:
        """Whether each of the supplies may be taken."""
        supplies = self.foreign.supplies
        return supplies.usable if self.owned else supplies.to_be_had

    def _stay(self, ids: Iterable[int]) -> bool:
        """Whether some supplies may all be taken as they are."""
        places = [self.foreign.supplies.places.get(pk) for pk in ids]
        return all(place is not None and self._may[place] for place in places)

    def _medium(self, medium: Medium) -> Medium:
        """In what areas of a medium are coloured here: in that or, without it, in what there is most of."""
        if self._count(medium):
            return medium
        return max(DRAWN_MEDIA, key=self._count)

    def _count(self, medium: Medium) -> int:
        return int(self._may[self.foreign.supplies.of_media((medium,))].sum())

    @cached_property
    def after(self) -> SeenCard:
        """The card in one's own supplies, and in values where there is nothing of a kind."""
        supplies = self.foreign.supplies
        card = self.following.after.card.with_ends(self._or_value)
        card = card.with_areas(card.followed)  # what one was before it followed is nobody's to find again

        def mine(use: Use, pk: int) -> int | None:
            if use in _KEPT or self._stay([pk]):
                return pk
            if use in (Use.PALETTE, Use.CELLS, Use.TONES):
                return None
            medium = self._medium_of(pk)
            found = self._moving.nearest(supplies.places[pk], PAD_MEDIA if medium in PAD_MEDIA else (medium,))
            return None if found is None else self._id(found)

        value = turned(card, mine)
        return replace(self.before, card=value, supplies=self.foreign.mine)

    def _medium_of(self, pk: int) -> Medium:
        supplies = self.foreign.supplies
        return supplies.ranges[int(supplies.range_ids[supplies.places[pk]])].medium

    def _or_value(self, end: End) -> End:
        """What something is of or, with nothing of its kind, the palette's nearest colour, or white."""
        if end.source != "supply" or end.id not in self.foreign.supplies.places:
            return end
        if self._count(self._medium_of(end.id)):
            return end
        lab = self.foreign.supplies.lab[self.foreign.supplies.places[end.id]]
        palette = self.before.palette
        off = delta_e(lab, np.array([figures.laying.PAPER_WHITE_LAB, *palette.lab]))
        at = int(off.argmin())
        return End("palette", palette.card.colours[at - 1].key) if at else End("white")

    # --- What has to give way.

    @cached_property
    def checked(self) -> CheckedCard:
        """The card as it arrives, with its checks."""
        return CheckedCard(self.after)

    @cached_property
    def was(self) -> CheckedCard:
        """The card as its maker has it, with its checks."""
        return CheckedCard(self.before)

    @cached_property
    def held(self) -> list[Check]:
        """The checks of how it looks and is made that held; what is in whose drawer is none of them."""
        return holding(self.was)

    @cached_property
    def gives_way(self) -> list[Check]:
        """Those of them that do not hold any more, as they are found now."""
        return gives_way(self.held, self.checked)

    @cached_property
    def otherwise(self) -> list[Otherwise]:
        """What of the ground and the pieces is far from what it was, or is not there at all."""
        return list(otherwise(self.before, self.after))
