"""Nothing locks a person out: cards that cannot be shown, dialogs, notices."""

import logging

from playwright.sync_api import expect

from e2e.tests.base import BrowserTestCase
from jindle_core.card.changes.palette import SetCard
from server.cards.actions import change_card
from server.cards.models import StoredCard
from server.catalogue.arrays import catalogue_for


class SafetyTests(BrowserTestCase):
    def test_a_card_that_cannot_be_shown_goes_back(self):
        logging.disable(logging.ERROR)  # it is reported, and here it is meant
        self.addCleanup(logging.disable, logging.NOTSET)
        card = next(one for one in StoredCard.objects.all() if one.stored["name"].startswith("Kingfisher"))
        change_card(card, card.version, SetCard("Kingfisher, get well soon"), catalogue_for(card.owner))
        broken = card.stored | {"choices": [{"key": 1.5}]}
        StoredCard.objects.filter(pk=card.pk).update(stored=broken)
        card.revisions.filter(number=card.head).update(stored=broken)
        self.open_demo()
        expect(self.page.get_by_role("link", name="Night ferry")).to_be_visible()
        self.page.get_by_role("link", name="Kingfisher").click()
        expect(self.page.get_by_role("alert")).to_contain_text("cannot be shown")
        self.check_axe()
        with self.page.expect_download() as taken:
            self.page.get_by_role("link", name="Take it along as a file").click()
        self.assertTrue(taken.value.suggested_filename.endswith(".json"))
        self.button("Go back to this").first.click()
        expect(self.grid).to_be_visible()
        self.page.get_by_role("link", name="Cards").click()
        expect(self.page.get_by_text("Cannot be shown")).to_have_count(0)

    def test_a_dialog_begins_in_its_first_field_and_keeps_the_keys(self):
        self.open_palette_of("Kingfisher, get well")
        for opener, field in (
            ("Add a colour", self.dialog().get_by_role("combobox")),
            ("change name or size", self.dialog().get_by_label("Name")),
        ):
            self.button(opener).first.click()
            expect(field).to_be_focused()
            field.fill("")
            self.page.keyboard.type("s o g 1")
            expect(field).to_have_value("s o g 1")
            self.dialog().get_by_role("button", name="Close").focus()
            for key in ("s", "g", "o", "u"):
                self.page.keyboard.press(key)
            expect(field).to_be_visible()
            expect(self.page.locator("html[data-surround=light]")).to_have_count(1)
            self.page.keyboard.press("Escape")
            expect(self.dialog()).to_have_count(0)
        expect(self.page.get_by_role("radio", name="Colour")).to_be_checked()

    def test_notices_go_by_themselves_but_not_while_they_are_pointed_at(self):
        self.page.clock.install()
        self.open_palette_of("Kingfisher, get well")
        kept = self.page.get_by_role("status").filter(has_text="is kept among")
        for name in ("First", "Second"):
            self.button("With this palette").click()
            self.page.get_by_role("menuitem", name="Keep it as a combination").click()
            self.dialog().get_by_label("Name").fill(name)
            self.button("Keep it", exact=True).click()
            expect(kept).to_have_count(1)
            expect(kept).to_contain_text(name)
        kept.hover()
        self.page.clock.fast_forward(60_000)
        expect(kept).to_be_visible()
        self.page.mouse.move(5, 5)
        self.page.clock.fast_forward(60_000)
        expect(kept).to_have_count(0)
