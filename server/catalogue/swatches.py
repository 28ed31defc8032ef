"""A colour as every screen gets it, and how near it is to another."""

from collections.abc import Sequence
from typing import Any

from rest_framework import serializers

from jindle_core.matching.verdicts import Verdict
from jindle_core.media.medium import Form
from jindle_core.supplies.matched import Match, Nearness, Swatch, match_of, swatch_of
from jindle_core.supplies.whole import Supplies
from server.catalogue.models import FULLNESS_CHOICES, MEDIUM_CHOICES, PROVENANCE_CHOICES

PROVENANCE_WORDS = dict(PROVENANCE_CHOICES)
FORM_CHOICES = [(form.value, form.value) for form in Form]
VERDICT_CHOICES = [(one.value, one.value) for one in Verdict]


class ShadesSerializer(serializers.Serializer):
    """One colour as #rrggbb in each view."""

    colour = serializers.CharField()
    greys = serializers.CharField()
    lamp = serializers.CharField()
    protan = serializers.CharField()
    deutan = serializers.CharField()
    tritan = serializers.CharField()


class SwatchSerializer(serializers.Serializer):
    """A colour of a range."""

    id = serializers.IntegerField()
    code = serializers.CharField()
    name = serializers.CharField()
    label = serializers.CharField(help_text="the code or, where the range has none, the name")  # type: ignore[assignment]
    family = serializers.CharField()
    range_id = serializers.IntegerField()
    range_name = serializers.CharField()
    medium = serializers.ChoiceField(choices=MEDIUM_CHOICES)
    form = serializers.ChoiceField(choices=FORM_CHOICES)
    lab = serializers.ListField(child=serializers.FloatField(), min_length=3, max_length=3)
    hue_name = serializers.CharField()
    provenance = serializers.ChoiceField(choices=PROVENANCE_CHOICES)
    provenance_words = serializers.CharField()
    uncertainty = serializers.FloatField()
    on_screen = serializers.BooleanField()
    wide = serializers.CharField(allow_null=True, help_text="the shade for screens that show more than sRGB")
    owned = serializers.BooleanField()
    fullness = serializers.ChoiceField(choices=FULLNESS_CHOICES, allow_null=True, help_text="in my drawer")
    read = serializers.BooleanField(help_text="the person's own reading, not the range's figure")
    discontinued = serializers.BooleanField()
    lost = serializers.BooleanField(help_text="no longer in the supplies: its range was deleted")
    shades = ShadesSerializer()
    second = ShadesSerializer(
        allow_null=True, help_text="predicted: a marker's second layer, or a pad's light hand"
    )
    share = serializers.FloatField(allow_null=True, help_text="of the sheet, for patterned paper")
    sheet = ShadesSerializer(many=True, help_text="for patterned paper: all colours of its sheet")


class MatchSerializer(serializers.Serializer):
    """How near a colour is to a target."""

    swatch = SwatchSerializer()
    distance = serializers.FloatField(help_text="ΔE00")
    uncertainty = serializers.FloatField(help_text="ΔE00, both colours combined")
    verdict = serializers.ChoiceField(choices=VERDICT_CHOICES)
    tentative = serializers.BooleanField(help_text="the uncertainty alone decided the verdict")
    direction = serializers.CharField()


def swatch(supplies: Supplies, place: int) -> dict[str, Any]:
    """The colour at a place of the supplies, as ``SwatchSerializer`` describes it."""
    return swatch_told(swatch_of(supplies, place))


def swatch_told(found: Swatch) -> dict[str, Any]:
    """A colour as ``SwatchSerializer`` describes it."""
    return found._asdict() | {
        "medium": found.medium.value,
        "form": found.form.value,
        "lab": [round(value, 2) for value in found.lab],
        "provenance_words": PROVENANCE_WORDS[found.provenance],
        "owned": found.fullness is not None,
        "sheet": list(found.sheet),
    }


def match(
    supplies: Supplies, place: int, target: Sequence[float], sigma: float, distance: float
) -> dict[str, Any]:
    """How near the colour at a place is to a target (3,) known to ``sigma``."""
    return match_told(match_of(supplies, place, target, sigma, distance))


def match_told(found: Match) -> dict[str, Any]:
    """A colour beside a target, as ``MatchSerializer`` describes it."""
    return {"swatch": swatch_told(found.swatch)} | nearness_told(found.near)


def nearness_told(near: Nearness) -> dict[str, Any]:
    """How near a colour is to a target, as ``MatchSerializer`` describes it."""
    return {
        "distance": round(near.distance, 2),
        "uncertainty": round(near.uncertainty, 2),
        "verdict": near.verdict.value,
        "tentative": near.tentative,
        "direction": near.direction,
    }
