"""How does the schema describe an answer? As drf-spectacular describes a serializer of the same fields."""

from collections.abc import Mapping, Sequence
from datetime import date, datetime
from enum import StrEnum
from functools import cache
from types import UnionType
from typing import Annotated, Any, Literal, Union, get_args, get_origin, get_type_hints, is_typeddict

from rest_framework import serializers

from server.told.answer import LEFT_OUT, Answer, Long, OneOf

_PLAIN: dict[Any, type[serializers.Field]] = {
    bool: serializers.BooleanField,
    int: serializers.IntegerField,
    float: serializers.FloatField,
    str: serializers.CharField,
    date: serializers.DateField,
    datetime: serializers.DateTimeField,
    Any: serializers.JSONField,
}


def component(answer: type, many: bool = False) -> serializers.BaseSerializer:
    """What stands for an answer, or for many of it, as the response of an address."""
    return _serializer(answer)(many=many)


@cache
def _serializer(answer: type) -> type[serializers.Serializer]:
    fields = {
        name: _field(kind, getattr(answer, name, None) is not LEFT_OUT)
        for name, kind in get_type_hints(answer, include_extras=True).items()
        if not name.startswith("_")
    }
    return type(
        f"{answer.__name__}Serializer", (serializers.Serializer,), {"__doc__": answer.__doc__, **fields}
    )


def _field(kind: Any, required: bool = True) -> serializers.Field:
    """A field of that kind; TypeError for what no answer holds."""
    told: dict[str, Any] = {} if required else {"required": False}
    extras: tuple[Any, ...] = ()
    if get_origin(kind) is Annotated:
        kind, *extras = get_args(kind)  # type: ignore[assignment]
    words = " ".join(one for one in extras if isinstance(one, str))
    if words:
        told["help_text"] = words
    if get_origin(kind) in (Union, UnionType):
        (kind,) = (one for one in get_args(kind) if one is not type(None))
        told["allow_null"] = True
    for extra in extras:
        if isinstance(extra, OneOf):
            return serializers.ChoiceField(choices=list(extra.words.items()), **told)
        if isinstance(extra, Long):
            told |= {"min_length": extra.least, "max_length": extra.most}
    return _of_kind(kind, told)


def _is(kind: Any, base: type) -> bool:
    return isinstance(kind, type) and issubclass(kind, base)


def _of_kind(kind: Any, told: dict[str, Any]) -> serializers.Field:
    of = get_args(kind)
    if get_origin(kind) is Sequence:
        if _is(of[0], Answer) or is_typeddict(of[0]):
            return _serializer(of[0])(many=True, **told)
        return serializers.ListField(child=_field(of[0]), **told)
    if get_origin(kind) is Mapping:
        return serializers.DictField(child=_field(of[1]), **told)
    if _is(kind, Answer) or is_typeddict(kind):
        return _serializer(kind)(**told)
    choices = [one.value for one in kind] if _is(kind, StrEnum) else of if get_origin(kind) is Literal else ()
    if choices:
        return serializers.ChoiceField(choices=[(one, one) for one in choices], **told)
    if kind not in _PLAIN:
        raise TypeError(f"an answer holds no {kind}")
    return _PLAIN[kind](**told)
