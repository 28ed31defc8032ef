"""What the API of how a card is built takes and gives."""

from fractions import Fraction

from rest_framework import serializers

from jindle_core import build_changes, defaults
from jindle_core.errors import BadInput, Problem
from jindle_core.formats import Length, Limits, Size, read_length
from jindle_core.layers.folding import Fold
from jindle_core.layers.pieces import Across, Down, Kind, Raised
from server.cards.change_serializers import ChangeSerializer, kind_field
from server.cards.serializers import STATUS_CHOICES, UNIT_CHOICES, EndSerializer, EndViewSerializer

FOLD_CHOICES = [(one.value, one.value) for one in Fold]
PIECE_CHOICES = [(one.value, one.value) for one in Kind]
RAISED_CHOICES = [(one.value, one.value) for one in Raised]
ACROSS_CHOICES = [(one.value, one.value) for one in Across]
DOWN_CHOICES = [(one.value, one.value) for one in Down]
_OF_PIECES = Limits(
    Fraction(1, 2), Fraction(610), "is no measure of a piece", "1/32 to 24 in, or 0.5 to 610 mm"
)
_OFFSETS = Limits(Fraction(0), Fraction(610), "is no offset", "0 to 24 in, or 0 to 610 mm, with − before it")
_OF_SHEETS = Limits(Fraction(25), Fraction(1000), "is no size of a sheet", "1 to 39 in, or 25 to 1000 mm")


# --- What it takes.


class PieceFieldsSerializer(ChangeSerializer):
    """What can be said of a piece; lengths as they are typed, in ``unit`` where they name none."""

    unit = serializers.ChoiceField(choices=UNIT_CHOICES)
    on = serializers.IntegerField(required=False, help_text="the key of what it lies on; 0: the base")
    reveal = serializers.CharField(required=False, max_length=40)
    width = serializers.CharField(required=False, max_length=40)
    height = serializers.CharField(required=False, max_length=40)
    across = serializers.ChoiceField(choices=ACROSS_CHOICES, required=False)
    down = serializers.ChoiceField(choices=DOWN_CHOICES, required=False)
    right = serializers.CharField(required=False, max_length=40, help_text="offset; − to the left")
    below = serializers.CharField(required=False, max_length=40, help_text="offset; − upwards")
    material = EndSerializer(required=False)
    raised = serializers.ChoiceField(choices=RAISED_CHOICES, required=False)
    trimmed = serializers.BooleanField(required=False)
    tucked = serializers.BooleanField(required=False)

    def told(self, given: dict) -> dict:
        """The fields of a piece that were given."""
        unit = given["unit"]
        found = {name: given[name] for name in ("on", "material", "trimmed", "tucked") if name in given}
        if "reveal" in given:
            found["reveal"] = read_length(given["reveal"], unit, "reveal", _OF_PIECES)
        if "width" in given or "height" in given:
            if not ("width" in given and "height" in given):
                raise BadInput(Problem("Give width and height together.", field="width"))
            sides = (read_length(given[side], unit, side, _OF_PIECES) for side in ("width", "height"))
            found["size"] = Size(*sides)
        if "raised" in given:
            found["raised"] = Raised(given["raised"])
        place = {name: kind(given[name]) for name, kind in _PLACES.items() if name in given}
        place |= {name: _offset(given[name], name, unit) for name in ("right", "below") if name in given}
        return found | {"place": place} if place else found


_PLACES = {"across": Across, "down": Down}


def _offset(text: str, name: str, unit: str) -> Length:
    plain = text.strip()
    back = plain[:1] in ("-", "−")
    found = read_length(plain[1:] if back else plain, unit, name, _OFFSETS)
    return Length(-found.ticks, found.unit) if back else found


class AddPieceSerializer(PieceFieldsSerializer):
    """A piece: give it a reveal, or a width and a height."""

    kind = kind_field("add_piece")
    piece_kind = serializers.ChoiceField(choices=PIECE_CHOICES)
    name = serializers.CharField(max_length=defaults.NAME_LIMIT)

    def to_internal_value(self, data):
        given = super(ChangeSerializer, self).to_internal_value(data)
        return build_changes.AddPiece(Kind(given["piece_kind"]), given["name"], self.told(given))


class EditPieceSerializer(PieceFieldsSerializer):
    """What is left out stays."""

    kind = kind_field("edit_piece")
    key = serializers.IntegerField()
    piece_kind = serializers.ChoiceField(choices=PIECE_CHOICES, required=False)
    name = serializers.CharField(required=False, max_length=defaults.NAME_LIMIT)

    def to_internal_value(self, data):
        given = super(ChangeSerializer, self).to_internal_value(data)
        told = self.told(given)
        if "name" in given:
            told["name"] = given["name"]
        if "piece_kind" in given:
            told["kind"] = Kind(given["piece_kind"])
        return build_changes.EditPiece(given["key"], told)


class RemovePieceSerializer(ChangeSerializer):
    makes = build_changes.RemovePiece
    kind = kind_field("remove_piece")
    key = serializers.IntegerField()


class MovePieceSerializer(ChangeSerializer):
    makes = build_changes.MovePiece
    kind = kind_field("move_piece")
    key = serializers.IntegerField()
    to = serializers.IntegerField()


class StartLayoutSerializer(ChangeSerializer):
    makes = build_changes.StartLayout
    kind = kind_field("start_layout")
    layout = serializers.CharField(max_length=40)


class SetBuildSerializer(ChangeSerializer):
    """How it is folded and posted; what is left out stays."""

    kind = kind_field("set_build")
    fold = serializers.ChoiceField(choices=FOLD_CHOICES, required=False)
    base = EndSerializer(required=False)
    post_limit = serializers.FloatField(required=False, allow_null=True, min_value=0.1, max_value=100)

    def to_internal_value(self, data):
        given = dict(super(ChangeSerializer, self).to_internal_value(data))
        given.pop("kind")
        if "fold" in given:
            given["fold"] = Fold(given["fold"])
        return build_changes.SetBuild(given)


BUILD_CHANGES: dict[str, type[ChangeSerializer]] = {
    "add_piece": AddPieceSerializer,
    "edit_piece": EditPieceSerializer,
    "remove_piece": RemovePieceSerializer,
    "move_piece": MovePieceSerializer,
    "start_layout": StartLayoutSerializer,
    "set_build": SetBuildSerializer,
}


class CuttingQuery(serializers.Serializer):
    """For how many cards, out of which sheets."""

    count = serializers.IntegerField(default=1, min_value=1, max_value=defaults.SHEET_PIECES)
    width = serializers.CharField(max_length=40)
    height = serializers.CharField(max_length=40)
    unit = serializers.ChoiceField(choices=UNIT_CHOICES)

    def sheet(self) -> Size:
        """The sheet that is asked for."""
        given = self.validated_data
        sides = (read_length(given[side], given["unit"], side, _OF_SHEETS) for side in ("width", "height"))
        return Size(*sides)


# --- What it gives.


class PlacedBoxSerializer(serializers.Serializer):
    """A rectangle in mm from the upper left corner of the card, or of a sheet."""

    x = serializers.FloatField()
    y = serializers.FloatField()
    width = serializers.FloatField()
    height = serializers.FloatField()


class PieceFindingSerializer(serializers.Serializer):
    """What holds or does not hold of a piece."""

    status = serializers.ChoiceField(choices=STATUS_CHOICES)
    figure = serializers.CharField()
    limit = serializers.CharField()
    reason = serializers.CharField()


class PieceSerializer(serializers.Serializer):
    """A piece with its size and place."""

    key = serializers.IntegerField()
    kind = serializers.ChoiceField(choices=PIECE_CHOICES)
    name = serializers.CharField()
    on = serializers.IntegerField()
    size = serializers.CharField(help_text="what it is cut to, in the card's unit")
    size_shown = serializers.CharField(help_text="the same in the person's unit")
    reveal = serializers.CharField(allow_null=True)
    reveal_unit = serializers.ChoiceField(choices=UNIT_CHOICES, allow_null=True)
    across = serializers.ChoiceField(choices=ACROSS_CHOICES)
    down = serializers.ChoiceField(choices=DOWN_CHOICES)
    right = serializers.CharField(help_text="offset, or blank; − to the left")
    below = serializers.CharField(help_text="offset, or blank; − upwards")
    material = EndViewSerializer()
    raised = serializers.ChoiceField(choices=RAISED_CHOICES)
    trimmed = serializers.BooleanField()
    tucked = serializers.BooleanField()
    box = PlacedBoxSerializer()
    bottom = serializers.FloatField(help_text="mm above the card's front")
    top = serializers.FloatField()
    fit = PieceFindingSerializer()
    fits_turned = serializers.BooleanField()
    stands = PieceFindingSerializer(allow_null=True, help_text="against what it lies beside; none: hidden")
    beside = serializers.CharField(help_text="what that is")


class LayoutSerializer(serializers.Serializer):
    """A layout to start with."""

    key = serializers.CharField()
    words = serializers.CharField()


class SheetToCutSerializer(serializers.Serializer):
    """A usual sheet."""

    words = serializers.CharField()
    width = serializers.CharField()
    height = serializers.CharField()
    unit = serializers.ChoiceField(choices=UNIT_CHOICES)


class BuildSerializer(serializers.Serializer):
    """How the card is built."""

    fold = serializers.ChoiceField(choices=FOLD_CHOICES)
    base = EndViewSerializer()
    flat = serializers.CharField(help_text="the base before it is folded")
    score = serializers.CharField()
    post_limit = serializers.FloatField(allow_null=True)
    thickness = PieceFindingSerializer()
    envelope = serializers.CharField(allow_null=True, help_text="the smallest usual one; none holds it")
    pieces = PieceSerializer(many=True)
    base_thickness = serializers.FloatField(help_text="mm of one half")
    sheets = SheetToCutSerializer(many=True)
    layouts = LayoutSerializer(many=True)


class SheetCutSerializer(PlacedBoxSerializer):
    """A piece on a sheet."""

    key = serializers.IntegerField(help_text="of the piece; 0: the base")
    name = serializers.CharField()
    turned = serializers.BooleanField()


class SheetSerializer(serializers.Serializer):
    """A sheet, what is cut out of it, and what is left."""

    material = EndViewSerializer()
    width = serializers.FloatField()
    height = serializers.FloatField()
    cuts = SheetCutSerializer(many=True)
    left = PlacedBoxSerializer(many=True)
    used = serializers.FloatField(help_text="share of the sheet")


class CutPieceSerializer(serializers.Serializer):
    """A piece to be cut, so many times."""

    name = serializers.CharField()
    size = serializers.CharField()
    count = serializers.IntegerField()
    material = serializers.CharField()


class MiddleSerializer(serializers.Serializer):
    """A middle that lies hidden and can be cut out of a mat."""

    name = serializers.CharField()
    size = serializers.CharField()


class CuttingSerializer(serializers.Serializer):
    """What is cut out of which sheet."""

    pieces = CutPieceSerializer(many=True)
    middles = MiddleSerializer(many=True)
    sheets = SheetSerializer(many=True)
    bound = serializers.IntegerField(help_text="what the pieces' area alone would need")
