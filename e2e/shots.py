"""Takes the pictures of docs/screenshots from the demo data: ``./jindle shots``."""

import os
from pathlib import Path

from playwright.sync_api import Page

from e2e.browser import chromium, new_page

ADDRESS = os.environ.get("JINDLE_ADDRESS", "")
FOLDER = Path(__file__).resolve().parent.parent / "docs" / "screenshots"
MISTAKES = "Nr.;Farbe;L*;a*;b*\n1;eins;52,5;10;-3\n1;zwei;52,5;10;-3\n3;drei;152;10;-3\n4;=SUM(1);50;1;2\n"


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
    page.get_by_role("gridcell").nth(1).click()
    page.get_by_role("radio").nth(11).wait_for()
    take(page, "alternatives")
    page.keyboard.press("Escape")
    page.get_by_role("link", name="Contrast").click()
    page.get_by_role("heading", name="What lies on what").wait_for()
    take(page, "contrast")
    page.keyboard.press("s")
    page.locator("html[data-surround=mid]").wait_for(state="attached")
    page.keyboard.press("s")
    page.locator("html[data-surround=dark]").wait_for(state="attached")
    page.get_by_role("radio", name="Greys").click()
    page.get_by_role("link", name="Palette").click()
    page.get_by_role("grid").wait_for()
    take(page, "palette-dark-greys")
    page.keyboard.press("s")
    page.locator("html[data-surround=light]").wait_for(state="attached")
    page.keyboard.press("g")
    match(page)
    supplies(page)
    page.goto(ADDRESS + "/cards/ways/rule")
    page.get_by_role("article").nth(4).wait_for()
    take(page, "ways")


def supplies(page: Page) -> None:
    """Ranges, one of them, the drawer, what is to be bought, a file with mistakes."""
    page.get_by_role("link", name="Supplies").click()
    page.get_by_role("link", name="Wherry").wait_for()
    take(page, "supplies")
    page.get_by_role("link", name="Wherry").click()
    page.get_by_role("link", name="Chart").click()
    page.get_by_role("heading", name="Its gaps").wait_for()
    take(page, "range-chart")
    page.goto(ADDRESS + "/supplies/drawer")
    page.get_by_role("heading", name="Wherry").wait_for()
    take(page, "drawer")
    page.goto(ADDRESS + "/supplies/shopping")
    page.get_by_role("link", name="Use instead").first.wait_for()
    take(page, "shopping")
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
    page.goto(ADDRESS + "/supplies/import")
    page.locator("input[type=file]").set_input_files(
        {"name": "quay.csv", "mimeType": "text/csv", "buffer": MISTAKES.encode()}
    )
    page.get_by_role("heading", name="nothing is stored").wait_for()
    take(page, "import")


def match(page: Page) -> None:
    """One colour everywhere, what to use instead of it, its readings, and a family."""
    page.get_by_role("link", name="Match").click()
    page.get_by_role("button", name="Find a colour").click()
    page.get_by_role("combobox").fill("drake 4")
    page.get_by_role("option").first.click()
    page.get_by_role("gridcell").first.wait_for()
    take(page, "match")
    page.get_by_role("link", name="Use instead").click()
    page.get_by_role("heading", name="Glaze two you own").wait_for()
    take(page, "use-instead")
    page.keyboard.press("/")
    page.get_by_role("combobox").fill("7215")
    page.get_by_role("option").first.click()
    page.get_by_role("heading", name="7215").wait_for()
    page.get_by_role("link", name="My readings").click()
    page.get_by_role("button", name="Calibrate on the white tile").click()
    page.get_by_text("Calibrated, battery").wait_for()
    for count in (1, 2):
        page.get_by_role("button", name="Read the swatch").click()
        page.get_by_role("button", name="Forget").nth(count - 1).wait_for()
    take(page, "readings")
    page.goto(ADDRESS + "/match/family")
    for button, code in (
        ("Choose the first colour", "clay 2"),
        ("Add a colour", "clay 4"),
        ("Add a colour", "clay 6"),
    ):
        page.get_by_role("button", name=button).click()
        page.get_by_role("combobox").fill(code)
        page.get_by_role("option").first.click()
    page.get_by_role("heading", name="The steps").wait_for()
    take(page, "family")


if __name__ == "__main__":
    FOLDER.mkdir(parents=True, exist_ok=True)
    with chromium() as browser:
        tour(new_page(browser))
    print(f"{len(list(FOLDER.glob('*.png')))} pictures in docs/screenshots")
