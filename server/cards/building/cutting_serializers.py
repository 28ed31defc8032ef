"""What the API of cutting takes and gives."""

from typing import Any

from rest_framework import serializers

from jindle_core import figures
from jindle_core.cutting.grain import Grain
from jindle_core.lengths import OF_SHEETS, read_size
from server.cards.building.serializers import GRAIN_CHOICES, PlacedBoxSerializer
from server.cards.serializers import UNIT_CHOICES, StockViewSerializer


class SheetsQuery(serializers.Serializer):
    """Out of which sheets it is cut, and how."""

    width = serializers.CharField(max_length=40)
    height = serializers.CharField(max_length=40)
    unit = serializers.ChoiceField(choices=UNIT_CHOICES)
    grain = serializers.ChoiceField(choices=GRAIN_CHOICES, default=Grain.UNKNOWN.value)
    from_middles = serializers.BooleanField(
        default=False, help_text="cut smaller pieces out of the hidden middles of mats"
    )

    def asked(self) -> dict[str, Any]:
        """What a cutting takes of it."""
        given = self.validated_data
        return {
            "sheet": read_size(given["width"], given["height"], given["unit"], OF_SHEETS),
            "grain": Grain(given["grain"]),
            "from_middles": given["from_middles"],
        }


class CuttingQuery(SheetsQuery):
    """The same, and for how many cards."""

    count = serializers.IntegerField(default=1, min_value=1, max_value=figures.cutting.SHEET_PIECES)

    def asked(self) -> dict[str, Any]:
        """What ``Cutting`` takes."""
        return super().asked() | {"count": self.validated_data["count"]}


class LineSerializer(serializers.Serializer):
    """A straight line in mm."""

    x1 = serializers.FloatField()
    y1 = serializers.FloatField()
    x2 = serializers.FloatField()
    y2 = serializers.FloatField()


class SheetCutSerializer(PlacedBoxSerializer):
    """A piece on a sheet."""

    key = serializers.IntegerField(help_text="of the piece; 0: the base")
    name = serializers.CharField()
    turned = serializers.BooleanField()
    size = serializers.CharField(help_text="as it stands on the card")
    score = LineSerializer(allow_null=True, help_text="where a base is scored")
    hole = PlacedBoxSerializer(allow_null=True, help_text="the middle that smaller pieces are made of")


class LeftSerializer(PlacedBoxSerializer):
    """What is left over of a sheet."""

    size = serializers.CharField()


class SheetSerializer(serializers.Serializer):
    """A sheet, what is cut out of it, and what is left."""

    material = StockViewSerializer()
    width = serializers.FloatField()
    height = serializers.FloatField()
    cuts = SheetCutSerializer(many=True)
    trims = LineSerializer(many=True, help_text="cuts right across, one after the other")
    left = LeftSerializer(many=True)
    used = serializers.FloatField(help_text="share of the sheet")


class CutPieceSerializer(serializers.Serializer):
    """A piece to be cut, so many times."""

    name = serializers.CharField()
    size = serializers.CharField()
    count = serializers.IntegerField()
    material = serializers.CharField()
    direction = serializers.CharField(help_text="of its grain or pattern")
    out_of = serializers.CharField(help_text="the middle that it is cut out of, or blank: a sheet")
    blank = serializers.CharField(help_text="what a die or scissors cut it out of; empty for a rectangle")


class MiddleSerializer(serializers.Serializer):
    """A piece, or a middle that lies hidden and can be cut out of a mat, by its size."""

    name = serializers.CharField()
    size = serializers.CharField()


class CuttingSerializer(serializers.Serializer):
    """What is cut out of which sheet."""

    pieces = CutPieceSerializer(many=True)
    middles = MiddleSerializer(many=True)
    too_large = MiddleSerializer(many=True, help_text="what no such sheet holds")
    sheets = SheetSerializer(many=True)
    bound = serializers.IntegerField(help_text="what the pieces' area alone would need")
