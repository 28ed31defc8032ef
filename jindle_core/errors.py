"""What is wrong with an input, said so that a person can put it right."""

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Problem:
    """One thing that is wrong: what, where, what came and what was expected.

    ``field`` names the value in a form or change; ``row`` and ``column`` place
    it in a file (rows count from 1, the header being row 1).
    """

    message: str
    field: str = ""
    row: int | None = None
    column: str = ""
    value: str = ""
    expected: str = ""


class BadInput(ValueError):
    """Raised when an input cannot be taken; carries every problem found."""

    def __init__(self, *problems: Problem) -> None:
        super().__init__("; ".join(problem.message for problem in problems))
        self.problems = problems

    def __reduce__(self) -> tuple[type["BadInput"], tuple[Problem, ...]]:
        """How it travels from one process to another."""
        return type(self), self.problems
