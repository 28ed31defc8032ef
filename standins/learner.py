"""A made-up learner, whose eye is known: every colour is seen a little otherwise each time.

It stands in for a person where answers are wanted and nobody is there: to measure how well thresholds are
found, and to lay a printed sheet by hand before the simulated camera.
"""

import numpy as np

from jindle_core import figures
from jindle_core.training.question import WAYS, Question
from jindle_core.training.scoring import Answer


class SimulatedLearner:
    """Sees what counts with a normal error of one ``spread`` (ΔL* or ΔE00), and slips now and then.

    ``finer`` is how often it halves over ``figures.training.FINER_OVER`` questions.
    """

    simulated = True

    def __init__(
        self, spread: float, seed: int, slips: float = figures.training.LAPSE, finer: float = 0.0
    ) -> None:
        self.spread = spread
        self._finer = 2 ** (-finer / figures.training.FINER_OVER)
        self._slips = slips
        self._random = np.random.default_rng(seed)

    def answer(self, question: Question) -> Answer:
        """What it answers."""
        true = np.array([option.figure for option in question.options])
        seen = true + self._random.normal(0, self.spread, len(true))
        self.spread *= self._finer
        kind = question.kind
        if self._random.random() < self._slips:
            seen = self._random.random(len(true))
        if kind is not None and self._random.random() < self._slips:
            kind = WAYS[int(self._random.integers(len(WAYS)))]
        order = np.argsort(-seen if question.orders else seen)
        places = order if question.orders else order[:1]
        return Answer(tuple(int(at) for at in places), kind)
