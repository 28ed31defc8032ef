"""What the API of the inside of a card takes and gives."""

from rest_framework import serializers

from jindle_core import figures
from server.cards.everywhere_serializers import GivesWaySerializer
from server.cards.serializers import DeskSerializer


class InsideQuery(serializers.Serializer):
    """What is to stand inside already."""

    words = serializers.CharField(
        max_length=figures.building.WORDS_LIMIT, allow_blank=True, required=False, default=""
    )


class LinesSerializer(serializers.Serializer):
    """How much somebody writes who writes so large."""

    hand = serializers.CharField()
    apart = serializers.FloatField(help_text="mm from line to line")
    count = serializers.IntegerField()
    words = serializers.IntegerField(help_text="on each line")


class RoomSerializer(serializers.Serializer):
    """The largest rectangle that can be written on, in mm from the top left of the inside."""

    x = serializers.FloatField()
    y = serializers.FloatField()
    width = serializers.FloatField()
    height = serializers.FloatField()
    lines = LinesSerializer(many=True)


class InsideOfferSerializer(serializers.Serializer):
    """A way for the inside to be: post the change to have it so."""

    words = serializers.CharField()
    desk = DeskSerializer()
    change = serializers.DictField()
    room = RoomSerializer()
    gives_way = GivesWaySerializer(many=True)


class InsideSerializer(serializers.Serializer):
    """How much can be written inside, and what could lie there."""

    room = RoomSerializer(allow_null=True)
    offers = InsideOfferSerializer(many=True)
