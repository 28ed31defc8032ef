"""Which change of a card does JSON ask for?"""

from collections.abc import Iterator
from typing import Any

from jindle_core.card.changes.build import AddPiece, EditPiece
from jindle_core.card.changes.every import AnyChange, Several
from jindle_core.card.changes.palette import AddColour, Reanchor
from jindle_core.card.changes.pictures import (
    AddPicture,
    AreaFamily,
    SetDrawing,
    SetFamilies,
    areas_of,
)
from jindle_core.card.pictures import Area
from jindle_core.card.whole import Anchor
from jindle_core.checked.supplied import instead_of
from jindle_core.errors import BadInput, Problem
from jindle_core.palettes.role import Role
from jindle_core.supplies.asked import anchor_of, check_named, tones_of
from jindle_core.supplies.whole import Supplies
from server.access import drawings_seen_by, one
from server.accounts.models import Person
from server.cards.building.serializers import BUILD_CHANGES
from server.cards.change_serializers import PALETTE_CHANGES, ChangeSerializer
from server.cards.colouring_serializers import COLOURING_CHANGES
from server.cards.everywhere_serializers import EVERYWHERE_CHANGES
from server.cards.grounds.serializers import GROUND_CHANGES
from server.cards.sheets import check_sheet

CHANGE_SERIALIZERS: dict[str, type[ChangeSerializer]] = {
    **PALETTE_CHANGES,
    **COLOURING_CHANGES,
    **GROUND_CHANGES,
    **BUILD_CHANGES,
    **EVERYWHERE_CHANGES,
}


def read_change(given: Any, supplies: Supplies, person: Person) -> AnyChange:
    """The change that JSON names, its colours looked up; BadInput or ValidationError where it is none."""
    kind = given.get("kind") if isinstance(given, dict) else None
    if not isinstance(kind, str) or kind not in CHANGE_SERIALIZERS:
        raise BadInput(
            Problem(
                f"There is no change of the kind “{kind}”.",
                field="kind",
                value=str(kind),
                expected=", ".join(CHANGE_SERIALIZERS),
            )
        )
    read = CHANGE_SERIALIZERS[kind](data=given)
    read.is_valid(raise_exception=True)
    change = _looked_up(kind, read.validated_data, supplies, person)
    check_named(change, supplies)
    return change


def read_colour(given: dict[str, Any], supplies: Supplies, person: Person) -> AddColour:
    """A colour to be added to a palette; the same errors."""
    change = read_change({"kind": "add_colour"} | given, supplies, person)
    if not isinstance(change, AddColour):
        raise TypeError(f"{change} adds no colour")
    return change


def _looked_up(kind: str, values: Any, supplies: Supplies, person: Person) -> AnyChange:
    """The change, with what stands only in supplies and among drawings."""
    if kind == "add_colour":
        anchor, own_name = _anchor(values["anchor"], supplies)
        role = Role(values["role"]) if values["role"] else None
        return AddColour(anchor, values["name"].strip() or own_name, role, values["keep_pairs"])
    if kind == "reanchor":
        return Reanchor(values["key"], _anchor(values["anchor"], supplies)[0])
    if kind == "set_drawing":
        return SetDrawing(values["drawing"], *_drawn(values["drawing"], person), values["picture"])
    if kind == "add_picture":
        drawn = _drawn(values["drawing"], person)
        return AddPicture(values["name"], values["drawing"], *drawn, values["like"])
    if kind == "set_families":
        return _families(values["families"], supplies)
    if kind == "use_instead":
        return instead_of(supplies, values["old"], values["new"], tuple(values["areas"]))
    if kind == "several":
        return Several(values["purpose"], tuple(_each(values["changes"], supplies, person)))
    change: AnyChange = values
    if isinstance(change, AddPiece | EditPiece):
        check_sheet(change.told.get("material"), person)
    return change


def _each(given: list[dict[str, Any]], supplies: Supplies, person: Person) -> Iterator[AnyChange]:
    for each in given:
        if each.get("kind") == "several":
            raise BadInput(Problem("Several changes are made one after the other.", field="changes"))
        yield read_change(each, supplies, person)


def _anchor(given: dict[str, Any], supplies: Supplies) -> tuple[Anchor, str]:
    return anchor_of(supplies, given.get("colour"), given.get("value", ""))


def _drawn(pk: int | None, person: Person) -> tuple[tuple[Area, ...], float | None]:
    """The areas of a line drawing, and its width by its height."""
    if pk is None:
        return (), None
    drawing = one(drawings_seen_by(person), pk=pk).shapes
    return areas_of(drawing), drawing.width / drawing.height


def _families(given: list[dict[str, Any]], supplies: Supplies) -> SetFamilies:
    found = []
    for family in given:
        medium, ids = tones_of(supplies, family["colours"], "families")
        found.append(AreaFamily(family["key"], ids, medium))
    return SetFamilies(tuple(found))
