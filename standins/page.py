"""A printed swatch chart or strip as it lies before the camera, its boxes filled by hand."""

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.recovery import lab_to_reflectance
from jindle_core.patterned.strip import Strip
from jindle_core.prediction.stocks import WHITE_CARD
from jindle_core.swatch_sheet import SheetArea, SwatchSheet
from standins.camera import Scene

_CHART = 6  # points a millimetre
INK = np.full(31, 0.03)  # what a printer prints black with
_STROKE = 0.3  # mm, of a box's rim


_SHEET = 304.8  # mm: how wide a drawn sheet of paper is taken to be
_UP = 0.03  # of the sheet's width that the strip lies from its lower edge


class _Page:
    """White card of a size in mm that things are printed and laid on."""

    def __init__(self, width: float, height: float, fine: float) -> None:
        self._fine = fine
        self.labels = np.zeros((int(height * fine), int(width * fine)), dtype=np.uint8)
        self.reflectances = [WHITE_CARD, INK]

    def fill(self, area: SheetArea, label: int) -> None:
        left, right = round(area.left * self._fine), round((area.left + area.width) * self._fine)
        top, bottom = round(area.top * self._fine), round((area.top + area.height) * self._fine)
        self.labels[top:bottom, left:right] = label

    def lay(self, area: SheetArea, reflectance: np.ndarray) -> None:
        self.reflectances.append(reflectance)
        self.fill(area, len(self.reflectances) - 1)

    def print_marks(self, marks: tuple[SheetArea, ...]) -> None:
        for mark in marks:
            self.fill(mark, 1)
        self.fill(marks[0].inset(*[marks[0].width / 3] * 4), 0)

    def fill_by_hand(self, box: SheetArea, swatch: np.ndarray) -> None:
        self.fill(box, 1)
        self.lay(box.inset(*[_STROKE] * 4), swatch)


def with_strip(scene: Scene, printed: Strip, swatches: list[np.ndarray | None]) -> Scene:
    """A sheet of paper with the strip on its lower edge; a swatch (31,) a box, None for one left empty."""
    labels = scene.labels.copy()
    fine, (width, height) = labels.shape[1] / _SHEET, figures.paper.STRIP
    page = _Page(width, height, fine)
    page.print_marks(printed.marks)
    for box, swatch in zip(printed.boxes, swatches, strict=False):
        if swatch is not None:
            page.fill_by_hand(box, swatch)
    high, wide = page.labels.shape
    bottom, left = labels.shape[0] - round(_UP * labels.shape[1]), (labels.shape[1] - wide) // 2
    labels[bottom - high : bottom, left : left + wide] = page.labels + len(scene.reflectances)
    reflectances = np.vstack([scene.reflectances, page.reflectances])
    return Scene(labels, reflectances, scene.white, scene.on_table)


def filled_chart(printed: SwatchSheet, swatches: list[np.ndarray], hints: np.ndarray, grey: bool) -> Scene:
    """A printed page whose boxes hold swatches (n reflectances); ``hints`` (n, 3) are the printed corners."""
    page = _Page(printed.width, printed.height, _CHART)
    page.print_marks(printed.marks)
    if grey:
        page.lay(printed.grey, lab_to_reflectance(np.array([figures.paper.GREY_CARD_LAB]))[0])
    for box, swatch, hint in zip(printed.boxes, swatches, lab_to_reflectance(hints), strict=False):
        page.fill_by_hand(box, swatch)
        corner = box.inset(box.width - figures.paper.SHEET_HINT, box.height - figures.paper.SHEET_HINT, 0, 0)
        page.lay(corner, hint)
    return Scene(page.labels, np.array(page.reflectances), None, on_table=True)


def filled_page(printed: SwatchSheet, filled: list[tuple[SheetArea, np.ndarray]]) -> Scene:
    """A printed page with its marks, some of whose boxes hold a reflectance (31,) each."""
    page = _Page(printed.width, printed.height, _CHART)
    page.print_marks(printed.marks)
    for box, swatch in filled:
        page.fill_by_hand(box, swatch)
    return Scene(page.labels, np.array(page.reflectances), None, on_table=True)
