"""A card with one of its stages along, as the API gives it."""

from rest_framework import serializers

from server.cards.building.serializers import BuildSerializer
from server.cards.colouring_serializers import ColouringSerializer
from server.cards.grounds.serializers import GroundSerializer
from server.cards.serializers import CardSerializer
from server.cards.stages import STAGES_TOLD


class StageField(serializers.ChoiceField):
    """The stage that is wanted along with the answer, so that nothing is worked out twice."""

    def __init__(self) -> None:
        super().__init__(choices=STAGES_TOLD, required=False, allow_null=True, default=None)


class AskedSerializer(serializers.Serializer):
    """The version that a change is made against, and the stage that is wanted along with its answer."""

    version = serializers.IntegerField()
    stage = StageField()


class CardWithStageSerializer(CardSerializer):
    """A card, with the stage that was asked for along."""

    colouring = ColouringSerializer(allow_null=True)
    background = GroundSerializer(allow_null=True)
    build = BuildSerializer(allow_null=True)
