"""What is a person's archive while it is packed or unpacked: its files, and what things are called in it?

Each app packs and unpacks its own part (``archived.py``); what one part must know of another stands here.
"""

import json
import zipfile
from collections.abc import Callable, Iterator, Mapping
from datetime import UTC, datetime
from math import isfinite
from pathlib import Path
from tempfile import TemporaryFile
from typing import IO, Any

from django.utils import timezone

from jindle_core.errors import BadInput, Problem
from server.accounts.models import Person
from server.zipped import LARGEST_TEXT, PHOTOS, PICTURES

# What comes of turning the ids of a card that is not as it was written.
NOT_AS_WRITTEN = (KeyError, TypeError, ValueError, AttributeError, IndexError)

# A colour as an archive names it, since ids mean nothing elsewhere: a range's place in it ("own 2"), or the
# name of a shared one, and the colour's key.
Reference = list[str]


def named(pk: int, name: str, own: Mapping[int, str]) -> str:
    """Something as an archive names it: by its place there, or by its name where it is shared."""
    return own.get(pk) or f"shared {name}"


class Packing:
    """An archive on its way out: a zip on the disk, for pictures of years fit into no memory.

    What things are called in it stands by their ids once their part is packed.
    """

    def __init__(self, person: Person, largest: int) -> None:
        self.person = person
        self.colours: dict[int, Reference] = {}
        self.own_ranges: dict[int, str] = {}
        self.ranges: dict[int, str] = {}
        self.sheets: dict[int, str] = {}
        self.drawings: dict[int, str] = {}
        self.cards: dict[int, str] = {}
        self._out: IO[bytes] = TemporaryFile()  # noqa: SIM115 (who asked for the archive reads it)
        self._archive = zipfile.ZipFile(self._out, "w", zipfile.ZIP_DEFLATED)
        self._room = largest

    def put(self, name: str, content: str | bytes) -> None:
        """One more file; BadInput where the whole would not be taken back."""
        content = content.encode() if isinstance(content, str) else content
        self._room -= len(content)
        if self._room < 0 or len(content) > LARGEST_TEXT:
            raise BadInput(Problem("There is more than an archive holds: take the log out by its years."))
        # A fixed time, so that the same things make the same archive.
        kind = zipfile.ZIP_STORED if name.startswith((PICTURES, PHOTOS)) else zipfile.ZIP_DEFLATED
        self._archive.writestr(zipfile.ZipInfo(name, (2020, 1, 1, 0, 0, 0)), content, kind)

    def tell(self, name: str, value: Any, indent: int | None = 1) -> None:
        """One more file: a value as JSON."""
        self.put(name, json.dumps(value, ensure_ascii=False, indent=indent) + "\n")

    def packed(self) -> IO[bytes]:
        """The whole, to be read from its beginning."""
        self._archive.close()
        self._out.seek(0)
        return self._out


class Files(Mapping[str, bytes]):
    """The files of an unpacked archive by their names: each is read when it is asked for."""

    def __init__(self, folder: str, names: list[str]) -> None:
        self._places = {name: Path(folder, str(number)) for number, name in enumerate(names)}

    def __getitem__(self, name: str) -> bytes:
        return self._places[name].read_bytes()

    def __iter__(self) -> Iterator[str]:
        return iter(self._places)

    def __len__(self) -> int:
        return len(self._places)


class Unpacking:
    """An archive on its way into an empty account; ``at`` is the file that was read last.

    Under which ids things are stored here stands by what the archive calls them once their part is unpacked.
    """

    def __init__(self, person: Person, files: Mapping[str, bytes]) -> None:
        self.person, self.files = person, files
        self.at, self.about = "", self.read("about.json")
        self.colours: dict[tuple[str, ...], int] = {}
        self.ranges: dict[str, int] = {}
        self.sheets: dict[str, int] = {}
        self.drawings: dict[str, int] = {}
        self.cards: dict[str, int] = {}

    def read(self, name: str) -> Any:
        """A file's value; BadInput where there is none, or it is no JSON."""
        self.at = name
        try:
            return json.loads(self.files[name])
        except KeyError:
            raise BadInput(Problem(f"The archive has no {name}.", field="file")) from None
        except (ValueError, RecursionError):
            raise BadInput(Problem(f"{name} in the archive is not well-formed JSON.", field="file")) from None

    def later(self, name: str) -> Any:
        """The lines of a file that archives from before there was such a thing lack."""
        return self.read(name) if name in self.files else []

    def each(self, folder: str) -> Iterator[str]:
        """The names of the JSON files in a folder, in their order; each is the one that is read."""
        there = (name for name in self.files if name.startswith(folder) and name.endswith(".json"))
        for self.at in sorted(there, key=lambda name: (len(name), name)):
            yield self.at

    def colour(self, reference: list[Any]) -> int:
        """The colour's id; BadInput where this Jindle has no such shared range or colour."""
        found = self.colours.get(tuple(reference))
        if found is None:
            told = " ".join(map(str, reference))[:120]
            raise BadInput(Problem(f"The archive speaks of a colour that is not here: {told}.", field="file"))
        return found


Turn = Callable[[Any], Any]  # an id to what an archive calls it, or back; None: it is known no more


# What a file must hold, said by what it may: ValueError where it does not.


def among(value: Any, allowed: Any) -> Any:
    """One of those that are allowed."""
    if value not in allowed:
        raise ValueError(f"{value!r} is not known")
    return value


def whole_number(value: Any) -> int:
    """A whole number."""
    if type(value) is not int:
        raise ValueError(f"{value!r:.40} is no whole number")
    return value


def minutes(value: Any) -> float:
    """Minutes that are a number."""
    if not isfinite(value):
        raise ValueError(f"{value!r:.40} is no number of minutes")
    return float(value)


def when(told: str) -> datetime:
    """A moment."""
    return datetime.fromisoformat(told).astimezone(UTC)


def shelved(thing: Any) -> dict[str, bool]:
    """Whether something is put by, or deleted."""
    return {"put_by": thing.put_by is not None, "deleted": thing.deleted is not None}


def since_now(told: Mapping[str, Any]) -> dict[str, Any]:
    """Since when something is put by or deleted: since now. Earlier archives say nothing of it."""
    now = timezone.now()
    return {name: now if told.get(name) is True else None for name in ("put_by", "deleted")}
