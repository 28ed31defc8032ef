"""What does a photograph show of a page that was laid by hand, and which page is it?"""

from collections.abc import Sequence

import numpy as np

from jindle_core import figures
from jindle_core.errors import BadInput, Problem
from jindle_core.interchange.picture import Picture
from jindle_core.patterned.correction import PictureBox, correct
from jindle_core.patterned.lamp import Light, relit
from jindle_core.patterned.marks import find_marks, placed, plane
from jindle_core.patterned.patches import Patch, read_patches
from jindle_core.swatch_sheet import SheetArea, SwatchSheet, swatch_sheet
from jindle_core.training.question import Question
from jindle_core.training.sheet import boxes_of, number_bits, number_cells, number_of, row_areas
from server.training.models import TrainingSheet

_FIELD_RIM = (2.0, 2.0, 2.0, 5.0)  # mm of the white field that are left out: its edge, and the words in it


def page_read(
    sheet: TrainingSheet, questions: Sequence[Question], picture: Picture, light: Light | None
) -> tuple[list[list[Patch]], float, str]:
    """What each row's boxes show, how surely, and what is doubtful of the light."""
    printed = swatch_sheet(sheet.sheet)
    marks = find_marks(picture.linear)
    if marks is None:
        raise BadInput(
            Problem(
                "The four corner marks of the page were not found.",
                field="file",
                expected="the whole page in the picture, sharp and without shadows on the marks",
            )
        )
    there = plane(printed.mark_centres, marks)
    white = PictureBox.inside(placed(there, printed.white.inset(*_FIELD_RIM).corners))
    white_lab = figures.laying.PAPER_WHITE_LAB
    lit = relit(correct(picture.linear, picture.clipped, white, white_lab, None), light, white_lab, [])
    quads, counts = [], []
    for at, question in enumerate(questions):
        areas = row_areas(printed, at)[1]
        read = [area for area, box in zip(areas, boxes_of(question), strict=False) if box.read]
        quads += [printed.inked(area).corners for area in read]
        counts.append(len(read))
    cells = [cell.inset(*[cell.width / 4] * 4).corners for cell in number_cells(printed)]
    patches = iter(read_patches(lit.picture, placed(there, np.array(quads + cells)), white_lab))
    rows = [[next(patches) for _ in range(count)] for count in counts]
    _check_number(sheet, list(patches))
    labs = np.array([patch.lab for row in rows for patch in row])
    return rows, float(np.median(lit.picture.sigma(labs))), lit.trouble


def dark_cells(printed: SwatchSheet, sheet: TrainingSheet) -> list[SheetArea]:
    """Where a page's number is printed dark."""
    cells = zip(number_cells(printed), number_bits(sheet.number), strict=True)
    return [cell for cell, dark in cells if dark]


def _check_number(sheet: TrainingSheet, cells: Sequence[Patch]) -> None:
    """BadInput where the photograph is of another page."""
    seen = number_of([cell.lab[0] < figures.training.SHEET_MARK_L for cell in cells])
    if seen is None:
        words = "The page's number, beside the white field, could not be read."
        raise BadInput(Problem(words, field="file", expected="no finger and no shadow on it"))
    if seen != sheet.number:
        words = (
            f"This is page {seen}, and page {sheet.number} was to be scored. Choose that page in the list."
        )
        raise BadInput(Problem(words, field="file", value=str(seen)))
