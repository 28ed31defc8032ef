"""A printed swatch chart as it lies before the camera, its boxes filled by hand."""

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.recovery import lab_to_reflectance
from jindle_core.prediction.stocks import WHITE_CARD
from jindle_core.swatch_sheet import SheetArea, SwatchSheet
from standins.camera import Scene

_CHART = 6  # points a millimetre
_INK = np.full(31, 0.03)  # what a printer prints black with
_STROKE = 0.3  # mm, of a box's rim


def filled_chart(printed: SwatchSheet, swatches: list[np.ndarray], hints: np.ndarray, grey: bool) -> Scene:
    """A printed page whose boxes hold swatches (n reflectances); ``hints`` (n, 3) are the printed corners."""
    labels = np.zeros((int(printed.height * _CHART), int(printed.width * _CHART)), dtype=np.uint8)
    reflectances = [WHITE_CARD, _INK]

    def fill(area: SheetArea, label: int) -> None:
        left, right = round(area.left * _CHART), round((area.left + area.width) * _CHART)
        top, bottom = round(area.top * _CHART), round((area.top + area.height) * _CHART)
        labels[top:bottom, left:right] = label

    def lay(area: SheetArea, reflectance: np.ndarray) -> None:
        reflectances.append(reflectance)
        fill(area, len(reflectances) - 1)

    for mark in printed.marks:
        fill(mark, 1)
    fill(printed.marks[0].inset(*[printed.marks[0].width / 3] * 4), 0)
    if grey:
        lay(printed.grey, lab_to_reflectance(np.array([figures.paper.GREY_CARD_LAB]))[0])
    for box, swatch, hint in zip(printed.boxes, swatches, lab_to_reflectance(hints), strict=False):
        fill(box, 1)
        lay(box.inset(*[_STROKE] * 4), swatch)
        lay(
            box.inset(box.width - figures.paper.SHEET_HINT, box.height - figures.paper.SHEET_HINT, 0, 0), hint
        )
    return Scene(labels, np.array(reflectances), None, on_table=True)
