"""How far predictions lie off in worlds that nothing was found on, and how far they say so."""

import numpy as np

from bench.unseen import WORLDS
from bench.visitor import Row
from bench.worlds import TUNED, Asked, Layings, Many
from jindle_core.media.medium import Covering

_WHITE: Layings = ((2, "white"), (3, "white"))
_STOCKS: Layings = ((1, "white"), (1, "pale"), (1, "cream"), (1, "grey"), (1, "kraft"))
_WAX: Layings = ((2, "grey"), (2, "kraft"), (2, "cream"))
_DARK: Layings = ((1, "black"), (1, "kraft"))
# What a range is asked in all: where its stated band is looked at.
_EVERY: dict[Covering, Layings] = {
    Covering.TRANSPARENT: (*_WHITE, *_STOCKS[1:], (2, "kraft"), (3, "grey")),
    Covering.WAX: (*_WHITE, *_WAX, (1, "black")),
    Covering.FILM: ((2, "white"), (1, "grey"), *_DARK, (2, "black")),
}
_KINDS = {Covering.TRANSPARENT: "dyes", Covering.FILM: "pads and pens", Covering.WAX: "pencils"}


def prediction_rows() -> list[Row]:
    """Transparent colours, glazes, pencils, films, one's own readings, and the stated band."""
    worlds = Many(WORLDS)
    dye, wax, film = Covering.TRANSPARENT, Covering.WAX, Covering.FILM
    rows = [
        _near(
            "Dyes on white, 2 and 3 layers, after six readings",
            worlds.laid(dye, _WHITE, taught=True),
            1.2,
            2.8,
        ),
        _near("Dyes on five stocks, after six readings", worlds.laid(dye, _STOCKS, taught=True), 1.3, 3.0),
        _near("One dye glazed over another, after six readings", worlds.glazed(taught=True), 1.5, 3.5),
        _near(
            "Pencils, 2 layers on grey, kraft, cream, before any", worlds.laid(wax, _WAX, taught=False), 3.0
        ),
        _near("The same after six readings", worlds.laid(wax, _WAX, taught=True), 2.0),
        _near(
            "Films on black and kraft after one reading on black", worlds.laid(film, _DARK, taught=True), 3.0
        ),
    ]
    for covering, words in _KINDS.items():
        there = worlds.pulled(covering, (2, "kraft"), (2, "kraft"))
        rows.append(_near(f"Own reading, {words}: 2 layers on kraft, read so", there, 0.6))
        more = worlds.pulled(covering, (2, "kraft"), (3, "kraft"))
        before = worlds.laid(covering, ((3, "kraft"),), taught=False)
        limit = float(np.median(before.off)) / 2
        rows.append(_near(f"The same, {words}: 3 layers on kraft (before {2 * limit:.1f})", more, limit))
    for covering, kind in _KINDS.items():
        before, after = (worlds.laid(covering, _EVERY[covering], taught=taught) for taught in (False, True))
        rows.append(_band(f"{kind}, before any reading", before, most=1.0))
        rows.append(_band(f"{kind}, after the readings", after))
    for covering, kind in _KINDS.items():
        dark = worlds.laid(covering, ((1, "black"),), taught=True)
        if covering is not dye:
            rows.append(_band(f"{kind} on black, after the readings", dark))
    # Where predictions are as sure as a reading, the band is as wide as a reading's own doubt.
    rows.append(_band("one dye over another, after six readings", worlds.glazed(taught=True), most=1.0))
    return rows


def reliability_rows() -> list[Row]:
    """How often what is read lies within so many sigmas, in worlds tuned on and in others."""
    rows = []
    for words, seeds in (("that constants were found on", TUNED), ("never seen", WORLDS)):
        worlds = Many(seeds)
        for taught, when in ((False, "before any reading"), (True, "after the readings")):
            for covering, kind in _KINDS.items():
                asked = worlds.laid(covering, _EVERY[covering], taught=taught)
                held = [float(np.mean(asked.off <= reach * asked.doubt)) for reach in _SIGMAS.values()]
                rows.append(
                    (
                        f"{kind.capitalize()}, {when}, worlds {words}: of what is read so much lies within "
                        f"the stated {' / '.join(map(str, _SIGMAS))} %",
                        "told",
                        " / ".join(f"{one:.0%}" for one in held),
                        True,
                    )
                )
    return rows


# Of a normal error so many per cent lie within so many sigmas.
_SIGMAS = {50: 0.674, 68: 1.0, 80: 1.282, 90: 1.645, 95: 1.96}


def _near(what: str, found: Asked, median: float, most: float | None = None) -> Row:
    half, most_of = float(np.median(found.off)), float(np.percentile(found.off, 90))
    target = f"≤ {median:.1f}" + ("" if most is None else f" / {most:.1f}")
    met = half <= median and (most is None or most_of <= most)
    return (
        f"{what}: ΔE00 off, median / 90th percentile, worlds never seen",
        target,
        f"{half:.1f} / {most_of:.1f}",
        met,
    )


def _band(what: str, found: Asked, most: float = 0.95) -> Row:
    return (
        f"Stated 90 % band of {what}, worlds never seen",
        "holds ≥ 86 %" if most == 1 else f"holds 86 to {most:.0%}",
        f"{found.inside:.0%}",
        0.86 <= round(found.inside, 2) <= most,
    )
