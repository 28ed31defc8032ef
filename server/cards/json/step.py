"""A step of the work as it is told."""

from typing import Any

from jindle_core.planning.step import WAIT_WORDS, Step


def step_told(step: Step) -> dict[str, Any]:
    """The step as ``StepSerializer`` describes it."""
    return {
        "words": step.words,
        "using": step.using,
        "to": list(step.to),
        "wait": "" if step.wait is None else WAIT_WORDS[step.wait],
    }
