"""Whose account is it, and what holds for all?"""

from collections.abc import Mapping, Sequence
from typing import Annotated

from jindle_core.compatibility.properties import PROPERTIES
from jindle_core.media.medium import Medium
from server.told.answer import Answer, OneOf


class Person(Answer):
    """A person as shown to themselves."""

    id: int
    name: str
    email: str
    device_key: Annotated[str, "with which a device closes what it keeps for them"]
    units: Annotated[str, OneOf({"in": "inches", "mm": "millimetres"})]
    surround: Annotated[str, OneOf({"light": "Light", "mid": "Mid", "dark": "Dark"})]
    only_owned: bool
    dark_first: bool
    figures: bool
    eyes: Annotated[
        str, OneOf({"": "as most eyes", "protan": "protan", "deutan": "deutan", "tritan": "tritan"})
    ]
    value_only: bool
    stand_ins: bool


class Limits(Answer):
    """How much of everything there may be, so that it can be said before it is sent."""

    name: Annotated[int, "characters"]
    password: Annotated[int, "characters, at least"]
    words: Annotated[int, "characters on a piece"]
    tones: Annotated[Sequence[int], "of a family"]
    area_layers: Sequence[int]
    deleted_days: Annotated[int, "for which a deleted card can be brought back"]
    reading_layers: Sequence[int]
    word_kinds: Annotated[Sequence[str], "kinds of piece that say words"]


class MediumTold(Answer):
    """A medium, and what of a supply of it can be said."""

    value: Medium
    laid: Annotated[bool, "on card, so that layers, hand and paper mean something"]
    properties: Annotated[Sequence[Annotated[str, OneOf(*PROPERTIES)]], "that a range of it may have"]


class Door(Answer):
    """What the sign-in page needs to know before anybody is signed in, and what holds for all."""

    demo: bool
    sign_up: Annotated[str, OneOf("open", "invitation", "closed")]
    mail: Annotated[bool, "a forgotten password is helped with by mail"]
    person: Person | None
    limits: Limits
    media: Sequence[MediumTold]
    phrases: Annotated[Mapping[str, str], "keys whose words are not the key itself, hyphens taken out"]


class Keeping(Answer):
    """How much of a kind somebody keeps, and may keep."""

    what: str
    there: int
    most: int
    nearly_full: bool


class Example(Answer):
    """A finished card by its name."""

    name: str
