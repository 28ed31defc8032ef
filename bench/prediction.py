"""How far predictions lie off in worlds that nothing was found on, and how far they say so."""

import numpy as np

from bench.unseen import WORLDS
from bench.visitor import Row
from bench.worlds import SIX, TUNED, Asked, Layings, Many
from jindle_core.contrast.rules import PairKind
from jindle_core.media.medium import Covering
from jindle_core.prediction.behaviour import Hand

_WHITE: Layings = ((2, "white"), (3, "white"))
_STOCKS: Layings = ((1, "white"), (1, "pale"), (1, "cream"), (1, "grey"), (1, "kraft"))
_WAX: Layings = ((2, "grey"), (2, "kraft"), (2, "cream"))
_TONES: Layings = ((2, "white"), (3, "white"), (1, "cream"))
_DARK: Layings = ((1, "black"), (1, "kraft"))
# What a range is asked in all: where its stated band is looked at.
_EVERY: dict[Covering, Layings] = {
    Covering.TRANSPARENT: (*_WHITE, *_STOCKS[1:], (2, "kraft"), (3, "grey")),
    Covering.WAX: (*_WHITE, *_WAX, (1, "black")),
    Covering.FILM: ((2, "white"), (1, "grey"), *_DARK, (2, "black")),
}
_WHITE_AND_PALE: Layings = ((1, "white"), (1, "pale"))
_WHEN = {0: "before any reading", 1: "after one reading", SIX: "after six readings"}
_KINDS = {Covering.TRANSPARENT: "dyes", Covering.FILM: "pads and pens", Covering.WAX: "pencils"}


def prediction_rows() -> list[Row]:
    """Transparent colours, glazes, pencils, films, one's own readings, and the stated band."""
    worlds = Many(WORLDS)
    dye, wax, film = Covering.TRANSPARENT, Covering.WAX, Covering.FILM
    rows = [
        _near(
            "Dyes on white, 2 and 3 layers, after six readings",
            worlds.laid(dye, _WHITE, SIX),
            1.2,
            2.8,
        ),
        _near("Dyes on five stocks, after six readings", worlds.laid(dye, _STOCKS, SIX), 1.3, 3.0),
        _near("One dye glazed over another, after six readings", worlds.glazed(SIX), 2.2, 6.5),
        _near("Pencils, 2 layers on grey, kraft, cream, before any", worlds.laid(wax, _WAX, 0), 3.0),
        _near("The same after six readings", worlds.laid(wax, _WAX, SIX), 2.0),
        _near("Films on black and kraft after one reading on black", worlds.laid(film, _DARK, SIX), 3.0),
    ]
    for covering, layings, most in ((dye, _TONES, 0.8), (wax, _WAX, 1.0)):
        asked = worlds.proposed(covering, layings)
        what = f"{_KINDS[covering].capitalize()}, what a card lays after the six readings proposed for it"
        mean = float(asked.off.mean())
        row = f"{what}: ΔE00 off, mean; stated band, worlds never seen"
        rows.append((row, f"≤ {most}", f"{mean:.2f}; {asked.inside:.0%}", mean <= most))
    for covering, words in _KINDS.items():
        there = worlds.pulled(covering, (2, "kraft"), (2, "kraft"))
        rows.append(_near(f"Own reading, {words}: 2 layers on kraft, read so", there, 0.6))
        more = worlds.pulled(covering, (2, "kraft"), (3, "kraft"))
        before = worlds.laid(covering, ((3, "kraft"),), 0)
        limit = float(np.median(before.off)) / 2
        rows.append(_near(f"The same, {words}: 3 layers on kraft (before {2 * limit:.1f})", more, limit))
    for covering, kind in _KINDS.items():
        careful = 0.95 if covering is dye else 0.98
        for readings, when in _WHEN.items():
            asked = worlds.laid(covering, _EVERY[covering], readings)
            rows.append(_band(f"{kind}, {when}", asked, most=0.95 if readings else careful))
            hands = worlds.laid(covering, _WHITE_AND_PALE, readings, (Hand.LIGHT, Hand.HEAVY))
            rows.append(_band(f"{kind} by a light and a heavy hand, {when}", hands, 0.82, 1.0))
        if covering is not dye:
            dark = worlds.laid(covering, ((1, "black"),), SIX)
            rows.append(_band(f"{kind} on black, after six readings", dark, most=0.98))
    for kind, words, most in (
        (PairKind.LETTERING_SMALL, "small lettering", 0.1),
        (PairKind.PICTURE, "pictures", 0.2),
    ):
        wrong = worlds.wrongly_held(kind, film, wax)
        what = f"Of {words} in pads, pens and pencils that hold on dark card before any reading, truly do not"
        rows.append((what, f"≤ {most:.0%}", f"{wrong:.0%}", wrong <= most))
    for readings, when in _WHEN.items():
        rows.append(_band(f"one dye over another, {when}", worlds.glazed(readings), 0.8))
    return rows


def reliability_rows() -> list[Row]:
    """How often what is read lies within so many sigmas, in worlds tuned on and in others."""
    rows = []
    for words, seeds in (("that constants were found on", TUNED), ("never seen", WORLDS)):
        worlds = Many(seeds)
        for readings, when in _WHEN.items():
            for covering, kind in _KINDS.items():
                asked = worlds.laid(covering, _EVERY[covering], readings)
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


def _band(what: str, found: Asked, least: float = 0.86, most: float = 0.95) -> Row:
    return (
        f"Stated 90 % band of {what}, worlds never seen",
        f"holds ≥ {least:.0%}" if most == 1 else f"holds {least:.0%} to {most:.0%}",
        f"{found.inside:.0%}",
        least <= round(found.inside, 2) <= most,
    )
