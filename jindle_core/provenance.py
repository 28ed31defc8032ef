"""Where does a colour come from? How sure each makes it stands in ``figures.colour.UNCERTAINTY``."""

from typing import Literal, TypeGuard, get_args

Provenance = Literal["read", "photographed", "label", "screen", "predicted", "typed"]
FileProvenance = Literal["read", "photographed", "label", "screen"]  # what a range's file can say

PROVENANCES: tuple[Provenance, ...] = get_args(Provenance)
FILE_PROVENANCES: tuple[FileProvenance, ...] = get_args(FileProvenance)


def is_of_file(text: str) -> TypeGuard[FileProvenance]:
    """Whether a file can say that."""
    return text in FILE_PROVENANCES
