"""What does a range say of how it behaves with others? Checked, and completed by what is usual."""

from dataclasses import replace
from typing import Any

from jindle_core.compatibility.materials import LINE_INKS, SURFACES, LineInk, Surface
from jindle_core.errors import BadInput, Problem
from jindle_core.media.medium import Medium

_OF_INKS = ("solvent_proof", "waterproof", "slow")
_OF_STOCK = ("surface", "wet_layers")
PROPERTIES = (*_OF_INKS, *_OF_STOCK, "metallic")
MOST_LAYERS = 9


def properties_of(medium: Medium) -> tuple[str, ...]:
    """What a range of a medium may say of itself."""
    ink, stock = medium.traits.line_ink is not None, medium.traits.stock
    own = (*(_OF_INKS if ink else ()), *(_OF_STOCK if stock else ()))
    return (*own, "metallic") if own else ()


def checked_properties(medium: Medium, given: dict[str, Any]) -> dict[str, Any]:
    """The properties that a range of a medium may have; BadInput for others and for wrong values."""
    found = {}
    for name, value in given.items():
        if name in properties_of(medium) and _is_right(name, value):
            found[name] = value
        else:
            raise BadInput(
                Problem(
                    f"A range of {medium} has no property “{name}” with the value “{value}”.",
                    field="properties",
                    value=str(value)[:80],
                )
            )
    return found


def _is_right(name: str, value: Any) -> bool:
    if name == "surface":
        return value in SURFACES
    if name == "wet_layers":
        return isinstance(value, int) and 1 <= value <= MOST_LAYERS
    return isinstance(value, bool)


def surface_of(properties: dict[str, Any], kind: str) -> Surface:
    """The surface of a stock: as its range says, else by what kind of stock its colour is like."""
    usual = "kraft" if kind == "kraft" else "heavy cardstock"
    found = SURFACES[properties.get("surface", usual)]
    return replace(found, wet_layers=properties.get("wet_layers", found.wet_layers))


def line_ink_of(title: str, medium: Medium, properties: dict[str, Any]) -> LineInk:
    """A range as line ink: as it says, else as its medium usually is."""
    usual = LINE_INKS[medium.traits.line_ink or "pigment"]
    said = {name: properties[name] for name in _OF_INKS if name in properties}
    return replace(usual, title=title, **said)
