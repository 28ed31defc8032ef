"""What is taken along where a card is copied: all of it, its palette, or how it is built?"""

from dataclasses import replace
from enum import StrEnum

from jindle_core.card.build import Build
from jindle_core.card.changes.palette import checked_name
from jindle_core.card.whole import Card
from jindle_core.layers.pieces import WHITE_END, Piece


class Part(StrEnum):
    """What of a card is copied."""

    WHOLE = "whole"
    PALETTE = "palette"
    BUILD = "build"


def copied(card: Card, name: str, part: Part = Part.WHOLE) -> Card:
    """The card under another name, or one of its size with its palette, or with its pieces of white card.

    BadInput for a name that is none.
    """
    name = checked_name(name)
    if part is Part.PALETTE:
        return Card(name, card.size, card.colours, card.choices, next_key=card.next_key, further=card.further)
    if part is Part.BUILD:
        front, inside = (tuple(_in_white(piece) for piece in face) for face in card.build.faces)
        build: Build = replace(card.build, base=WHITE_END, pieces=front, inside=inside)
        return Card(name, card.size, build=build)
    return replace(card, name=name)


def _in_white(piece: Piece) -> Piece:
    """A piece as it is cut and placed, of nothing yet; pictures are to be drawn anew."""
    return replace(piece, material=WHITE_END, inked=None, picture=None)
