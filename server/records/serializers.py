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


class RecordSummarySerializer(serializers.Serializer):
    """Something that was made, for the log."""

    id = serializers.IntegerField()
    name = serializers.CharField()
    together = serializers.CharField(help_text="the set that it was made in; blank: by itself")
    made = serializers.DateField()
    count = serializers.IntegerField()
    occasion = serializers.CharField()
    person = serializers.CharField()
    picture = serializers.CharField(allow_null=True, help_text="its address; a photo where there is one")
    shades = serializers.ListField(child=serializers.CharField(), help_text="of what it was made with")


class UseSerializer(serializers.Serializer):
    """A supply that went into it."""

    label = serializers.CharField()  # type: ignore[assignment]
    range_name = serializers.CharField()
    medium = serializers.CharField()
    stage = serializers.CharField()
    hue = serializers.CharField()
    shade = serializers.CharField()
    id = serializers.IntegerField(allow_null=True, help_text="where it is among the supplies today")
    fullness = serializers.CharField(allow_null=True, help_text="where it is in the drawer")


class StepTookSerializer(serializers.Serializer):
    """How long a step took, in minutes."""

    words = serializers.CharField()
    minutes = serializers.FloatField()


class PhotoSerializer(serializers.Serializer):
    """A photo, and where it is."""

    id = serializers.IntegerField()
    address = serializers.CharField()


class MadeWithSerializer(serializers.Serializer):
    """Another record of the same set."""

    id = serializers.IntegerField()
    name = serializers.CharField()
    count = serializers.IntegerField()


class RecordSerializer(RecordSummarySerializer):
    """All of something that was made."""

    version = serializers.IntegerField()
    card = serializers.IntegerField(allow_null=True, help_text="null: it was deleted")
    others = MadeWithSerializer(many=True, help_text="that were made together with it")
    went_well = serializers.CharField()
    to_change = serializers.CharField()
    instead = UsedInsteadSerializer(many=True)
    times = StepTookSerializer(many=True)
    uses = UseSerializer(many=True)
    photos = PhotoSerializer(many=True)
    most_photos = serializers.IntegerField()


class RecordsSerializer(serializers.Serializer):
    """A page of the log."""

    records = RecordSummarySerializer(many=True)
    total = serializers.IntegerField()
    more = serializers.BooleanField()
    years = serializers.ListField(child=serializers.IntegerField())
    people = serializers.ListField(child=serializers.CharField(), help_text="for whom anything was made")
    media = serializers.ListField(child=serializers.CharField(), help_text="of which anything was used")


class SupplyUsedSerializer(serializers.Serializer):
    """How often a supply was used, and when last."""

    label = serializers.CharField()  # type: ignore[assignment]
    range_name = serializers.CharField()
    medium = serializers.CharField()
    times = serializers.IntegerField()
    last = serializers.DateField()
    shade = serializers.CharField()
    id = serializers.IntegerField(allow_null=True, help_text="where it is among the supplies today")
    fullness = serializers.CharField(allow_null=True, help_text="where it is in the drawer")


class UnusedSerializer(serializers.Serializer):
    """A supply in the drawer that went into nothing for a year."""

    id = serializers.IntegerField()
    label = serializers.CharField()  # type: ignore[assignment]
    range_name = serializers.CharField()
    last = serializers.DateField(allow_null=True, help_text="null: never")


class SuppliesUsedSerializer(serializers.Serializer):
    """What was used, and what was not."""

    used = SupplyUsedSerializer(many=True)
    unused = UnusedSerializer(many=True)


class ExportQuery(serializers.Serializer):
    """In which format."""

    kind = serializers.ChoiceField(choices=["csv", "json"])


class PhotoFileSerializer(serializers.Serializer):
    """A photo to be kept."""

    file = serializers.FileField()
