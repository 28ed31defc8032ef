"""A recipe on paper: as PDF or as one HTML file, with the picture in it."""

from base64 import b64encode
from collections.abc import Iterator, Sequence
from enum import StrEnum
from itertools import zip_longest
from typing import Any

from jindle_core.planning.recipe.lines import Recipe
from server.catalogue.printing import page, pdf

_TEMPLATE = "print/recipe.html"


class Paper(StrEnum):
    """The sheets that a recipe is printed on."""

    LETTER = "letter"
    A4 = "A4"


def recipe_page(recipe: Recipe, **told: Any) -> str:
    """One HTML file without scripts."""
    return page(_TEMPLATE, _told(recipe, **told))


def recipe_pdf(recipe: Recipe, paper: Paper, **told: Any) -> bytes:
    """Its pages."""
    return pdf(_TEMPLATE, _told(recipe, paper, **told))


def _tones(recipe: Recipe) -> Iterator[int]:
    for picture in recipe.pictures:
        for area in picture.areas:
            yield len(area.tones)


def _told(
    recipe: Recipe,
    paper: Paper = Paper.A4,
    picture: tuple[bytes, str] | None = None,
    picture_words: str = "",
    about: Sequence[str] = (),
    instead_used: Sequence[str] = (),
) -> dict[str, Any]:
    """What the template needs; ``picture`` is a file and its kind."""
    steps = list(enumerate(recipe.steps, start=1))
    instead = recipe.instead
    source = picture and f"data:{picture[1]};base64,{b64encode(picture[0]).decode()}"
    return {
        "title": recipe.name,
        "recipe": recipe,
        "sheet": paper.value,
        "picture": source,
        "picture_words": picture_words,
        "about": about,
        "instead_used": instead_used,
        "cautions": recipe.cautions,
        "columns": range(max(_tones(recipe), default=0)),
        "steps": list(zip_longest(steps[::2], steps[1::2], fillvalue=("", ""))),
        "instead": [instead[at : at + 2] for at in range(0, len(instead), 2)],
    }
