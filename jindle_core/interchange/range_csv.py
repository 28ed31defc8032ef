"""A range of colours as a CSV file: recognising columns, reading, writing."""

import csv
import io
import re
import unicodedata
from collections.abc import Iterable, Mapping

from jindle_core.interchange.entries import FIELDS, FORMULA, NEUTRALISED, Entry, RangeFile, read_rows
from jindle_core.interchange.text import Table, read_table
from jindle_core.provenance import FileProvenance

# Usual spellings of each column's header in English, German, French, Dutch, Spanish and Italian,
# compared without case, accents, spaces and signs.
_SPELLINGS: Mapping[str, str] = {
    "code": "code no nr number num id ref colourcode colorcode colournumber colornumber itemnumber nummer "
    "farbnummer farbnr farbcode artikelnummer artikelnr artnr artikel bestellnummer bestellnr kurzel kuerzel "
    "itemno sku colourno colorno couleurno numerodecouleur referentie "
    "numero reference kleurnummer codigo codice",
    "name": "name colour color colourname colorname description farbe farbname farbton bezeichnung nom "
    "couleur nomdelacouleur teinte designation naam kleur kleurnaam nombre nombredelcolor nome colore "
    "nomedelcolore",
    "L": "l ciel labl lstar lightness helligkeit luminosite clarte helderheid lichtheid luminosidad "
    "luminosita",
    "a": "a ciea laba astar",
    "b": "b cieb labb bstar",
    "hex": "hex hexcode rgb srgb html web hexadezimal hexwert hexadecimal esadecimale",
    "family": "family group set sheet serie series familie gruppe farbfamilie famille groupe groep "
    "kleurgroep familia grupo famiglia gruppo",
    "paper": "paper onpaper stock substrate papier aufpapier surpapier papel sobrepapel carta sucarta",
    "provenance": "provenance known measuredby herkunft origine herkomst procedencia provenienza",
    "discontinued": "discontinued retired stillmade status ended ausgelaufen eingestellt arrete supprime "
    "nietmeerleverbaar uitdehandel descatalogado fueradeproduccion fuoriproduzione",
}
_PLAIN = {spelling: field for field, known in _SPELLINGS.items() for spelling in known.split()}


def recognise(header: Iterable[str]) -> dict[str, str]:
    """Which header stands for which field, by the usual spellings; the first of several wins.

    >>> recognise(["Nr.", "Colour name", "L*", "a*", "b*"])
    {'code': 'Nr.', 'name': 'Colour name', 'L': 'L*', 'a': 'a*', 'b': 'b*'}
    """
    found: dict[str, str] = {}
    for title in header:
        letters = unicodedata.normalize("NFKD", title).encode("ascii", "ignore").decode()
        field = _PLAIN.get(re.sub(r"[\W_]+", "", letters).casefold())
        if field:
            found.setdefault(field, title)
    return {field: found[field] for field in FIELDS if field in found}


def read_range(
    content: bytes, columns: Mapping[str, str] | None = None, provenance: FileProvenance = "label"
) -> RangeFile:
    """Read a range's CSV file whole, and report every line that cannot be taken.

    ``columns`` (field → header) says which columns to use; without it they
    are recognised. Raises BadInput for what is no table; see ``read_rows``.
    """
    table = _table(content)
    return read_rows(table, columns or recognise(table.header), provenance)


def look(content: bytes, columns: Mapping[str, str] | None, rows: int) -> RangeFile:
    """What a CSV file's header and first rows say, however little of it is recognised."""
    table = _table(content)
    known = recognise(table.header) | {
        field: title for field, title in (columns or {}).items() if title in table.header
    }
    return RangeFile(table.header, known, (), (), table.kind, tuple(cells for _, cells in table.rows[:rows]))


def _table(content: bytes) -> Table:
    return read_table(content, lambda cells: len(recognise(cells)))


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
