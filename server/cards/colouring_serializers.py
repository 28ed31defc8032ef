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
from server.cards.serializers import PictureSerializer, StepSerializer
from server.catalogue.api.ranges import SURFACE_CHOICES
from server.catalogue.swatches import VERDICT_CHOICES, ShadesSerializer, SwatchSerializer

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


class FaultSerializer(serializers.Serializer):
    """What is wrong, and at which step from light to dark (none: with the whole)."""

    step = serializers.IntegerField(allow_null=True)
    words = serializers.CharField()


class JudgementSerializer(serializers.Serializer):
    """A family's steps from light to dark, and what is wrong with it."""

    span = serializers.FloatField(help_text="ΔL* lightest to darkest")
    wanted = serializers.FloatField(help_text="ΔL* that shows form with so many tones")
    lightness = serializers.ListField(child=serializers.FloatField(), help_text="ΔL* of each step")
    hue = serializers.ListField(
        child=serializers.FloatField(allow_null=True), help_text="degrees of each step; none near grey"
    )
    faults = FaultSerializer(many=True)


class OverSerializer(serializers.Serializer):
    """What is laid over a tone, and in how many layers each."""

    swatch = SwatchSerializer()
    under_layers = serializers.IntegerField()
    layers = serializers.IntegerField()


class ToneSerializer(serializers.Serializer):
    """A tone as it would look on the card's paper with the area's layers."""

    name = serializers.CharField()
    swatch = SwatchSerializer()
    shades = ShadesSerializer()
    lightness = serializers.FloatField(help_text="L*")
    uncertainty = serializers.FloatField(help_text="ΔE00")
    predicted = serializers.BooleanField()
    over = OverSerializer(allow_null=True, help_text="laid over it, dry: both together are the tone")


class AreaSerializer(serializers.Serializer):
    """A part of the picture that is coloured as one."""

    key = serializers.IntegerField()
    name = serializers.CharField()
    shape = serializers.CharField()
    covered = serializers.FloatField(
        help_text="how much other pieces cover (0–1), where nobody need colour it"
    )
    covered_by = serializers.CharField()
    like = serializers.IntegerField(allow_null=True, help_text="the key of the area that it is coloured as")
    led_by = serializers.ListField(
        child=serializers.IntegerField(), help_text="that one's key and those of all that it follows in turn"
    )
    colour = serializers.IntegerField(allow_null=True)
    thing = serializers.ChoiceField(choices=THING_CHOICES)
    extent = serializers.ChoiceField(choices=EXTENT_CHOICES)
    focal = serializers.BooleanField()
    medium = serializers.ChoiceField(choices=WITH_CHOICES)
    layers = serializers.IntegerField()
    note = serializers.CharField(help_text="how such a thing is laid")
    of_greys = serializers.BooleanField(help_text="shaded with greys, warm or cool as the palette is")
    lost = serializers.IntegerField(help_text="tones that have left the supplies")
    likeness = serializers.ChoiceField(
        choices=VERDICT_CHOICES, allow_null=True, help_text="of the nearest tone to the palette colour"
    )
    tones = ToneSerializer(many=True)
    glaze = ToneSerializer(allow_null=True, help_text="the darkest tone with a neutral laid over it")
    judgement = JudgementSerializer(allow_null=True)
    order = StepSerializer(many=True)
    edge = serializers.IntegerField(allow_null=True, help_text="the tone that hides a white cut edge")


class NamedSerializer(serializers.Serializer):
    """A choice and its words."""

    key = serializers.CharField()
    words = serializers.CharField()


class LineRangeSerializer(serializers.Serializer):
    """A range that lines are stamped or written with."""

    id = serializers.IntegerField()
    name = serializers.CharField()


class ColouredPictureSerializer(serializers.Serializer):
    """How a picture of the card is coloured."""

    key = serializers.IntegerField()
    name = serializers.CharField()
    drawing = serializers.IntegerField(allow_null=True)
    paper = SwatchSerializer(allow_null=True)
    surface = serializers.CharField()
    surface_said = serializers.BooleanField(help_text="of this card, not by the paper's range")
    wet_layers = serializers.IntegerField(help_text="that the paper takes before it feathers")
    wet_strokes = serializers.IntegerField(help_text="over one another, at the busiest join of its families")
    light = serializers.ChoiceField(choices=FROM_CHOICES)
    dark_first = serializers.BooleanField()
    line = serializers.CharField()
    line_range = serializers.IntegerField(allow_null=True)
    finishes = serializers.ListField(child=serializers.CharField())
    areas = AreaSerializer(many=True)
    sessions = StepSerializer(many=True, help_text="to areas that share a family")
    cautions = serializers.ListField(child=serializers.CharField())
    greys = serializers.CharField(help_text="the greys that go with the palette: warm or cool")


class ColouringSerializer(serializers.Serializer):
    """How the card's pictures are coloured, and what there is to choose from."""

    pictures = ColouredPictureSerializer(many=True)
    lines = NamedSerializer(many=True)
    line_ranges = LineRangeSerializer(many=True)
    all_finishes = NamedSerializer(many=True)
    most_pictures = serializers.IntegerField()


class OfferedToneSerializer(serializers.Serializer):
    """A tone that could be chosen."""

    swatch = SwatchSerializer()
    shades = ShadesSerializer()


class OfferedFamilySerializer(serializers.Serializer):
    """A family that could be chosen, light to dark."""

    kept = serializers.ChoiceField(
        choices=("whole", "relaxed", "best"), help_text="which limits it keeps: the usual, the wide, or none"
    )
    tones = OfferedToneSerializer(many=True)
    judgement = JudgementSerializer()


class FamilyMendSerializer(serializers.Serializer):
    """A tone that would help; ``family`` is what the family would be, none for a glaze over the darkest."""

    words = serializers.CharField()
    family = serializers.ListField(child=serializers.IntegerField(), allow_null=True)
    swatch = SwatchSerializer()
    shades = ShadesSerializer()


class OffersSerializer(serializers.Serializer):
    """What can be chosen for an area."""

    wanted = serializers.IntegerField(help_text="how many tones its size and importance want")
    families = OfferedFamilySerializer(many=True)
    mends = FamilyMendSerializer(many=True)


class OnPaperSerializer(serializers.Serializer):
    """The picture on another paper."""

    paper = SwatchSerializer(allow_null=True)
    words = serializers.CharField()
    uncertainty = serializers.FloatField(help_text="one sigma of its least known tone, in ΔE00")
    picture = PictureSerializer(allow_null=True)
