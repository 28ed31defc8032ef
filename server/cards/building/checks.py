"""What are the checks of a card that is built of pieces?"""

from collections.abc import Callable, Iterator

from jindle_core.check_ids import ENVELOPE, SPREAD, THICKNESS, WRITING, melting_check, once_check, piece_check
from jindle_core.contrast.rules import Finding, Status
from jindle_core.contrast.stacked import examine_melting
from jindle_core.layers.pieces import WORDS, Kind, Piece
from server.cards.building import mends
from server.cards.building.examined import Examined
from server.cards.findings import Told, check

_MENDED = 8  # checks that are told with what would mend them: nobody reads on before these are mended
# What lies on something, rather than around it, and so is judged on it.
_ON = (*WORDS, Kind.IMAGE)
# A check's id, its title, what was found, and how to find what would mend it.
_Found = tuple[str, str, Finding, Callable[[], list[Told]]]


def build_checks(examined: Examined, mending: bool = True) -> list[Told]:
    """Every check of a card with pieces, the first that do not hold with what would mend them."""
    plan = examined.stack.resolved.plan
    if not plan.build.every:
        return []
    left = _MENDED if mending else 0
    found = []
    for key, title, finding, to_mend in _found(examined):
        wanted = finding.status is not Status.HOLDS and plan.waiver(key) is None and left > 0
        left -= wanted
        found.append(check(plan, "build", key, title, finding, to_mend() if wanted else ()))
    return found


def _found(examined: Examined) -> Iterator[_Found]:
    stack = examined.stack
    for piece in stack.plan.every:
        yield from _of_piece(examined, piece)
    for one, other in examined.melting:
        title = f"{stack.name(other)} and {stack.name(one)}"
        finding = examine_melting(stack.lab(one), stack.lab(other))
        key = melting_check(one, other)
        yield key, title, finding, lambda pair=(one, other): mends.to_part(examined, *pair)
    for colour, finding in examined.accents:
        title = f"The accent {colour.name}"
        yield once_check(colour.key), title, finding, lambda one=colour: mends.to_return(examined, one)
    if stack.plan.pieces:
        yield SPREAD, "Light to dark on the card", examined.spread, lambda: mends.to_spread(examined)
    yield WRITING, "Room to write inside", examined.writing, lambda: mends.to_write(examined)
    if stack.plan.post_limit is not None:
        yield THICKNESS, "Thickness", examined.thick, lambda: mends.to_thin(examined)
    yield ENVELOPE, "Envelope", examined.posted, lambda: mends.to_post(examined)


def _of_piece(examined: Examined, piece: Piece) -> Iterator[_Found]:
    key, fit = piece.key, examined.fits[piece.key].finding
    if fit.status is not Status.HOLDS:
        title = f"{piece.name} on {examined.stack.name(piece.on)}"
        yield piece_check("fit", key), title, fit, lambda: mends.to_fit(examined, piece)
    if key in examined.stands:
        stands = examined.stands[key]
        title = f"{piece.name} {'on' if piece.kind in _ON else 'beside'} {stands.beside}"
        yield piece_check("stands", key), title, stands.finding, lambda: mends.to_stand(examined, piece)
    if piece.kind is Kind.FINISH:
        finding = examined.finish(piece)
        yield piece_check("finish", key), piece.name, finding, lambda: mends.to_repeat(examined, piece)
