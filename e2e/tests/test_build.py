"""The Build stage: pieces whose sizes follow, how they fit and stand, the side view, cutting."""

from playwright.sync_api import expect

from e2e.tests.base import BrowserTestCase


class BuildTests(BrowserTestCase):
    def open_stage(self, card="Kingfisher", layout="three mats, a picture over a raised strip"):
        self.open_demo()
        self.open_card(card)
        self.page.get_by_role("link", name="Build").click()
        expect(self.page.get_by_text("Nothing lies on the card yet.")).to_be_visible()
        if layout:
            self.choose("Begin from a layout", layout)
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
        self.check_axe()
        self.page.keyboard.press("Escape")
        for part, words in (
            ("From the side", "Heights are drawn ten times"),
            ("Cutting", "cut right across"),
        ):
            self.page.get_by_role("link", name=part).click()
            expect(self.page.get_by_text(words)).to_be_visible()
            self.check_axe()

    def test_a_reveal_changes_and_every_size_follows(self):
        self.open_stage()
        expect(self.piece("panel")).to_contain_text("4 3/4 × 3 1/2 in")
        self.piece("mat 1").click()
        reveal = self.page.get_by_label("Reveal on every side")
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
        self.button("Take this size").click()
        expect(editor).to_contain_text("It fits")
        self.button("of something else").click()
        self.dialog().get_by_role("button", name="5 slate").click()
        expect(editor).to_contain_text("slate")
        expect(editor).to_contain_text("Beside the card it stands")
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
