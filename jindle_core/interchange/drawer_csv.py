"""A drawer as a CSV file: range, colour, how full, note."""

import csv
import io
import re
from collections.abc import Iterable
from dataclasses import dataclass

from jindle_core.errors import BadInput, Problem
from jindle_core.fullness import FULLNESS, NOTE_LIMIT, Kept, is_fullness
from jindle_core.interchange.range_csv import neutral
from jindle_core.interchange.text import read_table

_SPELLINGS = {
    "range": ("range", "line", "brand", "series"),
    "colour": ("colour", "color", "code", "name", "nr", "number", "no"),
    "full": ("full", "howfull", "fullness", "level"),
    "note": ("note", "notes", "remark"),
}


@dataclass(frozen=True, slots=True)
class KeptLine:
    """A line of a drawer's file."""

    row: int
    range: str
    colour: str
    kept: Kept


def write_drawer(lines: Iterable[KeptLine]) -> str:
    """The lines as CSV text that ``read_drawer`` reads back unchanged."""
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\n")
    writer.writerow(("range", "colour", "full", "note"))
    for one in lines:
        writer.writerow((neutral(one.range), neutral(one.colour), one.kept.fullness, neutral(one.kept.note)))
    return out.getvalue()


def read_drawer(content: bytes) -> list[KeptLine]:
    """The lines of a drawer's file; BadInput with every problem, so that nothing is half read."""
    table = read_table(content)
    titles = [re.sub(r"[\W_]+", "", title).casefold() for title in table.header]
    places = {
        field: next((titles.index(one) for one in known if one in titles), None)
        for field, known in _SPELLINGS.items()
    }
    if places["colour"] is None:
        raise BadInput(
            Problem(
                f"No column holds the colours; the file has {', '.join(table.header)}.",
                row=1,
                expected="columns range, colour, full, note",
            )
        )
    lines, problems = [], []
    for row, cells in table.rows:
        texts = {
            field: _plain(cells[at]) if at is not None and at < len(cells) else ""
            for field, at in places.items()
        }
        if not texts["colour"]:
            problems.append(Problem(f"Row {row} names no colour.", row=row, column="colour"))
        full = texts["full"].casefold() or "full"
        if not is_fullness(full):
            told = f"Row {row}, full: “{texts['full'][:40]}” is no fullness."
            problems.append(Problem(told, "", row, "full", texts["full"][:200], ", ".join(FULLNESS)))
            continue
        lines.append(KeptLine(row, texts["range"], texts["colour"], Kept(full, texts["note"][:NOTE_LIMIT])))
    if problems:
        raise BadInput(*problems)
    return lines


def _plain(cell: str) -> str:
    return cell[1:] if cell.startswith("'") and neutral(cell[1:]) != cell[1:] else cell
