"""A card with one of its stages along, as the API gives it."""

from rest_framework import serializers

from server.cards.stages import STAGES_TOLD


class StageField(serializers.ChoiceField):
    """The stage that is wanted along with the answer, so that nothing is worked out twice."""

    def __init__(self) -> None:
        super().__init__(choices=STAGES_TOLD, required=False, allow_null=True, default=None)


class AskedSerializer(serializers.Serializer):
    """The version that a change is made against, and the stage that is wanted along with its answer."""

    version = serializers.IntegerField()
    stage = StageField()
