"""How does a piece stand against everything that it really lies beside, and what melts together?"""

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from jindle_core import defaults
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import Array
from jindle_core.contrast.rules import Finding, PairKind, Status, examine_each


@dataclass(frozen=True, slots=True)
class Neighbour:
    """What lies beside a piece: its name, its CIELAB (3,), and along which share of the edge (0–1)."""

    name: str
    lab: tuple[float, float, float]
    share: float


_WORST = (Status.FAILS, Status.LOOK_AGAIN, Status.HOLDS)


@dataclass(frozen=True, slots=True)
class Standing:
    """A piece to be judged: by which rule, its CIELAB (3,), and what lies beside it (one at least)."""

    kind: PairKind
    lab: tuple[float, float, float]
    beside: tuple[Neighbour, ...]
    outlined: bool = False


def examine_stack(pieces: Sequence[Standing]) -> list[tuple[Finding, str]]:
    """For each piece the worst that its rule finds among its neighbours, and that neighbour's name.

    What lies along less than ``defaults.BESIDE_LEAST`` of its edge is not judged,
    unless it is all there is. Raises ValueError for a piece without neighbours.
    """
    if not all(piece.beside for piece in pieces):
        raise ValueError("nothing lies beside the piece")
    if not pieces:
        return []
    judged = [
        [one for one in piece.beside if one.share >= defaults.BESIDE_LEAST] or list(piece.beside)
        for piece in pieces
    ]
    pairs = [(piece, one) for piece, beside in zip(pieces, judged, strict=True) for one in beside]
    found = iter(
        examine_each(
            [piece.kind for piece, _ in pairs],
            np.array([piece.lab for piece, _ in pairs]),
            np.array([one.lab for _, one in pairs]),
            [piece.outlined for piece, _ in pairs],
        )
    )
    return [_worst([(next(found), one) for one in beside]) for beside in judged]


def _worst(found: list[tuple[Finding, Neighbour]]) -> tuple[Finding, str]:
    finding, beside = min(found, key=lambda one: (_WORST.index(one[0].status), -one[1].share))
    if finding.status is not Status.HOLDS and len(found) > 1:
        along = f"along {100 * beside.share:.0f} % of its edge"
        finding = replace(finding, reason=f"{finding.reason}, {along}")
    return finding, beside.name


def melting(labs: Array, pairs: Sequence[tuple[int, int]]) -> list[tuple[int, int]]:
    """Of pairs that touch, by their places among colours (n, 3), those that squinting melts together.

    They differ in colour, or nobody would take them for two, but hardly in lightness.
    """
    labs = np.asarray(labs, dtype=float)
    if not pairs:
        return []
    one, other = (labs[[pair[end] for pair in pairs]] for end in (0, 1))
    alike = np.abs(one[:, 0] - other[:, 0]) < defaults.MELTS_L
    melts = alike & (delta_e(one, other) >= defaults.MAT_DELTA_E)
    return [pair for pair, gone in zip(pairs, melts, strict=True) if gone]


def appears_once(keys: Sequence[int]) -> list[int]:
    """Of the palette colours that pieces are in, by key, those that are there only once."""
    return [key for key in dict.fromkeys(keys) if list(keys).count(key) == 1]
