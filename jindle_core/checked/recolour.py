"""In which other colour would a piece stand, and everything that lies beside it still?"""

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from itertools import islice
from typing import NamedTuple

import numpy as np

from jindle_core import figures
from jindle_core.card.changes.build import BuildChange, EditPiece, SetBuild
from jindle_core.checked.check import Mend
from jindle_core.checked.standing import PieceStands
from jindle_core.colorimetry.difference import delta_e
from jindle_core.contrast.rules import PAIR_RULES, PairKind, examine_each, holds
from jindle_core.layers.pieces import BASE, WHITE_END, Kind
from jindle_core.material import End
from jindle_core.media.groups import FINISH_MEDIA, GROUND_MEDIA
from jindle_core.seen.stack.whole import Stack
from jindle_core.shown import percent
from jindle_core.supplies.choose import supply_ends

_OFFERED = 2


@dataclass(frozen=True)
class WantedColour:
    """What is wanted of a colour besides standing: of colours (n, 3) which do, and one's (3,) figure."""

    does: Callable[[np.ndarray], np.ndarray]
    figure: Callable[[np.ndarray], str]


class _Compared(NamedTuple):
    """By a rule, colours (n, m, 3) on colours (n, m, 3): n tries of m comparisons."""

    rule: PairKind
    upper: np.ndarray
    under: np.ndarray


def recolourings(
    stack: Stack, stands: dict[int, PieceStands], key: int, judged: int, wanted: WantedColour | None = None
) -> list[Mend]:
    """The nearest other colours of a piece with which another, or itself, stands: mends of its check.

    ``judged`` is the key of the piece that is to stand; what stands now goes on
    standing. What the card has already comes first, then supplies.
    """
    if not stack.of.takes_colour(key):
        return []
    own = stands.get(key)

    def figure(lab: np.ndarray) -> str:
        if wanted is not None:
            return wanted.figure(lab)
        return _figure(stands[judged], key, key == judged, lab)

    media = dict(PAIR_RULES[own.rule].remedies)["upper"] if own else GROUND_MEDIA
    if key != BASE and stack.where.piece(key).kind is Kind.FINISH:
        media = FINISH_MEDIA
    found: list[Mend] = []
    for ends, labs in (_there(stack, key), supply_ends(stack.palette.supplies, media)):
        kept = _standing(stands, key, judged, labs)
        if wanted is not None:
            kept &= wanted.does(labs)
        order = np.flatnonzero(kept)
        order = order[np.argsort(delta_e(stack.lab(key), labs[order]), kind="stable")]
        best = order[: _OFFERED - len(found)]
        found += [_mend(stack, key, ends[at], figure(labs[at])) for at in best]
        if len(found) >= _OFFERED:
            break
    return found


def _there(stack: Stack, key: int) -> tuple[list[End], np.ndarray]:
    """The palette's colours and what else the card is made of, but for what a piece is of."""
    used = [stack.where.material(each) for each in (BASE, *(piece.key for piece in stack.where.build.every))]
    palette = [End("palette", colour.key) for colour in stack.palette.card.colours]
    every = [end for end in dict.fromkeys([*palette, *used, WHITE_END]) if end.source != "sheet"]
    ends = [end for end in every if end != stack.where.material(key)]
    return ends, np.array([stack.palette.end_lab(end) for end in ends]).reshape(-1, 3)


def _standing(stands: dict[int, PieceStands], key: int, judged: int, labs: np.ndarray) -> np.ndarray:
    """Of colours (n, 3) for a piece, those with which what is judged stands and all else no worse."""
    affected = [
        (other, one)
        for other, one in stands.items()
        if other in (key, judged) or (len(labs) and (one.at == key).any())
    ]
    now = [_Compared(one.rule, one.upper[None], one.under[None]) for _, one in affected]
    after = [_Compared(one.rule, *_with(one, key, other == key, labs)) for other, one in affected]
    shares = iter(_shares([*now, *after]))
    kept = np.ones(len(labs), dtype=bool)
    for (other, one), before, share in zip(affected, list(islice(shares, len(now))), shares, strict=True):
        wanted = figures.grounds.STANDS_SHARE[0] if one.rule is PairKind.PICTURE else 1.0
        if other != judged:  # it may stand for another reason, as by its outline: it is not to stand worse
            wanted = min(wanted, before[0])
        kept &= share >= wanted
    return kept


def _with(one: PieceStands, key: int, own: bool, labs: np.ndarray) -> tuple[np.ndarray, np.ndarray]:
    """What is compared once it, or the thing with a key, has each of colours (n, 3)."""
    if own:
        upper, under = labs[:, None], one.under[None]
    else:
        here = (one.at == key)[None, :, None]
        upper, under = one.upper[None], np.where(here, labs[:, None], one.under[None])
    upper, under = np.broadcast_arrays(upper, under)
    return upper, under


def _shares(asked: Sequence[_Compared]) -> list[np.ndarray]:
    """Of each comparison which share (n,) holds; all of a rule at once, for few take as long as many."""
    found: dict[int, np.ndarray] = {}
    for rule in {one.rule for one in asked}:
        places = [at for at, one in enumerate(asked) if one.rule is rule]
        upper, under = (
            np.concatenate([side.reshape(-1, 3) for side in sides])
            for sides in zip(*((asked[at].upper, asked[at].under) for at in places), strict=True)
        )
        held = np.split(holds(rule, upper, under), np.cumsum([asked[at].upper[..., 0].size for at in places]))
        for at, part in zip(places, held, strict=False):
            found[at] = part.reshape(asked[at].upper.shape[:2]).mean(axis=1)
    return [found[at] for at in range(len(asked))]


def _mend(stack: Stack, key: int, end: End, figure: str) -> Mend:
    words = f"{stack.where.name(key)} in {stack.palette.end_words(end)}"
    change: BuildChange = SetBuild({"base": end})
    if key != BASE:
        change = EditPiece(key, {"material": end, "inked": None})
    return Mend(words, figure, change, stack.palette.end_shades(end))


def _figure(one: PieceStands, key: int, own: bool, lab: np.ndarray) -> str:
    """The figure of how something stands once it, or the thing with a key, has a colour (3,)."""
    upper, under = one.upper.copy(), one.under.copy()
    if own:
        upper[:] = lab
    else:
        under[one.at == key] = lab
    if one.rule is PairKind.PICTURE:
        share = float(holds(one.rule, upper, under).mean())
        return f"{percent(share, *figures.grounds.STANDS_SHARE)} of its outline"
    found = examine_each([one.rule] * len(upper), upper, under, [False] * len(upper))
    off = delta_e(upper, under) if one.rule is PairKind.MAT else np.abs(upper[:, 0] - under[:, 0])
    return found[int(np.argmin(off))].figure
