"""What the API of sets takes and gives."""

from typing import Any

from rest_framework import serializers

from jindle_core import figures
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


class CarrySerializer(serializers.Serializer):
    """A card that is to be built as the first is, with its version."""

    card = serializers.IntegerField()
    version = serializers.IntegerField(min_value=1)


class CarriedSerializer(serializers.Serializer):
    """Those cards."""

    cards: "serializers.ListSerializer[Any]" = serializers.ListSerializer(
        child=CarrySerializer(), allow_empty=False
    )


class SetSaidSerializer(serializers.Serializer):
    """What a person says of a set that they made, with the version of the work on it."""

    version = serializers.IntegerField(min_value=0)
    made = serializers.DateField()
    occasion = serializers.CharField(max_length=FEW_WORDS, allow_blank=True, default="")
    person = serializers.CharField(max_length=FEW_WORDS, allow_blank=True, default="")
    went_well = serializers.CharField(max_length=MANY_WORDS, allow_blank=True, default="")
    to_change = serializers.CharField(max_length=MANY_WORDS, allow_blank=True, default="")
