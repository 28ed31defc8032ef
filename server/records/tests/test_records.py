"""What was made stays as it was, is found again, and is its owner's alone."""

import csv
import io
import json
from datetime import date, timedelta

import numpy as np
from django.core.files.uploadedfile import SimpleUploadedFile
from PIL import Image, ImageDraw

from server.cards.models import CardWork
from server.catalogue.arrays import catalogue_for
from server.records.models import Record, RecordPhoto
from server.tests.helpers import ApiTestCase


def photo(colour="#7799aa", kind="JPEG"):
    out = io.BytesIO()
    Image.new("RGB", (60, 40), colour).save(out, kind)
    return SimpleUploadedFile("photo", out.getvalue())


class RecordTestCase(ApiTestCase):
    def built(self, name="Kingfisher"):
        card = self.full_card()
        card = self.change(card, kind="set_card", name=name)
        card = self.change(card, kind="start_layout", layout="framed")
        return self.change(card, kind="set_ground", pads=[{"colour": self.ids["SKY-1"]}])

    def inked(self, *pads):
        return self.change(self.built(), kind="set_ground", pads=[{"colour": self.ids[one]} for one in pads])

    def record(self, card, status=201, **told):
        version = self.ask("get", f"cards/{card['id']}/plan")["version"]
        said = {"version": version, "made": "2026-04-20"} | told
        return self.ask("post", f"cards/{card['id']}/records", said, status)

    def found(self, **query):
        return [one["name"] for one in self.ask("get", "records", query)["records"]]


class RecordTests(RecordTestCase):
    def test_it_stands_as_it_was_whatever_becomes_of_the_card(self):
        card = self.built()
        made = self.record(card, count=4, occasion="get well", person="Ida", went_well="the sky")
        self.change(card, kind="set_card", name="Something else")
        self.change(self.ask("get", f"cards/{card['id']}"), kind="set_ground", pads=[])
        again = self.ask("get", f"records/{made['id']}")
        self.assertEqual(again, made)
        self.assertEqual((again["name"], again["count"], again["person"]), ("Kingfisher", 4, "Ida"))
        self.assertIn("SKY-1", [one["label"] for one in again["uses"]])
        sheet = self.client.get(f"/api/records/{made['id']}/recipe").content.decode()
        self.assertIn("Made on 20 April 2026, 4 of it; get well for Ida.", sheet)
        self.assertIn("SKY-1", sheet)
        self.client.delete(f"/api/cards/{card['id']}")
        self.assertIsNone(self.ask("get", f"records/{made['id']}")["card"])

    def test_recording_ends_the_making_and_two_devices_do_not_record_one_making_twice(self):
        card = self.built()
        plan = self.ask("get", f"cards/{card['id']}/plan")
        press = {"version": plan["version"], "press": "begin", "key": plan["tasks"][0]["key"]}
        plan = self.ask("post", f"cards/{card['id']}/plan/presses", press)
        press |= {"version": plan["version"], "press": "done"}
        plan = self.ask("post", f"cards/{card['id']}/plan/presses", press)
        said = {"version": plan["version"], "made": "2026-04-20"}
        made = self.ask("post", f"cards/{card['id']}/records", said, 201)
        self.assertEqual(len(made["times"]), 1)
        self.assertEqual(self.ask("get", f"cards/{card['id']}/plan")["past"], [])
        self.assertEqual(self.ask("post", f"cards/{card['id']}/records", said, 409)["code"], "stale")
        self.assertEqual(Record.objects.count(), 1)

    def test_what_was_used_instead_is_told_from_the_desk_and_taken_over(self):
        card = self.built()
        told = {"version": 0, "of": "Lay the ground", "was": self.ids["SKY-1"], "taken": self.ids["TAR-1"]}
        plan = self.ask("post", f"cards/{card['id']}/plan/instead", told)
        self.assertEqual(plan["instead"][0]["label"], "TAR-1")
        for _ in range(2):
            told["version"] = plan["version"]
            plan = self.ask("post", f"cards/{card['id']}/plan/instead", told)
        drop = {"version": plan["version"], "drop": 2}
        plan = self.ask("post", f"cards/{card['id']}/plan/instead", drop)
        self.assertEqual(len(plan["instead"]), 2)
        self.ask("post", f"cards/{card['id']}/plan/instead", {"version": plan["version"], "of": "x"}, 400)
        missing = {"version": plan["version"], "of": "x", "was": 10**6, "taken": 10**6}
        self.ask("post", f"cards/{card['id']}/plan/instead", missing, 400)
        self.assertIn(
            "Lay the ground: TAR-1", self.client.get(f"/api/cards/{card['id']}/recipe").content.decode()
        )
        made = self.record(card)
        uses = {(one["label"], one["stage"]) for one in made["uses"]}
        self.assertIn(("TAR-1", "instead"), uses)
        self.assertNotIn("SKY-1", {label for label, _ in uses})
        self.assertEqual(CardWork.objects.get().stored["instead"], [])

    def test_what_was_replaced_in_one_place_only_is_found_still(self):
        card = self.built()
        pads = [{"colour": self.ids["SKY-1"]}, {"colour": self.ids["SKY-2"]}, {"colour": self.ids["SKY-1"]}]
        card = self.change(card, kind="set_ground", pads=pads)
        told = {"version": 0, "of": "the first pad", "was": self.ids["SKY-1"], "taken": self.ids["TAR-1"]}
        self.ask("post", f"cards/{card['id']}/plan/instead", told)
        self.assertLessEqual({"SKY-1", "TAR-1"}, {one["label"] for one in self.record(card)["uses"]})

    def test_what_is_said_can_be_changed_and_the_later_window_is_told(self):
        made = self.record(self.built())
        said = {"version": 1, "made": "2025-12-01", "to_change": "a softer sky", "instead": []}
        changed = self.ask("put", f"records/{made['id']}", said)
        self.assertEqual(
            (changed["made"], changed["to_change"], changed["version"]), ("2025-12-01", "a softer sky", 2)
        )
        self.assertEqual(changed["uses"], made["uses"])
        self.assertEqual(self.ask("put", f"records/{made['id']}", said, 409)["code"], "stale")

    def test_days_and_counts_that_cannot_be_are_told(self):
        card = self.built()
        later = (date.today() + timedelta(days=30)).isoformat()
        for wrong, words in (
            ({"made": "1850-05-06"}, "between 1950 and today"),
            ({"made": later}, "between 1950 and today"),
            ({"made": "yesterday"}, "made"),
            ({"count": 0}, "cards are made at once"),
            ({"count": 10**9}, "cards are made at once"),
            ({"occasion": "x" * 121}, "occasion"),
        ):
            self.assertIn(words, self.record(card, 400, **wrong)["message"])
        self.assertEqual(Record.objects.count(), 0)

    def test_photos_are_made_anew_six_at_most_and_stand_before_what_was_predicted(self):
        made = self.record(self.built())
        path = f"/api/records/{made['id']}/photos"
        self.assertIsNone(made["picture"])
        for _ in range(6):
            answer = self.client.post(path, {"file": photo(kind="PNG")})
            self.assertEqual(answer.status_code, 201)
        told = answer.json()
        self.assertEqual(len(told["photos"]), 6)
        self.assertEqual(self.client.post(path, {"file": photo()}).status_code, 400)
        shown = self.client.get(told["picture"])
        self.assertEqual(shown["Content-Type"], "image/jpeg")
        self.assertEqual(Image.open(io.BytesIO(shown.content)).format, "JPEG")
        self.assertIn(
            "data:image/jpeg", self.client.get(f"/api/records/{made['id']}/recipe").content.decode()
        )
        lying = SimpleUploadedFile("photo.jpg", b"\xff\xd8\xff no picture at all")
        self.assertEqual(self.client.post(path, {"file": lying}).status_code, 400)
        self.client.delete(told["photos"][0]["address"])
        self.assertEqual(RecordPhoto.objects.count(), 5)


class SheetTests(RecordTestCase):
    def test_a_sheet_is_one_page_that_runs_nothing_and_is_framed_by_ours_alone(self):
        card = self.built("<script>alert(1)</script> & Sons")
        answer = self.client.get(f"/api/cards/{card['id']}/recipe")
        page = answer.content.decode()
        self.assertNotIn("<script", page)
        self.assertIn("&lt;script&gt;alert(1)&lt;/script&gt; &amp; Sons", page)
        self.assertNotIn("http", page.replace("https:", "http:").split("<style>")[0])
        policy = answer["Content-Security-Policy"]
        self.assertIn("default-src 'none'", policy)
        self.assertIn("frame-ancestors 'self'", policy)
        self.assertEqual(answer["X-Frame-Options"], "SAMEORIGIN")

    def test_it_is_printed_on_either_paper(self):
        card = self.built()
        for paper in ("letter", "A4"):
            made = self.client.get(f"/api/cards/{card['id']}/recipe", {"kind": "pdf", "paper": paper})
            self.assertEqual(made.content[:5], b"%PDF-")
        self.ask("get", f"cards/{card['id']}/recipe", {"kind": "pdf", "paper": "napkin"}, 400)


class LogTests(RecordTestCase):
    def setUp(self):
        super().setUp()
        heron = self.built("Heron at dusk")
        self.record(heron, made="2026-04-20", occasion="thank you", person="Ida")
        self.record(heron, made="2025-11-02", went_well="the mist")
        bare = self.change(self.new_card("Bare"), kind="start_layout", layout="framed")
        self.record(bare, made="2025-12-24", person="Ole")

    def test_the_newest_stands_first_and_each_word_narrows(self):
        self.assertEqual(self.found(), ["Heron at dusk", "Bare", "Heron at dusk"])
        for words, count in (
            ("heron", 2),
            ("heron spring", 1),
            ("winter", 1),
            ("used in april", 1),
            ("thank", 1),
            ("ida", 1),
            ("mist", 1),
            ("SKY-1", 2),
            ("2025", 2),
            ("heron 2025", 1),
            ("walrus", 0),
        ):
            self.assertEqual(len(self.found(words=words)), count, words)
        hue = next(one["hue"] for one in self.used() if one["label"] == "SKY-1")
        self.assertEqual(len(self.found(words=f"{hue.split()[-1]}s used in spring")), 1, hue)

    def used(self):
        pk = self.ask("get", "records", {"words": "heron"})["records"][0]["id"]
        return self.ask("get", f"records/{pk}")["uses"]

    def test_one_thing_is_looked_for_exactly(self):
        use = next(one for one in self.used() if one["label"] == "SKY-1")
        self.assertEqual(len(self.found(label="SKY-1", range=use["range_name"])), 2)
        self.assertEqual(self.found(label="SKY-1", range="Another"), [])
        self.assertEqual(len(self.found(stage="background")), 2)
        self.assertEqual(len(self.found(medium=use["medium"], year=2026)), 1)
        self.assertEqual(self.found(month=12), ["Bare"])
        told = self.ask("get", "records")
        self.assertEqual((told["years"], told["total"], told["more"]), ([2026, 2025], 3, False))

    def test_how_often_a_supply_is_used_and_what_is_not(self):
        self.ask("post", "drawer", {"colours": [self.ids["SKY-2"], self.ids["SKY-1"]], "fullness": "full"})
        told = self.ask("get", "records/supplies")
        sky = next(one for one in told["used"] if one["label"] == "SKY-1")
        self.assertEqual((sky["times"], sky["last"]), (2, "2026-04-20"))
        self.assertIn(("SKY-2", None), [(one["label"], one["last"]) for one in told["unused"]])
        self.assertNotIn("SKY-1", [one["label"] for one in told["unused"]])

    def test_all_of_it_is_taken_out_in_open_formats(self):
        self.record(self.built("=cmd()"), made="2024-01-01")
        text = self.client.get("/api/records/export", {"kind": "csv"}).content.decode()
        rows = list(csv.DictReader(io.StringIO(text)))
        self.assertEqual(
            [row["made"] for row in rows], ["2026-04-20", "2025-12-24", "2025-11-02", "2024-01-01"]
        )
        self.assertFalse(rows[-1]["name"].startswith("="))
        told = json.loads(self.client.get("/api/records/export", {"kind": "json"}).content)
        self.assertEqual((told["format"], len(told["records"])), ("jindle log", 4))
        self.assertTrue(told["records"][0]["recipe"]["mm"]["pads"])

    def test_it_is_nobody_elses(self):
        self.client.force_login(self.ben)
        self.assertEqual(self.found(), [])
        self.assertEqual(self.ask("get", "records/supplies")["used"], [])

    def test_the_log_asks_the_database_as_often_for_many_as_for_few(self):
        def queries():
            with self.assertNumQueries(10):
                self.client.get("/api/records")

        queries()
        for _ in range(5):
            self.record(self.built())
        queries()


class WhichTests(RecordTestCase):
    """A photo of pads on white: two fields of known colours under a yellow lamp, beside a white card."""

    def photo(self, *shades):
        image = Image.new("RGB", (300, 200), "#777777")
        draw = ImageDraw.Draw(image)
        draw.rectangle((200, 20, 290, 180), fill="#f2f2f5")
        for at, shade in enumerate(shades):
            draw.rectangle((20, 20 + 60 * at, 120, 70 + 60 * at), fill=shade)
        lit = np.asarray(image) / 255 * np.array([1.0, 0.93, 0.8])
        out = io.BytesIO()
        Image.fromarray((lit * 255).astype(np.uint8)).save(out, "PNG")
        return SimpleUploadedFile("photo.png", out.getvalue())

    def which(self, status=200, **told):
        answer = self.client.post("/api/which", told)
        self.assertEqual(answer.status_code, status, answer.content[:300])
        return answer.json()

    def test_what_was_recorded_for_this_card_comes_first(self):
        made = self.record(self.inked("SKY-2"))
        self.record(self.inked("SKY-1"))
        late, early = (catalogue_for(self.ann).shades[n]["colour"] for n in (1, 0))
        where = {"left": 40, "top": 30, "width": 40, "height": 30}
        told = self.which(file=self.photo(late, early), box=json.dumps(where), record=made["id"])
        self.assertEqual(told["known"]["left"] >= 195, True)
        first = told["guesses"][0]
        self.assertEqual((first["swatch"]["code"], first["known"]), ("SKY-2", "noted"))
        self.assertGreater(first["sure"], 0.5)
        other = self.which(
            file=self.photo(late, early), box=json.dumps(where | {"top": 95}), medium="dye ink pad"
        )
        self.assertEqual(other["guesses"][0]["swatch"]["code"], "SKY-1")
        self.assertEqual(other["guesses"][0]["known"], "used")

    def test_a_known_colour_takes_the_light_out_as_white_does(self):
        late = catalogue_for(self.ann).shades[1]["colour"]
        told = self.which(
            file=self.photo(late, late),
            box=json.dumps({"left": 40, "top": 30, "width": 40, "height": 30}),
            known=json.dumps({"left": 40, "top": 95, "width": 40, "height": 30}),
            colour=self.ids["SKY-2"],
        )
        self.assertEqual(told["guesses"][0]["swatch"]["code"], "SKY-2")
        self.assertLess(told["guesses"][0]["distance"], 1.0)

    def test_without_a_frame_the_photo_is_only_shown(self):
        told = self.which(file=self.photo("#335577"))
        self.assertEqual((told["guesses"], told["hex"], told["width"]), ([], "", 300))

    def test_what_is_no_photo_or_no_ones_is_told(self):
        made = self.record(self.built())
        self.which(400)
        self.which(400, file=SimpleUploadedFile("x.png", b"no picture"))
        self.which(
            400,
            file=self.photo("#335577"),
            box=json.dumps({"left": 290, "top": 0, "width": 50, "height": 50}),
        )
        self.which(
            400,
            file=self.photo("#335577"),
            colour=10**6,
            known=json.dumps({"left": 40, "top": 95, "width": 40, "height": 30}),
        )
        self.which(404, record=made["id"], photo=10**6)
        photo = RecordPhoto.objects.create(record_id=made["id"], picture=self.photo("#335577").read())
        self.which(record=made["id"], photo=photo.pk)
        self.client.force_login(self.ben)
        self.which(404, record=made["id"], photo=photo.pk)


class YearTests(RecordTestCase):
    def test_a_year_is_printed_where_anything_was_made(self):
        self.record(self.built())
        year = Record.objects.get().made.year
        answer = self.client.get(f"/api/records/years/{year}?paper=letter")
        self.assertEqual(answer.content[:5], b"%PDF-")
        for other in (year + 1, 0, 10**6):
            self.assertEqual(self.client.get(f"/api/records/years/{other}").status_code, 404)

    def test_the_log_is_narrowed_by_medium_and_by_whom_it_was_for(self):
        made = self.record(self.built())
        said = {"version": 1, "made": "2026-04-20", "person": "Ida", "instead": []}
        self.ask("put", f"records/{made['id']}", said)
        told = self.ask("get", "records")
        self.assertEqual((told["people"], told["media"]), (["Ida"], sorted(told["media"])))
        for asked, count in (
            ({"person": "Ida"}, 1),
            ({"person": "Id"}, 0),
            ({"medium": told["media"][0]}, 1),
            ({"medium": "gel pen"}, 0),
        ):
            self.assertEqual(self.ask("get", "records", asked)["total"], count, asked)

    def test_supplies_of_a_record_say_how_full_they_are(self):
        made = self.record(self.inked("SKY-1", "SKY-2"))
        by_label = {one["label"]: (one["id"], one["fullness"]) for one in made["uses"]}
        self.assertEqual(by_label["SKY-2"], (self.ids["SKY-2"], "full"))
        self.assertEqual(by_label["SKY-1"], (self.ids["SKY-1"], None))
        low = {"colours": [self.ids["SKY-2"]], "owned": True, "fullness": "low"}
        self.ask("post", "drawer", low)
        again = self.ask("get", f"records/{made['id']}")["uses"]
        self.assertIn((self.ids["SKY-2"], "low"), [(one["id"], one["fullness"]) for one in again])
