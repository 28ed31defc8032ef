"""What the API of travelling recipes takes and gives."""

from rest_framework import serializers

from jindle_core import figures
from server.cards.everywhere_serializers import FollowerSerializer, GivesWaySerializer
from server.cards.serializers import DeskSerializer
from server.recipes.models import TOKEN


class LinkSerializer(serializers.Serializer):
    """A link to a recipe: what it is called, its address in this Jindle, since when it leads there."""

    id = serializers.IntegerField()
    name = serializers.CharField()
    address = serializers.CharField()
    created = serializers.DateTimeField()


class OneLinkSerializer(serializers.Serializer):
    """The link that there is, if there is one."""

    link = LinkSerializer(allow_null=True)


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


class BroughtPictureSerializer(serializers.Serializer):
    """A picture that came with a recipe: what it shows, and itself as a data address."""

    words = serializers.CharField()
    address = serializers.CharField()


class BroughtPatternSerializer(serializers.Serializer):
    """A sheet that only its maker has, by the number that the card before names it by."""

    sheet = serializers.IntegerField()
    pictures = serializers.DictField(child=serializers.CharField(), help_text="data URLs by view")


class BroughtSerializer(serializers.Serializer):
    """A recipe as it would arrive: as its maker has it, and in one's own supplies."""

    name = serializers.CharField()
    size = serializers.CharField()
    before = DeskSerializer()
    after = DeskSerializer()
    pictures = BroughtPictureSerializer(many=True)
    patterns = BroughtPatternSerializer(many=True)
    followers = FollowerSerializer(many=True)
    same = serializers.IntegerField(help_text="how many of its supplies one has among one's own")
    supplies = serializers.IntegerField(help_text="how many supplies it names")
    held = serializers.IntegerField(help_text="checks of how it looks and is made that held")
    owned = serializers.BooleanField(help_text="it is made of the drawer alone")
    otherwise = GivesWaySerializer(many=True, help_text="what is far from what it was, or not there")
    gives_way = GivesWaySerializer(many=True, help_text="checks that held and do not then")
    lacking = serializers.ListField(
        child=serializers.CharField(),
        help_text="supplies that it would use and that are low, or not in the drawer",
    )
    drawings = serializers.ListField(
        child=serializers.CharField(), help_text="line drawings that would come along"
    )


class CardFromRecipeSerializer(serializers.Serializer):
    """The card that was started."""

    id = serializers.IntegerField()


class SharedSerializer(serializers.Serializer):
    """What a link leads to."""

    name = serializers.CharField()
    created = serializers.DateTimeField()
