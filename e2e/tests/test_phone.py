"""At the shop shelf and at the table, with a phone: one hand, and not always a network."""

import re

from playwright.sync_api import expect

from e2e.tests.base import BrowserTestCase
from server.cards.models import CardWork
from server.catalogue.models import AskedFor, DrawerEntry

TALL, SHORT = {"width": 390, "height": 844}, {"width": 360, "height": 640}
WORKER = """navigator.serviceWorker.controller ? true : new Promise((done) =>
  navigator.serviceWorker.addEventListener('controllerchange', () => done(true)))"""
SMALL = """[...document.querySelectorAll('button, a.button, [role=radio] .button, input:not(.sr-only)')]
  .filter((one) => one.offsetParent && (one.matches('.button, .input') || one.closest('nav')))
  .map((one) => [one.innerText || one.ariaLabel, one.getBoundingClientRect()])
  .filter(([, box]) => box.width && box.height < 43.5)
  .map(([words, box]) => `${words}: ${box.width} x ${box.height}`)"""

WORK_KEEPS = """(at_least) => {
  const [work, strip] = ['main', '[aria-label=Palette]'].map((one) => document.querySelector(one))
  return work && strip && strip.getBoundingClientRect().y - work.getBoundingClientRect().y >= at_least
}"""


class PhoneTests(BrowserTestCase):
    def setUp(self):
        super().setUp()
        self.page = self.visitor(viewport=TALL, has_touch=True, is_mobile=True, service_workers="allow")

    def swipe(self, to_left):
        """A finger over the palette colour."""
        x, end = (300, 60) if to_left else (60, 300)
        touches = self.page.context.new_cdp_session(self.page)
        for kind, at in (
            ("touchStart", x),
            ("touchMove", (x + end) // 2),
            ("touchMove", end),
            ("touchEnd", None),
        ):
            points = [] if at is None else [{"x": at, "y": 300}]
            touches.send("Input.dispatchTouchEvent", {"type": kind, "touchPoints": points})

    def check_room(self):
        """Nothing is wider than the screen, the header takes a fifth at most, and a finger hits what it means."""
        size = self.page.viewport_size
        self.assertLessEqual(self.page.evaluate("document.documentElement.scrollWidth"), size["width"])
        header = self.page.locator("header").first.evaluate("header => header.getBoundingClientRect().height")
        self.assertLessEqual(header, size["height"] / 5, self.page.url)
        self.assertEqual(self.page.evaluate(SMALL), [], self.page.url)

    def test_every_place_has_room_and_says_nothing_of_keys(self):
        self.open_demo()
        card = self.page.get_by_role("link", name="Kingfisher")
        address = card.get_attribute("href").rsplit("/", 1)[0]
        for path, there in (
            ("/cards", "Kingfisher, get well"),
            (f"{address}/palette", "Alcohol marker"),
            (f"{address}/plan", "until all is done"),
            ("/supplies/drawer", "STRAW-2"),
            ("/supplies/shopping", "not in the drawer"),
            ("/supplies/sure", "Would help most"),
            ("/papers", "Moorings"),
            ("/log", "Nothing is written down yet"),
            ("/training", "What a screen can teach"),
            ("/training/practise?exercise=lighter-or-darker&seed=4", "My order"),
            ("/training/practise?exercise=will-it-join&seed=4", "Where they meet it is"),
            ("/training/practise?exercise=missing-tone&seed=4", "missing"),
            ("/training/progress", "Nothing is answered yet"),
            ("/training/paper", "No page is made yet"),
        ):
            self.go(path)
            expect(self.page.get_by_text(there).first).to_be_visible()
            for size in (TALL, SHORT):
                self.page.set_viewport_size(size)
                self.check_room()
            self.assertNotIn("Arrow keys", self.page.locator("body").inner_text())
        self.go("/papers/add")
        expect(self.page.get_by_text("Take a photo")).to_be_visible()
        self.assertEqual(self.page.locator("input[capture=environment]").count(), 1)

    def test_the_palette_is_turned_with_a_finger(self):
        self.open_demo()
        self.page.get_by_role("link", name="Kingfisher").click()
        shown = self.page.get_by_role("region", name="One palette colour")
        expect(shown).to_contain_text("1 millpond")
        self.swipe(to_left=True)
        expect(shown).to_contain_text("2 bill")
        self.swipe(to_left=False)
        expect(shown).to_contain_text("1 millpond")
        self.button("5 slate").click()
        expect(shown).to_contain_text("5 slate")
        self.check_axe()
        shown.get_by_role("button", name="Cardstock").click()
        expect(self.dialog()).to_contain_text("Nothing comes near. Ways out")
        self.button("Take it all the same").click()
        expect(self.dialog()).to_have_count(0)
        expect(shown.get_by_role("button", name="Cardstock")).not_to_contain_text("Nothing near")

    def test_zoomed_to_twice_the_size_the_work_keeps_two_thirds(self):
        self.open_demo()
        self.page.set_viewport_size({"width": 640, "height": 400})
        self.page.get_by_role("link", name="Kingfisher").click()
        expect(self.page.get_by_role("region", name="Palette", exact=True)).to_be_visible()
        self.page.wait_for_function(WORK_KEEPS, arg=400 * 2 / 3)

    def test_what_was_opened_on_the_first_visit_opens_without_a_network(self):
        self.open_demo()
        self.page.get_by_role("link", name="Supplies").click()
        self.page.get_by_role("link", name="My drawer", exact=True).click()
        expect(self.page.get_by_text("STRAW-2").first).to_be_visible()
        self.page.evaluate(WORKER)
        self.page.wait_for_function("async () => !!(await caches.match('/api/drawer'))")
        self.page.wait_for_function("async () => !!(await caches.match('/api/door'))")
        self.page.context.set_offline(True)
        self.go("/supplies/drawer")
        expect(self.page.get_by_text("No network.")).to_be_visible()
        expect(self.page.get_by_text("STRAW-2").first).to_be_visible()

    def test_without_a_network_it_opens_and_what_is_marked_is_sent_later(self):
        self.open_demo()
        self.page.evaluate(WORKER)
        card = self.page.get_by_role("link", name="Kingfisher").get_attribute("href").rsplit("/", 1)[0]
        for path, there in (
            ("/supplies/drawer", "STRAW-2"),
            ("/supplies/shopping", "STRAW-1"),
            (f"{card}/desk", "After it:"),
        ):
            self.go(path)
            expect(self.page.get_by_text(there).first).to_be_visible()
        self.page.context.set_offline(True)
        self.go("/supplies/drawer")
        expect(self.page.get_by_text("No network.")).to_be_visible()
        self.button("STRAW-2").click()
        self.button("Take it out of the drawer").click()
        expect(self.page.get_by_text("1 mark kept on this device")).to_be_visible()
        expect(self.page.get_by_role("button", name="STRAW-2")).to_have_count(0)
        self.go("/supplies/shopping")
        self.button(re.compile("^I own it.*STRAW-1")).click()
        self.go(f"{card}/desk")
        self.button("Begin").click()
        self.button("Done").click()
        expect(self.page.get_by_text("3 marks kept on this device")).to_be_visible()
        self.assertEqual(CardWork.objects.count(), 0)
        self.check_axe()
        self.page.context.set_offline(False)
        expect(self.page.get_by_text("3 marks kept on this device are sent.")).to_be_visible()
        owned = set(DrawerEntry.objects.values_list("colour__code", flat=True))
        self.assertNotIn("STRAW-2", owned)
        self.assertIn("STRAW-1", owned)
        self.assertEqual(AskedFor.objects.count(), 0)
        self.assertEqual(
            next(iter(CardWork.objects.get().stored["progress"]["past"].values()))["how"], "already"
        )
        expect(self.page.get_by_text("1 of")).to_be_visible()
