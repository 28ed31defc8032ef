"""Does a ground run evenly: the steps of an ombre, the centre of a vignette, ink along a stencil's edge?"""

import numpy as np

from jindle_core import figures
from jindle_core.blending.inks import Inks, seen_on
from jindle_core.checks.finding import Finding, Status
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import Array
from jindle_core.limits import at_least, at_most
from jindle_core.prediction.stocks import WHITE_CARD
from jindle_core.shown import shown


def examine_steps(labs: Array) -> Finding:
    """Whether the bands (n, 3) of an ombre, n at least 2, step evenly from light to dark or back."""
    lightness = np.asarray(labs, dtype=float)[:, 0]
    drops = np.diff(lightness)
    span = abs(float(lightness[-1] - lightness[0]))
    turn = -1 if lightness[-1] < lightness[0] else 1
    figure = "ΔL* " + ", ".join(f"{abs(drop):.0f}" for drop in drops)
    limit = f"steps within ± {100 * figures.grounds.OMBRE_UNEVEN:.0f} % of their mean"
    if not at_least(span, figures.grounds.OMBRE_SPAN):
        return Finding(
            Status.LOOK_AGAIN,
            f"{figure}: {shown(span, figures.grounds.OMBRE_SPAN)} in all",
            f"ΔL* {figures.grounds.OMBRE_SPAN:.0f} in all",
            "hardly gets darker or lighter",
        )
    back = np.flatnonzero(drops * turn < -figures.grounds.OMBRE_BACK)
    if len(back):
        there = int(back[0])
        words = "gets lighter again" if turn < 0 else "gets darker again"
        return Finding(Status.FAILS, figure, limit, f"{words} from band {there + 1} to {there + 2}")
    at = int(np.abs(np.abs(drops) - span / len(drops)).argmax())
    if at_most(unevenness(labs), figures.grounds.OMBRE_UNEVEN):
        return Finding(Status.HOLDS, figure, limit, "")
    how = "jumps" if abs(drops[at]) > span / len(drops) else "hardly shows a step"
    return Finding(Status.LOOK_AGAIN, figure, limit, f"{how} from band {at + 1} to {at + 2}")


def unevenness(labs: Array) -> float:
    """By how much the most uneven step of bands (n, 3) is off their mean, as a share of it; 0 is even."""
    lightness = np.asarray(labs, dtype=float)[:, 0]
    mean = (lightness[-1] - lightness[0]) / (len(lightness) - 1)
    if not mean:
        return float("inf")
    return float(np.abs(np.diff(lightness) / mean - 1).max())


def examine_centre(centre: Array, edge: Array) -> Finding:
    """Whether a vignette's centre (3,) is too harsh against the colour (3,) that begins beside it."""
    off = float(delta_e(np.asarray(centre, float), np.asarray(edge, float)))
    chroma = float(np.hypot(edge[1], edge[2]))
    hue = np.degrees(np.arctan2(edge[2], edge[1])) % 360
    warm = (
        chroma >= figures.grounds.MUD_ENDS_C
        and figures.grounds.WARM_HUES[0] <= hue <= figures.grounds.WARM_HUES[1]
    )
    most = figures.grounds.CENTRE_WARM if warm else figures.grounds.CENTRE_HARSH
    figure, limit = f"ΔE {shown(off, most)}, ΔL* {abs(centre[0] - edge[0]):.0f}", f"at most ΔE {most:.0f}"
    if at_most(off, most):
        return Finding(Status.HOLDS, figure, limit, "")
    beside = "a warm edge" if warm else "so strong an edge"
    return Finding(Status.LOOK_AGAIN, figure, limit, f"the bare centre is harsh beside {beside}")


def examine_edge(ink: Inks, card: Array = WHITE_CARD) -> Finding:
    """Whether one ink (…) gathers to a line along a stencil's edge, or under tape."""
    flat, gathered = (
        seen_on(ink.times(np.array(weight)), card) for weight in (1.0, figures.grounds.EDGE_GATHERS)
    )
    off = float(delta_e(flat, gathered))
    figure, limit = (
        f"ΔE {shown(off, figures.grounds.EDGE_LINE, digits=1)}, ΔL* {flat[0] - gathered[0]:.0f} darker",
        f"at most ΔE {figures.grounds.EDGE_LINE:.0f}",
    )
    if at_most(off, figures.grounds.EDGE_LINE):
        return Finding(Status.HOLDS, figure, limit, "")
    return Finding(Status.LOOK_AGAIN, figure, limit, "ink gathers to a line along the edge")


def examine_layer(before: Array, over: Array) -> Finding:
    """Whether a stencil's layer shows over what lies there before it, CIELAB (3,) each."""
    least = figures.grounds.EFFECT_SHOWS
    off = float(delta_e(before, over))
    figure = f"ΔE {shown(off, least)}, ΔL* {abs(float(before[0] - over[0])):.0f} darker"
    limit = f"ΔE {least:g}"
    if at_least(off, least):
        return Finding(Status.HOLDS, figure, limit, "")
    return Finding(Status.LOOK_AGAIN, figure, limit, "vanishes over it: light layers come first")


def examine_side(twice: Array, once: Array) -> Finding:
    """Whether an edge that gets ink twice shows, CIELAB (k, 3) along it, and (k, 3) if it did not."""
    most = figures.grounds.EDGE_LINE
    off = float(np.median(delta_e(twice, once)))
    darker = float(np.median(once[:, 0] - twice[:, 0]))
    figure = f"ΔE {shown(off, most, digits=1)}, ΔL* {darker:.0f} darker"
    limit = f"at most ΔE {most:.0f}"
    if at_most(off, most):
        return Finding(Status.HOLDS, figure, limit, "")
    return Finding(Status.LOOK_AGAIN, figure, limit, "a double edge, where the brush always comes in")


def evened(bands: list[Array]) -> int | None:
    """Of several ways (n, 3) to lay bands, the first as they are, the one that is clearly more even."""
    found = [unevenness(one) for one in bands]
    best = int(np.argmin(found))
    return best if found[best] < figures.grounds.OMBRE_BETTER * found[0] else None
