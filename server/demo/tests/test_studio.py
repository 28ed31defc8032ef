import logging
from datetime import timedelta
from io import StringIO
from unittest import mock

from django.core.management import call_command
from django.utils import timezone

from jindle_core.errors import BadInput
from server import quotas
from server.accounts.models import Person
from server.cards.models import StoredCard
from server.catalogue.arrays import forget_catalogues
from server.catalogue.models import Colour, Range
from server.catalogue.range_actions import delete_range
from server.colouring.models import Drawing
from server.demo.studio import DEMO_NAME, load, opened
from server.tests.helpers import ApiTestCase, make_range, packed


class StudioTests(ApiTestCase):
    @classmethod
    def setUpTestData(cls):
        cls.ann = Person.objects.create_user("Ann", "long-enough-9")
        load()
        cls.studio = Person.objects.get(name=DEMO_NAME)
        cls.at_first = packed(cls.studio)

    def spoil(self):
        """What visitors leave: cards changed, broken and new, ranges come and gone."""
        self.client.force_login(self.studio)
        first, *others = self.ask("get", "cards")["cards"]
        own = make_range(self.studio, "Visitor's", "dye ink pad")
        card = self.change(first, kind="add_colour", anchor={"colour": own.colours.first().pk})
        self.change(card, kind="set_card", name="Scribbled over")
        delete_range(own)
        make_range(self.studio, "Left behind")
        self.ask("delete", f"cards/{others[0]['id']}", status=204)
        StoredCard.objects.filter(pk=first["id"]).update(stored={"name": "broken"})
        self.ask("patch", "me", {"units": "mm", "eyes": "protan"})
        question = self.ask("post", "training/question", {"exercise": "nearest-of-four", "seed": 1})
        self.ask("post", "training/answers", {"token": question["token"], "places": [0]}, 201)
        self.ask("post", "training/sheets", {"exercise": "nearest-of-four"}, 201)

    def assertAsAtFirst(self):
        forget_catalogues()
        self.assertEqual(packed(Person.objects.get(pk=self.studio.pk)), self.at_first)
        self.assertFalse(Range.objects.filter(owner=self.studio).exists())
        self.client.force_login(self.studio)
        told = self.ask("get", "cards")
        self.assertEqual((told["broken"], bool(told["cards"])), ([], True))

    def test_one_command_sets_it_back_and_nobody_elses(self):
        self.client.force_login(self.ann)
        own = self.new_card("Ann's own")
        logging.disable(logging.ERROR)
        self.addCleanup(logging.disable, logging.NOTSET)
        self.spoil()
        with mock.patch("sys.stdout"):
            call_command("set_back_demo")
        self.assertAsAtFirst()
        self.client.force_login(self.ann)
        self.assertEqual(self.ask("get", f"cards/{own['id']}")["name"], "Ann's own")

    def test_what_is_new_of_everybodys_comes_to_a_studio_that_is_there(self):
        Drawing.objects.filter(owner=None, name="A duckling").delete()
        Range.objects.filter(owner=None, name="Emberfall").delete()
        self.assertFalse(load())
        self.assertEqual(Drawing.objects.filter(owner=None, name="A duckling").count(), 1)
        self.assertEqual(Range.objects.filter(owner=None, name="Emberfall").count(), 1)
        call_command("set_back_demo", stdout=StringIO())
        self.assertEqual(StoredCard.objects.filter(owner=self.studio).count(), 5)

    def test_the_first_of_a_day_finds_it_as_it_was(self):
        logging.disable(logging.ERROR)
        self.addCleanup(logging.disable, logging.NOTSET)
        self.spoil()
        opened()
        self.assertTrue(Range.objects.filter(owner=self.studio).exists(), "not on the same day")
        Person.objects.filter(pk=self.studio.pk).update(created=timezone.now() - timedelta(days=1))
        opened()
        self.assertAsAtFirst()
        self.assertEqual(opened().created.date(), timezone.now().date())

    def test_nobody_may_fill_it(self):
        self.client.force_login(self.studio)
        there = StoredCard.objects.filter(owner=self.studio).count()
        size = {"width": "5", "height": "4", "unit": "in"}
        with mock.patch.dict(quotas.LIMITS, cards=there + 1, colours=Colour.objects.count()):
            self.ask("post", "cards", {"name": "The last", "size": size}, 201)
            refused = self.ask("post", "cards", {"name": "One more", "size": size}, 400)
            self.assertIn("an account of your own", refused["message"])
            lines = "".join(f"P-{at},10,0,{at}\n" for at in range(3))
            with mock.patch.dict(quotas.LIMITS, colours=2), self.assertRaises(BadInput):
                make_range(self.studio, "Three", content="code,L,a,b\n" + lines)
            self.client.force_login(self.ann)
            for name in ("One", "Two", "Three"):
                self.ask("post", "cards", {"name": name, "size": size}, 201)
