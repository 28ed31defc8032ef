"""How far predictions lie from the stand-in reader's swatches, before and after fitting to six readings.

The stand-in has a physical model of its own (see ``standins/reader.py``); what
is compared is what its perfect instrument would read.
"""

import csv
from dataclasses import replace
from pathlib import Path

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.recovery import lab_to_reflectance
from jindle_core.colorimetry.spaces import reflectance_to_lab
from jindle_core.media import Medium
from jindle_core.prediction.behaviour import Behaviour, Hand, usual_behaviour
from jindle_core.prediction.confidence import prediction_sigma
from jindle_core.prediction.fitting import Laying, fit
from jindle_core.prediction.laying import dye, glazed, laid
from jindle_core.prediction.stocks import WHITE_CARD, stock_kind
from standins.device import Swatch
from standins.reader import true_reflectance

SPECTRA = Path(__file__).resolve().parent.parent / "demo" / "data" / "spectra"
CARDS = {kind: lab_to_reflectance(np.array(lab)) for kind, (lab, _) in figures.laying.STOCKS.items()}
RANGES = (
    ("wherry", Medium.ALCOHOL_MARKER),
    ("lockside", Medium.ALCOHOL_MARKER),
    ("brackwater", Medium.DYE_PAD),
    ("osierling", Medium.WAX_PENCIL),
    ("nightferry", Medium.GEL_PEN),
)
PENCILS = (Medium.WAX_PENCIL,)
TRANSPARENT = (Medium.ALCOHOL_MARKER, Medium.DYE_PAD)
# The six readings that a fit gets: (layers, card), each of another colour.
TAUGHT = ((2, "white"), (3, "white"), (2, "kraft"), (1, "kraft"), (2, "white"), (1, "grey"))
TRIED = 48  # colours of each range that the readings are compared for


class Desk:
    """One range as the stand-in knows it."""

    def __init__(self, slug: str, medium: Medium) -> None:
        with (SPECTRA / f"{slug}.csv").open(newline="", encoding="utf-8") as lines:
            rows = list(csv.reader(lines))[1:]
        order = np.random.default_rng(7).permutation(len(rows))[: TRIED + len(TAUGHT)]
        self.medium = medium
        self.known = [(f"{slug}/{rows[at][0]}", np.array(rows[at][1:], dtype=float)) for at in order]
        self.ones = [self.read(at, 1, "white") for at in range(len(self.known))]

    def read(self, at: int, layers: int, card: str) -> np.ndarray:
        """What a perfect instrument reads (31,)."""
        identity, known = self.known[at]
        white, paper = tuple(WHITE_CARD), tuple(CARDS[card])
        under = Swatch(identity, self.medium.value, tuple(known), white, 0.5, paper, layers, "middle")
        return true_reflectance(under)

    def glazes(self, behaviour: Behaviour | None) -> np.ndarray:
        """ΔE00 of the predictions for each colour over its neighbour in the list, one layer each."""
        places = list(range(len(TAUGHT), len(self.known) - 1))
        white = tuple(WHITE_CARD)
        seen = []
        for at in places:
            under, over = (
                Swatch(name, self.medium.value, tuple(known), white, 0.5, white, 1, "middle")
                for name, known in (self.known[at], self.known[at + 1])
            )
            seen.append(true_reflectance(replace(over, below=under)))
        under, over = (dye(np.array([self.ones[at + step] for at in places])) for step in (0, 1))
        said = glazed(under, 1, over, 1, behaviour or usual_behaviour(self.medium))
        return delta_e(reflectance_to_lab(said), reflectance_to_lab(np.array(seen)))

    def learnt(self) -> Behaviour | None:
        """The behaviour fitted to six readings, where the fit is taken."""
        readings = [
            Laying(
                self.ones[at],
                layers,
                Hand.MIDDLE,
                CARDS[card],
                reflectance_to_lab(self.read(at, layers, card)),
            )
            for at, (layers, card) in enumerate(TAUGHT)
        ]
        return fit(self.medium, readings).behaviour

    def errors(self, layers: int, card: str, behaviour: Behaviour | None) -> np.ndarray:
        """ΔE00 of the predictions for colours that the fit has not seen."""
        places = range(len(TAUGHT), len(self.known))
        seen = reflectance_to_lab(np.array([self.read(at, layers, card) for at in places]))
        ones = np.array([self.ones[at] for at in places])
        said = laid(ones, self.medium, layers, card=CARDS[card], behaviour=behaviour)
        return delta_e(reflectance_to_lab(said), seen)


def prediction_rows() -> list[tuple[str, str, str, bool]]:
    """Rows of the bench's table: transparent colours, glazes, pencils, pens, and the stated band."""
    desks = [Desk(*one) for one in RANGES]
    fits = [desk.learnt() for desk in desks]
    white = [(layers, "white") for layers in (2, 3)]
    stocks = [(1, kind) for kind in CARDS if kind != "white"]
    every = [(layers, kind) for layers in (1, 2, 3) for kind in CARDS if (layers, kind) != (1, "white")]
    both = (desks, fits)
    glazes = [
        np.concatenate(
            [desk.glazes(how) for desk, how in zip(desks, hows, strict=True) if desk.medium in TRANSPARENT]
        )
        for hows in ([None] * len(desks), fits)
    ]
    return [
        _row("Transparent on white, 2 and 3 layers", *both, TRANSPARENT, white, (2.0, 1.5)),
        _row("Transparent on four other stocks", *both, TRANSPARENT, stocks, (5.0, 2.0)),
        _row("Transparent on five papers, 1 to 3 layers", *both, TRANSPARENT, every, (5.0, 2.0)),
        _told("One transparent colour glazed over another", *glazes, (2.5, 2.0)),
        _row(
            "Pencil, 2 layers on white, and on four stocks",
            *both,
            (Medium.WAX_PENCIL,),
            [*white[:1], *stocks],
            (5.0, 2.5),
        ),
        _row("Gel pen on four other stocks", *both, (Medium.GEL_PEN,), stocks, (3.0, 2.0)),
        _band(desks, fits, [*white, *stocks]),
    ]


def _row(what, desks, fits, media, ways, wanted) -> tuple[str, str, str, bool]:
    before, after = (
        np.concatenate(
            [
                desk.errors(*way, how)
                for desk, how in zip(desks, hows, strict=True)
                if desk.medium in media
                for way in ways
            ]
        )
        for hows in ([None] * len(desks), fits)
    )
    return _told(what, before, after, wanted)


def _told(what, before, after, wanted) -> tuple[str, str, str, bool]:
    found = " → ".join(f"{np.median(one):.1f} / {np.percentile(one, 90):.1f}" for one in (before, after))
    return (
        f"{what}: ΔE00 from the stand-in, median / 90th percentile, before → after six readings",
        f"median ≤ {wanted[0]:g} → {wanted[1]:g}",
        found,
        bool(np.median(before) <= wanted[0] and np.median(after) <= wanted[1]),
    )


def _band(desks, fits, ways) -> tuple[str, str, str, bool]:
    """How often what is read lies within the stated 90 % band of what is predicted after fitting."""
    inside = []
    for desk, how in zip(desks, fits, strict=True):
        for layers, card in ways:
            kind = stock_kind(np.array(figures.laying.STOCKS[card][0]))
            sigma = prediction_sigma(desk.medium, layers, kind, fitted=True)
            reach = 1.645 * np.hypot(sigma, figures.colour.UNCERTAINTY["read"])
            inside.append(desk.errors(layers, card, how) <= reach)
    share = float(np.mean(np.concatenate(inside)))
    return (
        "Stated 90 % band of predictions after fitting",
        "holds 85 to 95 %",
        f"{share:.0%}",
        0.85 <= share <= 0.95,
    )
