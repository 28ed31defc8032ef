"""Which points belong together? k-means by scipy, made safe for what pictures hold."""

import warnings

import numpy as np
from scipy.cluster.vq import kmeans2

from jindle_core.colorimetry.spaces import Array

_SPREAD = 1e-4  # far below any difference: a sheet of one colour gives many equal points


def groups(sample: Array, count: int) -> tuple[Array, np.ndarray]:
    """Centres (k, 3) and the group of each point (n,) of a sample (n, 3); always the same for the same."""
    count = min(count, len(sample))
    spread = sample + np.random.default_rng(0).normal(0, _SPREAD, sample.shape)
    with warnings.catch_warnings():
        warnings.filterwarnings("ignore", "One of the clusters is empty")  # then it has no points
        centres, labels = kmeans2(spread, count, minit="++", seed=0)
    return centres, labels
