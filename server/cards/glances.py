"""How does each card look and stand in the list: told once, and stored until something of it is another?

A glance holds while the card, its person's supplies and habits, the drawings and the rules themselves are
what they were. A small picture of it is drawn by the client that shows it; it holds as long as the card
looks the same, whatever else has changed.
"""

import json
import logging
from collections.abc import Mapping, Sequence
from functools import lru_cache
from hashlib import sha256
from io import BytesIO
from pathlib import Path
from typing import Any

from django.db import IntegrityError, OperationalError, transaction
from django.db.models import Count, Max, Sum
from PIL import Image, UnidentifiedImageError

import jindle_core
from jindle_core.checked.whole import CheckedCard
from jindle_core.checks.finding import Status
from jindle_core.errors import BadInput, Problem
from jindle_core.material import End
from server.access import cards_of, drawings_seen_by
from server.accounts.models import Person
from server.cards.groups import Group, Order, counts, looked_for, stages
from server.cards.held import checked_card, checked_cards
from server.cards.json.desk import desk_told
from server.cards.models import Glance, StoredCard
from server.catalogue.arrays import catalogue_for, catalogue_key
from server.errors import CannotBeShown
from server.told.card import BrokenCard, CardSummary, Desk, DrawingToMake, Glances, GroupCounts, Page
from server.told.card import Glance as GlanceTold
from server.told.encoder import Encoder
from server.writes import write

log = logging.getLogger(__name__)
PAGE = 300  # cards of a page
AT_ONCE = 12  # cards that are looked at anew in one answer: with pictures in them so many take a second
_SIDE = 640  # pixels of a small picture's longer side, twice of what is shown
LARGEST = 400_000  # bytes in which such a one is sent


def listed(
    person: Person, page: int = 1, words: str = "", group: Group = Group.ALL, order: Order = Order.NEWEST
) -> Page:
    """A page of the person's cards.

    The first that are not known as they are now are looked at; of the others the last glance is told.
    """
    cards, key = looked_for(person, words, group, order), seen_as(person)
    count = cards.count()
    ids = list(cards.values_list("pk", "version")[(page - 1) * PAGE : page * PAGE])
    known = {one["card_id"]: one for one in _stored([pk for pk, _ in ids])}
    stale = [pk for pk, version in ids if not _is_so(known.get(pk), version, key)]
    fresh, broken = look(person, stale[:AT_ONCE])
    unknown = [pk for pk, _ in ids if pk not in known and pk not in fresh]
    names = dict(cards.filter(pk__in=unknown).values_list("pk", "stored__name"))
    how_far = stages(cards_of(person).filter(pk__in=[pk for pk, _ in ids]))
    found, lost = [], {one.id for one in broken}
    for pk, version in ids:
        if pk in lost or pk not in how_far:
            continue
        if pk in fresh:
            one, current = fresh[pk], True
        elif pk in known:
            one, current = known[pk] | {"version": version}, pk not in stale
        else:
            found.append(_unknown(pk, version, names.get(pk), how_far[pk]))
            continue
        found.append(CardSummary(**_told(one, person.units, current), **how_far[pk]))
    return Page(
        cards=found,
        broken=broken,
        count=count,
        more=page * PAGE < count,
        groups=GroupCounts(**counts(person)),
    )


def glances(person: Person, ids: Sequence[int]) -> Glances:
    """Some of the person's cards as they are now, with their drawing where there is no picture of it yet."""
    desks: dict[int, Desk] = {}
    fresh, broken = look(person, list(ids)[:AT_ONCE], desks)
    found, how_far = [], stages(cards_of(person).filter(pk__in=fresh))
    for pk, one in fresh.items():
        if pk not in how_far:  # deleted meanwhile
            continue
        drawing = (
            None if one["pictured"] == one["drawn"] else DrawingToMake(drawn=one["drawn"], desk=desks[pk])
        )
        found.append(GlanceTold(drawing=drawing, **_told(one, person.units, True), **how_far[pk]))
    return Glances(cards=found, broken=broken)


def look(
    person: Person, ids: Sequence[int], desks: dict[int, Desk] | None = None
) -> tuple[dict[int, dict[str, Any]], list[BrokenCard]]:
    """Glances at some cards by their ids, stored; and those cards that cannot be shown, with the reason."""
    if not ids:
        return {}, []
    supplies, key = catalogue_for(person), seen_as(person)
    pictured = {one["card_id"]: one["pictured"] for one in _stored(ids)}
    readable: list[StoredCard] = []
    fresh: dict[int, dict[str, Any]] = {}
    broken: list[BrokenCard] = []
    for card in cards_of(person).filter(pk__in=ids):
        try:
            card.value  # noqa: B018 (whether it can be read is what is asked)
            readable.append(card)
        except CannotBeShown as error:
            broken.append(_broken(card, error))
    held = len(ids) <= AT_ONCE  # those that were changed just now are known already
    found = None if held else checked_cards(readable, supplies, person)
    for at, card in enumerate(readable):
        try:
            checked = checked_card(card, supplies, person) if found is None else found[at]
            desk = desk_told(checked.desk, inside=False)
            told = _summary(checked)
        except Exception as error:
            log.exception("Card %s cannot be shown", card.pk)
            broken.append(_broken(card, CannotBeShown(error)))
            continue
        if desks is not None:
            desks[card.pk] = desk
        looked_at = {"card_id": card.pk, "version": card.version, "seen_as": key, "told": told}
        drawn = sha256(json.dumps(desk, cls=Encoder).encode()).hexdigest()
        fresh[card.pk] = looked_at | {"drawn": drawn, "pictured": pictured.get(card.pk, "")}
    _store(list(fresh.values()))
    return fresh, broken


def cannot_be_shown(person: Person) -> set[int]:
    """Those of the person's cards that cannot."""
    key = seen_as(person)
    ids = list(cards_of(person).values_list("pk", "version"))
    known = {one["card_id"]: one for one in _stored([pk for pk, _ in ids])}
    _, broken = look(person, [pk for pk, version in ids if not _is_so(known.get(pk), version, key)])
    return {one.id for one in broken}


@write
def keep_picture(card: StoredCard, drawn: str, content: bytes) -> None:
    """Keep a small picture of a card that was drawn as ``drawn`` says; BadInput for what is none."""
    glance = Glance.objects.filter(card=card).values_list("drawn", flat=True).first()
    if glance != drawn:
        raise BadInput(Problem("The card looks otherwise by now.", field="drawn", value=drawn[:40]))
    made = BytesIO()
    _small(content).save(made, "WEBP", quality=82, method=4)
    Glance.objects.filter(card=card, drawn=drawn).update(picture=made.getvalue(), pictured=drawn)


def _small(content: bytes) -> Image.Image:
    """The picture in a file that a client drew: a PNG or WebP of a small size, and nothing else."""
    if len(content) > LARGEST:
        raise BadInput(Problem("A small picture has 400 kB at most.", field="file"))
    try:
        found = Image.open(BytesIO(content), formats=("PNG", "WEBP"))
        small = max(found.size) <= _SIDE
        made = found.convert("RGBA") if small else None  # larger ones are not opened at all
    except (UnidentifiedImageError, OSError, SyntaxError, ValueError):
        raise BadInput(Problem("This is no PNG or WebP picture.", field="file")) from None
    if made is None:
        words = f"A small picture is {_SIDE} pixels at most on its longer side."
        raise BadInput(Problem(words, field="file", value=f"{found.width} × {found.height}"))
    return made


def picture_of(card: StoredCard) -> tuple[bytes, str] | None:
    """The small picture of a card as it stands, and its kind; None where none is made of it yet."""
    glance = Glance.objects.filter(card=card, version=card.version).first()
    if glance is None or glance.picture is None or glance.pictured != glance.drawn:
        return None
    return bytes(glance.picture), "image/webp"


def seen_as(person: Person) -> str:
    """What a glance depends on besides its card."""
    drawings = drawings_seen_by(person).aggregate(Count("pk"), Max("pk"), Sum("pk"))
    return sha256(repr((catalogue_key(person), person.dark_first, drawings, _rules())).encode()).hexdigest()


@lru_cache
def _rules() -> str:
    """The rules as they are written: with others a card may stand otherwise."""
    written = sha256()
    for one in sorted(Path(jindle_core.__file__).parent.rglob("*.py")):
        if "tests" not in one.parts:
            written.update(one.read_bytes())
    return written.hexdigest()


_FIELDS = ("card_id", "version", "seen_as", "told", "drawn", "pictured")


def _stored(ids: Sequence[int]) -> list[dict[str, Any]]:
    return list(Glance.objects.filter(card__in=ids).values(*_FIELDS))


def _is_so(known: Mapping[str, Any] | None, version: int, key: str) -> bool:
    return known is not None and (known["version"], known["seen_as"]) == (version, key)


def _store(fresh: Sequence[Mapping[str, Any]]) -> None:
    """They can be told again at any time: a card deleted meanwhile, or two who look at once, stop nobody."""
    told = [Glance(**{name: value for name, value in one.items() if name != "pictured"}) for one in fresh]
    renewed = ["version", "seen_as", "told", "drawn"]
    try:
        with transaction.atomic():
            Glance.objects.bulk_create(told, update_conflicts=True, update_fields=renewed)
    except (IntegrityError, OperationalError) as error:
        log.info("Glances are not stored this time: %s", error)


def _summary(checked: CheckedCard) -> dict[str, Any]:
    """What is told of a card, in both units."""
    palette = checked.seen.palette
    counted = [one.finding.status for one in checked.checks if not palette.card.waiver(one.key)]
    return {
        "name": palette.card.name,
        "sizes": {unit: palette.card.size.shown(unit)._asdict() for unit in ("in", "mm")},
        "strip": [
            {
                "key": colour.key,
                "name": colour.name,
                "shades": palette.end_shades(End("palette", colour.key)),
            }
            for colour in palette.card.colours
        ],
        "failing": counted.count(Status.FAILS),
        "doubtful": counted.count(Status.LOOK_AGAIN),
        "checks": len(counted),
    }


def _told(one: Mapping[str, Any], units: str, current: bool) -> dict[str, Any]:
    """What of a summary a glance tells."""
    told = dict(one["told"])
    sizes = told.pop("sizes")
    is_drawn = one["drawn"] == one["pictured"]
    address = f"/api/cards/{one['card_id']}/picture?drawn={one['drawn']}" if is_drawn else None
    told |= {"id": one["card_id"], "version": one["version"], "size": sizes[units]}
    return told | {"current": current, "picture": address}


def _unknown(pk: int, version: int, name: str | None, how_far: Mapping[str, Any]) -> CardSummary:
    """A card that nobody has looked at yet."""
    return CardSummary(
        id=pk,
        version=version,
        name=name or "a card without a name",
        size=None,
        strip=[],
        failing=0,
        doubtful=0,
        checks=0,
        current=False,
        picture=None,
        **how_far,
    )


def _broken(card: StoredCard, error: CannotBeShown) -> BrokenCard:
    return BrokenCard(id=card.pk, name=card.name, reason=error.reason)
