"""A range of colours as a CSV file: reading, recognising columns, writing."""

import csv
import io
import re
from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from jindle_core import defaults
from jindle_core.colorimetry.spaces import hex_to_lab
from jindle_core.colorimetry.typed import LAB_LIMITS
from jindle_core.errors import BadInput, Problem
from jindle_core.interchange.text import Table, read_table

FIELDS = ("code", "name", "L", "a", "b", "hex", "family", "paper", "discontinued")

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
    "discontinued": ("discontinued", "retired", "stillmade", "status", "ended"),
}
_YES = {"yes", "y", "true", "1", "x", "discontinued", "retired", "ja", "oui", "sí", "si"}
_NO = {"", "no", "n", "false", "0", "-", "current", "made", "nein", "non", "nee"}
_FORMULA = re.compile(r"[=@\t\r]|[+\-]\S")
_LIMITS = dict(zip(("L", "a", "b"), LAB_LIMITS, strict=True))
_TEXT_LIMIT = {"code": 60, "name": defaults.NAME_LIMIT, "family": 120, "paper": 120}


@dataclass(frozen=True, slots=True)
class Entry:
    """One colour of a range as a file gives it."""

    row: int
    code: str
    name: str
    lab: tuple[float, float, float]
    provenance: str
    family: str = ""
    paper: str = ""
    discontinued: bool = False

    @property
    def key(self) -> str:
        """What tells it from the range's other colours: its code or, without one, its name."""
        return self.code or self.name


@dataclass(frozen=True, slots=True)
class RangeFile:
    """What was read: which header stands for which field, the entries, what is wrong."""

    header: tuple[str, ...]
    columns: Mapping[str, str]
    entries: tuple[Entry, ...]
    problems: tuple[Problem, ...]
    delimiter: str


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
    """Read a range's file whole, and report every line that cannot be taken.

    ``columns`` (field → header) says which columns to use; without it they
    are recognised. ``provenance`` is where its L, a, b come from; a hex value
    is always "from a screen value". Raises BadInput only for what is no table
    at all or lacks the columns; faulty rows come back in ``problems``, with
    row, column, value and what was expected.
    """
    table = read_table(content)
    columns = dict(columns) if columns else recognise(table.header)
    _check_columns(table, columns)
    if len(table.rows) > defaults.LARGEST_RANGE:
        raise BadInput(
            Problem(f"The file has {len(table.rows)} rows; a range has at most {defaults.LARGEST_RANGE}.")
        )
    reader = _RowReader(table, columns, provenance)
    entries, problems = [], []
    for row, cells in table.rows:
        try:
            entries.append(reader.entry(row, cells))
        except BadInput as error:
            problems.extend(error.problems)
    if not entries and not problems:
        problems.append(Problem("The file has a header but no rows.", row=1))
    return RangeFile(table.header, columns, tuple(entries), tuple(problems), table.delimiter)


def _check_columns(table: Table, columns: Mapping[str, str]) -> None:
    found = ", ".join(title or "(empty)" for title in table.header)
    for field, title in columns.items():
        if field not in FIELDS or title not in table.header:
            raise BadInput(
                Problem(
                    f"There is no column “{title}” for {field}; the file has {found}.",
                    field="columns",
                    column=title,
                    expected=found,
                )
            )
    missing = []
    if not {"code", "name"} & columns.keys():
        missing.append("a code or a name")
    if "hex" not in columns and not {"L", "a", "b"} <= columns.keys():
        missing.append("L, a and b, or hex")
    if missing:
        raise BadInput(
            Problem(
                f"No column was recognised for {' nor for '.join(missing)}; the file has {found}. "
                "Say below which column is which.",
                field="columns",
                row=1,
                value=found,
                expected="code, name and either L, a, b or hex",
            )
        )


class _RowReader:
    """Turns rows into entries; remembers the codes seen, to name a repeated one."""

    def __init__(self, table: Table, columns: Mapping[str, str], provenance: str) -> None:
        self._places = {field: table.header.index(title) for field, title in columns.items()}
        self._titles = columns
        self._width = len(table.header)
        self._provenance = provenance
        self._seen: dict[str, int] = {}

    def entry(self, row: int, cells: tuple[str, ...]) -> Entry:
        if len(cells) > self._width and any(cells[self._width :]):
            raise BadInput(
                Problem(
                    f"Row {row} has {len(cells)} cells but the header has {self._width}; "
                    "is a comma or semicolon inside a name not in quotation marks?",
                    row=row,
                    value=cells[self._width],
                    expected=f"{self._width} cells",
                )
            )
        texts = {field: cells[at] if at < len(cells) else "" for field, at in self._places.items()}
        problems: list[Problem] = []
        plain = {field: self._text(row, field, texts.get(field, ""), problems) for field in _TEXT_LIMIT}
        lab, provenance = self._colour(row, texts, problems)
        discontinued = self._flag(row, texts.get("discontinued", ""), problems)
        key = plain["code"] or plain["name"]
        if not key:
            problems.append(
                Problem(f"Row {row} has neither code nor name.", row=row, expected="a code or a name")
            )
        elif (earlier := self._seen.setdefault(key, row)) != row:
            field = "code" if plain["code"] else "name"
            problems.append(
                self._problem(row, field, key, f"stands in row {earlier} already", "each only once")
            )
        if problems or lab is None:
            raise BadInput(*problems)
        return Entry(row, lab=lab, provenance=provenance, discontinued=discontinued, **plain)

    def _problem(self, row: int, field: str, value: str, trouble: str, expected: str) -> Problem:
        column = self._titles.get(field, field)
        shown = value if len(value) <= 40 else value[:40] + "…"
        return Problem(f"Row {row}, {column}: “{shown}” {trouble}.", "", row, column, value[:200], expected)

    def _text(self, row: int, field: str, value: str, problems: list[Problem]) -> str:
        if _FORMULA.match(value):
            problems.append(
                self._problem(row, field, value, "looks like a spreadsheet formula", "plain text")
            )
        if any(ord(sign) < 32 for sign in value):
            problems.append(self._problem(row, field, value, "holds a control character", "plain text"))
        if len(value) > _TEXT_LIMIT[field]:
            problems.append(
                self._problem(
                    row, field, value, f"has {len(value)} characters", f"at most {_TEXT_LIMIT[field]}"
                )
            )
        return value

    def _colour(
        self, row: int, texts: Mapping[str, str], problems: list[Problem]
    ) -> tuple[tuple[float, float, float] | None, str]:
        given = [texts.get(field, "") for field in _LIMITS]
        if any(given):
            values = [
                self._number(row, field, text, problems) for field, text in zip(_LIMITS, given, strict=True)
            ]
            if None in values:
                return None, self._provenance
            lightness, a, b = values
            return (lightness, a, b), self._provenance
        value = texts.get("hex", "")
        if value:
            try:
                lightness, a, b = (float(part) for part in hex_to_lab(value))
                return (lightness, a, b), "screen"
            except ValueError:
                problems.append(self._problem(row, "hex", value, "is not a hex colour", "#rrggbb"))
                return None, "screen"
        problems.append(Problem(f"Row {row} has no colour.", row=row, expected="L, a and b, or a hex value"))
        return None, self._provenance

    def _number(self, row: int, field: str, text: str, problems: list[Problem]) -> float | None:
        low, high = _LIMITS[field]
        expected = f"a number from {low:g} to {high:g}"
        plain = text.replace("−", "-").replace(" ", "").replace(",", ".")
        try:
            value = float(plain) if re.fullmatch(r"[-+]?(\d+\.?\d*|\.\d+)", plain) else None
        except ValueError:
            value = None
        if value is None:
            problems.append(
                self._problem(row, field, text, "is not a number", expected)
                if text
                else Problem(
                    f"Row {row}, {self._titles[field]}: nothing stands here.",
                    row=row,
                    column=self._titles[field],
                    expected=expected,
                )
            )
            return None
        if not low <= value <= high:
            problems.append(self._problem(row, field, text, "is out of range", expected))
            return None
        return value

    def _flag(self, row: int, text: str, problems: list[Problem]) -> bool:
        value = text.casefold()
        if value not in _YES | _NO:
            problems.append(self._problem(row, "discontinued", text, "is neither yes nor no", "yes or no"))
        # A column headed “still made” says the opposite of “discontinued”.
        reversed_sense = "stillmade" in re.sub(r"\W", "", self._titles.get("discontinued", "")).casefold()
        return (value in _YES) != reversed_sense if value else False


def write_range(entries: Iterable[Entry]) -> str:
    """The entries as CSV text that ``read_range`` reads back unchanged."""
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\n")
    writer.writerow(("code", "name", "L", "a", "b", "family", "paper", "discontinued"))
    for one in entries:
        figures = (f"{value:.2f}" for value in one.lab)
        writer.writerow(
            (one.code, one.name, *figures, one.family, one.paper, "yes" if one.discontinued else "no")
        )
    return out.getvalue()
