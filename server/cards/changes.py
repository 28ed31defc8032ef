"""Which change of a card does JSON ask for?"""

from jindle_core.card.changes.build import BuildChange
from jindle_core.card.changes.every import AnyChange
from jindle_core.card.changes.ground import SetGround
from jindle_core.card.changes.palette import AddColour, Change, Reanchor
from jindle_core.card.changes.pictures import (
    AreaFamily,
    EditArea,
    SetColouring,
    SetDrawing,
    SetFamilies,
    areas_of,
)
from jindle_core.card.whole import Anchor
from jindle_core.colorimetry.typed import read_typed
from jindle_core.compatibility.properties import is_line_ink
from jindle_core.errors import BadInput, Problem
from jindle_core.media import PAD_MEDIA, Medium
from jindle_core.palettes.role import Role
from jindle_core.supplies.colours import Supplies, is_transparent
from server.access import drawings_seen_by, one
from server.accounts.models import Person
from server.cards.building.serializers import BUILD_CHANGES
from server.cards.change_serializers import PALETTE_CHANGES
from server.cards.colouring_serializers import COLOURING_CHANGES
from server.cards.grounds.serializers import GROUND_CHANGES
from server.catalogue.api.targets import place_of
from server.colouring.tones import tones_of

CHANGE_SERIALIZERS = PALETTE_CHANGES | COLOURING_CHANGES | GROUND_CHANGES | BUILD_CHANGES


def read_change(given, catalogue: Supplies, person: Person) -> AnyChange:
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
    values = read.validated_data
    if kind == "add_colour":
        anchor, own_name = _anchor(values["anchor"], catalogue)
        role = Role(values["role"]) if values["role"] else None
        return AddColour(anchor, values["name"].strip() or own_name, role, values["keep_pairs"])
    if kind == "reanchor":
        return Reanchor(values["key"], _anchor(values["anchor"], catalogue)[0])
    if kind == "set_drawing":
        return _drawing(values["drawing"], person)
    if kind == "set_families":
        return _families(values["families"], catalogue)
    if isinstance(values, SetColouring):
        _check_materials(values.settings, catalogue)
        return values
    if isinstance(values, SetGround):
        _check_ground(values.settings, catalogue)
        return values
    if isinstance(values, EditArea) and values.glaze:
        place = place_of(catalogue, values.glaze, "glaze")
        medium = catalogue.ranges[int(catalogue.range_ids[place])].medium
        if not is_transparent(medium):
            raise BadInput(Problem(f"{medium} is no glaze: it does not let through.", field="glaze"))
    if kind in COLOURING_CHANGES:  # what else they speak of is the card's own
        return values
    if isinstance(values, BuildChange):
        _check_build(values, catalogue)
        return values
    for supply in _supplies(values):
        place_of(catalogue, supply)
    return values


def _check_build(change: BuildChange, catalogue: Supplies) -> None:
    """BadInput where a piece is of a supply that is not there."""
    told = getattr(change, "told", None) or getattr(change, "settings", {})
    for end in (told.get("material"), told.get("base")):
        if end is not None and end.source == "supply":
            place_of(catalogue, end.id, "material")
    if told.get("inked"):
        _check_pad(told["inked"].colour, catalogue, "inked")


def _supplies(change: Change) -> list[int]:
    """The ids of supplies that a change speaks of."""
    ends = [getattr(change, name, None) for name in ("upper", "lower")]
    named = [end.id for end in ends if end and end.source == "supply"]
    named += [choice.colour for choice in getattr(change, "choices", ())]
    chosen = getattr(change, "colour", None)
    return named if chosen is None else [*named, chosen]


def _drawing(pk: int | None, person: Person) -> SetDrawing:
    if pk is None:
        return SetDrawing(None)
    drawing = one(drawings_seen_by(person), pk=pk).shapes
    return SetDrawing(pk, areas_of(drawing), drawing.width / drawing.height)


def _families(given: list[dict], catalogue: Supplies) -> SetFamilies:
    found = []
    for family in given:
        medium, ids = tones_of(catalogue, family["colours"], "families")
        found.append(AreaFamily(family["key"], ids, medium))
    return SetFamilies(tuple(found))


def _check_materials(settings: dict, catalogue: Supplies) -> None:
    """BadInput where the paper is no cardstock, or the line's range no ink."""
    line = settings.get("line_range")
    _check_cardstock(settings.get("paper"), catalogue)
    if line is not None and (line not in catalogue.ranges or not is_line_ink(catalogue.ranges[line].medium)):
        raise BadInput(
            Problem("Lines are stamped with a range of pads, or written with gel pens.", field="line_range")
        )


def _check_ground(settings: dict, catalogue: Supplies) -> None:
    """BadInput where a pad is no pad, or a card no cardstock."""
    mat = settings.get("mat")
    inked = [*settings.get("pads", ()), *settings.get("effects", ()), *([mat] if mat else [])]
    for pk in (used.colour for used in inked if used.colour is not None):
        _check_pad(pk, catalogue, "pads")
    _check_cardstock(settings.get("paper"), catalogue)
    _check_cardstock(mat and mat.paper, catalogue)


def _check_pad(pk: int, catalogue: Supplies, field: str) -> None:
    facts = catalogue.ranges[int(catalogue.range_ids[place_of(catalogue, pk, field)])]
    if facts.medium not in PAD_MEDIA:
        raise BadInput(
            Problem(
                f"{facts.name} is {facts.medium}, and card is inked with ink pads.",
                field=field,
                value=facts.name,
                expected=", ".join(PAD_MEDIA),
            )
        )


def _check_cardstock(pk: int | None, catalogue: Supplies) -> None:
    if pk is None:
        return
    facts = catalogue.ranges[int(catalogue.range_ids[place_of(catalogue, pk, "paper")])]
    if facts.medium is not Medium.CARDSTOCK:
        raise BadInput(
            Problem(
                f"{facts.name} is {facts.medium}: what is coloured or inked is cardstock.",
                field="paper",
                value=facts.name,
                expected="a colour of a cardstock range",
            )
        )


def _anchor(given: dict, catalogue: Supplies) -> tuple[Anchor, str]:
    """The anchor that was asked for and the name it has by itself."""
    colour = given.get("colour")
    if colour is not None:
        place = place_of(catalogue, colour, "anchor")
        row = catalogue.rows[place]
        name = row.name or row.code
        return Anchor(colour, catalogue.lab_at(place), catalogue.provenance(place)), name
    value = given.get("value", "")
    typed = read_typed(value)
    if typed is None:
        raise BadInput(
            Problem(
                f"“{value}” is neither a colour of a range nor a value.",
                field="anchor",
                value=value,
                expected="#rrggbb, or L, a, b such as 52, −10, 20",
            )
        )
    return Anchor(None, typed.lab, typed.provenance), value.strip()
