"""What the API of a card's order of work takes and gives."""

from typing import Any

from rest_framework import serializers

from jindle_core import figures
from jindle_core.planning.schedule import Aim, Break
from jindle_core.planning.task import Tool, Work
from server.cards.serializers import StepSerializer
from server.catalogue.swatches import ShadesSerializer

AIM_CHOICES = [(one.value, one.value) for one in Aim]
WORK_CHOICES = [(one.value, one.value) for one in Work]
TOOL_CHOICES = [(one.value, one.value) for one in Tool]
_LONGEST = 12 * 60


class PlanQuery(serializers.Serializer):
    """What is wanted of the order, and how long an evening at the table is, where the work is split."""

    aim = serializers.ChoiceField(choices=AIM_CHOICES, default=Aim.SOONEST.value)
    cut_first = serializers.BooleanField(
        default=False, help_text="pictures are cut out before they are stamped"
    )
    evening = serializers.IntegerField(
        required=False, min_value=5, max_value=_LONGEST, help_text="minutes; then the rest waits for the next"
    )

    def breaks(self) -> tuple[Break, ...]:
        """When nobody is at the table: the nights between evenings, as many as are planned at most."""
        long: Any = self.validated_data.get("evening")
        day = (long or 0) + figures.work.OVERNIGHT
        nights = range(figures.work.EVENINGS - 1 if long else 0)
        return tuple(Break(night * day + long, (night + 1) * day) for night in nights)


class MaterialUsedSerializer(serializers.Serializer):
    """What is taken for a task."""

    words = serializers.CharField()
    shades = ShadesSerializer()


class TaskSerializer(serializers.Serializer):
    """A piece of work, when hands are at it (minutes from the start), and why it does not begin sooner."""

    key = serializers.CharField()
    work = serializers.ChoiceField(choices=WORK_CHOICES)
    words = serializers.CharField()
    tool = serializers.ChoiceField(choices=TOOL_CHOICES)
    start = serializers.FloatField()
    end = serializers.FloatField()
    why = serializers.CharField(help_text="why not sooner; blank: nothing is in the way of it")
    supplies = MaterialUsedSerializer(many=True)
    steps = StepSerializer(many=True)
    cautions = serializers.ListField(child=serializers.CharField())


class DriesSerializer(serializers.Serializer):
    """What runs by itself after a task: from when until when, and for what."""

    key = serializers.CharField(help_text="of the task")
    words = serializers.CharField()
    start = serializers.FloatField()
    end = serializers.FloatField()


class PauseSerializer(serializers.Serializer):
    """When nobody is at the table."""

    start = serializers.FloatField()
    end = serializers.FloatField()


class PlanSerializer(serializers.Serializer):
    """The order of work, all times in minutes."""

    tasks = TaskSerializer(many=True)
    dries = DriesSerializer(many=True)
    breaks = PauseSerializer(many=True)
    too_long = serializers.ListField(
        child=serializers.CharField(),
        help_text="steps longer than an evening: they begin the next",
    )
    minutes = serializers.FloatField(help_text="until all is done")
    hands = serializers.FloatField(help_text="of which hands are at work")
    in_turn = serializers.FloatField(help_text="if each wait were sat through")
    gap = serializers.FloatField(help_text="by how much it could be shorter at most; 0: proven shortest")
    changes = serializers.IntegerField(help_text="of tools")
    cautions = serializers.ListField(child=serializers.CharField())
