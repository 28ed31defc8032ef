"""Takes the pictures of docs/screenshots from the demo data: ``./jindle shots``."""

import io
import os
import re
from pathlib import Path

from PIL import Image
from playwright.sync_api import Page

from e2e import guide
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
    background(page)
    build(page)
    plan(page)
    log(page)
    recipe(page)
    match(page)
    training(page)
    supplies(page)
    page.goto(ADDRESS + "/cards/ways/seasons")
    page.get_by_role("article").nth(4).wait_for()
    take(page, "ways")
    colourways(page)


def colourways(page: Page) -> None:
    """A card in other colours, and the set that it and two of them are."""
    page.goto(ADDRESS + "/cards")
    page.get_by_role("link", name="Barge cat").click()
    page.get_by_role("link", name="In other colours").click()
    page.get_by_role("status").get_by_text("Turning hues").wait_for(state="detached")
    take(page, "colourways")
    for taken in (1, 2):
        page.get_by_role("button", name=re.compile("^Take it")).nth(taken).click()
        page.get_by_role("link", name="It stands among your cards").nth(taken - 1).wait_for()
    page.get_by_role("link", name="Open the set").click()
    page.get_by_role("heading", name="How alike they are").wait_for()
    take(page, "set")


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


def build(page: Page) -> None:
    """A card of pieces, one of them chosen."""
    page.goto(ADDRESS + "/cards")
    page.get_by_role("link", name="Night ferry").click()
    page.get_by_role("link", name="Build").click()
    front = page.get_by_role("region", name="On the front")
    front.get_by_role("button", name="bridge strip").click()
    page.get_by_role("region", name="The piece bridge strip").wait_for()
    take(page, "build")


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
    page.get_by_role("link", name="Kingfisher").click()
    which(page)


def which(page: Page) -> None:
    """A colour in a photo, under a yellow lamp, of the card that is open in the log."""
    page.reload()  # without what was said before
    page.get_by_role("heading", name="Made with").wait_for()
    shown = page.get_by_role("img", name="as it was made").get_attribute("src")
    card = Image.open(io.BytesIO(page.request.get(ADDRESS + (shown or "")).body())).convert("RGB")
    photo = Image.new("RGB", (1200, 900), "#787673")
    photo.paste(card.resize((900, 900 * card.height // card.width)), (40, 40))
    photo.paste("#f1f2f5", (960, 600, 1180, 880))
    lit = photo.convert("RGB", (0.92, 0, 0, 0, 0, 0.86, 0, 0, 0, 0, 0.73, 0))
    content = io.BytesIO()
    lit.save(content, "PNG")
    told = {"name": "card.png", "mimeType": "image/png", "buffer": content.getvalue()}
    page.locator("input[type=file]").set_input_files(told)
    page.get_by_role("img", name="Photo 1").wait_for()
    page.get_by_role("link", name="Which was it?").click()
    frame = page.get_by_role("application")
    frame.wait_for()
    page.wait_for_load_state("networkidle")
    lies = frame.bounding_box() or {"x": 0, "y": 0, "width": 0, "height": 0}
    x, y = (
        lies[at] + share * lies[side] for at, side, share in (("x", "width", 0.29), ("y", "height", 0.44))
    )
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(x + 7, y + 7)
    page.mouse.up()
    page.get_by_role("heading", name="It may have been").wait_for()
    take(page, "which")


def recipe(page: Page) -> None:
    """Somebody else's recipe, of whose markers nobody here has any."""
    cards = page.request.get(ADDRESS + "/api/cards").json()["cards"]
    pk = next(one["id"] for one in cards if one["name"].startswith("Night ferry"))
    told = page.request.get(f"{ADDRESS}/api/cards/{pk}/recipe/file").text().replace('"Wherry"', '"Sallowby"')
    page.goto(ADDRESS + "/recipes")
    file = {"name": "ferry.json", "mimeType": "application/json", "buffer": told.encode()}
    page.locator("input[type=file]").set_input_files(file)
    page.get_by_role("heading", name="What takes the place").wait_for()
    take(page, "recipe")


def background(page: Page) -> None:
    """A muddy join with its ways out."""
    page.goto(ADDRESS + "/cards")
    page.get_by_role("link", name="Allotment").click()
    page.get_by_role("link", name="Background").click()
    page.get_by_role("button", name="the join of noon lock weed").click()
    page.get_by_role("button", name="a gap left white").wait_for()
    take(page, "background")


def supplies(page: Page) -> None:
    """Ranges, and papers out of pictures."""
    page.get_by_role("link", name="Supplies").click()
    page.get_by_role("link", name="Wherry").wait_for()
    take(page, "supplies")
    page.goto(ADDRESS + "/papers")
    page.get_by_role("link", name="Moorings").wait_for()
    take(page, "papers")


def training(page: Page) -> None:
    """An order of lightness, answered with one slip, and its truth."""
    page.goto(ADDRESS + "/training/practise?exercise=lighter-or-darker&seed=11")
    tray = page.get_by_role("list", name="To be put in order").get_by_role("button")
    tray.first.wait_for()
    for at in range(tray.count()):
        tray.nth(at).click()
    page.get_by_role("button", name="That is my order").click()
    page.get_by_role("button", name="Next").wait_for()
    take(page, "training")


def match(page: Page) -> None:
    """One colour everywhere."""
    page.get_by_role("link", name="Match").click()
    page.get_by_role("button", name="Find a colour").click()
    page.get_by_role("combobox").fill("drake 4")
    page.get_by_role("option").first.click()
    page.get_by_role("gridcell").first.wait_for()
    take(page, "match")


def explained(page: Page) -> None:
    """The pictures of the guide, and its page."""
    cards = page.request.get(ADDRESS + "/api/cards").json()["cards"]
    card = next(one["id"] for one in cards if one["name"].startswith("Kingfisher"))
    guide.pictures(page, ADDRESS, card)
    guide.DOCUMENT.write_text(guide.document(), encoding="utf-8")


if __name__ == "__main__":
    FOLDER.mkdir(parents=True, exist_ok=True)
    with chromium() as browser:
        page = new_page(browser)
        tour(page)
        explained(page)
    print(f"{len(list(FOLDER.glob('*.png')))} pictures in docs/screenshots")
