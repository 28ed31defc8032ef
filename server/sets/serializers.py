"""What the API of sets takes and gives."""

from typing import Any

from rest_framework import serializers

from jindle_core import figures
from server.cards.building.cutting_serializers import (
    MiddleSerializer,
    SheetCutSerializer,
    SheetSerializer,
)
from server.cards.building.serializers import GRAIN_CHOICES, SheetToCutSerializer
from server.cards.serializers import UNIT_CHOICES, DeskSerializer
from server.cards.supply_api import WantedSerializer
from server.catalogue.swatches import ShadesSerializer
from server.records.models import FEW_WORDS, MANY_WORDS

_MOST = 2 * figures.sets.MOST_MEMBERS  # that are listened to, so that what is too much is said in words


def _few(child: serializers.Serializer, **how: Any) -> "serializers.ListSerializer[Any]":
    return serializers.ListSerializer(child=child, max_length=_MOST, **how)


class HowManySerializer(serializers.Serializer):
    """A card, and how many of it are made."""

    card = serializers.IntegerField()
    count = serializers.IntegerField(default=1)


class NewSetSerializer(serializers.Serializer):
    """A set: what it is called, and its cards in order."""

    name = serializers.CharField(max_length=figures.palettes.NAME_LIMIT)
    cards: "serializers.ListSerializer[Any]" = serializers.ListSerializer(child=HowManySerializer())


class ChangedSetSerializer(serializers.Serializer):
    """What of a set is to be otherwise; what is left out stays."""

    version = serializers.IntegerField(min_value=1)
    name = serializers.CharField(max_length=figures.palettes.NAME_LIMIT, required=False)
    cards: "serializers.ListSerializer[Any]" = serializers.ListSerializer(
        child=HowManySerializer(), required=False
    )


class MadeSetSerializer(serializers.Serializer):
    """The set that was made."""

    id = serializers.IntegerField()


class SetSummarySerializer(serializers.Serializer):
    """A set in the list."""

    id = serializers.IntegerField()
    name = serializers.CharField()
    cards = serializers.ListField(child=serializers.CharField(), help_text="what its cards are called")
    count = serializers.IntegerField(help_text="of all cards that are made")


class SetMemberSerializer(serializers.Serializer):
    """A card of a set as it is predicted."""

    id = serializers.IntegerField()
    name = serializers.CharField()
    version = serializers.IntegerField()
    count = serializers.IntegerField()
    desk = DeskSerializer()
    strip = ShadesSerializer(many=True, help_text="its palette, in order")
    failing = serializers.IntegerField()
    differs = serializers.ListField(
        child=serializers.CharField(), help_text="how it is built otherwise than the first"
    )


class AlikeSerializer(serializers.Serializer):
    """What two cards share, and how alike they look in greys."""

    first = serializers.IntegerField(help_text="the id of a card")
    second = serializers.IntegerField()
    shared = serializers.IntegerField(help_text="supplies that both use")
    names = serializers.ListField(child=serializers.CharField(), help_text="of these; none in large sets")
    off = serializers.FloatField(help_text="mean difference of lightness, place by place, in L*")
    words = serializers.CharField()


class SetSerializer(serializers.Serializer):
    """All of a set."""

    id = serializers.IntegerField()
    name = serializers.CharField()
    version = serializers.IntegerField()
    count = serializers.IntegerField()
    cards = SetMemberSerializer(many=True)
    broken = serializers.ListField(child=serializers.CharField(), help_text="cards that cannot be shown")
    alike = AlikeSerializer(many=True)
    shopping = WantedSerializer(many=True)
    unit = serializers.ChoiceField(choices=UNIT_CHOICES, help_text="of its first card")
    sheets = SheetToCutSerializer(many=True)
    grains = serializers.ListField(child=serializers.ChoiceField(choices=GRAIN_CHOICES))
    most_cards = serializers.IntegerField()
    most_made = serializers.IntegerField()


class CarrySerializer(serializers.Serializer):
    """A card that is to be built as the first is, with its version."""

    card = serializers.IntegerField()
    version = serializers.IntegerField(min_value=1)


class CarriedSerializer(serializers.Serializer):
    """Those cards."""

    cards: "serializers.ListSerializer[Any]" = serializers.ListSerializer(
        child=CarrySerializer(), allow_empty=False
    )


class SetCutSerializer(SheetCutSerializer):
    """A piece on a sheet, and for which card."""

    card = serializers.CharField()


class SetSheetSerializer(SheetSerializer):
    """A sheet, what is cut out of it for which card, and what is left."""

    cuts = SetCutSerializer(many=True)


class SetCuttingSerializer(serializers.Serializer):
    """What is cut for all of a set."""

    sheets = SetSheetSerializer(many=True)
    bound = serializers.IntegerField(help_text="what the pieces' area alone would need")
    apart = serializers.IntegerField(help_text="sheets that the cards would take each by itself")
    too_large = MiddleSerializer(many=True, help_text="what no such sheet holds")


class SetSaidSerializer(serializers.Serializer):
    """What a person says of a set that they made, with the version of the work on it."""

    version = serializers.IntegerField(min_value=0)
    made = serializers.DateField()
    occasion = serializers.CharField(max_length=FEW_WORDS, allow_blank=True, default="")
    person = serializers.CharField(max_length=FEW_WORDS, allow_blank=True, default="")
    went_well = serializers.CharField(max_length=MANY_WORDS, allow_blank=True, default="")
    to_change = serializers.CharField(max_length=MANY_WORDS, allow_blank=True, default="")


class SetRecordsSerializer(serializers.Serializer):
    """The records that were made."""

    ids = serializers.ListField(child=serializers.IntegerField())
