"""Which checks are there on what other pieces cover, and what would mend them?"""

from collections.abc import Iterator
from functools import partial
from typing import NamedTuple

from jindle_core import figures
from jindle_core.card.changes.build import BuildChange, MovePiece, RemovePiece
from jindle_core.checked.build import Examined
from jindle_core.checked.check import Check, Mend
from jindle_core.checks.finding import Finding, Status
from jindle_core.checks.ids import Shows
from jindle_core.layers.pieces import Kind, Piece
from jindle_core.limits import at_least
from jindle_core.shown import percent

_NAMED = 2  # of what covers something, the most


def covering_checks(examined: Examined) -> Iterator[Check]:
    """Pieces of which nothing shows."""
    covered = examined.covered
    for piece in examined.stack.where.build.every:
        shows = covered.pieces.get(piece.key, 1.0)
        if not at_least(shows, figures.building.HIDDEN):
            yield _hidden(examined, piece, shows)


class CoveredArea(NamedTuple):
    """An area of a picture that other pieces cover, how much of it (0 to 1), and by what."""

    area: int
    picture: int
    words: str
    covered: float
    by: str


def covered_areas(examined: Examined) -> list[CoveredArea]:
    """The areas that nobody need colour, whether they are coloured or not."""
    covered = examined.covered
    found = []
    for coloured in examined.stack.coloured:
        for area in coloured.areas:
            if area.key in covered.needless:
                one = covered.of_pictures[area.key]
                by = by_what(examined, covered.over(one.piece, one.lies))
                found.append(CoveredArea(area.key, coloured.picture.key, area.name, 1 - one.shows, by))
    return found


def by_what(examined: Examined, keys: list[int]) -> str:
    """The names of what covers something, the most first."""
    names = [examined.stack.where.name(key) for key in keys]
    more = f" and {len(names) - _NAMED} more" if len(names) > _NAMED + 1 else ""
    return (", ".join(names[:_NAMED]) + more if more else " and ".join(names)) or "the card's edge"


def _hidden(examined: Examined, piece: Piece, shows: float) -> Check:
    what = "its frame vanishes" if piece.kind is Kind.MAT else "nothing of it shows"
    status = Status.FAILS if piece.kind is Kind.MAT else Status.LOOK_AGAIN
    figure, limit = percent(shows, figures.building.HIDDEN), percent(figures.building.HIDDEN)
    finding = Finding(status, f"{figure} shows", limit, what)
    title = f"{piece.name} under {by_what(examined, examined.covered.over(piece.key))}"
    return Check("build", Shows(piece.key), title, finding, to_mend=partial(_to_show, examined, piece))


def _to_show(examined: Examined, piece: Piece) -> list[Mend]:
    """Brought up, or left out."""
    found = []
    changes: list[tuple[str, BuildChange]] = []
    face = examined.stack.look.face_of(piece.key).pieces
    if piece is not face[-1]:
        changes.append((f"bring {piece.name} up", MovePiece(piece.key, len(face) - 1)))
    for words, change in changes:
        after = Examined(examined.stack.after(change)).covered.pieces.get(piece.key, 0.0)
        if at_least(after, figures.building.HIDDEN):
            found.append(Mend(words, f"{percent(after)} shows", change))
    found.append(Mend(f"without {piece.name}", "what lay on it follows", RemovePiece(piece.key)))
    return found
