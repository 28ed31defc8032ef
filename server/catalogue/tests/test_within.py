from server.catalogue import within
from server.catalogue.arrays import catalogue_for
from server.tests.helpers import ApiTestCase, make_range


class WithinTests(ApiTestCase):
    @classmethod
    def setUpTestData(cls):
        super().setUpTestData()
        rows = "".join(f"ROW-{n},tint {n},{20 + n % 60},0,{n % 40},set {n % 3}\n" for n in range(1300))
        cls.many = make_range(cls.ann, "Many", content="code,name,L,a,b,family\n" + rows)

    def whole(self, status=200, **asked):
        return self.ask("get", f"ranges/{self.many.pk}", asked, status)

    def test_a_range_is_sent_by_pages(self):
        first, second, last, none = (self.whole(page=number) for number in (1, 2, 4, 5))
        self.assertEqual((first["count"], first["found"], first["more"]), (1300, 1300, True))
        self.assertEqual([len(one["colours"]) for one in (first, second, last, none)], [400, 400, 100, 0])
        self.assertEqual(
            (second["colours"][0]["label"], last["more"], none["more"]), ("ROW-400", False, False)
        )
        self.assertEqual([one["before"] for one in (first, second, last)], [0, 400, 1200])
        self.whole(400, page=0)

    def test_what_is_looked_for_is_found_on_the_server(self):
        self.assertEqual(
            [one["label"] for one in self.whole(words="row-12 tint")["colours"]][:2], ["ROW-12", "ROW-120"]
        )
        self.assertEqual(self.whole(words="SET 1 row-7")["found"], self.whole(words="row-7 1 set")["found"])
        supplies = catalogue_for(self.ann)
        hue = supplies.hue_name(supplies.places[self.many.colours.last().pk])
        by_hue = self.whole(words=hue)
        self.assertTrue(by_hue["found"])
        self.assertTrue(all(hue in one["hue_name"] for one in by_hue["colours"]))
        self.assertEqual(self.whole(words="nothing of it")["found"], 0)

    def test_only_what_is_owned_and_whole_sets(self):
        self.assertEqual(self.whole(owned=True)["found"], 0)
        before = self.ask("post", "drawer", {"range": self.many.pk, "family": "set 1"})
        told = self.whole(owned=True)
        self.assertEqual(told["found"], 433)
        self.assertEqual(
            {one["name"]: one["owned"] for one in told["sets"]}, {"set 0": 0, "set 1": 433, "set 2": 0}
        )
        self.ask("put", "drawer", before, 204)
        self.assertEqual(self.whole(owned=True)["found"], 0)
        self.ask("post", "drawer", {"range": self.many.pk})
        self.assertEqual(self.whole()["owned"], 1300)
        self.client.force_login(self.ben)
        self.ask("post", "drawer", {"range": self.many.pk}, 404)

    def test_a_chart_of_very_many_shows_some_from_everywhere(self):
        told = self.ask("get", f"ranges/{self.many.pk}/dots")
        self.assertEqual(len(told["dots"]), within.DOTS)
        self.assertEqual(
            (told["dots"][0]["swatch"]["label"], told["dots"][-1]["swatch"]["label"]), ("ROW-0", "ROW-1299")
        )

    def test_rows_to_be_typed_come_by_pages_too(self):
        told = self.ask("get", f"ranges/{self.many.pk}/changes", {"words": "row-99"})
        self.assertEqual(told["found"], 11)
        self.assertEqual(told["rows"][0]["texts"]["code"], "ROW-99")
        self.assertEqual(len(self.ask("get", f"ranges/{self.many.pk}/changes")["rows"]), within.TYPED_PAGE)
