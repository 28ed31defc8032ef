"""Fields that several forms with a picture share."""

import json
from typing import Any

from rest_framework import serializers

from jindle_core.patterned.correction import PictureBox
from jindle_core.patterned.lamp import Light

LIGHT_CHOICES = [(one.value, one.value) for one in Light]


class JsonField(serializers.JSONField):
    """JSON that travels as text beside a file."""

    def to_internal_value(self, data: Any) -> Any:
        """The value; a 400 where the text is no JSON."""
        try:
            return json.loads(data) if isinstance(data, str) else data
        except ValueError:
            raise serializers.ValidationError("This is no well-formed JSON.") from None


class BoxSerializer(serializers.Serializer):
    """A part of the picture as it is shown, in its pixels."""

    left = serializers.IntegerField(min_value=0)
    top = serializers.IntegerField(min_value=0)
    width = serializers.IntegerField(min_value=1)
    height = serializers.IntegerField(min_value=1)


def box_of(given: Any) -> PictureBox:
    """A part of the picture as the core knows it; a 400 where it is none."""
    read = BoxSerializer(data=given)
    read.is_valid(raise_exception=True)
    return PictureBox(**read.validated_data)
