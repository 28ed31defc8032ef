"""A recipe as an open file: JSON, described in docs/recipe-format.md; back and forth without a loss."""

import base64
import binascii
import json
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import Any

from jindle_core import figures
from jindle_core.card.stored import card_to_json, upgraded
from jindle_core.errors import BadInput, Problem
from jindle_core.interchange.small_picture import small_picture
from jindle_core.interchange.text import decode
from jindle_core.stored import plain, structured
from jindle_core.travelling.possible import possible
from jindle_core.travelling.told import Travelling

FORMAT, VERSION = "jindle recipe", 1
KINDS = ("image/webp", "image/jpeg", "image/png")


@dataclass(frozen=True, slots=True)
class PictureTold:
    """A picture of the card, for the eye: what it shows in words, its kind, and the file itself."""

    words: str
    kind: str
    content: bytes


@dataclass(frozen=True, slots=True)
class RecipeFile:
    """What a file holds."""

    told: Travelling
    pictures: tuple[PictureTold, ...] = ()


def told_to_json(told: Travelling) -> dict[str, Any]:
    """What is told of a card as plain JSON values."""
    return plain(told) | {"card": card_to_json(told.card)}


def told_from_json(stored: dict[str, Any]) -> Travelling:
    """What ``told_to_json`` wrote, now or long ago, surely of a card that could have been made here; else
    BadInput."""
    card = stored.get("card")
    whole = stored | {"card": upgraded(card)} if isinstance(card, dict) else stored
    return possible(structured(whole, Travelling, "recipe"))


def write_recipe(told: Travelling, pictures: Sequence[PictureTold] = ()) -> str:
    """The text of the file that ``read_recipe`` reads back unchanged."""
    shown = [
        {"words": one.words, "kind": one.kind, "base64": base64.b64encode(one.content).decode()}
        for one in pictures
    ]
    head = {"format": FORMAT, "version": VERSION, "name": told.card.name}
    whole = head | told_to_json(told) | {"pictures": shown}
    return json.dumps(whole, ensure_ascii=False, indent=1) + "\n"


def read_recipe(content: bytes) -> RecipeFile:
    """What a recipe file holds, surely a card that could have been made here and real pictures.

    BadInput for what is no recipe, is of a later version, or speaks of what cannot be.
    """
    try:
        found = json.loads(decode(content))
        # Half of a surrogate pair is no character, though JSON can write it.
        json.dumps(found, ensure_ascii=False).encode()
    except (ValueError, RecursionError) as error:
        if isinstance(error, BadInput):
            raise
        raise BadInput(Problem("The file is not well-formed JSON.", field="file")) from None
    if not isinstance(found, dict) or found.get("format") != FORMAT:
        words = "This is no Jindle recipe."
        raise BadInput(Problem(words, field="file", expected=f'JSON with "format": "{FORMAT}"'))
    version = found.get("version")
    if type(version) is not int or not 1 <= version <= VERSION:
        words = f"This recipe is of version {version!r:.20}; this Jindle reads versions up to {VERSION}."
        raise BadInput(Problem(words, field="file", value=str(version)[:20]))
    if not isinstance(found.get("name"), str) or not found["name"].strip():
        raise BadInput(Problem("This recipe has no name.", field="file", expected='a "name"'))
    return RecipeFile(told_from_json(found), tuple(_pictures(found.get("pictures", []))))


def _pictures(given: Any) -> Iterator[PictureTold]:
    if not isinstance(given, list) or len(given) > figures.files.RECIPE_PICTURES:
        words = f"A recipe has a list of at most {figures.files.RECIPE_PICTURES} pictures."
        raise BadInput(Problem(words, field="file"))
    for at, one in enumerate(given, start=1):
        try:
            words, kind = one["words"], one["kind"]
            content = base64.b64decode(one["base64"], validate=True)
        except (TypeError, KeyError, ValueError, binascii.Error):
            raise BadInput(
                Problem(f"Picture {at} of the recipe is not as it is described.", field="file")
            ) from None
        if kind not in KINDS or type(words) is not str or len(words) > figures.palettes.NAME_LIMIT:
            raise BadInput(Problem(f"Picture {at} of the recipe is of no kind that is read.", field="file"))
        try:
            small_picture(content)
        except BadInput as refused:
            raise BadInput(Problem(f"Picture {at} of the recipe: {refused}", field="file")) from None
        yield PictureTold(words, kind, content)
