"""What must hold for the project as a whole."""

import io
import re

from django.conf import settings
from django.core.management import call_command
from django.test import Client, SimpleTestCase, TestCase
from drf_spectacular.drainage import GENERATOR_STATS
from drf_spectacular.generators import SchemaGenerator
from drf_spectacular.renderers import OpenApiYamlRenderer
from drf_spectacular.validation import validate_schema

from jindle_core.checked.whole import CheckedCard
from jindle_core.checks.finding import Status
from jindle_core.offers.following import moving_to
from server.accounts.models import Person
from server.cards.held import checked_cards
from server.cards.json.colouring import colouring_told
from server.cards.models import StoredCard
from server.catalogue.arrays import catalogue_for, forget_catalogues
from server.catalogue.models import Colour
from server.demo.studio import DEMO_NAME
from server.told.encoder import as_json


class ProjectTests(SimpleTestCase):
    def test_the_committed_schema_is_the_apis(self):
        described = SchemaGenerator().get_schema(request=None, public=True)
        self.assertFalse(GENERATOR_STATS, "what it warns of stands above")
        validate_schema(described)
        made = OpenApiYamlRenderer().render(described, renderer_context={}).decode()
        committed = (settings.ROOT / "server" / "schema.yml").read_text()
        self.assertEqual(made, committed, "run ./jindle schema")

    def test_lock_files_name_no_address(self):
        self.assertNotIn('"resolved"', (settings.ROOT / "web" / "package-lock.json").read_text())
        for name in ("requirements.txt", "requirements-dev.txt"):
            text = (settings.ROOT / name).read_text()
            self.assertNotIn("http", text)
            self.assertIn("--hash=sha256:", text)


class NotesTests(SimpleTestCase):
    def test_every_file_that_contributing_names_is_there(self):
        text = (settings.ROOT / "CONTRIBUTING.md").read_text(encoding="utf-8")
        named = {
            one for one in re.findall(r"`([\w./*-]+)`", text) if "/" in one or one.endswith((".py", ".toml"))
        }
        paths = {one for one in named if not one.startswith(("/", "."))}
        self.assertGreater(len(paths), 20)
        folders = (
            settings.ROOT,
            settings.ROOT / "jindle_core/interchange",
            settings.ROOT / "jindle_core/checked",
        )
        missing = [one for one in sorted(paths) if not any(list(folder.glob(one)) for folder in folders)]
        self.assertEqual(missing, [])


class DatabaseTests(TestCase):
    def test_no_migration_is_missing(self):
        call_command("makemigrations", "--check", "--dry-run", verbosity=0)

    def setUp(self):
        forget_catalogues()

    def test_every_area_of_the_demo_cards_has_its_family(self):
        call_command("load_demo", stdout=io.StringIO())
        studio = Person.objects.get(name=DEMO_NAME)
        cards = list(StoredCard.objects.filter(owner=studio))
        for checked in checked_cards(cards, catalogue_for(studio), studio):
            pictures = checked.seen.coloured
            needless = checked.examined.covered.needless
            told = as_json(colouring_told(checked))["pictures"]
            for coloured, one in zip(pictures, told, strict=True):
                with self.subTest(checked.seen.card.name, picture=coloured.picture.name):
                    self.assertIsNotNone(coloured.drawing)
                    self.assertTrue(all(area.colour and area.family for area in coloured.areas))
                    self.assertEqual(coloured.conflicts, [])
                    together = [key for step in one["sessions"] for key in step["to"]]
                    needed = [area.key for area in coloured.areas if area.key not in needless]
                    self.assertEqual(sorted(together), needed)

    def test_the_demo_cards_move_into_each_others_ranges(self):
        call_command("load_demo", stdout=io.StringIO())
        studio = Person.objects.get(name=DEMO_NAME)
        supplies = catalogue_for(studio)
        ids = {facts.name: pk for pk, facts in supplies.ranges.items()}
        held = kept = 0
        apart: list[float] = []
        for names in (("Wherry", "Brackwater", "Skiffboard"), ("Lockside", "Tallowick", "Landing")):
            for checked in checked_cards(list(StoredCard.objects.all()), supplies, studio):
                after = moving_to(checked.seen, [ids[name] for name in names], owned=False)[0].after
                holds = [{one.key for one in each.checks if one.finding.status is Status.HOLDS}
                         for each in (checked, CheckedCard(after))]  # fmt: skip
                there = {one.key for one in CheckedCard(after).checks}
                held += len(holds[0])
                kept += len([key for key in holds[0] if key in holds[1] or key not in there])
                for one, other in zip(checked.seen.coloured, after.coloured, strict=True):
                    for area in one.areas:
                        before, then = one.tones[area.key].lab, other.tones[area.key].lab
                        apart.append(abs(before[:, 0].mean() - then[:, 0].mean()))
        self.assertGreaterEqual(kept / held, 0.9)
        self.assertLessEqual(sum(apart) / len(apart), 4)

    def test_demo_data_loads_once(self):
        call_command("load_demo", stdout=io.StringIO())
        colours = Colour.objects.count()
        call_command("load_demo", stdout=io.StringIO())
        self.assertEqual(
            (Colour.objects.count(), Person.objects.count(), StoredCard.objects.count()), (colours, 1, 5)
        )
        self.assertGreaterEqual(colours, 600)

    def test_pages_carry_a_strict_policy(self):
        answer = Client().get("/cards/1/palette")
        self.assertIn("default-src 'self'", answer["Content-Security-Policy"])
        self.assertIn("csrftoken", answer.cookies)
        self.assertIn("no-cache", answer["Cache-Control"])

    def test_a_change_needs_the_csrf_token(self):
        strict = Client(enforce_csrf_checks=True)
        strict.force_login(Person.objects.create_user("Eve"))
        answer = strict.post("/api/cards", "{}", content_type="application/json")
        self.assertEqual((answer.status_code, answer.json()["code"]), (403, "permission_denied"))
