"""What the API of colourways takes and gives."""

from rest_framework import serializers

from jindle_core import figures
from jindle_core.families.recipes import Thing
from jindle_core.sets.colourways import KEEPS_HUE
from jindle_core.sets.schemes import SchemeKind

_MOST_HELD = 200


class ColourwaysQuery(serializers.Serializer):
    """What is held, what keeps its hue, how bold, and whether of the drawer alone."""

    held = serializers.ListField(
        child=serializers.CharField(max_length=20), default=list, max_length=_MOST_HELD
    )
    things = serializers.ListField(
        child=serializers.ChoiceField(choices=[(one.value, one.value) for one in Thing]),
        default=lambda: [one.value for one in KEEPS_HUE],
    )
    bold = serializers.FloatField(default=1.0, min_value=0.3, max_value=2.0)
    owned = serializers.BooleanField(default=False)
    like = serializers.CharField(
        max_length=40, allow_blank=True, default="", help_text="the key of what it goes by; blank: anything"
    )


class TakeQuery(ColourwaysQuery):
    """The same, which proposal is taken, and what the card is called."""

    scheme = serializers.ChoiceField(choices=[(one.value, one.value) for one in SchemeKind])
    turn = serializers.FloatField(min_value=-360, max_value=360)
    took = serializers.CharField(
        max_length=40, allow_blank=True, default="", help_text="what the proposal goes by"
    )
    choice = serializers.IntegerField(min_value=0, max_value=figures.sets.SHEETS_TRIED, default=0)
    name = serializers.CharField(max_length=figures.palettes.NAME_LIMIT)
