"""The guide says what is on the screens, and the page in docs says what the guide does."""

from django.test import SimpleTestCase

from e2e import guide
from e2e.tests.base import BrowserTestCase
from server.cards.models import StoredCard


class GuidePageTests(SimpleTestCase):
    def test_the_page_is_made_of_what_the_screens_say(self):
        self.assertEqual(guide.DOCUMENT.read_text(encoding="utf-8"), guide.document(), "run ./jindle shots")


class GuideTests(BrowserTestCase):
    def test_every_part_is_on_its_screen(self):
        self.open_demo()
        kingfisher = next(one for one in StoredCard.objects.all() if one.name.startswith("Kingfisher"))
        for entry in guide.GUIDE:
            guide.opened(self.page, self.live_server_url, kingfisher.pk, entry)
            for part in entry["parts"]:
                self.assertTrue(
                    self.page.locator(part["at"]).first.is_visible(), (entry["key"], part["name"])
                )
