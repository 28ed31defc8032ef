"""The API of training."""

from dataclasses import replace
from typing import Any

import numpy as np
from django.db.models import Count, Q
from django.utils import timezone
from drf_spectacular.utils import extend_schema
from rest_framework import status
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core import figures
from jindle_core.blending.joins import Meeting
from jindle_core.card.references import named
from jindle_core.training.exercises import ask
from jindle_core.training.question import Exercise, Question
from jindle_core.training.regions import within
from jindle_core.training.scoring import Answer, scored
from server.access import own_card, training_answers_of, training_missed_of
from server.accounts.models import Person
from server.catalogue.arrays import catalogue_for
from server.requests import Request
from server.told.schema import component
from server.told.training import PastAnswer, PastAnswers, Scored
from server.told.training import Progress as ProgressTold
from server.told.training import Question as QuestionTold
from server.told.training import Training as TrainingTold
from server.training import told
from server.training.actions import begin_anew, keep_answer, read_answered, threshold_of
from server.training.asking import answers_for_progress, next_question, read_token, wish_of
from server.training.models import TrainingAnswer
from server.training.serializers import (
    AnswerSerializer,
    AskSerializer,
    PastQuery,
)

_PAGE = 20  # answers that are told at once


class Training(APIView):
    """Training, and where it stands."""

    @extend_schema(responses=component(TrainingTold), operation_id="training")
    def get(self, request: Request) -> Response:
        """The five exercises: whether their person's colours give any, how fine the eye is, what is due."""
        person, supplies = request.user, catalogue_for(request.user)
        answered = {
            row["exercise"]: {"count": row["count"], "right": row["right"]}
            for row in training_answers_of(person)
            .order_by()
            .values("exercise")
            .annotate(count=Count("id"), right=Count("id", filter=Q(right=True)))
        }
        due = dict(
            training_missed_of(person)
            .filter(due__lte=timezone.now())
            .order_by()
            .values_list("exercise")
            .annotate(Count("id"))
        )
        nothing, random, wish = (
            {"count": 0, "right": 0},
            np.random.default_rng(0),
            wish_of(person, owned=True),
        )
        exercises = []
        for one in Exercise:
            found = threshold_of(person, one)
            ready = ask(one, supplies, found.spread, wish, random) is not None
            row = answered.get(one.value, nothing)
            exercises.append(told.exercise_told(one, found, row, due.get(one.value, 0), ready))
        label = figures.colour.UNCERTAINTY["label"]
        return Response(
            TrainingTold(
                exercises=exercises,
                session=figures.training.SESSION,
                own=int(supplies.usable.sum()),
                beyond_screen=told.beyond_screen(supplies),
                rough=int((supplies.usable & (supplies.sigma >= label)).sum()),
            )
        )

    @extend_schema(responses={204: None}, operation_id="begin_training_anew")
    def delete(self, request: Request) -> Response:
        """Forget every answer, and what comes back."""
        begin_anew(request.user)
        return Response(status=status.HTTP_204_NO_CONTENT)


class NextQuestion(APIView):
    """The next question."""

    @extend_schema(request=AskSerializer, responses=component(QuestionTold), operation_id="training_question")
    def post(self, request: Request) -> Response:
        """A question of these colours, as hard as is good for this eye; nothing is stored."""
        given = AskSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        asked = given.validated_data
        exercise = Exercise(asked["exercise"]) if asked.get("exercise") else None
        supplies, around = catalogue_for(request.user), frozenset[int]()
        if asked.get("card"):
            around = frozenset(named(own_card(request.user, asked["card"]).value).every)
        elif asked.get("region"):
            around = within(supplies, asked["region"])
        wish = replace(wish_of(request.user, asked["owned"], around), darks=asked["darks"])
        found = next_question(request.user, supplies, exercise, wish, asked.get("seed"))
        return Response(told.question_told(found.question, found.token, found.missed is not None))


class Answers(APIView):
    """What was answered."""

    @extend_schema(parameters=[PastQuery], responses=component(PastAnswers), operation_id="training_answers")
    def get(self, request: Request) -> Response:
        """Answers given before, each with its question and truth, the latest first."""
        given = PastQuery(data=request.query_params)
        given.is_valid(raise_exception=True)
        found = training_answers_of(request.user)
        if given.validated_data["missed"]:
            found = found.filter(right=False)
        if "before" in given.validated_data:
            found = found.filter(pk__lt=given.validated_data["before"])
        rows = list(found[: _PAGE + 1])
        return Response(PastAnswers(answers=[_past(row) for row in rows[:_PAGE]], more=len(rows) > _PAGE))

    @extend_schema(
        request=AnswerSerializer, responses={201: component(Scored)}, operation_id="answer_training"
    )
    def post(self, request: Request) -> Response:
        """Answer a question: the truth with its figures, and how fine the eye is by now."""
        given = AnswerSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        asked = given.validated_data
        question, missed, digest = read_token(request.user, asked["token"])
        answer = Answer(tuple(asked["places"]), Meeting(asked["kind"]) if asked["kind"] else None)
        stored, worth, days = keep_answer(request.user, question, answer, digest, missed)
        _, first = read_answered(stored)
        return Response(
            {
                "answered": told.answered_told(question, first, worth),
                "comes_back_in": days,
                **_standing(request.user, question),
            },
            status=status.HTTP_201_CREATED,
        )


class Progress(APIView):
    """How an eye comes on."""

    @extend_schema(responses=component(ProgressTold), operation_id="training_progress")
    def get(self, request: Request) -> Response:
        """Week by week by exercise, beside what guessing would give; and by region, the weakest first."""
        return Response(told.progress_told(answers_for_progress(request.user)))


def _standing(person: Person, question: Question) -> dict[str, Any]:
    exercise, value_only = question.exercise, question.value_only
    count = training_answers_of(person).filter(exercise=exercise.value, value_only=value_only).count()
    found = threshold_of(person, exercise, value_only)
    return {"unit": question.unit, "threshold": told.threshold_told(found, count)}


def _past(row: TrainingAnswer) -> PastAnswer:
    question, answer = read_answered(row)
    return PastAnswer(
        id=row.pk,
        at=row.at,
        on_paper=row.row is not None,
        answered=told.answered_told(question, answer, scored(question, answer)),
    )
