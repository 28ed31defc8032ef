"""Measures the targets and prints them as a table: ``./jindle bench [--write]``.

Times on a shared machine are noisy, so only ratios within one run count: each
pair of contestants takes turns, and their medians are compared.
"""

import gzip
import json
import re
import statistics
import sys
from collections.abc import Callable
from pathlib import Path

import numpy as np

from bench.blending import blending_rows, ground_rows
from bench.colourways import colourway_rows
from bench.cutting import build_rows, cutting_rows
from bench.families import family_rows
from bench.landings import landing_rows
from bench.listing import growth_rows, listing_rows
from bench.nearness import nearness_rows
from bench.papers import paper_rows
from bench.photos import photo_rows
from bench.planning import planning_rows
from bench.prediction import prediction_rows, reliability_rows
from bench.scans import scan_rows
from bench.screens import screen_rows
from bench.shaped import shaped_rows
from bench.training import training_rows
from bench.travelling import travelling_rows
from bench.visitor import CALLS, Row, Visitor, peak_memory, supplies, timed
from jindle_core.colorimetry.difference import delta_e
from jindle_core.matching.nearest import NearestIndex

ROOT = Path(__file__).resolve().parent.parent
TARGETS = 400
NEAREST = 12


def brute_force(lab: np.ndarray, targets: np.ndarray) -> list[np.ndarray]:
    """The nearest of each target by comparing it with every colour, ties in their order."""
    order = np.arange(len(lab))
    return [np.lexsort((order, delta_e(target[None], lab)))[:NEAREST] for target in targets]


def nearest(count: int, wanted: float) -> Row:
    """Exact search against brute force over ``count`` colours; both timed on every target."""
    lab, targets = supplies(count, 1), supplies(TARGETS, 2)
    index = NearestIndex(lab)
    found: list = []
    ours = statistics.median(timed(lambda: found.append(index.query(targets, NEAREST))) for _ in range(5))
    expected: list = []
    theirs = timed(lambda: expected.extend(brute_force(lab, targets)))
    equal = sum(np.array_equal(one.indices, other) for one, other in zip(found[0], expected, strict=True))
    ratio = theirs / ours
    return (
        f"Nearest {NEAREST} of {count:,} colours for {TARGETS} targets, against brute force",
        f"≥ {wanted:g} ×, all equal",
        f"{ratio:.0f} ×, {equal} of {TARGETS} equal",
        ratio >= wanted and equal == TARGETS,
    )


def palette_table(visitor: Visitor, wanted: float = 5) -> Row:
    """The answer with the table of 8 colours × 5 media against the emptiest authenticated call."""
    size = {"width": "5", "height": "7", "unit": "in"}
    pk = visitor.post("/api/cards", {"name": "Bench", "size": size})["id"]
    card = json.loads(visitor.get(f"/api/cards/{pk}"))
    for number, lab in enumerate(supplies(8, 3).round(1)):
        anchor = {"value": "L {}, a {}, b {}".format(*lab)}
        change = {"kind": "add_colour", "anchor": anchor, "name": f"{number}", "role": "support"}
        card = visitor.post(f"/api/cards/{pk}/changes", {"version": card["version"], "change": change})
    assert len(card["colours"]) == 8 and all(len(row["cells"]) == 5 for row in card["colours"])
    empty, table = [], []
    for _ in range(CALLS):
        empty.append(timed(lambda: visitor.get("/api/me")))
        table.append(timed(lambda: visitor.get(f"/api/cards/{pk}")))
    ratio = statistics.median(table) / statistics.median(empty)
    return (
        "Palette table, 8 colours × 5 media × all demo ranges, against an empty authenticated call",
        f"≤ {wanted:g} ×",
        f"{ratio:.1f} ×",
        ratio <= wanted,
    )


TICKS = 9
PADS = 60


def glaze(visitor: Visitor, wanted: float = 20, after: float = 15) -> Row:
    """The best glaze out of 150 owned markers, for targets never asked before, against an empty call.

    The table of all pairs is made with the first question after the drawer
    changed; what that costs is told beside it.
    """
    ranges = json.loads(visitor.get("/api/ranges"))
    markers = [
        swatch["id"]
        for one in ranges
        if one["medium"] == "alcohol marker"
        for swatch in json.loads(visitor.get(f"/api/ranges/{one['id']}"))["colours"]
    ]
    drawer = json.loads(visitor.get("/api/drawer"))["entries"]
    owned = {one["swatch"]["id"] for one in drawer if one["swatch"]["medium"] == "alcohol marker"}
    missing = [pk for pk in markers if pk not in owned]
    visitor.post("/api/drawer", {"colours": missing[: 150 - len(owned)], "fullness": "full"})
    targets = missing[150 - len(owned) :]
    first = timed(lambda: visitor.get(f"/api/colours/{targets[0]}/instead"))
    for _ in range(8):  # both workers have made their table
        visitor.get(f"/api/colours/{targets[0]}/instead")
    empty, asked = [], []
    for turn in range(CALLS):
        empty.append(timed(lambda: visitor.get("/api/me")))
        target = targets[1 + turn % (len(targets) - 1)]
        asked.append(timed(lambda: visitor.get(f"/api/colours/{target}/instead")))  # noqa: B023 (called at once)
    ratio, cold = (statistics.median(asked) / statistics.median(empty), first / statistics.median(empty))
    ticked = []
    for turn in range(TICKS):
        visitor.post("/api/drawer", {"colours": [targets[turn]], "fullness": "full"})
        ticked.append(timed(lambda: visitor.get(f"/api/colours/{targets[-1]}/instead")))
    once = statistics.median(ticked) / statistics.median(empty)
    return (
        "Best glaze of 150 owned colours (89,400 predictions), against an empty authenticated call; "
        "the first after one box was ticked",
        f"≤ {wanted:g} ×; ≤ {after:g} ×",
        f"{ratio:.1f} ×; {once:.0f} × (of a new drawer {cold:.0f} ×)",
        ratio <= wanted and once <= after,
    )


def _bring(visitor: Visitor, rows: int) -> list[dict]:
    """The lines of the answer to a made-up range brought in from a file."""
    lab = supplies(rows, 5)
    lines = [f"ROW-{n:05},name {n},{one[0]:.2f},{one[1]:.2f},{one[2]:.2f}" for n, one in enumerate(lab)]
    content = "\n".join(["code,name,L,a,b", *lines]).encode()
    return visitor.upload("/api/ranges/import", content, name=f"Range of {rows}", medium="gel pen")


def long_chart(visitor: Visitor, boxes: int = 2000, wanted: float = 3) -> Row:
    """A chart of many colours to print, with its progress told."""
    pk = _bring(visitor, boxes)[-1]["id"]
    visitor.upload(f"/api/ranges/{pk}/chart?owned=true", b"")  # the library is loaded with the first
    told: list[dict] = []
    seconds = timed(lambda: told.extend(visitor.upload(f"/api/ranges/{pk}/chart", b"")))
    return (
        f"A chart of {boxes:,} colours to print",
        f"≤ {wanted:g} s, progress told",
        f"{seconds:.1f} s, {len(told) - 1} steps told",
        seconds <= wanted and told[-2]["words"] == f"{boxes:,} of {boxes:,} boxes",
    )


def big_import(visitor: Visitor, rows: int = 20_000) -> Row:
    """A file of many rows, stored in one transaction with its progress told."""
    before = peak_memory()
    told = _bring(visitor, rows)
    shares = [line["share"] for line in told if "share" in line]
    stored = json.loads(visitor.get(f"/api/ranges/{told[-1]['id']}"))["count"]
    return (
        f"A range of {rows:,} rows brought in, in one transaction; largest worker's peak memory",
        "all rows, progress told",
        f"{stored:,} rows, {len(shares)} steps told, {before:.0f} MB before, {peak_memory():.0f} MB after",
        stored == rows and len(shares) > 2 and shares == sorted(shares),
    )


def first_load(wanted: int = 100) -> Row:
    """The compressed script that the page loads before anything is opened, and all that it can come to load.

    What a visitor loads up to an opened card is held to the same limit in the browser tests.
    """
    dist = ROOT / "web" / "dist"
    names = set(re.findall(r"assets/[^\"]*\.js", (dist / "index.html").read_text(encoding="utf-8")))
    sizes = {path: len(gzip.compress(path.read_bytes())) / 1000 for path in (dist / "assets").glob("*.js")}
    first = sum(size for path, size in sizes.items() if f"assets/{path.name}" in names)
    return (
        "Script of a first load, compressed; all script of the client",
        f"≤ {wanted} kB; told",
        f"{first:.0f} kB; {sum(sizes.values()):.0f} kB",
        bool(names) and first <= wanted,
    )


def inked(visitor: Visitor, wanted: float = 5) -> Row:
    """What to use instead of a card, inking one's own with every pad among it, against an empty call."""
    ranges = json.loads(visitor.get("/api/ranges"))
    colours = {
        medium: [
            swatch["id"]
            for one in ranges
            if one["medium"] == medium
            for swatch in json.loads(visitor.get(f"/api/ranges/{one['id']}"))["colours"]
        ]
        for medium in ("dye ink pad", "pigment ink pad", "cardstock")
    }
    pads = [*colours["dye ink pad"], *colours["pigment ink pad"]][:PADS]
    visitor.post("/api/drawer", {"colours": pads, "fullness": "full"})
    cards = colours["cardstock"]
    for card in cards[:8]:  # both workers know the drawer
        visitor.get(f"/api/colours/{card}/instead")
    empty, asked = [], []
    for turn in range(CALLS):
        empty.append(timed(lambda: visitor.get("/api/me")))
        card = cards[8 + turn % (len(cards) - 8)]
        asked.append(timed(lambda: visitor.get(f"/api/colours/{card}/instead")))  # noqa: B023 (called at once)
    ratio = statistics.median(asked) / statistics.median(empty)
    return (
        f"Ink your own with at least {PADS} owned pads, against an empty authenticated call",
        f"≤ {wanted:g} ×",
        f"{ratio:.1f} ×",
        ratio <= wanted,
    )


PARTS: dict[str, Callable[[Visitor], list[Row]]] = {
    "search": lambda visitor: [nearest(20_000, 40), nearest(100_000, 100), palette_table(visitor)],
    "families": family_rows,
    "grounds": ground_rows,
    "build": build_rows,
    "shaped": shaped_rows,
    "planning": planning_rows,
    "listing": lambda _: listing_rows(),
    "growth": lambda _: growth_rows(),
    "travelling": travelling_rows,
    "colourways": colourway_rows,
    "training": training_rows,
    "glaze": lambda visitor: [glaze(visitor), inked(visitor)],
    "landings": landing_rows,
    "long": lambda _: [
        long_chart(Visitor("Somebody with many colours")),
        big_import(Visitor("Somebody with a long file")),
    ],
    "screens": lambda _: [first_load(), *screen_rows()],
    "nearness": lambda _: nearness_rows(),
    "prediction": lambda _: [*prediction_rows(), *reliability_rows()],
    "blending": lambda _: blending_rows(),
    "papers": lambda _: paper_rows(),
    "photos": lambda _: photo_rows(),
    "scans": lambda _: scan_rows(),
    "cutting": lambda _: cutting_rows(),
}


_TABLE = re.compile(r"(?:^\|.*\n)+", re.M)  # the first of the page; presses have another


def written(text: str, rows: list[Row], whole: bool) -> str:
    """The page with the rows in its table: instead of all that were there, or each of what is of its name."""
    lines = [
        f"| {what} | {target} | {found} | {'met' if met else 'missed'} |" for what, target, found, met in rows
    ]
    head = ["| what | target | measured | |", "|---|---|---|---|"]
    found = _TABLE.search(text)
    there = found.group().splitlines()[len(head) :] if found and not whole else []
    fresh = {one.split(" | ")[0]: one for one in lines}
    kept = [fresh.pop(one.split(" | ")[0], one) for one in there]
    table = "\n".join([*head, *kept, *fresh.values()]) + "\n"
    return _TABLE.sub(lambda _: table, text, count=1)


def main() -> int:
    """Print the table, or the parts of it that are named; 1 where a target is missed."""
    names = [one for one in sys.argv[1:] if one != "--write"]
    visitor = Visitor()
    rows = [row for name in names or PARTS for row in PARTS[name](visitor)]
    print(written("|\n", rows, whole=True))
    if "--write" in sys.argv:
        page = ROOT / "docs" / "benchmarks.md"
        text = page.read_text(encoding="utf-8")
        page.write_text(written(text, rows, whole=not names), encoding="utf-8")
    return 0 if all(met for *_, met in rows) else 1


if __name__ == "__main__":
    sys.exit(main())
