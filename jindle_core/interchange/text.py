"""Is this file text, and what does it say?"""

import csv
import re
from collections.abc import Callable, Sequence
from dataclasses import dataclass

from jindle_core import figures
from jindle_core.errors import BadInput, Problem

_UTF16 = (b"\xff\xfe", b"\xfe\xff")
_DELIMITERS = {";": "semicolons", "\t": "tabs", ",": "commas"}
_SEPARATOR = re.compile(r'"?sep=([,;\t])"?', re.IGNORECASE)
_SHOWN = 60
_HEADED = 12  # lines among which the header is looked for


@dataclass(frozen=True, slots=True)
class Table:
    """A table: its header, its rows with their line in the file, the kind of file in words."""

    header: tuple[str, ...]
    rows: tuple[tuple[int, tuple[str, ...]], ...]
    kind: str


def decode(content: bytes) -> str:
    """The text of a UTF-8 file, with or without BOM; BadInput where it is something else."""
    if len(content) > figures.files.LARGEST_FILE:
        raise BadInput(
            Problem(
                f"The file has {len(content) / 2**20:.1f} MB; "
                f"{figures.files.LARGEST_FILE // 2**20} MB are the most that is read."
            )
        )
    if not content.strip():
        raise BadInput(Problem("The file is empty."))
    if content[:2] in _UTF16:
        raise BadInput(Problem("The file is UTF-16; save it again as “CSV UTF-8”.", expected="UTF-8 text"))
    if b"\x00" in content:
        row = content[: content.index(b"\x00")].count(b"\n") + 1
        raise BadInput(
            Problem(
                f"Line {row} holds a NUL byte, so this is not a text file; save it as “CSV UTF-8”.",
                row=row,
                expected="UTF-8 text",
            )
        )
    try:
        return content.decode("utf-8-sig")
    except UnicodeDecodeError as error:
        row = content[: error.start].count(b"\n") + 1
        raise BadInput(
            Problem(
                f"Line {row} holds a byte (0x{content[error.start]:02x}) that is not UTF-8; "
                "save the file as “CSV UTF-8”, or read it as Windows-1252.",
                field="encoding",
                row=row,
                value=f"0x{content[error.start]:02x}",
                expected="UTF-8 text",
            )
        ) from None


def from_windows(content: bytes) -> bytes:
    """A file in Windows-1252, as older spreadsheets write them, in UTF-8; BadInput where it is none."""
    try:
        return content.decode("cp1252").encode()
    except UnicodeDecodeError as error:
        row = content[: error.start].count(b"\n") + 1
        words = (
            f"Line {row} holds a byte (0x{content[error.start]:02x}) that Windows-1252 does not know either."
        )
        raise BadInput(Problem(words, field="encoding", row=row)) from None


def read_table(content: bytes, known: Callable[[Sequence[str]], int] = lambda _: 0) -> Table:
    """The header and rows of a comma, semicolon or tab separated file.

    Rows count from 1, by the lines of the file. A line that names the separator
    (``sep=;``) counts, and lines above the header are left out: of the first
    lines with two cells or more, the header is the one in which most cells are
    ``known``. Raises BadInput for what is no such file.
    """
    text = decode(content)
    lines = text.splitlines()
    said = _SEPARATOR.fullmatch(lines[0].strip()) if lines else None
    delimiter = said[1] if said else max(_DELIMITERS, key=text.count)
    if not text.count(delimiter):
        first = next((line for line in lines if line.strip()), "")
        raise BadInput(
            Problem(
                "This does not look like a CSV file: it has no comma, semicolon or tab.",
                row=1,
                value=first[:_SHOWN],
                expected="a header such as code;name;L;a;b",
            )
        )
    try:
        reader = csv.reader(text.splitlines(keepends=True), delimiter=delimiter, strict=True)
        rows = []
        for cells in reader:
            if any(cell.strip() for cell in cells) and not (said and reader.line_num == 1):
                rows.append((reader.line_num, tuple(cell.strip() for cell in cells)))
    except csv.Error as error:
        raise BadInput(
            Problem(
                f"Line {reader.line_num} cannot be read as CSV ({error}); is a quotation mark not closed?",
                row=reader.line_num,
            )
        ) from None
    wide = [at for at, (_, cells) in enumerate(rows[:_HEADED]) if sum(map(bool, cells)) > 1]
    head = max(wide, key=lambda at: known(rows[at][1]), default=0)  # the first of equals
    return Table(rows[head][1], tuple(rows[head + 1 :]), f"CSV separated by {_DELIMITERS[delimiter]}")
