"""A step of the work as it is told."""

from jindle_core.planning.step import WAIT_WORDS, Step
from server.told.card import Step as StepTold


def step_told(step: Step, units: str) -> StepTold:
    """The step, measures in "in" or "mm"."""
    return StepTold(
        words=step.text(units),
        using=step.using,
        to=list(step.to),
        wait="" if step.wait is None else WAIT_WORDS[step.wait],
    )
