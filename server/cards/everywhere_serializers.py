"""How are the changes that reach over a whole card written in JSON, and what is told of what it uses?"""

from typing import Any

from rest_framework import serializers

from jindle_core import figures
from jindle_core.card.changes import every
from jindle_core.card.changes.everywhere import GlazeInstead
from jindle_core.card.copies import Part
from jindle_core.card.references import Use
from server.cards.change_serializers import ChangeSerializer, kind_field
from server.cards.serializers import (
    STATUS_CHOICES,
    STOCKS,
    AnchorRequestSerializer,
    DeskSerializer,
    MaterialSerializer,
    MendSerializer,
)
from server.catalogue.swatches import ShadesSerializer, SwatchSerializer

PURPOSES = [(one.name.lower(), one.name.lower()) for one in every.Purpose]


class UseInsteadSerializer(ChangeSerializer):
    """Use one thing for another, everywhere or in some areas."""

    makes = dict
    kind = kind_field("use_instead")
    old = MaterialSerializer()
    new = MaterialSerializer()
    areas = serializers.ListField(
        child=serializers.IntegerField(), default=list, max_length=figures.drawings.AREAS_LIMIT
    )


class GlazeInsteadSerializer(ChangeSerializer):
    """Two colours over one another instead of a tone, in all areas or some."""

    makes = GlazeInstead
    kind = kind_field("glaze_instead")
    tone = serializers.IntegerField()
    under = serializers.IntegerField()
    colour = serializers.IntegerField()
    under_layers = serializers.IntegerField(default=1)
    layers = serializers.IntegerField(default=1)
    areas = serializers.ListField(
        child=serializers.IntegerField(), default=list, max_length=figures.drawings.AREAS_LIMIT
    )

    def to_internal_value(self, data: Any) -> Any:
        given = super(ChangeSerializer, self).to_internal_value(data)
        del given["kind"]
        return GlazeInstead(**given | {"areas": tuple(given["areas"])})


class SeveralSerializer(ChangeSerializer):
    """Several changes, as one; each as it would be sent by itself."""

    makes = dict
    kind = kind_field("several")
    purpose = serializers.ChoiceField(choices=PURPOSES)
    changes = serializers.ListField(
        child=serializers.DictField(), min_length=1, max_length=figures.palettes.CHANGES_AT_ONCE
    )

    def to_internal_value(self, data: Any) -> Any:
        given = super().to_internal_value(data)
        return given | {"purpose": every.Purpose[given["purpose"].upper()]}


EVERYWHERE_CHANGES: dict[str, type[ChangeSerializer]] = {
    "use_instead": UseInsteadSerializer,
    "glaze_instead": GlazeInsteadSerializer,
    "several": SeveralSerializer,
}


class CopySerializer(serializers.Serializer):
    """A copy: its name, and what is taken along."""

    name = serializers.CharField(max_length=figures.palettes.NAME_LIMIT)
    part = serializers.ChoiceField(choices=[(one.value, one.value) for one in Part], default=Part.WHOLE.value)


class ThingQuery(MaterialSerializer):
    """Something that the card uses."""


class UsageSerializer(serializers.Serializer):
    """A place where something is used; ``size`` where it is cut."""

    use = serializers.ChoiceField(choices=[(one.value, one.value) for one in Use])
    of = serializers.CharField()
    words = serializers.CharField()
    size = serializers.CharField()
    areas = serializers.ListField(child=serializers.IntegerField())
    piece = serializers.IntegerField(allow_null=True)
    needed = serializers.BooleanField(help_text="no where other pieces cover it")


class StockSerializer(serializers.Serializer):
    """What something is of, as it is told."""

    source = serializers.ChoiceField(choices=STOCKS)  # type: ignore[assignment]
    id = serializers.IntegerField()


class UsedSerializer(serializers.Serializer):
    """Something that the card uses, and where."""

    end = StockSerializer()
    words = serializers.CharField()
    medium = serializers.CharField()
    shades = ShadesSerializer()
    swatch = SwatchSerializer(allow_null=True)
    wanting = serializers.CharField(help_text="what is the matter with it, or nothing")
    status = serializers.ChoiceField(choices=STATUS_CHOICES)
    card = serializers.CharField(help_text="of a palette colour the card that it would be cut from")
    needed = serializers.BooleanField()
    usages = UsageSerializer(many=True)


class CoveredSerializer(serializers.Serializer):
    """An area that other pieces cover, how much of it (0–1), and by what."""

    area = serializers.IntegerField()
    picture = serializers.IntegerField()
    words = serializers.CharField()
    covered = serializers.FloatField()
    by = serializers.CharField()


class UsesSerializer(serializers.Serializer):
    """All that the card uses, and what of it shows."""

    used = UsedSerializer(many=True)
    covered = CoveredSerializer(many=True)
    ground = serializers.FloatField(allow_null=True, help_text="how much of the ground shows (0–1)")


class FollowQuery(AnchorRequestSerializer):
    """Which palette colour becomes what, and the ids of what stays as it is."""

    key = serializers.IntegerField()
    held = serializers.ListField(child=serializers.CharField(max_length=60), default=list, max_length=500)


class FollowerSerializer(serializers.Serializer):
    """One thing that follows, as it is and as it would be."""

    id = serializers.CharField()
    words = serializers.CharField()
    before = ShadesSerializer(many=True)
    after = ShadesSerializer(many=True)
    labels = serializers.ListField(child=serializers.CharField())
    held = serializers.BooleanField()
    fixed = serializers.BooleanField(help_text="whether it stays in any case")
    note = serializers.CharField()


class FollowingSerializer(serializers.Serializer):
    """A card before and after, what follows, and the change that does it (null where nothing would)."""

    before = DeskSerializer()
    after = DeskSerializer()
    followers = FollowerSerializer(many=True)
    change = serializers.JSONField(allow_null=True)
    ended = serializers.ListField(
        child=serializers.CharField(), help_text="the titles of checks that hold now and would not then"
    )
    mended = serializers.ListField(child=serializers.CharField(), help_text="and the other way round")
    unserved = serializers.ListField(
        child=serializers.CharField(), help_text="columns of the palette that none of the ranges serves"
    )


class GivesWaySerializer(serializers.Serializer):
    """A check that held and would not: its title, and what is found now."""

    title = serializers.CharField()
    words = serializers.CharField()


class MoveQuery(serializers.Serializer):
    """Which ranges, whether of the drawer only, and the ids of what stays as it is."""

    ranges = serializers.ListField(child=serializers.IntegerField(), min_length=1, max_length=500)
    owned = serializers.BooleanField(default=False)
    held = serializers.ListField(child=serializers.CharField(max_length=60), default=list, max_length=500)


class ThingInsteadSerializer(serializers.Serializer):
    """What could be used for something, everywhere."""

    mends = MendSerializer(many=True)


class PlacesQuery(serializers.Serializer):
    """What is to be taken: ``new`` for ``old``, ``under`` and ``colour`` over it for ``old``, or a family."""

    old = serializers.IntegerField(required=False, help_text="the supply whose place it takes")
    new = serializers.IntegerField(required=False)
    card = serializers.IntegerField(
        required=False, help_text="without ``old``: the card one of whose palette colours is looked for"
    )
    wanting = serializers.IntegerField(required=False, help_text="its key")
    under = serializers.IntegerField(required=False)
    colour = serializers.IntegerField(required=False)
    under_layers = serializers.IntegerField(default=1)
    layers = serializers.IntegerField(default=1)
    family = serializers.ListField(
        child=serializers.IntegerField(), required=False, max_length=figures.families.FAMILY_SIZES[1]
    )
    instead = serializers.ListField(
        child=serializers.IntegerField(), default=list, max_length=figures.families.FAMILY_SIZES[1]
    )


class PlaceSerializer(serializers.Serializer):
    """A place on a card, and what takes it there: post its ``change``."""

    words = serializers.CharField()
    change = serializers.DictField()


class CardPlacesSerializer(serializers.Serializer):
    """A card where it can be taken, its version, and the places."""

    id = serializers.IntegerField()
    name = serializers.CharField()
    version = serializers.IntegerField()
    places = PlaceSerializer(many=True)
