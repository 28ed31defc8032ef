"""How far off may a prediction be?"""

from jindle_core import figures
from jindle_core.media import Medium
from jindle_core.prediction.behaviour import COVERING


def prediction_sigma(medium: Medium, layers: int, stock: str, fitted: bool = False) -> float:
    """One sigma, in ΔE00, of a colour of a medium predicted in layers on a kind of stock.

    Root of the sum of squares of what each step away from the reading adds.
    """
    more, other = figures.laying.PREDICTION_SIGMA[COVERING[medium]]
    added = (more * (layers - 1)) ** 2 + (other if stock != "white" else 0.0) ** 2
    scale = figures.laying.FITTED_SHARE if fitted else 1.0
    return scale * float(added**0.5)
