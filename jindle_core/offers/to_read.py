"""Which readings would make a palette's words sure, where its colours are known by their labels?"""

from collections import Counter
from collections.abc import Sequence

from jindle_core import figures
from jindle_core.seen.table import Row
from jindle_core.supplies.matched import Swatch

_LABEL = figures.colour.UNCERTAINTY["label"]


def to_read(rows: Sequence[Row]) -> list[Swatch]:
    """Those known no better than by a label that stand behind most words that are only probable.

    A palette colour stands behind every word of its row, so it mostly comes first.
    """
    unsure: Counter[int] = Counter()
    found: dict[int, Swatch] = {}
    for row in rows:
        for cell in row.cells:
            if cell.match is None or not cell.match.near.judged.tentative:
                continue
            for swatch in (row.anchor, cell.match.swatch):
                if swatch is not None and swatch.uncertainty >= _LABEL and not swatch.lost:
                    found[swatch.id] = swatch
                    unsure[swatch.id] += 1
    return [found[pk] for pk, _ in unsure.most_common(figures.laying.LESSONS)]
