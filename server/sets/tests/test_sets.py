"""Cards are put together, built alike, cut and worked on together, and recorded together."""

import re

from django.core.files.uploadedfile import SimpleUploadedFile

from server.cards.models import StoredCard
from server.cards.tests.test_build import inflated
from server.records.models import Record
from server.sets.models import CardSet
from server.tests.helpers import ApiTestCase

LETTER = {"width": "8 1/2", "height": "11", "unit": "in"}


class SetTests(ApiTestCase):
    def setUp(self):
        super().setUp()
        card = self.change(self.full_card(), kind="set_card", name="Heron")
        self.first = self.change(card, kind="start_layout", layout="framed")
        copied = self.ask("post", f"cards/{self.first['id']}/copy", {"name": "Heron at dusk"}, 201)
        self.other = self.ask("get", f"cards/{copied['id']}")
        self.set = self.make([(self.first["id"], 1), (self.other["id"], 2)])

    def make(self, cards, name="Herons", status=201):
        told = {"name": name, "cards": [{"card": pk, "count": count} for pk, count in cards]}
        return self.ask("post", "sets", told, status)

    def told(self, pk=None, status=200):
        return self.ask("get", f"sets/{pk or self.set['id']}", status=status)

    def test_a_set_tells_its_cards_what_they_share_and_what_is_to_be_bought(self):
        told = self.told()
        self.assertEqual(
            [(one["name"], one["count"]) for one in told["cards"]], [("Heron", 1), ("Heron at dusk", 2)]
        )
        self.assertEqual((told["count"], told["broken"]), (3, []))
        (pair,) = told["alike"]
        self.assertEqual((pair["off"], pair["words"]), (0.0, "the same pattern in greys"))
        self.assertEqual(len(pair["names"]), pair["shared"])
        self.assertIn("Pads SKY-2", pair["names"])
        self.assertTrue(all(set(one["cards"]) <= {"Heron", "Heron at dusk"} for one in told["shopping"]))
        (listed,) = self.ask("get", "sets")
        self.assertEqual((listed["cards"], listed["count"]), (["Heron", "Heron at dusk"], 3))

    def test_which_and_how_many_are_changed_against_a_version(self):
        cards = [{"card": self.other["id"], "count": 3}, {"card": self.first["id"], "count": 1}]
        told = self.ask("patch", f"sets/{self.set['id']}", {"version": 1, "name": "Two", "cards": cards})
        self.assertEqual([one["count"] for one in told["cards"]], [3, 1])
        self.assertEqual((told["name"], told["version"]), ("Two", 2))
        self.ask("patch", f"sets/{self.set['id']}", {"version": 1, "name": "Late"}, 409)
        for wrong, words in (
            ([], "1 to 40"),
            ([cards[0], cards[0]], "once"),
            ([{"card": self.other["id"], "count": 0}], "From 1 to 200"),
            ([{"card": 999_999, "count": 1}], "not there any more"),
        ):
            asked = {"version": 2, "cards": wrong}
            self.assertIn(words, self.ask("patch", f"sets/{self.set['id']}", asked, 400)["message"])
        self.assertEqual([one["count"] for one in self.told()["cards"]], [3, 1])

    def test_nobody_puts_another_persons_card_into_theirs(self):
        self.client.force_login(self.ben)
        self.make([(self.first["id"], 1)], status=400)
        self.assertFalse(CardSet.objects.filter(owner=self.ben).exists())

    def test_a_build_is_carried_to_the_others_and_can_be_taken_back(self):
        key = self.ask("get", f"cards/{self.first['id']}/build")["pieces"][0]["key"]
        self.first = self.change(self.first, kind="edit_piece", key=key, unit="in", name="wide mat")
        before = self.told()
        self.assertEqual([len(one["differs"]) for one in before["cards"]], [0, 1])
        self.assertIn("differs in name", before["cards"][1]["differs"][0])
        asked = {"cards": [{"card": self.other["id"], "version": before["cards"][1]["version"]}]}
        told = self.ask("post", f"sets/{self.set['id']}/carry", asked)
        self.assertEqual([len(one["differs"]) for one in told["cards"]], [0, 0])
        self.ask("post", f"sets/{self.set['id']}/carry", asked, 409)
        wrong = {"cards": [{"card": self.first["id"], "version": 1}]}
        self.assertIn("its first", self.ask("post", f"sets/{self.set['id']}/carry", wrong, 400)["message"])
        undone = self.ask("post", f"cards/{self.other['id']}/undo", {"version": told["cards"][1]["version"]})
        self.assertGreater(undone["version"], told["cards"][1]["version"])
        self.assertEqual(len(self.told()["cards"][1]["differs"]), 1)

    def test_all_of_it_is_cut_out_of_shared_sheets_and_printed(self):
        told = self.ask("get", f"sets/{self.set['id']}/cutting", LETTER)
        self.assertLess(len(told["sheets"]), told["apart"])
        self.assertGreaterEqual(len(told["sheets"]), told["bound"])
        cut = [piece["card"] for sheet in told["sheets"] for piece in sheet["cuts"]]
        self.assertEqual(cut.count("Heron at dusk"), 2 * cut.count("Heron"))
        address = f"/api/sets/{self.set['id']}"
        printed = self.client.get(f"{address}/cutting/sheet", LETTER)
        pages = re.findall(rb"/MediaBox", inflated(printed.content))
        self.assertEqual(len(pages), 1 + len(told["sheets"]))
        self.assertTrue(self.client.get(f"{address}/sheet").content.startswith(b"%PDF"))

    def test_the_work_goes_by_batches_and_is_ticked_off(self):
        plan = self.ask("get", f"sets/{self.set['id']}/plan")
        base = next(one for one in plan["tasks"] if one["work"] == "base")
        self.assertIn("3 cards", base["words"])
        asked = {"version": plan["version"], "press": "done", "key": base["key"]}
        plan = self.ask("post", f"sets/{self.set['id']}/plan/presses", asked)
        self.assertEqual([one["key"] for one in plan["past"]], [base["key"]])
        self.ask("post", f"sets/{self.set['id']}/plan/presses", asked, 409)
        plan = self.ask("patch", f"sets/{self.set['id']}/plan", {"version": plan["version"], "evening": 30})
        self.assertEqual(plan["evening"], 30)
        plan = self.ask("post", f"sets/{self.set['id']}/plan/anew", {"version": plan["version"]})
        self.assertEqual(plan["past"], [])
        self.assertEqual(self.ask("get", f"cards/{self.first['id']}/plan")["version"], 0)

    def test_they_are_recorded_together_and_each_stands_by_itself(self):
        plan = self.ask("get", f"sets/{self.set['id']}/plan")
        said = {"version": plan["version"], "made": "2026-05-06", "occasion": "a fair"}
        made = self.ask("post", f"sets/{self.set['id']}/records", said, 201)["ids"]
        self.assertEqual(len(made), 2)
        told = self.ask("get", f"records/{made[1]}")
        self.assertEqual((told["count"], told["together"], told["occasion"]), (2, "Herons", "a fair"))
        self.assertEqual([(one["id"], one["name"]) for one in told["others"]], [(made[0], "Heron")])
        self.ask("delete", f"records/{made[0]}", status=204)
        self.assertEqual(self.ask("get", f"records/{made[1]}")["others"], [])

    def test_a_deleted_card_leaves_its_set_and_an_empty_set_says_so(self):
        self.ask("delete", f"cards/{self.first['id']}", status=204)
        self.assertEqual([one["name"] for one in self.told()["cards"]], ["Heron at dusk"])
        self.assertEqual(self.ask("get", "sets")[0]["cards"], ["Heron at dusk"])
        self.ask("post", f"cards/deleted/{self.first['id']}", status=204)
        self.assertEqual([one["name"] for one in self.told()["cards"]], ["Heron", "Heron at dusk"])
        self.ask("delete", f"cards/{self.first['id']}", status=204)
        self.assertEqual([one["name"] for one in self.told()["cards"]], ["Heron at dusk"])
        self.ask("delete", f"cards/{self.other['id']}", status=204)
        self.assertEqual(self.told()["cards"], [])
        self.assertIn("deleted", self.ask("get", f"sets/{self.set['id']}/plan", status=400)["message"])
        self.ask("delete", f"sets/{self.set['id']}", status=204)
        self.told(status=404)

    def test_a_card_that_cannot_be_shown_is_told_and_stops_only_what_needs_all(self):
        StoredCard.objects.filter(pk=self.other["id"]).update(stored={"name": "Torn"})
        told = self.told()
        self.assertEqual(([one["name"] for one in told["cards"]], told["broken"]), (["Heron"], ["Torn"]))
        self.assertIn("Torn", self.ask("get", f"sets/{self.set['id']}/cutting", LETTER, 400)["message"])

    def test_forty_cards_are_a_set(self):
        value = StoredCard.objects.get(pk=self.first["id"])
        more = [StoredCard.objects.create(owner=self.ann, stored=value.stored) for _ in range(38)]
        cards = [(self.first["id"], 1), (self.other["id"], 1), *((one.pk, 1) for one in more)]
        pk = self.make(cards)["id"]
        self.assertEqual(self.told(pk)["count"], 40)
        self.assertIn("40 cards", self.ask("get", f"sets/{pk}/plan")["tasks"][0]["words"])
        self.assertGreater(len(self.ask("get", f"sets/{pk}/cutting", LETTER)["sheets"]), 40)
        extra = StoredCard.objects.create(owner=self.ann, stored=value.stored)
        self.make([*cards, (extra.pk, 1)], status=400)

    def test_everything_of_it_is_in_the_archive(self):
        plan = self.ask("get", f"sets/{self.set['id']}/plan")
        self.ask("patch", f"sets/{self.set['id']}/plan", {"version": plan["version"], "evening": 45})
        said = {"version": plan["version"] + 1, "made": "2026-05-06"}
        self.ask("post", f"sets/{self.set['id']}/records", said, 201)
        mood = {
            "title": "Reed bed",
            "hues": [{"middle": 120, "reach": 9}],
            "lightness": [20, 90],
            "chroma": [0, 0.1],
        }
        self.ask("post", "palettes/moods", mood | {"keep": True}, 201)
        archive = self.client.get("/api/me/archive").getvalue()
        self.client.force_login(self.ben)
        file = SimpleUploadedFile("all.zip", archive)
        told = self.client.post("/api/me/archive", {"file": file}).json()
        self.assertEqual((told["sets"], told["moods"], told["records"]), (1, 1, 2))
        (mine,) = CardSet.objects.filter(owner=self.ben)
        self.assertEqual([one.count for one in mine.members.all()], [1, 2])
        self.assertEqual(self.ask("get", f"sets/{mine.pk}/plan")["evening"], 45)
        self.assertEqual({one.together.name for one in Record.objects.filter(owner=self.ben)}, {"Herons"})
        self.assertEqual(self.ask("get", "palettes/moods")[0]["title"], "Reed bed")
