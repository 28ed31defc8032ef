"""What somebody was asked and answered, what comes back to them, and which sheets they printed."""

from django.conf import settings
from django.db import models
from django.utils import timezone

from jindle_core.swatch_sheet import SHEETS
from jindle_core.training.question import Exercise

EXERCISE_CHOICES = [(one.value, one.value) for one in Exercise]
SHEET_CHOICES = [(one, one) for one in SHEETS]


class TrainingSheet(models.Model):
    """A printed page of questions of an exercise: ``jindle_core.training.question.Question`` as JSON each."""

    owner = models.ForeignKey(
        settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="training_sheets"
    )
    exercise = models.CharField(max_length=20, choices=EXERCISE_CHOICES)
    sheet = models.CharField(max_length=10, choices=SHEET_CHOICES)
    number = models.PositiveSmallIntegerField()  # printed on it, so that a photograph says which page it is
    questions = models.JSONField()
    made = models.DateTimeField(default=timezone.now)

    class Meta:
        db_table = "training_sheet"
        ordering = ("-id",)

    def __str__(self) -> str:
        return f"{self.exercise} {self.number}"


class TrainingAnswer(models.Model):
    """An answer with its question, which stands by itself, and what progress wants to know of it.

    ``spread`` is how fine the eye was by then (see ``jindle_core.training.threshold``).
    ``digest`` is of what was asked, so that one question is answered once; on paper it is of a ``row``.
    """

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="training")
    at = models.DateTimeField(default=timezone.now)
    exercise = models.CharField(max_length=20, choices=EXERCISE_CHOICES)
    value_only = models.BooleanField(default=False)
    right = models.BooleanField()
    chance = models.FloatField()
    trials = models.JSONField()
    regions = models.JSONField()
    spread = models.FloatField()
    question = models.JSONField()
    answer = models.JSONField()
    digest = models.CharField(max_length=64)
    sheet = models.ForeignKey(TrainingSheet, null=True, on_delete=models.SET_NULL, related_name="answers")
    row = models.PositiveSmallIntegerField(null=True)

    class Meta:
        db_table = "training_answer"
        ordering = ("-id",)
        constraints = [models.UniqueConstraint(fields=("owner", "digest"), name="answered_once")]
        indexes = [models.Index(fields=("owner", "exercise", "-id"), name="latest_of_exercise")]

    def __str__(self) -> str:
        return f"{self.exercise}, {'right' if self.right else 'missed'}"


class MissedQuestion(models.Model):
    """A question that was missed, and when it comes back: see ``jindle_core.training.repetition``."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="missed")
    exercise = models.CharField(max_length=20, choices=EXERCISE_CHOICES)
    question = models.JSONField()
    box = models.PositiveSmallIntegerField(default=0)
    due = models.DateTimeField()

    class Meta:
        db_table = "training_missed"
        ordering = ("due", "id")

    def __str__(self) -> str:
        return f"{self.exercise}, due {self.due:%Y-%m-%d}"
