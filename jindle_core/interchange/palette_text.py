"""A range as .gpl palette text, and as the W3C community group's design tokens."""

import json
import re
from collections.abc import Iterable

import numpy as np

from jindle_core.colorimetry.spaces import lab_to_hex
from jindle_core.errors import BadInput, Problem
from jindle_core.interchange.entries import Entry, RangeFile, read_rows
from jindle_core.interchange.range_csv import neutral
from jindle_core.interchange.text import Table, decode

GPL_HEAD = "GIMP Palette"  # the first line that makes a file one of this format
_LINE = re.compile(r"\s*(\d+)\s+(\d+)\s+(\d+)(?:\s+(.*))?")


def read_gpl(content: bytes) -> tuple[dict[str, str], RangeFile]:
    """The palette's name and its colours, which are screen values; BadInput where it is none."""
    lines = decode(content).splitlines()
    if not lines or lines[0].strip() != GPL_HEAD:
        raise BadInput(Problem("This is no .gpl palette.", row=1, expected=GPL_HEAD))
    details, rows = {"name": ""}, []
    seen: dict[str, int] = {}
    for number, line in enumerate(lines[1:], start=2):
        if not line.strip() or line.lstrip().startswith("#"):
            continue
        key, colon, value = line.partition(":")
        if colon and key.strip().lower() in ("name", "columns"):
            details |= {"name": value.strip()} if key.strip().lower() == "name" else {}
            continue
        found = _LINE.fullmatch(line)
        parts = [int(part) for part in found.groups()[:3]] if found else []
        if found is None or max(parts) > 255:
            raise BadInput(
                Problem(
                    f"Line {number} is no colour: “{line.strip()[:40]}”.",
                    row=number,
                    value=line.strip()[:40],
                    expected="three numbers from 0 to 255 and a name",
                )
            )
        name = neutral((found[4] or "").strip() or "colour")
        # Palettes repeat names such as “Untitled”; a range cannot.
        seen[name] = seen.get(name, 0) + 1
        rows.append(
            (number, (name if seen[name] == 1 else f"{name} ({seen[name]})", "#" + bytes(parts).hex()))
        )
    columns = {"name": "name", "hex": "hex"}
    return details, read_rows(Table(("name", "hex"), tuple(rows), ".gpl palette"), columns, "screen")


def write_gpl(name: str, entries: Iterable[Entry]) -> str:
    """The entries as palette text: what a screen can best show of them, so not without a loss."""
    entries = list(entries)
    lines = [GPL_HEAD, "Name: " + _line(name), "Columns: 0", "#"]
    for one, shade in zip(entries, _hex(entries), strict=True):
        red, green, blue = bytes.fromhex(shade[1:])
        lines.append(f"{red:3d} {green:3d} {blue:3d}\t{_line(' '.join((one.code, one.name)))}")
    return "\n".join(lines) + "\n"


def _line(text: str) -> str:
    return " ".join(text.split())


def _hex(entries: list[Entry]) -> list[str]:
    return lab_to_hex(np.array([one.lab for one in entries]).reshape(-1, 3))


def write_tokens(name: str, entries: Iterable[Entry]) -> str:
    """The entries as design-token JSON (Design Tokens Format Module 2025.10), in Lab with a hex fallback."""
    entries = list(entries)
    group: dict[str, object] = {"$type": "color"}
    for one, shade in zip(entries, _hex(entries), strict=True):
        value = {
            "colorSpace": "lab",
            "components": [round(part, 3) for part in one.lab],
            "alpha": 1,
            "hex": shade,
        }
        group[_token(one.key)] = {"$value": value} | ({"$description": one.name} if one.name else {})
    return json.dumps({_token(name): group}, ensure_ascii=False, indent=2) + "\n"


def _token(text: str) -> str:
    """A name that the format allows: no dots and braces, no dollar sign at the start."""
    return re.sub(r"[.{}]", "-", text).lstrip("$") or "colour"
