"""What is wrong, and where?"""

from collections.abc import Sequence

from server.told.answer import Answer


class Problem(Answer):
    """One thing that is wrong, and where."""

    message: str
    field: str
    row: int | None
    column: str
    value: str
    expected: str


class Error(Answer):
    """What every answer with a status of 400 or more holds."""

    code: str
    message: str
    problems: Sequence[Problem]
