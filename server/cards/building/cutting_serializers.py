"""What the API of cutting takes and gives."""

from typing import Any

from rest_framework import serializers

from jindle_core import figures
from jindle_core.cutting.grain import Grain
from jindle_core.lengths import OF_SHEETS, read_size
from server.cards.building.serializers import GRAIN_CHOICES
from server.cards.serializers import UNIT_CHOICES


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
