"""What is left of a card that goes to somebody with other ranges; and how fast are its sheet and the log?"""

import io
import json
import statistics
import time
import zipfile
from collections.abc import Collection, Iterator
from dataclasses import dataclass, field, replace
from pathlib import Path

import numpy as np

from bench.visitor import CALLS, Row, Visitor, timed
from jindle_core.interchange.range_csv import read_range
from jindle_core.media.medium import Medium
from jindle_core.supplies.colours import RangeFacts, SupplyColour
from jindle_core.supplies.whole import Supplies
from jindle_core.travelling.arriving import Arriving
from jindle_core.travelling.foreign import Foreign
from jindle_core.travelling.recipe_file import read_recipe
from jindle_core.travelling.told import Travelling

_DATA = Path(__file__).resolve().parents[1] / "demo" / "data"
_RECORDS, _PIECES, _SHEETS = 1000, 30, 5


@dataclass
class _Moved:
    """Checks that held, those of them that hold still, the ΔL* of every area that moved, seconds a card."""

    held: int = 0
    holding: int = 0
    off: list[float] = field(default_factory=list)
    seconds: list[float] = field(default_factory=list)

    def add(self, told: Travelling, supplies: Supplies) -> None:
        """Move one card."""
        start = time.perf_counter()
        found = Arriving(Foreign(told, supplies), owned=False)
        lost = len(found.gives_way)
        self.seconds.append(time.perf_counter() - start)
        self.held += len(found.held)
        self.holding += len(found.held) - lost
        moved = {one.id for one in found.following.followers}
        for here, there in zip(found.before.coloured, found.after.coloured, strict=True):
            for area in here.areas:
                was, now = here.tones[area.key].lab, there.tones[area.key].lab
                if f"area:{area.key}" in moved and len(was):
                    # An area that lost its tones is paper, which is told as the lightest there is.
                    lightness = now[:, 0].mean() if len(now) else 100.0
                    self.off.append(abs(float(was[:, 0].mean() - lightness)))

    @property
    def told(self) -> str:
        """In words."""
        return (
            f"{self.holding / self.held:.1%} of {self.held}, ΔL* {statistics.mean(self.off):.1f},"
            f" {statistics.median(self.seconds):.1f} s"
        )


def travelling_rows(visitor: Visitor, wanted: float = 0.9, lightness: float = 4) -> list[Row]:
    """Rows: the demo cards where each of their ranges is missing in turn, and where all are; the log."""
    ids = [one["id"] for one in json.loads(visitor.get("/api/cards"))["cards"]]
    cards = [read_recipe(visitor.get(f"/api/cards/{pk}/recipe/file")).told for pk in ids]
    everything = everybodys()
    one, none = _Moved(), _Moved()
    for told in cards:
        named = {known.name for known in told.ranges}
        for name in _that_others_serve(everything, named):
            one.add(told, _without(everything, {name}))
        none.add(told, _without(everything, named))
    return [
        (
            f"{len(cards)} demo cards moved into other ranges, each of theirs missing in turn: checks that"
            " held and hold, mean ΔL* of the areas that move, time",
            f"≥ {wanted:.0%}, ≤ {lightness:g}, told",
            one.told,
            one.holding / one.held >= wanted and statistics.mean(one.off) <= lightness,
        ),
        (
            "The same with none of their ranges there, markers become pencils",
            "told",
            none.told,
            none.holding / none.held >= wanted,
        ),
        _sheet(visitor),
        *_log(Visitor("Somebody who makes much")),
    ]


def everybodys() -> Supplies:
    """The supplies that the demo brings for everybody."""
    rows, ranges = list[SupplyColour](), dict[int, RangeFacts]()
    for pk, about in enumerate(json.loads((_DATA / "ranges.json").read_text()), start=1):
        medium = Medium(about["medium"])
        ranges[pk] = RangeFacts(
            pk, about["name"], about["maker"], medium, False, False, about.get("properties", {})
        )
        for one in read_range((_DATA / "ranges" / f"{about['slug']}.csv").read_bytes()).entries:
            told = (one.code, one.name, one.family, one.provenance, one.discontinued)
            rows.append(SupplyColour(len(rows) + 1, pk, *told, *one.lab))
    return Supplies(tuple(rows), ranges)


def _that_others_serve(supplies: Supplies, named: Collection[str]) -> Iterator[str]:
    """Those of some ranges of whose medium there is another."""
    for facts in supplies.ranges.values():
        others = [one for one in supplies.ranges.values() if one.medium is facts.medium and one is not facts]
        if facts.name in named and others:
            yield facts.name


def _without(supplies: Supplies, names: Collection[str]) -> Supplies:
    ranges = {pk: facts for pk, facts in supplies.ranges.items() if facts.name not in names}
    return replace(
        supplies, rows=tuple(row for row in supplies.rows if row.range_id in ranges), ranges=ranges
    )


def _sheet(visitor: Visitor, wanted: float = 2) -> Row:
    """The recipe sheet of the kingfisher with pieces added, as PDF."""
    listed = json.loads(visitor.get("/api/cards"))["cards"]
    first = next(one["id"] for one in listed if one["name"].startswith("Kingfisher"))
    pk = visitor.post(f"/api/cards/{first}/copy", {"name": "Thirty pieces", "part": "whole"})["id"]
    card = json.loads(visitor.get(f"/api/cards/{pk}"))
    there = len(json.loads(visitor.get(f"/api/cards/{pk}/uses"))["used"])
    count = 0
    while count < _PIECES:
        told = {"kind": "add_piece", "piece_kind": "strip", "name": f"strip {count}", "unit": "in"}
        told |= {"width": "2", "height": "1/4", "across": "left", "down": "top"}
        told["offset"] = {"right": "0", "below": "0"}
        asked = {"version": card["version"], "stage": "build", "change": told}
        card = visitor.post(f"/api/cards/{pk}/changes", asked)
        count = len(card["build"]["pieces"])
    took = [timed(lambda: visitor.get(f"/api/cards/{pk}/recipe?kind=pdf")) for _ in range(_SHEETS)]
    seconds = statistics.median(took)
    return (
        f"The recipe sheet of a card of {count} pieces that uses {there} things, as PDF",
        f"≤ {wanted:g} s",
        f"{seconds:.1f} s",
        seconds <= wanted,
    )


def _log(visitor: Visitor, wanted: float = 10, searched: float = 15) -> list[Row]:
    """The log of a thousand makings of one card, and a search of it."""
    size = {"width": "5", "height": "7", "unit": "in"}
    pk = visitor.post("/api/cards", {"name": "Made often", "size": size})["id"]
    card = {"version": 1}
    for place, value in enumerate(("#2b3a55", "#dfe7ea", "#c9603e")):
        change = {
            "kind": "add_colour", "anchor": {"value": value}, "name": f"colour {place}", "role": "support",
        }  # fmt: skip
        card = visitor.post(f"/api/cards/{pk}/changes", {"version": card["version"], "change": change})
    layout = {"kind": "start_layout", "layout": "framed"}
    visitor.post(f"/api/cards/{pk}/changes", {"version": card["version"], "change": layout})
    visitor.post(f"/api/cards/{pk}/records", {"version": 0, "made": "2020-05-06"})
    visitor = _with_records(visitor.get("/api/me/archive"))
    empty, whole, found = [], [], []
    for _ in range(CALLS):
        empty.append(timed(lambda: visitor.get("/api/me")))
        whole.append(timed(lambda: visitor.get("/api/records")))
        found.append(timed(lambda: visitor.get("/api/records?words=thanks+7+spring")))
    told = json.loads(visitor.get("/api/records?words=thanks+7+spring"))
    nothing = statistics.median(empty)
    ratio, search = (statistics.median(one) / nothing for one in (whole, found))
    return [
        (
            f"The log of {_RECORDS:,} records, against an empty authenticated call",
            f"≤ {wanted:g} ×",
            f"{ratio:.1f} ×",
            ratio <= wanted,
        ),
        (
            f"Its search, which finds {told['total']}",
            f"≤ {searched:g} ×",
            f"{search:.1f} ×",
            search <= searched and 0 < told["total"] < _RECORDS,
        ),
    ]


def _with_records(archive: bytes) -> Visitor:
    """Somebody with an archive in which what was made once was made very often."""
    random, out = np.random.default_rng(5), io.BytesIO()
    with (
        zipfile.ZipFile(io.BytesIO(archive)) as before,
        zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as after,
    ):
        for name in before.namelist():
            after.writestr(name, before.read(name))
        made = json.loads(before.read("records/0001.json"))
        for number in range(2, _RECORDS + 1):
            day = f"20{random.integers(10, 26)}-{random.integers(1, 13):02}-{random.integers(1, 29):02}"
            told = made | {"made": day, "occasion": f"thanks {number % 50}", "person": "Ida"}
            after.writestr(f"records/{number:04}.json", json.dumps(told))
    visitor = Visitor("Somebody who made much")
    visitor.upload("/api/me/archive", out.getvalue())
    return visitor
