"""What does a range say of how it behaves with others? Checked, and completed by what is usual."""

from dataclasses import replace
from typing import Any

from jindle_core.compatibility.materials import LINE_INKS, SURFACES, LineInk, Surface
from jindle_core.errors import BadInput, Problem
from jindle_core.media import Medium

_INKS = (Medium.DYE_PAD, Medium.PIGMENT_PAD, Medium.CHALK_PAD, Medium.GEL_PEN)
_USUAL_INK = {Medium.DYE_PAD: "dye", Medium.GEL_PEN: "fine pen"}
MOST_LAYERS = 9


def checked_properties(medium: Medium, given: dict[str, Any]) -> dict[str, Any]:
    """The properties that a range of a medium may have; BadInput for others and for wrong values."""
    found = {}
    for name, value in given.items():
        if (
            (medium is Medium.CARDSTOCK and name == "surface" and value in SURFACES)
            or (
                medium is Medium.CARDSTOCK
                and name == "wet_layers"
                and isinstance(value, int)
                and 1 <= value <= MOST_LAYERS
            )
            or (
                medium in _INKS
                and name in ("solvent_proof", "waterproof", "slow")
                and isinstance(value, bool)
            )
            or (medium in (*_INKS, Medium.CARDSTOCK) and name == "metallic" and isinstance(value, bool))
        ):
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


def surface_of(properties: dict[str, Any], kind: str) -> Surface:
    """The surface of a stock: as its range says, else by what kind of stock its colour is like."""
    usual = "kraft" if kind == "kraft" else "heavy cardstock"
    found = SURFACES[properties.get("surface", usual)]
    return replace(found, wet_layers=properties.get("wet_layers", found.wet_layers))


def line_ink_of(title: str, medium: Medium, properties: dict[str, Any]) -> LineInk:
    """A range as line ink: as it says, else as its medium usually is."""
    usual = LINE_INKS[_USUAL_INK.get(medium, "pigment")]
    said = {
        name: properties[name]
        for name in ("solvent_proof", "waterproof", "slow", "metallic")
        if name in properties
    }
    return replace(usual, title=title, **said)


def is_line_ink(medium: Medium) -> bool:
    """Whether lines are stamped or written with a medium."""
    return medium in _INKS
