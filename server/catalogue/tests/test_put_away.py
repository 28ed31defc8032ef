"""What is put away is offered nowhere, stands in where cards name it, and comes back whole."""

from server.catalogue.models import PutAway
from server.tests.helpers import ApiTestCase, make_range


class PutAwayTests(ApiTestCase):
    def away(self, away=True, ranges=None, status=200):
        asked = {"ranges": ranges or [self.pads.pk], "away": away}
        return self.ask("post", "ranges/away", asked, status)

    def owned(self):
        return [one["swatch"]["id"] for one in self.ask("get", "drawer")["entries"]]

    def test_it_is_found_matched_listed_and_bought_nowhere_and_comes_back(self):
        card = self.change(self.full_card(), kind="set_ground", pads=[{"colour": self.ids["SKY-1"]}])
        before = self.ask("get", f"cards/{card['id']}")
        self.assertTrue(self.ask("get", "find", {"q": "SKY-1"})["colours"])
        self.assertTrue(self.ask("get", "shopping"))
        self.ask("post", "drawer", {"colours": [self.ids["SKY-2"]]})
        told = {one["id"]: one for one in self.away()}
        self.assertEqual((told[self.pads.pk]["away"], told[self.pads.pk]["owned"]), (True, 0))
        self.assertEqual(self.ask("get", "find", {"q": "SKY-1"})["colours"], [])
        self.assertNotIn(self.ids["SKY-2"], self.owned())
        names = [one["swatch"]["range_id"] for one in self.ask("get", "shopping")]
        self.assertNotIn(self.pads.pk, names)
        like = self.ask("get", "like", {"value": "#88aacc"})
        self.assertNotIn(self.pads.pk, [one["range_id"] for one in like["ranges"]])
        # The card looks as it did.
        after = self.ask("get", f"cards/{card['id']}")
        self.assertEqual(
            [one["shades"] for one in after["colours"]], [one["shades"] for one in before["colours"]]
        )
        self.away(False)
        self.assertTrue(self.ask("get", "find", {"q": "SKY-1"})["colours"])
        self.assertIn(self.ids["SKY-2"], self.owned())

    def test_only_shared_ranges_are_put_away_and_each_by_whom_it_bothers(self):
        own = make_range(self.ann, "Ann's own")
        self.assertIn("your own can be deleted", self.away(ranges=[own.pk], status=400)["message"])
        self.away()
        self.away()
        self.assertEqual(PutAway.objects.count(), 1)
        self.client.force_login(self.ben)
        self.assertFalse(any(one["away"] for one in self.ask("get", "ranges")))
        self.away(ranges=[own.pk], status=400)

    def test_what_is_to_buy_says_whether_it_is_made_up(self):
        own = make_range(self.ann, "Ann's own", "dye ink pad", "code,L,a,b\nOAR-1,60,10,10\n")
        card = self.full_card()
        self.change(card, kind="choose", key=1, column="pad", colour=own.colours.get().pk)
        told = {one["swatch"]["label"]: one["example"] for one in self.ask("get", "shopping")}
        self.assertFalse(told["OAR-1"])
        self.assertIn(True, told.values())


class AskedForTests(ApiTestCase):
    def asked(self):
        return [one["swatch"]["id"] for one in self.ask("get", "shopping") if one["asked"]]

    def test_what_is_asked_for_is_on_the_list_until_it_is_in_the_drawer_or_taken_off(self):
        pk = self.ids["TAR-1"]
        for _ in range(2):
            self.ask("post", "shopping/asked", {"colours": [pk]}, 204)
        self.assertEqual(self.asked(), [pk])
        self.assertEqual(self.ask("get", "shopping/asked"), {"colours": [pk]})
        self.assertIn("TAR-1", self.client.get("/api/shopping/file").content.decode())
        self.ask("post", "drawer", {"colours": [pk], "owned": True})
        self.assertEqual(self.asked(), [])
        self.ask("post", "drawer", {"colours": [pk], "owned": False})
        self.assertEqual(self.asked(), [pk], "taking it back finds it asked for again")
        self.client.force_login(self.ben)
        self.assertEqual(self.asked(), [])
        self.ask("post", "shopping/asked", {"colours": [pk], "asked": False}, 204)
        self.client.force_login(self.ann)
        self.assertEqual(self.asked(), [pk])
        self.ask("post", "shopping/asked", {"colours": [pk], "asked": False}, 204)
        self.assertEqual(self.asked(), [])

    def test_one_that_is_not_to_be_had_keeps_all_of_them_out(self):
        self.ask("post", "shopping/asked", {"colours": [self.ids["TAR-1"], 10**9]}, 400)
        self.assertEqual(self.asked(), [])


class FoundTests(ApiTestCase):
    def found(self, **asked):
        return self.ask("get", "find", asked)

    def test_words_find_what_looks_so_within_a_range_and_medium(self):
        told = self.found(q="pale blue")
        self.assertTrue(told["described"])
        labels = [one["label"] for one in told["colours"]]
        self.assertIn("SKY-1", labels)
        self.assertNotIn("TAR-1", labels)
        self.assertEqual(self.found(q="pale blue", medium="gel pen")["colours"], [])
        within = self.found(q="pale blue", range=self.pads.pk)["colours"]
        self.assertEqual({one["range_id"] for one in within}, {self.pads.pk})
        self.assertFalse(self.found(q="SKY-1")["described"])

    def test_where_nothing_is_typed_those_that_are_asked_for_are_told(self):
        wanted = [self.ids["SKY-2"], 999_999, self.ids["SKY-1"]]
        self.assertEqual([one["id"] for one in self.found(ids=wanted)["colours"]], [wanted[0], wanted[2]])
        self.assertEqual(self.found(q="")["colours"], [])

    def test_numbers_alone_say_for_which_range_they_were_taken(self):
        make_range(self.ann, "Hulls", "alcohol marker", "code,name,L,a,b\n105,morning red,60,40,20\n")
        told = self.ask("post", "drawer/list", {"text": "105 SKY-1"})
        self.assertEqual([one["label"] for one in told["understood"]], ["105", "SKY-1"])
        self.assertEqual(told["numbers"], ["Hulls"])
