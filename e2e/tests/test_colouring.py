"""The colouring stage beyond the story: own drawings, single tones, papers, and a phone."""

import io
import re

from PIL import Image
from playwright.sync_api import expect

from e2e.tests.base import BrowserTestCase
from standins.tests.test_scanned import with_gaps

BOAT = b"""<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 90 60"><script>alert(1)</script>
<path id="sail" d="M40 5 L70 40 H40 Z"/><path id="hull" d="M10 42 H80 L70 56 H20 Z"/></svg>"""
PICTURE = "The picture, coloured as predicted"


class ColouringTests(BrowserTestCase):
    def open_stage(self, card="Allotment"):
        self.open_stage_of(card, "colouring")
        expect(self.page.get_by_role("heading", name="Families around it")).to_be_visible()

    def area(self, name):
        return self.page.locator("main").get_by_role("button", name=re.compile(f"^{name}"))

    def panel(self, name):
        return self.page.get_by_role("region", name=f"The area {name}")

    def drawing(self, content):
        file = {"name": "Our boat.svg", "mimeType": "image/svg+xml", "buffer": content}
        self.dialog().locator("input[type=file]").set_input_files(file)

    def test_axe_finds_nothing_in_any_part(self):
        self.open_stage()
        self.check_axe()
        for dialog in ("On other papers", "Another drawing", "White paper", "Keep this family", "Add a tone"):
            self.button(dialog).click()
            expect(self.dialog().get_by_role("heading")).to_be_visible()
            self.check_axe()
            self.page.keyboard.press("Escape")
            expect(self.dialog()).to_have_count(0)
        for part, words in (("Order of work", "a light wash over all of it"), ("Materials", "Take care")):
            self.page.get_by_role("link", name=part).click()
            expect(self.page.get_by_text(words).first).to_be_visible()
            self.check_axe()

    def test_a_drawing_of_ones_own(self):
        self.open_stage("Kingfisher")
        self.button("Another drawing").click()
        self.drawing(b"<svg xmlns='http://www.w3.org/2000/svg'><text>no shape</text></svg>")
        expect(self.dialog().get_by_role("alert")).to_contain_text("no closed shape")
        self.drawing(BOAT)
        expect(self.page.get_by_text("2 closed shapes found. 1 × <script> left out")).to_be_visible()
        expect(self.area("sail")).to_be_visible()
        self.choose("Palette colour", "6 chalk")
        self.page.get_by_label("Name of the area").fill("mainsail")
        self.page.get_by_label("Name of the area").press("Enter")
        expect(self.area("mainsail")).to_be_visible()
        self.page.get_by_label("Name of another area").fill("pennant")
        self.button("Add", exact=True).click()
        self.area("pennant").click()
        self.button("Leave the area pennant out").click()
        expect(self.area("pennant")).to_have_count(0)
        self.button("Another drawing").click()
        for action in ("Put it by", "Delete"):
            self.button("More of Our boat").click()
            self.page.get_by_role("menuitem", name=action).click()
            expect(self.dialog().get_by_role("button", name="Our boat")).to_have_count(0)
            if action == "Put it by":
                self.page.get_by_role("radio", name=re.compile("Put by")).click()
                self.check_axe()
        self.page.get_by_role("radio", name=re.compile("Deleted")).click()
        self.button(re.compile("^Bring it back.*Our boat")).click()
        expect(self.page.get_by_text("Nothing is deleted.")).to_be_visible()
        self.page.get_by_role("radio", name=re.compile("Put by")).click()
        self.button("More of Our boat").click()
        self.page.get_by_role("menuitem", name="Delete").click()
        self.page.reload()
        expect(self.page.get_by_text("No picture yet.")).to_be_visible()
        expect(self.area("hull")).to_be_visible()

    def test_an_outline_of_ones_own_from_a_photo(self):
        self.open_stage()
        self.button("Another drawing").click()
        self.button("A photo or scan").click()
        scan = self.page.get_by_role("dialog", name="A photo or scan of your outline")
        files = scan.locator("input[type=file]")
        files.set_input_files({"name": "noise.png", "mimeType": "image/png", "buffer": b"no picture"})
        expect(scan.get_by_role("alert")).to_be_visible()
        house = io.BytesIO()
        Image.fromarray(with_gaps((670, 200), radius=22)).save(house, "PNG")
        files.set_input_files({"name": "house.png", "mimeType": "image/png", "buffer": house.getvalue()})
        expect(scan.get_by_role("img", name="The outline with 3 areas")).to_be_visible()
        self.check_axe()
        scan.get_by_role("button", name="Close 1").click()
        expect(scan.get_by_role("img", name="The outline with 4 areas")).to_be_visible()
        scan.get_by_label("Name of area 1").fill("wall")
        scan.get_by_role("button", name="Keep it as a drawing").click()
        expect(scan).to_have_count(0)
        expect(self.area("wall")).to_be_visible()

    def test_tones_are_changed_one_by_one_and_judged_at_once(self):
        self.open_stage()
        self.area("beet leaf left").click()
        leaf = self.panel("beet leaf left")
        expect(leaf).to_contain_text("It holds")
        leaf.get_by_role("button", name="DRAKE-5").click()
        self.button("Take DRAKE-5 out").click()
        expect(leaf).to_contain_text("light and dark will not join")
        leaf.get_by_role("button", name="a tone in between").click()
        expect(leaf).to_contain_text("It holds")
        leaf.get_by_role("button", name="DRAKE-6").click()
        self.button("Take DRAKE-6 out").click()
        expect(self.dialog()).to_have_count(0)
        expect(leaf.get_by_role("button", name=re.compile("^DRAKE-6, change"))).to_have_count(0)
        self.button("Add a tone").click()
        self.page.get_by_role("combobox", name="Find a colour").fill("otter 5")
        self.page.get_by_role("option", name="OTTER-5").click()
        expect(leaf).to_contain_text("is of another hue")
        self.choose("How many tones", "2 tones")
        offered = leaf.get_by_role("button", name=re.compile("^[^,]+, [^,]+ keeps its hue"))
        offered.first.click()
        expect(leaf.get_by_role("button", name=re.compile("change this tone"))).to_have_count(2)
        leaf.get_by_role("button", name="river green").click()
        expect(leaf.get_by_role("button", name=re.compile("REED-\\d"))).not_to_have_count(0)
        self.button("Take it off").click()
        expect(leaf).to_contain_text("No family yet")

    def test_a_tone_is_glazed_of_two_others_and_an_area_inked_through_a_stencil(self):
        self.open_stage("Kingfisher")
        self.page.get_by_role("link", name="What the card uses").click()
        self.button("of Wherry CLAY-4").click()
        self.dialog().get_by_role("button", name="glazed over").click()
        expect(self.page.locator("main")).not_to_contain_text("CLAY-4")
        self.page.get_by_role("link", name="Colouring").click()
        self.page.get_by_label("Choose areas by name").fill("breast")
        self.page.get_by_label("Choose areas by name").press("Enter")
        breast = self.panel("breast")
        expect(breast).to_contain_text("glazed, a prediction")
        self.choose("Coloured with", "dye ink pad, through a stencil")
        expect(breast).to_contain_text("No family yet")
        self.button("Undo").click()
        expect(breast).to_contain_text("glazed, a prediction")

    def test_the_picture_is_chosen_from_and_lies_on_another_paper(self):
        self.open_stage("Night ferry")
        picture = self.page.get_by_role("img", name=PICTURE)
        picture.locator("path").nth(1).click()
        expect(self.panel("moon")).to_contain_text("Leave most of it bare")
        before = picture.locator("stop").first.get_attribute("stop-color")
        self.button("On other papers").click()
        self.page.get_by_role("button", name=re.compile("^Use it ?: kraft")).click()
        expect(picture.locator("stop").first).not_to_have_attribute("stop-color", before)
        self.page.get_by_role("radio", name="Greys").click()
        grey = picture.locator("stop").first.get_attribute("stop-color")
        self.assertEqual(grey[1:3], grey[3:5])
        self.page.get_by_role("link", name="Materials").click()
        expect(self.page.get_by_text("takes 4 wet layers")).to_be_visible()
        self.choose("What kind of paper", "watercolour paper")
        expect(self.page.get_by_text("takes 6 wet layers")).to_be_visible()
        expect(
            self.page.get_by_role("region", name="What will not get on").get_by_text("A solid line breaks")
        ).to_be_visible()

    def test_how_a_range_behaves_is_said_by_hand(self):
        self.open_demo()
        self.go("/supplies")
        self.button("Make a range").click()
        self.page.get_by_label("Name").fill("Our boards")
        self.choose("Medium:", "cardstock")
        self.choose("Its surface", "vellum")
        self.button("Make it").click()
        self.heading("Our boards")
        self.choose("Wet layers that it takes", "2")
        self.button("Save the range").click()
        expect(self.page.get_by_text("Our boards is saved.")).to_be_visible()
        self.page.reload()
        expect(self.button("Its surface: vellum")).to_be_visible()
        expect(self.button("Wet layers that it takes: 2")).to_be_visible()

    def test_a_glaze_over_the_dark_and_off_again(self):
        self.open_stage("Kingfisher")
        self.area("belly").click()
        belly = self.panel("belly")
        belly.get_by_role("button", name=re.compile("over the dark once it is dry")).click()
        expect(belly.get_by_role("button", name=re.compile("take the glaze off"))).to_be_visible()
        expect(belly.get_by_title(re.compile("over the dark, ± .*, predicted"))).to_be_visible()
        self.page.get_by_role("link", name="Order of work").click()
        expect(self.page.get_by_text(re.compile(" over the deepest shadow"))).to_be_visible()
        self.page.get_by_role("link", name="Areas").click()
        self.area("wing feathers").click()  # one family with back and tail, but of more layers
        self.choose("Layers", "2 layers")
        self.page.get_by_role("link", name="Order of work").click()
        expect(self.page.get_by_text("wing feathers: one layer more")).to_be_visible()
        self.page.get_by_role("link", name="Areas").click()
        self.area("belly").click()
        belly.get_by_role("button", name=re.compile("take the glaze off")).click()
        expect(belly.get_by_role("button", name=re.compile("take the glaze off"))).to_have_count(0)
        expect(belly.get_by_role("button", name=re.compile("change this tone"))).to_have_count(3)

    def test_two_windows_on_one_colouring(self):
        self.open_stage("Allotment")
        second = self.page.context.new_page()
        second.goto(self.page.url)
        expect(second.get_by_role("heading", name="Families around it")).to_be_visible()
        self.area("tomato").first.click()
        self.choose("Layers", "2 layers")
        expect(self.button("Layers: 2 layers")).to_be_visible()
        second.get_by_role("radio", name="light from the top", exact=True).click()
        expect(second.get_by_role("alert")).to_contain_text("changed in another window")
        # Nothing of the first is lost, and the second goes on from there.
        second.get_by_role("radio", name="light from the top", exact=True).click()
        expect(second.get_by_role("radio", name="light from the top", exact=True)).to_be_checked()
        self.page.reload()
        self.area("tomato").first.click()
        expect(self.button("Layers: 2 layers")).to_be_visible()
        expect(self.page.get_by_role("radio", name="light from the top", exact=True)).to_be_checked()

    def test_kept_families_and_the_habit_of_dark_first(self):
        self.open_stage("Night ferry")
        self.area("hull").click()
        self.panel("hull").get_by_role("button", name="Keep this family").click()
        self.dialog().get_by_label("Name").fill("tarred wood")
        self.button("Keep it", exact=True).click()
        self.go("/match/family")
        self.button("tarred wood").first.click()
        expect(self.page.get_by_role("region", name="Side by side")).to_contain_text("becomes")
        self.check_axe()
        with self.page.expect_download() as printed:
            self.page.get_by_role("link", name="Print a card of them").click()
        self.assertEqual(printed.value.path().read_bytes()[:5], b"%PDF-")
        self.button("Forget tarred wood").click()
        expect(self.button("Forget tarred wood")).to_have_count(0)
        expect(self.button("Forget river green")).to_be_visible()
        self.go("/account")
        self.page.get_by_role("switch", name="Dark first").click()
        expect(self.page.get_by_role("switch", name="Dark first")).to_be_checked()
        self.go("/cards")
        self.open_card("Night ferry")
        self.page.get_by_role("link", name="Colouring").click()
        self.page.get_by_role("link", name="Order of work").click()
        expect(self.page.get_by_role("switch", name="Dark first")).to_be_checked()
        expect(self.page.get_by_text("lay the shadow, away from the light").first).to_be_visible()

    def test_everything_by_keyboard(self):
        self.open_stage("Kingfisher")
        area = self.area("breast")
        area.focus()
        self.page.keyboard.press("Enter")
        expect(self.panel("breast")).to_be_visible()
        self.page.get_by_role("radio", name="light from the upper left").focus()
        self.page.keyboard.press("ArrowRight")
        expect(self.page.get_by_role("radio", name="light from the top")).to_be_checked()
        self.button("Layers: 1 layer").focus()
        self.page.keyboard.press("Enter")
        self.page.keyboard.press("ArrowDown")
        self.page.keyboard.press("Enter")
        expect(self.button("Layers: 2 layers")).to_be_visible()
        self.page.keyboard.press("Control+z")
        expect(self.button("Layers: 1 layer")).to_be_visible()
        self.page.keyboard.press("2")
        expect(self.page.get_by_role("img", name=PICTURE).locator(".lit").nth(2)).to_be_attached()

    def test_on_a_phone_everything_stands_in_one_column(self):
        self.open_stage()
        self.page.set_viewport_size({"width": 390, "height": 844})
        for part in ("Areas", "Order of work", "Materials"):
            self.page.get_by_role("link", name=part).click()
            wide = self.page.evaluate("document.documentElement.scrollWidth")
            self.assertLessEqual(wide, 390, part)
