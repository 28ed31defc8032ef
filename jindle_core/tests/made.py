"""Supplies of nobody's that several tests work with: three pads, three boards, six markers, a sheet."""

import numpy as np

from jindle_core.fullness import Kept
from jindle_core.media.medium import Medium
from jindle_core.patterned.sheet import Sheet
from jindle_core.supplies.colours import RangeFacts, SupplyColour
from jindle_core.supplies.whole import Supplies

PADS, BOARDS, MARKERS, SHEET = (1, 2, 3), (11, 12, 13), (21, 22, 23, 24, 25, 26), (31, 32, 33)
LABS = {
    1: (80, 0, 70), 2: (56, -44, 30), 3: (40, 34, -40), 11: (96, 0, 1), 12: (20, 0, 0), 13: (60, 9, 23),
    21: (85, -18, 24), 22: (68, -24, 32), 23: (50, -26, 33), 24: (32, -20, 24), 25: (55, 0, -2), 26: (28, 0, -2),
    31: (66, -22, 30), 32: (30, 10, -30), 33: (92, 2, 8),
}  # fmt: skip
RANGES = {
    1: ("Puddles", Medium.DYE_PAD),
    2: ("Boards", Medium.CARDSTOCK),
    3: ("Ferns", Medium.ALCOHOL_MARKER),
    4: ("Meadows", Medium.PATTERNED_PAPER),
}
SHARES = {31: 0.6, 32: 0.3, 33: 0.1}


def a_sheet(width):
    """The sheet as its picture shows it: six parts green, three blue, one white, in upright bands."""
    labels = np.repeat(np.array([[0] * 6 + [1] * 3 + [2]], np.uint8), 5, axis=0)
    return Sheet("Bank", SHEET, labels, width)


def some_supplies(owned=(1, 2, 11, 21, 22, 23, 24), known="read"):
    """All of them, some in the drawer, and how they are known."""
    rows = tuple(
        SupplyColour(
            pk,
            1 + pk // 10,
            "" if pk in SHEET else f"OAR-{pk}",
            f"oar {pk}",
            "Bank" if pk in SHEET else "",
            known,
            False,
            *map(float, lab),
        )
        for pk, lab in LABS.items()
    )
    facts = {key: RangeFacts(key, name, "", medium, own=True) for key, (name, medium) in RANGES.items()}
    return Supplies(rows, facts, drawer={pk: Kept("full", "") for pk in owned}, shares=SHARES)
