"""Are the supplies that are asked for there, and of the kind that is wanted?"""

from collections.abc import Sequence

from jindle_core.card.changes.arranging import MatUnder, Scatter
from jindle_core.card.changes.build import AddPiece, EditPiece, PutOnStrip, SetBuild
from jindle_core.card.changes.every import AnyChange
from jindle_core.card.changes.everywhere import GlazeInstead, UseInstead
from jindle_core.card.changes.ground import SetGround, UsePad
from jindle_core.card.changes.palette import AddPair, Choose, ChooseMany, EditPair
from jindle_core.card.changes.pictures import EditAreas, SetColouring
from jindle_core.card.whole import Anchor
from jindle_core.colorimetry.naming import hue_family
from jindle_core.colorimetry.typed import read_typed
from jindle_core.errors import BadInput, Problem
from jindle_core.layers.pieces import PieceSaid
from jindle_core.material import End
from jindle_core.media.groups import PAD_MEDIA
from jindle_core.media.medium import Medium
from jindle_core.supplies.colours import RangeFacts
from jindle_core.supplies.whole import Supplies


def place_of(supplies: Supplies, pk: int, field: str = "colour") -> int:
    """Where a colour's id stands; BadInput where it is not among the supplies."""
    place = supplies.places.get(pk)
    if place is None:
        raise BadInput(Problem("That colour is not in your supplies.", field=field, value=str(pk)))
    return place


def anchor_of(supplies: Supplies, pk: int | None, value: str) -> tuple[Anchor, str]:
    """An anchor by a supply's id or by a value as typed, and the name that it has by itself.

    BadInput where it is neither.
    """
    if pk is not None:
        place = place_of(supplies, pk, "anchor")
        row = supplies.rows[place]
        return Anchor(pk, supplies.lab_at(place), supplies.provenance(place)), row.name or row.code
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
    return Anchor(None, typed.lab, typed.provenance), hue_family(typed.lab)


def tones_of(supplies: Supplies, ids: Sequence[int], field: str) -> tuple[Medium | None, tuple[int, ...]]:
    """The medium of a family (None for an empty one) and its ids from light to dark.

    BadInput for unknown ones, and for more than one medium.
    """
    places = [place_of(supplies, pk, field) for pk in ids]
    media = {_range(supplies, place).medium for place in places}
    if len(media) > 1:
        raise BadInput(Problem("A family is of one medium.", field=field, value=", ".join(sorted(media))))
    places.sort(key=lambda place: -supplies.lab[place][0])
    return next(iter(media), None), tuple(supplies.rows[place].id for place in places)


def check_named(change: AnyChange, supplies: Supplies) -> None:
    """BadInput where a change names a supply that is not there, or that is not used so.

    Not those that the card names already: what was there before may be gone.
    """
    match change:
        case Choose() | ChooseMany() | AddPair() | EditPair():
            _check_palette(change, supplies)
        case EditAreas() if change.glaze:
            medium = _range(supplies, place_of(supplies, change.glaze, "glaze")).medium
            if not medium.traits.layered:
                raise BadInput(Problem(f"{medium} is no glaze: it does not let through.", field="glaze"))
        case UsePad():
            _check_pad(change.colour, supplies, "colour")
        case UseInstead():
            _check_instead(change, supplies)
        case GlazeInstead():
            _check_glaze(change, supplies)
        case SetColouring():
            _check_materials(change, supplies)
        case SetGround():
            _check_ground(change, supplies)
        case MatUnder() | Scatter():
            _check_ends(supplies, change.material)
        case SetBuild() | PutOnStrip():
            base = change.settings.get("base") if isinstance(change, SetBuild) else change.material
            _check_ends(supplies, base)
        case AddPiece() | EditPiece():
            _check_piece(change.told, supplies)


def _check_instead(change: UseInstead, supplies: Supplies) -> None:
    """The new one is there, and does the work of the old one."""
    old, new = change.old, change.new
    if new.source == "palette" or old.source in ("white", "sheet") or new.source == "sheet":
        raise BadInput(Problem("A supply takes the place of a supply, or white card of one.", field="new"))
    there = _range(supplies, place_of(supplies, new.id, "new")).medium if new.source == "supply" else None
    was = supplies.places.get(old.id) if old.source == "supply" else None
    before = Medium.CARDSTOCK if was is None else _range(supplies, was).medium
    if old.source == "supply" and was is None:
        return  # it is gone, and nobody knows what it was
    after = there or Medium.CARDSTOCK
    both_pads = before in PAD_MEDIA and after in PAD_MEDIA
    if before is not after and not both_pads:
        words = f"{after} does not do the work of {before}."
        raise BadInput(Problem(words, field="new", value=str(after), expected=str(before)))


def _is_line(facts: RangeFacts | None) -> bool:
    return facts is not None and facts.medium.traits.line_ink is not None


def _check_glaze(change: GlazeInstead, supplies: Supplies) -> None:
    """The two are of the tone's own medium, and let through."""
    medium = _range(supplies, place_of(supplies, change.tone, "tone")).medium
    for field, pk in (("under", change.under), ("colour", change.colour)):
        there = _range(supplies, place_of(supplies, pk, field)).medium
        if there is not medium or not there.traits.layered:
            words = f"{medium} is glazed with two of its own that let through, and this is {there}."
            raise BadInput(Problem(words, field=field, value=str(there), expected=str(medium)))


def _check_palette(change: Choose | ChooseMany | AddPair | EditPair, supplies: Supplies) -> None:
    """What is chosen for cells, and what lies on what, is there."""
    match change:
        case Choose():
            place_of(supplies, change.colour)
        case ChooseMany():
            for choice in change.choices:
                place_of(supplies, choice.colour)
        case _:
            for end in (change.upper, change.lower):
                if end and end.source == "supply":
                    place_of(supplies, end.id)


def _range(supplies: Supplies, place: int) -> RangeFacts:
    return supplies.ranges[int(supplies.range_ids[place])]


def _check_ends(supplies: Supplies, *ends: End | None) -> None:
    for end in ends:
        if end is not None and end.source == "supply":
            place_of(supplies, end.id, "material")


def _check_piece(said: PieceSaid, supplies: Supplies) -> None:
    _check_ends(supplies, said.get("material"))
    if inked := said.get("inked"):
        _check_pad(inked.colour, supplies, "inked")


def _check_materials(change: SetColouring, supplies: Supplies) -> None:
    """The paper is cardstock, and the line's range an ink."""
    line = change.settings.get("line_range")
    _check_cardstock(change.settings.get("paper"), supplies)
    if line is not None and not _is_line(supplies.ranges.get(line)):
        raise BadInput(
            Problem("Lines are stamped with a range of pads, or written with gel pens.", field="line_range")
        )


def _check_ground(change: SetGround, supplies: Supplies) -> None:
    """Pads are pads, and what they lie on is cardstock."""
    mat, settings = change.settings.get("mat"), change.settings
    pads = [one.colour for one in settings.get("pads", ())]
    pads += [one.colour for one in settings.get("effects", ()) if one.colour is not None]
    for pk in [*pads, mat.colour] if mat else pads:
        _check_pad(pk, supplies, "pads")
    _check_cardstock(settings.get("paper"), supplies)
    _check_cardstock(mat.paper if mat else None, supplies)


def _check_pad(pk: int, supplies: Supplies, field: str) -> None:
    facts = _range(supplies, place_of(supplies, pk, field))
    if facts.medium not in PAD_MEDIA:
        raise BadInput(
            Problem(
                f"{facts.name} is {facts.medium}, and card is inked with ink pads.",
                field=field,
                value=facts.name,
                expected=", ".join(PAD_MEDIA),
            )
        )


def _check_cardstock(pk: int | None, supplies: Supplies) -> None:
    if pk is None:
        return
    facts = _range(supplies, place_of(supplies, pk, "paper"))
    if not facts.medium.traits.stock:
        raise BadInput(
            Problem(
                f"{facts.name} is {facts.medium}: what is coloured or inked is cardstock.",
                field="paper",
                value=facts.name,
                expected="a colour of a cardstock range",
            )
        )
