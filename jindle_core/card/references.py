"""Which supplies does a card name, and for what?"""

from collections.abc import Iterable
from dataclasses import dataclass, fields

from jindle_core.card.whole import Card


@dataclass(frozen=True, slots=True)
class Named:
    """Ids of supplies by what they are for; each as often as it is named."""

    palette: tuple[int, ...]
    cells: tuple[int, ...]
    tones: tuple[int, ...]
    pads: tuple[int, ...]
    pieces: tuple[int, ...]
    papers: tuple[int, ...]

    @property
    def every(self) -> frozenset[int]:
        """All of them."""
        return frozenset(pk for one in fields(self) for pk in getattr(self, one.name))


def named(card: Card) -> Named:
    """What a card names: palette colours and chosen cells, tones and glazes of areas, pads and effects of
    the ground, what pieces are of or inked with, and the papers of picture and ground."""
    areas, ground, build = card.colouring.areas, card.ground, card.build
    papers = [card.colouring.paper, ground.paper, ground.mat.paper if ground.mat else None]
    pads = [pad.colour for pad in ground.pads] + [one.colour for one in ground.effects]
    pads += [ground.mat.colour] if ground.mat else []
    ends = [build.base, *(piece.material for piece in build.every)]
    ends += [end for pair in card.pairs or () for end in (pair.upper, pair.lower)]
    pieces = [end.id for end in ends if end.source == "supply"]
    pieces += [piece.inked.colour for piece in build.every if piece.inked]
    return Named(
        _known(colour.anchor.colour for colour in card.colours),
        _known(choice.colour for choice in card.choices),
        _known(pk for area in areas for pk in (*area.family, area.glaze)),
        _known(pads),
        _known(pieces),
        _known(papers),
    )


def _known(ids: Iterable[int | None]) -> tuple[int, ...]:
    return tuple(pk for pk in ids if pk)
