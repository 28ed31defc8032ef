"""A range of colours as a CSV file: recognising columns, reading, writing."""

import csv
import io
import re
from collections.abc import Iterable, Mapping

from jindle_core.interchange.entries import FIELDS, FORMULA, NEUTRALISED, Entry, RangeFile, read_rows
from jindle_core.interchange.text import read_table

# Usual spellings of each column's header, compared without case, spaces and signs.
_SPELLINGS: Mapping[str, tuple[str, ...]] = {
    "code": ("code", "no", "nr", "number", "num", "id", "ref", "colourcode", "colorcode", "codice", "código"),
    "name": ("name", "colour", "color", "colourname", "colorname", "description", "farbe", "nom", "naam"),
    "L": ("l", "cieL", "labl", "lstar", "lightness"),
    "a": ("a", "ciea", "laba", "astar"),
    "b": ("b", "cieb", "labb", "bstar"),
    "hex": ("hex", "hexcode", "rgb", "srgb", "html", "web"),
    "family": ("family", "group", "set", "sheet", "serie", "series"),
    "paper": ("paper", "onpaper", "stock", "substrate"),
    "provenance": ("provenance", "known", "measuredby"),
    "discontinued": ("discontinued", "retired", "stillmade", "status", "ended"),
}


def recognise(header: Iterable[str]) -> dict[str, str]:
    """Which header stands for which field, by the usual spellings; the first of several wins.

    >>> recognise(["Nr.", "Colour name", "L*", "a*", "b*"])
    {'code': 'Nr.', 'name': 'Colour name', 'L': 'L*', 'a': 'a*', 'b': 'b*'}
    """
    plain = {spelling.casefold(): field for field, known in _SPELLINGS.items() for spelling in known}
    found: dict[str, str] = {}
    for title in header:
        field = plain.get(re.sub(r"[\W_]+", "", title).casefold())
        if field:
            found.setdefault(field, title)
    return {field: found[field] for field in FIELDS if field in found}


def read_range(
    content: bytes, columns: Mapping[str, str] | None = None, provenance: str = "label"
) -> RangeFile:
    """Read a range's CSV file whole, and report every line that cannot be taken.

    ``columns`` (field → header) says which columns to use; without it they
    are recognised. Raises BadInput for what is no table; see ``read_rows``.
    """
    table = read_table(content)
    return read_rows(table, columns or recognise(table.header), provenance)


def neutral(text: str) -> str:
    """A cell that no spreadsheet takes for a formula; ``read_range`` takes the sign away again."""
    return "'" + text if FORMULA.match(text) or NEUTRALISED.match(text) else text


def write_range(entries: Iterable[Entry]) -> str:
    """The entries as CSV text that ``read_range`` reads back unchanged."""
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\n")
    writer.writerow(("code", "name", "L", "a", "b", "family", "paper", "discontinued", "provenance"))
    for one in entries:
        texts = [neutral(text) for text in (one.code, one.name, one.family, one.paper)]
        gone = "yes" if one.discontinued else "no"
        writer.writerow((*texts[:2], *map(figure, one.lab), *texts[2:], gone, one.provenance))
    return out.getvalue()


def figure(value: float) -> str:
    """A figure with two decimals, or with all of them where it has more."""
    short = f"{value:.2f}"
    return short if float(short) == value else repr(float(value))
