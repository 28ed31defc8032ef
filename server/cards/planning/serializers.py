"""What the API of a card's order of work takes and gives."""

from typing import Any

from rest_framework import serializers

from jindle_core.planning.progress import How, Press
from jindle_core.planning.task import Tool, Work
from jindle_core.planning.wishes import Aim
from server.cards.serializers import StepSerializer
from server.catalogue.swatches import ShadesSerializer

AIM_CHOICES = [(one.value, one.value) for one in Aim]
WORK_CHOICES = [(one.value, one.value) for one in Work]
TOOL_CHOICES = [(one.value, one.value) for one in Tool]
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


class MaterialUsedSerializer(serializers.Serializer):
    """What is taken for a task; its id where it is a supply."""

    id = serializers.IntegerField(allow_null=True)
    words = serializers.CharField()
    shades = ShadesSerializer()


class TaskSerializer(serializers.Serializer):
    """A piece of work."""

    key = serializers.CharField()
    work = serializers.ChoiceField(choices=WORK_CHOICES)
    words = serializers.CharField()
    tool = serializers.ChoiceField(choices=TOOL_CHOICES)
    minutes = serializers.FloatField(help_text="of hands, for all cards")
    supplies = MaterialUsedSerializer(many=True)
    steps = StepSerializer(many=True)
    cautions = serializers.ListField(child=serializers.CharField())
    pieces = serializers.ListField(child=serializers.IntegerField(), help_text="keys; the base is 0")
    areas = serializers.ListField(child=serializers.IntegerField(), help_text="keys")


class TaskLeftSerializer(TaskSerializer):
    """One that is to be done: when (minutes from the start of the plan), and why it does not begin sooner."""

    start = serializers.FloatField()
    end = serializers.FloatField()
    why = serializers.CharField(help_text="why not sooner; blank: nothing is in the way of it")
    free_at = serializers.FloatField(
        allow_null=True, help_text="the second from when it can be done; null: something must be done before"
    )
    needs = serializers.CharField(help_text="what is to be done or waited for before it; blank: nothing is")
    wrong = serializers.ListField(child=serializers.CharField(), help_text="what its place breaks")
    was = serializers.CharField(help_text="as what it was done before, where the card was changed since")


class TaskPastSerializer(TaskSerializer):
    """One that is past: how, when, and the minutes it took, null where nobody saw it begin."""

    how = serializers.ChoiceField(choices=HOW_CHOICES)
    at = serializers.FloatField()
    took = serializers.FloatField(allow_null=True)


class DriesSerializer(serializers.Serializer):
    """What runs by itself after a task: from when until when, for what, and what is done meanwhile."""

    key = serializers.CharField(help_text="of the task")
    words = serializers.CharField()
    start = serializers.FloatField()
    end = serializers.FloatField()
    meanwhile = serializers.ListField(child=serializers.CharField())


class TimerSerializer(serializers.Serializer):
    """What runs by itself after a task that is past: from which second until which."""

    key = serializers.CharField(help_text="of the task")
    words = serializers.CharField()
    reason = serializers.CharField()
    since = serializers.FloatField()
    until = serializers.FloatField()


class PauseSerializer(serializers.Serializer):
    """When nobody is at the table."""

    start = serializers.FloatField()
    end = serializers.FloatField()


class ImpossibleSerializer(serializers.Serializer):
    """A wish that cannot be kept, as words of its two steps, and what stands against it."""

    first = serializers.CharField()
    then = serializers.CharField()
    words = serializers.CharField()
    reason = serializers.CharField()


class StepBeforeSerializer(serializers.Serializer):
    """A wish: the first is wanted before the other."""

    first = serializers.CharField()
    then = serializers.CharField()
    words = serializers.CharField()


class PaceSerializer(serializers.Serializer):
    """A person's own pace at a kind of work, the median of so many steps: the share of the usual minutes."""

    work = serializers.ChoiceField(choices=WORK_CHOICES)
    share = serializers.FloatField()
    steps = serializers.IntegerField()


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


class PlanSerializer(serializers.Serializer):
    """The order of work; times are minutes from ``begins`` unless they are said to be seconds."""

    version = serializers.IntegerField()
    now = serializers.FloatField(help_text="the second that it is")
    begins = serializers.FloatField(help_text="the second that the plan counts from; 0: nothing is begun")
    aim = serializers.ChoiceField(choices=AIM_CHOICES)
    cut_first = serializers.BooleanField()
    evening = serializers.IntegerField(allow_null=True)
    cards = serializers.IntegerField()
    small_child = serializers.BooleanField(allow_null=True)
    asks_for_child = serializers.BooleanField()
    wishes = StepBeforeSerializer(many=True)
    impossible = ImpossibleSerializer(many=True)
    hand = serializers.CharField(help_text="the key of the step that hands are at; blank: none")
    since = serializers.FloatField(help_text="the second since when they are")
    spent = serializers.FloatField(help_text="minutes that it took before it was put down")
    tasks = TaskLeftSerializer(many=True)
    past = TaskPastSerializer(many=True)
    dries = DriesSerializer(many=True)
    timers = TimerSerializer(many=True)
    breaks = PauseSerializer(many=True)
    too_long = serializers.ListField(
        child=serializers.CharField(), help_text="steps longer than an evening: each has one of its own"
    )
    minutes = serializers.FloatField(help_text="until all is done, without taking up other tools")
    minutes_told = serializers.FloatField(help_text="the same with it")
    hands = serializers.FloatField(help_text="of which hands are at work")
    in_turn = serializers.FloatField(help_text="if each wait were sat through")
    gap = serializers.FloatField(help_text="by how much it could be shorter at most; 0: proven shortest")
    changes = serializers.IntegerField(help_text="of tools")
    set_up = serializers.FloatField(help_text="minutes that those take besides")
    set_up_gap = serializers.FloatField(
        allow_null=True, help_text="by how much that could be less at most; null: nobody looked"
    )
    paces = PaceSerializer(many=True)
    instead = UsedInsteadSerializer(many=True)
    cautions = serializers.ListField(child=serializers.CharField())
