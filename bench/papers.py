"""How true the colours of patterned paper are read: drawn sheets, the stand-in camera, every light."""

import io
import statistics
import time

import numpy as np
from PIL import Image

from demo.make import ranges
from demo.papers import draw_sheet
from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import reflectance_to_lab
from jindle_core.interchange.picture import read_picture
from jindle_core.patterned.colours import sheet_colours
from jindle_core.patterned.correction import PictureBox, correct, find_white
from jindle_core.patterned.marks import find_marks, placed, plane
from jindle_core.patterned.patches import read_patches
from jindle_core.prediction.stocks import WHITE_CARD
from jindle_core.swatch_sheet import swatch_sheet
from standins.camera import LIGHTS, Scene, SimulatedCamera
from standins.page import filled_chart

SHEETS = 8
SIDE = 1400
ACCENTS = (0.01, 0.005)
FOUND = 8.0  # ΔE00 within which a colour of the drawing counts as found
TIMES = 7

Row = tuple[str, str, str, bool]


class Reading:
    """What reading some photographs came to: errors of colours and shares, accents and colours missed."""

    def __init__(self) -> None:
        self.colours: list[float] = []
        self.shares: list[float] = []
        self.missed = self.accents = self.photographs = self.cards = 0

    def add(self, scene: Scene, light: str, seed: int, corrected: bool) -> None:
        """Photograph a scene, read it, and compare with how it was drawn."""
        picture = read_picture(SimulatedCamera().photograph(scene, light, seed))
        box = find_white(picture.linear) if corrected else None
        found = sheet_colours(correct(picture.linear, picture.clipped, box))
        self.photographs += 1
        self.cards += box is not None
        labs, shares = np.array([one.lab for one in found]), np.array([one.share for one in found])
        count = len(scene.reflectances)
        drawn = np.bincount(scene.labels.ravel(), minlength=count) / scene.labels.size
        for at, lab in enumerate(reflectance_to_lab(scene.reflectances)):
            distances = delta_e(lab[None], labs)
            nearest = int(np.argmin(distances))
            if distances[nearest] > FOUND:
                self.missed += 1
                continue
            self.colours.append(float(distances[nearest]))
            self.shares.append(abs(float(shares[nearest] - drawn[at])) * 100)
            self.accents += at == count - 1

    def told(self) -> str:
        """Median / worst of the colours, missed ones."""
        missed = f"{self.missed} of {len(self.colours) + self.missed} colours missed"
        return f"{np.median(self.colours):.1f} / {max(self.colours):.1f}, {missed}"


def sheets() -> list[np.ndarray]:
    """The reflectances (5, 31) of the demo's sheets."""
    found: dict[str, list] = {}
    for made in ranges():
        if made.medium == "patterned paper":
            for _, title, reflectance in made.swatches:
                found.setdefault(title, []).append(reflectance)
    return [np.array(one) for one in found.values()][:SHEETS]


def paper_rows() -> list[Row]:
    """Rows of the bench's table on reading papers."""
    drawn = [
        Scene(draw_sheet(len(one), number, SIDE, accent), one, WHITE_CARD)
        for accent in ACCENTS
        for number, one in enumerate(sheets())
    ]
    by_light = {light: Reading() for light in LIGHTS}
    plain = Reading()
    for light in LIGHTS:
        for seed, scene in enumerate(drawn):
            by_light[light].add(scene, light, seed, corrected=True)
        for seed, scene in enumerate(drawn[:SHEETS]):
            plain.add(scene, light, seed, corrected=False)
    read = list(by_light.values())
    colours = np.concatenate([one.colours for one in read])
    shares = np.concatenate([one.shares for one in read])
    accents, photographs = sum(one.accents for one in read), sum(one.photographs for one in read)
    lights = "; ".join(f"{light} {one.told()}" for light, one in by_light.items())
    return [
        (
            "Colours of drawn papers, white card found by itself, every light: ΔE00 median / worst",
            "median ≤ 1.5",
            f"{np.median(colours):.1f} / {colours.max():.1f} ({lights})",
            bool(np.median(colours) <= 1.5),
        ),
        ("The same without correction", "told", plain.told(), True),
        (
            "Shares of the colours: error in points, median / 90th percentile",
            "≤ 1.5",
            f"{np.median(shares):.1f} / {np.percentile(shares, 90):.1f}",
            bool(np.percentile(shares, 90) <= 1.5),
        ),
        (
            "Accents of 1 % and 0.5 % found; white cards found",
            "all",
            f"{accents} of {photographs}; {sum(one.cards for one in read)} of {photographs}",
            accents == photographs,
        ),
        _charts(),
        _speed(),
    ]


def _charts() -> Row:
    """A printed chart, filled with the first swatches of the demo's first range, under every light."""
    printed = swatch_sheet("letter")
    swatches = [reflectance for _, _, reflectance in ranges()[0].swatches[: len(printed.boxes)]]
    labs = reflectance_to_lab(np.array(swatches))
    told, found = [], 0
    for grey in (False, True):
        off = []
        for seed, light in enumerate(LIGHTS):
            photograph = SimulatedCamera().photograph(
                filled_chart(printed, swatches, labs, grey), light, seed
            )
            picture = read_picture(photograph)
            marks = find_marks(picture.linear)
            if marks is None:
                continue
            found += 1
            there = plane(printed.mark_centres, marks)
            fields = (printed.white, printed.grey)
            boxes = [PictureBox.inside(placed(there, one.inset(2, 2, 2, 5).corners)) for one in fields]
            tone = (boxes[1], figures.paper.GREY_CARD_LAB) if grey else None
            corrected = correct(picture.linear, picture.clipped, boxes[0], grey=tone)
            quads = placed(there, np.array([printed.inked(box).corners for box in printed.boxes]))
            read = read_patches(corrected, quads, figures.laying.PAPER_WHITE_LAB)
            off.append(delta_e(np.array([patch.lab for patch in read]), labs))
        told.append(f"{np.median(off):.1f} / {np.percentile(off, 90):.1f}")
    return (
        "Swatches of a photographed chart, every light: ΔE00 median / 90th percentile; with grey card too",
        "told; every chart found",
        f"{told[0]}; {told[1]}; {found} of {2 * len(LIGHTS)} found",
        found == 2 * len(LIGHTS),
    )


def _speed() -> Row:
    """Reading a 12-megapixel photograph against only decoding it, taking turns."""
    reflectances = sheets()[0]
    scene = Scene(draw_sheet(len(reflectances), 0, 6928, 0.01), reflectances, WHITE_CARD)
    photograph = SimulatedCamera().photograph(scene, "daylight")

    def decode() -> None:
        np.asarray(Image.open(io.BytesIO(photograph)))

    def read() -> None:
        picture = read_picture(photograph)
        sheet_colours(correct(picture.linear, picture.clipped, find_white(picture.linear)))

    taken: dict = {decode: [], read: []}
    for _ in range(TIMES):
        for action, times in taken.items():
            start = time.perf_counter()
            action()
            times.append(time.perf_counter() - start)
    ratio = statistics.median(taken[read]) / statistics.median(taken[decode])
    return (
        "Reading a 12-megapixel photograph of paper, against only decoding it",
        "≤ 2 ×",
        f"{ratio:.1f} ×",
        ratio <= 2,
    )
