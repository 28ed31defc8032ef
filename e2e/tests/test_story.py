"""A person's first card, in the order of work. It grows with what Jindle can do."""

import re

from playwright.sync_api import expect

from e2e.tests.base import BrowserTestCase

OWN_PADS = (
    "\ufeffNr.;Farbe;L*;a*;b*;Discontinued\r\n"
    "TREIDEL 1;Treidelpfad;51,0;-22,0;-21,5;nein\r\n"
    "TREIDEL 2;Ufernebel;90,5;-4,0;-8,5;nein\r\n"
).encode()


class StoryTests(BrowserTestCase):
    def test_the_first_card(self):
        self.signs_up()
        self.starts_a_card()
        self.builds_the_palette()
        self.chooses_and_locks_a_supply()
        self.says_what_lies_on_what()
        self.brings_in_a_range_of_her_own()
        self.finds_it_in_the_palette()
        self.says_what_she_owns()
        self.asks_what_a_colour_is_elsewhere()
        self.reads_a_swatch_of_her_own()
        self.photographs_a_chart_that_she_filled()
        self.colours_the_picture()
        self.lays_the_ground()
        self.builds_it_from_pieces()
        self.takes_a_family_into_another_range()
        self.moves_the_card_to_what_she_has()
        self.sees_what_is_still_to_buy()
        self.starts_another_card_from_a_paper()
        self.finds_a_palette_by_a_rule_and_keeps_one()
        self.goes_back_and_forth()
        self.sees_it_among_her_cards()

    def signs_up(self):
        self.go("/cards")
        self.button("Make an account").click()
        self.page.get_by_label("Name").fill("River studio")
        self.page.get_by_label("Password").fill("short")
        self.button("Make the account").click()
        expect(self.page.get_by_role("alert")).to_contain_text("too short")
        self.page.get_by_label("Password").fill("wagtail-at-dawn")
        self.button("Make the account").click()
        self.heading("No cards yet")

    def starts_a_card(self):
        self.button("Start a card").click()
        self.page.get_by_label("Name").fill("Grebe on the mere")
        self.page.get_by_label("Width").fill("five")
        self.button("Start the card").click()
        expect(self.page.get_by_role("alert")).to_contain_text("“five” is not a length")
        self.page.get_by_label("Width").fill("5 1/2")
        self.page.get_by_label("Height").fill("4 1/4")
        self.button("Start the card").click()
        self.heading("Start the palette")
        expect(self.page.get_by_text("5 1/2 × 4 1/4 in, landscape")).to_be_visible()

    def builds_the_palette(self):
        self.add_colour("tarn 5", "mere", "lead")
        self.add_colour("Clay–4", "beak", "accent")
        self.add_colour("#e3edf0", "haze", "ground")
        self.add_colour("L 26, a 2, b −12", "night", "dark")
        expect(self.row(1)).to_contain_text("mere")
        expect(self.cell(1, "Alcohol marker")).to_contain_text("the colour itself")
        expect(self.cell(3, "Cardstock")).to_contain_text("ΔE")
        expect(self.grid.get_by_text("Nothing near").first).to_be_visible()

    def chooses_and_locks_a_supply(self):
        before = self.cell(1, "Ink pad").inner_text()
        self.cell(1, "Ink pad").click()
        options = self.page.get_by_role("radiogroup", name="The nearest").get_by_role("radio")
        expect(options).to_have_count(12)
        options.nth(2).click()
        self.button("Use and lock").click()
        expect(self.cell(1, "Ink pad")).to_contain_text("locked")
        self.assertNotEqual(self.cell(1, "Ink pad").inner_text(), before)

    def says_what_lies_on_what(self):
        self.page.get_by_role("link", name="Contrast").click()
        expect(self.page.get_by_text("guessed from the roles")).to_be_visible()
        checks = self.page.get_by_role("region", name="Checks")
        expect(checks).to_contain_text("Picture in mere on haze holds")
        self.button("Add a pair").click()
        self.choose("Upper colour", "2 beak")
        self.choose("Lower colour", "3 haze")
        self.button("Add the pair", exact=True).last.click()
        expect(checks).to_contain_text("Lettering in beak on haze: cannot be read")
        mend = checks.get_by_role("button", name="Lettering in").first
        words = mend.inner_text()
        mend.click()
        expect(checks).not_to_contain_text("Lettering in beak on haze")
        expect(checks).to_contain_text(words.split(":")[0] + " holds")
        self.page.get_by_role("radio", name="Greys").click()
        expect(self.page.get_by_text("warm evening light")).to_be_visible()
        self.page.get_by_role("radio", name="Colour").click()

    def brings_in_a_range_of_her_own(self):
        self.page.get_by_role("link", name="Supplies").click()
        self.page.get_by_role("link", name="Bring in a range").click()
        self.page.locator("input[type=file]").set_input_files(
            {"name": "treidel.csv", "mimeType": "text/csv", "buffer": OWN_PADS}
        )
        expect(self.page.get_by_text("2 colours read")).to_be_visible()
        expect(self.page.get_by_text("CSV separated by semicolons.")).to_be_visible()
        self.page.get_by_label("Name", exact=True).fill("Treidel")
        self.choose("Medium:", "dye ink pad")
        self.choose("Where its L, a, b come from", "read with an instrument")
        self.button("Store 2 colours").click()
        self.heading("Treidel")
        self.page.get_by_role("checkbox", name="TREIDEL 1 is in my drawer").check()
        expect(self.page.get_by_text("1 of 2 in my drawer")).to_be_visible()

    def finds_it_in_the_palette(self):
        self.page.get_by_role("link", name="Cards").click()
        self.open_card("Grebe on the mere")
        expect(self.cell(3, "Ink pad")).not_to_contain_text("Nothing to choose")
        self.cell(1, "Ink pad").click()
        self.button("Unlock it").click()
        self.button("Go back to the nearest").click()
        expect(self.cell(1, "Ink pad")).to_contain_text("TREIDEL 1")
        expect(self.cell(1, "Ink pad")).to_contain_text("same to the eye")
        self.page.get_by_role("switch", name="Only what I own").click()
        expect(self.cell(4, "Cardstock")).to_contain_text("Nothing to choose from")
        self.page.get_by_role("switch", name="Only what I own").click()

    def says_what_she_owns(self):
        self.page.get_by_role("link", name="Supplies").click()
        self.page.get_by_role("link", name="My drawer", exact=True).click()
        self.button("Type or paste codes").click()
        self.page.get_by_label("Codes or names").fill(
            "tarn 4, Moss-4; rook7\nclay 3, lockside 84, landing first weir pool"
        )
        self.button("Read the list").click()
        expect(self.page.get_by_text("5 colours understood")).to_be_visible()
        expect(self.page.get_by_role("alert")).to_contain_text("“rook7” is no code or name")
        self.button("Wherry ROOK-1").click()
        expect(self.page.get_by_text("6 colours understood")).to_be_visible()
        self.button("Put 6 colours into the drawer").click()
        self.button("all 7").click()
        self.button("MOSS-4").click()
        self.choose("How full", "dry")
        self.page.get_by_label("Note").fill("lent out")
        self.button("Save", exact=True).click()
        expect(self.button("dry 1")).to_be_visible()

    def asks_what_a_colour_is_elsewhere(self):
        self.page.get_by_role("link", name="Match").click()
        self.heading("I have this here. What is it there?")
        self.page.keyboard.press("/")
        self.page.get_by_role("combobox", name="Find a colour").fill("traidelpfad")
        self.page.get_by_role("option", name="TREIDEL 1").click()
        first = self.grid.get_by_role("gridcell").first
        expect(first).to_contain_text("TARN-5")
        expect(first).to_contain_text("same to the eye")
        first.focus()
        self.page.keyboard.press("Enter")
        self.heading("TARN-5")
        self.page.get_by_role("link", name="Use instead").click()
        expect(self.page.get_by_text("This one is not in your drawer.")).to_be_visible()
        expect(self.page.get_by_role("region", name="The nearest you own")).to_contain_text("TARN-4")
        expect(self.page.get_by_role("region", name="Glaze two you own")).to_contain_text("a prediction")

    def reads_a_swatch_of_her_own(self):
        self.page.get_by_role("link", name="My readings").click()
        self.button("Read the swatch").click()
        expect(self.page.get_by_role("alert")).to_contain_text("calibrate it first")
        self.button("Calibrate on the white tile").click()
        expect(self.page.get_by_text(re.compile("^ ?Calibrated, battery"))).to_be_visible()
        self.button("Read the swatch").click()
        kept = self.page.get_by_role("region", name="What I have read")
        expect(kept).to_contain_text("Simulated swatch reader, with its spectrum")
        self.page.get_by_label("L*a*b* (D50), or #rrggbb").fill("51, -22, -21.5")
        self.button("Keep it").click()
        expect(kept.get_by_role("listitem")).to_have_count(2)
        expect(self.page.get_by_text("Your 2 readings say")).to_be_visible()
        expect(self.page.get_by_text("my own reading")).to_be_visible()

    def photographs_a_chart_that_she_filled(self):
        self.page.get_by_role("link", name="Supplies").click()
        self.page.get_by_role("link", name="Swatches from a photo").click()
        self.choose("Range:", "Nightferry")
        self.choose("Light:", "shade")
        self.button("Take the photograph").click()
        read = self.page.get_by_role("region", name="18 swatches read")
        expect(read.get_by_role("listitem")).to_have_count(18)
        expect(self.page.get_by_text("A photograph is good to about ΔE 3")).to_be_visible()
        first = read.get_by_role("checkbox").first
        label = first.get_attribute("aria-label").removeprefix("Keep the reading of ")
        read.get_by_role("checkbox").last.uncheck()
        self.button("Keep 17 readings").click()
        self.heading("Nightferry")
        expect(self.page.get_by_text("17 readings kept, photographed.")).to_be_visible()
        self.page.get_by_role("link", name=label).click()
        self.page.get_by_role("link", name="My readings").click()
        expect(self.page.get_by_role("region", name="What I have read")).to_contain_text("a photograph")

    def colours_the_picture(self):
        self.page.get_by_role("link", name="Cards").click()
        self.open_card("Grebe on the mere")
        self.page.get_by_role("link", name="Colouring").click()
        self.button("Choose a drawing").click()
        self.button("Reeds at the edge of the water").click()
        for area, colour in (("near water", "1 mere"), ("low sun", "2 beak"), ("tall head", "4 night")):
            self.area(area).click()
            self.choose("Palette colour", colour)
        self.button("Find families for 3").click()
        panel = self.page.get_by_role("region", name="The area tall head")
        expect(panel).to_contain_text("from light to dark")
        self.area("near water").click()
        panel = self.page.get_by_role("region", name="The area near water")
        expect(panel.get_by_role("button", name="TARN-5")).to_be_visible()
        expect(panel).to_contain_text("It holds")
        self.choose("Layers", "2 layers")
        expect(panel.get_by_title(re.compile("predicted")).first).to_be_visible()
        self.button("Keep this family").click()
        self.dialog().get_by_label("Name").fill("deep mere")
        self.button("Keep it", exact=True).click()
        expect(self.page.get_by_text("“deep mere” is kept")).to_be_visible()
        self.page.get_by_role("radio", name="light centres and dark edges").click()
        self.page.get_by_role("link", name="Order of work").click()
        self.page.get_by_role("switch", name="Dark first").click()
        expect(self.page.get_by_text("lay the shadow, away from the light").first).to_be_visible()
        self.page.get_by_role("link", name="Materials").click()
        self.choose("The line:", "dye ink, stamped")
        expect(self.page.get_by_role("heading", name="The line bleeds under alcohol markers")).to_be_visible()
        self.page.get_by_role("switch", name="clear embossing powder over the line").click()
        expect(self.page.get_by_text("Nothing that is known of these materials")).to_be_visible()
        expect(self.page.get_by_text("no flame or heat tool near")).to_be_visible()

    def lays_the_ground(self):
        self.page.get_by_role("link", name="Background").click()
        expect(self.page.get_by_text("No pads yet.")).to_be_visible()
        for pad in ("noon lock weed", "noon thistle down"):
            self.button("Add a pad").click()
            self.page.get_by_role("combobox", name="Find a colour").fill(pad)
            self.page.get_by_role("option", name=pad).first.click()
            expect(self.page.locator("main")).to_contain_text(pad)
        stage = self.page.get_by_role("region", name="Pads and joins")
        expect(stage).to_contain_text("muddy meets in cool grey")
        self.button("the join of noon lock weed").click()
        # Her own TREIDEL pad lies between them, and it is in her drawer.
        bridge = self.button("between them").first
        expect(bridge).to_contain_text("in my drawer")
        bridge.click()
        expect(stage).not_to_contain_text("muddy meets")
        expect(self.page.get_by_role("heading", name="What these make together")).to_be_visible()
        self.choose("For the picture I want", "a quiet one, that keeps still")
        self.page.get_by_role("link", name="How it stands").click()
        stands = self.page.get_by_role("region", name="How the ground stands")
        expect(stands).to_contain_text("too loud: its own colours differ too much")
        self.choose("How it is laid out", "vignette")
        expect(stands).to_contain_text("Centre of the vignette")
        self.page.get_by_role("link", name="Over it").click()
        self.page.get_by_role("switch", name="Drops of water, dabbed off").click()
        expect(self.page.get_by_role("region", name="Over the ground")).to_contain_text("lighter")
        self.page.get_by_role("link", name="How to lay it").click()
        expect(self.page.get_by_text("from the edge inwards").first).to_be_visible()
        expect(self.page.get_by_text("back through with it").first).to_be_visible()

    def builds_it_from_pieces(self):
        self.page.get_by_role("link", name="Build").click()
        self.choose("Begin from a layout", "a mat, a panel, a picture beside its words")
        pieces = self.page.get_by_role("region", name="Pieces")
        expect(pieces.get_by_role("button", name="mat 1")).to_contain_text("5 1/4 × 4 in")
        pieces.get_by_role("button", name="mat 1").click()
        reveal = self.page.get_by_label("Reveal on every side")
        reveal.fill("3 mm")
        reveal.press("Enter")
        expect(pieces.get_by_role("button", name="panel")).to_contain_text("5 × 3 3/4 in")
        expect(self.page.get_by_text("11 × 4 1/4 in, scored 5 1/2 in from the left")).to_be_visible()
        self.page.get_by_role("link", name="Cutting").click()
        expect(self.page.get_by_role("img", name="Sheet 1: base")).to_be_visible()

    def area(self, name):
        return self.page.locator("main").get_by_role("button", name=re.compile(f"^{name}"))

    def takes_a_family_into_another_range(self):
        self.go("/match/family")
        self.button("deep mere").first.click()
        expect(self.page.get_by_role("region", name="Side by side")).to_contain_text("TARN-5 becomes")
        self.page.reload()
        for code in ("CLAY-2", "CLAY-4", "CLAY-6"):
            self.page.get_by_role("button", name=re.compile("Choose the first colour|Add a colour")).click()
            self.page.get_by_role("combobox", name="Find a colour").fill(code)
            self.page.get_by_role("option", name=code).click()
        expect(self.page.get_by_role("region", name="Side by side")).to_contain_text("CLAY-6 becomes")
        self.heading("The steps")

    def moves_the_card_to_what_she_has(self):
        self.page.get_by_role("link", name="Cards").click()
        self.open_card("Grebe on the mere")
        self.with_this_palette("Move to other ranges")
        self.button("Lockside").click()
        expect(self.page.get_by_text("None of these ranges serves ink pad")).to_be_visible()
        self.button("Move 4 cells").click()
        expect(self.cell(2, "Alcohol marker")).to_contain_text("chosen")
        self.button("Undo").click()
        expect(self.cell(2, "Alcohol marker")).to_contain_text("the colour itself")

    def sees_what_is_still_to_buy(self):
        self.go("/supplies/shopping")
        expect(self.page.get_by_role("listitem").filter(has_text="TARN-5")).to_contain_text(
            "not in the drawer"
        )
        expect(self.page.get_by_role("listitem").filter(has_text="TARN-5")).to_contain_text(
            "Grebe on the mere"
        )
        self.page.get_by_role("link", name="Cards").click()
        self.open_card("Grebe on the mere")

    def starts_another_card_from_a_paper(self):
        self.page.get_by_role("link", name="Papers").click()
        expect(self.page.get_by_role("link", name="Moorings")).to_be_visible()
        self.page.get_by_role("link", name="Add a paper").click()
        self.choose("Sheet:", "Swing bridge")
        self.choose("Light:", "warm lamp")
        self.button("Take the photograph").click()
        expect(self.page.get_by_text("The white card was found by itself")).to_be_visible()
        colours = self.page.get_by_role("region", name=re.compile("colours found")).get_by_role("listitem")
        expect(colours).to_have_count(5)
        self.page.get_by_role("checkbox", name=re.compile("^Choose the")).nth(3).check()
        self.page.get_by_role("checkbox", name=re.compile("^Choose the")).nth(4).check()
        self.button("Merge").click()
        expect(colours).to_have_count(4)
        self.button("Undo").click()
        expect(colours).to_have_count(5)
        self.page.get_by_role("textbox", name=re.compile("^Name of the main")).fill("rust")
        self.page.get_by_label("Title of the sheet").fill("Bridge by lamplight")
        self.page.get_by_label("Collection").fill("Bought in spring")
        self.button("Put it on the shelf").click()
        self.heading("Bridge by lamplight")
        expect(self.page.get_by_role("link", name="Bridge by lamplight, rust")).to_be_visible()
        self.button("Start a palette from it").click()
        self.page.get_by_label("Name of the card").fill("Bridge at dusk")
        self.button("Start the card").click()
        expect(self.grid.get_by_role("rowheader").first).to_contain_text("ground")
        expect(self.cell(1, "Patterned paper")).to_contain_text("the colour itself")
        self.with_this_palette("Papers that go with it")
        hers = self.dialog().get_by_role("listitem").filter(has_text="Bridge by lamplight")
        expect(hers).to_contain_text("100 % of it agrees")
        self.page.keyboard.press("Escape")
        self.page.get_by_role("link", name="Cards").click()
        self.open_card("Grebe on the mere")

    def finds_a_palette_by_a_rule_and_keeps_one(self):
        self.with_this_palette("Keep it as a combination")
        self.dialog().get_by_label("Name").fill("Mere and beak")
        self.button("Keep it", exact=True).click()
        expect(self.page.get_by_text("“Mere and beak” is kept")).to_be_visible()
        self.page.get_by_role("link", name="Cards").click()
        self.page.get_by_role("link", name="Ways into a palette").click()
        self.button("Choose another colour").click()
        self.page.get_by_role("combobox", name="Find a colour").fill("moss 4")
        self.page.get_by_role("option", name="MOSS-4").click()
        rules = self.page.get_by_role("article")
        expect(rules).to_have_count(5)
        expect(rules.nth(2)).to_contain_text("MOSS-4")
        expect(rules.nth(2)).to_contain_text("of the rule")
        self.page.get_by_role("link", name="Kept combinations").click()
        hers = rules.filter(has_text="Mere and beak")
        expect(hers).to_contain_text("TARN-5")
        hers.get_by_role("button", name="Start with these supplies").click()
        self.button("Start the card").click()
        expect(self.grid.get_by_role("rowheader").first).to_contain_text("mere")
        self.page.get_by_role("link", name="Cards").click()
        self.open_card("Grebe on the mere")

    def goes_back_and_forth(self):
        self.row(2).get_by_role("rowheader").click()
        self.button("Remove", exact=True).click()
        expect(self.grid.get_by_role("rowheader")).to_have_count(3)
        self.button("Undo").click()
        expect(self.grid.get_by_role("rowheader")).to_have_count(4)
        self.button("Redo").click()
        expect(self.grid.get_by_role("rowheader")).to_have_count(3)
        self.page.keyboard.press("Control+z")
        expect(self.row(2)).to_contain_text("beak")
        self.page.reload()
        expect(self.row(2)).to_contain_text("beak")

    def with_this_palette(self, act):
        self.button("With this palette").click()
        self.page.get_by_role("menuitem", name=act).click()

    def sees_it_among_her_cards(self):
        self.page.get_by_role("link", name="Cards").click()
        expect(self.page.get_by_role("link", name="Grebe on the mere")).to_contain_text("all checks hold")
        self.assertEqual({url for url in self.requests if not url.startswith(self.live_server_url)}, set())
