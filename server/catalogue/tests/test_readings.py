from datetime import timedelta
from unittest import mock

import numpy as np
from django.core.files.uploadedfile import SimpleUploadedFile
from django.utils import timezone

from jindle_core.colorimetry.difference import delta_e
from jindle_core.interchange.cgats import read_cgats
from jindle_core.prediction.near import Way
from server.accounts.models import Person
from server.catalogue.api import reader as reader_api
from server.catalogue.api import readings as api
from server.catalogue.arrays import catalogue_for
from server.catalogue.models import Colour, Reading
from server.tests.helpers import ApiTestCase, make_range, told_lines
from standins.device import State
from standins.reader import SimulatedReader


class TypedTests(ApiTestCase):
    def add(self, key, value, status=201, **more):
        return self.ask("post", f"colours/{self.ids[key]}/readings", {"value": value, **more}, status)

    def test_outranks_the_label_for_its_owner_only(self):
        told = self.add("SKY-1", "70, -5, -18", taken_with="a borrowed reader", note="second pad")
        self.assertAlmostEqual(told["off"], 7.6, delta=0.5)
        self.assertIn("lighter", told["off_words"])
        found = self.ask("get", "find", {"q": "SKY-1"})["colours"][0]
        self.assertEqual((found["lab"], found["read"], found["provenance"]), ([70, -5, -18], True, "read"))
        like = self.ask("get", "like", {"value": "70, -5, -18"})["ranges"][0]["matches"][0]
        self.assertEqual((like["swatch"]["label"], like["distance"]), ("SKY-1", 0))
        self.client.force_login(self.ben)
        self.assertEqual(self.ask("get", "find", {"q": "SKY-1"})["colours"][0]["lab"], [80, -5, -18])
        self.assertEqual(self.ask("get", f"colours/{self.ids['SKY-1']}/readings")["readings"], [])

    def test_the_median_counts_and_an_outlier_is_pointed_at(self):
        for value in ("70, 0, 0", "70.4, 0, 0", "70.2, 0, 0"):
            self.add("TAR-1", value)
        told = self.add("TAR-1", "40, 0, 0")
        self.assertEqual([one["outlier"] for one in told["readings"]], [False, False, False, True])
        self.assertEqual(told["swatch"]["lab"], [70.2, 0, 0])
        self.ask("delete", f"readings/{told['readings'][0]['id']}", status=204)
        self.assertEqual(len(self.ask("get", f"colours/{self.ids['TAR-1']}/readings")["readings"]), 3)

    def test_laid_another_way_it_does_not_stand_for_the_colour(self):
        told = self.add("SKY-1", "60, -5, -18", layers=2, paper=self.ids["bread"], hand="heavy")
        self.assertEqual((told["readings"][0]["usual"], told["off"]), (False, None))
        self.assertEqual(told["readings"][0]["paper"]["label"], "bread")
        self.assertEqual(told["swatch"]["lab"], [80, -5, -18])

    def test_a_screen_value_is_known_for_one(self):
        self.assertEqual(self.add("SKY-1", "#aabbcc")["swatch"]["provenance"], "screen")

    def test_what_cannot_be_taken(self):
        tomorrow = (timezone.localdate() + timedelta(days=2)).isoformat()
        for value, more in (
            ("blueish", {}), ("500, 0, 0", {}), ("50, 0, 0", {"layers": 0}), ("50, 0, 0", {"hand": "both"}),
            ("50, 0, 0", {"taken": tomorrow}), ("50, 0, 0", {"paper": self.ids["SKY-2"]}),
        ):  # fmt: skip
            with self.subTest((value, more)):
                self.add("SKY-1", value, 400, **more)
        self.add("SKY-1", "50, 0, 0", 404, paper=10**9)
        self.assertEqual(Reading.objects.count(), 0)


class ReaderTests(ApiTestCase):
    def setUp(self):
        super().setUp()
        patched = mock.patch.object(
            reader_api, "reader", lambda: SimulatedReader(lambda seconds: None, seed=5)
        )
        patched.start()
        self.addCleanup(patched.stop)

    def read(self, key, **more):
        data = {"colour": self.ids[key], **more}
        return told_lines(self.client.post("/api/reader/read", data, "application/json"))

    def test_says_that_it_is_simulated_and_wants_its_tile(self):
        self.assertEqual(self.ask("get", "reader")["simulated"], True)
        (fault,) = self.read("SKY-1")
        self.assertEqual(fault["error"]["problems"][0]["field"], "not-calibrated")
        self.assertTrue(self.ask("post", "reader/calibrate", {})["calibrated"])
        lines = self.read("SKY-1")
        self.assertEqual([line["share"] for line in lines[:-1]], [0, 0.3, 0.6, 1])
        reading = lines[-1]["reading"]
        self.assertTrue(reading["spectrum"] and reading["usual"])
        self.assertEqual(reading["taken_with"], "Simulated swatch reader")
        self.assertEqual(self.ask("get", "find", {"q": "SKY-1"})["colours"][0]["read"], True)

    def test_it_never_outranks_the_label_of_a_range_that_somebody_has(self):
        mine = make_range(self.ann, "Mine", "alcohol marker", "code,L,a,b\nTOW-1,70,20,-10\n")
        self.ids["TOW-1"] = mine.colours.get().pk
        self.ask("post", "reader/calibrate", {})
        for more in ({}, {"layers": 3}):
            self.assertEqual(self.read("TOW-1", **more)[-1]["reading"]["simulated"], True)
        told = self.ask("get", f"colours/{self.ids['TOW-1']}/readings")
        self.assertEqual((told["off"], told["swatch"]["read"]), (None, False))
        self.assertEqual(told["swatch"]["lab"], [70.0, 20.0, -10.0])
        self.assertEqual([one["counts"] for one in told["readings"]], [False, False])
        self.assertIsNone(self.ask("get", f"ranges/{mine.pk}")["fit"])
        # One's own does, beside it.
        self.ask("post", f"colours/{self.ids['TOW-1']}/readings", {"value": "60, 20, -10"}, 201)
        told = self.ask("get", f"colours/{self.ids['TOW-1']}/readings")
        self.assertEqual(told["swatch"]["lab"], [60.0, 20.0, -10.0])
        # For good: also out and back in.
        archive = SimpleUploadedFile("all.zip", self.client.get("/api/me/archive").getvalue())
        self.client.force_login(self.ben)
        self.assertEqual(self.client.post("/api/me/archive", {"file": archive}).status_code, 200)
        self.assertEqual(Reading.objects.filter(owner=self.ben, simulated=True).count(), 2)

    def test_it_is_in_no_account_that_did_not_switch_it_on(self):
        self.client.force_login(Person.objects.create_user("Cleo", "long-enough-9"))
        for method, path in (
            *(("get", "reader"), ("post", "reader/calibrate"), ("post", "reader/recharge")),
            *(
                ("post", "reader/read"),
                ("get", "camera"),
                ("post", "camera/chart"),
                ("post", "camera/photograph"),
            ),
        ):
            self.assertIn("Account switches them on", self.ask(method, path, {}, 400)["message"])
        self.assertTrue(self.ask("patch", "me", {"stand_ins": True})["stand_ins"])
        self.assertEqual(self.ask("get", "reader")["simulated"], True)

    def test_a_fault_keeps_nothing(self):
        self.ask("post", "reader/calibrate", {})
        lines = self.read("SKY-1", touching=False)
        self.assertIn("flat", lines[-1]["error"]["message"])
        self.assertEqual(Reading.objects.count(), 0)
        reader_api.keep_reader_state(self.ann, State(True, 0, 0))
        self.assertIn("charger", self.ask("post", "reader/calibrate", {}, 400)["message"])
        self.assertEqual(self.ask("post", "reader/recharge", {})["battery"], 100)

    def test_readings_teach_a_ranges_habit_and_hold_where_they_were_taken(self):
        rows = "".join(f"TOW-{n},{80 - 6 * n},{30 - 8 * n},{10 * n - 30}\n" for n in range(7))
        made = make_range(None, "Tows", "alcohol marker", "code,L,a,b\n" + rows)
        self.ids |= dict(made.colours.values_list("key", "pk"))
        self.ask("post", "reader/calibrate", {})
        for number in range(7):
            self.read(f"TOW-{number}")
        self.assertIsNone(self.ask("get", f"ranges/{made.pk}")["fit"])
        for number in range(6):
            line = self.read(f"TOW-{number}", layers=2 + number % 2)[-1]
            fit = self.ask("get", f"ranges/{made.pk}")["fit"]
            self.assertEqual((fit["readings"], fit["after"] is None), (number + 1, not number))
        self.assertLess(fit["after"], 3)
        self.ann.refresh_from_db()
        supplies = catalogue_for(self.ann)
        place = np.array([supplies.places[self.ids["TOW-5"]]])
        shown = supplies.predicted.laid(place, Way(3))[0]
        self.assertLess(delta_e(shown, np.array(line["reading"]["lab"])), 0.3)
        self.assertLess(supplies.predicted.laying_sigma(place, Way(3))[0], 1)
        self.assertLess(
            supplies.predicted.laying_sigma(place, Way(3))[0],
            supplies.predicted.laying_sigma(place, Way(4))[0],
        )

    def test_a_swatch_laid_over_another_colour(self):
        rows = "TOW-1,80,-10,60\nTOW-2,55,40,5\n"
        made = make_range(None, "Tows", "alcohol marker", "code,L,a,b\n" + rows)
        self.ids |= dict(made.colours.values_list("key", "pk"))
        self.ask("post", "reader/calibrate", {})
        reading = self.read("TOW-2", below=self.ids["TOW-1"])[-1]["reading"]
        self.assertEqual((reading["below"]["code"], reading["usual"]), ("TOW-1", False))
        alone = self.read("TOW-2")[-1]["reading"]
        self.assertLess(reading["lab"][0], alone["lab"][0])  # what lies under it is seen through it
        self.ann.refresh_from_db()
        supplies = catalogue_for(self.ann)
        self.assertEqual(supplies.predicted.known(made.pk).readings, 1)
        place, way = np.array([supplies.places[self.ids["TOW-2"]]]), Way(below=self.ids["TOW-1"])
        self.assertLess(delta_e(supplies.predicted.laid(place, way)[0], np.array(reading["lab"])), 0.3)
        self.assertLess(supplies.predicted.laying_sigma(place, way)[0], 1)
        for below, words in ((self.ids["TOW-2"], "over itself"), (self.ids["soot"], "itself laid on card")):
            given = {"value": "40, 0, 0", "below": below}
            told = self.ask("post", f"colours/{self.ids['TOW-2']}/readings", given, 400)
            self.assertIn(words, told["message"])
        theirs = make_range(self.ben, "Hers", "alcohol marker", "code,L,a,b\nX-1,40,0,0\n")
        given = {"value": "40, 0, 0", "below": theirs.colours.get().pk}
        self.ask("post", f"colours/{self.ids['TOW-2']}/readings", given, 404)


class CgatsTests(ApiTestCase):
    def upload(self, text, status):
        path = f"/api/ranges/{self.pads.pk}/readings"
        answer = self.client.post(path, {"file": SimpleUploadedFile("r.txt", text.encode())})
        self.assertEqual(answer.status_code, status, answer.content)
        return answer.json()

    def test_out_and_in(self):
        spectrum = tuple(np.round(np.linspace(0.2, 0.6, 31), 4))
        colour = Colour.objects.get(pk=self.ids["SKY-1"])
        value = api.Value((60.0, -3.0, -9.0), "read", "", spectrum)
        api.add_readings(self.ann, [(colour, value)], api.Laid(timezone.localdate()))
        text = self.client.get(f"/api/ranges/{self.pads.pk}/readings").content.decode()
        (entry,) = read_cgats(text.encode()).entries
        np.testing.assert_allclose(entry.reflectance, spectrum, atol=1e-6)
        self.assertEqual(self.upload(text, 201), {"count": 1})
        first, second = Reading.objects.order_by("id")
        self.assertEqual(bytes(first.spectrum), bytes(second.spectrum))

    def test_a_sample_of_no_colour_stops_all(self):
        text = "BEGIN_DATA_FORMAT\nSAMPLE_ID LAB_L LAB_A LAB_B\nEND_DATA_FORMAT\nBEGIN_DATA\nsky2 50 0 0\nmoon 60 0 0\nEND_DATA\n"
        self.assertIn("no colour “moon”", self.upload(text, 400)["message"])
        self.assertEqual(Reading.objects.count(), 0)
        self.assertEqual(self.upload(text.replace("moon", '"early sky"'), 201), {"count": 2})
