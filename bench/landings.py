"""Do rules land as well as they ever did, and how long do they take?

``data/landings.json`` has the costs that the slower search before this one
reached on the demo's supplies: of every column, all of it and what is owned,
the palettes out of the drawer, and those of every rule from every so many colours.
"""

import json
import statistics
from pathlib import Path

import numpy as np

from bench.visitor import CALLS, Row, Visitor, peak_memory, supplies, timed
from demo.make import DATA
from jindle_core import figures
from jindle_core.interchange.drawer_csv import read_drawer
from jindle_core.interchange.range_csv import read_range
from jindle_core.media.medium import Medium
from jindle_core.palettes.landing import Landed, from_drawer, land
from jindle_core.palettes.rules import PALETTE_RULES, TRIOS
from jindle_core.palettes.standing import Landable

_BEFORE = Path(__file__).parent / "data" / "landings.json"
_EQUAL = 1e-5  # what was written down has six digits
_LARGE = 50_000


def landing_rows(visitor: Visitor, wanted: float = 20, large: float = 40) -> list[Row]:
    """Rows of the bench's table: as good as before, how long on the demo's supplies and on very many."""
    return [_as_good(), *_on_demo(visitor, wanted), _on_many(large)]


def _as_good() -> Row:
    before, supplies_of = json.loads(_BEFORE.read_text()), _columns()
    worse, better, count = 0, 0, 0
    for name, costs in before.items():
        on = Landable(supplies_of[name])
        found = [float(one.standing.cost) for one in from_drawer(TRIOS, on, figures.palettes.DRAWER_PALETTES)]
        pairs = list(zip(costs["drawer"], found, strict=True))
        for at in sorted({at for at, *_ in costs["rules"]}):
            landed = {
                one.rule.key: one for one in land(PALETTE_RULES, on.lab[at], on) if isinstance(one, Landed)
            }
            pairs += [
                (cost, float(landed[rule].standing.cost))
                for place, rule, cost in costs["rules"]
                if place == at
            ]
        worse += sum(now > then + _EQUAL for then, now in pairs)
        better += sum(now < then - _EQUAL for then, now in pairs)
        count += len(pairs)
    return (
        "Palettes by rule and from the drawer, every demo column, all and owned, against the search before",
        "none worse",
        f"{worse} of {count} worse, {better} better",
        worse == 0,
    )


def _columns() -> dict[str, np.ndarray]:
    """The demo's supplies by column, as ``data/landings.json`` names them."""
    owned = {(line.range, line.colour) for line in read_drawer((DATA / "drawer.csv").read_bytes())}
    found: dict[str, list] = {}
    for about in json.loads((DATA / "ranges.json").read_text()):
        column = Medium(about["medium"]).traits.column
        for entry in read_range((DATA / "ranges" / f"{about['slug']}.csv").read_bytes()).entries:
            if column and not entry.discontinued:
                found.setdefault(f"{column}, all", []).append(entry.lab)
            if column and (about["name"], entry.key) in owned:
                found.setdefault(f"{column}, owned", []).append(entry.lab)
    return {name: np.array(labs) for name, labs in found.items()}


def _on_demo(visitor: Visitor, wanted: float) -> list[Row]:
    found = []
    for what, path in (
        ("Palettes out of all 250 demo markers", "/api/palettes/drawer?column=marker"),
        (
            "Palettes of five rules from a colour, on all demo markers",
            "/api/palettes/rules?column=marker&value=%231a7c9b",
        ),
    ):
        ratio = _against_empty(visitor, path)
        found.append(
            (
                f"{what}, against an empty authenticated call",
                f"≤ {wanted:g} ×",
                f"{ratio:.1f} ×",
                ratio <= wanted,
            )
        )
    return found


def _on_many(wanted: float, memory: float = 300) -> Row:
    """Out of a range of very many colours, in an account of its own; how much more a worker then holds."""
    visitor = Visitor(f"Somebody with {_LARGE} markers")
    lab = supplies(_LARGE, 6)
    lines = [f"MANY-{n:05},{one[0]:.2f},{one[1]:.2f},{one[2]:.2f}" for n, one in enumerate(lab)]
    content = "\n".join(["code,L,a,b", *lines]).encode()
    visitor.upload("/api/ranges/import", content, name="Very many", medium="alcohol marker")
    visitor.get("/api/find?q=MANY-00001")
    before = peak_memory()
    ratio = _against_empty(visitor, "/api/palettes/drawer?column=marker")
    more = peak_memory() - before
    return (
        f"The same out of {_LARGE:,} more markers; what a worker holds more than with them alone",
        f"≤ {wanted:g} ×, {memory:g} MB",
        f"{ratio:.1f} ×, {more:.0f} MB",
        ratio <= wanted and more <= memory,
    )


def _against_empty(visitor: Visitor, path: str) -> float:
    for _ in range(8):  # both workers know the supplies
        visitor.get(path)
    empty, asked = [], []
    for _ in range(CALLS // 2):
        empty.append(timed(lambda: visitor.get("/api/me")))
        asked.append(timed(lambda: visitor.get(path)))
    return statistics.median(asked) / statistics.median(empty)
