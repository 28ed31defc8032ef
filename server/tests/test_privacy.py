"""Nobody sees, matches against, exports or guesses another person's ranges, drawer or readings."""

from datetime import date

from jindle_core.fullness import Kept
from server.cards.models import StoredCard
from server.catalogue.drawer_actions import keep
from server.catalogue.reading_actions import Laid, Value, add_readings
from server.papers.actions import Named, store_paper
from server.tests.helpers import ApiTestCase, make_range

SECRET = "code,name,L,a,b\nHUSH-1,hush pond,55,-5,-35\nHUSH-2,hush night,20,0,0\n"


class PrivacyTests(ApiTestCase):
    def setUp(self):
        super().setUp()
        self.own = make_range(self.ann, "Hush", "dye ink pad", SECRET)
        hidden = self.own.colours.first()
        keep(
            self.ann,
            [(hidden.pk, Kept("low", "hidden note")), (self.ids["SKY-1"], Kept("dry", "hidden note"))],
        )
        shared = hidden.__class__.objects.get(pk=self.ids["SKY-1"])
        laid, value = Laid(date(2026, 1, 1), note="hidden note"), Value((30.0, 1.0, 2.0), "read")
        (self.reading,) = add_readings(self.ann, [(shared, value)], laid)
        self.hidden = hidden.pk
        sheet = [Named((55.0, -5.0, -35.0), 0.8, "hush wave"), Named((20.0, 0.0, 0.0), 0.2, "hush line")]
        self.paper = store_paper(self.ann, "Hush papers", "Hush sheet", b"picture", sheet, "photographed")
        self.card = self.full_card()
        self.client.force_login(self.ben)

    def answers(self):
        """Everything that Ben can ask for by himself."""
        card = self.new_card("Ben's")
        card = self.change(card, kind="add_colour", anchor={"value": "55, -5, -35"}, name="x", role="lead")
        asked = (
            ("find", {"q": "hush"}), ("like", {"value": "55, -5, -35"}), ("like", {"colour": self.ids["SKY-1"]}),
            ("drawer", None), ("drawer/file", None), ("shopping", None), ("shopping/file", None), ("ranges", None),
            (f"ranges/{self.pads.pk}", None), (f"ranges/{self.pads.pk}/compare", {"other": self.stock.pk}),
            (f"ranges/{self.pads.pk}/readings", None), (f"colours/{self.ids['SKY-1']}/instead", None),
            (f"colours/{self.ids['SKY-1']}/readings", None), ("cards", None), (f"cards/{card['id']}", None),
            (f"cards/{card['id']}/alternatives", {"key": 1, "column": "pad"}),
            (f"cards/{card['id']}/uses", None), ("me/archive", None), ("papers", None),
            (f"cards/{card['id']}/papers", None), ("camera", None),
        )  # fmt: skip
        for path, query in asked:
            answer = self.client.get(f"/api/{path}", query)
            self.assertEqual(answer.status_code, 200, path)
            yield path, answer.getvalue()

    def test_no_answer_speaks_of_them(self):
        for path, content in self.answers():
            with self.subTest(path):
                for word in (b"HUSH", b"hush ", b"Hush", b"hidden", b'"dry"', b"Kingfisher"):
                    if path == "drawer" and word == b'"dry"':
                        continue  # the drawer counts every fullness, here none
                    self.assertNotIn(word, content)

    def test_the_shared_colour_is_to_ben_what_its_range_says(self):
        found = self.ask("get", "find", {"q": "SKY-1"})["colours"][0]
        self.assertEqual((found["lab"], found["owned"], found["read"]), ([80, -5, -18], False, False))
        self.assertEqual(self.ask("get", "drawer")["counts"], {"full": 0, "half": 0, "low": 0, "dry": 0})

    def test_what_is_anothers_sounds_as_if_it_were_not_there(self):
        nowhere = 10**9
        for theirs, nobodys in (
            (f"ranges/{self.own.pk}", f"ranges/{nowhere}"),
            (f"ranges/{self.own.pk}/file/csv", f"ranges/{nowhere}/file/csv"),
            (f"colours/{self.hidden}/instead", f"colours/{nowhere}/instead"),
            (f"colours/{self.hidden}/readings", f"colours/{nowhere}/readings"),
            (f"cards/{self.card['id']}", f"cards/{nowhere}"),
            (f"papers/{self.paper.pk}", f"papers/{nowhere}"),
            (f"papers/{self.paper.pk}/picture", f"papers/{nowhere}/picture"),
        ):
            with self.subTest(theirs):
                self.assertEqual(self.ask("get", theirs, status=404), self.ask("get", nobodys, status=404))
        for path, data in (
            ("drawer", {"colours": ["{}"], "owned": True}),
            ("shopping/asked", {"colours": ["{}"]}),
            ("families/convert", {"colours": ["{}", self.ids["SKY-1"]], "range": self.pads.pk}),
        ):
            told = [
                self.ask(
                    "post",
                    path,
                    {**data, "colours": [pk if one == "{}" else one for one in data["colours"]]},
                    400,
                )
                for pk in (self.hidden, nowhere)
            ]
            self.assertEqual(
                *(str(one).replace(str(pk), "") for one, pk in zip(told, (self.hidden, nowhere), strict=True))
            )

    def test_nothing_of_hers_can_be_written(self):
        self.ask("delete", f"readings/{self.reading.pk}", status=404)
        self.ask("post", f"ranges/{self.own.pk}/changes", {"version": 1, "remove": [self.hidden]}, 404)
        self.ask("delete", f"ranges/{self.own.pk}", status=404)
        self.ask("delete", f"papers/{self.paper.pk}", status=404)
        start = {"name": "x", "size": {"width": "5", "height": "7", "unit": "in"}, "colours": [1]}
        self.ask("post", f"papers/{self.paper.pk}/start", start, 404)
        card = StoredCard.objects.get(pk=self.card["id"])
        change = {"version": card.version, "change": {"kind": "set_card", "name": "mine now"}}
        self.ask("post", f"cards/{card.pk}/changes", change, 404)
        self.client.force_login(self.ann)
        self.assertEqual(self.ask("get", f"cards/{card.pk}")["name"], "Kingfisher")
        self.assertEqual(len(self.ask("get", f"colours/{self.ids['SKY-1']}/readings")["readings"]), 1)
