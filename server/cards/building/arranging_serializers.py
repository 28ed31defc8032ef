"""How are the changes that build quickly by hand written in JSON?"""

from typing import Any

from rest_framework import serializers

from jindle_core import figures
from jindle_core.card.changes import arranging
from server.cards.change_serializers import ChangeSerializer, kind_field
from server.cards.serializers import EndSerializer

ALONG_CHOICES = [(one.value, one.value) for one in arranging.Along]
HOW_CHOICES = [(one.value, one.value) for one in arranging.How]


class MatUnderSerializer(ChangeSerializer):
    makes = arranging.MatUnder
    kind = kind_field("mat_under")
    key = serializers.IntegerField()
    material = EndSerializer()


class _OfPiecesSerializer(ChangeSerializer):
    """A change of some pieces, by their keys."""

    keys = serializers.ListField(
        child=serializers.IntegerField(), min_length=1, max_length=figures.building.PIECES_LIMIT
    )

    def to_internal_value(self, data: Any) -> Any:
        given = super(ChangeSerializer, self).to_internal_value(data)
        del given["kind"]
        return self.made(given | {"keys": tuple(given["keys"])})

    def made(self, given: Any) -> Any:
        return self.makes(**given)


class CopyPiecesSerializer(_OfPiecesSerializer):
    """Lay some pieces again, or mirrored at the other side."""

    makes = arranging.CopyPieces
    kind = kind_field("copy_pieces")
    mirrored = serializers.BooleanField(default=False)


class ArrangeSerializer(_OfPiecesSerializer):
    """Bring pieces into line, or spread them evenly."""

    makes = arranging.Arrange
    kind = kind_field("arrange")
    how = serializers.ChoiceField(choices=HOW_CHOICES)

    def made(self, given: Any) -> Any:
        return arranging.Arrange(given["keys"], arranging.How(given["how"]))


class LayAlongSerializer(_OfPiecesSerializer):
    """Finishing pieces that there are along a line, or around the picture."""

    makes = arranging.LayAlong
    kind = kind_field("lay_along")
    along = serializers.ChoiceField(choices=ALONG_CHOICES)
    seed = serializers.IntegerField(default=1, min_value=0, max_value=10**6)

    def made(self, given: Any) -> Any:
        return arranging.LayAlong(given["keys"], arranging.Along(given["along"]), given["seed"])


class ScatterSerializer(ChangeSerializer):
    """Finishing pieces along a line, or around the picture."""

    kind = kind_field("scatter")
    count = serializers.IntegerField()
    along = serializers.ChoiceField(choices=ALONG_CHOICES)
    material = EndSerializer()
    seed = serializers.IntegerField(default=1, min_value=0, max_value=10**6)

    def to_internal_value(self, data: Any) -> Any:
        given = super(ChangeSerializer, self).to_internal_value(data)
        along = arranging.Along(given["along"])
        return arranging.Scatter(given["count"], along, given["material"], given["seed"])


ARRANGE_CHANGES: dict[str, type[ChangeSerializer]] = {
    "mat_under": MatUnderSerializer,
    "copy_pieces": CopyPiecesSerializer,
    "arrange": ArrangeSerializer,
    "scatter": ScatterSerializer,
    "lay_along": LayAlongSerializer,
}
