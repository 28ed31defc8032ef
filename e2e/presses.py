"""Counts the presses that it takes a newcomer: ``./jindle trial presses``. It fails where a figure has grown.

A press is a click, a choice, or a field filled in, however many letters that takes.
"""

import os
import re
import sys
from collections.abc import Callable

import numpy as np
from playwright.sync_api import FilePayload, Locator, Page, expect

from e2e.browser import chromium, new_page
from jindle_core.colorimetry.recovery import lab_to_reflectance
from jindle_core.prediction.stocks import WHITE_CARD
from standins.camera import Scene, SimulatedCamera

_AREAS, _GROUPS = 18, 4  # of a drawing, and colours that they are parted among
ADDRESS = os.environ.get("JINDLE_ADDRESS", "")


class Hand:
    """Somebody who came in just now, and what they have pressed."""

    def __init__(self, page: Page, name: str) -> None:
        self.page, self.presses = page, 0
        page.goto(ADDRESS + "/cards")
        self.press(self.button("Make an account"))
        self.fill("Name", name)
        self.fill("Password", "wagtail-at-dawn")
        self.press(self.button("Make the account"))
        page.get_by_role("heading", name="No cards yet").wait_for()

    def button(self, name: str | re.Pattern[str]) -> Locator:
        """The first button of a name."""
        return self.page.get_by_role("button", name=name).first

    def link(self, name: str | re.Pattern[str]) -> Locator:
        """The first link of a name."""
        return self.page.get_by_role("link", name=name).first

    def press(self, what: Locator) -> None:
        """One press."""
        what.click()
        self.presses += 1

    def fill(self, label: str, text: str) -> None:
        """A field filled in, which counts as one."""
        self.page.get_by_label(label).fill(text)
        self.presses += 1

    def choose_file(self, name: str, kind: str, content: bytes) -> None:
        """A file from the disk, which counts as two: the button, and the file in the system's own dialog."""
        told: FilePayload = {"name": name, "mimeType": kind, "buffer": content}
        self.page.locator("input[type=file]").first.set_input_files(told)
        self.presses += 2

    def has_a_checked_palette(self) -> None:
        """Wait until there is one."""
        self.page.get_by_role("grid").wait_for()
        expect(self.page.get_by_role("region", name="Checks")).to_be_visible()


def _sheet() -> bytes:
    """A photograph of a sheet in five colours, with white card beside it."""
    labels = np.arange(5).repeat(60).repeat(300).reshape(300, 300).astype(np.uint8)
    labs = np.array([[85.0, 2, 20], [62, -20, -18], [48, 40, 20], [30, 5, -30], [70, -30, 35]])
    card = np.asarray(WHITE_CARD, dtype=np.float64)
    return SimulatedCamera().photograph(Scene(labels, lab_to_reflectance(labs), card), "daylight")


def by_a_paper(hand: Hand) -> None:
    """Signing up to a checked palette, by the paper's door"""
    hand.press(hand.link("Take its colours"))
    hand.choose_file("a sheet.jpg", "image/jpeg", _sheet())
    hand.page.get_by_role("heading", name="colours found").wait_for()
    hand.fill("Title of the sheet", "By the lock")
    hand.press(hand.button("Put it on the shelf"))
    hand.press(hand.button("Start a palette from it"))
    hand.fill("Name of the card", "Lock at noon")
    hand.press(hand.button("Start the card"))
    hand.has_a_checked_palette()


def by_a_paper_with_own_ranges(hand: Hand) -> None:
    """The same with three ranges of one's own brought in, and all of them owned"""
    for number, medium in enumerate(("alcohol marker", "dye ink pad", "cardstock")):
        hand.press(hand.link("Supplies" if number == 0 else "Ranges"))
        hand.press(hand.link("Bring in a range"))
        rows = "".join(f"KNOT-{n},{20 + 6 * n},{5 * number - 9 + n},{n * 4 - 20}\n" for n in range(1, 12))
        hand.choose_file(f"{number}.csv", "text/csv", f"code,L,a,b\n{rows}".encode())
        hand.fill("Name", f"My range {number}")
        hand.press(hand.button("Medium:"))
        hand.press(hand.page.get_by_role("option", name=medium))
        hand.press(hand.button("Store 11 colours"))
        hand.press(hand.button("I own the whole range"))
        hand.press(hand.button("Put 11 colours into the drawer"))
        hand.page.get_by_text("11 of 11 in my drawer").wait_for()
        hand.press(hand.link("Supplies"))
    hand.press(hand.link("Cards"))
    by_a_paper(hand)


def by_supplies(hand: Hand) -> None:
    """Signing up to a checked palette, by the door of supplies, one range ticked"""
    hand.press(hand.link("Say what I own"))
    hand.press(hand.button(re.compile("I own all of it")))
    hand.press(hand.button(re.compile("^Yes, all")))
    hand.press(hand.button("Find palettes in them"))
    hand.press(hand.button("Start a card"))
    hand.press(hand.button("Start the card"))
    hand.has_a_checked_palette()


def by_an_example(hand: Hand) -> None:
    """Signing up to a checked palette, by a finished card"""
    hand.press(hand.button("Night ferry"))
    hand.has_a_checked_palette()


def to_a_cutting_sheet(hand: Hand) -> None:
    """Signing up to the printed cutting sheet of a first card, from a season in a layout"""
    hand.press(hand.link("Find a palette first"))
    hand.press(hand.link("Seasons and places"))
    hand.press(hand.button("Start a card"))
    hand.press(hand.button("Start the card"))
    hand.has_a_checked_palette()
    hand.press(hand.link("Build"))
    hand.press(hand.button("Begin from a layout"))
    hand.press(hand.page.get_by_role("dialog").get_by_role("listitem").nth(1).get_by_role("button"))
    hand.page.get_by_role("dialog").wait_for(state="detached")
    hand.press(hand.link("Cutting"))
    with hand.page.expect_download():
        hand.press(hand.link("Print it in true size"))


def to_colour_areas(hand: Hand) -> None:
    """18 areas of a drawing are given their colours out of a palette, and families"""
    hand.page.goto(ADDRESS + "/cards/ways/seasons")
    hand.button("Start a card").click()
    hand.button("Start the card").click()
    hand.has_a_checked_palette()
    hand.link("Colouring").click()
    hand.button("Choose a drawing").click()
    hand.button("Kingfisher on a willow branch").click()
    areas = hand.page.get_by_role("main").locator("li button[aria-pressed]")
    areas.nth(_AREAS - 1).wait_for()
    hand.presses = 0
    for group in range(_GROUPS):
        own = list(range(group, _AREAS, _GROUPS))
        for at in own:
            areas.nth(at).click(modifiers=["Shift"] if at != own[0] else [])
            hand.presses += 1
        hand.page.keyboard.press(str(group + 1))
        hand.presses += 1
        families = len([at for at in range(_AREAS) if at % _GROUPS <= group])
        hand.button(f"Find families for {families}").wait_for()
    hand.press(hand.button(f"Find families for {_AREAS}"))
    hand.button(f"Find families for {_AREAS}").wait_for(state="detached")


def to_own_it(hand: Hand) -> None:
    """A colour that is before one is marked as owned"""
    hand.page.goto(ADDRESS + "/cards/ways/seasons")
    hand.presses = 0
    hand.press(hand.button(re.compile("^I own it")))
    hand.page.get_by_text("is in your drawer").wait_for()


def to_put_it_on_the_list(hand: Hand) -> None:
    """A colour that is before one is put on the shopping list"""
    hand.page.goto(ADDRESS + "/cards/ways/seasons")
    hand.presses = 0
    hand.press(hand.button(re.compile("^To buy")))
    hand.page.get_by_text("is on your shopping list").wait_for()


# What each may take: what it took when it was last made shorter.
ROWS: tuple[tuple[Callable[[Hand], None], int], ...] = (
    (by_a_paper, 12),  # 11 while a made-up camera stood in every account
    (by_a_paper_with_own_ranges, 46),
    (by_supplies, 10),
    (by_an_example, 5),
    (to_a_cutting_sheet, 13),
    (to_colour_areas, 23),
    (to_own_it, 1),
    (to_put_it_on_the_list, 1),
)


def main() -> int:
    """Print the table; 1 where anything takes more presses than it did."""
    print("| what | at most | presses |\n|---|---|---|")
    longer = 0
    with chromium() as browser:
        for number, (row, most) in enumerate(ROWS):
            hand = Hand(new_page(browser), f"Newcomer {number}")
            row(hand)
            longer += hand.presses > most
            print(f"| {row.__doc__} | {most} | {hand.presses} |", flush=True)
            hand.page.context.close()
    return 1 if longer else 0


if __name__ == "__main__":
    sys.exit(main())
