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


def examine_beside(
    kind: PairKind, piece: Array, beside: Sequence[Neighbour], outlined: bool = False
) -> tuple[Finding, str]:
    """The worst that a rule finds on a piece (3,) among its neighbours, and that neighbour's name.

    What lies along less than ``defaults.BESIDE_LEAST`` of its edge is not judged,
    unless it is all there is. Raises ValueError for no neighbours.
    """
    if not beside:
        raise ValueError("nothing lies beside the piece")
    judged = [one for one in beside if one.share >= defaults.BESIDE_LEAST] or list(beside)
    lower = np.array([one.lab for one in judged])
    upper = np.broadcast_to(np.asarray(piece, float), lower.shape)
    found = examine_each([kind] * len(judged), upper, lower, [outlined] * len(judged))
    worst = min(range(len(found)), key=lambda at: (_WORST.index(found[at].status), -judged[at].share))
    finding, name = found[worst], judged[worst].name
    if finding.status is not Status.HOLDS and len(judged) > 1:
        along = f"along {100 * judged[worst].share:.0f} % of its edge"
        finding = replace(finding, reason=f"{finding.reason}, {along}")
    return finding, name


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
