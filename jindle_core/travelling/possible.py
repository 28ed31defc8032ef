"""Could what is told of a card have been told of one that was made here?"""

from collections.abc import Iterator
from dataclasses import fields, replace
from typing import Any

from jindle_core import figures
from jindle_core.card.references import turned
from jindle_core.card.sound import sound
from jindle_core.compatibility.properties import checked_properties
from jindle_core.errors import BadInput, Problem
from jindle_core.media.medium import Medium
from jindle_core.naming import Use
from jindle_core.patterned.sheet import SIGNS
from jindle_core.travelling.told import PatternTold, Travelling

_BANDS = 31  # 400 to 700 nm
_STRONGEST = 200.0  # |a*| and |b*| of nothing that is laid on paper are as large
_SAID = 5  # faults that are named: a file that is no recipe has hundreds


def possible(told: Travelling) -> Travelling:
    """The same, its card sound; BadInput where it speaks of what is not there, or of what cannot be."""
    problems = [Problem(words, field="file") for words in _faults(told)]
    if problems:
        raise BadInput(*problems[:_SAID])
    card = sound(replace(told.card, waivers=()))
    turned(card, lambda use, number: _there(told, use, number))
    for area in card.areas:
        media = {told.ranges[told.supplies[number - 1].range - 1].medium for number in area.family}
        if media - {area.medium}:
            words = f"The area “{area.name:.40}” is of {area.medium} and is coloured with {', '.join(media)}."
            raise BadInput(Problem(words, field="file"))
    return replace(told, card=card)


def _faults(told: Travelling) -> Iterator[str]:
    most = {
        "supplies": figures.files.RECIPE_SUPPLIES,
        "ranges": figures.files.RECIPE_RANGES,
        "sheets": figures.building.PIECES_LIMIT,
        "drawings": figures.drawings.PICTURES_LIMIT,
    }
    for one in fields(told):
        if one.name in most and len(getattr(told, one.name)) > most[one.name]:
            yield f"It has {len(getattr(told, one.name)):,} {one.name}; {most[one.name]:,} are the most."
            return
    named = [(one.name, one.maker) for one in told.ranges]
    named += [(one.label, one.code, one.name) for one in told.supplies]  # type: ignore[misc]
    named += [(one.title,) for one in told.sheets]  # type: ignore[misc]
    named += [(one.name,) for one in told.drawings]  # type: ignore[misc]
    for names in named:
        if not names[0].strip() or any(len(one) > figures.palettes.NAME_LIMIT for one in names):
            yield f"“{names[0]:.40}” is no name: one has 1 to {figures.palettes.NAME_LIMIT} characters."
    for at, range_told in enumerate(told.ranges, start=1):
        try:
            checked_properties(range_told.medium, range_told.properties)
        except BadInput as refused:
            yield f"Range {at}: {refused}"
    for at, supply in enumerate(told.supplies, start=1):
        if not 1 <= supply.range <= len(told.ranges):
            yield f"Supply {at} is of range {supply.range}, and there are {len(told.ranges)}."
        lightness, *others = supply.lab
        if not 0 <= lightness <= 100 or max(map(abs, others)) > _STRONGEST:
            yield f"Supply {at}, {supply.label:.40}: no colour is L*a*b* {supply.lab}."
        bands = supply.reflectance
        if bands is not None and (len(bands) != _BANDS or not all(0 <= one <= 1.2 for one in bands)):
            yield f"Supply {at}, {supply.label:.40}: its reflectance is not {_BANDS} figures from 0 to 1."
    yield from _sheet_faults(told)


def _sheet_faults(told: Travelling) -> Iterator[str]:
    for at, sheet in enumerate(told.sheets, start=1):
        if not (1 <= sheet.range <= len(told.ranges) and 1 <= sheet.supply <= len(told.supplies)):
            yield f"Sheet {at} is of a range or a supply that is not listed."
        if sheet.pattern is not None and not _is_pattern(sheet.pattern, len(told.supplies)):
            yield f"Sheet {at}: its pattern is not as it is described."


def _is_pattern(told: PatternTold, supplies: int) -> bool:
    """Whether its colours are listed, and its rows, each as long as the others, name nothing else."""
    signs = set(SIGNS[: len(told.supplies)])
    sides = (len(told.rows), len(told.rows[0]) if told.rows else 0)
    return (
        0 < len(told.supplies) <= len(SIGNS)
        and all(1 <= one <= supplies for one in told.supplies)
        and min(sides) > 0
        and max(sides) <= figures.files.RECIPE_PATTERN
        and all(len(row) == sides[1] and signs.issuperset(row) for row in told.rows)
        and figures.paper.SHEET_WIDTH[0] <= told.width <= figures.paper.SHEET_WIDTH[1]
    )


def _does(medium: Medium, use: Use) -> bool:
    """Whether what a card names for something may be of a medium: the rest may be of any."""
    asked = {Use.PADS: medium.traits.pad, Use.PAPERS: medium.traits.stock, Use.LINE: medium.traits.line_ink}
    return bool(asked.get(use, True))


def _there(told: Travelling, use: Use, number: int) -> int:
    """The number, of something that is there and that is used so; else BadInput."""
    listed: tuple[Any, ...] = told.supplies
    listed = {Use.LINE: told.ranges, Use.DRAWING: told.drawings, Use.SHEETS: told.sheets}.get(use, listed)
    if not 1 <= number <= len(listed):
        raise BadInput(
            Problem(f"The card names {use} number {number}; {len(listed)} are listed.", field="file")
        )
    if use in (Use.DRAWING, Use.SHEETS):
        return number
    known = told.ranges[number - 1 if use is Use.LINE else told.supplies[number - 1].range - 1]
    if not _does(known.medium, use):
        raise BadInput(Problem(f"{known.name:.60} is {known.medium}, and is named for {use}.", field="file"))
    return number
