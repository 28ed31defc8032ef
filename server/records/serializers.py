"""What the API of recipes and records takes and gives."""

from datetime import date

from rest_framework import serializers

from server.cards.planning.serializers import UsedInsteadSerializer
from server.records.models import FEW_WORDS, MANY_WORDS
from server.records.sheet import Paper


class SheetQuery(serializers.Serializer):
    """A recipe as a page, or on which paper."""

    kind = serializers.ChoiceField(choices=["html", "pdf"], default="html")
    paper = serializers.ChoiceField(choices=[(one.value, one.value) for one in Paper], default=Paper.A4.value)


class YearQuery(serializers.Serializer):
    """On which paper a year is printed."""

    paper = serializers.ChoiceField(choices=[(one.value, one.value) for one in Paper], default=Paper.A4.value)


class SaidSerializer(serializers.Serializer):
    """What a person says of what they made."""

    made = serializers.DateField()
    count = serializers.IntegerField(default=1)
    occasion = serializers.CharField(max_length=FEW_WORDS, allow_blank=True, default="")
    person = serializers.CharField(max_length=FEW_WORDS, allow_blank=True, default="")
    went_well = serializers.CharField(max_length=MANY_WORDS, allow_blank=True, default="")
    to_change = serializers.CharField(max_length=MANY_WORDS, allow_blank=True, default="")


class NewRecordSerializer(SaidSerializer):
    """The same of a card as it is, with the version of the work on it."""

    version = serializers.IntegerField(min_value=0)


class ChangedRecordSerializer(SaidSerializer):
    """The same of a record, with its version, and what was used otherwise."""

    version = serializers.IntegerField(min_value=1)
    instead = serializers.ListField(child=UsedInsteadSerializer(), max_length=100)


class RecordsQuery(serializers.Serializer):
    """What is looked for, and which page of it."""

    words = serializers.CharField(required=False, allow_blank=True, max_length=200, default="")
    label = serializers.CharField(required=False, allow_blank=True, default="")  # type: ignore[assignment]
    range = serializers.CharField(required=False, allow_blank=True, default="")
    medium = serializers.CharField(required=False, allow_blank=True, default="")
    stage = serializers.CharField(required=False, allow_blank=True, default="")
    person = serializers.CharField(required=False, allow_blank=True, default="")
    year = serializers.IntegerField(required=False, allow_null=True, min_value=1900, max_value=date.max.year)
    month = serializers.IntegerField(required=False, allow_null=True, min_value=1, max_value=12)
    page = serializers.IntegerField(required=False, min_value=1, max_value=100_000, default=1)


class ExportQuery(serializers.Serializer):
    """In which format."""

    kind = serializers.ChoiceField(choices=["csv", "json"])


class PhotoFileSerializer(serializers.Serializer):
    """A photo to be kept."""

    file = serializers.FileField()
