"""Bringing an archive back into an empty account."""

import shutil
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
from server.writes import write
from server.zipped import unzipped

_SECONDS = 30  # of computing, to unpack a small archive
_EACH_SECOND = 1_000_000  # bytes: a photo is made anew five to ten times as fast
# What reading a file raises that is not as it was written.
_BROKEN = (*NOT_AS_WRITTEN, RecursionError, OverflowError, DataError, IntegrityError)


def unpack(person: Person, archive: IO[bytes]) -> dict[str, int]:
    """Store everything of an archive, or nothing; says how much of each.

    Raises BadInput for what is no archive of ours, and where the account has
    something in it already.
    """
    refuse_in_demo(person, "bring an archive")
    with TemporaryDirectory() as folder:
        packed = Path(folder, "packed")
        with packed.open("wb") as out:
            shutil.copyfileobj(archive, out)
        told = (str(packed), folder, largest_archive(person))
        names = guarded(unzipped, told, _SECONDS + packed.stat().st_size // _EACH_SECOND)
        packed.unlink()
        return _unpacked(person, Files(folder, names))


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
