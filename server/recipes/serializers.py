"""What the API of travelling recipes takes and gives."""

from rest_framework import serializers

from jindle_core import figures
from server.recipes.models import TOKEN


class RecipeSourceSerializer(serializers.Serializer):
    """A recipe, as a file or by its link, and of what it is to be made: the drawer alone, or all."""

    file = serializers.FileField(required=False)
    token = serializers.CharField(required=False, max_length=TOKEN)
    owned = serializers.BooleanField(
        allow_null=True,
        default=None,
        help_text="of the drawer alone; none: what is behind a link, if there is anything in the drawer",
    )

    def validate(self, attrs: dict) -> dict:
        """One of the two."""
        if ("file" in attrs) == ("token" in attrs):
            raise serializers.ValidationError({"file": "Choose the file of a recipe, or say its link."})
        if "file" in attrs and attrs["owned"] is None:
            return attrs | {"owned": False}  # it may be one's own, come home
        return attrs


class StartFromSerializer(RecipeSourceSerializer):
    """The same, and what the card is to be called."""

    name = serializers.CharField(max_length=figures.palettes.NAME_LIMIT)
