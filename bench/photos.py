"""Papers photographed by cameras and under lamps that nothing was found on, known swatches in view or none.

The swatches are marked, or are those of a printed strip that is found by itself.
"""

from dataclasses import replace

import numpy as np

from bench.papers import FOUND, Row, sheets
from bench.unseen import SENSORS
from demo.papers import draw_sheet
from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.recovery import lab_to_reflectance
from jindle_core.colorimetry.spaces import as_lab, reflectance_to_lab
from jindle_core.interchange.picture import read_picture
from jindle_core.patterned.colours import sheet_colours
from jindle_core.patterned.correction import PictureBox, correct
from jindle_core.patterned.lamp import KnownSwatch, Light, relit
from jindle_core.patterned.strip import find_strip, strip
from jindle_core.prediction.stocks import WHITE_CARD
from standins.camera import Scene, Sensor, SimulatedCamera, made_up, measured
from standins.page import with_strip
from standins.world import HABITS, World, dyes

LAMPS = {
    "daylight": Light.DAYLIGHT,
    "bulb of 2800 K": Light.BULB,
    "LED of 3000 K": Light.WARM_LED,
    "LED of 6800 K": Light.COOL_LED,
    "tube of 3400 K": Light.FLUORESCENT,
    "tube of 4300 K": Light.FLUORESCENT,
}
_SIDE, _ACCENT, _KNOWN = 1400, 0.01, 6
_NONE, _MARKED, _STRIP = "none", "marked", "strip"
_SHEETS = 4
_CURVE = 0.3  # of every second camera: pictures a good deal harder than they were
_DARK_CORNERS, _HUES, _DEPTHS = 0.9, ((25, 15), (-20, 20), (5, -30), (0, 4)), (84, 75, 66, 57)


def photo_rows() -> list[Row]:
    """Rows of the bench's table: every light, as it is said or not, with six known swatches or none."""
    rows = []
    for lamp, said in LAMPS.items():
        for words, light, known, most in (
            ("nothing said of the light", None, _NONE, None),
            ("the light said", said, _NONE, 3.5),
            ("six known swatches in view", said, _MARKED, 2.5),
            ("nothing said, a strip of eight that is found by itself", None, _STRIP, 2.5),
        ):
            rows.append(_row(lamp, words, _read(lamp, light, known), most))
    return [*rows, _shaded()]


def _shaded() -> Row:
    """Shares of papers of one hue in four depths, in pictures whose corners are nearly half as light."""
    off = []
    for seed in SENSORS:
        camera = SimulatedCamera(replace(made_up(seed), vignette=_DARK_CORNERS))
        for number, hue in enumerate(_HUES):
            labs = np.array([(depth, *hue) for depth in _DEPTHS], dtype=float)
            tones = lab_to_reflectance(labs)
            drawn = draw_sheet(len(tones), number, _SIDE, _ACCENT)
            card = PictureBox(_SIDE // 30, _SIDE // 30, _SIDE // 6, _SIDE // 6)
            picture = read_picture(
                camera.photograph(Scene(drawn, tones, WHITE_CARD), "daylight", seed + number)
            )
            white = _scaled(card, picture.linear.shape[1] / _SIDE)
            found = sheet_colours(correct(picture.linear, picture.clipped, white))
            there = np.array([one.lab for one in found])
            shares = np.bincount(drawn.ravel(), minlength=len(tones)) / drawn.size
            for lab, share in zip(labs, shares, strict=True):
                nearest = found[int(np.argmin(delta_e(lab[None], there)))]
                off.append(abs(nearest.share - share) * 100)
    median, ninth = float(np.median(off)), float(np.percentile(off, 90))
    return (
        "Shares under strong shading, papers of one hue in depths 7 ΔE00 apart, cameras never seen: points "
        "off, median / 90th percentile",
        "≤ 3",
        f"{median:.1f} / {ninth:.1f}",
        ninth <= 3,
    )


def _row(lamp: str, words: str, found: tuple[np.ndarray, np.ndarray, int], most: float | None) -> Row:
    off, sigma, missed = found
    median, ninth = float(np.median(off)), float(np.percentile(off, 90))
    inside = float(np.mean(off <= 1.645 * sigma))
    of = len(off) + missed
    return (
        f"Papers by {lamp}, cameras never seen, {words}: ΔE00 median / 90th percentile, missed, in the band",
        "told" if most is None else f"≤ {most:g}, ≤ 1 of 22, ≥ 80%",
        f"{median:.1f} / {ninth:.1f}, {missed} of {of}, {inside:.0%}",
        most is None or (median <= most and missed * 22 <= of and inside >= 0.80),
    )


def _read(lamp: str, light: Light | None, known: str) -> tuple[np.ndarray, np.ndarray, int]:
    off, sigma, missed = [], [], 0
    for seed, sensor in _cameras():
        camera = SimulatedCamera(sensor)
        count = figures.paper.STRIP_SWATCHES if known == _STRIP else _KNOWN
        swatches = World().covered(dyes(seed, count), 1, HABITS["alcohol marker"], WHITE_CARD)
        for number, colours in enumerate(sheets()[:_SHEETS]):
            drawn = draw_sheet(len(colours), number, _SIDE, _ACCENT)
            scene, boxes, white = _laid_out(drawn, colours, swatches)
            if known == _STRIP:
                scene = with_strip(Scene(drawn, colours), strip(), list(swatches))
            picture = read_picture(camera.photograph(scene, lamp, seed + number))
            seen = find_strip(picture.linear) if known == _STRIP else None
            if known == _STRIP and seen is None:
                missed += len(colours)
                continue
            scale = picture.linear.shape[1] / _SIDE
            card = seen.white if seen else _scaled(white, scale)
            places = seen.boxes if seen else [_scaled(one.box, scale) for one in boxes]
            laid = [one._replace(box=box) for box, one in zip(places, boxes, strict=True)]
            corrected = correct(picture.linear, picture.clipped, card)
            lit = relit(
                corrected, light, known=laid if known != _NONE else [], beside=[seen.whole] if seen else []
            ).picture
            found = np.array([one.lab for one in sheet_colours(lit)])
            for lab in reflectance_to_lab(colours):
                nearest = float(delta_e(lab[None], found).min())
                if nearest > FOUND:
                    missed += 1
                else:
                    off.append(nearest)
                    sigma.append(float(lit.sigma(lab)))
    return np.array(off), np.array(sigma), missed


def _cameras() -> list[tuple[int, Sensor]]:
    """Made-up cameras, every second with a tone curve, and measured ones."""
    made = [(seed, replace(made_up(seed), curve=at % 2 * _CURVE)) for at, seed in enumerate(SENSORS)]
    return [*made, *enumerate(measured())]


def _laid_out(
    labels: np.ndarray, colours: np.ndarray, swatches: np.ndarray
) -> tuple[Scene, list[KnownSwatch], PictureBox]:
    """The sheet with white card in one corner and swatches along its lower rim."""
    labels, side = labels.copy(), labels.shape[0]
    card = PictureBox(side // 30, side // 30, side // 6, side // 6)
    labels[card.slices()] = len(colours)
    step, boxes = side // 14, []
    for at, swatch in enumerate(swatches):
        box = PictureBox(step + at * 2 * step, side - 2 * step, step, step)
        labels[box.slices()] = len(colours) + 1 + at
        boxes.append(KnownSwatch(box, as_lab(reflectance_to_lab(swatch))))
    return Scene(labels, np.vstack([colours, WHITE_CARD, swatches])), boxes, card


def _scaled(box: PictureBox, scale: float) -> PictureBox:
    """The middle of a box, as it lies in the picture; it may be turned a little."""
    inset = 0.25
    return PictureBox(
        round((box.left + inset * box.width) * scale),
        round((box.top + inset * box.height) * scale),
        round(box.width * (1 - 2 * inset) * scale),
        round(box.height * (1 - 2 * inset) * scale),
    )
