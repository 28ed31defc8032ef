"""The Build stage: pieces whose sizes follow, how they fit and stand, the side view, cutting."""

import re
from io import BytesIO
from pathlib import Path
from xml.etree import ElementTree

from PIL import Image
from playwright.sync_api import expect

from e2e.tests.base import BrowserTestCase


class BuildTests(BrowserTestCase):
    def open_stage(self, card="Kingfisher", layout="three mats, a picture over a raised strip"):
        self.take_apart(card)
        self.open_stage_of(card, "build")
        expect(self.page.get_by_text("Nothing lies on the card yet.")).to_be_visible()
        if layout:
            self.button("Begin from a layout").click()
            self.dialog().get_by_role("button", name=layout).click()
            expect(self.piece("mat 1")).to_be_visible()

    def piece(self, name):
        return self.page.get_by_role("region", name="Pieces").get_by_role("button", name=name)

    def editor(self, name):
        return self.page.get_by_role("region", name=f"The piece {name}")

    def test_axe_finds_nothing_in_any_part(self):
        self.open_stage()
        self.piece("panel").click()
        expect(self.editor("panel")).to_be_visible()
        self.check_axe()
        self.button("Add a piece").click()
        expect(self.dialog().get_by_role("heading").first).to_be_visible()
        self.check_axe()
        self.page.keyboard.press("Escape")
        for part, words in (
            ("Something else", "without panel"),
            ("From the side", "Heights are drawn ten times"),
            ("Cutting", "cut right across"),
        ):
            self.page.get_by_role("link", name=part, exact=True).click()
            expect(self.page.get_by_text(words).first).to_be_visible()
            self.check_axe()

    def test_a_reveal_changes_and_every_size_follows(self):
        self.open_stage()
        expect(self.piece("panel")).to_contain_text("4 3/4 × 3 1/2 in")
        self.piece("mat 1").click()
        reveal = self.page.get_by_label("Frame that shows all around")
        reveal.fill("1/4")
        reveal.press("Enter")
        expect(self.piece("panel")).to_contain_text("4 1/2 × 3 1/4 in")
        reveal.fill("four")
        reveal.press("Enter")
        expect(self.page.get_by_role("alert")).to_contain_text("“four” is not a length")
        expect(self.piece("panel")).to_contain_text("4 1/2 × 3 1/4 in")
        self.button("Undo").click()
        expect(self.piece("panel")).to_contain_text("4 3/4 × 3 1/2 in")

    def test_a_piece_of_ones_own_that_does_not_fit(self):
        self.open_stage(layout=None)
        self.button("Add a piece").click()
        self.dialog().get_by_label("Name (or leave it)").fill("border")
        self.choose("What it is", "strip")
        self.page.get_by_label("or width, in").fill("4")
        self.page.get_by_label("and height").fill("5")
        self.button("Add the piece").click()
        self.piece("border").click()
        editor = self.editor("border")
        expect(editor).to_contain_text("is larger than what it lies on: it fits turned by a quarter")
        self.page.get_by_label("Width, in").fill("5")
        self.page.get_by_label("Height").fill("1")
        self.page.get_by_label("Height").press("Tab")
        expect(editor).to_contain_text("It fits")
        editor.get_by_role("button", name="of something else").click()
        self.dialog().get_by_role("button", name="5 slate").click()
        expect(editor).to_contain_text("slate")
        expect(editor).to_contain_text("border beside the card")
        self.button("Take border away").click()
        expect(self.page.get_by_text("Nothing lies on the card yet.")).to_be_visible()

    def test_sheets_for_a_set(self):
        self.open_stage()
        self.page.get_by_role("link", name="Cutting").click()
        one = self.page.get_by_role("region", name="Cutting").get_by_role("listitem")
        expect(one.first).to_contain_text("used")
        before = one.count()
        self.page.get_by_label("Cards").fill("8")
        self.page.get_by_label("Cards").press("Tab")
        expect(self.page.get_by_role("img", name="Sheet 1: base, base")).to_be_visible()
        expect(one.nth(before)).to_be_visible()
        self.choose("Sheets:", "12 × 12 in")
        expect(self.page.get_by_text("cut right across")).to_be_visible()

    def test_a_card_built_in_the_demo_is_looked_at_from_every_side(self):
        self.open_demo()
        self.open_card("Night ferry")
        self.page.get_by_role("link", name="Build").click()
        self.piece("brass mat").click()
        self.page.get_by_role("radio", name="Opened").click()
        expect(self.page.get_by_role("img", name="as planned, opened")).to_be_visible()
        expect(self.page.get_by_role("region", name="Inside")).to_contain_text("writing panel")
        self.page.get_by_role("radio", name="Front").click()
        self.page.get_by_role("link", name="Something else", exact=True).click()
        ways = self.page.get_by_role("region", name="Something else").get_by_role("listitem")
        expect(ways.filter(has_text="metallic card")).to_be_visible()
        black = ways.filter(has_text="black card")
        expect(black).to_contain_text("cannot be told from what it lies beside")
        black.get_by_role("button", name="Take it").click()
        checks = self.page.get_by_role("region", name="Checks")
        expect(checks).to_contain_text("brass mat beside the card: cannot be told")
        mend = checks.get_by_role("button", name="brass mat in").first
        mend.click()
        expect(checks).not_to_contain_text("brass mat beside the card: cannot be told")
        self.check_axe()

    def test_a_piece_is_moved_by_keys_and_dragged(self):
        self.open_stage()
        self.piece("picture").click()
        handle = self.button("Move the piece")
        handle.press("ArrowRight")
        right = self.page.get_by_label("Moved right")
        expect(right).to_have_value("1/16 in")
        handle.press("Shift+ArrowRight")
        expect(right).to_have_value("5/64 in")
        handle.press("ArrowUp")
        expect(self.page.get_by_label("Moved down")).to_have_value("−1/16 in")
        box = handle.bounding_box()
        self.page.mouse.move(box["x"] + 8, box["y"] + 8)
        self.page.mouse.down()
        self.page.mouse.move(box["x"] - 12, box["y"] + 8, steps=3)
        self.page.mouse.up()
        expect(right).to_have_value(re.compile("^−"))
        self.button("Undo").click()
        expect(right).to_have_value("5/64 in")

    def test_pictures_of_the_card_to_take_along(self):
        self.open_demo()
        self.open_card("Night ferry")
        for kind, start in (("SVG", b"<svg"), ("PNG", b"\x89PNG")):
            self.button("Picture of it").click()
            with self.page.expect_download() as download:
                self.page.get_by_role("menuitem", name=kind).click()
            self.assertEqual(download.value.suggested_filename, f"Night ferry, bon voyage.{kind.lower()}")
            content = Path(download.value.path()).read_bytes()
            self.assertTrue(content.startswith(start))
            if kind == "PNG":
                self.assertEqual(Image.open(BytesIO(content)).size, (2100, 1500))  # 7 × 5 in at 300
            else:
                drawn = ElementTree.fromstring(content)
                self.assertEqual((drawn.get("width"), drawn.get("height")), ("177.8mm", "127mm"))
                self.assertIn(
                    "bon voyage", [one.text for one in drawn.iter("{http://www.w3.org/2000/svg}title")]
                )
                self.assertNotIn(b"<text", content)
                self.assertNotIn(b"http://127", content)

    def test_words_envelope_and_inking_by_oneself(self):
        self.open_stage(layout="a mat, a panel, a picture beside its words")
        self.piece("words").click()
        self.page.get_by_label("What does it say?").fill("hello there")
        self.page.get_by_label("What does it say?").press("Enter")
        expect(
            self.page.get_by_role("img", name="as planned").or_(
                self.page.get_by_role("group", name="as planned")
            )
        ).to_contain_text("hello there")
        self.piece("mat 1").click()
        editor = self.editor("mat 1")
        editor.get_by_role("button", name="of something else").click()
        self.dialog().get_by_role("button", name="Ink it with a pad").click()
        self.dialog().get_by_role("combobox").fill("morning millpond")
        self.page.get_by_role("option").first.click()
        expect(editor).to_contain_text("inked with Brackwater morning millpond")
        self.choose("Inked with a hand", "heavy hand")
        expect(self.button("Inked with a hand: heavy hand")).to_be_visible()
        self.button("Leave it bare").click()
        expect(editor).not_to_contain_text("inked with")
        self.choose("Envelope", "another size …")
        self.dialog().get_by_label("Width").fill("5")
        self.dialog().get_by_label("Height").fill("4")
        self.button("Take this envelope").click()
        checks = self.page.get_by_role("region", name="Checks")
        expect(checks).to_contain_text("Envelope: does not go in")
        checks.get_by_role("button", name="take one of").click()
        expect(checks).not_to_contain_text("does not go in")

    def test_own_sheets_grain_and_hidden_middles(self):
        self.open_stage()
        self.page.get_by_role("link", name="Cutting").click()
        cutting = self.page.get_by_role("region", name="Cutting")
        self.choose("Its fibres run", "along the short side")
        expect(cutting).to_contain_text("folded along the grain")
        self.choose("Sheets:", "my own size")
        cutting.get_by_label("Width").fill("3")
        expect(cutting.get_by_role("alert").first).to_contain_text("No sheet of this size holds base")
        cutting.get_by_label("Width").fill("14")
        expect(cutting.get_by_role("alert")).to_have_count(0)
        expect(cutting).to_contain_text("The middle of mat 1 is hidden")
        self.page.get_by_role("switch", name="Use the hidden middles").click()
        expect(cutting).to_contain_text("broken lines are scored")

    def test_quickly_by_hand(self):
        self.open_stage()
        self.piece("strip").click()
        self.button("A mat under this").click()
        expect(self.piece("mat under strip")).to_be_visible()
        self.piece("picture").click()
        self.editor("picture").get_by_role("button", name="Copy, mirrored").click()
        expect(self.piece("picture again")).to_be_visible()
        self.button("Scatter …").click()
        self.check_axe()
        self.dialog().get_by_role("button", name="5", exact=True).click()
        self.button("Scatter 5").click()
        expect(self.piece(re.compile("^dot "))).to_have_count(5)
        self.piece("dot 1").click()
        for name in ("dot 2", "dot 3"):
            self.piece(name).click(modifiers=["Shift"])
        chosen = self.page.get_by_role("region", name="The chosen pieces")
        expect(chosen).to_contain_text("3 pieces chosen")
        chosen.get_by_role("button", name="evenly across").click()
        self.check_axe()
        chosen.get_by_role("button", name="Take them away").click()
        expect(self.piece(re.compile("^dot "))).to_have_count(2)
        for _ in range(5):
            self.button("Undo").click()
        expect(self.piece("mat under strip")).to_have_count(0)
