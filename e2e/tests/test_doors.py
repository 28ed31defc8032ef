"""A newcomer's first minutes: three doors, what is made up, words for colours; also on a phone."""

import re

from playwright.sync_api import expect

from e2e.tests.base import BrowserTestCase


class DoorTests(BrowserTestCase):
    def sign_up(self, page=None):
        page = page or self.page
        page.goto(self.live_server_url + "/cards")
        page.get_by_role("button", name="Make an account").click()
        page.get_by_label("Name").fill("Weir studio")
        page.get_by_label("Password").fill("wagtail-at-dawn")
        page.get_by_role("button", name="Make the account").click()
        expect(page.get_by_role("heading", name="No cards yet")).to_be_visible()

    def test_a_finished_card_becomes_ones_own_and_can_be_taken_apart(self):
        self.sign_up()
        self.check_axe()
        self.button("Night ferry, bon voyage").click()
        expect(self.grid).to_be_visible()
        self.page.get_by_role("link", name="Build").click()
        self.page.get_by_role("region", name="On the front").get_by_role(
            "button", name="bridge strip"
        ).click()
        expect(self.page.get_by_role("region", name="The piece bridge strip")).to_be_visible()
        self.page.get_by_role("link", name="Cards").click()
        expect(self.page.get_by_role("link", name="Night ferry")).to_have_count(1)

    def test_what_one_owns_is_ticked_and_becomes_palettes_and_the_rest_is_put_away(self):
        self.sign_up()
        self.page.get_by_role("link", name="Say what I own").click()
        self.button(re.compile("I own all of it.*Wherry")).click()
        self.button("Yes, all 150").click()
        self.check_axe()
        self.button("Find palettes in them").click()
        expect(self.page.get_by_text("out of 150 that you own")).to_be_visible()
        self.go("/supplies")
        self.button(re.compile("Put away.*Lockside")).click()
        expect(self.page.get_by_role("heading", name="Put away, seen nowhere but here")).to_be_visible()
        self.check_axe()
        self.page.keyboard.press("/")
        self.page.get_by_role("combobox", name="Find a colour").fill("like moss 4 but bluer")
        found = self.page.get_by_role("option")
        expect(found.first).to_be_visible()
        expect(found.filter(has_text="Lockside")).to_have_count(0)
        expect(found.filter(has_text="MOSS-4")).to_have_count(0)
        self.check_axe()

    def test_a_colour_is_owned_in_one_press_which_can_be_taken_back(self):
        self.open_demo()
        self.go("/cards/ways/seasons")
        owned = self.button(re.compile("^I own it"))
        expect(owned.first).to_be_visible()
        before = owned.count()
        owned.first.click()
        expect(self.page.get_by_text("is in your drawer, full")).to_be_visible()
        expect(owned).not_to_have_count(before)
        self.button("Take it back").click()
        expect(owned).to_have_count(before)
        self.button(re.compile("^More of")).first.click()
        self.check_axe()
        self.page.get_by_role("menuitem", name="Into a palette").click()
        self.heading("To a palette")

    def test_on_a_phone_there_is_nothing_about_keys(self):
        phone = self.visitor(viewport={"width": 390, "height": 844}, has_touch=True, is_mobile=True)
        self.sign_up(phone)
        expect(phone.get_by_role("button", name="Keys")).to_have_count(0)
        for path in ("/cards", "/supplies/mine", "/supplies", "/cards/sets", "/cards/ways/seasons"):
            phone.goto(self.live_server_url + path)
            phone.get_by_role("heading", level=1).wait_for()
            wide = phone.evaluate("document.documentElement.scrollWidth")
            self.assertLessEqual(wide, 390, path)
