"""How does the colouring of a card's pictures stand? What several areas have in common is said once."""

from collections.abc import Callable, Hashable, Iterable, Iterator, Sequence
from dataclasses import replace
from functools import partial
from itertools import combinations

from jindle_core import figures
from jindle_core.card.changes.pictures import AreaFamily, SetFamilies
from jindle_core.card.pictures import Area
from jindle_core.card.whole import Card
from jindle_core.checked.build import Examined
from jindle_core.checked.check import Check, Mend
from jindle_core.checked.covering import by_what
from jindle_core.checked.shading import proposed
from jindle_core.checks.finding import Finding, Status
from jindle_core.checks.ids import Bare, CheckId, Conflicts, Covers, OnFamily, SamePens
from jindle_core.errors import BadInput
from jindle_core.families.recipes import Thing
from jindle_core.seen.colouring import Coloured
from jindle_core.shown import percent, shown


def colouring_checks(pictures: Iterable[Coloured], examined: Examined) -> Iterator[Check]:
    """Of each picture: materials, families, areas that are covered, and those that nobody coloured."""
    pictures = tuple(pictures)
    yield from _same_pens(pictures[0].palette.card) if pictures else ()
    for coloured in pictures:
        yield from _of_materials(coloured)
        yield from _of_families(coloured)
        if examined.stack.where.build.every:
            yield from _needless(coloured, examined)
        yield from _bare(coloured, examined)


def _where(coloured: Coloured) -> str:
    return f" in {coloured.picture.name}" if len(coloured.palette.card.pictures) > 1 else ""


def _of_materials(coloured: Coloured) -> Iterator[Check]:
    for one in coloured.conflicts:
        figure, limit = _measured(coloured, one.key)
        finding = Finding(one.status, figure, limit, one.why)
        conflict = Conflicts(coloured.picture.key, one.key)
        yield Check("colouring", conflict, one.title + _where(coloured), finding, one.ways)


def _measured(coloured: Coloured, conflict: str) -> tuple[str, str]:
    """The figure of a conflict and its limit, where it has one."""
    used = coloured.used
    limits = {"feathers": used.surface.most_layers, "wears": used.surface.wet_layers}
    if conflict not in limits:
        return "", ""
    return f"{used.strokes} wet strokes over one another", f"at most {limits[conflict]}"


def _of_families(coloured: Coloured) -> Iterator[Check]:
    """Each family as often as it is found otherwise: of a darker glaze, or for another colour."""
    card = coloured.palette.card
    judged = [
        (area, found)
        for area in coloured.areas
        # What has its family from elsewhere is judged there.
        if area.like is None or card.picture_of(area.like).paper != coloured.picture.paper
        if (found := coloured.judgement(area)) is not None
    ]
    causes = {area.key: (area.family, found) for area, found in judged}
    for head, areas in _together([area for area, _ in judged], causes.__getitem__, OnFamily, card):
        _, found = causes[head.key]
        status = Status.LOOK_AGAIN if found.faults else Status.HOLDS
        reason = "; ".join(dict.fromkeys(fault.words for fault in found.faults or found.hints))
        figure = f"ΔL* {shown(found.span, found.wanted)} in all"
        finding = Finding(status, figure, f"ΔL* {found.wanted:.0f} and even steps", reason)
        title = f"Family of {_named(head, areas)}{_where(coloured)}"
        mends = partial(_to_shade, coloured, areas if found.faults else ())
        yield Check("colouring", OnFamily(head.key), title, finding, to_mend=mends)


def _to_shade(coloured: Coloured, areas: Sequence[Area]) -> list[Mend]:
    """A family that holds for all of them, out of the drawer where that has one."""
    for owned in (True, False) if areas else ():
        try:
            made = proposed([coloured], [area.key for area in areas], owned)
        except BadInput:
            continue
        card, supplies = made.apply(coloured.palette.card), coloured.palette.supplies
        after = replace(coloured, palette=replace(coloured.palette, card=card))
        after = replace(after, picture=card.picture(coloured.picture.key))
        judged = [after.judgement(after.area(area.key)) for area in areas]
        if len(made.families) == len(areas) and all(one is None or one.holds for one in judged):
            longest = max(made.families, key=lambda one: len(one.colours))
            labels = ", ".join(supplies.rows[supplies.places[pk]].label for pk in longest.colours)
            span = max((one.span for one in judged if one is not None), default=0.0)
            return [Mend(f"shade {_named(areas[0], areas)} in {labels}", f"ΔL* {span:.0f} in all", made)]
    return []


def _same_pens(card: Card) -> Iterator[Check]:
    """Palette colours whose areas are shaded with the very same tones: on the card they are one colour."""
    families = {colour.key: card.families_in(colour.key) for colour in card.colours}
    for one, other in combinations(card.colours, 2):
        both = families[one.key] & families[other.key]
        if both:
            longest = max(both, key=len)
            reason = "on the card they are one: give one of them another family"
            finding = Finding(Status.LOOK_AGAIN, f"{len(longest)} tones", "", reason)
            title = f"{one.name} and {other.name} land on the same tones"
            yield Check("colouring", SamePens(one.key, other.key), title, finding)


def _needless(coloured: Coloured, examined: Examined) -> Iterator[Check]:
    """Areas that are coloured although other pieces cover them."""
    covered, card = examined.covered, coloured.palette.card
    areas = [area for area in coloured.areas if area.key in covered.needless and area.family]

    def over(area: Area) -> str:
        one = covered.of_pictures[area.key]
        return by_what(examined, covered.over(one.piece, one.lies))

    causes = {area.key: over(area) for area in areas}
    for head, alike in _together(areas, lambda key: causes[key], Covers, card):
        least = min(1 - covered.of_pictures[area.key].shows for area in alike)
        figure = f"{percent(least, figures.building.COVERED)} covered"
        what = "it" if len(alike) == 1 else "them"
        finding = Finding(Status.LOOK_AGAIN, figure, "", f"leave {what} uncoloured")
        title = f"{_named(head, alike)} under {causes[head.key]}"
        yield Check("colouring", Covers(head.key), title, finding, to_mend=partial(_to_leave, card, alike))


def _to_leave(card: Card, areas: Sequence[Area]) -> list[Mend]:
    """Without their colours, those after which none are coloured."""
    followed = {one.like for one in card.areas}
    left = [area for area in areas if area.key not in followed]
    if not left:
        return []
    bare = SetFamilies(tuple(AreaFamily(area.key, ()) for area in left))
    return [Mend(f"leave {_named(left[0], left)} uncoloured", "nothing to lay", bare)]


def _bare(coloured: Coloured, examined: Examined) -> Iterator[Check]:
    """The areas of a picture that have no colour, if any show: what is left white is said to be."""
    built = examined.stack.where.build.every
    on_card = examined.covered.of_pictures if built else None
    needless = examined.covered.needless if built else frozenset[int]()
    bare = [
        area
        for area in coloured.areas
        if not area.family and area.thing is not Thing.WHITE and area.key not in needless
        if on_card is None or area.key in on_card
    ]
    if bare:
        one = len(bare) == 1
        names = f"{bare[0].name} has" if one else f"{len(bare)} areas of {coloured.picture.name} have"
        figure = f"{len(bare)} of {len(coloured.areas)} areas"
        finding = Finding(Status.LOOK_AGAIN, figure, "", f"leave {'it' if one else 'them'} white?")
        yield Check("colouring", Bare(coloured.picture.key), f"{names} no colour", finding)


def _together(
    areas: Iterable[Area],
    cause: Callable[[int], Hashable],
    check: Callable[[int], CheckId],
    card: Card,
) -> Iterator[tuple[Area, list[Area]]]:
    """Areas by their cause, with the one that names their check: one that was let be, else the first."""
    alike: dict[Hashable, list[Area]] = {}
    for area in areas:
        alike.setdefault(cause(area.key), []).append(area)
    for found in alike.values():
        let_be = (area for area in found if card.waiver(str(check(area.key))))
        yield next(let_be, found[0]), found


def _named(head: Area, areas: Sequence[Area]) -> str:
    return head.name if len(areas) == 1 else f"{head.name} and {len(areas) - 1} more"
