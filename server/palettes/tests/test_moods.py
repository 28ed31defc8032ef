"""Seasons and places are a way into a palette; one's own are kept, and are nobody else's."""

from server.tests.helpers import ApiTestCase

SAID = {
    "title": "Reed bed",
    "about": "Straw and mud.",
    "hues": [{"middle": 95, "reach": 10}, {"middle": 240, "reach": 8}],
    "lightness": [20, 92],
    "chroma": [0.02, 0.1],
}


class MoodTests(ApiTestCase):
    def test_each_lands_on_supplies_with_its_reason(self):
        for one in self.ask("get", "palettes/moods", {"column": "pad"}):
            self.assertTrue(one["about"])
            self.assertTrue(one["landing"] or one["missing"])
            self.assertIsNone(one["own"])

    def test_ones_own_is_tried_then_kept_then_forgotten(self):
        tried = self.ask("post", "palettes/moods", SAID, 200)
        self.assertEqual((tried["title"], len(tried["hues"])), ("Reed bed", 2))
        before = len(self.ask("get", "palettes/moods"))
        pk = self.ask("post", "palettes/moods", SAID | {"keep": True}, 201)["id"]
        found = self.ask("get", "palettes/moods")
        self.assertEqual((len(found), found[0]["own"], found[0]["about"]), (before + 1, pk, "Straw and mud."))
        self.client.force_login(self.ben)
        self.assertEqual(len(self.ask("get", "palettes/moods")), before)
        self.client.force_login(self.ann)
        self.ask("delete", f"palettes/moods/{pk}", status=204)
        self.assertEqual(len(self.ask("get", "palettes/moods")), before)

    def test_what_is_none_says_why(self):
        for wrong, words in (
            ({"hues": []}, "1 to 4 hues"),
            ({"lightness": [60, 70]}, "at least L* 30"),
            ({"chroma": [0.2, 0.1]}, "weakest first"),
        ):
            told = self.ask("post", "palettes/moods", SAID | wrong | {"keep": True}, 400)
            self.assertIn(words, told["message"])
        self.ask("post", "palettes/moods", SAID | {"hues": [{"middle": 400, "reach": 1}]}, 400)
        self.ask("post", "palettes/moods", SAID | {"title": " ", "keep": True}, 400)
