"""Which of one's colours are most unlike one another? A strip of known swatches wants those."""

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.media.groups import LAID_MEDIA
from jindle_core.supplies.whole import Supplies


def most_unlike(supplies: Supplies, count: int) -> list[int]:
    """Places of so many colours at most that lie on white card as swatches; of the drawer where it holds any.

    Ours: the strongest first, then always the one farthest (ΔE00) from white
    card and from all before it; what was read counts more, for it is surer.
    None is nearer to another than colours that are perhaps the same.
    """
    places = supplies.of_media(LAID_MEDIA)
    owned = places[supplies.usable[places]]
    places = owned if len(owned) else places
    if not len(places):
        return []
    lab = supplies.lab[places]
    sure = 1 / (1 + supplies.sigma[places])
    away = delta_e(lab, np.array(figures.laying.PAPER_WHITE_LAB))
    chosen: list[int] = []
    worth = np.hypot(lab[:, 1], lab[:, 2]) * sure
    for _ in range(count):
        best = int(np.argmax(worth))
        if away[best] < figures.paper.STRIP_UNLIKE:
            break
        chosen.append(int(places[best]))
        away = np.minimum(away, delta_e(lab, lab[best]))
        worth = away * sure
    return chosen
