"""Which kind of file is this, whatever its name says?"""

from collections.abc import Mapping
from typing import Any

from jindle_core.interchange.cgats import looks_like_cgats, read_cgats
from jindle_core.interchange.entries import RangeFile
from jindle_core.interchange.palette_text import GPL_HEAD, read_gpl
from jindle_core.interchange.range_csv import read_range
from jindle_core.interchange.range_json import read_range_json
from jindle_core.interchange.text import decode
from jindle_core.provenance import FileProvenance


def read_any_range(
    content: bytes, columns: Mapping[str, str] | None = None, provenance: FileProvenance = "label"
) -> tuple[dict[str, Any], RangeFile]:
    """A range's details, as far as the file tells them, and its colours.

    CSV, JSON, CGATS.17 and .gpl text are told apart by what stands in them.
    ``columns`` counts for CSV alone. Raises BadInput as their readers do.
    """
    text = decode(content).lstrip()
    if text.startswith(("{", "[")):
        return read_range_json(content, provenance)
    if text.startswith(GPL_HEAD):
        return read_gpl(content)
    if looks_like_cgats(text):
        return {}, read_cgats(content, provenance)
    return {}, read_range(content, columns, provenance)
