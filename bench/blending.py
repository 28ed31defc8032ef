"""How far are predicted joins of pads from the stand-in's, and are its muddy ones foreseen?

The stand-in has a physical model of its own (``standins/reader.py``); a join is
called muddy there by the same test on what its perfect instrument reads.
"""

import csv
import json
import statistics
from collections.abc import Callable
from dataclasses import replace
from pathlib import Path

import numpy as np

from bench.visitor import CALLS, Row, Visitor, timed
from jindle_core import figures
from jindle_core.blending.bridges import bridges
from jindle_core.blending.inks import Ink, inks_of
from jindle_core.blending.joins import measure_join, strips
from jindle_core.blending.meeting import BLENDED
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.recovery import lab_to_reflectance
from jindle_core.colorimetry.spaces import reflectance_to_lab
from jindle_core.media.medium import Medium
from jindle_core.prediction.behaviour import usual_behaviour
from jindle_core.prediction.stocks import WHITE_CARD
from standins.device import Swatch
from standins.reader import true_reflectance, true_strip

_PADS, _PAIRS, _DRAWS = 60, 400, (11, 12, 13)
_MEDIUM = Medium.DYE_PAD
_DYES = Path(__file__).resolve().parent.parent / "demo" / "data" / "spectra" / "brackwater.csv"


def blending_rows() -> list[Row]:
    """Rows of the bench's table: strips against the desk, mud forecast, bridges."""
    with _DYES.open(newline="", encoding="utf-8") as lines:
        rows = list(csv.reader(lines))[1:]
    behaviour, draws = usual_behaviour(_MEDIUM), [_draw(rows, seed) for seed in _DRAWS]
    seen = np.concatenate([there for *_, there in draws])
    # What a person has of a pad is a reading of one dab of it, or, as most, its colour and no spectrum.
    read, known = [], []
    for truth, first, second, _ in draws:
        for given, found in ((truth, read), (lab_to_reflectance(reflectance_to_lab(truth)), known)):
            inks = inks_of([Ink(one, _MEDIUM, behaviour) for one in given])
            found.append((strips(inks[first], inks[second]), inks, first, second))
    said = np.concatenate([one for one, *_ in read])
    one_said, *bridged = read[0]
    return [
        _distance(said, seen),
        _mud("from spectra", said, seen, 0.96),
        _mud("from colours alone", np.concatenate([one for one, *_ in known]), seen, 0.92),
        _bridged(*bridged, measure_join(one_said).muddy),
    ]


def _draw(rows: list[list[str]], seed: int) -> tuple[np.ndarray, np.ndarray, np.ndarray, np.ndarray]:
    """What pads reflect (n, 31), the pairs of some of them, and the strips between those, all in truth."""
    random, white = np.random.default_rng(seed), tuple(WHITE_CARD)
    pads = [_pad(rows[at], _MEDIUM, white) for at in random.permutation(len(rows))[:_PADS]]
    pairs = np.array([random.choice(_PADS, 2, replace=False) for _ in range(_PAIRS)])
    seen = [true_strip(pads[a], pads[b], *BLENDED.weights().T) for a, b in pairs]
    truth = np.array([true_reflectance(one) for one in pads])
    return truth, pairs[:, 0], pairs[:, 1], reflectance_to_lab(np.array(seen))


def _pad(row: list[str], medium: Medium, white: tuple[float, ...]) -> Swatch:
    known = tuple(map(float, row[1:]))
    return Swatch(f"brackwater/{row[0]}", medium.value, known, white, 0.5, white, 1, "middle")


def _distance(said: np.ndarray, seen: np.ndarray) -> Row:
    off = delta_e(said, seen)
    return (
        f"Joins of {_PAIRS * len(_DRAWS)} pairs of dye pads: ΔE00 from the stand-in's along the strip,"
        " median / 90th percentile",
        "told",
        f"{np.median(off):.1f} / {np.percentile(off, 90):.1f}",
        True,
    )


def _mud(words: str, said: np.ndarray, seen: np.ndarray, wanted: float, most: float = 0.05) -> Row:
    forecast, met = measure_join(said).muddy, measure_join(seen)
    # What is there needs no care: it is muddy at the limit itself.
    there = replace(met, kept=met.kept + figures.grounds.MUD_CARE).muddy
    found, alarms = int((forecast & there).sum()), int((forecast & ~there).sum())
    return (
        f"The stand-in's muddy joins forecast {words}; false alarms among its other joins",
        f"≥ {wanted:.0%}; ≤ {most:.0%}",
        f"{found} of {there.sum()}; {alarms} of {(~there).sum()}",
        found >= wanted * there.sum() and alarms <= most * (~there).sum(),
    )


def ground_rows(visitor: Visitor) -> list[Row]:
    """Rows of the bench's table: six pads on a card, their best order, ways out among all pads."""
    ranges = json.loads(visitor.get("/api/ranges"))
    pads = [
        colour["id"]
        for one in ranges
        if one["medium"].endswith("ink pad")
        for colour in json.loads(visitor.get(f"/api/ranges/{one['id']}"))["colours"]
    ]
    random = np.random.default_rng(4)
    chosen = [
        {"colour": int(pk)} for pk in random.choice(pads, figures.grounds.GROUND_PADS - 1, replace=False)
    ]
    size = {"width": "5", "height": "7", "unit": "in"}
    pk = visitor.post("/api/cards", {"name": "Six pads", "size": size})["id"]

    def laid(count: int) -> None:
        card = json.loads(visitor.get(f"/api/cards/{pk}"))
        change = {"kind": "set_ground", "pads": chosen[:count]}
        visitor.post(f"/api/cards/{pk}/changes", {"version": card["version"], "change": change})

    laid(5)  # a sixth could come between
    meetings = [one["meeting"] for one in json.loads(visitor.get(f"/api/cards/{pk}/ground"))["joins"]]
    at = meetings.index("muddy")
    ways = _ratio(visitor, lambda: visitor.get(f"/api/cards/{pk}/ground/joins/{at}/ways?owned=false"))
    chosen.append({"colour": pads[0]})
    laid(6)
    made = _ratio(visitor, lambda: visitor.get(f"/api/cards/{pk}/ground/make"))
    whole = _ratio(visitor, lambda: visitor.get(f"/api/cards/{pk}/ground"))
    mends = _ratio(visitor, lambda: visitor.get(f"/api/cards/{pk}/mends"))
    return [
        _within("Best order of 6 pads, all joins judged, and what each two of them make", made),
        _within(f"Every way out of a muddy join, bridges and other pads sought among {len(pads) - 5}", ways),
        (
            "The whole Background stage with 6 pads: joins, panel wet and dry, findings; what mends them",
            "told", f"{whole:.1f} ×; {mends:.1f} ×", True,
        ),
    ]  # fmt: skip


def _ratio(visitor: Visitor, ask: Callable[[], object]) -> float:
    """How many empty authenticated calls a question takes."""
    for _ in range(6):  # both workers hold the catalogue
        ask()
    empty, asked = [], []
    for _ in range(CALLS):
        empty.append(timed(lambda: visitor.get("/api/me")))
        asked.append(timed(ask))
    return statistics.median(asked) / statistics.median(empty)


def _within(what: str, ratio: float, wanted: float = 10) -> Row:
    return (
        f"{what}, against an empty authenticated call",
        f"≤ {wanted:g} ×",
        f"{ratio:.1f} ×",
        ratio <= wanted,
    )


def _bridged(inks, first: np.ndarray, second: np.ndarray, muddy: np.ndarray) -> Row:
    places = np.flatnonzero(muddy)
    found = sum(bool(bridges(inks[first[at]], inks[second[at]], inks, count=1)) for at in places)
    return (
        f"Muddy pairs for which {_PADS} pads hold a bridge that joins both cleanly",
        "told",
        f"{found} of {len(places)}",
        True,
    )
