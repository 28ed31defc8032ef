"""What the API of how a card's pictures are coloured takes and gives."""

from typing import Any

from rest_framework import serializers

from jindle_core import figures
from jindle_core.card.changes import pictures as picture_changes
from jindle_core.compatibility.materials import FINISHES, LINE_INKS
from jindle_core.families.recipes import Extent, Thing
from jindle_core.families.shading import Light
from jindle_core.media.groups import PICTURE_MEDIA
from jindle_core.media.medium import Medium
from server.cards.change_serializers import ChangeSerializer, kind_field
from server.catalogue.api.ranges import SURFACE_CHOICES

THING_CHOICES = [(one.value, one.value) for one in Thing]
EXTENT_CHOICES = [(one.value, one.value) for one in Extent]
FROM_CHOICES = [(one.value, one.value) for one in Light]
WITH_CHOICES = [(one.value, one.value) for one in PICTURE_MEDIA]
LINE_CHOICES = [(key, ink.title) for key, ink in LINE_INKS.items()]
FINISH_CHOICES = list(FINISHES.items())


# --- What it takes.


def _picture_field() -> serializers.IntegerField:
    return serializers.IntegerField(
        required=False, allow_null=True, default=None, help_text="a picture's key; none: the first"
    )


class AddPictureSerializer(ChangeSerializer):
    """One more picture: of a line drawing, only a list of areas, or like one that there is (its key)."""

    makes = dict
    kind = kind_field("add_picture")
    name = serializers.CharField()
    drawing = serializers.IntegerField(required=False, allow_null=True, default=None)
    like = serializers.IntegerField(required=False, allow_null=True, default=None)


class NamePictureSerializer(ChangeSerializer):
    makes = picture_changes.NamePicture
    kind = kind_field("name_picture")
    picture = serializers.IntegerField()
    name = serializers.CharField()


class RemovePictureSerializer(ChangeSerializer):
    makes = picture_changes.RemovePicture
    kind = kind_field("remove_picture")
    picture = serializers.IntegerField()


class SetDrawingSerializer(ChangeSerializer):
    """The id of a line drawing, or none: only a list of areas."""

    makes = dict
    kind = kind_field("set_drawing")
    drawing = serializers.IntegerField(allow_null=True)
    picture = _picture_field()


class SetColouringSerializer(ChangeSerializer):
    """On what, under which light and with which materials; what is left out stays."""

    makes = dict
    kind = kind_field("set_colouring")
    picture = _picture_field()
    paper = serializers.IntegerField(required=False, allow_null=True)
    surface = serializers.ChoiceField(
        choices=SURFACE_CHOICES,
        required=False,
        allow_blank=True,
        help_text="blank: as its range says",
    )
    light = serializers.ChoiceField(choices=FROM_CHOICES, required=False)
    dark_first = serializers.BooleanField(required=False)
    line = serializers.ChoiceField(choices=LINE_CHOICES, required=False, allow_blank=True)
    line_range = serializers.IntegerField(required=False, allow_null=True)
    finishes = serializers.ListField(
        child=serializers.ChoiceField(choices=FINISH_CHOICES), required=False, max_length=len(FINISHES)
    )

    def to_internal_value(self, data: Any) -> Any:
        given = super().to_internal_value(data)
        picture = given.pop("picture")
        if "light" in given:
            given["light"] = Light(given["light"])
        if "finishes" in given:
            given["finishes"] = tuple(dict.fromkeys(given["finishes"]))
        return picture_changes.SetColouring(given, picture)


class AddAreaSerializer(ChangeSerializer):
    makes = picture_changes.AddArea
    kind = kind_field("add_area")
    name = serializers.CharField()
    extent = serializers.ChoiceField(choices=EXTENT_CHOICES, default=Extent.SMALL.value)
    picture = _picture_field()

    def to_internal_value(self, data: Any) -> Any:
        given = super(ChangeSerializer, self).to_internal_value(data)
        return picture_changes.AddArea(given["name"], Extent(given["extent"]), given["picture"])


def _keys_field() -> serializers.ListField:
    return serializers.ListField(
        child=serializers.IntegerField(), min_length=1, max_length=figures.drawings.AREAS_LIMIT
    )


class EditAreasSerializer(ChangeSerializer):
    """What is left out stays; a colour of 0 takes the colour away."""

    kind = kind_field("edit_areas")
    keys = _keys_field()
    name = serializers.CharField(required=False)
    colour = serializers.IntegerField(required=False)
    thing = serializers.ChoiceField(choices=THING_CHOICES, required=False)
    extent = serializers.ChoiceField(choices=EXTENT_CHOICES, required=False)
    focal = serializers.BooleanField(required=False)
    coloured_with = serializers.ChoiceField(choices=WITH_CHOICES, required=False)
    layers = serializers.IntegerField(required=False)
    glaze = serializers.IntegerField(required=False, help_text="a neutral over the darkest tone; 0: none")

    def to_internal_value(self, data: Any) -> Any:
        given = super(ChangeSerializer, self).to_internal_value(data)
        given.pop("kind")
        given["keys"] = tuple(dict.fromkeys(given["keys"]))
        if "coloured_with" in given:
            given["medium"] = Medium(given.pop("coloured_with"))
        for name, kind in (("thing", Thing), ("extent", Extent)):
            if name in given:
                given[name] = kind(given[name])
        return picture_changes.EditAreas(**given)


class FollowAreaSerializer(ChangeSerializer):
    """Some areas coloured as another (its key) is, or none any more."""

    kind = kind_field("follow_area")
    keys = _keys_field()
    like = serializers.IntegerField(allow_null=True)

    def to_internal_value(self, data: Any) -> Any:
        given = super(ChangeSerializer, self).to_internal_value(data)
        return picture_changes.FollowArea(tuple(given["keys"]), given["like"])


class RemoveAreaSerializer(ChangeSerializer):
    makes = picture_changes.RemoveArea
    kind = kind_field("remove_area")
    key = serializers.IntegerField()


class AreaFamilySerializer(serializers.Serializer):
    """Colours of one medium for an area; none: no family."""

    key = serializers.IntegerField()
    colours = serializers.ListField(
        child=serializers.IntegerField(), max_length=figures.families.FAMILY_SIZES[1], allow_empty=True
    )


class SetFamiliesSerializer(ChangeSerializer):
    makes = dict
    kind = kind_field("set_families")
    families = AreaFamilySerializer(many=True, max_length=figures.drawings.AREAS_LIMIT)  # type: ignore[call-arg]


COLOURING_CHANGES: dict[str, type[ChangeSerializer]] = {
    "add_picture": AddPictureSerializer,
    "name_picture": NamePictureSerializer,
    "remove_picture": RemovePictureSerializer,
    "set_drawing": SetDrawingSerializer,
    "set_colouring": SetColouringSerializer,
    "add_area": AddAreaSerializer,
    "edit_areas": EditAreasSerializer,
    "follow_area": FollowAreaSerializer,
    "remove_area": RemoveAreaSerializer,
    "set_families": SetFamiliesSerializer,
}


class ProposeSerializer(serializers.Serializer):
    """Families wanted for some areas, or for all of a picture (none: of every picture) that have none."""

    version = serializers.IntegerField()
    picture = _picture_field()
    areas = serializers.ListField(child=serializers.IntegerField(), required=False, default=list)
    owned = serializers.BooleanField(default=False)


class OfPictureQuery(serializers.Serializer):
    """Of which picture; none: the first."""

    picture = _picture_field()


class OffersQuery(serializers.Serializer):
    """Only from the drawer, and with how many tones (0: as the area wants)."""

    owned = serializers.BooleanField(default=False)
    tones = serializers.IntegerField(default=0, min_value=0, max_value=figures.families.FAMILY_SIZES[1])


# --- What it gives.
