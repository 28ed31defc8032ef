"""Which colours does somebody mean by what they type?"""

import re
import unicodedata
from collections.abc import Sequence

from rapidfuzz import fuzz, process

from jindle_core import figures


def plain(text: str) -> str:
    """A text without case, accents, spaces, dashes and other signs.

    >>> plain("Tarn – 4"), plain("Éclat")
    ('tarn4', 'eclat')
    """
    parted = unicodedata.normalize("NFKD", text.casefold())
    return "".join(sign for sign in parted if sign.isalnum())


_RUNS = re.compile(r"[^\W\d_]+|\d+")


def runs(text: str) -> str:
    """A text's letters and numbers one after another: numbers as they count, whatever fills them up or parts
    them.

    >>> runs("1.09") == runs("1/9"), runs("Tarn04") == runs("TARN-4"), runs("1.14") == runs("114")
    (True, True, False)
    """
    parted = unicodedata.normalize("NFKD", text.casefold())
    return " ".join(one.lstrip("0") or "0" if one.isdecimal() else one for one in _RUNS.findall(parted))


class SearchIndex:
    """Finds colours by code or name, as typed: partial, any case, with or without signs and range."""

    def __init__(self, labels: Sequence[tuple[str, str]], ranges: Sequence[str] = ()) -> None:
        """``labels`` holds (code, name) of each colour, ``ranges`` what its range is called."""
        self._labels = [(plain(code), plain(name)) for code, name in labels]
        self._runs = [runs(code) for code, _ in labels]
        self._ranges = [plain(one) for one in ranges] or [""] * len(labels)
        # What a text with a slip is held against, and which colour each form is of.
        self._forms: list[str] = []
        self._owners: list[int] = []
        for place, (code, name) in enumerate(labels):
            words = [plain(word) for word in name.split()]
            for form in {plain(code), plain(name), *words} - {""}:
                self._forms.append(form)
                self._owners.append(place)

    def find(self, typed: str, limit: int) -> list[int]:
        """Places of the colours that fit, best first, at most ``limit``.

        The whole code comes first, then the whole name, what a code or name
        begins with, and what stands anywhere in either. A text that names both
        ("tarn eddy") fits where each of its words does. Only where nothing
        fits so are slips forgiven ("chrcoal"), the smallest first.
        """
        wanted, counted = plain(typed), runs(typed)
        if not wanted:
            return []
        words = [word for word in map(plain, typed.split()) if word]
        ranked: list[tuple[int, int]] = []
        for place, (code, name) in enumerate(self._labels):
            rank = 1 if counted == self._runs[place] and code != wanted else _rank(wanted, words, code, name)
            if rank is None and len(words) > 1:
                rank = self._within_its_range(place, words)
            if rank is not None:
                ranked.append((rank, place))
        if not ranked:
            return self._with_a_slip(wanted, limit)
        ranked.sort()
        return [place for _, place in ranked[:limit]]

    def _within_its_range(self, place: int, words: Sequence[str]) -> int | None:
        """How well a colour fits what stands after the name of its range, or some of that name."""
        of_range = self._ranges[place]
        rest = [word for word in words if word not in of_range]
        if not rest or len(rest) == len(words):
            return None
        return _rank("".join(rest), rest, *self._labels[place])

    def whole(self, typed: str) -> set[int]:
        """Places of the colours whose whole code or name it is."""
        wanted = plain(typed)
        return {place for place, label in enumerate(self._labels) if wanted and wanted in label}

    def _with_a_slip(self, wanted: str, limit: int) -> list[int]:
        """Places whose code or name, or a word of the name, is like what was typed."""
        if len(wanted) < figures.colour.SLIP_LENGTH:
            return []
        found = process.extract(
            wanted, self._forms, scorer=fuzz.ratio, score_cutoff=figures.colour.SLIP_LIKENESS, limit=8 * limit
        )
        places = dict.fromkeys(self._owners[at] for _, _, at in found)
        return list(places)[:limit]


def _rank(wanted: str, words: list[str], code: str, name: str) -> int | None:
    if wanted == code:
        return 0
    if wanted == name:
        return 1
    if code.startswith(wanted):
        return 2
    if name.startswith(wanted):
        return 3
    if wanted in code or wanted in name:
        return 4
    if len(words) > 1 and all(word in code or word in name for word in words):
        return 5
    return None
