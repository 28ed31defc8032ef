"""A set as the screens get it."""

from jindle_core import figures
from jindle_core.checks.finding import Status
from jindle_core.cutting.grain import Grain
from jindle_core.material import End
from jindle_core.sets.alike import alike
from jindle_core.sets.carrying import differences
from jindle_core.sets.members import Member, stuff
from jindle_core.sets.shared_sheets import SetCutting
from jindle_core.supplies.whole import Supplies
from server.access import cards_of
from server.cards.held import checked_card
from server.cards.json.cutting import sheet_told, sheets_to_cut, sized
from server.cards.json.desk import desk_told
from server.cards.models import StoredCard
from server.cards.supplies import to_buy, wanted_told
from server.errors import CannotBeShown
from server.sets.models import CardSet
from server.told.sets import Alike, Set, SetCut, SetMember, SetSheet
from server.told.sets import SetCutting as SetCuttingTold

_FEW = 12  # cards of a set of which any two are told by what they share


def readable(of: CardSet, supplies: Supplies) -> tuple[list[tuple[StoredCard, Member]], list[str]]:
    """Its cards as they are checked, in order, each under its card's id; and those that cannot be shown."""
    found, broken = list[tuple[StoredCard, Member]](), list[str]()
    for one in of.members.select_related("card"):
        one.card.owner = of.owner
        try:
            checked = checked_card(one.card, supplies, of.owner)
        except CannotBeShown:
            broken.append(one.card.name)
            continue
        found.append((one.card, Member(one.card_id, checked, one.count)))
    return found, broken


def set_told(of: CardSet, supplies: Supplies) -> Set:
    """All of it."""
    cards, broken = readable(of, supplies)
    members = [member for _, member in cards]
    stored = cards_of(of.owner).filter(pk__in=[member.key for member in members])
    return Set(
        id=of.pk,
        name=of.name,
        version=of.version,
        count=sum(member.count for member in members),
        cards=[_member(card, member, members[0]) for card, member in cards],
        broken=broken,
        alike=[
            Alike(
                first=members[one.first].key,
                second=members[one.second].key,
                shared=len(one.shared),
                names=_labels(supplies, one.shared) if len(members) <= _FEW else [],
                off=round(one.off, 1),
                words=one.words,
            )
            for one in alike(members)
        ],
        shopping=wanted_told(supplies, to_buy(stored, supplies, of.owner)),
        unit=members[0].palette.card.size.width.unit if members else of.owner.units,
        sheets=sheets_to_cut(),
        grains=list(Grain),
        most_cards=figures.sets.MOST_MEMBERS,
        most_made=figures.work.MOST_CARDS,
    )


def _labels(supplies: Supplies, ids: frozenset[int]) -> list[str]:
    """What supplies are called, with their ranges, in the order of these."""
    places = sorted(supplies.places[pk] for pk in ids if pk in supplies.places)
    rows = [supplies.rows[place] for place in places]
    return [f"{supplies.ranges[row.range_id].name} {row.label}" for row in rows]


def _member(card: StoredCard, member: Member, first: Member) -> SetMember:
    checked, palette = member.checked, member.palette
    failing = [
        one
        for one in checked.checks
        if one.finding.status is Status.FAILS and not palette.card.waiver(one.key)
    ]
    return SetMember(
        id=member.key,
        name=member.name,
        version=card.version,
        count=member.count,
        desk=desk_told(checked.desk),
        strip=[palette.end_shades(End("palette", colour.key)) for colour in palette.card.colours],
        failing=len(failing),
        differs=differences(first.checked.seen.card, checked.seen.card),
    )


def set_cutting_told(cutting: SetCutting) -> SetCuttingTold:
    """What is cut for all of it."""
    names = [one.name for one in cutting.members]
    sheets = []
    for one in cutting.sheets:
        member, end = cutting.members[one.of], one.sheet.material
        # By the supply: what a palette colour is called in one card is another colour in the next.
        supply = stuff(member.palette, end)
        words = (
            member.palette.end_words(supply)
            if isinstance(supply, End)
            else member.checked.inventory.stock_words(end)
        )
        told = sheet_told(member.palette, one.sheet, words)
        cuts = [SetCut(card=names[at], **vars(cut)) for cut, at in zip(told.cuts, one.cards, strict=True)]
        sheets.append(SetSheet(**vars(told) | {"cuts": cuts}))
    return SetCuttingTold(
        sheets=sheets,
        bound=cutting.bound,
        apart=cutting.apart,
        too_large=[
            sized(f"{name}: {piece}", size)
            for name, one in zip(names, cutting.cuttings, strict=True)
            for piece, size in one.too_large
        ],
    )
