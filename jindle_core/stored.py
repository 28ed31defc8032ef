"""How is a value stored as JSON, and how does it come back: exactly as declared, or not at all?"""

from collections.abc import Collection, Mapping
from enum import StrEnum
from functools import lru_cache
from math import isfinite
from typing import Any, Literal, TypeVar, get_args, get_origin, get_type_hints

import cattrs

from jindle_core.errors import BadInput, Problem
from jindle_core.lengths import LARGEST_MM, TICKS, Length, Size

Made = TypeVar("Made")
_TOLD = 3  # faults that are named; a file that is no such thing has hundreds
_LARGEST = 2**53  # what every reader of JSON holds exactly
_LONGEST = 2 * LARGEST_MM  # a folded base of the largest card


def structured(stored: Any, kind: type[Made], what: str) -> Made:
    """A value of a frozen dataclass from plain JSON values; what is left out is as its defaults say.

    Nothing is converted: 1.5 is no whole number, "1" no number, and NaN none
    either. Raises BadInput that names the places, such as ``$.size.width.ticks``.
    """
    try:
        return _quick.structure(stored, kind)
    except _NOT_AS_DECLARED:
        faults = _faults(stored, kind)
    more = f" and {len(faults) - _TOLD} more" if len(faults) > _TOLD else ""
    words = f"This is no {what} as it was written: {'; '.join(faults[:_TOLD])}{more}."
    raise BadInput(Problem(words, field=what))


def declared(settings: Mapping[str, Any], kind: type, what: str, but: Collection[str] = ()) -> dict[str, Any]:
    """Some fields of a frozen dataclass, each as it is declared; those of ``but`` are not to be set.

    BadInput for one that is no such field, or whose value is nothing that it can
    be. What stands for an enum's member by its value becomes that member.
    """
    kinds = {name: one for name, one in _kinds(kind).items() if name not in but}
    found = {}
    for name, value in settings.items():
        if name not in kinds:
            raise BadInput(Problem(f"There is no “{name}” of {what}.", field=name))
        try:
            found[name] = _quick.structure(_quick.unstructure(value), kinds[name])
        except _NOT_AS_DECLARED:
            words = f"{value!r:.60} is nothing that “{name}” of {what} can be."
            raise BadInput(Problem(words, field=name, value=f"{value!r:.60}")) from None
    return found


@lru_cache
def _kinds(kind: type) -> dict[str, Any]:
    return get_type_hints(kind)


def _faults(stored: Any, kind: type) -> list[str]:
    """All that is wrong, with its places, which takes longer to find."""
    try:
        _thorough.structure(stored, kind)
    except cattrs.BaseValidationError as error:
        return cattrs.transform_error(error)
    except _NOT_AS_DECLARED as error:
        return [str(error)]
    raise AssertionError("what the quick look refuses the thorough one does too")


def plain(value: Any) -> dict[str, Any]:
    """A frozen dataclass as plain JSON values."""
    told: dict[str, Any] = _quick.unstructure(value)
    return told


def _whole(value: Any, _kind: Any) -> int:
    if type(value) is not int or abs(value) > _LARGEST:
        raise ValueError(f"{value!r:.40} is no whole number")
    return value


def _number(value: Any, _kind: Any) -> float:
    if type(value) not in (int, float) or not isfinite(value):
        raise ValueError(f"{value!r:.40} is no number")
    return float(value)


def _text(value: Any, _kind: Any) -> str:
    if type(value) is not str:
        raise ValueError(f"{value!r:.40} is no text")
    return value


def _yes_or_no(value: Any, _kind: Any) -> bool:
    if type(value) is not bool:
        raise ValueError(f"{value!r:.40} is neither true nor false")
    return value


def _length(value: Any, _kind: Any) -> Length:
    if not isinstance(value, dict) or value.keys() != {"ticks", "unit"} or value["unit"] not in TICKS:
        raise ValueError(f"{value!r:.60} is no length")
    length = Length(_whole(value["ticks"], int), value["unit"])
    if abs(length.millimetres) > _LONGEST:
        raise ValueError(f"{length.ticks} ticks are longer than any card")
    return length


def _size(value: Any, _kind: Any) -> Size:
    if not isinstance(value, dict) or value.keys() != {"width", "height"}:
        raise ValueError(f"{value!r:.60} is no size")
    size = Size(_length(value["width"], Length), _length(value["height"], Length))
    if min(size.width.ticks, size.height.ticks) <= 0:
        raise ValueError(f"{size.text()} is no size")
    return size


def _one_of(value: Any, kind: type[StrEnum]) -> StrEnum:
    return kind(_text(value, str))


def _one_literal(value: Any, kind: Any) -> str:
    if _text(value, str) not in get_args(kind):
        raise ValueError(f"{value!r:.40} is none of {', '.join(get_args(kind))}")
    return str(value)


_NOT_AS_DECLARED = (
    cattrs.BaseValidationError,
    ValueError,
    TypeError,
    KeyError,
    AttributeError,
    RecursionError,
)


def _is_tuple(kind: Any) -> bool:
    return get_origin(kind) is tuple


def _is_literal(kind: Any) -> bool:
    return get_origin(kind) is Literal


def _converter(thorough: bool) -> cattrs.Converter:
    made = cattrs.Converter(detailed_validation=thorough, unstruct_collection_overrides={tuple: list})
    readers = {int: _whole, float: _number, bool: _yes_or_no, str: _text, StrEnum: _one_of}
    readers |= {Length: _length, Size: _size}
    for kind, read in readers.items():
        made.register_structure_hook(kind, read)
    read_tuple = made.get_structure_hook(tuple[int, ...])

    def listed(value: Any, kind: Any) -> Any:
        # A text would come apart into its letters, and a mapping into its keys.
        if not isinstance(value, list | tuple):
            raise TypeError(f"{value!r:.40} is no list")
        return read_tuple(value, kind)

    made.register_structure_hook_func(_is_tuple, listed)
    made.register_structure_hook_func(_is_literal, _one_literal)
    made.register_unstructure_hook(StrEnum, lambda value: value.value)
    return made


_quick, _thorough = _converter(False), _converter(True)
