"""What the API of colourways takes and gives."""

from rest_framework import serializers

from jindle_core import figures
from jindle_core.families.recipes import Thing
from jindle_core.sets.colourways import KEEPS_HUE
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


class HoldableSerializer(serializers.Serializer):
    """Something that can be held as it is."""

    id = serializers.CharField()
    words = serializers.CharField()
    shades = ShadesSerializer(allow_null=True)


class WordedSerializer(serializers.Serializer):
    """A choice, and what it is called."""

    value = serializers.CharField()
    words = serializers.CharField()


class BoldSerializer(serializers.Serializer):
    """How bold, and what that is called."""

    value = serializers.FloatField()
    words = serializers.CharField()


class GoneBySerializer(serializers.Serializer):
    """Something that a card can go by, and of which kind it is."""

    key = serializers.CharField()
    words = serializers.CharField()
    of = serializers.CharField()


class ColourwayChoicesSerializer(serializers.Serializer):
    """What can be said of colourways of a card."""

    holdable = HoldableSerializer(many=True)
    things = WordedSerializer(many=True, help_text="what may keep its hue")
    bold = BoldSerializer(many=True)
    like = GoneBySerializer(many=True)


class KeepsSerializer(serializers.Serializer):
    """What of it is kept so well."""

    words = serializers.CharField()
    how = serializers.CharField()


class ColourwaySerializer(serializers.Serializer):
    """The card in other colours, as predicted."""

    scheme = serializers.CharField()
    like = serializers.CharField(help_text="the key of the season, place, combination or paper it goes by")
    words = serializers.CharField()
    turn = serializers.FloatField()
    choice = serializers.IntegerField()
    desk = DeskSerializer()
    strip = ShadesSerializer(many=True, help_text="its palette, in order")
    keeps = KeepsSerializer(many=True)
    held = serializers.IntegerField(help_text="checks of how it looks and is made that held")
    gives_way = GivesWaySerializer(many=True)
    supplies = serializers.IntegerField(help_text="supplies that it uses")
    lacking = serializers.ListField(
        child=serializers.CharField(), help_text="those that are low, or not in the drawer"
    )


class LeftOutSerializer(serializers.Serializer):
    """A check that held and would not, and in how many that were left out."""

    title = serializers.CharField()
    count = serializers.IntegerField()


class ColourwaysLineSerializer(serializers.Serializer):
    """How far it has come, or one more proposal."""

    share = serializers.FloatField(required=False)
    words = serializers.CharField(required=False)
    colourway = ColourwaySerializer(required=False)
    broken = LeftOutSerializer(many=True, required=False, help_text="in the last line")
    alike = serializers.IntegerField(required=False, help_text="in the last line: others like these")


class ColourwayTakenSerializer(serializers.Serializer):
    """The card that was made of it, and the set that it is in."""

    id = serializers.IntegerField()
    set = serializers.IntegerField()
