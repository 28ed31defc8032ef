"""How is a change of a card's palette, pairs and checks written in JSON?"""

from typing import Any

from rest_framework import serializers

from jindle_core import figures
from jindle_core.card.changes import palette as changes
from jindle_core.card.whole import Choice
from jindle_core.checks import ids as check_ids
from jindle_core.contrast.rules import PairKind
from jindle_core.media.groups import EVERY_COLUMN
from jindle_core.palettes.role import Role
from server.cards.serializers import (
    COLUMN_CHOICES,
    PAIR_CHOICES,
    ROLE_CHOICES,
    AnchorRequestSerializer,
    EndSerializer,
    SizeRequestSerializer,
)


class ChangeSerializer(serializers.Serializer):
    """A change: ``kind`` names it, the other fields are what it needs."""

    makes: type

    def to_internal_value(self, data: Any) -> Any:
        given = super().to_internal_value(data)
        given.pop("kind")
        return self.makes(**given)


def kind_field(name: str) -> serializers.ChoiceField:
    """The field that names a change."""
    return serializers.ChoiceField(choices=[name])


class SetCardSerializer(ChangeSerializer):
    makes = changes.SetCard
    kind = kind_field("set_card")
    name = serializers.CharField(required=False)
    size = SizeRequestSerializer(required=False)


class AddColourSerializer(ChangeSerializer):
    """``name`` may be left out: then it is the colour's own; and so may ``role``: then it is guessed."""

    makes = dict
    kind = kind_field("add_colour")
    anchor = AnchorRequestSerializer()
    name = serializers.CharField(required=False, allow_blank=True, default="")
    role = serializers.ChoiceField(choices=ROLE_CHOICES, required=False, allow_null=True, default=None)
    keep_pairs = serializers.BooleanField(default=False, help_text="leave what lies on what as it is guessed")


class EditColourSerializer(ChangeSerializer):
    makes = changes.EditColour
    kind = kind_field("edit_colour")
    key = serializers.IntegerField()
    name = serializers.CharField(required=False)
    role = serializers.ChoiceField(choices=ROLE_CHOICES, required=False)

    def to_internal_value(self, data: Any) -> Any:
        given = super(ChangeSerializer, self).to_internal_value(data)
        role = Role(given["role"]) if "role" in given else None
        return changes.EditColour(given["key"], given.get("name"), role)


class ReanchorSerializer(ChangeSerializer):
    makes = dict
    kind = kind_field("reanchor")
    key = serializers.IntegerField()
    anchor = AnchorRequestSerializer()


class MoveColourSerializer(ChangeSerializer):
    makes = changes.MoveColour
    kind = kind_field("move_colour")
    key = serializers.IntegerField()
    to = serializers.IntegerField()


class RemoveColourSerializer(ChangeSerializer):
    makes = changes.RemoveColour
    kind = kind_field("remove_colour")
    key = serializers.IntegerField()


class ChooseSerializer(ChangeSerializer):
    makes = changes.Choose
    kind = kind_field("choose")
    key = serializers.IntegerField()
    column = serializers.ChoiceField(choices=COLUMN_CHOICES)
    colour = serializers.IntegerField()
    locked = serializers.BooleanField(default=False)


class CellChoiceSerializer(serializers.Serializer):
    """A supply for one cell."""

    key = serializers.IntegerField()
    column = serializers.ChoiceField(choices=COLUMN_CHOICES)
    colour = serializers.IntegerField()


class ChooseManySerializer(ChangeSerializer):
    makes = changes.ChooseMany
    kind = kind_field("choose_many")
    choices = CellChoiceSerializer(many=True, max_length=figures.palettes.PALETTE_LIMIT * len(EVERY_COLUMN))  # type: ignore[call-arg]

    def to_internal_value(self, data: Any) -> Any:
        given = super(ChangeSerializer, self).to_internal_value(data)
        return changes.ChooseMany(tuple(Choice(**one) for one in given["choices"]))


class ClearChoiceSerializer(ChangeSerializer):
    makes = changes.ClearChoice
    kind = kind_field("clear_choice")
    key = serializers.IntegerField()
    column = serializers.ChoiceField(choices=COLUMN_CHOICES)


class ShowColumnsSerializer(ChangeSerializer):
    makes = changes.ShowColumns
    kind = kind_field("show_columns")
    columns = serializers.ListField(child=serializers.ChoiceField(choices=COLUMN_CHOICES), max_length=20)


class AddPairSerializer(ChangeSerializer):
    makes = changes.AddPair
    kind = kind_field("add_pair")
    pair_kind = serializers.ChoiceField(choices=PAIR_CHOICES)
    upper = EndSerializer()
    lower = EndSerializer()
    outlined = serializers.BooleanField(default=False)

    def to_internal_value(self, data: Any) -> Any:
        return _pair_change(self, data)


class EditPairSerializer(ChangeSerializer):
    makes = changes.EditPair
    kind = kind_field("edit_pair")
    key = serializers.IntegerField()
    pair_kind = serializers.ChoiceField(choices=PAIR_CHOICES, required=False)
    upper = EndSerializer(required=False)
    lower = EndSerializer(required=False)
    outlined = serializers.BooleanField(required=False)

    def to_internal_value(self, data: Any) -> Any:
        return _pair_change(self, data)


def _pair_change(serializer: ChangeSerializer, data: Any) -> Any:
    """``kind`` names the change, so the pair's own kind travels as ``pair_kind``."""
    given = super(ChangeSerializer, serializer).to_internal_value(data)
    given.pop("kind")
    if "pair_kind" in given:
        given["kind"] = PairKind(given.pop("pair_kind"))
    return serializer.makes(**given)


class RemovePairSerializer(ChangeSerializer):
    makes = changes.RemovePair
    kind = kind_field("remove_pair")
    key = serializers.IntegerField()


class GuessPairsSerializer(ChangeSerializer):
    makes = changes.GuessPairs
    kind = kind_field("guess_pairs")


class WaiveSerializer(ChangeSerializer):
    makes = changes.Waive
    kind = kind_field("waive")
    check = serializers.CharField(max_length=check_ids.LONGEST)
    reason = serializers.CharField(max_length=figures.palettes.NAME_LIMIT)


class UnwaiveSerializer(ChangeSerializer):
    makes = changes.Unwaive
    kind = kind_field("unwaive")
    check = serializers.CharField(max_length=check_ids.LONGEST)


PALETTE_CHANGES: dict[str, type[ChangeSerializer]] = {
    "set_card": SetCardSerializer,
    "add_colour": AddColourSerializer,
    "edit_colour": EditColourSerializer,
    "reanchor": ReanchorSerializer,
    "move_colour": MoveColourSerializer,
    "remove_colour": RemoveColourSerializer,
    "choose": ChooseSerializer,
    "choose_many": ChooseManySerializer,
    "clear_choice": ClearChoiceSerializer,
    "show_columns": ShowColumnsSerializer,
    "add_pair": AddPairSerializer,
    "edit_pair": EditPairSerializer,
    "remove_pair": RemovePairSerializer,
    "guess_pairs": GuessPairsSerializer,
    "waive": WaiveSerializer,
    "unwaive": UnwaiveSerializer,
}
