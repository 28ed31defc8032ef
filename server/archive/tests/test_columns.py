"""Every column of every table of a person's goes out and comes back, or is named as left out with why."""

import io
from datetime import datetime

import numpy as np
from django.apps import apps
from django.utils import timezone
from PIL import Image

from jindle_core.media.medium import Medium
from jindle_core.palettes.moods import MOODS
from jindle_core.planning.instead import UsedInstead
from jindle_core.stored import plain
from jindle_core.training.question import AskedColour, Exercise, Option, Question
from jindle_core.training.scoring import Answer
from server.accounts.models import Person
from server.archive import left_out
from server.archive.tests.filled import FilledTestCase
from server.cards.models import CardWork, StoredCard
from server.catalogue.models import Colour, DrawerEntry, PutAway, Range, Reading
from server.catalogue.readings import to_bytes
from server.colouring.models import Drawing
from server.palettes.moods import keep_mood
from server.papers.models import Paper
from server.records.models import MadeTogether, Record
from server.sets.actions import make_set
from server.tests.helpers import make_range, packed
from server.training.actions import keep_answer
from server.training.models import MissedQuestion, TrainingAnswer, TrainingSheet

# How a row is found to be of somebody.
_WAYS = ("owner", "card__owner", "record__owner", "of__owner", "range__owner")
# What names things by their ids, which are others in another account: it comes back as something.
_NAMES_THINGS = {
    *("StoredCard.stored", "Revision.stored", "KeptFamily.colours"),
    *("TrainingSheet.questions", "TrainingAnswer.question", "MissedQuestion.question"),
}


def owned(model, person):
    """A person's rows of a model; None where it has none of anybody's."""
    if model is Person:
        return Person.objects.filter(pk=person.pk)
    for way in _WAYS:
        first, *then = way.split("__")
        try:
            field = model._meta.get_field(first)
            if then:
                field.related_model._meta.get_field(then[0])
        except Exception:
            continue
        return model._base_manager.filter(**{way: person}).order_by("pk")
    return None


def kept_columns(model):
    for field in model._meta.concrete_fields:
        name = f"{model.__name__}.{field.name}"
        if field.name not in left_out.COLUMNS and name not in left_out.OF_TABLES:
            yield name, field


def is_usual(field, value):
    if field.has_default():
        return value == field.get_default()
    return value in (None, "", False, [], {}, 0)


class ColumnTests(FilledTestCase):
    def fill(self):
        """What the account of the other archive tests has, and of every column something that is not usual."""
        ann = self.ann
        Person.objects.filter(pk=ann.pk).update(
            only_owned=True, dark_first=True, figures=True, eyes="deutan", value_only=False
        )
        Range.objects.filter(owner=ann).update(maker="Quay Works", note="by hand")
        Range.objects.filter(pk=self.own.pk).update(properties={"metallic": True})
        PutAway.objects.create(
            owner=ann, range=make_range(None, "Elsewhere", "gel pen", "code,L,a,b\nX-1,9,0,0\n")
        )
        gone = make_range(ann, "Gone", "dye ink pad", "code,L,a,b\nGONE-1,50,1,2\n")
        Range.objects.filter(pk=gone.pk).update(gone=True)
        spectrum = to_bytes(np.linspace(0.1, 0.8, 31))
        Colour.objects.filter(range=self.own).update(
            family="Moons", paper="plain", discontinued=True, spectrum=spectrum
        )
        DrawerEntry.objects.filter(owner=ann).update(note="gift")
        Reading.objects.filter(owner=ann).update(
            paper=self.ids["milk"],
            hand="heavy",
            layers=2,
            note="at noon",
            spectrum=spectrum,
            simulated=True,
            taken_with="a lamp",
        )
        now = timezone.now()
        Paper.objects.filter(owner=ann).update(put_by=now, deleted=now, width_mm=152.4, simulated=True)
        Drawing.objects.filter(owner=ann).update(put_by=now, deleted=now)
        StoredCard.objects.filter(owner=ann).update(put_by=now)
        mood = keep_mood(ann, MOODS[0])
        self.assertIsNotNone(mood)
        beside = MadeTogether.objects.create(owner=ann, name="Six of a kind")
        Record.objects.filter(owner=ann).update(
            together=beside, occasion="birthday", went_well="the sky", to_change="the glue",
            times=[{"words": "cut", "minutes": 2.0}], picture=self.webp(),
            instead=[plain(UsedInstead("sails", "reed", "OAR-1", "Quay", "gel pen", "#112233", "blue", "oar"))],
        )  # fmt: skip
        card = StoredCard.objects.get(owner=ann)
        of = make_set(ann, "Birthdays", {card.pk: 3, self.new_card()["id"]: 1})
        of.keep_work(1, CardWork.objects.get(card=card).stored)
        lab = ((90.0, 0.0, 0.0), (60.0, 0.0, 0.0), (30.0, 0.0, 0.0))
        shown = [AskedColour(None, "x", "y", Medium.GEL_PEN, "read", one, 0.5) for one in lab]
        question = Question(
            Exercise.LIGHTER,
            tuple(Option(one.lab[0], 0.5, (one,)) for one in shown),
            value_only=True,
        )
        page = TrainingSheet.objects.create(
            owner=ann, exercise="lighter-or-darker", sheet="a4", number=1234, questions=[plain(question)]
        )
        keep_answer(ann, question, Answer((2, 1, 0), None), "x", None)
        keep_answer(ann, question, Answer((0, 1, 2), None), "y", None)
        MissedQuestion.objects.filter(owner=ann).update(box=2)
        TrainingAnswer.objects.filter(owner=ann, digest="x").update(sheet=page, row=1)

    def webp(self):
        out = io.BytesIO()
        Image.new("RGB", (60, 40), "#7799aa").save(out, "WEBP")
        return out.getvalue()

    def test_each_goes_out_and_comes_back(self):
        self.fill()
        content = packed(Person.objects.get(pk=self.ann.pk))
        self.client.force_login(self.ben)
        self.bring_back(content)
        lacking, told = [], []
        for model in apps.get_models():
            if not model.__module__.startswith("server.") or model.__name__ in left_out.TABLES:
                continue
            mine, theirs = (owned(model, one) for one in (self.ann, self.ben))
            self.assertIsNotNone(mine, f"{model.__name__} is nobody's: say in left_out.py why")
            mine, theirs = list(mine), list(theirs)
            self.assertEqual(len(mine), len(theirs), model.__name__)
            for name, field in kept_columns(model):
                values = [getattr(one, field.attname) for one in mine]
                back = [getattr(one, field.attname) for one in theirs]
                told.append(name)
                if all(is_usual(field, value) for value in values):
                    lacking.append(name)
                elif field.is_relation or name in _NAMES_THINGS or isinstance(values[0], datetime):
                    self.assertEqual([bool(one) for one in values], [bool(one) for one in back], name)
                else:
                    self.assertEqual(values, back, name)
        self.assertEqual(lacking, [], "the filled account has nothing unusual of these")
        self.assertGreater(len(told), 100)
