"""Training over the API: what is asked, answered, comes back, is laid on paper, and is nobody else's."""

import io
import json
import zipfile
from dataclasses import replace
from datetime import timedelta
from unittest.mock import patch

from django.core import signing
from django.core.files.uploadedfile import SimpleUploadedFile
from django.utils import timezone
from PIL import Image

from jindle_core import figures
from jindle_core.training.question import Exercise
from jindle_core.training.scoring import Answer
from server.catalogue.drawer_actions import set_owned
from server.catalogue.models import Colour
from server.tests.helpers import ApiTestCase, make_range, packed
from server.training import asking
from server.training.models import MissedQuestion, TrainingAnswer, TrainingSheet
from server.training.told import prompt

HUES = ((30, 0), (12, 28), (-26, 16), (-20, -22), (12, -32), (28, -18))
MARKERS = "code,L,a,b\n" + "".join(
    f"RUSH-{hue}{depth},{90 - 15 * depth},{a + depth},{b}\n"
    for hue, (a, b) in enumerate(HUES)
    for depth in range(5)
)
PADS = "code,L,a,b\nWEIR-1,80,0,70\nWEIR-2,56,-44,30\nWEIR-3,40,34,-40\nWEIR-4,60,45,40\nWEIR-5,55,-25,-30\nWEIR-6,25,4,-8\n"


class TrainingCase(ApiTestCase):
    @classmethod
    def setUpTestData(cls):
        super().setUpTestData()
        for name, medium, content in (("Rushes", "alcohol marker", MARKERS), ("Weirs", "dye ink pad", PADS)):
            make_range(None, name, medium, content)
        set_owned(cls.ann, list(cls.ids.values()), False)
        cls.mine = list(
            Colour.objects.filter(range__name__in=("Rushes", "Weirs")).values_list("pk", flat=True)
        )
        set_owned(cls.ann, cls.mine, True)

    def question(self, exercise, seed=1, **more):
        return self.ask("post", "training/question", {"exercise": exercise, "seed": seed} | more)

    def truth(self, question):
        """The right answer to a question, which only the server can read."""
        found, _, _ = asking.read_token(self.ann, question["token"])
        return {"token": question["token"], "places": list(found.truth), "kind": found.kind}

    def answer(self, exercise, seed=1, right=True, status=201, **more):
        given = self.truth(self.question(exercise, seed, **more))
        if not right:
            places = given["places"]
            given["places"] = places[::-1] if len(places) > 1 else [(places[0] + 1) % 3]
        return self.ask("post", "training/answers", given, status)

    def overview(self, exercise):
        return next(one for one in self.ask("get", "training")["exercises"] if one["key"] == exercise)


class AskingTests(TrainingCase):
    def test_every_exercise_is_asked_and_answered_with_its_truth(self):
        for exercise in Exercise:
            question = self.question(exercise.value)
            self.assertEqual(question["exercise"], exercise.value)
            self.assertTrue(question["prompt"])
            told = self.ask("post", "training/answers", self.truth(question), 201)
            answered = told["answered"]
            self.assertTrue(answered["right"], answered)
            self.assertEqual(answered["places"], answered["truth"])
            self.assertTrue(answered["reason"])
            self.assertTrue(all(one["figure"] is not None for one in answered["options"]))
            self.assertIsNone(told["comes_back_in"])
            self.assertIsNone(told["threshold"])  # one answer says nothing

    def test_what_is_asked_does_not_give_the_answer_away(self):
        for exercise in Exercise:
            question = self.question(exercise.value)
            for option in question["options"]:
                for one in option["shown"]:
                    self.assertEqual(one["label"], "")
                    self.assertEqual(set(one), {"label", "medium", "form", "provenance", "shade"})

    def test_any_exercise_is_asked_where_none_is_named(self):
        found = {self.ask("post", "training/question", {"seed": seed})["exercise"] for seed in range(25)}
        self.assertGreater(len(found), 3)

    def test_only_what_is_owned_is_asked_of_unless_wished_otherwise(self):
        set_owned(self.ann, self.mine, False)
        told = self.ask("post", "training/question", {"exercise": "lighter-or-darker"}, 400)
        self.assertIn("three colours", told["message"])
        self.assertFalse(self.overview("lighter-or-darker")["ready"])
        self.question("lighter-or-darker", owned=False)

    def test_practise_this_is_about_what_the_card_uses(self):
        card = self.new_card()
        used = [pk for pk in self.mine if "RUSH-2" in Colour.objects.get(pk=pk).code][:3]
        for pk in used:
            body = {"kind": "add_colour", "anchor": {"colour": pk}, "name": "x", "role": "support"}
            card = self.ask(
                "post", f"cards/{card['id']}/changes", {"version": card["version"], "change": body}
            )
        hits = 0
        for seed in range(10):
            told = self.answer("lighter-or-darker", seed, card=card["id"])["answered"]
            hits += bool(set(used) & {one["id"] for option in told["options"] for one in option["shown"]})
        self.assertGreaterEqual(hits, 8)
        checks = self.ask("get", f"cards/{card['id']}")["checks"]
        self.assertIn("lighter-or-darker", {one["practise"] for one in checks})
        self.client.force_login(self.ben)
        self.ask("post", "training/question", {"card": card["id"]}, 404)

    def test_a_region_can_be_asked_for(self):
        told = self.answer("lighter-or-darker", 3, region="dark greens")["answered"]
        self.assertTrue(any("green" in one["shown"][0]["hue_name"] for one in told["options"]))

    def test_eyes_that_cannot_tell_are_asked_for_lightness_alone_if_they_wish(self):
        self.ask("patch", "me", {"eyes": "deutan"})
        found = [self.question("nearest-of-four", seed) for seed in range(30)]
        self.assertTrue(any(one["value_only"] and one["view"] == "greys" for one in found))
        self.ask("patch", "me", {"value_only": False})
        self.assertFalse(any(self.question("nearest-of-four", seed)["value_only"] for seed in range(30)))
        self.ask("patch", "me", {"eyes": "hawk"}, 400)

    def test_what_is_not_asked_is_not_said_to_be(self):
        told = self.question("will-it-join")
        self.assertIn("How do they meet, and what does it look like?", told["prompt"])
        asked, _, _ = asking.read_token(self.ann, told["token"])
        self.assertTrue(prompt(replace(asked, options=())).endswith("How do they meet?"))
        alone = prompt(replace(asked, kind=None, value_only=True))
        self.assertTrue(alone.endswith("What does it look like where they meet in lightness alone?"), alone)

    def test_lightness_alone_is_measured_by_itself(self):
        self.ask("patch", "me", {"eyes": "deutan"})
        told, seed = None, 0
        while TrainingAnswer.objects.filter(value_only=True).count() < figures.training.LEAST_ANSWERS:
            question = self.question("nearest-of-four", seed)
            seed += 1
            if question["value_only"]:
                told = self.ask("post", "training/answers", self.truth(question), 201)
        self.assertEqual(told["unit"], "ΔL*")
        self.assertIsNotNone(told["threshold"])
        self.assertIsNone(self.overview("nearest-of-four")["threshold"])  # of colours nothing is known yet
        fine = asking.spread_of(self.ann, Exercise.NEAREST, value_only=True)
        self.assertLess(fine, asking.spread_of(self.ann, Exercise.NEAREST))

    def test_a_token_is_its_persons_alone_and_not_to_be_made_up(self):
        given = self.truth(self.question("nearest-of-four"))
        for token in ("nonsense", given["token"][:-3] + "abc", signing.dumps({"person": self.ann.pk})):
            told = self.ask("post", "training/answers", given | {"token": token}, 400)
            self.assertIn("Ask another one", told["message"])
        self.client.force_login(self.ben)
        self.ask("post", "training/answers", given, 400)
        self.assertEqual(TrainingAnswer.objects.count(), 0)
        self.client.force_login(self.ann)
        with patch.object(asking, "_DAYS", -1):
            self.ask("post", "training/answers", given, 400)

    def test_what_is_no_answer_says_so_and_can_be_given_again(self):
        given = self.truth(self.question("lighter-or-darker"))
        told = self.ask("post", "training/answers", given | {"places": [0, 0, 1]}, 400)
        self.assertIn("Put all", told["message"])
        self.ask("post", "training/answers", given, 201)

    def test_one_question_is_answered_once(self):
        given = self.truth(self.question("nearest-of-four"))
        wrong = given | {"places": [(given["places"][0] + 1) % 4]}
        self.assertFalse(self.ask("post", "training/answers", wrong, 201)["answered"]["right"])
        again = self.ask("post", "training/answers", given, 201)
        self.assertFalse(again["answered"]["right"])
        self.assertEqual((TrainingAnswer.objects.count(), MissedQuestion.objects.count()), (1, 1))

    def test_of_very_many_answers_the_oldest_go(self):
        with patch.object(figures.training, "KEPT", 3):
            for seed in range(5):
                self.answer("lighter-or-darker", seed)
        self.assertEqual(TrainingAnswer.objects.count(), 3)
        self.assertEqual(self.overview("lighter-or-darker")["answers"], 3)


class StandingTests(TrainingCase):
    def test_the_eye_is_measured_and_the_questions_follow_it(self):
        for seed in range(12):
            told = self.answer("lighter-or-darker", seed)
        self.assertEqual(told["unit"], "ΔL*")
        fine = told["threshold"]
        self.assertLess(fine["low"], fine["value"])
        self.assertLess(fine["value"], 6)
        for seed in range(12):
            self.answer("lighter-or-darker", 100 + seed, right=False)
        coarse = self.overview("lighter-or-darker")
        self.assertGreater(coarse["threshold"]["value"], fine["value"])
        self.assertEqual((coarse["answers"], coarse["right"]), (24, 12))

    def test_what_was_missed_comes_back_and_later_each_time(self):
        told = self.answer("missing-tone", right=False)
        self.assertEqual(told["comes_back_in"], figures.training.BOX_DAYS[0])
        self.assertEqual(self.overview("missing-tone")["due"], 0)
        missed = MissedQuestion.objects.get()
        for days in (*figures.training.BOX_DAYS[1:], None):
            MissedQuestion.objects.update(due=timezone.now() - timedelta(minutes=1))
            self.assertEqual(self.overview("missing-tone")["due"], 1)
            with patch.object(figures.training, "AGAIN_SHARE", 1.0):
                question = self.question("missing-tone", 5)
            self.assertTrue(question["comes_back"])
            told = self.ask("post", "training/answers", self.truth(question), 201)
            self.assertEqual(told["comes_back_in"], days)
        self.assertFalse(MissedQuestion.objects.filter(pk=missed.pk).exists())

    def test_what_was_missed_and_cannot_be_asked_again_is_let_go(self):
        own = make_range(
            self.ann, "Own", "gel pen", "code,L,a,b\nSEDGE-1,90,0,0\nSEDGE-2,60,0,0\nSEDGE-3,30,0,0\n"
        )
        set_owned(self.ann, self.mine, False)
        set_owned(self.ann, [one.pk for one in own.colours.all()], True)
        self.answer("lighter-or-darker", right=False)
        MissedQuestion.objects.update(due=timezone.now())
        self.ask("delete", f"ranges/{own.pk}", status=204)
        set_owned(self.ann, self.mine, True)
        with patch.object(figures.training, "AGAIN_SHARE", 1.0):
            self.assertFalse(self.question("lighter-or-darker")["comes_back"])
        self.assertEqual(MissedQuestion.objects.count(), 0)

    def test_progress_tells_weeks_regions_and_chance(self):
        for seed in range(9):
            self.answer("nearest-of-four", seed, right=seed % 4 > 0)
        first = TrainingAnswer.objects.last()
        first.at -= timedelta(days=14)
        first.save()
        told = self.ask("get", "training/progress")
        weeks = next(one for one in told["exercises"] if one["key"] == "nearest-of-four")["weeks"]
        self.assertEqual([one["count"] for one in weeks], [1, 8])
        self.assertEqual(weeks[1]["by_chance"], 2.0)
        self.assertIsNotNone(weeks[1]["threshold"])
        self.assertIsNone(weeks[0]["threshold"])
        self.assertEqual(sum(one["count"] for one in told["regions"]), 9)

    def test_answers_are_shown_again_also_of_colours_that_are_gone(self):
        own = make_range(
            self.ann, "Own", "alcohol marker", "code,L,a,b\nSEDGE-1,90,0,0\nSEDGE-2,60,0,0\nSEDGE-3,30,0,0\n"
        )
        set_owned(self.ann, self.mine, False)
        set_owned(self.ann, [one.pk for one in own.colours.all()], True)
        self.answer("lighter-or-darker", right=False)
        self.ask("delete", f"ranges/{own.pk}", status=204)
        (past,) = self.ask("get", "training/answers", {"missed": True})["answers"]
        labels = {one["label"] for option in past["answered"]["options"] for one in option["shown"]}
        self.assertEqual(labels, {"SEDGE-1", "SEDGE-2", "SEDGE-3"})
        self.assertFalse(past["on_paper"])

    def test_answers_come_by_pages(self):
        for seed in range(22):
            self.answer("lighter-or-darker", seed)
        first = self.ask("get", "training/answers")
        self.assertEqual((len(first["answers"]), first["more"]), (20, True))
        rest = self.ask("get", "training/answers", {"before": first["answers"][-1]["id"]})
        self.assertEqual((len(rest["answers"]), rest["more"]), (2, False))

    def test_begun_anew_nothing_is_left_of_it(self):
        self.answer("lighter-or-darker", right=False)
        self.ask("delete", "training", status=204)
        self.assertEqual((TrainingAnswer.objects.count(), MissedQuestion.objects.count()), (0, 0))

    def test_a_question_takes_as_many_queries_however_much_was_answered(self):
        self.question("lighter-or-darker")  # the colours are read once
        with self.assertNumQueries(5):
            self.question("lighter-or-darker")
        for seed in range(15):
            self.answer("lighter-or-darker", seed)
        with self.assertNumQueries(5):
            self.question("lighter-or-darker")


class PaperTests(TrainingCase):
    def sheet(self, exercise, **more):
        return self.ask(
            "post", "training/sheets", {"exercise": exercise, "sheet": "a4", "seed": 2} | more, 201
        )

    def photograph(self, pk, light="daylight"):
        answer = self.client.post(
            f"/api/camera/training/{pk}", json.dumps({"light": light}), content_type="application/json"
        )
        self.assertEqual(answer.status_code, 200)
        return answer.content

    def score(self, pk, content, status=200):
        answer = self.client.post(
            f"/api/training/sheets/{pk}/photo", {"file": SimpleUploadedFile("x.jpg", content)}
        )
        self.assertEqual(answer.status_code, status, answer.content[:300])
        return answer.json()

    def test_each_exercise_is_printed_laid_photographed_and_scored(self):
        for exercise in Exercise:
            made = self.sheet(exercise.value)
            printed = self.client.get(f"/api/training/sheets/{made['id']}")
            self.assertTrue(printed.content.startswith(b"%PDF"))
            told = self.score(made["id"], self.photograph(made["id"]))
            self.assertEqual([row["trouble"] for row in told["rows"]], [""] * made["questions"])
            stored = TrainingAnswer.objects.filter(sheet=made["id"])
            self.assertEqual(stored.count(), made["questions"])
            self.assertEqual({one.exercise for one in stored}, {exercise.value})

    def test_what_is_scored_is_what_the_hand_laid(self):
        made = self.sheet("nearest-of-four")
        with patch("server.training.sheet_api.SimulatedLearner") as learner:
            learner.return_value.answer = lambda question: Answer(question.truth, question.kind)
            content = self.photograph(made["id"])
        told = self.score(made["id"], content)
        self.assertTrue(all(row["answered"]["right"] for row in told["rows"]), told["rows"])
        (listed,) = self.ask("get", "training/sheets")
        self.assertEqual((listed["answered"], listed["right"]), (made["questions"],) * 2)

    def test_a_page_counts_once_however_often_it_is_photographed(self):
        made = self.sheet("lighter-or-darker")
        content = self.photograph(made["id"])
        first = self.score(made["id"], content)
        again = self.score(made["id"], content)
        self.assertTrue(all(row["before"] for row in again["rows"]))
        self.assertEqual(
            [row["answered"]["places"] for row in first["rows"]],
            [row["answered"]["places"] for row in again["rows"]],
        )
        self.assertEqual(TrainingAnswer.objects.count(), made["questions"])

    def test_a_page_that_is_not_filled_and_a_picture_of_none(self):
        made = self.sheet("lighter-or-darker")
        with patch("server.training.sheet_api._Hand.laid", return_value=[]):
            empty = self.photograph(made["id"])
        told = self.score(made["id"], empty)
        self.assertEqual({row["trouble"] for row in told["rows"]}, {"nothing is laid"})
        self.assertEqual(TrainingAnswer.objects.count(), 0)
        other = self.sheet("lighter-or-darker")
        said = self.score(made["id"], self.photograph(other["id"]), 400)["message"]
        self.assertIn(f"This is page {other['number']}", said)
        with patch("server.training.sheet_api.dark_cells", return_value=[]):
            unread = self.photograph(made["id"])
        self.assertIn("number", self.score(made["id"], unread, 400)["message"])
        self.assertIn("corner marks", self.score(made["id"], plain_picture(), 400)["message"])
        self.score(made["id"], b"no picture", 400)

    def test_pages_are_thrown_away_and_what_was_answered_stays(self):
        made = self.sheet("lighter-or-darker")
        self.score(made["id"], self.photograph(made["id"]))
        self.ask("delete", f"training/sheets/{made['id']}", status=204)
        self.assertEqual(TrainingSheet.objects.count(), 0)
        self.assertTrue(self.ask("get", "training/answers")["answers"][0]["on_paper"])
        set_owned(self.ann, self.mine, False)
        self.ask("post", "training/sheets", {"exercise": "lighter-or-darker"}, 400)


class TrainingArchiveTests(TrainingCase):
    def bring(self, content, status=200):
        self.client.force_login(self.ben)
        answer = self.client.post("/api/me/archive", {"file": SimpleUploadedFile("a.zip", content)})
        self.assertEqual(answer.status_code, status, answer.content[:400])
        return answer.json()

    def test_all_of_it_goes_out_and_comes_back(self):
        for seed in range(9):
            self.answer("will-it-join", seed, right=seed % 2 == 0)
        made = self.ask("post", "training/sheets", {"exercise": "missing-tone", "seed": 1}, 201)
        content = self.client.post(
            f"/api/camera/training/{made['id']}",
            json.dumps({"light": "daylight"}),
            content_type="application/json",
        ).content
        self.client.post(
            f"/api/training/sheets/{made['id']}/photo", {"file": SimpleUploadedFile("x.jpg", content)}
        )
        self.ask("patch", "me", {"eyes": "protan", "value_only": False})
        self.ann.refresh_from_db()
        before = [self.ask("get", path) for path in ("training", "training/progress")]
        answers = [one["answered"] for one in self.ask("get", "training/answers")["answers"]]
        whole = packed(self.ann)
        told = self.bring(whole)
        self.assertEqual(told["answers"], 9 + made["questions"])
        self.assertEqual([self.ask("get", path) for path in ("training", "training/progress")], before)
        self.assertEqual([one["answered"] for one in self.ask("get", "training/answers")["answers"]], answers)
        self.assertEqual(self.ask("get", "me")["eyes"], "protan")
        (sheet,) = self.ask("get", "training/sheets")
        self.assertEqual(sheet["answered"], made["questions"])
        self.ben.refresh_from_db()
        self.assertEqual(packed(self.ben), whole)
        self.assertEqual(
            MissedQuestion.objects.filter(owner=self.ben).count(),
            MissedQuestion.objects.filter(owner=self.ann).count(),
        )

    def test_what_is_not_as_it_was_written_comes_in_not_at_all(self):
        self.answer("lighter-or-darker")
        self.ann.refresh_from_db()
        TrainingAnswer.objects.update(spread=7777.5)
        told = self.bring(changed(packed(self.ann), "training.json", '"gap": 0', '"gap": 7'), 400)
        self.assertIn("no question that was asked", told["message"])
        for wrong in ('"spread": -1', '"spread": NaN', '"spread": "x"', '"spread": null'):
            self.bring(changed(packed(self.ann), "training.json", '"spread": 7777.5', wrong), 400)
            self.assertFalse(TrainingAnswer.objects.filter(owner=self.ben).exists())


def plain_picture():
    out = io.BytesIO()
    Image.new("RGB", (300, 400), "#d0d0d0").save(out, "JPEG")
    return out.getvalue()


def changed(archive, name, old, new):
    """An archive with something in one of its files put otherwise."""
    out = io.BytesIO()
    with zipfile.ZipFile(io.BytesIO(archive)) as before, zipfile.ZipFile(out, "w") as after:
        for one in before.namelist():
            content = before.read(one)
            after.writestr(one, content.replace(old.encode(), new.encode()) if one == name else content)
    return out.getvalue()
