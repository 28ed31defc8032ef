"""Taking out everything of a person's."""

from typing import IO

from server.accounts.archived import settings_told
from server.accounts.models import Person
from server.archive.parts import PARTS
from server.catalogue.archived import name_ranges
from server.parcel import Packing
from server.quotas import largest_archive

FORMAT, VERSION = "jindle archive", 2  # 1 had every state of a card whole


def pack(person: Person) -> IO[bytes]:
    """A zip of JSON files and pictures: everything that is theirs, to be read from its beginning."""
    parcel = Packing(person, largest_archive(person))
    about = {"format": FORMAT, "version": VERSION, "settings": settings_told(person)}
    try:
        parcel.tell("about.json", about | name_ranges(parcel))
        for part in PARTS:
            part.pack(parcel)
    except BaseException:
        parcel.packed().close()
        raise
    return parcel.packed()
