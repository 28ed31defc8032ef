"""Takes the pictures of docs/screenshots from the demo data: ``./jindle shots``."""

import os
import re
from pathlib import Path

from playwright.sync_api import Page

from e2e.browser import chromium, new_page

ADDRESS = os.environ.get("JINDLE_ADDRESS", "")
FOLDER = Path(__file__).resolve().parent.parent / "docs" / "screenshots"


def take(page: Page, name: str) -> None:
    """One picture, once the page is at rest."""
    page.wait_for_load_state("networkidle")
    page.evaluate("document.fonts.ready")
    page.screenshot(path=FOLDER / f"{name}.png")


def tour(page: Page) -> None:
    """Every main view in turn."""
    page.goto(ADDRESS + "/")
    page.get_by_role("button", name="Open the demo studio").click()
    page.get_by_role("link", name="Kingfisher").wait_for()
    take(page, "cards")
    page.get_by_role("link", name="Kingfisher").click()
    page.get_by_role("grid").wait_for()
    take(page, "palette")
    colouring(page)
    page.get_by_role("link", name="Contrast").click()
    page.get_by_role("heading", name="What lies on what").wait_for()
    take(page, "contrast")
    uses(page)
    background(page)
    build(page)
    plan(page)
    log(page)
    match(page)
    supplies(page)
    page.goto(ADDRESS + "/cards/ways/rule")
    page.get_by_role("article").nth(4).wait_for()
    take(page, "ways")


def colouring(page: Page) -> None:
    """An area with its family on a card of several pictures."""
    page.goto(ADDRESS + "/cards")
    page.get_by_role("link", name="Five ducklings").click()
    page.get_by_role("link", name="Colouring").click()
    page.get_by_role("button", name="wing", exact=True).click()
    page.get_by_role("heading", name="Families around it").wait_for()
    take(page, "colouring")
    page.goto(ADDRESS + "/cards")
    page.get_by_role("link", name="Kingfisher").click()
    page.get_by_role("grid").wait_for()


def uses(page: Page) -> None:
    """What a card uses, and a palette colour that becomes another."""
    page.get_by_role("link", name="What the card uses").click()
    page.get_by_role("heading", name="What the card uses").wait_for()
    take(page, "uses")
    page.get_by_role("link", name="Palette").click()
    page.get_by_role("rowheader", name="millpond").click()
    page.get_by_role("button", name="Take another colour").click()
    page.get_by_role("combobox").fill("#3f7a4e")
    page.get_by_role("option", name="from a screen value").click()
    page.get_by_role("heading", name="What goes along").wait_for()
    take(page, "following")
    page.keyboard.press("Escape")


def build(page: Page) -> None:
    """A card of pieces, one of them chosen, and what is cut."""
    page.goto(ADDRESS + "/cards")
    page.get_by_role("link", name="Night ferry").click()
    page.get_by_role("link", name="Build").click()
    front = page.get_by_role("region", name="On the front")
    front.get_by_role("button", name="bridge strip").click()
    page.get_by_role("region", name="The piece bridge strip").wait_for()
    take(page, "build")
    page.get_by_role("link", name="Cutting").click()
    page.get_by_role("img", name="Sheet 1").wait_for()
    take(page, "cutting")


def plan(page: Page) -> None:
    """The order of work of a card; and its making, while something dries."""
    page.goto(ADDRESS + "/cards")
    page.get_by_role("link", name="Night ferry").click()
    page.get_by_role("link", name="Plan", exact=True).click()
    page.get_by_text("until all is done").wait_for()
    take(page, "plan")
    page.get_by_role("link", name="Begin at the desk").click()
    press = page.get_by_role("button", name=re.compile("^(Begin|Done)")).first
    told = page.get_by_text(re.compile(r"^\d+ of \d+ steps done$"))
    drying = page.get_by_role("region", name="What dries")
    while not (drying.count() and page.get_by_role("heading", name="Colour").count()):
        before = page.get_by_role("main").inner_html()
        press.click()
        page.wait_for_function("before => document.querySelector('main').innerHTML !== before", arg=before)
        told.wait_for()
    take(page, "desk")
    page.get_by_role("link", name="Back to the plan").click()


def log(page: Page) -> None:
    """Three cards are written down; how that is done, and the log."""
    for name, occasion in (
        ("Kingfisher", "get well"),
        ("Five ducklings", "new baby"),
        ("Night ferry", "goodbye"),
    ):
        page.goto(ADDRESS + "/cards")
        page.get_by_role("link", name=name).click()
        page.get_by_role("link", name="Record", exact=True).click()
        page.get_by_label("Occasion").fill(occasion)
        sheet = page.frame_locator("iframe[title='The recipe sheet']")
        sheet.get_by_role("img").wait_for()
        if name == "Night ferry":
            take(page, "record")
        page.get_by_role("button", name="Write it into the log").click()
        page.get_by_role("link", name="Back to the log").click()
    page.get_by_role("img", name="Kingfisher").wait_for()
    take(page, "log")


def background(page: Page) -> None:
    """A muddy join with its ways out."""
    page.goto(ADDRESS + "/cards")
    page.get_by_role("link", name="Allotment").click()
    page.get_by_role("link", name="Background").click()
    page.get_by_role("button", name="the join of noon lock weed").click()
    page.get_by_role("button", name="a gap left white").wait_for()
    take(page, "background")


def supplies(page: Page) -> None:
    """Ranges, one of them, swatches and papers out of pictures."""
    page.get_by_role("link", name="Supplies").click()
    page.get_by_role("link", name="Wherry").wait_for()
    take(page, "supplies")
    page.goto(ADDRESS + "/supplies/photograph")
    page.get_by_role("button", name="Take the photograph").click()
    page.get_by_role("heading", name="48 swatches read").wait_for()
    take(page, "swatches")
    page.goto(ADDRESS + "/papers")
    page.get_by_role("link", name="Moorings").wait_for()
    take(page, "papers")
    page.goto(ADDRESS + "/papers/add")
    page.get_by_role("button", name="Light:").click()
    page.get_by_role("option", name="warm lamp").click()
    page.get_by_role("button", name="Take the photograph").click()
    page.get_by_role("heading", name="colours found").wait_for()
    take(page, "add-a-paper")


def match(page: Page) -> None:
    """One colour everywhere."""
    page.get_by_role("link", name="Match").click()
    page.get_by_role("button", name="Find a colour").click()
    page.get_by_role("combobox").fill("drake 4")
    page.get_by_role("option").first.click()
    page.get_by_role("gridcell").first.wait_for()
    take(page, "match")


if __name__ == "__main__":
    FOLDER.mkdir(parents=True, exist_ok=True)
    with chromium() as browser:
        tour(new_page(browser))
    print(f"{len(list(FOLDER.glob('*.png')))} pictures in docs/screenshots")
