"""What training's addresses take and give."""

from rest_framework import serializers

from jindle_core import figures
from jindle_core.training.question import WAYS
from server.catalogue.api.fields import LIGHT_CHOICES
from server.training.models import EXERCISE_CHOICES, SHEET_CHOICES
from standins.camera import LIGHTS

# A token holds the whole question; names of supplies may be long.
_LONGEST = 200_000
MEETS_CHOICES = [(one.value, one.value) for one in WAYS]


class AskSerializer(serializers.Serializer):
    """What is to be asked: of which exercise (none: any), of whose colours, and about which rather."""

    exercise = serializers.ChoiceField(choices=EXERCISE_CHOICES, required=False, allow_null=True)
    owned = serializers.BooleanField(default=True, help_text="only colours in the drawer")
    card = serializers.IntegerField(required=False, allow_null=True, help_text="rather of what it uses")
    darks = serializers.BooleanField(default=True, help_text="false: this screen shows near blacks alike")
    region = serializers.CharField(required=False, allow_blank=True, max_length=40, help_text="rather of it")
    seed = serializers.IntegerField(required=False, min_value=0, max_value=2**31)


class AnswerSerializer(serializers.Serializer):
    """An answer: the places of the options in order, or of the one that was chosen."""

    token = serializers.CharField(max_length=_LONGEST)
    places = serializers.ListField(
        child=serializers.IntegerField(min_value=0), max_length=figures.training.ORDER[1]
    )
    kind = serializers.ChoiceField(choices=MEETS_CHOICES, required=False, allow_null=True, default=None)


class PastQuery(serializers.Serializer):
    """Which answers: those before one, and only those that were missed."""

    before = serializers.IntegerField(required=False)
    missed = serializers.BooleanField(default=False)


class MakeSheetSerializer(serializers.Serializer):
    """A page to be printed."""

    exercise = serializers.ChoiceField(choices=EXERCISE_CHOICES)
    sheet = serializers.ChoiceField(choices=SHEET_CHOICES, default="letter")
    owned = serializers.BooleanField(default=True)
    seed = serializers.IntegerField(required=False, min_value=0, max_value=2**31)


class SheetPhotoSerializer(serializers.Serializer):
    """A photograph of the page, filled."""

    file = serializers.FileField(allow_empty_file=True)
    light = serializers.ChoiceField(choices=LIGHT_CHOICES, required=False, help_text="none: nobody said")


class SheetSceneSerializer(serializers.Serializer):
    """Under which light the camera pictures the page."""

    light = serializers.ChoiceField(choices=LIGHTS)
