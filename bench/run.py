"""Measures the targets and prints them as a table: ``./jindle bench [--write]``.

Times on a shared machine are noisy, so only ratios within one run count: each
pair of contestants takes turns, and their medians are compared.
"""

import gzip
import json
import os
import re
import statistics
import sys
import time
import urllib.request
from collections.abc import Callable
from http.cookiejar import CookieJar
from pathlib import Path

import numpy as np

from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import on_screen
from jindle_core.matching.nearest import NearestIndex

ROOT = Path(__file__).resolve().parent.parent
ADDRESS = os.environ.get("JINDLE_ADDRESS", "")
TARGETS = 400
NEAREST = 12
CALLS = 60


def timed(action: Callable[[], object]) -> float:
    """Seconds that one call takes."""
    start = time.perf_counter()
    action()
    return time.perf_counter() - start


def brute_force(lab: np.ndarray, targets: np.ndarray) -> list[np.ndarray]:
    """The nearest of each target by comparing it with every colour, ties in their order."""
    order = np.arange(len(lab))
    return [np.lexsort((order, delta_e(target[None], lab)))[:NEAREST] for target in targets]


def supplies(count: int, seed: int) -> np.ndarray:
    """Random colours (count, 3) that a screen can show."""
    random = np.random.default_rng(seed)
    lab = random.uniform([8, -60, -65], [98, 75, 85], (count * 3, 3))
    return lab[on_screen(lab)][:count]


def nearest(count: int, wanted: float) -> tuple[str, str, str, bool]:
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


class Visitor:
    """Somebody signed in to the demo studio, over HTTP."""

    def __init__(self) -> None:
        self._opener = urllib.request.build_opener(urllib.request.HTTPCookieProcessor(CookieJar()))
        jar = next(one for one in self._opener.handlers if hasattr(one, "cookiejar")).cookiejar
        self.get("/")
        token = next(cookie.value for cookie in jar if cookie.name == "csrftoken")
        self._headers = {"X-CSRFToken": token, "Referer": ADDRESS, "Content-Type": "application/json"}
        self.post("/api/open-demo", {})
        token = next(cookie.value for cookie in jar if cookie.name == "csrftoken")
        self._headers["X-CSRFToken"] = token

    def get(self, path: str) -> bytes:
        """The answer's body."""
        with self._opener.open(ADDRESS + path) as answer:
            return answer.read()

    def post(self, path: str, data: dict) -> dict:
        """The answer as JSON."""
        request = urllib.request.Request(ADDRESS + path, json.dumps(data).encode(), self._headers)
        with self._opener.open(request) as answer:
            return json.loads(answer.read())


def palette_table(wanted: float = 5) -> tuple[str, str, str, bool]:
    """The answer with the table of 8 colours × 5 media against the emptiest authenticated call."""
    visitor = Visitor()
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


def first_load(wanted: int = 200) -> tuple[str, str, str, bool]:
    """The compressed script of every file that the built page can come to load."""
    scripts = (ROOT / "web" / "dist" / "assets").glob("*.js")
    size = sum(len(gzip.compress(path.read_bytes())) for path in scripts) / 1000
    return ("All script of the client, compressed", f"≤ {wanted} kB", f"{size:.0f} kB", size <= wanted)


def main() -> int:
    """Print the table; 1 where a target is missed."""
    rows = [nearest(20_000, 40), nearest(100_000, 100), palette_table(), first_load()]
    lines = ["| what | target | measured | |", "|---|---|---|---|"]
    lines += [
        f"| {what} | {target} | {found} | {'met' if met else 'missed'} |" for what, target, found, met in rows
    ]
    table = "\n".join(lines)
    print(table)
    if "--write" in sys.argv:
        page = ROOT / "docs" / "benchmarks.md"
        text = page.read_text(encoding="utf-8")
        page.write_text(re.sub(r"\|.*\|", lambda _: table, text, count=1, flags=re.S), encoding="utf-8")
    return 0 if all(met for *_, met in rows) else 1


if __name__ == "__main__":
    sys.exit(main())
