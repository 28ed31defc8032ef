"""The API of colourways: the same card in other colours."""

from collections.abc import Iterator
from dataclasses import replace
from typing import Any

from django.http import StreamingHttpResponse
from drf_spectacular.utils import extend_schema
from rest_framework import status
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core import figures
from jindle_core.card.changes.palette import checked_name
from jindle_core.card.references import named
from jindle_core.colorimetry.views import shades
from jindle_core.families.recipes import Thing
from jindle_core.sets.colourways import BOLDNESS, KEEPS_HUE, Colourway, Colourways, Wanted, holdable
from jindle_core.sets.schemes import Scheme, SchemeKind
from jindle_core.supplies.used import shopping
from jindle_core.words import in_words
from server.access import own_card, papers_offered_to
from server.accounts.models import Person
from server.cards.held import checked_card
from server.cards.json.desk import desk_told
from server.cards.models import StoredCard
from server.cards.sheets import sheets_seen
from server.catalogue.arrays import catalogue_for
from server.requests import Request
from server.sets.actions import take_colourway
from server.sets.colourways_serializers import (
    ColourwaysQuery,
    TakeQuery,
)
from server.sets.like import choices, mood_named, moods_offered
from server.streams import MEDIA_TYPE, progress
from server.told.colourways import (
    Bold,
    ColourwayChoices,
    ColourwaysLine,
    ColourwayTaken,
    Holdable,
    Keeps,
    LeftOut,
    Worded,
)
from server.told.colourways import Colourway as ColourwayTold
from server.told.everywhere import GivesWay
from server.told.made import Streamed
from server.told.schema import component

_NAMED = 4  # of what would not hold in what was left out


def _kept(one: Colourway) -> dict[str, list[str]]:
    """What it keeps, by how well."""
    found: dict[str, list[str]] = {}
    for kept in one.keeps:
        found.setdefault(kept.how, []).append(kept.words)
    return found


def _colourways(person: Person, card: StoredCard, asked: dict[str, Any]) -> Colourways:
    supplies = catalogue_for(person)
    seen = checked_card(card, supplies, person).seen
    # Only a card that shows sheets takes others.
    on_shelf = papers_offered_to(person).values_list("pk", flat=True) if seen.sheets else []
    like = (
        [mood_named(asked["like"], person, seen.palette)]
        if asked["like"]
        else moods_offered(person, seen.palette)
    )
    said = Wanted(
        frozenset(asked["held"]),
        frozenset(map(Thing, asked["things"])),
        asked["bold"],
        asked["owned"],
        tuple(like),
        only_like=bool(asked["like"]),
    )
    return Colourways(seen, said, sheets_seen(supplies, person, list(on_shelf)))


class CardColourways(APIView):
    """A card in other colours."""

    @extend_schema(responses=component(ColourwayChoices), operation_id="colourway_choices")
    def get(self, request: Request, pk: int) -> Response:
        """What of it can be held as it is, what it can go by, and how bold it can be."""
        seen = checked_card(own_card(request.user, pk), catalogue_for(request.user), request.user).seen
        shown = {seen.card.followed(area).thing for area in seen.card.areas}
        told = ColourwayChoices(
            holdable=[Holdable(**one._asdict()) for one in holdable(seen)],
            things=[Worded(value=one.value, words=words) for one, words in KEEPS_HUE.items() if one in shown],
            bold=[Bold(value=value, words=words) for value, words in BOLDNESS.items()],
            like=choices(request.user),
        )
        return Response(told)

    @extend_schema(
        request=ColourwaysQuery,
        responses={(200, MEDIA_TYPE): component(ColourwaysLine)},
        operation_id="colourways",
    )
    def post(self, request: Request, pk: int) -> StreamingHttpResponse:
        """Up to eight proposals, one by one as they are found; nothing is kept by asking."""
        given = ColourwaysQuery(data=request.data)
        given.is_valid(raise_exception=True)
        found = _colourways(request.user, own_card(request.user, pk), given.validated_data)
        return progress(_lines(found))


def _lines(found: Colourways) -> Iterator[Streamed]:
    most = figures.sets.SHOWN
    yield Streamed(share=0.05, words="turning hues")
    count = 0
    for one in found.looking():
        if one is None:  # told all the same: to whoever has left it cannot be, which ends the search
            yield Streamed(share=max(count / most, 0.05), words=f"{count} found" if count else "turning hues")
            continue
        count += 1
        yield ColourwaysLine(share=count / most, words=f"{count} found", colourway=_told(one))
    broken = [LeftOut(title=title, count=times) for title, times in found.broken.most_common(_NAMED)]
    yield ColourwaysLine(share=1.0, words=f"{count} found", broken=broken, alike=found.alike)


def _told(one: Colourway) -> ColourwayTold:
    seen = one.seen
    supplies = seen.supplies
    lacking = shopping([seen.card], supplies, seen.sheets)
    return ColourwayTold(
        scheme=one.scheme.kind.value,
        like=one.scheme.like.key if one.scheme.like else "",
        words=one.scheme.like.title if one.scheme.like else in_words(one.scheme.kind),
        turn=one.scheme.turn,
        choice=one.choice,
        desk=desk_told(one.checked.desk),
        strip=shades(one.changed),
        keeps=[Keeps(how=how, words=", ".join(words)) for how, words in _kept(one).items()],
        held=len(one.held),
        gives_way=[GivesWay(title=check.title, words=check.finding.reason) for check in one.gives_way],
        supplies=len(named(seen.card).every),
        lacking=[f"{supplies.rows[wanted.place].label} ({wanted.why})" for wanted in lacking],
    )


class TakeColourway(APIView):
    """A colourway becomes a card of its own."""

    @extend_schema(
        request=TakeQuery, responses={201: component(ColourwayTaken)}, operation_id="take_colourway"
    )
    def post(self, request: Request, pk: int) -> Response:
        """Make the card that was proposed, under a name."""
        given = TakeQuery(data=request.data)
        given.is_valid(raise_exception=True)
        asked = given.validated_data
        found = _colourways(request.user, own_card(request.user, pk), asked)
        card = own_card(request.user, pk)
        kind, like = SchemeKind(asked["scheme"]), None
        if kind is SchemeKind.AFTER:
            seen = checked_card(card, catalogue_for(request.user), request.user).seen
            like = mood_named(asked["took"], request.user, seen.palette)
        scheme = Scheme(kind, asked["turn"], asked["bold"], like)
        value = found.of(scheme, asked["choice"]).seen.card
        made, of = take_colourway(card, replace(value, name=checked_name(asked["name"])))
        return Response(ColourwayTaken(id=made.pk, set=of.pk), status.HTTP_201_CREATED)
