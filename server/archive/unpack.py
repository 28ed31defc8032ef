"""Bringing an archive back into an empty account."""

import shutil
from collections.abc import Generator
from concurrent.futures import ThreadPoolExecutor, wait
from dataclasses import replace
from pathlib import Path
from tempfile import TemporaryDirectory
from typing import IO, Any

from django.db import DataError, IntegrityError

from jindle_core.errors import BadInput, Problem
from server.accounts.archived import bring_settings
from server.accounts.models import Person
from server.archive.pack import FORMAT, VERSION
from server.archive.parts import PARTS, is_empty
from server.guarded import guarded
from server.parcel import NOT_AS_WRITTEN, Files, Unpacking
from server.quotas import check_all, largest_archive, refuse_in_demo
from server.streams import finished
from server.told.archive import Unpacked
from server.told.made import Streamed
from server.writes import write
from server.zipped import unzipped

_SECONDS = 30  # of computing, to unpack a small archive
_LOOKS = 0.5  # seconds after which it is looked again how far it is
_ZIPPED = 0.8  # of the work: pictures are made anew, and then only stored
_EACH_SECOND = 1_000_000  # bytes: a photo is made anew five to ten times as fast
# What reading a file raises that is not as it was written.
_BROKEN = (*NOT_AS_WRITTEN, RecursionError, OverflowError, DataError, IntegrityError)


def unpack(person: Person, archive: IO[bytes]) -> Unpacked:
    """Store everything of an archive, or nothing; says how much of each.

    Raises BadInput for what is no archive of ours, and where the account has
    something in it already.
    """
    return finished(unpacking(person, archive))


def unpacking(person: Person, archive: IO[bytes]) -> Generator[Streamed, None, Unpacked]:
    """The same, telling how far it is."""
    refuse_in_demo(person, "bring an archive")
    with TemporaryDirectory() as folder:
        packed = Path(folder, "packed")
        with packed.open("wb") as out:
            shutil.copyfileobj(archive, out)
        names = yield from _unzipping(packed, largest_archive(person))
        yield Streamed(share=_ZIPPED, words="storing what is in it")
        return Unpacked(**_unpacked(person, Files(folder, names)))


def _unzipping(packed: Path, most: int) -> Generator[Streamed, None, list[str]]:
    """The names of the files of a zip, once they lie beside it; by how much of it is there."""
    size, folder = packed.stat().st_size, packed.parent
    told = (str(packed), str(folder), most)
    with ThreadPoolExecutor(1) as beside:
        done = beside.submit(guarded, unzipped, told, _SECONDS + size // _EACH_SECOND)
        while not wait([done], _LOOKS).done:
            there = [one.stat().st_size for one in folder.iterdir() if one != packed]
            share = min(sum(there) / size, 1) * _ZIPPED
            yield Streamed(share=share, words=f"unpacking, {len(there):,} files so far")
    packed.unlink()
    return done.result()


def _check(about: Any) -> None:
    if not isinstance(about, dict) or about.get("format") != FORMAT:
        raise BadInput(
            Problem("This is no Jindle archive.", field="file", expected="a .zip from “Take out everything”")
        )
    if about.get("version") not in range(1, VERSION + 1):
        told = f"The archive has version {about.get('version')!r:.20}; this reads up to {VERSION}."
        raise BadInput(Problem(told, field="file"))


@write
def _unpacked(person: Person, files: Files) -> dict[str, int]:
    parcel = Unpacking(person, files)
    _check(parcel.about)
    if not is_empty(person):
        words = "This account is not empty. Bring an archive into a new account: nothing is mixed up so."
        raise BadInput(Problem(words, field="file"))
    try:
        bring_settings(parcel, parcel.about["settings"])
        counts: dict[str, int] = {}
        for part in PARTS:
            counts |= part.unpack(parcel)
    except BadInput as error:
        told = (replace(one, message=f"{parcel.at} in the archive: {one.message}") for one in error.problems)
        raise BadInput(*told) from None
    except _BROKEN as error:
        raise BadInput(
            Problem(f"{parcel.at} in the archive is not as it was written ({error!r}).", field="file")
        ) from None
    check_all(person)
    return counts
