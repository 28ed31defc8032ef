"""The API of training on paper: a page is made, printed, photographed and scored."""

from collections.abc import Sequence
from typing import Any

import numpy as np
from django.http import HttpResponse
from django.utils import timezone
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import extend_schema
from PIL import Image
from rest_framework import status
from rest_framework.parsers import MultiPartParser
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core import figures
from jindle_core.colorimetry.recovery import lab_to_reflectance
from jindle_core.colorimetry.spaces import Array
from jindle_core.interchange.bare_picture import jpeg
from jindle_core.patterned.lamp import Light
from jindle_core.patterned.patches import Patch
from jindle_core.swatch_sheet import swatch_sheet
from jindle_core.training.exercises import EXERCISES
from jindle_core.training.question import WAYS, AskedColour, Exercise, Question
from jindle_core.training.scoring import Answer, scored
from jindle_core.training.sheet import (
    boxes_of,
    codes,
    row_areas,
    seen_row,
    truth_words,
    words_of,
)
from server.access import one, training_answers_of, training_sheets_of
from server.accounts.models import Person
from server.accounts.stand_ins import check_stand_ins
from server.catalogue.api.reader import lying_there
from server.catalogue.arrays import catalogue_for
from server.catalogue.downloads import data_url, download
from server.catalogue.models import Colour
from server.catalogue.printing import pdf
from server.catalogue.reading_actions import Laid
from server.pictures import opened
from server.requests import Request
from server.told.schema import component
from server.told.training import SheetRow, SheetScored
from server.told.training import TrainingSheet as TrainingSheetTold
from server.training import told
from server.training.actions import keep_answer, make_sheet, read_answered, read_question
from server.training.asking import questions_for_sheet, spread_of, wish_of
from server.training.models import TrainingSheet
from server.training.photographed import dark_cells, page_read
from server.training.serializers import (
    MakeSheetSerializer,
    SheetPhotoSerializer,
    SheetSceneSerializer,
)
from standins.camera import SimulatedCamera
from standins.learner import SimulatedLearner
from standins.page import INK, filled_page
from standins.reader import true_reflectance


def own_sheet(person: Person, pk: int) -> TrainingSheet:
    """A page of the person's; 404 for anybody else's."""
    return one(training_sheets_of(person), pk=pk)


class TrainingSheets(APIView):
    """Pages that were printed."""

    @extend_schema(responses=component(TrainingSheetTold, many=True), operation_id="training_sheets")
    def get(self, request: Request) -> Response:
        """All of them, the latest first, and how they were answered."""
        found = training_sheets_of(request.user).prefetch_related("answers")
        return Response([_sheet_told(sheet) for sheet in found])

    @extend_schema(
        request=MakeSheetSerializer,
        responses={201: component(TrainingSheetTold)},
        operation_id="make_training_sheet",
    )
    def post(self, request: Request) -> Response:
        """A page of questions of one exercise, as hard as is good for this eye."""
        given = MakeSheetSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        asked, exercise = given.validated_data, Exercise(given.validated_data["exercise"])
        wish = wish_of(request.user, asked["owned"])
        supplies = catalogue_for(request.user)
        questions = questions_for_sheet(request.user, supplies, exercise, wish, asked.get("seed"))
        made = make_sheet(request.user, exercise, asked["sheet"], questions)
        return Response(_sheet_told(made), status=status.HTTP_201_CREATED)


class OneTrainingSheet(APIView):
    """A page that was printed."""

    @extend_schema(
        responses={(200, "application/pdf"): OpenApiTypes.BINARY}, operation_id="print_training_sheet"
    )
    def get(self, request: Request, pk: int) -> HttpResponse:
        """The page to print, its answers on the back."""
        sheet = own_sheet(request.user, pk)
        title = EXERCISES[Exercise(sheet.exercise)].title
        return download(
            pdf("print/training.html", _printed(sheet)),
            "application/pdf",
            f"{title.lower()} {sheet.number}.pdf",
        )

    @extend_schema(responses={204: None}, operation_id="delete_training_sheet")
    def delete(self, request: Request, pk: int) -> Response:
        """Throw the page away; what was answered on it stays."""
        own_sheet(request.user, pk).delete()
        return Response(status=status.HTTP_204_NO_CONTENT)


class TrainingSheetPhoto(APIView):
    """A photograph of a page, filled."""

    parser_classes = [MultiPartParser]

    @extend_schema(
        request={"multipart/form-data": SheetPhotoSerializer},
        responses=component(SheetScored),
        operation_id="score_training_sheet",
    )
    def post(self, request: Request, pk: int) -> Response:
        """Score it: what was laid in each row, whether it was right, or why it cannot be read."""
        sheet = own_sheet(request.user, pk)
        given = SheetPhotoSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        picture = opened(given.validated_data["file"].read(figures.paper.LARGEST_PICTURE + 1))
        light = given.validated_data.get("light")
        questions = _questions(sheet)
        rows, sigma, trouble = page_read(sheet, questions, picture, Light(light) if light else None)
        image = Image.fromarray(picture.pixels)
        return Response(
            SheetScored(
                preview=data_url(jpeg(image), "image/jpeg"),
                width=image.width,
                height=image.height,
                uncertainty=round(sigma, 1),
                warning=trouble,
                rows=[
                    _row_scored(request.user, sheet, at, question, patches)
                    for at, (question, patches) in enumerate(zip(questions, rows, strict=True))
                ],
            )
        )


class CameraTraining(APIView):
    """Photographing a page before the simulated camera."""

    @extend_schema(
        request=SheetSceneSerializer,
        responses={(200, "image/jpeg"): OpenApiTypes.BINARY},
        operation_id="photograph_training_sheet",
    )
    def post(self, request: Request, pk: int) -> HttpResponse:
        """A photograph (JPEG) of the page as a made-up hand would have filled it, with as fine an eye."""
        check_stand_ins(request.user)
        sheet = own_sheet(request.user, pk)
        given = SheetSceneSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        spread = spread_of(request.user, Exercise(sheet.exercise))
        learner, printed = SimulatedLearner(spread, sheet.pk), swatch_sheet(sheet.sheet)
        questions = _questions(sheet)
        hand = _Hand(request.user, questions)
        filled = [(cell, INK) for cell in dark_cells(printed, sheet)]
        for at, question in enumerate(questions):
            laid = hand.laid(question, learner.answer(question))
            areas = row_areas(printed, at)[1]
            filled += [(area, one) for area, one in zip(areas, laid, strict=False) if one is not None]
        content = SimulatedCamera().photograph(
            filled_page(printed, filled), given.validated_data["light"], seed=sheet.pk
        )
        return HttpResponse(content, content_type="image/jpeg")


class _Hand:
    """Lays colours as the reader's world has them: each a little otherwise than it is known."""

    def __init__(self, person: Person, questions: Sequence[Question]) -> None:
        self._supplies = catalogue_for(person)
        ids = {one.id for question in questions for one in question.colours if one.id is not None}
        self._colours = Colour.objects.in_bulk(ids & self._supplies.places.keys())

    def laid(self, question: Question, answer: Answer) -> list[Array | None]:
        """The reflectance (31,) in each box of a row, as somebody answers it; None: it is left empty."""
        if question.kind is not None:
            return [INK if kind is answer.kind else None for kind in WAYS]
        asked = iter([question.options[place].shown[-1] for place in answer.places])
        given = iter(question.given)
        return [self._one(next(asked) if box.read else next(given)) for box in boxes_of(question)]

    def _one(self, colour: AskedColour) -> Array:
        there = self._colours.get(colour.id or 0)
        if there is None:
            return np.asarray(lab_to_reflectance(np.array([colour.lab]))[0])
        return true_reflectance(lying_there(self._supplies, there, Laid(timezone.localdate())))


def _questions(sheet: TrainingSheet) -> list[Question]:
    return [read_question(stored) for stored in sheet.questions]


def _sheet_told(sheet: TrainingSheet) -> TrainingSheetTold:
    answers = list(sheet.answers.all())
    return TrainingSheetTold(
        id=sheet.pk,
        exercise=Exercise(sheet.exercise),
        title=EXERCISES[Exercise(sheet.exercise)].title,
        number=sheet.number,
        sheet=sheet.sheet,
        made=sheet.made,
        questions=len(sheet.questions),
        answered=len(answers),
        right=sum(answer.right for answer in answers),
    )


def _printed(sheet: TrainingSheet) -> dict[str, Any]:
    printed, questions = swatch_sheet(sheet.sheet), _questions(sheet)
    rows = []
    for at, question in enumerate(questions):
        words, areas = row_areas(printed, at)
        boxes = zip(areas, boxes_of(question), strict=False)
        rows.append(
            {
                "number": at + 1,
                "words": words_of(question),
                "area": words,
                "boxes": [
                    {"area": area, "under": area.top + area.height + 0.8, "words": box.words}
                    for area, box in boxes
                ],
                "truth": truth_words(question),
            }
        )
    left = figures.paper.SHEET_MARGIN + figures.paper.SHEET_MARK + figures.paper.SHEET_GAP
    return {
        "title": f"{EXERCISES[Exercise(sheet.exercise)].title}, page {sheet.number}",
        "page": printed,
        "margin": figures.paper.SHEET_MARGIN,
        "left": left,
        "hole": printed.marks[0].inset(*[printed.marks[0].width / 3] * 4),
        "cells": dark_cells(printed, sheet),
        "rows": rows,
        "codes": codes(questions),
        "codes_width": printed.width - 2 * left,
    }


def _row_scored(
    person: Person, sheet: TrainingSheet, row: int, question: Question, patches: Sequence[Patch]
) -> SheetRow:
    before = training_answers_of(person).filter(sheet=sheet, row=row).first()
    seen = seen_row(question, patches)
    answered = None
    if before is not None:
        answered = told.answered_told(*(found := read_answered(before)), scored(*found))
    elif seen.answer is not None:
        _, worth, _ = keep_answer(
            person, question, seen.answer, f"sheet {sheet.pk} row {row}", sheet=sheet, row=row
        )
        answered = told.answered_told(question, seen.answer, worth)
    return SheetRow(
        row=row + 1,
        words=words_of(question),
        trouble="" if answered else seen.trouble,
        before=before is not None,
        answered=answered,
    )
