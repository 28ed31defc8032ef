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
_NO_TEXT = re.compile(rb"[\x00-\x08\x0b\x0c\x0e-\x1f\x81\x8d\x8f\x90\x9d]")  # in Windows-1252
_SHOWN = 60
_HEADED = 12  # lines among which the header is looked for


@dataclass(frozen=True, slots=True)
class Table:
    """A table: its header, its rows with their line in the file, the kind of file in words."""

    header: tuple[str, ...]
    rows: tuple[tuple[int, tuple[str, ...]], ...]
    kind: str


def decode(content: bytes) -> str:
    """The text of a file in UTF-8, with or without BOM, or else in Windows-1252, as older spreadsheets write
    it; BadInput where it is something else."""
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
    except UnicodeDecodeError:
        return _from_windows(content)


def is_windows(content: bytes) -> bool:
    """Whether a file was read as Windows-1252, which is said: its accents are to be looked at."""
    try:
        content.decode("utf-8-sig")
    except UnicodeDecodeError:
        return True
    return False


def _from_windows(content: bytes) -> str:
    no_text = _NO_TEXT.search(content)
    if no_text is None:
        return content.decode("cp1252")
    row, byte = content[: no_text.start()].count(b"\n") + 1, f"0x{no_text[0][0]:02x}"
    words = f"Line {row} holds a byte ({byte}) that is text neither in UTF-8 nor in Windows-1252."
    raise BadInput(Problem(words, field="file", row=row, value=byte, expected="UTF-8 text"))


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
    kind = f"CSV separated by {_DELIMITERS[delimiter]}" + (", in Windows-1252" if is_windows(content) else "")
    return Table(rows[head][1], tuple(rows[head + 1 :]), kind)
