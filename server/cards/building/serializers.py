"""What the API of how a card is built takes and gives."""

from typing import Any

from rest_framework import serializers

from jindle_core import figures
from jindle_core.card.changes import build as build_changes
from jindle_core.cutting.grain import Grain
from jindle_core.errors import BadInput, Problem
from jindle_core.layers.folding import Fold
from jindle_core.layers.making import Making
from jindle_core.layers.pieces import Across, Down, InkedOver, Kind, Opening, Raised
from jindle_core.layers.shapes import Shape, Side
from jindle_core.lengths import OF_ENVELOPES, OF_PIECES, Size, read_length, read_offset, read_size
from jindle_core.prediction.behaviour import Hand
from server.cards.building.arranging_serializers import ARRANGE_CHANGES
from server.cards.change_serializers import ChangeSerializer, kind_field
from server.cards.serializers import (
    FOLD_CHOICES,
    UNIT_CHOICES,
    EndSerializer,
    MaterialSerializer,
)
from server.catalogue.models import HAND_CHOICES

GRAIN_CHOICES = [(one.value, one.value) for one in Grain]
PIECE_CHOICES = [(one.value, one.value) for one in Kind]
RAISED_CHOICES = [(one.value, one.value) for one in Raised]
ACROSS_CHOICES = [(one.value, one.value) for one in Across]
DOWN_CHOICES = [(one.value, one.value) for one in Down]
SHAPE_CHOICES = [(one.value, one.value) for one in Shape]
MADE_CHOICES = [(one.value, one.value) for one in Making]
SIDE_CHOICES = [(one.value, one.value) for one in Side]


# --- What it takes.


class InkedOverSerializer(serializers.Serializer):
    """A pad that a piece is inked with by oneself."""

    colour = serializers.IntegerField(help_text="the pad's id")
    hand = serializers.ChoiceField(choices=HAND_CHOICES, default="middle")
    coats = serializers.IntegerField(default=1, min_value=1, max_value=figures.grounds.PAD_COATS)

    def to_internal_value(self, data: Any) -> InkedOver:
        given = super().to_internal_value(data)
        return InkedOver(given["colour"], Hand(given["hand"]), given["coats"])


class OpeningRequestSerializer(serializers.Serializer):
    """What is cut out of a frame: the rim that is left (with its unit), and its shape (none: the frame's)."""

    rim = serializers.CharField(max_length=40)
    shape = serializers.ChoiceField(choices=SHAPE_CHOICES, required=False, allow_null=True, default=None)


class PatternRequestSerializer(serializers.Serializer):
    """How the pattern of a sheet lies on a piece; what is left out stays."""

    right = serializers.CharField(required=False, max_length=40, help_text="of the sheet's corner")
    below = serializers.CharField(required=False, max_length=40)
    turn = serializers.FloatField(required=False, min_value=-3600, max_value=3600)
    repeated = serializers.BooleanField(required=False, help_text="it goes on past the sheet's edges")


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
    material = MaterialSerializer(required=False)
    raised = serializers.ChoiceField(choices=RAISED_CHOICES, required=False)
    trimmed = serializers.BooleanField(required=False)
    tucked = serializers.BooleanField(required=False)
    inked = InkedOverSerializer(required=False, allow_null=True)
    white_edge = serializers.BooleanField(required=False)
    text = serializers.CharField(required=False, allow_blank=True, max_length=figures.building.WORDS_LIMIT)
    bold = serializers.BooleanField(required=False)
    picture = serializers.IntegerField(
        required=False,
        allow_null=True,
        help_text="which picture an image shows; none: the first",
    )
    mirrored = serializers.BooleanField(required=False)
    shape = serializers.ChoiceField(
        choices=SHAPE_CHOICES,
        required=False,
        allow_null=True,
        help_text="none: a sharp rectangle, or with a reveal that of what it lies on",
    )
    sides = serializers.ListField(
        child=serializers.ChoiceField(choices=SIDE_CHOICES),
        required=False,
        max_length=len(Side),
        help_text="of a border: those that are not straight",
    )
    made = serializers.ChoiceField(
        choices=MADE_CHOICES, required=False, allow_null=True, help_text="how words are made; none: not said"
    )
    stitched = serializers.BooleanField(required=False)
    opening = OpeningRequestSerializer(required=False, allow_null=True)
    turn = serializers.FloatField(
        required=False, min_value=-3600, max_value=3600, help_text="degrees, clockwise"
    )
    own = serializers.ListField(
        child=serializers.ListField(child=serializers.FloatField(), min_length=2, max_length=2),
        required=False,
        max_length=figures.building.OWN_POINTS,
        help_text="an outline of one's own: points as shares of its box, once around; empty: none",
    )
    stamped = serializers.BooleanField(required=False, help_text="a picture straight on what it lies on")
    pattern = PatternRequestSerializer(required=False)

    def told(self, given: dict[str, Any]) -> Any:
        """The fields of a piece that were given."""
        unit = given["unit"]
        found = {name: given[name] for name in _AS_GIVEN if name in given}
        if "reveal" in given:
            found["reveal"] = read_length(given["reveal"], unit, "reveal", OF_PIECES)
        if "width" in given or "height" in given:
            if not ("width" in given and "height" in given):
                raise BadInput(Problem("Give width and height together.", field="width"))
            sides = (read_length(given[side], unit, side, OF_PIECES) for side in ("width", "height"))
            found["size"] = Size(*sides)
        if given.get("shape"):
            found["shape"] = Shape(given["shape"])
        if given.get("made"):
            found["made"] = Making(given["made"])
        if "sides" in given:
            found["sides"] = tuple(Side(one) for one in given["sides"])
        if opening := given.get("opening"):
            rim = read_length(opening["rim"], unit, "rim", OF_PIECES)
            found["opening"] = Opening(rim, opening["shape"] and Shape(opening["shape"]))
        if "own" in given:
            found["own"] = tuple((x, y) for x, y in given["own"])
        if "pattern" in given:
            pattern = given["pattern"]
            offsets = {side: read_offset(pattern[side], unit, side) for side in _SIDES if side in pattern}
            found["pattern"] = pattern | offsets
        if "raised" in given:
            found["raised"] = Raised(given["raised"])
        place: dict[str, Any] = {name: kind(given[name]) for name, kind in _PLACES.items() if name in given}
        place |= {name: read_offset(given[name], unit, name) for name in _SIDES if name in given}
        return found | {"place": place} if place else found


_AS_GIVEN = (
    *("on", "material", "trimmed", "tucked", "inked", "white_edge", "text", "bold"),
    *("picture", "mirrored", "shape", "stitched", "opening", "turn", "made", "stamped"),
)
_SIDES = ("right", "below")
_PLACES = {"across": Across, "down": Down}


class AddPieceSerializer(PieceFieldsSerializer):
    """A piece: give it a reveal, or a width and a height."""

    kind = kind_field("add_piece")
    piece_kind = serializers.ChoiceField(choices=PIECE_CHOICES)
    name = serializers.CharField(max_length=figures.palettes.NAME_LIMIT)
    inside = serializers.BooleanField(default=False)

    def to_internal_value(self, data: Any) -> Any:
        given = super(ChangeSerializer, self).to_internal_value(data)
        kind = Kind(given["piece_kind"])
        return build_changes.AddPiece(kind, given["name"], self.told(given), given["inside"])


class EditPieceSerializer(PieceFieldsSerializer):
    """What is left out stays."""

    kind = kind_field("edit_piece")
    key = serializers.IntegerField()
    piece_kind = serializers.ChoiceField(choices=PIECE_CHOICES, required=False)
    name = serializers.CharField(required=False, max_length=figures.palettes.NAME_LIMIT)

    def to_internal_value(self, data: Any) -> Any:
        given = super(ChangeSerializer, self).to_internal_value(data)
        told = self.told(given)
        if "name" in given:
            told["name"] = given["name"]
        if "piece_kind" in given:
            told["kind"] = Kind(given["piece_kind"])
        return build_changes.EditPiece(given["key"], told)


class NudgePieceSerializer(ChangeSerializer):
    makes = build_changes.NudgePiece
    kind = kind_field("nudge_piece")
    key = serializers.IntegerField()
    right = serializers.FloatField(min_value=-610, max_value=610, help_text="mm; negative: to the left")
    below = serializers.FloatField(min_value=-610, max_value=610, help_text="mm; negative: upwards")


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


class EnvelopeSerializer(serializers.Serializer):
    """An envelope as typed."""

    width = serializers.CharField(max_length=40)
    height = serializers.CharField(max_length=40)
    unit = serializers.ChoiceField(choices=UNIT_CHOICES)

    def to_internal_value(self, data: Any) -> Size:
        given = super().to_internal_value(data)
        return read_size(given["width"], given["height"], given["unit"], OF_ENVELOPES)


class PutOnStripSerializer(ChangeSerializer):
    makes = build_changes.PutOnStrip
    kind = kind_field("put_on_strip")
    key = serializers.IntegerField()
    material = EndSerializer()


class SetBuildSerializer(ChangeSerializer):
    """How it is folded and posted; what is left out stays."""

    kind = kind_field("set_build")
    fold = serializers.ChoiceField(choices=FOLD_CHOICES, required=False)
    base = EndSerializer(required=False)
    ground_on = serializers.IntegerField(required=False, allow_null=True, help_text="the key of its piece")
    envelope = EnvelopeSerializer(required=False, allow_null=True)
    post_limit = serializers.FloatField(required=False, allow_null=True, min_value=0.1, max_value=100)

    def to_internal_value(self, data: Any) -> Any:
        given: Any = dict(super(ChangeSerializer, self).to_internal_value(data))
        given.pop("kind")
        if "fold" in given:
            given["fold"] = Fold(given["fold"])
        return build_changes.SetBuild(given)


BUILD_CHANGES: dict[str, type[ChangeSerializer]] = {
    "add_piece": AddPieceSerializer,
    "edit_piece": EditPieceSerializer,
    "nudge_piece": NudgePieceSerializer,
    "remove_piece": RemovePieceSerializer,
    "move_piece": MovePieceSerializer,
    "start_layout": StartLayoutSerializer,
    "set_build": SetBuildSerializer,
    "put_on_strip": PutOnStripSerializer,
    **ARRANGE_CHANGES,
}


class OutlineFileSerializer(serializers.Serializer):
    """An SVG file with one closed outline, and how wide it is to be where the file does not say."""

    file = serializers.FileField(allow_empty_file=True)
    width = serializers.CharField(max_length=40)
    unit = serializers.ChoiceField(choices=UNIT_CHOICES)


# --- What it gives.
