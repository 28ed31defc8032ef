"""What the API of cards takes and gives."""

from typing import Any

from rest_framework import serializers

from jindle_core import figures
from jindle_core.blending.effects import EffectKind
from jindle_core.contrast.rules import PairKind
from jindle_core.layers.folding import Fold
from jindle_core.lengths import Size, read_length
from jindle_core.material import End
from jindle_core.palettes.role import Role
from jindle_core.training.question import Exercise
from server.cards.groups import Group, Order
from server.told.choices import COLUMN_WORDS, MATERIALS, SOURCES

ROLE_CHOICES = [(role.value, role.value) for role in Role]
PAIR_CHOICES = [(kind.value, kind.value) for kind in PairKind]
EXERCISE_CHOICES = [(one.value, one.value) for one in Exercise]

COLUMN_CHOICES = list(COLUMN_WORDS.items())
GROUP_CHOICES, ORDER_CHOICES = ([(one.value, one.value) for one in kind] for kind in (Group, Order))
UNIT_CHOICES = [("in", "in"), ("mm", "mm")]
EFFECT_CHOICES = [(one.value, one.value) for one in EffectKind]
FOLD_CHOICES = [(one.value, one.value) for one in Fold]


# --- What it takes.


class SizeRequestSerializer(serializers.Serializer):
    """A size as typed: 4 5/16, 4.25, 110 mm."""

    width = serializers.CharField(max_length=40)
    height = serializers.CharField(max_length=40)
    unit = serializers.ChoiceField(choices=UNIT_CHOICES)

    def to_internal_value(self, data: Any) -> Size:
        given = super().to_internal_value(data)
        width, height = (read_length(given[side], given["unit"], side) for side in ("width", "height"))
        if width.unit != height.unit:
            raise serializers.ValidationError("Give width and height in one unit.")
        return Size(width, height)


class NewCardSerializer(serializers.Serializer):
    """A card to be made."""

    name = serializers.CharField(max_length=figures.palettes.NAME_LIMIT)
    size = SizeRequestSerializer()


class EndSerializer(serializers.Serializer):
    """One end of a pair: a palette colour's key, a supply's id, or white paper."""

    source = serializers.ChoiceField(choices=SOURCES)  # type: ignore[assignment]
    id = serializers.IntegerField(default=0)

    def to_internal_value(self, data: Any) -> End:
        given = super().to_internal_value(data)
        return End(given["source"], 0 if given["source"] == "white" else given["id"])


class MaterialSerializer(EndSerializer):
    """What a piece is of; that may be a sheet of patterned paper too, with its pattern."""

    source = serializers.ChoiceField(choices=MATERIALS)


class AnchorRequestSerializer(serializers.Serializer):
    """A colour of a range by its id, or a value as typed (#rrggbb or Lab)."""

    colour = serializers.IntegerField(required=False, allow_null=True)
    value = serializers.CharField(required=False, allow_blank=True, max_length=100)


# --- What it gives.


class SmallPictureSerializer(serializers.Serializer):
    """A small picture of a card."""

    file = serializers.FileField(allow_empty_file=True)
    drawn = serializers.CharField(max_length=64)
