"""What training's addresses take and give."""

from rest_framework import serializers

from jindle_core import figures
from jindle_core.swatch_sheet import SHEETS
from jindle_core.training.question import WAYS
from server.catalogue.api.fields import LIGHT_CHOICES
from server.catalogue.models import MEDIUM_CHOICES, PROVENANCE_CHOICES
from server.catalogue.swatches import FORM_CHOICES, ShadesSerializer
from server.training.models import EXERCISE_CHOICES, SHEET_CHOICES
from standins.camera import LIGHTS

# A token holds the whole question; names of supplies may be long.
_LONGEST = 200_000
MEETS_CHOICES = [(one.value, one.value) for one in WAYS]
VIEWS = ["colour", "greys", "lamp"]


class ThresholdSerializer(serializers.Serializer):
    """From how far apart on three of four answers are right, and the interval it lies in (9 of 10)."""

    value = serializers.FloatField()
    low = serializers.FloatField()
    high = serializers.FloatField()
    finest = serializers.FloatField(
        allow_null=True, help_text="told where the eye is finer than what could be asked"
    )


class ExerciseSerializer(serializers.Serializer):
    """An exercise, and how its person stands in it."""

    key = serializers.ChoiceField(choices=EXERCISE_CHOICES)
    title = serializers.CharField()
    about = serializers.CharField()
    needs = serializers.CharField()
    ready = serializers.BooleanField(help_text="there is something to be asked of these colours")
    unit = serializers.CharField()
    answers = serializers.IntegerField()
    right = serializers.IntegerField()
    threshold = ThresholdSerializer(allow_null=True)
    due = serializers.IntegerField(help_text="questions that come back today")


class TrainingSerializer(serializers.Serializer):
    """How training stands."""

    exercises = ExerciseSerializer(many=True)
    session = serializers.IntegerField(help_text="questions of one sitting")
    own = serializers.IntegerField(help_text="colours in the drawer")
    beyond_screen = serializers.IntegerField(
        help_text="of them stronger than a screen shows: asked on paper only"
    )
    rough = serializers.IntegerField(help_text="of them known by their label alone")


class AskSerializer(serializers.Serializer):
    """What is to be asked: of which exercise (none: any), of whose colours, and about which rather."""

    exercise = serializers.ChoiceField(choices=EXERCISE_CHOICES, required=False, allow_null=True)
    owned = serializers.BooleanField(default=True, help_text="only colours in the drawer")
    card = serializers.IntegerField(required=False, allow_null=True, help_text="rather of what it uses")
    darks = serializers.BooleanField(default=True, help_text="false: this screen shows near blacks alike")
    region = serializers.CharField(required=False, allow_blank=True, max_length=40, help_text="rather of it")
    seed = serializers.IntegerField(required=False, min_value=0, max_value=2**31)


class AskedColourSerializer(serializers.Serializer):
    """A supply of a question; one to choose from is not named, for its code would give the answer away."""

    label = serializers.CharField(allow_blank=True)  # type: ignore[assignment]
    medium = serializers.ChoiceField(choices=MEDIUM_CHOICES)
    form = serializers.ChoiceField(choices=FORM_CHOICES)
    provenance = serializers.ChoiceField(choices=PROVENANCE_CHOICES)
    shade = serializers.CharField(help_text="as #rrggbb, in the question's view")


class OptionSerializer(serializers.Serializer):
    """What is put in order or chosen: a supply, a word on its ground, or a strip from end to end."""

    shown = AskedColourSerializer(many=True)
    strip = serializers.ListField(child=serializers.CharField())


class TrueColourSerializer(serializers.Serializer):
    """A supply of a question that is answered, as it was then."""

    id = serializers.IntegerField(allow_null=True)
    label = serializers.CharField()  # type: ignore[assignment]
    range_name = serializers.CharField()
    medium = serializers.ChoiceField(choices=MEDIUM_CHOICES)
    form = serializers.ChoiceField(choices=FORM_CHOICES)
    provenance = serializers.ChoiceField(choices=PROVENANCE_CHOICES)
    lab = serializers.ListField(child=serializers.FloatField())
    hue_name = serializers.CharField()
    shades = ShadesSerializer()


class QuestionSerializer(serializers.Serializer):
    """A question."""

    token = serializers.CharField(help_text="goes back with the answer")
    comes_back = serializers.BooleanField(help_text="it was missed before")
    session = serializers.IntegerField(help_text="questions of one sitting")
    exercise = serializers.ChoiceField(choices=EXERCISE_CHOICES)
    title = serializers.CharField(help_text="of the exercise")
    prompt = serializers.CharField()
    orders = serializers.BooleanField(help_text="all is put in order; else one is chosen")
    ends = serializers.ListField(
        child=serializers.CharField(), help_text="how the first and the last of an order are called"
    )
    view = serializers.ChoiceField(choices=VIEWS)
    value_only = serializers.BooleanField()
    asks_kind = serializers.BooleanField(help_text="how the two pads meet is asked too")
    gap = serializers.IntegerField(help_text="which of three tones is missing")
    given = AskedColourSerializer(many=True)
    options = OptionSerializer(many=True)


class AnswerSerializer(serializers.Serializer):
    """An answer: the places of the options in order, or of the one that was chosen."""

    token = serializers.CharField(max_length=_LONGEST)
    places = serializers.ListField(
        child=serializers.IntegerField(min_value=0), max_length=figures.training.ORDER[1]
    )
    kind = serializers.ChoiceField(choices=MEETS_CHOICES, required=False, allow_null=True, default=None)


class TrueOptionSerializer(serializers.Serializer):
    """The same with its figure: L*, ΔL* of a word, or how far it is off what was asked for."""

    shown = TrueColourSerializer(many=True)
    strip = ShadesSerializer(many=True)
    figure = serializers.FloatField()
    sigma = serializers.FloatField()
    why = serializers.CharField(allow_blank=True)
    rank = serializers.IntegerField(help_text="in order; of a choice 0 is the right one")


class AnsweredSerializer(serializers.Serializer):
    """A question with its truth and what was answered."""

    exercise = serializers.ChoiceField(choices=EXERCISE_CHOICES)
    prompt = serializers.CharField()
    orders = serializers.BooleanField()
    view = serializers.ChoiceField(choices=VIEWS)
    value_only = serializers.BooleanField()
    gap = serializers.IntegerField()
    measure = serializers.CharField(help_text="what the options' figures are")
    right = serializers.BooleanField()
    kind = serializers.ChoiceField(choices=MEETS_CHOICES, allow_null=True)
    kind_given = serializers.ChoiceField(choices=MEETS_CHOICES, allow_null=True)
    kind_right = serializers.BooleanField(allow_null=True)
    reason = serializers.CharField()
    chance = serializers.FloatField(help_text="how often a guess is right")
    places = serializers.ListField(child=serializers.IntegerField())
    truth = serializers.ListField(child=serializers.IntegerField())
    given = TrueColourSerializer(many=True)
    options = TrueOptionSerializer(many=True)


class ScoredSerializer(serializers.Serializer):
    """What an answer is worth, and how fine the eye is by now."""

    answered = AnsweredSerializer()
    comes_back_in = serializers.IntegerField(allow_null=True, help_text="days")
    unit = serializers.CharField()
    threshold = ThresholdSerializer(allow_null=True)


class PastAnswerSerializer(serializers.Serializer):
    """An answer given before."""

    id = serializers.IntegerField()
    at = serializers.DateTimeField()
    on_paper = serializers.BooleanField()
    answered = AnsweredSerializer()


class PastQuery(serializers.Serializer):
    """Which answers: those before one, and only those that were missed."""

    before = serializers.IntegerField(required=False)
    missed = serializers.BooleanField(default=False)


class PastAnswersSerializer(serializers.Serializer):
    """Answers given before, the latest first."""

    answers = PastAnswerSerializer(many=True)
    more = serializers.BooleanField()


class WeekSerializer(serializers.Serializer):
    """A week of an exercise."""

    begins = serializers.DateField()
    count = serializers.IntegerField()
    right = serializers.IntegerField()
    by_chance = serializers.FloatField(help_text="how many a guess would have got right")
    threshold = ThresholdSerializer(allow_null=True)


class ExerciseWeeksSerializer(serializers.Serializer):
    """The weeks of an exercise in which anything was answered."""

    key = serializers.ChoiceField(choices=EXERCISE_CHOICES)
    title = serializers.CharField()
    unit = serializers.CharField()
    weeks = WeekSerializer(many=True)


class RegionSerializer(serializers.Serializer):
    """How it goes in a region of colours."""

    darks = serializers.BooleanField(default=True, help_text="false: this screen shows near blacks alike")
    region = serializers.CharField()
    count = serializers.IntegerField()
    right = serializers.IntegerField()
    expected = serializers.FloatField(help_text="right ones, if this region were like all others")
    weak = serializers.BooleanField(help_text="surely worse than elsewhere")
    weeks = WeekSerializer(many=True)


class ProgressSerializer(serializers.Serializer):
    """How an eye comes on."""

    exercises = ExerciseWeeksSerializer(many=True)
    regions = RegionSerializer(many=True)


class MakeSheetSerializer(serializers.Serializer):
    """A page to be printed."""

    exercise = serializers.ChoiceField(choices=EXERCISE_CHOICES)
    sheet = serializers.ChoiceField(choices=SHEET_CHOICES, default="letter")
    owned = serializers.BooleanField(default=True)
    seed = serializers.IntegerField(required=False, min_value=0, max_value=2**31)


class TrainingSheetSerializer(serializers.Serializer):
    """A page that was printed."""

    id = serializers.IntegerField()
    exercise = serializers.ChoiceField(choices=EXERCISE_CHOICES)
    title = serializers.CharField()
    number = serializers.IntegerField()
    sheet = serializers.ChoiceField(choices=list(SHEETS))
    made = serializers.DateTimeField()
    questions = serializers.IntegerField()
    answered = serializers.IntegerField()
    right = serializers.IntegerField()


class SheetPhotoSerializer(serializers.Serializer):
    """A photograph of the page, filled."""

    file = serializers.FileField(allow_empty_file=True)
    light = serializers.ChoiceField(choices=LIGHT_CHOICES, required=False, help_text="none: nobody said")


class SheetRowSerializer(serializers.Serializer):
    """A row of the page as it was seen."""

    row = serializers.IntegerField()
    words = serializers.CharField()
    trouble = serializers.CharField(allow_blank=True, help_text="why it was not scored")
    before = serializers.BooleanField(help_text="it was scored before, which counts")
    answered = AnsweredSerializer(allow_null=True)


class SheetScoredSerializer(serializers.Serializer):
    """The photograph as it is shown, and each row."""

    preview = serializers.CharField(help_text="data URL")
    width = serializers.IntegerField()
    height = serializers.IntegerField()
    uncertainty = serializers.FloatField()
    warning = serializers.CharField(allow_blank=True)
    rows = SheetRowSerializer(many=True)


class SheetSceneSerializer(serializers.Serializer):
    """Under which light the camera pictures the page."""

    light = serializers.ChoiceField(choices=LIGHTS)
