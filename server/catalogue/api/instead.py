"""The API of what to use instead of a colour, and of families in other ranges."""

from collections.abc import Sequence
from typing import Any

import numpy as np
from drf_spectacular.utils import extend_schema
from rest_framework import serializers
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core import figures
from jindle_core.colorimetry.views import shades
from jindle_core.families.convert import convert
from jindle_core.matching.verdicts import combined, direction, judge
from jindle_core.media import COLUMN_OF, Medium
from jindle_core.supplies.colours import Supplies, is_transparent
from server.access import colours_seen_by, one, ranges_seen_by
from server.catalogue.api.targets import place_of
from server.catalogue.arrays import catalogue_for
from server.catalogue.inked import inked_cards
from server.catalogue.models import Colour
from server.catalogue.swatches import (
    VERDICT_CHOICES,
    MatchSerializer,
    ShadesSerializer,
    SwatchSerializer,
    match,
    swatch,
)

_NEAREST = 4
_GLAZES = 3


class PredictedSerializer(serializers.Serializer):
    """A colour that is predicted, not read, and how near it would be."""

    lab = serializers.ListField(child=serializers.FloatField())
    shades = ShadesSerializer()
    distance = serializers.FloatField(help_text="ΔE00")
    uncertainty = serializers.FloatField(help_text="ΔE00, of target and prediction combined")
    verdict = serializers.ChoiceField(choices=VERDICT_CHOICES)
    tentative = serializers.BooleanField()
    direction = serializers.CharField()
    gain = serializers.FloatField(help_text="ΔE00 nearer than the nearest single colour that is owned")


class GlazeSerializer(PredictedSerializer):
    """One owned colour laid over another."""

    under = SwatchSerializer()
    over = SwatchSerializer()
    under_layers = serializers.IntegerField()
    over_layers = serializers.IntegerField()


class InkedSerializer(PredictedSerializer):
    """An owned white card inked whole with an owned pad."""

    pad = SwatchSerializer()
    card = SwatchSerializer()
    hand = serializers.CharField()


class InsteadSerializer(serializers.Serializer):
    """What can be used instead of a colour, from what the person owns."""

    swatch = SwatchSerializer()
    wanting = serializers.CharField(help_text="why something else is wanted; empty where nothing is amiss")
    nearest = MatchSerializer(many=True)
    glazes = GlazeSerializer(many=True)
    glaze_note = serializers.CharField(help_text="why there is no glaze, where there is none")
    inked = InkedSerializer(many=True)
    ink_note = serializers.CharField(help_text="why no card is inked, where none is")


class ConvertRequestSerializer(serializers.Serializer):
    """A family and the range it is wanted in."""

    colours = serializers.ListField(child=serializers.IntegerField(), max_length=20)
    range = serializers.IntegerField()
    owned = serializers.BooleanField(default=False)


class StepSerializer(serializers.Serializer):
    """A step from one tone to the next darker one: ΔL* here and there."""

    here = serializers.FloatField()
    there = serializers.FloatField()
    gives_way = serializers.BooleanField()


class ConvertedSerializer(serializers.Serializer):
    """A family side by side with the one that corresponds to it."""

    tones = SwatchSerializer(many=True)
    found = MatchSerializer(many=True)
    steps = StepSerializer(many=True)
    mean = serializers.FloatField(allow_null=True, help_text="mean ΔE00 of the family found")
    separate = serializers.FloatField(allow_null=True, help_text="mean ΔE00 of separate nearest ones")
    note = serializers.CharField()


class Instead(APIView):
    """What to use instead of a colour."""

    @extend_schema(responses=InsteadSerializer, operation_id="instead")
    def get(self, request: Request, pk: int) -> Response:
        """The nearest owned, the best glazes of two owned, and for card an own inked one."""
        colour: Colour = one(colours_seen_by(request.user), pk=pk)
        catalogue = catalogue_for(request.user)
        place = place_of(catalogue, colour.pk)
        nearest = _nearest(catalogue, place)
        best = nearest[0]["distance"] if nearest else np.inf
        glazes, glaze_note = _glazes(catalogue, place, best)
        inked, ink_note = _inked(catalogue, place, best)
        return Response(
            {
                "swatch": swatch(catalogue, place),
                "wanting": _wanting(catalogue, place),
                "nearest": nearest,
                "glazes": glazes,
                "glaze_note": glaze_note,
                "inked": inked,
                "ink_note": ink_note,
            }
        )


def _wanting(catalogue: Supplies, place: int) -> str:
    kept = catalogue.kept(place)
    if kept is None:
        return (
            "discontinued, and not in your drawer" if catalogue.discontinued[place] else "not in your drawer"
        )
    return {"dry": "dry", "low": "running low"}.get(kept.fullness, "")


def _medium(catalogue: Supplies, place: int) -> Medium:
    return catalogue.ranges[catalogue.rows[place].range_id].medium


def _nearest(catalogue: Supplies, place: int) -> list[dict]:
    """The nearest usable colours of the media that do the same work."""
    column = COLUMN_OF.get(_medium(catalogue, place))
    places = catalogue.of_media((_medium(catalogue, place),)) if column is None else catalogue.columns[column]
    places = places[catalogue.usable[places] & (places != place)]
    target, sigma = catalogue.lab_at(place), float(catalogue.sigma[place])
    (found,) = catalogue.nearest(np.array([target]), _NEAREST, places)
    return [
        match(catalogue, int(at), target, sigma, float(distance))
        for at, distance in zip(found.indices, found.distances, strict=True)
    ]


def _predicted(
    catalogue: Supplies, place: int, lab: tuple, distance: float, sigma: float, best: float
) -> dict[str, Any]:
    target = catalogue.lab_at(place)
    uncertainty = combined(sigma, float(catalogue.sigma[place]))
    judged = judge(distance, uncertainty)
    return {
        "lab": [round(value, 2) for value in lab],
        "shades": shades(np.array(lab))[0],
        "distance": round(distance, 2),
        "uncertainty": round(uncertainty, 2),
        "verdict": judged.verdict.value,
        "tentative": judged.tentative,
        "direction": direction(target, lab, distance, uncertainty),
        "gain": round(min(best, 99.0) - distance, 2),
    }


def _glazes(catalogue: Supplies, place: int, best: float) -> tuple[list[dict], str]:
    medium = _medium(catalogue, place)
    medium = medium if is_transparent(medium) else Medium.ALCOHOL_MARKER
    table, places = catalogue.glazes(medium)
    if len(places) < 2:
        return [], f"A glaze takes two colours of {medium.value} in the drawer."
    here = np.flatnonzero(places == place)
    own = int(here[0]) if len(here) else None
    found = [
        glaze
        for glaze in table.best(np.array(catalogue.lab_at(place)), _GLAZES, own)
        if best - glaze.distance >= figures.laying.GLAZE_GAIN and glaze.distance <= figures.palettes.HOLE
    ]
    if not found:
        return [], "No two of what you own come nearer than one alone by enough to be worth it."
    return [
        {
            "under": swatch(catalogue, int(places[glaze.under])),
            "over": swatch(catalogue, int(places[glaze.over])),
            "under_layers": glaze.under_layers,
            "over_layers": glaze.over_layers,
            **_predicted(catalogue, place, glaze.lab, glaze.distance, figures.laying.GLAZE_SIGMA, best),
        }
        for glaze in found
    ], ""


def _inked(catalogue: Supplies, place: int, best: float) -> tuple[list[dict], str]:
    if _medium(catalogue, place) is not Medium.CARDSTOCK:
        return [], ""
    found = inked_cards(catalogue, catalogue.lab_at(place))
    if found is None:
        return [], "To ink your own, the drawer must hold a pad and a white card."
    return [
        {
            "pad": swatch(catalogue, one.pad),
            "card": swatch(catalogue, one.card),
            "hand": one.hand.value,
            **_predicted(catalogue, place, one.lab, one.distance, one.sigma, best),
        }
        for one in found
    ], ""


class ConvertFamily(APIView):
    """A family in another range."""

    @extend_schema(
        request=ConvertRequestSerializer, responses=ConvertedSerializer, operation_id="convert_family"
    )
    def post(self, request: Request) -> Response:
        """The colours of another range that correspond to a family as a set."""
        given = ConvertRequestSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        wanted = given.validated_data
        catalogue = catalogue_for(request.user)
        found = one(ranges_seen_by(request.user), pk=wanted["range"])
        here = [place_of(catalogue, pk, "colours") for pk in dict.fromkeys(wanted["colours"])]
        kept = catalogue.usable if wanted["owned"] else catalogue.to_be_had
        there = np.flatnonzero((catalogue.range_ids == found.pk) & kept)
        made = convert(catalogue.lab[here], catalogue.lab[there])
        if made is None:
            order = np.argsort(-catalogue.lab[here][:, 0], kind="stable")
            note = f"{found.name} holds no {len(here)} colours that run from light to dark like these."
            if wanted["owned"]:
                note = (
                    f"What you own of it holds no {len(here)} colours that run from light to dark like these."
                )
            tones = [swatch(catalogue, here[at]) for at in order]
            return Response(_converted(tones, note=note))
        tones = [here[at] for at in made.order]
        pairs = zip(tones, made.places, made.distances, strict=True)
        return Response(
            _converted(
                [swatch(catalogue, tone) for tone in tones],
                [
                    match(
                        catalogue,
                        int(there[at]),
                        catalogue.lab_at(tone),
                        float(catalogue.sigma[tone]),
                        distance,
                    )
                    for tone, at, distance in pairs
                ],
                [
                    {"here": round(step.here, 1), "there": round(step.there, 1), "gives_way": step.gives_way}
                    for step in made.steps
                ],
                round(float(np.mean(made.distances)), 2),
                round(made.nearest, 2),
            )
        )


def _converted(
    tones: list[dict],
    found: Sequence[dict] = (),
    steps: Sequence[dict] = (),
    mean: float | None = None,
    separate: float | None = None,
    note: str = "",
) -> dict[str, Any]:
    """As ``ConvertedSerializer`` describes it."""
    return {"tones": tones, "found": found, "steps": steps, "mean": mean, "separate": separate, "note": note}
