"""The user guide out of what the screens say of themselves: pictures with their parts numbered, and its page.

``web/src/help/guide.json`` is the one source: the client shows it beside each screen, ``document`` makes
docs/guide.md of it, and ``pictures`` takes what both show.
"""

import io
import json
from pathlib import Path

from PIL import Image
from playwright.sync_api import Page

ROOT = Path(__file__).resolve().parent.parent
GUIDE = json.loads((ROOT / "web/src/help/guide.json").read_text(encoding="utf-8"))
PICTURES = ROOT / "web/public/guide"
DOCUMENT = ROOT / "docs/guide.md"
WIDE = 960  # pixels of a picture: its words can be read, and it is small to fetch
_MARK = """([n, x, y]) => {
  const mark = document.createElement('b')
  mark.textContent = n
  Object.assign(mark.style, { position: 'fixed', left: x + 'px', top: y + 'px', zIndex: 99, width: '30px',
    height: '30px', borderRadius: '15px', background: '#161616', color: '#f4f4f4', textAlign: 'center',
    border: '2px solid #f4f4f4', lineHeight: '26px', fontSize: '16px' })
  document.body.append(mark)
}"""


def opened(page: Page, address: str, card: int, entry: dict) -> None:
    """The screen that an entry is of, on a card."""
    path = entry["page"].replace("card/", f"cards/{card}/")
    page.goto(f"{address}/{path}")
    for part in entry["parts"]:
        page.locator(part["at"]).first.wait_for()
    page.wait_for_load_state("networkidle")


def pictures(page: Page, address: str, card: int) -> None:
    """Every screen with its parts numbered."""
    PICTURES.mkdir(exist_ok=True)
    for entry in GUIDE:
        opened(page, address, card, entry)
        page.evaluate("document.fonts.ready")
        for number, part in enumerate(entry["parts"], start=1):
            box = page.locator(part["at"]).first.bounding_box()
            if box is None:
                raise RuntimeError(f"{entry['key']}: {part['name']} is not to be seen")
            page.evaluate(_MARK, [number, max(box["x"] - 8, 2), max(box["y"] - 8, 2)])
        taken = Image.open(io.BytesIO(page.screenshot())).convert("RGB")
        small = taken.resize((WIDE, taken.height * WIDE // taken.width), Image.Resampling.LANCZOS)
        small.save(PICTURES / f"{entry['key']}.webp", quality=70, method=6)


def document() -> str:
    """The guide as one page."""
    lines = ["# How Jindle works, screen by screen", ""]
    lines += [
        "The same stands behind “How this works” on each screen. Numbers are those in the pictures.",
        "",
    ]
    for entry in GUIDE:
        lines += [f"## {entry['title']}", "", entry["words"], ""]
        lines += [f"![{entry['title']}](../web/public/guide/{entry['key']}.webp)", ""]
        lines += [f"{n}. **{one['name']}.** {one['words']}" for n, one in enumerate(entry["parts"], start=1)]
        lines += [""]
    return "\n".join(lines)
