"""Which files are in a zip archive? Nothing of the framework: it is read in a process of its own."""

import lzma
import shutil
import struct
import zipfile
import zlib
from pathlib import Path

from jindle_core.errors import BadInput, Problem
from jindle_core.interchange.bare_picture import bared

PICTURES, PHOTOS = "papers/", "photos/"  # where the pictures are
_MOST_FILES = 100_000  # more than the quotas of cards, records, photos and papers come to
LARGEST_TEXT = 150 * 1024 * 1024  # of one file that is read whole: a small zip can hold a huge nothing
_SWELLS = 100  # times: far more than text of ours packs to, and pictures do not pack
# What a damaged zip raises; NotImplementedError, for what no archive of ours uses, is a RuntimeError.
_NO_ZIP = (
    *(zipfile.BadZipFile, zlib.error, lzma.LZMAError, struct.error, EOFError, OSError, RuntimeError),
    *(ValueError, KeyError, IndexError, OverflowError),
)


def unzipped(told: tuple[str, str, int]) -> list[str]:
    """Unpack a zip file (its path) into a folder (its path): their names in the order of their numbers there.

    BadInput where it is no zip, is damaged, or has more bytes, unpacked, than the third says. What stands
    under ``PICTURES`` and ``PHOTOS`` is a picture, surely one, and nothing beside its pixels.
    """
    source, folder, most = told
    try:
        with zipfile.ZipFile(source) as archive:
            listed = _listed(archive, most)
            for number, one in enumerate(listed):
                _unpack(archive, one, Path(folder, str(number)))
    except BadInput:
        raise
    except _NO_ZIP:
        raise BadInput(Problem("This is no zip archive, or it is damaged.", field="file")) from None
    return [one.filename for one in listed]


def _listed(archive: zipfile.ZipFile, most: int) -> list[zipfile.ZipInfo]:
    listed = [one for one in archive.infolist() if not one.is_dir()]
    sizes = [one.file_size for one in listed]
    packed = sum(one.compress_size for one in listed)
    most = min(most, max(LARGEST_TEXT, _SWELLS * packed))
    if sum(sizes) > most or max(sizes, default=0) > LARGEST_TEXT or len(listed) > _MOST_FILES:
        raise BadInput(Problem("Unpacked, the archive would be too large.", field="file"))
    return listed


def _unpack(archive: zipfile.ZipFile, one: zipfile.ZipInfo, to: Path) -> None:
    if one.filename.startswith((PICTURES, PHOTOS)):
        to.write_bytes(_bared(one.filename, archive.read(one)))
        return
    with archive.open(one) as packed, to.open("wb") as out:
        shutil.copyfileobj(packed, out)


def _bared(name: str, content: bytes) -> bytes:
    try:
        return bared(content)
    except BadInput as refused:
        raise BadInput(Problem(f"{name} in the archive: {refused}", field="file")) from None
