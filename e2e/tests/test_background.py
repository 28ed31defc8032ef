"""The Background stage beyond the story: ways out, findings, effects, own card, two windows, a phone."""

import re

from playwright.sync_api import expect

from e2e.tests.base import BrowserTestCase
from server.accounts.models import Person


class BackgroundTests(BrowserTestCase):
    def open_stage(self, card="Allotment"):
        self.open_stage_of(card, "background")
        expect(self.page.get_by_role("region", name="Pads and joins")).to_be_visible()

    def part(self, name):
        self.page.get_by_role("link", name=name).click()

    @property
    def pads(self):
        """The names of the pads as they stand."""
        return self.page.locator("ol > li b.block")

    def join(self, name):
        return self.page.get_by_role("button", name=f"the join of {name}")

    def test_axe_finds_nothing_in_any_part(self):
        self.open_stage()
        expect(self.page.get_by_role("heading", name="Best order")).to_be_visible()
        self.join("noon lock weed").click()
        expect(self.button("a gap left white")).to_be_visible()
        self.check_axe()
        for dialog in ("Add a pad", "White card"):
            self.button(dialog).click()
            expect(self.dialog().get_by_role("heading").first).to_be_visible()
            self.check_axe()
            self.page.keyboard.press("Escape")
            expect(self.dialog()).to_have_count(0)
        for part, region in (
            ("How it stands", "How the ground stands"),
            ("Over it", "Over the ground"),
            ("How to lay it", "How to lay the ground"),
            ("Card inked by myself", "Card inked by myself"),
        ):
            self.part(part)
            expect(self.page.get_by_role("region", name=region)).to_be_visible()
            self.check_axe()

    def test_each_way_out_is_taken_with_one_press_and_undone(self):
        self.open_stage()
        stage = self.page.get_by_role("region", name="Pads and joins")
        expect(stage).to_contain_text("muddy meets")
        self.join("noon lock weed").click()
        for way, after in (
            ("a gap left white", "a white gap keeps them apart"),
            ("a lighter hand at the join", "a little dull"),
            ("noon oar blade between them", "noon oar blade"),
        ):
            self.button(way).click()
            expect(stage.locator("ol").first).to_contain_text(after)
            expect(stage).not_to_contain_text("muddy meets")
            self.button("Undo").click()
            expect(stage).to_contain_text("muddy meets")
        self.button("in the order").click()
        expect(self.page.get_by_text("They stand in it")).to_be_visible()
        expect(self.pads).to_have_text(["1 noon lock weed", "2 first duckweed", "3 noon thistle down"])

    def test_pads_are_moved_by_button_and_by_dragging_and_left_out(self):
        self.open_stage()
        self.button("first duckweed one place down").click()
        expect(self.pads.first).to_have_text("1 noon lock weed")
        handles = self.page.get_by_title("Drag to another place")
        handles.nth(2).drag_to(self.page.locator("ol > li").first)
        expect(self.pads).to_have_text(["1 noon thistle down", "2 noon lock weed", "3 first duckweed"])
        expect(self.button("noon thistle down one place up")).to_be_disabled()
        self.button("Leave noon lock weed out").click()
        expect(self.pads).to_have_count(2)

    def test_pads_come_from_palette_drawer_or_anywhere_up_to_six(self):
        self.open_stage("Kingfisher")
        expect(self.pads).to_have_count(3)
        self.button("Add a pad").click()
        self.dialog().get_by_role("region", name="Near the palette").get_by_role("button").first.click()
        expect(self.pads).to_have_count(4)
        self.button("Add a pad").click()
        self.dialog().get_by_role("region", name="In my drawer").get_by_role(
            "button", name="noon bean row"
        ).click()
        expect(self.pads).to_have_count(5)
        self.button("Add a pad").click()
        find = self.page.get_by_role("combobox", name="Find a colour")
        find.fill("moss 4")
        expect(self.page.get_by_text("No colour of any range has “moss 4”")).to_be_visible()
        find.fill("#9fc6a0")
        expect(self.page.get_by_role("option").first).to_contain_text("ink pad")
        find.fill("7240")
        self.page.get_by_role("option", name="7240").click()
        expect(self.page.get_by_text("6 pads are the most.")).to_be_visible()
        expect(self.button("Add a pad")).to_have_count(0)

    def test_shapes_hands_and_wet_are_shown_on_panel_and_card(self):
        self.open_stage()
        picture = self.page.get_by_role("img", name="The ground, as predicted")
        card = self.page.get_by_role("img", name=re.compile("as planned"))
        seen = {picture.inner_html()}
        for shape in (
            "vignette",
            "sky over a stencil edge",
            "layered stencils",
            "plain wash",
            "ombre",
        ):
            self.choose("How it is laid out", shape)
            expect(self.button(f"How it is laid out: {shape}")).to_be_visible()
            expect(self.button("Undo")).to_have_attribute("title", re.compile("the ground"))
            seen.add(picture.inner_html())
        self.assertEqual(len(seen), 6)
        before = card.inner_html()
        self.choose("Hand for first duckweed", "heavy hand")
        expect(self.button("Hand for first duckweed: heavy hand")).to_be_visible()
        self.assertNotEqual(card.inner_html(), before)
        self.page.get_by_role("switch", name="While wet").click()
        expect(self.page.get_by_role("img", name="The ground while it is wet, as predicted")).to_be_visible()
        colours = self.page.get_by_role("img", name="The ground while it is wet, as predicted").inner_html()
        self.page.keyboard.press("g")
        greys = self.page.get_by_role("img", name="The ground while it is wet, as predicted").inner_html()
        self.assertNotEqual(colours, greys)
        shades = set(re.findall(r'stop-color="#(\w\w)(\w\w)(\w\w)"', greys))
        self.assertTrue(shades and all(len(set(shade)) == 1 for shade in shades), shades)

    def test_what_does_not_hold_is_mended_with_one_press(self):
        self.open_stage("Kingfisher")
        self.choose("For the picture I want", "a dark one, that lets it shine")
        self.part("How it stands")
        stands = self.page.get_by_role("region", name="How the ground stands")
        expect(stands).to_contain_text("not dark enough for what shall shine on it")
        self.choose("For the picture I want", "a quiet one, that keeps still")
        expect(stands).to_contain_text("A quiet ground: right")
        self.part("Pads and joins")
        self.button("Add a pad").click()
        self.dialog().get_by_role("region", name="In my drawer").get_by_role(
            "button", name="noon hull red"
        ).click()
        self.part("How it stands")
        expect(stands).to_contain_text("A quiet ground: too loud")
        expect(stands.get_by_role("button", name="take morning")).to_be_visible()
        stands.get_by_role("button", name="bare card with a pale grey pattern").click()
        expect(stands).to_contain_text("A quiet ground: right")
        self.part("Pads and joins")
        expect(self.page.get_by_text("No pads yet.")).to_be_visible()
        self.part("Over it")
        expect(self.page.get_by_role("switch", name="A stencil pattern, tone on tone")).to_be_checked()

    def test_effects_say_what_they_would_do(self):
        Person.objects.update(figures=True)
        self.open_stage("Night ferry")
        self.part("Over it")
        over = self.page.get_by_role("region", name="Over the ground")
        for name in ("A text stamp in the ground", "Drops of water, dabbed off", "Shimmer"):
            self.page.get_by_role("switch", name=name).click()
            expect(self.page.get_by_role("switch", name=name)).to_be_checked()
        expect(over).to_contain_text("not predicted: it changes with every turn in the light")
        expect(over).to_contain_text("lighter")
        self.choose("Hand for text stamp", "heavy hand")
        self.button("another pad for this").click()
        self.dialog().get_by_role("region", name="In my drawer").get_by_role(
            "button", name="first ash path"
        ).click()
        expect(over).to_contain_text("first ash path")
        self.page.get_by_role("switch", name="Shimmer").click()
        expect(over).not_to_contain_text("not predicted: it")
        self.part("How to lay it")
        order = self.page.get_by_role("region", name="How to lay the ground")
        expect(order.get_by_role("listitem").filter(has_text="stamp the text")).to_be_visible()
        expect(order).to_contain_text("Let it dry first.")
        expect(order).to_contain_text("it burns skin and scorches paper")

    def test_a_rainbow_is_found_and_laid(self):
        self.open_stage("Kingfisher")
        self.button("Find a rainbow").click()
        whole = self.dialog().get_by_role("button", name=re.compile("^.*A rainbow of"))
        expect(whole.first).to_be_visible()
        self.check_axe()
        pads = whole.first.inner_text().split("\n")[-1].split(", ")
        whole.first.click()
        expect(self.dialog()).to_have_count(0)
        for pad in pads:
            expect(self.page.get_by_role("region", name="Pads and joins")).to_contain_text(pad)
        expect(self.page.get_by_text("a rainbow.")).to_be_visible()

    def test_a_mat_of_card_inked_by_oneself(self):
        self.take_apart("Kingfisher")
        Person.objects.update(figures=True)
        self.open_stage("Kingfisher")
        self.part("Card inked by myself")
        self.button("Choose the pad").click()
        self.dialog().get_by_role("region", name="Near the palette").get_by_role("button").first.click()
        inked = self.page.get_by_role("region", name="Card inked by myself")
        expect(inked).to_contain_text("L* ")
        before = inked.inner_text()
        self.choose("Hand for the mat", "heavy hand")
        expect(inked).not_to_have_text(before)
        self.choose("How much of it", "the whole sheet")
        expect(inked).not_to_contain_text("it is covered")
        self.part("How it stands")
        expect(self.page.get_by_text("The inked mat around it")).to_be_visible()
        self.part("Card inked by myself")
        self.button("Leave it out").click()
        expect(self.button("Choose the pad")).to_be_visible()

    def test_a_second_window_is_told_and_loses_nothing(self):
        self.open_stage()
        other = self.page.context.new_page()
        other.goto(self.page.url)
        other.get_by_role("button", name="Leave noon thistle down out").click()
        expect(other.locator("ol > li b.block")).to_have_count(2)
        self.button("Leave first duckweed out").click()
        expect(self.page.get_by_role("alert")).to_contain_text("another window")
        expect(self.pads).to_have_text(["1 first duckweed", "2 noon lock weed"])

    def test_on_a_phone_it_is_one_column(self):
        self.open_stage()
        self.page.set_viewport_size({"width": 390, "height": 844})
        expect(self.button("Add a pad")).to_be_visible()
        wide = self.page.evaluate("document.documentElement.scrollWidth")
        self.assertLessEqual(wide, 390)
