"""What do many addresses answer with: which one was made, and how far long work is?"""

from typing import Annotated

from server.told.answer import LEFT_OUT, Answer


class Made(Answer):
    """Which one was made."""

    id: int


class Streamed(Answer):
    """A line of an answer that comes with its progress: how far it is, or what was found."""

    share: Annotated[float, "of the work that is done"] = LEFT_OUT
    words: Annotated[str, "what is done now"] = LEFT_OUT
