import io
import json
import logging
import re
import unittest
import zipfile
from pathlib import Path
from tempfile import TemporaryDirectory

from django.core.files.uploadedfile import SimpleUploadedFile
from django.db import connection
from django.test import override_settings
from hypothesis import given
from hypothesis import strategies as st
from PIL import Image

from jindle_core import figures
from jindle_core.errors import BadInput
from jindle_core.interchange.bare_picture import jpeg
from server.access import photos_of
from server.accounts.models import Person
from server.archive.pack import pack
from server.archive.tests.filled import PICTURE, FilledTestCase
from server.cards.history import differences, whole
from server.cards.models import StepTaken, StoredCard
from server.catalogue.models import Range, Reading
from server.catalogue.range_actions import delete_range_for_good
from server.papers.models import Paper
from server.records.models import MOST_PHOTOS, Record, RecordPhoto
from server.tests.helpers import packed
from server.zipped import unzipped


def connection_rows(query):
    with connection.cursor() as cursor:
        cursor.execute(query)
        return [row[0] for row in cursor.fetchall()]


def names_in(content, most):
    with TemporaryDirectory() as folder:
        packed = Path(folder, "packed")
        packed.write_bytes(content)
        return unzipped((str(packed), folder, most))


class ArchiveTests(FilledTestCase):
    def with_changed(self, name, change):
        """Ann's archive with one of its files put through ``change``."""
        out = io.BytesIO()
        with zipfile.ZipFile(io.BytesIO(packed(self.ann))) as old, zipfile.ZipFile(out, "w") as new:
            for one in old.namelist():
                content = old.read(one)
                new.writestr(
                    one, change(content.decode("latin-1")).encode("latin-1") if one == name else content
                )
        return out.getvalue()

    def test_out_and_back_into_an_empty_account_is_the_same(self):
        whole = self.client.get("/api/me/archive").getvalue()
        with zipfile.ZipFile(io.BytesIO(whole)) as archive:
            self.assertEqual(
                archive.namelist(),
                [
                    "about.json",
                    "ranges/own 1.json",
                    "ranges/own 2.json",
                    "ranges/own 3.json",
                    "papers/0001.jpg",
                    "papers.json",
                    "drawer.json",
                    "asked for.json",
                    "strip.json",
                    "readings.json",
                    "combinations.json",
                    "drawings.json",
                    "families.json",
                    "times.json",
                    "cards/0001.json",
                    "moods.json",
                    "sets.json",
                    "training.json",
                    "photos/0001-1.jpg",
                    "records/0001.json",
                ],
            )
            self.assertEqual(json.loads(archive.read("readings.json"))[0]["colour"], ["own 1", "PEN-1"])
        self.client.force_login(self.ben)
        self.assertEqual(
            self.bring_back(whole),
            {
                "ranges": 3,
                "papers": 1,
                "drawer": 3,
                "readings": 2,
                "combinations": 1,
                "drawings": 1,
                "families": 1,
                "cards": 1,
                "moods": 0,
                "sets": 0,
                "answers": 0,
                "records": 1,
            },
        )
        self.assertEqual(packed(Person.objects.get(name="Ben")), whole)
        (paper,) = Paper.objects.filter(owner=self.ben)
        self.assertEqual((bytes(paper.picture), paper.range.owner), (PICTURE, self.ben))
        self.assertEqual([colour.share for colour in paper.range.colours.all()], [0.75, 0.25])
        (card,) = self.ask("get", "cards")["cards"]
        card = self.ask("get", f"cards/{card['id']}")
        self.assertEqual((len(card["colours"]), card["undo"]), (4, "starting from a layout"))
        (told,) = self.ask("get", f"cards/{card['id']}/colouring")["pictures"]
        self.assertEqual([one["swatch"]["code"] for one in told["areas"][0]["tones"]], ["TRAY-1", "TRAY-2"])
        self.assertEqual((told["areas"][0]["shape"], told["paper"]["name"]), ("sail", "milk"))
        self.assertEqual(told["line_range"], Range.objects.get(owner=self.ben, name="Mine").pk)
        self.assertEqual(card["colours"][0]["cells"][1]["state"], "chosen")
        self.assertFalse(any(colour["lost"] for colour in card["colours"]))
        plan = self.ask("get", f"cards/{card['id']}/plan")
        self.assertEqual((plan["cards"], [one["key"] for one in plan["past"]]), (4, ["base"]))
        self.assertEqual([(one["first"], one["then"]) for one in plan["wishes"]], [("flat", "post")])
        self.assertEqual(StepTaken.objects.filter(owner=self.ben).count(), 1)
        (record,) = self.ask("get", "records")["records"]
        self.assertEqual((record["made"], record["count"], record["person"]), ("2026-05-06", 3, "Ida"))
        told = self.ask("get", f"records/{record['id']}")
        self.assertEqual((told["card"], len(told["photos"])), (card["id"], 1))
        self.assertIn("PEN-1", self.client.get(f"/api/records/{record['id']}/recipe").content.decode())

    def followed(self, content):
        answer = self.client.post("/api/me/archive/followed", {"file": SimpleUploadedFile("a.zip", content)})
        return [json.loads(line) for line in b"".join(answer.streaming_content).splitlines()]

    def test_who_follows_it_is_told_how_far_it_is_and_what_came_back(self):
        archive = packed(self.ann)
        self.client.force_login(self.ben)
        *steps, last = self.followed(archive)
        shares = [step["share"] for step in steps]
        self.assertEqual((shares, steps[-1]["words"]), (sorted(shares), "storing what is in it"))
        self.assertEqual((last["share"], last["back"]["cards"]), (1, 1))
        self.assertEqual(packed(Person.objects.get(name="Ben")), archive)

    def test_who_follows_it_is_told_what_is_wrong(self):
        self.client.force_login(self.ben)
        for broken in (b"not a zip", packed(self.ann)[:-200]):
            self.assertIn("message", self.followed(broken)[-1]["error"])
        self.assertEqual(self.ask("get", "cards")["cards"], [])

    def test_only_into_an_empty_account(self):
        self.assertIn("not empty", self.bring_back(packed(self.ann), 400)["message"])

    def test_what_is_damaged_stores_nothing(self):
        about = "about.json"
        self.client.force_login(self.ben)
        cases = (
            (b"no zip", "no zip archive"),
            (
                self.with_changed(about, lambda text: text.replace("jindle archive", "other")),
                "no Jindle archive",
            ),
            (
                self.with_changed(about, lambda text: text.replace('"version": 2', '"version": 9')),
                "version 9",
            ),
            (self.with_changed(about, lambda text: text.replace('"mm"', '"miles"')), "not as it was written"),
            (self.with_changed("papers/0001.jpg", lambda text: "no picture"), "no PNG, JPEG or WebP"),
            (self.with_changed("papers.json", lambda text: text.replace("own 2", "own 7")), "papers.json"),
            (self.with_changed("readings.json", lambda text: text[:40]), "not well-formed"),
            (self.with_changed("readings.json", lambda text: text.replace("PEN-1", "PEN-9")), "own 1 PEN-9"),
            (self.with_changed("drawer.json", lambda text: text.replace("half", "brimming")), "drawer.json"),
            (
                self.with_changed("cards/0001.json", lambda text: text.replace('"cards": 4', '"cards": 0')),
                "cards/0001",
            ),
            (self.with_changed("times.json", lambda text: text.replace('"took"', '"tack"')), "times.json"),
            (
                self.with_changed("records/0001.json", lambda text: text.replace('"count": 3', '"count": 0')),
                "records/0001.json",
            ),
            (
                self.with_changed("records/0001.json", lambda text: text.replace('"steps"', '"staps"')),
                "records/0001.json",
            ),
            (self.with_changed("photos/0001-1.jpg", lambda text: "no picture"), "no PNG, JPEG or WebP"),
            (
                self.with_changed("cards/0001.json", lambda text: text.replace('"lead"', '"hero"')),
                "cards/0001.json",
            ),
            (self.with_changed("cards/0001.json", lambda text: "{}"), "cards/0001.json"),
            (self.with_changed("cards/0001.json", lambda text: "[" * 100_000), "not well-formed"),
            (
                self.with_changed("cards/0001.json", lambda text: text.replace('"number": 1', '"number": 0')),
                "cards/0001.json",
            ),
            (
                self.with_changed(
                    "cards/0001.json", lambda text: re.sub('"head": [0-9]+', '"head": 99', text)
                ),
                "cards/0001.json",
            ),
            (
                self.with_changed("ranges/own 1.json", lambda text: text.replace('"PEN-2"', '"PEN-1"')),
                "stands in row 1",
            ),
            (
                self.with_changed("ranges/own 1.json", lambda text: text.replace('"gel pen"', '"crayon"')),
                "own 1.json",
            ),
        )
        for content, words in cases:
            with self.subTest(words):
                self.assertIn(words, self.bring_back(content, 400)["message"])
                self.assertEqual(StoredCard.objects.filter(owner=self.ben).count(), 0)
                self.assertEqual(Reading.objects.filter(owner=self.ben).count(), 0)
                self.assertEqual(self.ben.ranges.count(), 0)

    def a_card(self, **told):
        """Ann's only card as her archive has it, changed; and her archive with it."""
        made = {}

        def change(text):
            made.update(json.loads(text) | told)
            return json.dumps(made)

        return made, self.with_changed("cards/0001.json", change)

    def test_archives_of_the_first_kind_are_read_still(self):
        told, _ = self.a_card()
        states = list(whole(told["history"]))
        history = [
            {"number": one["number"], "label": one["label"], "plan": state}
            for one, state in zip(told["history"], states, strict=True)
        ]
        _, archive = self.a_card(history=history)
        self.client.force_login(self.ben)
        self.bring_back(archive)
        self.assertEqual(
            [one.stored for one in StoredCard.objects.get(owner=self.ben).revisions.all()][-1],
            StoredCard.objects.get(owner=self.ben).stored,
        )
        self.assertEqual(packed(Person.objects.get(name="Ben")), packed(self.ann))

    def test_a_card_with_all_the_states_that_are_kept_comes_back(self):
        card = self.ask("get", "cards")["cards"][0]
        for count in range(figures.palettes.UNDO_LIMIT + 3):
            card = self.change(card, kind="set_card", name=f"Name {count}")
        for _ in range(4):  # with something to redo
            card = self.ask("post", f"cards/{card['id']}/undo", {"version": card["version"]})
        kept = StoredCard.objects.get(pk=card["id"]).revisions.count()
        self.assertEqual(kept, figures.palettes.UNDO_LIMIT + 1)
        whole_one = packed(self.ann)
        self.client.force_login(self.ben)
        self.bring_back(whole_one)
        self.assertEqual(packed(Person.objects.get(name="Ben")), whole_one)
        stored = [len(row) for row in connection_rows("select stored from card_revision")]
        self.assertLess(max(stored), 2500)
        # One more than is kept is trimmed, not refused.
        told = json.loads(zipfile.ZipFile(io.BytesIO(whole_one)).read("cards/0001.json"))
        first = {
            "number": told["history"][0]["number"] - 1,
            "label": "earlier",
            "plan": told["history"][0]["plan"],
        }
        head = told["history"][-1]["number"]
        self.client.force_login(self.ann)
        _, longer = self.a_card(history=[first, *told["history"]], head=head)
        eve = Person.objects.create_user("Eve", "long-enough-9")
        self.client.force_login(eve)
        self.bring_back(longer)
        self.assertEqual(StoredCard.objects.get(owner=eve).revisions.count(), figures.palettes.UNDO_LIMIT + 1)

    def test_what_would_poison_an_account_is_refused(self):
        told, _ = self.a_card()
        plan = told["plan"]
        (picture,) = plan["pictures"]
        for wrong in (
            {"size": {"width": {"ticks": 1.5, "unit": "in"}, "height": {"ticks": 64, "unit": "in"}}},
            {"size": {"width": {"ticks": 0, "unit": "in"}, "height": {"ticks": 0, "unit": "in"}}},
            {"next_key": "7"},
            {"name": "\ud800"},
            {"choices": [{"key": 99, "column": "pad", "colour": ["shared Pads", "SKY-1"], "locked": 1}]},
            {
                "colours": plan["colours"][:1],
                "pairs": [
                    {
                        "key": 1,
                        "kind": "mat",
                        "upper": {"source": "palette", "id": 77},
                        "lower": {"source": "white", "id": 0},
                        "outlined": False,
                    }
                ],
            },
            {"pictures": [picture | {"areas": [picture["areas"][0] | {"colour": 77}]}]},
            {"pictures": [picture | {"areas": [picture["areas"][0] | {"like": picture["areas"][0]["key"]}]}]},
            {"pictures": []},
        ):
            with self.subTest(wrong):
                _, archive = self.a_card(plan=plan | wrong)
                self.client.force_login(self.ben)
                self.bring_back(archive, 400)
                self.assertEqual(self.ask("get", "cards")["cards"], [])
                self.client.force_login(self.ann)

    def test_a_card_that_cannot_be_shown_comes_along_and_hinders_nothing(self):
        logging.disable(logging.ERROR)
        self.addCleanup(logging.disable, logging.NOTSET)
        broken = StoredCard.objects.get(pk=self.new_card()["id"])
        broken.stored = {"name": "Half a card"}
        broken.save()
        archive = self.client.get("/api/me/archive").getvalue()
        with zipfile.ZipFile(io.BytesIO(archive)) as files:
            (name,) = [one for one in files.namelist() if one.startswith("cannot be shown/")]
            self.assertEqual(json.loads(files.read(name))["plan"], {"name": "Half a card"})
        self.client.force_login(self.ben)
        self.assertEqual(self.bring_back(archive)["cards"], 1)

    def test_what_stands_in_for_a_deleted_range_comes_along(self):
        (card,) = self.ask("get", "cards")["cards"]
        delete_range_for_good(self.own)
        self.assertEqual(self.own.colours.count(), 1)  # the other was never named
        before = self.ask("get", f"cards/{card['id']}")
        archive = self.client.get("/api/me/archive").getvalue()
        self.client.force_login(self.ben)
        self.assertEqual(self.bring_back(archive)["ranges"], 2)
        (card,) = self.ask("get", "cards")["cards"]
        after = self.ask("get", f"cards/{card['id']}")
        self.assertEqual(after["colours"][-1]["lab"], before["colours"][-1]["lab"])
        self.assertNotIn("Mine", [one["name"] for one in self.ask("get", "ranges")])
        self.assertEqual(self.client.get("/api/me/archive").getvalue(), archive)

    def test_the_demo_studio_takes_no_archive(self):
        studio = Person.objects.create_user("Everybody's")
        archive = packed(self.ann)
        self.client.force_login(studio)
        self.assertIn("an account of your own", self.bring_back(archive, 400)["message"])

    def test_what_fills_its_quota_with_photos_is_taken_out_and_comes_back(self):
        noise = Image.effect_noise((1200, 1200), 90)
        photo = jpeg(noise)
        record = Record.objects.get()
        most = 52  # megabytes
        photos = most * 2**20 // len(photo) - 1
        for _ in range(photos // MOST_PHOTOS):
            record.pk = None
            record.save()
            RecordPhoto.objects.bulk_create(
                RecordPhoto(record=record, picture=photo) for _ in range(MOST_PHOTOS)
            )
        with override_settings(QUOTAS={"megabytes": most}):
            with pack(self.ann) as packed_up:
                archive = packed_up.read()
            self.client.force_login(self.ben)
            self.assertEqual(self.bring_back(archive)["records"], 1 + photos // MOST_PHOTOS)
            self.assertEqual(photos_of(self.ben).count(), photos_of(self.ann).count())

    def test_nothing_is_handed_out_that_would_not_be_taken_back(self):
        with override_settings(QUOTAS={"megabytes": -2000}):
            told = self.ask("get", "me/archive", status=400)
        self.assertIn("more than an archive holds", told["message"])

    def test_a_zip_that_swells_is_refused_unread(self):
        for files, most in (
            ({"about.json": bytes(151 * 2**20)}, 2**30),
            ({"1": bytes(100 * 2**20), "2": bytes(60 * 2**20)}, 2**30),  # five hundred times what it packs to
            ({"about.json": bytes(2**20 + 1)}, 2**20),
            ({str(at): b"" for at in range(100_001)}, 2**30),
        ):
            out = io.BytesIO()
            with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as archive:
                for name, content in files.items():
                    archive.writestr(name, content)
            with self.assertRaisesRegex(BadInput, "would be too large"):
                names_in(out.getvalue(), most)

    def test_every_kind_of_damage_to_a_zip_is_told(self):
        archive = packed(self.ann)
        end, told = len(archive), 0
        for at in (*range(64), *range(end - 90, end), *range(64, end, 97)):
            for byte in (0x00, 0xFF, archive[at] ^ 1):
                try:
                    names_in(archive[:at] + bytes([byte]) + archive[at + 1 :], 2**30)
                except BadInput:
                    told += 1
        self.assertGreater(told, 200)
        self.client.force_login(self.ben)
        self.assertIn("damaged", self.bring_back(archive[: end // 2], 400)["message"])


class DifferenceTests(unittest.TestCase):
    DOCUMENT = st.recursive(
        # No booleans: Python takes 0 and False for the same, and a plan's fields keep their kind.
        st.none() | st.integers(0, 3) | st.text(alphabet="a/~0", max_size=2),
        lambda inner: (
            st.lists(inner, max_size=4)
            | st.dictionaries(st.text(alphabet="ab/~0", max_size=2), inner, max_size=4)
        ),
        max_leaves=12,
    )

    @given(st.lists(st.dictionaries(st.sampled_from("abc"), DOCUMENT, max_size=3), min_size=1, max_size=5))
    def test_states_come_back_from_their_differences(self, states):
        told = json.loads(json.dumps(list(differences(states))))
        self.assertEqual(
            [json.dumps(one, sort_keys=True) for one in whole(told)],
            [json.dumps(one, sort_keys=True) for one in states],
        )

    def test_a_patch_that_does_not_fit_is_told(self):
        for patch in (
            [{"op": "remove", "path": "/b"}],
            [{"op": "fly"}],
            [{"op": "test", "path": "/a", "value": 2}],
            [7],
            7,
        ):
            with self.assertRaisesRegex(BadInput, "does not follow"):
                list(whole([{"plan": {"a": 1}}, {"patch": patch}]))
