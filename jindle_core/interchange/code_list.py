"""Which colours does a list mean that somebody typed or pasted?"""

import re
from collections.abc import Callable, Sequence
from dataclasses import dataclass

from jindle_core import figures
from jindle_core.errors import BadInput, Problem
from jindle_core.matching.search import SearchIndex, plain, runs

_PARTS = re.compile(r"[,;\n\t]+")
_SUGGESTED = 3


@dataclass(frozen=True, slots=True)
class Understood:
    """A part of the list that means one colour: its place among those given."""

    text: str
    place: int


@dataclass(frozen=True, slots=True)
class Doubtful:
    """A part that means none, or several; ``places`` are what it may mean."""

    text: str
    places: tuple[int, ...]
    reason: str


@dataclass(frozen=True, slots=True)
class ReadList:
    """What was understood, each colour once, and what was not."""

    understood: tuple[Understood, ...]
    doubtful: tuple[Doubtful, ...]
    repeated: int


def _parts(text: str) -> list[str]:
    parts = [part.strip() for part in _PARTS.split(text) if part.strip()]
    if not parts:
        raise BadInput(
            Problem("The list is empty.", field="text", expected="codes or names, such as moss 3, rook 7")
        )
    if len(parts) > (most := figures.files.LARGEST_RANGE):
        raise BadInput(Problem(f"The list has {len(parts)} parts; {most} are the most.", field="text"))
    return parts


def read_list(text: str, labels: Sequence[tuple[str, str, str]], search: SearchIndex) -> ReadList:
    """Codes or names in any order, parted by commas, semicolons or lines; codes also by spaces alone.

    ``labels`` holds (range, code, name) of every colour that may be meant,
    ``search`` the same colours. A part means a colour whose whole code or
    name it is, with or without its range before it, or its code and name together. Raises BadInput for
    nothing at all, and for more parts than a range can have.
    """
    parts = _parts(text)
    known: dict[str, list[int]] = {}
    counted: dict[str, list[int]] = {}  # where nothing is it to the letter: numbers as they count
    for place, (range_name, code, name) in enumerate(labels):
        both = (code + name, name + code) if code and name else ()
        of_range = (range_name + code, range_name + name)
        for key in {plain(one) for one in (code, name, *of_range, *both)}:
            if key and key != plain(range_name):
                known.setdefault(key, []).append(place)
        for key in {runs(code), runs(f"{range_name} {code}")} if code else ():
            counted.setdefault(key, []).append(place)

    def stands(part: str) -> bool:
        return plain(part) in known or runs(part) in counted

    understood: dict[int, Understood] = {}
    doubtful, repeated = [], 0
    for part in [one for whole in parts for one in _parted(whole, stands)]:
        places = known.get(plain(part)) or counted.get(runs(part), [])
        places = _nearest_to_the_letter(part, places, labels)
        if len(places) == 1:
            repeated += places[0] in understood
            understood.setdefault(places[0], Understood(part, places[0]))
        elif places:
            doubtful.append(Doubtful(part, tuple(places[:_SUGGESTED]), f"stands in {len(places)} places"))
        else:
            near = search.find(part, _SUGGESTED)
            doubtful.append(Doubtful(part, tuple(near), "is no code or name in your ranges"))
    return ReadList(tuple(understood.values()), tuple(doubtful), repeated)


def _parted(part: str, stands: Callable[[str], bool]) -> list[str]:
    """A part by itself or, where it is nothing as a whole, the codes and names that stand in it in a row, and
    what of it is none of them; where none stands in it, all of it."""
    words = part.split()
    if stands(part) or len(words) < 2:
        return [part]
    found, unknown, at = list[str](), list[str](), 0
    while at < len(words):
        end = next((end for end in range(len(words), at, -1) if stands(" ".join(words[at:end]))), at)
        if end == at:
            unknown.append(words[at])
            at += 1
            continue
        found += [" ".join(unknown)] if unknown else []
        found.append(" ".join(words[at:end]))
        unknown, at = [], end
    found += [" ".join(unknown)] if unknown else []
    return found


def _nearest_to_the_letter(part: str, places: list[int], labels: Sequence[tuple[str, str, str]]) -> list[int]:
    """Those whose code is the part to the letter ("114" before 1.14), else reads like it, else all."""
    codes = {place: labels[place][1] for place in places}
    exact = [place for place, code in codes.items() if code.casefold() == part.casefold()]
    alike = [place for place, code in codes.items() if plain(code) == plain(part)]
    return exact or alike or places
