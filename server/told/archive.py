"""What came back out of an archive?"""

from server.told.answer import Answer


class Unpacked(Answer):
    """How much of each was brought back."""

    ranges: int
    papers: int
    drawer: int
    combinations: int
    readings: int
    drawings: int
    families: int
    cards: int
