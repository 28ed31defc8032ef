"""What is an answer of the API: declared once, told as JSON, described in the schema?"""

from dataclasses import dataclass
from typing import Any, ClassVar, dataclass_transform

LEFT_OUT: Any = object()  # of what an answer need not hold: neither it nor its name is sent


@dataclass_transform(frozen_default=True, kw_only_default=True)
class Answer:
    """A frozen dataclass of what is sent; its docstring and its fields are what the schema says.

    A field is a ``bool``, ``int``, ``float``, ``str``, ``date``, enum, another answer, or ``Sequence``,
    ``Mapping`` by name, or none of these. ``Annotated`` adds words, ``OneOf`` and ``Long``.
    """

    _may_lack: ClassVar[bool] = False

    def __init_subclass__(cls) -> None:
        dataclass(frozen=True, kw_only=True)(cls)
        cls._may_lack = any(vars(one).get(name) is LEFT_OUT for one in cls.__mro__ for name in vars(one))

    def told(self) -> dict[str, Any]:
        """Its fields by name, for the encoder: what it holds is told in its turn."""
        if self._may_lack:
            return {name: value for name, value in vars(self).items() if value is not LEFT_OUT}
        return vars(self)


class OneOf:
    """Of a string: it is one of these, or one of the keys of these with their words."""

    def __init__(self, *values: str | dict[str, str]) -> None:
        self.words: dict[str, str] = {}
        for one in values:
            self.words |= one if isinstance(one, dict) else {one: one}


@dataclass(frozen=True)
class Long:
    """Of a sequence: how many it holds at least and at most."""

    least: int | None
    most: int | None
