"""What can a card go by: a season or place, a kept combination, a sheet of paper?"""

from collections.abc import Callable, Iterator

import numpy as np

from jindle_core.errors import BadInput, Problem
from jindle_core.palettes.moods import MOOD, Mood, mood_of
from jindle_core.seen.palette import SeenPalette
from server.access import combinations_seen_by, moods_of, one, papers_offered_to, papers_seen_by
from server.accounts.models import Person
from server.cards.sheets import sheets_seen
from server.palettes.models import Combination
from server.palettes.moods import OWN, every_mood, mood_read
from server.papers.models import Paper
from server.told.colourways import GoneBy

_OFFERED = 4  # combinations and papers of a person's own that are gone by where nothing is said


def moods_offered(person: Person, palette: SeenPalette) -> Iterator[Mood]:
    """Those that are gone by where nothing is said: all, and the latest of one's own of each other kind."""
    yield from every_mood(person)
    own = combinations_seen_by(person).filter(owner=person)[:_OFFERED]
    papers = papers_offered_to(person).filter(owner=person).order_by("-id").defer("picture")[:_OFFERED]
    yield from filter(None, map(_of_combination, own))
    yield from filter(None, (_of_paper(one, palette, person) for one in papers))


def mood_named(key: str, person: Person, palette: SeenPalette) -> Mood:
    """The one of a key; BadInput for what has no hue, 404 for what is not the person's to see."""
    kind, _, pk = key.partition(":")
    if key in MOOD:
        return MOOD[key]
    if kind not in _NAMED or not (pk.isascii() and pk.isdecimal()):
        raise BadInput(Problem(f"There is no season or place “{key}”.", field="like", value=key))
    found = _NAMED[kind](int(pk), person, palette)
    if found is None:
        raise BadInput(Problem("All of it is grey: it has no hue to go by.", field="like", value=key))
    return found


def choices(person: Person) -> list[GoneBy]:
    """All that a card can go by: keys, and words under which of which kind."""
    told = [GoneBy(key=mood.key, words=mood.title, of="Seasons and places") for mood in every_mood(person)]
    kept = combinations_seen_by(person).values_list("pk", "name")
    told += [GoneBy(key=f"combination:{pk}", words=name, of="Kept combinations") for pk, name in kept]
    papers = papers_offered_to(person).values_list("pk", "title")
    return told + [GoneBy(key=f"paper:{pk}", words=title, of="Papers") for pk, title in papers]


def _of_combination(kept: Combination) -> Mood | None:
    labs = np.array([colour["lab"] for colour in kept.stored], dtype=float)
    return mood_of(labs, f"combination:{kept.pk}", f"After “{kept.name}”", "The colours of a combination.")


def _of_paper(paper: Paper, palette: SeenPalette, person: Person) -> Mood | None:
    sheet = sheets_seen(palette.supplies, person, [paper.pk]).get(paper.pk)
    if sheet is None:
        return None
    title, about = f"After the paper “{paper.title}”", "The colours of a paper, by their shares."
    return mood_of(palette.sheet_labs(sheet), f"paper:{paper.pk}", title, about, sheet.shares)


def _own(pk: int, person: Person, _: SeenPalette) -> Mood | None:
    return mood_read(one(moods_of(person), pk=pk))


def _combination(pk: int, person: Person, _: SeenPalette) -> Mood | None:
    return _of_combination(one(combinations_seen_by(person), pk=pk))


def _paper(pk: int, person: Person, palette: SeenPalette) -> Mood | None:
    return _of_paper(one(papers_seen_by(person).defer("picture"), pk=pk), palette, person)


_NAMED: dict[str, Callable[[int, Person, SeenPalette], Mood | None]] = {
    OWN: _own,
    "combination": _combination,
    "paper": _paper,
}
