"""What the API of the inside of a card takes and gives."""

from rest_framework import serializers

from jindle_core import figures


class InsideQuery(serializers.Serializer):
    """What is to stand inside already."""

    words = serializers.CharField(
        max_length=figures.building.WORDS_LIMIT, allow_blank=True, required=False, default=""
    )
