"""How are the changes that reach over a whole card written in JSON, and what is told of what it uses?"""

from typing import Any

from rest_framework import serializers

from jindle_core import figures
from jindle_core.card.changes import every
from jindle_core.card.changes.everywhere import GlazeInstead
from jindle_core.card.copies import Part
from server.cards.change_serializers import ChangeSerializer, kind_field
from server.cards.serializers import AnchorRequestSerializer, MaterialSerializer

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


class FollowQuery(AnchorRequestSerializer):
    """Which palette colour becomes what, and the ids of what stays as it is."""

    key = serializers.IntegerField()
    held = serializers.ListField(child=serializers.CharField(max_length=60), default=list, max_length=500)


class MoveQuery(serializers.Serializer):
    """Which ranges, whether of the drawer only, and the ids of what stays as it is."""

    ranges = serializers.ListField(child=serializers.IntegerField(), min_length=1, max_length=500)
    owned = serializers.BooleanField(default=False)
    held = serializers.ListField(child=serializers.CharField(max_length=60), default=list, max_length=500)


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
