"""What are the checks of a card that is built of pieces?"""

from collections.abc import Iterator
from functools import partial

from jindle_core.checked import mends
from jindle_core.checked.build import Examined
from jindle_core.checked.check import Check
from jindle_core.checks.ids import (
    ENVELOPE,
    SHEET,
    SPREAD,
    THICKNESS,
    WRITING,
    melting_check,
    once_check,
    piece_check,
)
from jindle_core.contrast.rules import Status
from jindle_core.contrast.stacked import examine_melting
from jindle_core.layers.folding import examine_base
from jindle_core.layers.pieces import WORDS, Kind, Piece

# What lies on something, rather than around it, and so is judged on it.
_ON = (*WORDS, Kind.IMAGE)
_of_build = partial(Check, "build")


def build_checks(examined: Examined) -> list[Check]:
    """Every check of a card with pieces; none without any."""
    build = examined.stack.build
    if not build.every:
        return []
    found = [check for piece in build.every for check in _of_piece(examined, piece)]
    return [*found, *_together(examined), *_of_base(examined), *_in_the_post(examined)]


def _of_piece(examined: Examined, piece: Piece) -> Iterator[Check]:
    key, fit = piece.key, examined.fits[piece.key].finding
    if fit.status is not Status.HOLDS:
        title = f"{piece.name} on {examined.stack.name(piece.on)}"
        yield _of_build(piece_check("fit", key), title, fit, partial(mends.to_fit, examined, piece))
    if key in examined.stands:
        stands = examined.stands[key]
        title = f"{piece.name} {'on' if piece.kind in _ON else 'beside'} {stands.beside}"
        to_mend = partial(mends.to_stand, examined, piece)
        yield _of_build(piece_check("stands", key), title, stands.finding, to_mend)
    if piece.kind is Kind.FINISH:
        to_mend = partial(mends.to_repeat, examined, piece)
        yield _of_build(piece_check("finish", key), piece.name, examined.finish(piece), to_mend)


def _together(examined: Examined) -> Iterator[Check]:
    """What is found of all the pieces together."""
    stack = examined.stack
    for one, other in examined.melting:
        title = f"{stack.name(other)} and {stack.name(one)}"
        finding = examine_melting(stack.lab(one), stack.lab(other))
        yield _of_build(
            melting_check(one, other), title, finding, partial(mends.to_part, examined, one, other)
        )
    for colour, finding in examined.accents:
        to_mend = partial(mends.to_return, examined, colour)
        yield _of_build(once_check(colour.key), f"The accent {colour.name}", finding, to_mend)
    if stack.build.pieces:
        to_mend = partial(mends.to_spread, examined)
        yield _of_build(SPREAD, "Light to dark on the card", examined.spread, to_mend)
    yield _of_build(WRITING, "Room to write inside", examined.writing, partial(mends.to_write, examined))


def _of_base(examined: Examined) -> Iterator[Check]:
    card = examined.stack.resolved.card
    finding = examine_base(card.size, card.fold)
    if finding.status is not Status.HOLDS:
        yield _of_build(SHEET, "The base", finding, partial(mends.to_fold, examined))


def _in_the_post(examined: Examined) -> Iterator[Check]:
    if examined.stack.build.post_limit is not None:
        yield _of_build(THICKNESS, "Thickness", examined.thick, partial(mends.to_thin, examined))
    yield _of_build(ENVELOPE, "Envelope", examined.posted, partial(mends.to_post, examined))
