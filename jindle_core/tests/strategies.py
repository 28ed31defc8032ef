"""What several tests draw from: colours and the published pairs."""

from pathlib import Path

import numpy as np
from hypothesis import strategies as st

LAB = st.tuples(st.floats(5, 98), st.floats(-45, 45), st.floats(-45, 60))
PUBLISHED_PAIRS = np.loadtxt(Path(__file__).parent / "data" / "ciede2000.csv", delimiter=",")


def some_lab(count: int, seed: int = 1) -> np.ndarray:
    """Random colours (count, 3) of the kind that supplies have."""
    random = np.random.default_rng(seed)
    return random.uniform([15, -40, -45], [96, 55, 60], (count, 3))
