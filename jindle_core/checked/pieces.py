"""What are the checks of a card that is built of pieces?"""

from collections.abc import Callable, Iterator
from functools import partial

from jindle_core.checked import mends
from jindle_core.checked.build import Examined
from jindle_core.checked.check import Check, Mend
from jindle_core.checked.covering import covering_checks
from jindle_core.checks.finding import Finding, Status
from jindle_core.checks.ids import CheckId, Fits, Makes, Melts, OnAccent, OnWhole, Repeats, Stands, Whole
from jindle_core.contrast.stacked import examine_melting
from jindle_core.layers.folding import examine_base
from jindle_core.layers.pieces import WORDS, Kind, Piece
from jindle_core.words import in_words

# What lies on something, rather than around it, and so is judged on it.
_ON = (*WORDS, Kind.IMAGE)


def build_checks(examined: Examined) -> list[Check]:
    """Every check of a card with pieces; none without any."""
    build = examined.stack.where.build
    if not build.every:
        return []
    found = [check for piece in build.every for check in _of_piece(examined, piece)]
    return [
        *found,
        *covering_checks(examined),
        *_together(examined),
        *_of_base(examined),
        *_in_the_post(examined),
    ]


def _of_build(check: CheckId, title: str, finding: Finding, to_mend: Callable[[], list[Mend]]) -> Check:
    return Check("build", check, title, finding, to_mend=to_mend)


def _of_piece(examined: Examined, piece: Piece) -> Iterator[Check]:
    key, fit = piece.key, examined.fits[piece.key].finding
    if fit.status is not Status.HOLDS:
        title = f"{piece.name} on {examined.stack.where.name(piece.on)}"
        yield _of_build(Fits(key), title, fit, partial(mends.to_fit, examined, piece))
    if key in examined.stands:
        stands = examined.stands[key]
        title = f"{piece.name} {'on' if piece.kind in _ON else 'beside'} {stands.beside}"
        to_mend = partial(mends.to_stand, examined, piece)
        yield _of_build(Stands(key), title, stands.finding, to_mend)
    if (made := examined.makings.get(key)) is not None:
        title = f"{piece.name}, {in_words(piece.made or '')}"
        yield _of_build(Makes(key), title, made, partial(mends.to_make, examined, piece))
    if piece.kind is Kind.FINISH:
        to_mend = partial(mends.to_repeat, examined, piece)
        yield _of_build(Repeats(key), piece.name, examined.finish(piece), to_mend)


def _together(examined: Examined) -> Iterator[Check]:
    """What is found of all the pieces together."""
    stack = examined.stack
    for one, other in examined.melting:
        title = f"{stack.where.name(other)} and {stack.where.name(one)}"
        finding = examine_melting(stack.lab(one), stack.lab(other))
        yield _of_build(Melts(one, other), title, finding, partial(mends.to_part, examined, one, other))
    for colour, finding in examined.accents:
        to_mend = partial(mends.to_return, examined, colour)
        yield _of_build(OnAccent(colour.key), f"The accent {colour.name}", finding, to_mend)
    if examined.finishes:
        to_mend = partial(mends.to_lead, examined)
        yield _of_build(OnWhole(Whole.FLOW), "Finishing pieces together", examined.flow, to_mend)
    if stack.where.build.pieces:
        to_mend = partial(mends.to_spread, examined)
        yield _of_build(OnWhole(Whole.SPREAD), "Light to dark on the card", examined.spread, to_mend)
    to_mend = partial(mends.to_write, examined)
    yield _of_build(OnWhole(Whole.WRITING), "Room to write inside", examined.writing, to_mend)


def _of_base(examined: Examined) -> Iterator[Check]:
    card = examined.stack.palette.card
    finding = examine_base(card.size, card.fold)
    if finding.status is not Status.HOLDS:
        yield _of_build(OnWhole(Whole.SHEET), "The base", finding, partial(mends.to_fold, examined))


def _in_the_post(examined: Examined) -> Iterator[Check]:
    if examined.stack.where.build.post_limit is not None:
        to_mend = partial(mends.to_thin, examined)
        yield _of_build(OnWhole(Whole.THICKNESS), "Thickness", examined.thick, to_mend)
    yield _of_build(OnWhole(Whole.ENVELOPE), "Envelope", examined.posted, partial(mends.to_post, examined))
