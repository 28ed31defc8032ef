"""Which palette grows from a sheet of patterned paper, and which sheets go with a palette?"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import Array
from jindle_core.colorimetry.temperature import temperature
from jindle_core.contrast.rules import PairKind, holds
from jindle_core.palettes.role import Role
from jindle_core.patterned.colours import SheetColour


def propose_roles(colours: Sequence[SheetColour]) -> list[Role]:
    """A role for each colour of a sheet, by the part it plays and by how light and strong it is.

    The ground stays the ground and the main colour leads. Of the others the
    darkest is the dark where it is dark enough, a near-grey is a neutral, and
    the small ones are accents.
    """
    roles = []
    darkest = min(range(len(colours)), key=lambda at: colours[at].lab[0], default=None)
    for at, one in enumerate(colours):
        lightness, a, b = one.lab
        chroma = float(np.hypot(a, b))
        if one.part == "ground":
            roles.append(Role.GROUND)
        elif one.part == "main":
            roles.append(Role.LEAD)
        elif at == darkest and lightness <= figures.paper.DARK_ROLE_L:
            roles.append(Role.DARK)
        elif chroma < figures.paper.NEUTRAL_ROLE_C:
            roles.append(Role.LIGHT if lightness >= figures.paper.LIGHT_ROLE_L else Role.NEUTRAL)
        else:
            roles.append(Role.ACCENT if one.part == "accent" else Role.SUPPORT)
    return roles


def neutrals_for(labs: Array, shares: Array, candidates: Array, count: int = 2) -> list[int]:
    """Places of greys among candidates (m, 3) that suit a sheet's temperature: a middle one, a dark one.

    A warm grey beside cool whites looks dirty, so the grey leans the way the
    sheet does; where none leans so, the most neutral is taken.
    """
    candidates = np.asarray(candidates, dtype=float).reshape(-1, 3)
    chroma = np.hypot(candidates[:, 1], candidates[:, 2])
    greys = np.flatnonzero(chroma < figures.paper.NEUTRAL_ROLE_C)
    if not len(greys):
        return []
    warm = np.sign(temperature(labs, shares))
    leaning = np.array([np.sign(temperature(candidates[[at]], np.ones(1))) for at in greys])
    off = np.where((leaning == warm) | (chroma[greys] < 1.0), 0.0, figures.paper.WRONG_GREY)
    chosen: list[int] = []
    for wanted in (figures.paper.MIDDLE_GREY_L, figures.paper.DARK_GREY_L)[:count]:
        cost = np.abs(candidates[greys, 0] - wanted) + off
        best = int(greys[np.argmin(cost)])
        if best not in chosen:
            chosen.append(best)
    return chosen


def lettering_for(ground: Array, own: Array, candidates: Array) -> tuple[str, int] | None:
    """A colour that can be read on a ground (3,): of the sheet's own (n, 3), else of candidates (m, 3).

    Gives ("own" or "candidate", place), the darkest of its own that reads, else
    the candidate nearest to its own darkest; None where nothing reads.
    """
    own = np.asarray(own, dtype=float).reshape(-1, 3)
    candidates = np.asarray(candidates, dtype=float).reshape(-1, 3)
    reads = np.flatnonzero(holds(PairKind.LETTERING_SMALL, own, ground)) if len(own) else np.arange(0)
    if len(reads):
        return "own", int(reads[np.argmin(own[reads, 0])])
    reads = np.flatnonzero(holds(PairKind.LETTERING_SMALL, candidates, ground)) if len(candidates) else reads
    if not len(reads):
        return None
    near = own[np.argmin(own[:, 0])] if len(own) else np.asarray(ground)
    return "candidate", int(reads[np.argmin(delta_e(near[None], candidates[reads]))])


@dataclass(frozen=True, slots=True)
class Going:
    """How well a sheet goes with a palette.

    ``agrees`` is the share of its area within ``figures.paper.AGREES`` of a palette
    colour; ``rank`` the same by the roots of the shares, since a ground that
    agrees says little of the pattern; ``holds`` the places of the palette colours it has, and ``stranger``
    the place of its largest colour that the palette does not know, or None.
    """

    agrees: float
    rank: float
    holds: tuple[int, ...]
    stranger: int | None


def goes_with(sheet: Array, shares: Array, palette: Array) -> Going:
    """Hold a sheet's colours (n, 3), by their shares (n,), against a palette (m, 3), m at least 1."""
    apart = delta_e(np.asarray(sheet)[:, None], np.asarray(palette)[None])
    known = apart.min(axis=1) <= figures.paper.AGREES
    shares = np.asarray(shares, dtype=float)
    roots = np.sqrt(shares)
    held = np.flatnonzero(apart.min(axis=0) <= figures.paper.AGREES)
    strangers = np.flatnonzero(~known)
    stranger = int(strangers[np.argmax(shares[strangers])]) if len(strangers) else None
    agrees, rank = (float(one[known].sum() / one.sum()) for one in (shares, roots))
    return Going(agrees, rank, tuple(map(int, held)), stranger)
