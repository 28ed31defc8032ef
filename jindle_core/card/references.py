"""Which supplies does a card name, and for what; and what is it with others in their place?

There is one walk over all that a card names, ``turned``, along the fields that say so
(``jindle_core.naming``). It goes over cards and, in the same way, over cards as they are stored, whose ids
may be what another place calls them.
"""

from collections.abc import Callable, Sequence
from dataclasses import dataclass, fields, is_dataclass, replace
from functools import cache
from types import UnionType
from typing import Annotated, Any, TypeVar, Union, get_args, get_origin, get_type_hints

from jindle_core.card.whole import Card, Waiver
from jindle_core.checks.ids import NoCard, Supplied, read
from jindle_core.material import End
from jindle_core.naming import Names, Use

Given = TypeVar("Given", Card, dict[str, Any])
# The use and the id of a colour, range (of the line), drawing or sheet: another, or None: it is gone.
Turn = Callable[[Use, Any], Any]

_GONE: Any = object()
_ENDS = {"supply": Use.PIECES, "sheet": Use.SHEETS}


def turned(card: Given, turn: Turn) -> Given:
    """A card, or one in today's stored form, with every id that it names turned; None: it is gone.

    Where one is gone that might be none, there is none: a palette colour keeps its value, an area loses its
    glaze. Where it must be one, what holds it goes: a cell, a pad of the ground, what is laid over a tone. A
    family loses a tone; an end stays with the id 0, which is no supply's. What needs no pad has none, and
    stays.
    """
    made: Given = _Walk(turn).over(Card, card)
    return made


class _Walk:
    def __init__(self, turn: Turn) -> None:
        self._turn = turn

    def over(self, kind: type, value: Any) -> Any:
        """A value of a dataclass, or as it is stored, with its ids turned; _GONE where one it needs is."""
        if kind is End:
            return self._end(value)
        if kind is Waiver:
            return self._waiver(value)
        changed = {}
        for one in _naming(kind):
            before = _get(value, one.name)
            after = None if before is None else self._field(one, before)
            if after is _GONE:
                return _GONE
            if after is not before:
                changed[one.name] = after
        return _put(value, changed)

    def _field(self, one: "_Field", value: Any) -> Any:
        each = value if one.several else [value]
        if one.names is None:
            found = [self.over(one.kind, single) for single in each]
        else:
            turns = [self._turn(one.names.use, single) for single in each]
            found = [_GONE if single is None else single for single in turns]
        if one.several:
            return type(value)(single for single in found if single is not _GONE)
        (single,) = found
        may_lack = one.optional and (one.names is None or not one.names.holds)
        return None if single is _GONE and may_lack else single

    def _end(self, end: Any) -> Any:
        use, pk = _ENDS.get(_get(end, "source")), _get(end, "id")
        return _put(end, {"id": self._turn(use, pk) or 0}) if use and pk else end

    def _waiver(self, waiver: Any) -> Any:
        """One that speaks of a supply speaks of another then; what is no plain id stands beside its check."""
        kind, about = _get(waiver, "check"), waiver.get("supply") if isinstance(waiver, dict) else None
        if about is None:
            check = read(kind)
            if not isinstance(check, Supplied | NoCard):
                return waiver
            kind, about = check.kind, check.key
        pk = self._turn(Use.WAIVED, about)
        if pk is None:
            return _GONE
        if isinstance(pk, int):
            return _put(
                {"reason": waiver["reason"]} if isinstance(waiver, dict) else waiver,
                {"check": f"{kind}:{pk}"},
            )
        return {"check": kind, "supply": pk, "reason": _get(waiver, "reason")}


@dataclass(frozen=True)
class _Field:
    """A field on the way to what is named: ids themselves, or values of a dataclass; one or several."""

    name: str
    kind: Any
    names: Names | None
    optional: bool
    several: bool


@cache
def _naming(kind: type) -> Sequence[_Field]:
    """Those fields of a dataclass that name something, or lead to what does."""
    told = get_type_hints(kind, include_extras=True)
    return [found for one in fields(kind) if (found := _read(one.name, told[one.name])) is not None]


def _read(name: str, hint: Any) -> _Field | None:
    names, optional, several = None, False, False
    if get_origin(hint) is Annotated:
        hint, *extras = get_args(hint)
        names = next((one for one in extras if isinstance(one, Names)), None)
    if get_origin(hint) in (Union, UnionType):
        parts = [one for one in get_args(hint) if one is not type(None)]
        optional, hint = len(parts) < len(get_args(hint)), parts[0]
    if get_origin(hint) is tuple and get_args(hint)[1:] == (...,):
        several, hint = True, get_args(hint)[0]
    leads = hint in (End, Waiver) or (is_dataclass(hint) and isinstance(hint, type) and bool(_naming(hint)))
    return _Field(name, hint, names, optional, several) if names is not None or leads else None


def _get(value: Any, name: str) -> Any:
    return value[name] if isinstance(value, dict) else getattr(value, name)


def _put(value: Any, changed: dict[str, Any]) -> Any:
    if not changed:
        return value
    return value | changed if isinstance(value, dict) else replace(value, **changed)


@dataclass(frozen=True, slots=True)
class Named:
    """Ids of supplies by what they are for; each as often as it is named."""

    palette: tuple[int, ...]
    cells: tuple[int, ...]
    tones: tuple[int, ...]
    pads: tuple[int, ...]
    pieces: tuple[int, ...]
    papers: tuple[int, ...]

    @property
    def every(self) -> frozenset[int]:
        """All of them."""
        return frozenset(pk for one in fields(self) for pk in getattr(self, one.name))

    @property
    def taken(self) -> frozenset[int]:
        """Those that things are laid with or cut of."""
        return frozenset((*self.tones, *self.pads, *self.pieces, *self.papers))


def named(card: Card) -> Named:
    """What a card names: palette colours and chosen cells, tones and glazes of areas, pads and effects of
    the ground, what pieces are of or inked with, and the papers of picture and ground."""
    found: dict[Use, list[int]] = {use: [] for use in Use}

    def note(use: Use, pk: int) -> int:
        found[use].append(pk)
        return pk

    turned(card, note)
    return Named(*(tuple(found[Use(one.name)]) for one in fields(Named)))
