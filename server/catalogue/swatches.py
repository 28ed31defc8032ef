"""A colour as every screen gets it, and how near it is to another."""

from collections.abc import Sequence
from typing import Any

from rest_framework import serializers

from jindle_core.matching.verdicts import Verdict, combined, direction, judge
from jindle_core.media import FORM, Form
from jindle_core.supplies.colours import Supplies
from server.catalogue.models import FULLNESS_CHOICES, MEDIUM_CHOICES, PROVENANCE_CHOICES

PROVENANCE_WORDS = dict(PROVENANCE_CHOICES)
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
    label = serializers.CharField(help_text="the code or, where the range has none, the name")
    family = serializers.CharField()
    range_id = serializers.IntegerField()
    range_name = serializers.CharField()
    medium = serializers.ChoiceField(choices=MEDIUM_CHOICES)
    form = serializers.ChoiceField(choices=[form.value for form in Form])
    lab = serializers.ListField(child=serializers.FloatField(), min_length=3, max_length=3)
    hue_name = serializers.CharField()
    provenance = serializers.ChoiceField(choices=PROVENANCE_CHOICES)
    provenance_words = serializers.CharField()
    uncertainty = serializers.FloatField()
    on_screen = serializers.BooleanField()
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


def swatch(catalogue: Supplies, place: int) -> dict[str, Any]:
    """The colour at a place of the supplies, as ``SwatchSerializer`` describes it."""
    row = catalogue.rows[place]
    facts = catalogue.ranges[row.range_id]
    code, name, provenance = row.code, row.name, catalogue.provenance(place)
    kept = catalogue.kept(place)
    second = catalogue.second_shades.get(place)
    sheet = catalogue.sheets.get((facts.id, row.family), ()) if FORM[facts.medium] is Form.SHEET else ()
    return {
        "id": row.id,
        "code": code,
        "name": name,
        "label": code or name,
        "family": row.family,
        "range_id": facts.id,
        "range_name": facts.name,
        "medium": facts.medium.value,
        "form": FORM[facts.medium].value,
        "lab": [round(value, 2) for value in catalogue.lab_at(place)],
        "hue_name": catalogue.hue_name(place),
        "provenance": provenance,
        "provenance_words": PROVENANCE_WORDS[provenance],
        "uncertainty": float(catalogue.sigma[place]),
        "on_screen": bool(catalogue.shown[place]),
        "owned": kept is not None,
        "fullness": kept.fullness if kept else None,
        "read": row.id in catalogue.settled,
        "discontinued": bool(catalogue.discontinued[place]),
        "lost": bool(catalogue.lost[place]),
        "shades": shades_of(catalogue, place),
        "second": second,
        "share": catalogue.shares.get(row.id),
        "sheet": [shades_of(catalogue, other) for other in sheet],
    }


def shades_of(catalogue: Supplies, place: int) -> dict[str, str]:
    """The colour at a place in every view."""
    return catalogue.shades[place]


def match(
    catalogue: Supplies, place: int, target: Sequence[float], sigma: float, distance: float
) -> dict[str, Any]:
    """How near the colour at a place is to a target (3,) known to ``sigma``."""
    uncertainty = combined(sigma, float(catalogue.sigma[place]))
    judged = judge(distance, uncertainty)
    return {
        "swatch": swatch(catalogue, place),
        "distance": round(distance, 2),
        "uncertainty": round(uncertainty, 2),
        "verdict": judged.verdict.value,
        "tentative": judged.tentative,
        "direction": direction(target, catalogue.lab_at(place), distance, uncertainty),
    }
