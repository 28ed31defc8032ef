"""What is an eye asked, and how does it come on?"""

from collections.abc import Sequence
from datetime import date, datetime
from typing import Annotated

from jindle_core.colorimetry.views import Shades
from jindle_core.media.medium import Form, Medium
from jindle_core.swatch_sheet import SHEETS
from jindle_core.training.question import WAYS
from jindle_core.training.question import Exercise as ExerciseKey
from server.told.answer import Answer, OneOf
from server.told.choices import PROVENANCE_WORDS, VIEWS


class Threshold(Answer):
    """From how far apart on three of four answers are right, and the interval it lies in (9 of 10)."""

    value: float
    low: float
    high: float
    finest: Annotated[float | None, "told where the eye is finer than what could be asked"]


class Exercise(Answer):
    """An exercise, and how its person stands in it."""

    key: ExerciseKey
    title: str
    about: str
    needs: str
    ready: Annotated[bool, "there is something to be asked of these colours"]
    unit: str
    answers: int
    right: int
    threshold: Threshold | None
    due: Annotated[int, "questions that come back today"]


class Training(Answer):
    """How training stands."""

    exercises: Sequence[Exercise]
    session: Annotated[int, "questions of one sitting"]
    own: Annotated[int, "colours in the drawer"]
    beyond_screen: Annotated[int, "of them stronger than a screen shows: asked on paper only"]
    rough: Annotated[int, "of them known by their label alone"]


class AskedColour(Answer):
    """A supply of a question; one to choose from is not named, for its code would give the answer away."""

    label: str
    medium: Medium
    form: Form
    provenance: Annotated[str, OneOf(PROVENANCE_WORDS)]
    shade: Annotated[str, "as #rrggbb, in the question's view"]


class Option(Answer):
    """What is put in order or chosen: a supply, a word on its ground, or a strip from end to end."""

    shown: Sequence[AskedColour]
    strip: Sequence[str]


class TrueColour(Answer):
    """A supply of a question that is answered, as it was then."""

    id: int | None
    label: str
    range_name: str
    medium: Medium
    form: Form
    provenance: Annotated[str, OneOf(PROVENANCE_WORDS)]
    lab: Sequence[float]
    hue_name: str
    shades: Shades


class Question(Answer):
    """A question."""

    token: Annotated[str, "goes back with the answer"]
    comes_back: Annotated[bool, "it was missed before"]
    session: Annotated[int, "questions of one sitting"]
    exercise: ExerciseKey
    title: Annotated[str, "of the exercise"]
    prompt: str
    orders: Annotated[bool, "all is put in order; else one is chosen"]
    ends: Annotated[Sequence[str], "how the first and the last of an order are called"]
    view: Annotated[str, OneOf(*VIEWS)]
    value_only: bool
    asks_kind: Annotated[bool, "how the two pads meet is asked too"]
    gap: Annotated[int, "which of three tones is missing"]
    given: Sequence[AskedColour]
    options: Sequence[Option]


class TrueOption(Answer):
    """The same with its figure: L*, ΔL* of a word, or how far it is off what was asked for."""

    shown: Sequence[TrueColour]
    strip: Sequence[Shades]
    figure: float
    sigma: float
    why: str
    rank: Annotated[int, "in order; of a choice 0 is the right one"]


class Answered(Answer):
    """A question with its truth and what was answered."""

    exercise: ExerciseKey
    prompt: str
    orders: bool
    view: Annotated[str, OneOf(*VIEWS)]
    value_only: bool
    gap: int
    measure: Annotated[str, "what the options' figures are"]
    right: bool
    kind: Annotated[str | None, OneOf(*WAYS)]
    kind_given: Annotated[str | None, OneOf(*WAYS)]
    kind_right: bool | None
    reason: str
    chance: Annotated[float, "how often a guess is right"]
    places: Sequence[int]
    truth: Sequence[int]
    given: Sequence[TrueColour]
    options: Sequence[TrueOption]


class Scored(Answer):
    """What an answer is worth, and how fine the eye is by now."""

    answered: Answered
    comes_back_in: Annotated[int | None, "days"]
    unit: str
    threshold: Threshold | None


class PastAnswer(Answer):
    """An answer given before."""

    id: int
    at: datetime
    on_paper: bool
    answered: Answered


class PastAnswers(Answer):
    """Answers given before, the latest first."""

    answers: Sequence[PastAnswer]
    more: bool


class Week(Answer):
    """A week of an exercise."""

    begins: date
    count: int
    right: int
    by_chance: Annotated[float, "how many a guess would have got right"]
    threshold: Threshold | None


class ExerciseWeeks(Answer):
    """The weeks of an exercise in which anything was answered."""

    key: ExerciseKey
    title: str
    unit: str
    weeks: Sequence[Week]


class Region(Answer):
    """How it goes in a region of colours."""

    region: str
    count: int
    right: int
    expected: Annotated[float, "right ones, if this region were like all others"]
    weak: Annotated[bool, "surely worse than elsewhere"]
    weeks: Sequence[Week]


class Progress(Answer):
    """How an eye comes on."""

    exercises: Sequence[ExerciseWeeks]
    regions: Sequence[Region]


class TrainingSheet(Answer):
    """A page that was printed."""

    id: int
    exercise: ExerciseKey
    title: str
    number: int
    sheet: Annotated[str, OneOf(*SHEETS)]
    made: datetime
    questions: int
    answered: int
    right: int


class SheetRow(Answer):
    """A row of the page as it was seen."""

    row: int
    words: str
    trouble: Annotated[str, "why it was not scored"]
    before: Annotated[bool, "it was scored before, which counts"]
    answered: Answered | None


class SheetScored(Answer):
    """The photograph as it is shown, and each row."""

    preview: Annotated[str, "data URL"]
    width: int
    height: int
    uncertainty: float
    warning: str
    rows: Sequence[SheetRow]
