"""What does a range's file hold, and what is wrong with it? The same checks for every format."""

import re
from collections.abc import Mapping
from dataclasses import dataclass, replace

from jindle_core import figures
from jindle_core.colorimetry.spaces import hex_to_lab
from jindle_core.colorimetry.typed import LAB_LIMITS
from jindle_core.errors import BadInput, Problem
from jindle_core.interchange.text import Table
from jindle_core.provenance import FILE_PROVENANCES, FileProvenance, Provenance, is_of_file

FIELDS = ("code", "name", "L", "a", "b", "hex", "family", "paper", "discontinued", "provenance")
SAMPLE = 5  # rows that are shown as they stand in the file

_YES = {"yes", "y", "true", "1", "x", "discontinued", "retired", "ja", "oui", "sí", "si"}
_NO = {"", "no", "n", "false", "0", "-", "current", "made", "nein", "non", "nee"}
# What a spreadsheet would run; a name that begins so is written with an apostrophe before it.
FORMULA = re.compile(r"[=@\t\r]|[+\-]\S")
NEUTRALISED = re.compile(rf"'+({FORMULA.pattern})")
_LIMITS = dict(zip(("L", "a", "b"), LAB_LIMITS, strict=True))
_TEXT_LIMIT = {"code": 60, "name": figures.palettes.NAME_LIMIT, "family": 120, "paper": 120}


@dataclass(frozen=True, slots=True)
class Entry:
    """One colour of a range as a file gives it; ``reflectance`` has 31 bands, 0–1, and
    ``share`` is that of a sheet of patterned paper."""

    row: int
    code: str
    name: str
    lab: tuple[float, float, float]
    provenance: Provenance
    family: str = ""
    paper: str = ""
    discontinued: bool = False
    reflectance: tuple[float, ...] | None = None
    share: float | None = None

    @property
    def key(self) -> str:
        """What tells it from the range's other colours: its code or, without one, its name."""
        return self.code or self.name


@dataclass(frozen=True, slots=True)
class RangeFile:
    """What was read: which header stands for which field, the entries, what is wrong,
    and the ``kind`` of file; ``sample`` are its first rows as they stand there."""

    header: tuple[str, ...]
    columns: Mapping[str, str]
    entries: tuple[Entry, ...]
    problems: tuple[Problem, ...]
    kind: str
    sample: tuple[tuple[str, ...], ...] = ()


def read_rows(
    table: Table,
    columns: Mapping[str, str],
    provenance: FileProvenance,
    reflectances: Mapping[int, tuple[float, ...]] | None = None,
) -> RangeFile:
    """Check a table row by row; ``columns`` (field → header) says which column is which.

    ``provenance`` is where L, a, b come from where no column says it; a hex
    value is always from a screen. ``reflectances`` belong to rows by number.
    Raises BadInput only for what lacks the columns or is too long; faulty rows
    come back in ``problems``, with row, column, value and what was expected.
    """
    columns = dict(columns)
    _check_columns(table, columns)
    if len(table.rows) > figures.files.LARGEST_RANGE:
        raise BadInput(
            Problem(
                f"The file has {len(table.rows)} rows; a range has at most {figures.files.LARGEST_RANGE}."
            )
        )
    reader = _RowReader(table, columns, provenance)
    entries: list[Entry] = []
    problems: list[Problem] = []
    for row, cells in table.rows:
        try:
            entry = reader.entry(row, cells)
        except BadInput as error:
            problems.extend(error.problems)
            continue
        reflectance = reflectances.get(row) if reflectances else None
        entries.append(replace(entry, reflectance=reflectance) if reflectance else entry)
    if not entries and not problems:
        problems.append(Problem("The file has a header but no rows.", row=1))
    sample = tuple(cells for _, cells in table.rows[:SAMPLE])
    return RangeFile(table.header, columns, tuple(entries), tuple(problems), table.kind, sample)


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

    def __init__(self, table: Table, columns: Mapping[str, str], provenance: FileProvenance) -> None:
        self._places = {field: table.header.index(title) for field, title in columns.items()}
        self._titles = columns
        self._width = len(table.header)
        self._provenance = provenance
        self._seen: dict[str, int] = {}

    def _unnamed(self, row: int, code: str, name: str) -> list[Problem]:
        """What is wrong where a row's key is none, or another row's."""
        key = code or name
        if not key:
            return [Problem(f"Row {row} has neither code nor name.", row=row, expected="a code or a name")]
        if (earlier := self._seen.setdefault(key, row)) == row:
            return []
        field = "code" if code else "name"
        return [self._problem(row, field, key, f"stands in row {earlier} already", "each only once")]

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
        if said := texts.get("provenance", ""):
            if is_of_file(said):
                provenance = said
            else:
                expected = ", ".join(FILE_PROVENANCES)
                problems.append(self._problem(row, "provenance", said, "is no provenance", expected))
        discontinued = self._flag(row, texts.get("discontinued", ""), problems)
        problems += self._unnamed(row, plain["code"], plain["name"])
        if problems or lab is None:
            raise BadInput(*problems)
        return Entry(
            row,
            plain["code"],
            plain["name"],
            lab=lab,
            provenance=provenance,
            discontinued=discontinued,
            family=plain["family"],
            paper=plain["paper"],
        )

    def _problem(self, row: int, field: str, value: str, trouble: str, expected: str) -> Problem:
        column = self._titles.get(field, field)
        shown = value if len(value) <= 40 else value[:40] + "…"
        return Problem(f"Row {row}, {column}: “{shown}” {trouble}.", "", row, column, value[:200], expected)

    def _text(self, row: int, field: str, value: str, problems: list[Problem]) -> str:
        if NEUTRALISED.match(value):
            return value[1:]
        if FORMULA.match(value):
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
    ) -> tuple[tuple[float, float, float] | None, FileProvenance]:
        given = [texts.get(field, "") for field in _LIMITS]
        if any(given):
            lightness, a, b = (
                self._number(row, field, text, problems) for field, text in zip(_LIMITS, given, strict=True)
            )
            if lightness is None or a is None or b is None:
                return None, self._provenance
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
            value = float(plain) if re.fullmatch(r"[-+]?(\d+\.?\d*|\.\d+)(e[-+]?\d+)?", plain, re.I) else None
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
