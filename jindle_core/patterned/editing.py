"""How does a person put right what was found on a sheet: merging, splitting, dropping colours?"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.spaces import as_lab
from jindle_core.errors import BadInput, Problem
from jindle_core.patterned.colours import SheetColour, where, with_parts
from jindle_core.patterned.correction import Corrected
from jindle_core.patterned.groups import groups

WAYS = ("merge", "split", "drop")


@dataclass(frozen=True, slots=True)
class Edit:
    """One edit: its way, and the places of the colours it is of (two or more for a merge)."""

    way: str
    places: tuple[int, ...]


def edited(picture: Corrected, found: Sequence[SheetColour], edits: Sequence[Edit]) -> list[SheetColour]:
    """The colours after each edit in turn; places count in the list as it was before that edit.

    A merge is the mean by share; a split parts the pixels of a colour in two;
    the share of a dropped colour goes to the others. Raises BadInput for an
    edit that cannot be.
    """
    colours = list(found)
    for edit in edits:
        colours = _EDITS[edit.way](picture, colours, _checked(edit, len(colours)))
    return colours


def _checked(edit: Edit, count: int) -> list[int]:
    places = sorted(set(edit.places))
    if not places or places[0] < 0 or places[-1] >= count:
        raise BadInput(
            Problem("There is no such colour on the sheet.", field="edits", value=str(edit.places))
        )
    if edit.way == "merge" and len(places) < 2:
        raise BadInput(Problem("To merge takes two colours or more.", field="edits"))
    if edit.way == "drop" and len(places) >= count:
        raise BadInput(Problem("One colour must stay.", field="edits"))
    return places


def _merge(_: Corrected, colours: list[SheetColour], places: list[int]) -> list[SheetColour]:
    shares = np.array([colours[at].share for at in places])
    labs = np.array([colours[at].lab for at in places])
    rest = [one for at, one in enumerate(colours) if at not in places]
    merged = SheetColour(as_lab(np.average(labs, axis=0, weights=shares)), float(shares.sum()), "")
    return _again([*rest, merged])


def _drop(_: Corrected, colours: list[SheetColour], places: list[int]) -> list[SheetColour]:
    return _again([one for at, one in enumerate(colours) if at not in places])


def _split(picture: Corrected, colours: list[SheetColour], places: list[int]) -> list[SheetColour]:
    labels = where(picture.lab, np.array([one.lab for one in colours]))
    for at in places:
        pixels = picture.lab[labels == at]
        if len(pixels) < figures.paper.PLAIN_LEAST:
            raise BadInput(Problem("That colour has too little area to be parted.", field="edits"))
        chosen = np.random.default_rng(0).choice(len(pixels), figures.paper.COLOUR_SAMPLE)
        _, sides = groups(pixels[chosen], 2)
        halves = [pixels[chosen][sides == side] for side in (0, 1)]
        colours += [
            SheetColour(as_lab(np.median(half, axis=0)), colours[at].share * len(half) / len(chosen), "")
            for half in halves
            if len(half)
        ]
    return _again([one for at, one in enumerate(colours) if at not in places])


def _again(colours: list[SheetColour]) -> list[SheetColour]:
    shares = np.array([one.share for one in colours])
    return with_parts(np.array([one.lab for one in colours]), shares / shares.sum())


_EDITS = {"merge": _merge, "split": _split, "drop": _drop}
