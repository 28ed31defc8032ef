"""A step of the work as it is told."""

from typing import Any

from jindle_core.planning.step import WAIT_WORDS, Step


def step_told(step: Step, units: str) -> dict[str, Any]:
    """The step as ``StepSerializer`` describes it, measures in "in" or "mm"."""
    return {
        "words": step.text(units),
        "using": step.using,
        "to": list(step.to),
        "wait": "" if step.wait is None else WAIT_WORDS[step.wait],
    }
