"""Training: from a check, with other eyes, on paper, and what was answered."""

import io
import re

from PIL import Image
from playwright.sync_api import expect

from e2e.tests.base import BrowserTestCase
from server.accounts.models import Person
from server.catalogue.drawer_actions import set_owned
from server.catalogue.models import Colour
from server.training.models import TrainingAnswer


class TrainingTests(BrowserTestCase):
    def setUp(self):
        super().setUp()
        self.open_demo()

    def press_all(self):
        """Things put in the order in which they stand."""
        tray = self.page.get_by_role("list", name="To be put in order").get_by_role("button")
        expect(tray.first).to_be_visible()
        for at in range(tray.count()):
            self.page.keyboard.press(str(at + 1))
        self.button("That is my order").click()
        expect(self.page.get_by_role("list", name="The truth")).to_be_visible()

    def test_a_check_leads_to_what_trains_the_eye_for_it_and_back(self):
        self.open_card("Allotment")
        self.page.get_by_role("link", name="Background").click()
        checks = self.page.get_by_role("region", name="Checks")
        link = checks.get_by_role("link", name="Practise this").first
        expect(link).to_have_attribute("href", re.compile("stage=background"))
        card = re.search(r"card=(\d+)", link.get_attribute("href")).group(1)
        link.click()
        expect(self.page.get_by_text("1 of 10")).to_be_visible()
        self.page.get_by_role("link", name="Back to the card").click()
        expect(self.page).to_have_url(re.compile(rf"/cards/{card}/background$"))

    def test_a_sitting_ends_after_ten_and_says_how_it_went(self):
        self.go("/training/practise?exercise=lighter-or-darker&seed=1")
        for number in range(1, 11):
            expect(self.page.get_by_text(f"{number} of 10")).to_be_visible()
            self.press_all()
            if number < 10:
                self.page.keyboard.press("Enter")  # the next is where the focus is
        expect(self.page.get_by_text(re.compile(r"\d+ of 10 right"))).to_be_visible()
        self.check_axe()
        self.page.get_by_role("link", name="How I come on").click()
        expect(self.page.get_by_role("region", name="Lighter or darker")).to_contain_text("last measured ΔL*")
        self.page.get_by_role("link", name="What I answered").click()
        expect(self.page.get_by_role("list", name="The truth")).to_have_count(10)
        missed = TrainingAnswer.objects.filter(right=False).count()
        self.page.get_by_role("switch", name="only what I missed").click()
        expect(self.page.get_by_role("list", name="The truth")).to_have_count(missed)
        self.button("Begin anew").click()
        self.button("Forget all answers").click()
        expect(self.page.get_by_text("Nothing was missed.")).to_be_visible()
        self.assertEqual(TrainingAnswer.objects.count(), 0)

    def test_eyes_that_see_otherwise_are_said_in_account(self):
        self.go("/account")
        self.button("My eyes: as most eyes").click()
        self.page.get_by_role("option", name="green hardly seen").click()
        wish = self.page.get_by_role("switch", name="Lightness alone where I could not tell")
        expect(wish).to_be_checked()
        self.check_axe()
        seen = 0
        for seed in range(12):
            self.go(f"/training/practise?exercise=nearest-of-four&seed={seed}")
            expect(self.page.get_by_role("list", name="To choose from")).to_be_visible()
            seen += self.page.get_by_text("Judge lightness alone.").count()
        self.assertGreater(seen, 0)
        self.go("/account")
        wish.click()
        expect(wish).not_to_be_checked()
        self.assertFalse(Person.objects.get(eyes="deutan").value_only)

    def test_a_drawer_that_gives_nothing_says_why_and_what_to_do(self):
        person = Person.objects.get(name="The demo studio")
        set_owned(person, list(Colour.objects.values_list("pk", flat=True)), False)
        self.go("/training/practise?exercise=will-it-join")
        expect(self.page.get_by_role("alert")).to_contain_text("two pads")
        self.button("Practise with colours that I do not own").click()
        expect(self.page.get_by_role("radiogroup", name="How they meet")).to_be_visible()
        self.go("/training/paper")
        self.button("Make a page").click()
        expect(self.page.get_by_role("alert")).to_contain_text("three colours")

    def test_a_picture_of_something_else_is_told_and_nothing_is_lost(self):
        self.go("/training/paper")
        self.button("Make a page").click()
        picture = io.BytesIO()
        Image.new("RGB", (400, 300), "#cccccc").save(picture, "PNG")
        told = {"name": "cat.png", "mimeType": "image/png", "buffer": picture.getvalue()}
        self.page.locator("input[type=file]").first.set_input_files(told)
        expect(self.page.get_by_role("alert")).to_contain_text("corner marks")
        self.button("Take the photograph").click()
        expect(self.page.get_by_text(re.compile("rows right"))).to_be_visible()
        self.button("More for page").click()
        self.page.get_by_role("menuitem", name="Throw it away").click()
        expect(self.page.get_by_text("No page is made yet.")).to_be_visible()
