"""What came back out of an archive?"""

from server.told.answer import LEFT_OUT, Answer
from server.told.made import Streamed


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
    moods: int
    sets: int
    answers: int
    records: int


class UnpackedLine(Streamed):
    """How far it has come; the last line says how much of each was brought back."""

    back: Unpacked = LEFT_OUT
