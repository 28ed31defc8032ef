"""Which colour did somebody type: a screen value or a Lab value?"""

import re
from dataclasses import dataclass

import numpy as np

from jindle_core.colorimetry.spaces import Array, hex_to_lab
from jindle_core.errors import BadInput, Problem
from jindle_core.provenance import Provenance

LAB_LIMITS = ((0.0, 100.0), (-128.0, 127.0), (-128.0, 127.0))

_HEX = re.compile(r"#([0-9a-f]{3}|[0-9a-f]{6})", re.I)
_NUMBER = r"([-+−]?\d+(?:[.,]\d+)?)"
_LABELLED = re.compile(
    rf"\s*L\*?\s*[=:]?\s*{_NUMBER}[\s,;]+a\*?\s*[=:]?\s*{_NUMBER}[\s,;]+b\*?\s*[=:]?\s*{_NUMBER}\s*", re.I
)
_PLAIN = re.compile(
    rf"\s*(?:L\*?a\*?b\*?|lab)?\s*[:(]?\s*{_NUMBER}(?:\s*[;,]\s+|\s*;\s*|\s+){_NUMBER}"
    rf"(?:\s*[;,]\s+|\s*;\s*|\s+){_NUMBER}\s*\)?\s*",
    re.I,
)
_TIGHT = re.compile(r"\s*([-+−]?\d+(?:\.\d+)?),([-+−]?\d+(?:\.\d+)?),([-+−]?\d+(?:\.\d+)?)\s*")


@dataclass(frozen=True, slots=True)
class TypedColour:
    """A colour given as a value: its Lab and where it comes from ("screen" or "typed")."""

    lab: tuple[float, float, float]
    provenance: Provenance


def read_typed(text: str) -> TypedColour | None:
    """The colour that a text names as ``#rrggbb`` or Lab; None where it names neither.

    Raises BadInput where it is clearly Lab but out of range.

    >>> read_typed("L 52, a -10, b 20").lab
    (52.0, -10.0, 20.0)
    """
    if _HEX.fullmatch(text.strip()):
        lightness, a, b = hex_to_lab(text)
        return TypedColour((float(lightness), float(a), float(b)), "screen")
    for pattern in (_LABELLED, _TIGHT, _PLAIN):
        if found := pattern.fullmatch(text):
            values = [float(part.replace("−", "-").replace(",", ".")) for part in found.groups()]
            return TypedColour(checked_lab(values), "typed")
    return None


def checked_lab(values: Array | list[float]) -> tuple[float, float, float]:
    """The three values as a tuple, or BadInput that names the one out of range."""
    if len(values) != 3:
        raise BadInput(Problem("A colour has three values: L, a and b.", field="lab"))
    for name, value, (low, high) in zip("Lab", values, LAB_LIMITS, strict=True):
        if not np.isfinite(value) or not low <= value <= high:
            raise BadInput(
                Problem(
                    f"{name} is {value:g}; it lies between {low:g} and {high:g}.",
                    field="lab",
                    column=name,
                    value=f"{value:g}",
                    expected=f"{low:g} to {high:g}",
                )
            )
    return float(values[0]), float(values[1]), float(values[2])
