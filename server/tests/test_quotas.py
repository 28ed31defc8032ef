from datetime import timedelta
from io import BytesIO, StringIO

from django.core.management import call_command
from django.test import override_settings
from django.utils import timezone

from jindle_core.errors import BadInput
from ops.told import QUOTAS
from server import quotas
from server.archive.unpack import unpack
from server.cards.models import StoredCard
from server.papers.models import Paper
from server.tests.helpers import ApiTestCase, make_range, packed


class QuotaTests(ApiTestCase):
    def rooms(self):
        return {one["what"]: one for one in self.ask("get", "me/room")}

    def test_what_is_kept_is_told_and_said_before_it_is_full(self):
        self.new_card("One")
        self.assertEqual(
            self.rooms()["cards"], {"what": "cards", "there": 1, "most": 5000, "nearly_full": False}
        )
        with override_settings(QUOTAS={"cards": 2}):
            self.assertFalse(self.rooms()["cards"]["nearly_full"])
            self.new_card("Two")
            self.assertTrue(self.rooms()["cards"]["nearly_full"])
            size = {"width": "5", "height": "7", "unit": "in"}
            told = self.ask("post", "cards", {"name": "Three", "size": size}, 400)
            self.assertIn("keeps 2 cards at most", told["message"])
            self.client.force_login(self.ben)
            self.assertEqual(self.rooms()["cards"]["there"], 0)
            self.new_card("Ben's")

    def test_whoever_runs_it_can_say_each_of_them(self):
        self.assertEqual({what.split()[0] for what in quotas.USUAL}, set(QUOTAS))
        self.assertEqual(set(quotas.USUAL), set(quotas.LIMITS))

    def test_pictures_count_by_what_they_weigh(self):
        Paper.objects.create(range=self.stock, title="Everybody's", picture=b"x" * 2**21, mime="image/png")
        self.assertEqual(self.rooms()["megabytes of pictures"]["there"], 0)
        with override_settings(QUOTAS={"megabytes": 1}):
            quotas.check_bytes(self.ann, 2**20)
            with self.assertRaisesRegex(BadInput, "1 megabytes of pictures"):
                quotas.check_bytes(self.ann, 2**20 + 1)
            own = make_range(self.ann, "Hers", "patterned paper")
            Paper.objects.create(
                owner=self.ann, range=own, title="Hers", picture=b"x" * 2**20, mime="image/png"
            )
            with self.assertRaises(BadInput):
                quotas.check_bytes(self.ann, 1)
        self.assertEqual(self.rooms()["megabytes of pictures"]["there"], 1)

    def test_an_archive_that_is_too_much_is_not_brought_back(self):
        for name in ("One", "Two", "Three"):
            self.new_card(name)
        content = packed(self.ann)
        with override_settings(QUOTAS={"cards": 2}), self.assertRaisesRegex(BadInput, "2 cards at most"):
            unpack(self.ben, BytesIO(content))
        self.assertFalse(StoredCard.objects.filter(owner=self.ben).exists())
        self.assertEqual(unpack(self.ben, BytesIO(content)).cards, 3)

    def test_what_was_deleted_long_ago_goes_for_good(self):
        ids = [self.new_card(name)["id"] for name in ("Old", "New")]
        for pk in ids:
            self.ask("delete", f"cards/{pk}", status=204)
        StoredCard.objects.filter(pk=ids[0]).update(deleted=timezone.now() - timedelta(days=400))
        said = StringIO()
        call_command("clear_out", stdout=said)
        self.assertIn("1 deleted long ago", said.getvalue())
        self.assertEqual(list(StoredCard.objects.values_list("pk", flat=True)), [ids[1]])
