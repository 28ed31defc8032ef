"""What the API of colourways takes and gives."""

from rest_framework import serializers

from jindle_core import figures
from jindle_core.families.recipes import Thing
from jindle_core.sets.schemes import SchemeKind
from server.cards.everywhere_serializers import GivesWaySerializer
from server.cards.serializers import DeskSerializer
from server.catalogue.swatches import ShadesSerializer

_MOST_HELD = 200


class ColourwaysQuery(serializers.Serializer):
    """What is held, what keeps its hue, how bold, and whether of the drawer alone."""

    held = serializers.ListField(
        child=serializers.CharField(max_length=20), default=list, max_length=_MOST_HELD
    )
    things = serializers.ListField(
        child=serializers.ChoiceField(choices=[(one.value, one.value) for one in Thing]),
        default=lambda: [Thing.SKIN.value],
    )
    bold = serializers.FloatField(default=1.0, min_value=0.3, max_value=2.0)
    owned = serializers.BooleanField(default=False)


class TakeQuery(ColourwaysQuery):
    """The same, which proposal is taken, and what the card is called."""

    scheme = serializers.ChoiceField(choices=[(one.value, one.value) for one in SchemeKind])
    turn = serializers.FloatField(min_value=-360, max_value=360)
    choice = serializers.IntegerField(min_value=0, max_value=figures.sets.SHEETS_TRIED, default=0)
    name = serializers.CharField(max_length=figures.palettes.NAME_LIMIT)


class HoldableSerializer(serializers.Serializer):
    """Something that can be held as it is."""

    id = serializers.CharField()
    words = serializers.CharField()
    shades = ShadesSerializer(allow_null=True)


class ColourwaySerializer(serializers.Serializer):
    """The card in other colours, as predicted."""

    scheme = serializers.CharField()
    words = serializers.CharField()
    turn = serializers.FloatField()
    choice = serializers.IntegerField()
    desk = DeskSerializer()
    strip = ShadesSerializer(many=True, help_text="its palette, in order")
    held = serializers.IntegerField(help_text="checks of how it looks and is made that held")
    gives_way = GivesWaySerializer(many=True)
    supplies = serializers.IntegerField(help_text="supplies that it uses")
    lacking = serializers.ListField(
        child=serializers.CharField(), help_text="those that are low, or not in the drawer"
    )


class ColourwaysLineSerializer(serializers.Serializer):
    """How far it has come, or one more proposal."""

    share = serializers.FloatField(required=False)
    words = serializers.CharField(required=False)
    colourway = ColourwaySerializer(required=False)


class ColourwayTakenSerializer(serializers.Serializer):
    """The card that was made of it."""

    id = serializers.IntegerField()
