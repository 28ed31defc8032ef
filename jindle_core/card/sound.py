"""Could a card that comes from elsewhere have been made here, change by change?"""

from collections import Counter
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import replace

from jindle_core import figures
from jindle_core.card.changes import build as build_changes
from jindle_core.card.changes import ground as ground_changes
from jindle_core.card.changes import palette as changes
from jindle_core.card.keys import Keyed
from jindle_core.card.pictures import Area
from jindle_core.card.waivers import subject
from jindle_core.card.whole import Card
from jindle_core.errors import BadInput, Problem
from jindle_core.layers.pieces import BASE
from jindle_core.media.groups import FURTHER_COLUMNS, PICTURE_MEDIA


def sound(card: Card) -> Card:
    """The card without waivers of nothing; BadInput where no sequence of changes could lead to it."""
    problems = [Problem(words, field="card") for words in _faults(card)]
    if problems:
        raise BadInput(*problems)
    for area in card.areas:
        card.followed(area)
    ground_changes.checked(card.ground)
    build_changes.checked(card, card.build)
    for pair in card.pairs or ():
        changes.checked_pair(card, pair)
    return replace(card, waivers=tuple(one for one in card.waivers if subject(card, one.check) is not None))


def _faults(card: Card) -> Iterator[str]:
    areas = card.areas
    colours = {colour.key for colour in card.colours}
    counted: list[tuple[str, Sequence[Keyed], int]] = [
        ("colours", card.colours, figures.palettes.PALETTE_LIMIT),
        ("pictures", card.pictures, figures.drawings.PICTURES_LIMIT),
        *(("areas of a picture", one.areas, figures.drawings.AREAS_LIMIT) for one in card.pictures),
        ("areas", areas, figures.drawings.AREAS_LIMIT * figures.drawings.PICTURES_LIMIT),
        ("pieces", card.build.every, figures.building.PIECES_LIMIT),
        ("pairs", card.pairs or (), figures.palettes.NAME_LIMIT),
    ]
    for what, things, most in counted:
        if len(things) > most:
            yield f"It has {len(things)} {what}; {most} are the most."
        if (twice := _twice(things)) is not None:
            yield f"Two {what} have the key {twice}."
    named = [card.name, *(colour.name for colour in card.colours), *(area.name for area in areas)]
    named += [*(one.name for one in card.pictures), *(one.name for one in card.build.every)]
    if any(not name.strip() or len(name) > figures.palettes.NAME_LIMIT for name in named):
        yield f"Everything has a name, of {figures.palettes.NAME_LIMIT} characters at most."
    further = [column.key for column in FURTHER_COLUMNS]
    if list(card.further) != [key for key in further if key in card.further]:
        yield "A column of its palette is none, stands twice, or in another order."
    shown = {column.key for column in card.columns}
    cells = [(one.key, one.column) for one in card.choices]
    if len(set(cells)) < len(cells) or any(
        one.key not in colours or one.column not in shown for one in card.choices
    ):
        yield "A supply is chosen for a cell that is not there, or two for one."
    if not card.pictures:
        yield "It has no picture, not even an empty one."
    yield from _faults_of_areas(areas, colours)
    ends = [card.build.base, *(one.material for one in card.build.every)]
    ends += [end for pair in card.pairs or () for end in (pair.upper, pair.lower)]
    if any(end.source not in ("palette", "supply", "white", "sheet") for end in ends):
        yield "It is not known of what something is."
    if any(colour.anchor.provenance not in figures.colour.UNCERTAINTY for colour in card.colours):
        yield "It is not known where a colour comes from."


def _faults_of_areas(areas: Sequence[Area], colours: set[int]) -> Iterator[str]:
    if any(one.colour is not None and one.colour not in colours for one in areas):
        yield "An area is in a colour that is not in the palette."
    least, most = 1, figures.families.FAMILY_SIZES[1]
    if any(
        len(set(one.family)) < len(one.family) or len(one.family) > most or one.medium not in PICTURE_MEDIA
        for one in areas
    ):
        yield "A shading family is none."
    if any(
        len({laid.tone for laid in one.over}) < len(one.over)
        or any(laid.tone not in one.family or laid.colour == laid.tone for laid in one.over)
        for one in areas
    ):
        yield "What is laid over a tone lies over none."
    if any(not least <= one.layers <= figures.drawings.AREA_LAYERS for one in areas):
        yield f"An area has {least} to {figures.drawings.AREA_LAYERS} layers."


def _twice(things: Iterable[Keyed]) -> int | None:
    """A key that two things have, or one that is not above the base's."""
    counted = Counter(one.key for one in things)
    return next((key for key, count in counted.items() if count > 1 or key <= BASE), None)
