"""What the API of a card's order of work takes and gives."""

from typing import Any

from rest_framework import serializers

from jindle_core.planning.progress import How, Press
from jindle_core.planning.task import Work
from jindle_core.planning.wishes import Aim

AIM_CHOICES = [(one.value, one.value) for one in Aim]
WORK_CHOICES = [(one.value, one.value) for one in Work]
PRESS_CHOICES = [(one.value, one.value) for one in Press]
HOW_CHOICES = [(one.value, one.value) for one in How]
_MOST = 200  # wishes, and steps of an order: several times those of the largest card
_DAY = 24 * 60.0


class WishesSerializer(serializers.Serializer):
    """What is wanted of the order of work; what is left out stays."""

    version = serializers.IntegerField(min_value=0, required=True)
    aim = serializers.ChoiceField(choices=AIM_CHOICES, required=False)
    cut_first = serializers.BooleanField(
        required=False, help_text="pictures are cut out before they are stamped"
    )
    evening = serializers.IntegerField(
        required=False, allow_null=True, help_text="minutes; then the rest waits for the next"
    )
    cards = serializers.IntegerField(required=False, help_text="so many are made at once")
    small_child = serializers.BooleanField(
        required=False, allow_null=True, help_text="whether it is for one; null: nobody said"
    )
    before = serializers.ListField(
        child=serializers.ListField(child=serializers.CharField(max_length=40), min_length=2, max_length=2),
        required=False,
        max_length=_MOST,
        help_text="pairs of keys, the first wanted before the other",
    )
    order = serializers.ListField(
        child=serializers.CharField(max_length=40), required=False, max_length=_MOST
    )

    def validate(self, attrs: dict[str, Any]) -> dict[str, Any]:
        if "version" not in attrs:
            raise serializers.ValidationError({"version": "Which plan is meant?"})
        if "before" in attrs:
            attrs["before"] = tuple((first, then) for first, then in attrs["before"])
        if "order" in attrs:
            attrs["order"] = tuple(attrs["order"])
        return attrs


class PressSerializer(serializers.Serializer):
    """What is said of a step at the table."""

    version = serializers.IntegerField(min_value=0)
    press = serializers.ChoiceField(choices=PRESS_CHOICES)
    key = serializers.CharField(max_length=40)
    go_on = serializers.BooleanField(
        required=False, default=False, help_text="what can be done next is begun with the same press"
    )
    minutes = serializers.FloatField(
        required=False, default=0.0, min_value=-_DAY, max_value=_DAY, help_text="of “longer”"
    )


class StartOverSerializer(serializers.Serializer):
    """Which plan is meant."""

    version = serializers.IntegerField(min_value=0)


class PaceQuery(serializers.Serializer):
    """Of which kind of work; all where none is said."""

    work = serializers.ChoiceField(choices=WORK_CHOICES, required=False)


class UsedInsteadSerializer(serializers.Serializer):
    """What was used otherwise than planned."""

    of = serializers.CharField(max_length=400)
    was = serializers.CharField(max_length=400)
    label = serializers.CharField(max_length=120)  # type: ignore[assignment]
    range = serializers.CharField(max_length=120)
    medium = serializers.CharField(max_length=20)
    shade = serializers.RegexField("^#[0-9a-f]{6}$")
    hue = serializers.CharField(max_length=40, allow_blank=True)
    name = serializers.CharField(max_length=120, allow_blank=True, default="")


class InsteadRequestSerializer(serializers.Serializer):
    """For what a supply was taken instead of another, by their ids; or which of those told is taken back."""

    version = serializers.IntegerField(min_value=0)
    of = serializers.CharField(max_length=400, required=False)
    was = serializers.IntegerField(required=False)
    taken = serializers.IntegerField(required=False)
    drop = serializers.IntegerField(required=False, min_value=0)

    def validate(self, attrs: dict[str, Any]) -> dict[str, Any]:
        if "drop" not in attrs and not {"of", "was", "taken"} <= attrs.keys():
            raise serializers.ValidationError("Say for what, instead of which, and what was taken.")
        return attrs
