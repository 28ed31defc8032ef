"""A range as JSON: everything of it, back and forth without a loss."""

import json
from collections.abc import Iterable
from dataclasses import replace
from typing import Any

from jindle_core.errors import BadInput, Problem
from jindle_core.interchange.entries import Entry, RangeFile, read_rows
from jindle_core.interchange.range_csv import figure, neutral
from jindle_core.interchange.text import Table, decode
from jindle_core.provenance import FileProvenance

FORMAT = "jindle range"
VERSION = 1
_WORDS = ("name", "maker", "medium", "note")
DETAILS = (*_WORDS, "properties")
_HEADER = ("code", "name", "L", "a", "b", "hex", "family", "paper", "discontinued", "provenance")


def read_range_json(content: bytes, provenance: FileProvenance = "label") -> tuple[dict[str, Any], RangeFile]:
    """What the file says of the range itself (name, maker, medium, note) and its colours.

    Raises BadInput where it is not well-formed, or is JSON of something else.
    """
    try:
        found = json.loads(decode(content))
    except ValueError as error:
        raise BadInput(Problem(f"The file is not well-formed JSON: {error}.")) from None
    except RecursionError:
        raise BadInput(Problem("The file is JSON nested too deeply to be a range.")) from None
    colours = found.get("colours") if isinstance(found, dict) else None
    if not isinstance(colours, list):
        raise BadInput(
            Problem(
                "This JSON holds no range: a list “colours” is wanted.",
                field="colours",
                expected='{"name": …, "colours": [{"code": …, "lab": [L, a, b]}]}',
            )
        )
    rows, reflectances = [], {}
    for number, colour in enumerate(colours, start=1):
        rows.append((number, _cells(number, colour)))
        if reflectance := colour.get("reflectance"):
            reflectances[number] = _reflectance(number, reflectance)
    columns = {field: field for field in _HEADER}
    details: dict[str, Any] = {field: str(found.get(field) or "") for field in _WORDS}
    if isinstance(found.get("properties"), dict):
        details["properties"] = found["properties"]
    file = read_rows(Table(_HEADER, tuple(rows), "JSON"), columns, provenance, reflectances)
    return details, replace(
        file, entries=tuple(_with_share(one, colours[one.row - 1]) for one in file.entries)
    )


def _with_share(entry: Entry, colour: dict[str, Any]) -> Entry:
    share = colour.get("share")
    if share is None:
        return entry
    if not isinstance(share, int | float) or not 0 <= share <= 1:
        told = f"Colour {entry.row}: its share is no figure from 0 to 1."
        raise BadInput(Problem(told, row=entry.row, column="share", value=str(share)[:40], expected="0 to 1"))
    return replace(entry, share=float(share))


def _cells(number: int, colour: Any) -> tuple[str, ...]:
    if not isinstance(colour, dict):
        raise BadInput(
            Problem(f"Colour {number} is no object.", row=number, expected='{"code": …, "lab": …}')
        )
    lab = colour.get("lab") or ["", "", ""]
    if not isinstance(lab, list) or len(lab) != 3:
        raise BadInput(Problem(f"Colour {number}: lab is no list of three.", row=number, column="lab"))
    values = {field: colour.get(field) for field in _HEADER} | dict(zip("Lab", lab, strict=True))
    return tuple(_cell(values[field]) for field in _HEADER)


def _cell(value: Any) -> str:
    if value is None:
        return ""
    if isinstance(value, bool):
        return "yes" if value else "no"
    return figure(value) if isinstance(value, float) else neutral(str(value))


def _reflectance(number: int, given: Any) -> tuple[float, ...]:
    expected = "31 figures from 0 to 1, 400 to 700 nm"
    fits = isinstance(given, list) and len(given) == 31
    if not fits or not all(isinstance(one, int | float) and 0 <= one <= 1.2 for one in given):
        raise BadInput(
            Problem(
                f"Colour {number}: its reflectance is not {expected}.",
                row=number,
                column="reflectance",
                expected=expected,
            )
        )
    return tuple(float(one) for one in given)


def write_range_json(details: dict[str, Any], entries: Iterable[Entry]) -> str:
    """The range as text that ``read_range_json`` reads back unchanged."""
    colours = []
    for one in entries:
        colour: dict[str, Any] = {"code": one.code, "name": one.name, "lab": list(one.lab)}
        colour |= {"provenance": one.provenance, "family": one.family, "paper": one.paper}
        colour["discontinued"] = one.discontinued
        if one.share is not None:
            colour["share"] = one.share
        if one.reflectance:
            colour["reflectance"] = list(one.reflectance)
        colours.append(colour)
    whole = {"format": FORMAT, "version": VERSION} | {field: details.get(field, "") for field in _WORDS}
    if details.get("properties"):
        whole["properties"] = details["properties"]
    return json.dumps(whole | {"colours": colours}, ensure_ascii=False, indent=1) + "\n"
