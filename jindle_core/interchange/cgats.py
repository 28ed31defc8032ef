"""Readings and spectra as CGATS.17 text: what comes out of measuring programs, and goes back."""

import re
from collections.abc import Iterable
from dataclasses import dataclass

import numpy as np
from colour import CCS_ILLUMINANTS, SpectralDistribution
from colour.adaptation import chromatic_adaptation_VonKries
from colour.models import Lab_to_XYZ
from colour.models import xy_to_XYZ as _xy_to_xyz
from colour.utilities import suppress_warnings

from jindle_core.colorimetry.spaces import BANDS, WHITE, Array, reflectance_to_lab, xyz_to_lab
from jindle_core.errors import BadInput, Problem
from jindle_core.interchange.entries import Entry, RangeFile, read_rows
from jindle_core.interchange.range_csv import figure, neutral
from jindle_core.interchange.text import Table, decode
from jindle_core.provenance import FileProvenance

_TOKEN = re.compile(r'"((?:[^"]|"")*)"|(\S+)')
_WAVE = re.compile(r"(?:SPECTRAL_|SPEC_|R_)?(?:NM_?)?(\d{3,4})(?:_?NM)?", re.I)
_NAMES = ("SAMPLE_NAME", "SAMPLEID_NAME", "NAME", "DESCRIPTION")
_IDS = ("SAMPLE_ID", "SAMPLEID", "SAMPLE", "ID", "STRING")
_MARKS = ("BEGIN_DATA_FORMAT", "END_DATA_FORMAT", "BEGIN_DATA", "END_DATA")
_ROUNDED = 0.02  # of L*, a*, b*: what two decimals, and those of spectra, leave open
_PERCENT = 1.5  # a reflectance above this is a percentage
_OBSERVER = CCS_ILLUMINANTS["CIE 1931 2 Degree Standard Observer"]


@dataclass(frozen=True, slots=True)
class CgatsSheet:
    """The text taken apart: keywords, fields, samples with the line where each begins."""

    keywords: dict[str, str]
    fields: tuple[str, ...]
    samples: tuple[tuple[int, tuple[str, ...]], ...]


def looks_like_cgats(text: str) -> bool:
    """Whether a text has the blocks of a CGATS file."""
    return "BEGIN_DATA_FORMAT" in text and "END_DATA_FORMAT" in text


def read_cgats(content: bytes, provenance: FileProvenance = "read") -> RangeFile:
    """The samples of a file as entries, under D50 and the 2° observer.

    Spectral columns count before XYZ, and those before Lab. XYZ and Lab under
    another named illuminant are adapted (Bradford); under another observer,
    which no formula undoes, they are refused, and so is what cannot be read. Of
    several tables in one file the one that says most of a sample counts, and
    tables without colours are left out.
    """
    sheets = _parse(decode(content))
    rows, reflectances, seen = [], {}, set()
    for sheet in _best_first(sheets):
        names = {field.upper(): place for place, field in enumerate(sheet.fields)}
        waves = _waves(sheet.fields)
        spectra = _spectra(sheet, waves) if waves else None
        lab = _colours(sheet, names) if spectra is None else _of_spectra(spectra, sheet, names)
        ids, titles = (_column(names, known) for known in (_IDS, _NAMES))
        if ids is None and titles is None:
            raise BadInput(
                Problem("No column names the samples.", field="columns", expected="SAMPLE_ID or SAMPLE_NAME")
            )
        there = set()
        for at, (line, cells) in enumerate(sheet.samples):
            texts = ["" if place is None else neutral(cells[place]) for place in (ids, titles)]
            key = texts[0] or texts[1]
            there.add(key)
            if key in seen:
                continue  # another table said more of it
            rows.append((line, (*texts, *(repr(float(value)) for value in lab[at]))))
            if spectra is not None:
                reflectances[line] = tuple(float(value) for value in spectra[at])
        seen |= there
    header = ("code", "name", "L", "a", "b")
    table = Table(header, tuple(sorted(rows)), "CGATS text")
    return read_rows(table, {field: field for field in header}, provenance, reflectances)


def _best_first(sheets: list[CgatsSheet]) -> list[CgatsSheet]:
    """The tables that have colours, those with spectra first; all where none seems to have any."""

    def rank(sheet: CgatsSheet) -> int:
        names = {field.upper() for field in sheet.fields}
        if _waves(sheet.fields):
            return 0
        return next((at for at, known in ((1, "XYZ_X"), (2, "LAB_L")) if known in names), 3)

    coloured = [sheet for sheet in sheets if rank(sheet) < 3]
    return sorted(coloured, key=rank) or sheets[:1]


def _parse(text: str) -> list[CgatsSheet]:
    """The tables of a file. Keywords hold on from one to the next; so do fields that are not named anew."""
    keywords: dict[str, str] = {}
    fields: list[str] = []
    tokens: list[tuple[int, str]] = []
    block, sheets = "", []
    for number, line in enumerate(text.splitlines(), start=1):
        bare = line.strip()
        word = bare.split(None, 1)[0].upper() if bare else ""
        if word in _MARKS:
            if word == "END_DATA" and tokens:
                sheets.append(_sheet(keywords, fields, tokens))
                tokens = []
            elif word == "BEGIN_DATA_FORMAT":
                fields = []
            block = word if word.startswith("BEGIN") else ""
        elif not bare or bare.startswith("#"):
            continue
        elif block == "BEGIN_DATA_FORMAT":
            fields += [_said(found) for found in _TOKEN.finditer(bare)]
        elif block == "BEGIN_DATA":
            tokens += [(number, _said(found)) for found in _TOKEN.finditer(bare)]
        else:
            words = [_said(found) for found in _TOKEN.finditer(bare)]
            # “KEYWORD "NAME"” only announces a keyword of somebody's own.
            if word != "KEYWORD":
                keywords.setdefault(words[0].upper(), " ".join(words[1:]))
    if tokens:
        sheets.append(_sheet(keywords, fields, tokens))
    if not sheets:
        if not fields:
            raise BadInput(
                Problem("The file names no fields.", expected="BEGIN_DATA_FORMAT … END_DATA_FORMAT")
            )
        raise BadInput(Problem("The file holds no data.", expected="BEGIN_DATA … END_DATA"))
    return sheets


def _sheet(keywords: dict[str, str], fields: list[str], tokens: list[tuple[int, str]]) -> CgatsSheet:
    if not fields:
        raise BadInput(Problem("The file names no fields.", expected="BEGIN_DATA_FORMAT … END_DATA_FORMAT"))
    # A sample may run over several lines (LGOROWLENGTH), so they are counted by fields.
    if len(tokens) % len(fields):
        line, value = tokens[len(tokens) // len(fields) * len(fields)]
        raise BadInput(
            Problem(
                f"Line {line}: a sample has {len(tokens) % len(fields)} of {len(fields)} values.",
                row=line,
                value=value,
                expected=f"{len(fields)} values a sample",
            )
        )
    samples = tuple(
        (tokens[start][0], tuple(value for _, value in tokens[start : start + len(fields)]))
        for start in range(0, len(tokens), len(fields))
    )
    return CgatsSheet(dict(keywords), tuple(fields), samples)


def _said(found: re.Match[str]) -> str:
    quoted, plain = found.group(1, 2)
    return str(plain if quoted is None else quoted.replace('""', '"'))


def _column(names: dict[str, int], known: Iterable[str]) -> int | None:
    return next((names[name] for name in known if name in names), None)


def _waves(fields: tuple[str, ...]) -> dict[int, int]:
    """Wavelength → place of the spectral columns."""
    found = {int(match[1]): place for place, field in enumerate(fields) if (match := _WAVE.fullmatch(field))}
    return dict(sorted(found.items())) if len(found) > 4 else {}


def _numbers(sheet: CgatsSheet, places: Iterable[int]) -> Array:
    places = list(places)
    values = np.empty((len(sheet.samples), len(places)))
    for at, (line, cells) in enumerate(sheet.samples):
        for column, place in enumerate(places):
            try:
                values[at, column] = float(cells[place].replace(",", "."))
            except ValueError:
                values[at, column] = np.nan
            if not np.isfinite(values[at, column]):
                raise BadInput(
                    Problem(
                        f"Line {line}, {sheet.fields[place]}: “{cells[place][:40]}” is not a number.",
                        row=line,
                        column=sheet.fields[place],
                        value=cells[place][:40],
                        expected="a number",
                    )
                )
    return values


def _of_spectra(spectra: Array, sheet: CgatsSheet, names: dict[str, int]) -> Array:
    """CIELAB (n, 3) of spectra; as the file has it where that is the same to the last digit but one."""
    lab = reflectance_to_lab(spectra)
    if not {"LAB_L", "LAB_A", "LAB_B"} <= names.keys():
        return lab
    try:
        said = _numbers(sheet, (names[f"LAB_{axis}"] for axis in "LAB"))
    except BadInput:
        return lab  # what is not needed may be anything
    same = np.abs(said - lab).max(axis=1, keepdims=True) <= _ROUNDED
    return np.where(same, said, lab)


def _spectra(sheet: CgatsSheet, waves: dict[int, int]) -> Array:
    lengths = list(waves)
    if lengths[0] > 400 or lengths[-1] < 700:
        raise BadInput(
            Problem(
                f"The spectra run from {lengths[0]} to {lengths[-1]} nm.",
                field="columns",
                value=f"{lengths[0]}–{lengths[-1]}",
                expected="400 to 700 nm, or more",
            )
        )
    values = _numbers(sheet, waves.values())
    if values.max() > _PERCENT:
        values = values / 100
    for at, row in enumerate(values):
        if row.min() < 0 or row.max() > 1.2:
            column = sheet.fields[list(waves.values())[int(np.argmax(np.abs(row - 0.5)))]]
            line, cells = sheet.samples[at]
            raise BadInput(
                Problem(
                    f"Line {line}, {column}: “{cells[sheet.fields.index(column)]}” is no reflectance.",
                    row=line,
                    column=column,
                    value=cells[sheet.fields.index(column)],
                    expected="0 to 1, or 0 to 100 percent",
                )
            )
    if lengths == list(BANDS.wavelengths):
        return values
    with suppress_warnings(colour_usage_warnings=True):
        return np.stack([SpectralDistribution(row, lengths).align(BANDS).values for row in values])


def _colours(sheet: CgatsSheet, names: dict[str, int]) -> Array:
    white = _white(sheet.keywords)
    if {"XYZ_X", "XYZ_Y", "XYZ_Z"} <= names.keys():
        xyz = _numbers(sheet, (names[f"XYZ_{axis}"] for axis in "XYZ")) / 100
    elif {"LAB_L", "LAB_A", "LAB_B"} <= names.keys():
        lab = _numbers(sheet, (names[f"LAB_{axis}"] for axis in "LAB"))
        if white is None:
            return lab
        xyz = np.asarray(Lab_to_XYZ(lab, _OBSERVER[white]), dtype=float)
    else:
        raise BadInput(
            Problem(
                "No colour columns were found.",
                field="columns",
                value=", ".join(sheet.fields)[:200],
                expected="LAB_L LAB_A LAB_B, XYZ_X XYZ_Y XYZ_Z, or SPECTRAL_NM400 …",
            )
        )
    if white is not None:
        seen_under = _xy_to_xyz(_OBSERVER[white])
        adapted = chromatic_adaptation_VonKries(xyz, seen_under, WHITE, transform="Bradford")
        xyz = np.asarray(adapted, dtype=float)
    return xyz_to_lab(xyz)


def _white(keywords: dict[str, str]) -> str | None:
    """The illuminant that the header names, None for D50; BadInput for one that cannot be undone."""
    told = " ".join(f"{key} {value}" for key, value in keywords.items()).upper()
    if re.search(r"OBSERVER\W*(ANGLE)?\W*10\b|\b10\s*(DEG|°)|1964", told):
        raise BadInput(
            Problem(
                "The figures are for the 10° observer, which cannot be turned into 2°. "
                "Export them for 2°, or as spectra.",
                field="observer",
                value="10°",
                expected="2°",
            )
        )
    named = re.search(r"(?:ILLUMINANT|ILLUMINATION|LIGHT_?SOURCE)\W*(\w+)", told)
    if not named or named[1] in ("D50", "D5000"):
        return None
    name = {"D65": "D65", "D6500": "D65", "D55": "D55", "D75": "D75", "A": "A", "C": "C"}.get(named[1])
    if name is None:
        raise BadInput(
            Problem(
                f"The file is for the illuminant {named[1]}, which is not known here.",
                field="illuminant",
                value=named[1],
                expected="D50, D55, D65, D75, A or C, or spectra",
            )
        )
    return name


def write_cgats(title: str, entries: Iterable[Entry]) -> str:
    """The entries as CGATS.17 text, with spectra where every one of them has one."""
    entries = list(entries)
    spectral = bool(entries) and all(one.reflectance for one in entries)
    fields = ["SAMPLE_ID", "SAMPLE_NAME", "LAB_L", "LAB_A", "LAB_B"]
    if spectral:
        fields += [f"SPECTRAL_NM{int(wave)}" for wave in BANDS.wavelengths]
    lines = [
        "CGATS.17",
        'ORIGINATOR "Jindle"',
        f"DESCRIPTOR {_quoted(title)}",
        'KEYWORD "ILLUMINANT"',
        'ILLUMINANT "D50"',
        'KEYWORD "OBSERVER"',
        'OBSERVER "2 degree"',
        f"NUMBER_OF_FIELDS {len(fields)}",
        "BEGIN_DATA_FORMAT",
        " ".join(fields),
        "END_DATA_FORMAT",
        f"NUMBER_OF_SETS {len(entries)}",
        "BEGIN_DATA",
    ]
    for one in entries:
        values = [
            *map(figure, one.lab),
            *(f"{value:.6g}" for value in ((one.reflectance or ()) if spectral else ())),
        ]
        lines.append(" ".join([_quoted(one.code), _quoted(one.name), *values]))
    return "\n".join([*lines, "END_DATA"]) + "\n"


def _quoted(text: str) -> str:
    return '"' + " ".join(text.split()).replace('"', '""') + '"'
