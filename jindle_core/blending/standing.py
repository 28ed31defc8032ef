"""How do picture and lettering stand on a ground where they lie, and does it do what is wanted of it?"""

from collections.abc import Sequence
from dataclasses import replace
from enum import StrEnum
from itertools import combinations

import numpy as np
from numpy.typing import NDArray

from jindle_core import figures
from jindle_core.checks.finding import Finding, Status
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import Array
from jindle_core.contrast.measures import measure
from jindle_core.contrast.rules import PAIR_RULES, PairKind, holds, judged
from jindle_core.limits import at_least, at_most
from jindle_core.shown import percent, shown


class Wish(StrEnum):
    """What the ground is to do for the picture."""

    QUIET = "quiet"
    SHINE = "dark"
    BRIGHT = "bright"


def picture_stands(picture: Array, ground: Array) -> NDArray[np.bool_]:
    """Where (k,) a picture stands out along its outline; ``picture``, ``ground`` (k, 3): its two sides."""
    return holds(PairKind.PICTURE, picture, ground)


def examine_picture(
    stands: NDArray[np.bool_],
    picture: Array,
    ground: Array,
    names: Sequence[str],
    outlined: bool,
    sigma: float = 0.0,
) -> Finding:
    """Whether a picture stands out along its outline, as ``picture_stands`` finds it.

    ``names`` (k,) are what of the picture it is; a drawn or stamped line holds both apart. ``sigma`` is how
    surely (ΔE00) its colours are known as they are laid.
    """
    found = _picture(stands, picture, ground, names, outlined)
    if not sigma:
        return found
    may = _nearer(picture, ground, sigma)
    return _if_sure(found, _picture(picture_stands(may, ground), may, ground, names, outlined))


def _picture(
    stands: NDArray[np.bool_], picture: Array, ground: Array, names: Sequence[str], outlined: bool
) -> Finding:
    share = float(stands.mean())
    wanted, least = figures.grounds.STANDS_SHARE
    figure = f"{percent(share, wanted, least)} of its outline"
    limit = f"{100 * wanted:.0f} % with {PAIR_RULES[PairKind.PICTURE].limit}"
    if at_least(share, wanted):
        return Finding(Status.HOLDS, figure, limit, "")
    if outlined:
        return Finding(Status.HOLDS, figure, limit, "its line holds it apart")
    sinking = [name for name, held in zip(names, stands, strict=True) if not held]
    most = max(dict.fromkeys(sinking), key=sinking.count)
    at = [name == most and not held for name, held in zip(names, stands, strict=True)]
    upper, lower = (np.median(side[at, 0]) for side in (picture, ground))
    reason = f"{most} sinks into it: L* {upper:.0f} on L* {lower:.0f}"
    return Finding(Status.LOOK_AGAIN if at_least(share, least) else Status.FAILS, figure, limit, reason)


def _nearer(upper: Array, lower: Array, sigma: float) -> Array:
    """Colours (k, 3), known to a sigma, with L* as near to what they lie on as they may well be."""
    apart = lower[..., 0] - upper[..., 0]
    most = figures.contrast.UNSURE * sigma
    return np.asarray(upper + np.stack([np.clip(apart, -most, most), *np.zeros((2, *apart.shape))], axis=-1))


_UNSURE = "not sure: nobody has read it laid so. Read it, or try it on a scrap"


def _if_sure(found: Finding, nearer: Finding) -> Finding:
    """What is found, where what may well be holds too."""
    if found.status is Status.HOLDS and nearer.status is not Status.HOLDS:
        return replace(found, status=Status.LOOK_AGAIN, reason=_UNSURE)
    return found


def examine_lettering(kind: PairKind, lettering: Array, ground: Array, sigma: float = 0.0) -> Finding:
    """How lettering (3,), or a strip of card, stands where it is worst on the ground (m, 3) under it.

    ``sigma`` is how surely (ΔE00) the lettering is known as it is laid there.
    """
    upper = np.broadcast_to(np.asarray(lettering, float), ground.shape)
    if sigma:
        nearer = _nearer(upper, ground, sigma)
        return _if_sure(_worst(kind, upper, ground), _worst(kind, nearer, ground))
    return _worst(kind, upper, ground)


def _worst(kind: PairKind, upper: Array, ground: Array) -> Finding:
    found = measure(upper, ground)
    worst = int((found.delta_e if kind is PairKind.MAT else found.ratio).argmin())
    return judged(kind, found.only(worst), upper[worst], ground[worst])


def examine_wish(wish: Wish, ground: Array, picture: Array, card: Array) -> Finding:
    """Whether a ground is too loud, too quiet or right for what is wanted of it.

    ``ground`` (r, 3) is an even sample of it, ``picture`` (k, 3) of what stands
    on it (k may be 0), ``card`` (3,) the bare card.
    """
    if wish is Wish.QUIET:
        return _quiet(ground, picture, card)
    if wish is Wish.SHINE:
        return _dark(ground, picture)
    return _bright(ground, picture, card)


def _quiet(ground: Array, picture: Array, card: Array) -> Finding:
    delta_l, ratio, off = _apart(ground)
    limit = PAIR_RULES[PairKind.QUIET].limit
    figure = PAIR_RULES[PairKind.QUIET].figure(ratio, delta_l, off)
    still = at_most(delta_l, figures.contrast.QUIET_DELTA_L) and at_most(ratio, figures.contrast.QUIET_RATIO)
    if not (still and at_most(off, figures.contrast.QUIET_DELTA_E)):
        what = "in hue and strength" if still else "from light to dark"
        reason = f"too loud: its own colours differ too much, {what}"
        return Finding(Status.LOOK_AGAIN, figure, limit, reason)
    if _hardly_there(ground, card):
        return Finding(Status.LOOK_AGAIN, figure, limit, "too quiet: it can hardly be told from the card")
    if len(picture):
        own, beside = (float(np.median(np.hypot(one[:, 1], one[:, 2]))) for one in (ground, picture))
        if not at_most(own, beside + figures.grounds.GROUND_LOUD):
            return Finding(
                Status.LOOK_AGAIN,
                f"C* {shown(own, beside + figures.grounds.GROUND_LOUD)}, the picture's {beside:.0f}",
                f"at most {figures.grounds.GROUND_LOUD:.0f} more",
                "too loud: stronger in colour than the picture",
            )
    return Finding(Status.HOLDS, figure, limit, "right: it keeps still")


def _dark(ground: Array, picture: Array) -> Finding:
    level = float(np.median(ground[:, 0]))
    figure = f"L* {shown(level, figures.grounds.DARK_GROUND_L)}"
    limit = f"L* {figures.grounds.DARK_GROUND_L:.0f} at most"
    if not at_most(level, figures.grounds.DARK_GROUND_L):
        return Finding(Status.LOOK_AGAIN, figure, limit, "not dark enough for what shall shine on it")
    lighter = at_least(picture[:, 0] - level, figures.contrast.PICTURE_DELTA_L)
    if len(picture) and not at_least(float(lighter.mean()), figures.grounds.SHINES_SHARE):
        return Finding(
            Status.LOOK_AGAIN,
            f"{percent(float(lighter.mean()), figures.grounds.SHINES_SHARE)} of the picture is lighter",
            f"{100 * figures.grounds.SHINES_SHARE:.0f} %",
            "the picture has too little that could shine on it",
        )
    return Finding(Status.HOLDS, figure, limit, "right: the picture shines on it")


def _bright(ground: Array, picture: Array, card: Array) -> Finding:
    limit = f"a picture with ΔL* {figures.contrast.PALETTE_SPAN:.0f} from light to dark"
    if _hardly_there(ground, card):
        return Finding(Status.LOOK_AGAIN, "", limit, "too quiet: it can hardly be told from the card")
    if not len(picture):
        return Finding(Status.HOLDS, "", limit, "there is no picture on it yet")
    low, high = np.quantile(picture[:, 0], [figures.grounds.GROUND_TAIL, 1 - figures.grounds.GROUND_TAIL])
    figure = f"the picture's ΔL* {shown(float(high - low), figures.contrast.PALETTE_SPAN)}"
    if not at_least(high - low, figures.contrast.PALETTE_SPAN):
        return Finding(Status.LOOK_AGAIN, figure, limit, "too loud for so flat a picture")
    return Finding(Status.HOLDS, figure, limit, "right: the picture has the range for it")


def _apart(ground: Array) -> tuple[float, float, float]:
    """ΔL*, luminance ratio and ΔE00 between the outermost of a ground's colours, its tails left out."""
    low = round(figures.grounds.GROUND_TAIL * (len(ground) - 1))
    ends = [ground[np.argsort(ground[:, axis])[place]] for axis in range(3) for place in (low, -1 - low)]
    one, other = (np.array(side) for side in zip(*combinations(ends, 2), strict=True))
    found = measure(one, other)
    return float(found.delta_l.max()), float(found.ratio.max()), float(found.delta_e.max())


def _hardly_there(ground: Array, card: Array) -> bool:
    off = delta_e(ground, np.asarray(card, float))
    seen = float(np.quantile(off, 1 - figures.grounds.GROUND_TAIL))
    return not at_least(seen, figures.grounds.GROUND_THERE)
