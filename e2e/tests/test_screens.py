"""Screens and keys: nothing that axe finds, nothing with a hue, nothing from another host."""

import gzip
import io
import json
import re

from django.conf import settings
from PIL import Image
from playwright.sync_api import expect

from e2e.tests.base import BrowserTestCase
from server.accounts.models import Person
from server.cards.models import StoredCard
from server.catalogue.drawer_actions import set_owned
from server.catalogue.models import Colour, DrawerEntry
from server.tests.helpers import make_range

SCRIPT_LIMIT = 200_000  # bytes, compressed, of a first load

TWELVE_MISTAKES = """code,name,L,a,b,hex,discontinued
OAR-1,one,50,1,2,,no
OAR-1,two,50,1,2,,no
OAR-3,three,150,1,2,,no
OAR-4,four,50,200,2,,no
OAR-5,five,50,1,-300,,no
OAR-6,six,fifty,1,2,,no
OAR-7,seven,50,,2,,no
,,50,1,2,,no
OAR-9,nine,,,,,no
OAR-10,ten,,,,#12345,no
OAR-11,=SUM(1),50,1,2,,no
OAR-12,twelve,50,1,2,,perhaps
OAR-13,thirteen,50,1,2,,no,extra
"""


class ScreenTests(BrowserTestCase):
    def test_axe_finds_nothing_on_any_screen(self):
        self.go("/")
        self.heading("Sign in")
        self.check_axe()
        self.open_demo()
        self.check_axe()
        self.button("New card").click()
        expect(self.dialog().get_by_role("heading").first).to_be_visible()
        self.check_axe()
        self.page.keyboard.press("Escape")
        self.open_card("Kingfisher, get well")
        for surround in ("light", "mid", "dark"):
            with self.subTest(surround):
                expect(self.page.locator(f"html[data-surround={surround}]")).to_have_count(1)
                self.check_axe()
                self.page.keyboard.press("s")
        expect(self.page.locator("html[data-surround=light]")).to_have_count(1)
        self.cell(1, "Ink pad").click()
        expect(self.page.get_by_role("radio").first).to_be_visible()
        self.check_axe()
        self.page.keyboard.press("Escape")
        self.button("Add a colour").click()
        self.page.get_by_role("combobox").fill("reed")
        expect(self.page.get_by_role("option").first).to_be_visible()
        self.check_axe()
        self.page.keyboard.press("Escape")
        self.page.get_by_role("link", name="Contrast").click()
        self.heading("What lies on what")
        self.check_axe()

    def test_axe_finds_nothing_on_supplies_papers_and_match(self):
        owner = Person.objects.get(name="The demo studio")
        many = DrawerEntry.objects.values_list("colour", flat=True)
        # Fewer of the same tiles.
        set_owned(owner, [pk for number, pk in enumerate(many) if number % 8], False)
        self.open_demo()
        for path, heading in (
            ("/supplies", "Supplies"),
            ("/supplies/import", "Bring in a range"),
            ("/supplies/drawer", "Supplies"),
            ("/supplies/shopping", "Supplies"),
            ("/supplies/sure", "Brackwater"),
            ("/match", "I have this here. What is it there?"),
            ("/match/family", "A family into another range"),
            ("/papers", "Papers"),
            ("/cards/ways/rule", "One hue in depths"),
            ("/cards/ways/drawer", "Ways into a palette"),
            ("/cards/ways/kept", "Slipway bunting"),
            ("/cards/ways/seasons", "In the wood"),
            ("/cards/sets", "No sets yet"),
            ("/words", "Words"),
            ("/supplies/photograph", "Swatches from a photo"),
            ("/account", "The demo studio"),
            ("/recipes", "Bring in a recipe"),
            ("/log/which", "Which was it?"),
            ("/none", "Nothing here"),
            ("/account/screen", "Check this screen"),
            ("/training", "What a screen can teach"),
            (
                "/training/practise?exercise=lighter-or-darker&seed=3",
                "Put them in order, the lightest first.",
            ),
        ):
            self.go(path)
            self.heading(heading)
            self.check_axe()
        self.go("/supplies")
        self.page.get_by_role("link", name="Towpath").click()
        self.heading("Towpath")
        self.check_axe()
        for tab, heading in (
            ("Chart", "Its gaps"),
            ("Compare", None),
            ("Print and files", "The range as a file"),
        ):
            self.page.get_by_role("link", name=tab).click()
            if heading:
                self.heading(heading)
            else:
                expect(self.page.get_by_text("have a twin").first).to_be_visible()
            self.check_axe()
        self.go("/papers")
        self.page.get_by_role("link", name="Moorings").click()
        self.heading("Its colours")
        self.check_axe()
        self.go("/papers/add")
        self.button("Take the photograph").click()
        expect(self.page.get_by_role("heading", name="colours found")).to_be_visible()
        self.check_axe()
        self.go("/supplies")
        self.page.get_by_role("link", name="Wherry").click()
        self.page.get_by_role("link", name="TARN-5").click()
        self.heading("TARN-5")
        expect(self.grid).to_be_visible()
        self.check_axe()
        for tab, heading in (("Use instead", "Glaze two you own"), ("My readings", "Type a reading")):
            self.page.get_by_role("link", name=tab).click()
            self.heading(heading)
            self.check_axe()

    def test_first_load_is_small_and_from_here(self):
        scripts = {}

        def keep(one):
            if one.url.endswith(".js") and one.request.method == "GET":
                scripts[one.url] = one

        self.page.on("response", keep)
        self.open_demo()
        self.open_card("Kingfisher, get well")
        size = sum(len(gzip.compress(answer.body())) for answer in scripts.values())
        self.assertGreater(size, 20_000)
        self.assertLessEqual(size, SCRIPT_LIMIT)
        self.assertEqual(
            [url for url in self.requests if not url.startswith((self.live_server_url, "data:"))], []
        )

    def test_the_interface_has_no_hue(self):
        text = "".join(path.read_text() for path in (settings.CLIENT / "assets").glob("*.css"))
        named = re.findall(r"#([0-9a-f]{8}|[0-9a-f]{6}|[0-9a-f]{3,4})\b", text)
        self.assertGreater(len(named), 20)
        for value in named:
            parts = re.findall("." if len(value) < 6 else "..", value)[:3]
            self.assertEqual(len(set(parts)), 1, value)
        self.assertEqual(re.findall(r"(?:oklch|hsl|lab|lch)\([^)]*\)", text), [])

    def test_long_names_many_colours_and_an_odd_name_fit(self):
        self.open_demo()
        self.button("New card").click()
        self.page.get_by_label("Name").fill("Ünïcödé 🦆 " + "long " * 60)
        self.button("Start the card").click()
        for number in range(12):
            self.add_colour(f"L {20 + number * 6}, a {number}, b 5", "w" * 60, "support")
        expect(self.grid.get_by_role("rowheader")).to_have_count(12)
        wide = self.page.evaluate("document.documentElement.scrollWidth")
        self.assertLessEqual(wide, 1280)


class KeyboardTests(BrowserTestCase):
    """The Palette stage with the keyboard alone."""

    def press(self, *keys):
        for key in keys:
            self.page.keyboard.press(key)

    def test_palette_stage(self):
        self.open_palette_of("Kingfisher, get well")
        self.row(1).get_by_role("rowheader").focus()
        self.press("ArrowRight", "ArrowRight", "ArrowDown", "ArrowDown")
        cell = self.cell(3, "Ink pad")
        expect(cell).to_be_focused()
        first = cell.inner_text()
        self.press("]")
        expect(cell).to_contain_text("chosen")
        expect(cell).not_to_contain_text(first.splitlines()[0])
        self.press("[")
        expect(cell).to_contain_text(first.splitlines()[0])
        self.press("l")
        expect(cell).to_contain_text("locked")
        self.press("l")
        expect(cell).to_contain_text("chosen")
        self.press("Backspace")
        expect(cell).not_to_contain_text("chosen")
        self.assertEqual(cell.inner_text(), first)
        self.press("Enter")
        expect(self.dialog()).to_have_count(1)
        expect(self.page.get_by_role("radio").first).to_be_visible()
        self.press("Escape")
        expect(cell).to_be_focused()
        self.press("3")
        expect(self.page.get_by_role("button", name="3 reed")).to_have_attribute("aria-pressed", "true")
        self.press("g")
        expect(self.page.get_by_role("radio", name="Greys")).to_be_checked()
        self.press("u")
        expect(self.page.get_by_text("140 × 108 mm")).to_be_visible()
        self.press("o")
        expect(self.page.get_by_role("switch", name="Only what I own")).to_be_checked()
        self.press("?")
        expect(self.page.get_by_role("heading", name="Keys")).to_be_visible()
        self.press("Escape")
        expect(self.dialog()).to_have_count(0)
        self.press("/")
        expect(self.page.get_by_role("combobox", name="Find a colour")).to_be_focused()
        self.page.keyboard.type("sedge3")
        expect(self.page.get_by_role("option", name="SEDGE-3")).to_be_visible()
        self.press("Enter")
        expect(self.grid.get_by_role("rowheader")).to_have_count(7)
        self.press("Control+z")
        expect(self.grid.get_by_role("rowheader")).to_have_count(6)

    def test_further_columns_of_the_palette(self):
        self.open_palette_of("Kingfisher")
        self.button("With this palette").click()
        self.page.get_by_role("menuitem", name="Further columns").click()
        self.page.get_by_role("switch", name="Gel pen").click()
        self.page.get_by_role("switch", name="Powder").click()
        self.page.keyboard.press("Escape")
        for title in ("Powder", "Gel pen"):
            expect(self.page.get_by_role("columnheader", name=title)).to_have_count(1)
        self.button("Undo").click()
        expect(self.page.get_by_role("columnheader", name="Powder")).to_have_count(0)

    def test_match(self):
        """From any page to a colour, along its likes, and into a palette, without the mouse."""
        self.open_demo()
        self.press("/")
        expect(self.page.get_by_role("combobox", name="Find a colour")).to_be_focused()
        self.page.get_by_role("combobox").fill("clay 4")
        expect(self.page.get_by_role("option", name="CLAY-4")).to_be_visible()
        self.press("Enter")
        self.heading("CLAY-4")
        first = self.grid.get_by_role("gridcell").first
        first.focus()
        self.press("ArrowDown", "ArrowRight")
        second = self.grid.get_by_role("row").nth(1).get_by_role("gridcell").nth(1)
        expect(second).to_be_focused()
        expect(second).to_have_attribute("aria-selected", "true")
        label = second.locator("b").first.inner_text()
        expect(self.page.get_by_role("img", name=f"{label}, the candidate")).to_be_visible()
        self.press("f")
        self.heading(label)
        self.press("o")
        expect(self.page.get_by_role("switch", name="Only what I own")).to_be_checked()
        self.press("p")
        expect(self.dialog()).to_have_count(1)
        self.page.get_by_label("Your name for it").fill("found by key")
        self.press("Enter")
        expect(self.page.get_by_text("It is in the palette of")).to_be_visible()


class PhoneTests(BrowserTestCase):
    """At the shop shelf: one column, nothing cut off at the side."""

    def test_match_and_supplies_on_a_phone(self):
        self.open_demo()
        self.page.set_viewport_size({"width": 390, "height": 780})
        self.page.get_by_role("link", name="Match").click()
        self.button("Find a colour").click()
        self.page.get_by_role("combobox", name="Find a colour").fill("first weir pool")
        self.page.get_by_role("option").first.click()
        expect(self.grid.get_by_role("gridcell").first).to_be_visible()
        pages = {"/cards/ways/rule": "Neighbours", "/supplies/photograph": "Swatches from a photo"}
        pages |= {
            self.page.url: "Match",
            "/supplies": "Supplies",
            "/supplies/drawer": "Supplies",
            "/supplies/sure": "Nightferry",
        }
        pages |= {"/recipes": "Bring in a recipe", "/log/which": "Which was it?", "/log": "Log"}
        self.go("/supplies")
        self.page.get_by_role("link", name="Wherry").click()
        self.heading("Wherry")
        pages |= {self.page.url: "Wherry", "/match/family": "A family into another range"}
        for path, heading in pages.items():
            self.go(path.removeprefix(self.live_server_url))
            self.heading(heading)
            self.page.wait_for_load_state("networkidle")
            with self.subTest(path):
                self.assertLessEqual(self.page.evaluate("document.documentElement.scrollWidth"), 390)


class ColourwayTests(BrowserTestCase):
    """The same card in other colours, as proposed and as it is taken."""

    def test_a_card_is_looked_at_in_other_colours_and_one_is_taken(self):
        self.open_palette_of("Allotment, happy birthday")
        self.page.get_by_role("link", name="In other colours").click()
        self.heading("As it is")
        take = self.page.get_by_role("button", name="Take it")
        expect(take.nth(1)).to_be_visible()
        self.page.get_by_text("What stays as it is").first.click()
        self.page.get_by_role("radio", name="Greys").click()
        self.check_axe()
        self.button("beet", exact=True).click()
        expect(self.button("beet", exact=True)).to_have_attribute("aria-pressed", "true")
        expect(take.first).to_be_visible()
        take.first.click()
        self.page.get_by_role("link", name="It stands among your cards: open it").click()
        expect(self.grid).to_be_visible()
        expect(self.page.get_by_role("heading", level=1)).to_contain_text("Allotment, happy birthday, ")
        expect(self.row(1)).to_contain_text("BEET-5")


class FileTests(BrowserTestCase):
    """Files by the buttons of the pages."""

    def choose_file(self, name, content, at=0):
        chosen = {"name": name, "mimeType": "text/plain", "buffer": content.encode()}
        self.page.locator("input[type=file]").nth(at).set_input_files(chosen)

    def test_a_recipe_comes_from_a_file_or_says_why_not(self):
        self.open_demo()
        card = StoredCard.objects.get(stored__name__startswith="Kingfisher")
        content = self.page.request.get(f"{self.live_server_url}/api/cards/{card.pk}/recipe/file").text()
        self.page.get_by_role("link", name="Bring in a recipe").click()
        self.choose_file("later.json", content.replace('"version": 1', '"version": 7', 1))
        expect(self.page.get_by_role("alert")).to_contain_text("this Jindle reads versions up to 1")
        self.choose_file("kingfisher.json", content)
        expect(self.page.get_by_text("checks held there, and all do here")).to_be_visible()
        self.check_axe()
        self.page.get_by_label("What your card is called").fill("<b>Kingfisher</b>, again")
        self.button("Start my card from it").click()
        expect(self.grid).to_be_visible()
        expect(self.page.get_by_role("heading", name="<b>Kingfisher</b>, again")).to_be_visible()

    def test_a_drawer_comes_from_a_file_or_not_at_all(self):
        self.open_demo()
        self.go("/supplies/drawer")
        self.choose_file("mine.csv", "range,colour,full\nWherry,STRAW-1,dry\nWherry,STRAW-99,full\n")
        expect(self.page.get_by_role("alert")).to_contain_text(
            "Row 3: “Wherry STRAW-99” is in none of your ranges"
        )
        self.choose_file("mine.csv", "range;colour;full;note\nWherry;straw 1;dry;ask for two\n")
        expect(self.page.get_by_text("1 colour of mine.csv in the drawer")).to_be_visible()
        self.page.get_by_role("button", name=re.compile("^dry")).first.click()
        expect(self.button("STRAW-1")).to_contain_text("ask for two")
        with self.page.expect_download() as saved:
            self.page.get_by_role("link", name="Save as CSV").click()
        self.assertIn("Wherry,STRAW-1,dry,ask for two", saved.value.path().read_text())

    def test_swatches_are_marked_in_a_photo(self):
        self.open_demo()
        self.go("/supplies/photograph?way=marked")
        image = Image.new("RGB", (400, 300), "#8a8378")
        image.paste("#e6e6e8", (20, 20, 110, 110))
        image.paste("#2a6f97", (200, 100, 300, 200))
        out = io.BytesIO()
        image.save(out, "PNG")
        picture = {"name": "page.png", "mimeType": "image/png", "buffer": out.getvalue()}
        self.page.locator("input[type=file]").set_input_files(picture)
        frame = self.page.get_by_role("application")
        expect(self.page.get_by_text("Draw a frame on a swatch")).to_be_visible()
        frame.scroll_into_view_if_needed()
        area = frame.bounding_box()
        at = [
            (area["x"] + x / 400 * area["width"], area["y"] + y / 300 * area["height"])
            for x, y in ((215, 115), (285, 185))
        ]
        self.page.mouse.move(*at[0])
        self.page.mouse.down()
        self.page.mouse.move(*at[1])
        self.page.mouse.up()
        self.page.get_by_role("combobox", name="Find a colour").fill("mill 5")
        self.page.get_by_role("option", name="MILL-5").click()
        read = self.page.get_by_role("region", name="1 swatch read")
        expect(read.get_by_role("listitem")).to_contain_text("MILL-5")
        self.check_axe()
        read.get_by_role("button", name="Take off the frame of MILL-5").click()
        expect(self.page.get_by_text("Draw a frame on a swatch")).to_be_visible()
        self.page.locator("input[type=file]").set_input_files(
            {"name": "no.png", "mimeType": "image/png", "buffer": b"no picture"}
        )
        expect(self.page.get_by_role("alert")).to_contain_text("is no PNG, JPEG or WebP picture")

    def test_palettes_follow_the_medium_and_the_drawer(self):
        self.open_demo()
        self.go("/cards/ways/drawer")
        self.choose("Find it in:", "ink pads")
        everything = self.page.get_by_text(re.compile(r"out of (\d+):"))
        expect(everything).to_be_visible()
        self.page.keyboard.press("o")
        expect(self.page.get_by_text(re.compile(r"out of \d+ that you own"))).to_be_visible()
        palette = self.page.get_by_role("article").first
        expect(palette.get_by_role("listitem").nth(3)).to_contain_text("accent")
        palette.get_by_role("button", name="Keep it").click()
        self.dialog().get_by_label("Name").fill("")
        self.button("Keep it", exact=True).click()
        expect(self.page.get_by_role("heading", name="Keep this combination")).to_be_visible()
        self.dialog().get_by_label("Name").fill("Pads for a wet day")
        self.button("Keep it", exact=True).click()
        expect(self.page.get_by_text("“Pads for a wet day” is kept")).to_be_visible()
        self.page.get_by_role("link", name="Kept combinations").click()
        hers = self.page.get_by_role("article").filter(has_text="Pads for a wet day")
        hers.get_by_role("button", name="Take it off").click()
        expect(hers).to_have_count(0)

    def test_readings_of_a_range_come_from_a_measuring_program(self):
        self.open_demo()
        self.go("/supplies")
        self.page.get_by_role("link", name="Wherry").click()
        self.page.get_by_role("link", name="Print and files").click()
        self.heading("My readings of it")
        fields = "BEGIN_DATA_FORMAT\nSAMPLE_ID LAB_L LAB_A LAB_B\nEND_DATA_FORMAT\n"
        self.choose_file("r.txt", fields + "BEGIN_DATA\nTARN-99 50 0 0\nEND_DATA\n")
        expect(self.page.get_by_role("alert")).to_contain_text("Wherry has no colour “TARN-99”")
        self.choose_file("r.txt", fields + "BEGIN_DATA\ntarn5 48 -20 -20\nEND_DATA\n")
        expect(self.page.get_by_text("1 reading kept from r.txt")).to_be_visible()
        self.page.get_by_role("link", name="Colours").click()
        tile = self.page.get_by_role("link", name="TARN-5")
        expect(tile).to_contain_text("my own reading")
        tile.click()
        self.button("The figures: L*a*b* 48, -20, -20").click()
        expect(self.page.get_by_text("A colour in three figures")).to_be_visible()

    def test_a_range_comes_as_palette_text(self):
        self.open_demo()
        self.go("/supplies/import")
        self.choose_file(
            "odd name.csv", "GIMP Palette\nName: Harbour wall\n#\n120 130 140\tgranite\n20 30 40\tweed\n"
        )
        expect(self.page.get_by_text(".gpl palette.")).to_be_visible()
        expect(self.page.get_by_label("Name", exact=True)).to_have_value("Harbour wall")
        self.choose("Medium:", "cardstock")
        self.button("Store 2 colours").click()
        self.heading("Harbour wall")
        self.page.get_by_role("link", name="Compare").click()
        expect(self.page.get_by_text("of 2 may have a twin")).to_be_visible()


class PhotoTests(BrowserTestCase):
    """A photo with the keyboard, and what is no photo."""

    def test_the_cards_frame_moves_by_keys_and_bad_files_are_refused(self):
        self.open_demo()
        self.go("/papers/add")
        self.page.locator("input[type=file]").set_input_files(
            {"name": "sheet.png", "mimeType": "image/png", "buffer": b"no picture"}
        )
        expect(self.page.get_by_role("alert")).to_contain_text("is no PNG, JPEG or WebP picture")
        self.page.get_by_role("switch", name="with white card").click()
        self.button("Take the photograph").click()
        expect(self.page.get_by_text(re.compile("No white card is marked|found by itself"))).to_be_visible()
        self.button("There is no card").click()
        expect(self.page.get_by_text("only as good as the light was")).to_be_visible()
        self.page.get_by_role("application").focus()
        self.page.keyboard.press("ArrowRight")
        expect(self.page.get_by_text("only as good as the light was")).to_have_count(0)
        self.choose("The card is:", "Landing first ash path")
        expect(self.page.get_by_role("button", name="The card is: Landing first ash path")).to_be_visible()
        self.page.get_by_label("Title of the sheet").fill("Attic tiles")
        self.page.get_by_label("Collection").fill("From the attic")
        self.button("Put it on the shelf").click()
        self.heading("Attic tiles")
        self.button("Put it by").click()
        self.button("Back on the shelf").click()
        self.button("Delete").click()
        expect(self.page.get_by_text("“Attic tiles” is deleted.")).to_be_visible()
        self.page.get_by_role("radio", name=re.compile("Deleted")).click()
        self.check_axe()
        self.button(re.compile("^Bring it back.*Attic tiles")).click()
        self.page.get_by_role("radio", name=re.compile("All")).click()
        self.button("More of Attic tiles").click()
        self.page.get_by_role("menuitem", name="Put it by").click()
        expect(self.page.get_by_role("link", name=re.compile("Attic tiles"))).to_have_count(0)


class RangeTests(BrowserTestCase):
    """A range of one's own by hand, and everything of mine out and back."""

    def sign_up(self, name):
        self.go("/sign-in")
        self.button("Make an account").click()
        self.page.get_by_label("Name").fill(name)
        self.page.get_by_label("Password").fill("wagtail-at-dawn")
        self.button("Make the account").click()
        self.heading("No cards yet")

    def fill_row(self, code, value):
        self.button("Add a colour").click()
        row = self.page.get_by_role("row").last
        row.get_by_role("textbox").nth(0).fill(code)
        row.get_by_role("textbox").nth(2).fill(value)

    def test_made_by_hand_then_taken_out_and_brought_back(self):
        self.sign_up("Weir studio")
        self.go("/supplies")
        self.button("Make a range").click()
        self.page.get_by_label("Name").fill("Weir pencils")
        self.choose("Medium:", "wax pencil")
        self.button("Make it").click()
        self.heading("Weir pencils")
        self.fill_row("WEED-1", "60, -20, 30")
        self.fill_row("WEED-2", "green")
        self.button("Save the range").click()
        expect(self.page.get_by_role("alert")).to_contain_text("“green” is no colour value")
        self.page.get_by_label("Lab or #rrggbb of WEED-2").fill("#225533")
        self.button("Save the range").click()
        expect(self.page.get_by_text("wax pencil, 2 colours")).to_be_visible()
        self.page.get_by_role("link", name="Chart").click()
        dot = self.page.get_by_role("checkbox", name="WEED-2")
        dot.focus()
        self.page.keyboard.press("Enter")
        expect(dot).to_have_attribute("aria-checked", "true")
        self.check_axe()
        self.page.get_by_role("link", name="Print and files").click()
        with self.page.expect_download() as printed:
            self.button("A4", exact=True).click()
        self.assertEqual(printed.value.suggested_filename, "Weir pencils chart.pdf")
        self.assertTrue(printed.value.path().read_bytes().startswith(b"%PDF"))
        self.go("/account")
        with self.page.expect_download() as taken:
            self.page.get_by_role("link", name="Take out everything").click()
        archive = taken.value.path()
        self.page.get_by_label("Your password, to be sure").fill("wrong")
        self.button("Delete it for good").click()
        expect(self.page.get_by_role("alert")).to_contain_text("not your password")
        self.page.get_by_label("Your password, to be sure").fill("wagtail-at-dawn")
        self.button("Delete it for good").click()
        self.heading("Sign in")
        self.sign_up("Weir studio")
        self.go("/account")
        self.page.locator("input[type=file]").set_input_files(archive)
        expect(self.page.get_by_text("1 own range, 1 colour of the drawer")).to_be_visible()
        self.go("/supplies")
        expect(self.page.get_by_role("link", name="Weir pencils")).to_contain_text("1 in my drawer")

    def test_a_range_of_very_many_is_looked_through_by_pages(self):
        self.sign_up("Weir studio")
        rows = "".join(
            f"ROW-{at},tint {at},{20 + at % 60},{at % 50 - 25},10,set {at % 3}\n" for at in range(900)
        )
        make_range(
            Person.objects.get(name="Weir studio"), "Weir rows", content=f"code,name,L,a,b,family\n{rows}"
        )
        self.go("/supplies")
        self.page.get_by_role("link", name="Weir rows").click()
        pages = self.page.get_by_role("navigation", name="Pages")
        expect(pages).to_contain_text("1 to 400 of 900")
        pages.get_by_role("button", name="Next").click()
        expect(pages).to_contain_text("401 to 800 of 900")
        expect(self.page.get_by_role("link", name="ROW-400", exact=False).first).to_be_visible()
        pages.get_by_role("button", name="Next").click()
        expect(pages).to_contain_text("801 to 900 of 900")
        self.page.get_by_label("Look in this range").fill("row-89 set")
        expect(self.page.get_by_role("checkbox", name=re.compile("ROW-89"))).to_have_count(11)
        expect(pages).to_have_count(0)
        self.choose("I own the set", "set 1")
        self.button("Put 300 colours into the drawer").click()
        expect(self.page.get_by_text("300 of 900 in my drawer")).to_be_visible()
        self.page.get_by_role("link", name="Edit").click()
        self.page.get_by_label("Name of ROW-7", exact=True).fill("seven")
        self.page.get_by_label("Show only colours with this").fill("row-881")
        self.page.get_by_label("Name of ROW-881").fill("the last but some")
        self.button("Save the range").click()
        expect(self.page.get_by_text("is saved")).to_be_visible()
        named = Colour.objects.filter(range__name="Weir rows", name__in=("seven", "the last but some"))
        self.assertEqual({one.code for one in named}, {"ROW-7", "ROW-881"})

    def test_two_windows_on_one_range(self):
        self.sign_up("Two windows")
        self.go("/supplies")
        self.button("Make a range").click()
        self.page.get_by_label("Name").fill("Shared sight")
        self.button("Make it").click()
        self.heading("Shared sight")
        second = self.page.context.new_page()
        second.goto(self.page.url)
        expect(second.get_by_role("button", name="Save the range")).to_be_visible()
        self.fill_row("WEED-1", "#336644")
        self.button("Save the range").click()
        expect(self.page.get_by_text("is saved")).to_be_visible()
        second.get_by_label("Maker").fill("Somebody")
        second.get_by_role("button", name="Save the range").click()
        expect(second.get_by_role("alert")).to_contain_text("changed in another window")


class MistakeTests(BrowserTestCase):
    """What goes wrong is said, and nothing is lost."""

    def test_a_file_with_mistakes(self):
        self.open_demo()
        self.go("/supplies/import")
        chooser = self.page.locator("input[type=file]")
        chooser.set_input_files(
            {"name": "oars.csv", "mimeType": "text/csv", "buffer": TWELVE_MISTAKES.encode()}
        )
        expect(self.page.get_by_role("heading", name="12 mistakes, nothing is stored")).to_be_visible()
        expect(self.page.get_by_text("Row 4, L: “150” is out of range.")).to_be_visible()
        expect(self.button("Nothing to store yet")).to_be_disabled()
        self.page.get_by_label("Maker").fill("Typed before")
        self.choose("Medium:", "alcohol marker")
        chooser.set_input_files({"name": "oars.csv", "mimeType": "text/csv", "buffer": b"\xff\xfeo\x00"})
        expect(self.page.get_by_role("alert")).to_contain_text("UTF-16")
        rows = "".join(f"OAR-{n},oar {n},{20 + n % 70},{n % 30},{n % 40}\n" for n in range(900))
        chooser.set_input_files(
            {"name": "oars.csv", "mimeType": "text/csv", "buffer": ("code,name,L,a,b\n" + rows).encode()}
        )
        expect(self.page.get_by_label("Maker")).to_have_value("Typed before")
        self.button("Store 900 colours").click()
        self.heading("oars")
        expect(self.page.get_by_text("Typed before, alcohol marker, 900 colours")).to_be_visible()

    def test_columns_are_said_by_hand(self):
        self.open_demo()
        self.go("/supplies/import")
        content = b"erste;zweite\nTow 1;#88aacc\n"
        self.page.locator("input[type=file]").set_input_files(
            {"name": "x.csv", "mimeType": "text/csv", "buffer": content}
        )
        expect(self.page.get_by_role("alert")).to_contain_text("No column was recognised")
        self.choose("Column for code", "erste")
        self.choose("Column for hex", "zweite")
        expect(self.page.get_by_text("1 colour read")).to_be_visible()

    def test_while_the_database_is_away_it_waits_and_nothing_typed_is_lost(self):
        self.open_palette_of("Kingfisher")
        away = json.dumps({"code": "away", "message": "It is away.", "problems": []})
        answers = iter([503, 503])
        asked = []

        def answer(route):
            asked.append(route.request.post_data)
            if next(answers, None):
                route.fulfill(
                    status=503, headers={"Retry-After": "1"}, content_type="application/json", body=away
                )
            else:
                route.continue_()

        self.page.route("**/changes", answer)
        self.add_colour("#336655", "lagoon", "support")
        expect(self.page.get_by_text("lagoon").first).to_be_visible()
        expect(self.page.get_by_text("The server is away for a moment.")).to_have_count(0)
        self.assertEqual(len(asked), 3)
        self.assertEqual(len(set(asked)), 1)

    def test_two_windows_on_one_card(self):
        self.open_palette_of("Kingfisher, get well")
        second = self.page.context.new_page()
        second.goto(self.page.url)
        expect(second.get_by_role("grid")).to_be_visible()
        self.add_colour("SEDGE-3", "sedge", "neutral")
        second.get_by_role("button", name="Add a colour").click()
        second.get_by_role("combobox").fill("SILT-3")
        second.get_by_role("option").first.click()
        expect(second.get_by_role("alert")).to_contain_text("changed in another window")
        expect(second.get_by_role("combobox")).to_have_value("SILT-3")
        expect(second.get_by_role("rowheader", include_hidden=True)).to_have_count(7)

    def test_what_is_not_there_or_not_yours(self):
        self.open_demo()
        self.go("/cards/999999/palette")
        self.heading("Nothing here")
        self.go("/supplies/999999")
        self.heading("Nothing here")
        self.button("Account").click()
        self.page.get_by_role("menuitem", name="Sign out").click()
        self.heading("Sign in")
        self.go("/cards")
        self.heading("Sign in")
