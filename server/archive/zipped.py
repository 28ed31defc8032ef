"""Which files are in a zip archive? Nothing of the framework: it is read in a process of its own."""

import io
import lzma
import struct
import zipfile
import zlib

from jindle_core import figures
from jindle_core.errors import BadInput, Problem
from jindle_core.interchange.bare_picture import bared

PICTURES, PHOTOS = "papers/", "photos/"  # where the pictures are
_LARGEST_WHOLE = 150 * 1024 * 1024  # unpacked: a small zip can hold a huge nothing
_MOST_FILES = 20_000
# What a damaged zip raises; NotImplementedError, for what no archive of ours uses, is a RuntimeError.
_NO_ZIP = (
    *(zipfile.BadZipFile, zlib.error, lzma.LZMAError, struct.error, EOFError, OSError, RuntimeError),
    *(ValueError, KeyError, IndexError, OverflowError),
)


def unzipped(content: bytes) -> dict[str, bytes]:
    """By name what is in each file; BadInput where it is no zip, damaged or too large.

    What stands under ``PICTURES`` and ``PHOTOS`` is a picture, surely one, and nothing beside its pixels.
    """
    if len(content) > figures.files.LARGEST_ARCHIVE:
        most = f"{figures.files.LARGEST_ARCHIVE // 2**20} MB"
        raise BadInput(Problem(f"The archive is larger than {most}.", field="file"))
    try:
        with zipfile.ZipFile(io.BytesIO(content)) as archive:
            files = _read(archive)
    except BadInput:
        raise
    except _NO_ZIP:
        raise BadInput(Problem("This is no zip archive, or it is damaged.", field="file")) from None
    for name, picture in files.items():
        if name.startswith((PICTURES, PHOTOS)):
            files[name] = _bared(name, picture)
    return files


def _read(archive: zipfile.ZipFile) -> dict[str, bytes]:
    listed = archive.infolist()
    if sum(one.file_size for one in listed) > _LARGEST_WHOLE or len(listed) > _MOST_FILES:
        raise BadInput(Problem("Unpacked, the archive would be too large.", field="file"))
    return {one.filename: archive.read(one) for one in listed if not one.is_dir()}


def _bared(name: str, content: bytes) -> bytes:
    try:
        return bared(content)
    except BadInput as refused:
        raise BadInput(Problem(f"{name} in the archive: {refused}", field="file")) from None
