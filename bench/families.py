"""How many colours have a shading family, and how long is it until a card has its families?"""

import json
import statistics

import numpy as np

from bench.visitor import CALLS, Row, Visitor, supplies, timed
from demo.make import entries, ranges
from jindle_core import figures
from jindle_core.families.build import Builder

_AREAS, _PALETTE, _COLOURS = 12, 6, 400
_TRIO, _TRIED = 3, 60


def family_rows(visitor: Visitor) -> list[Row]:
    """Rows of the bench's table: trios of the demo's markers, and twelve areas at once."""
    return [_trios(), _propose(visitor)]


def _trios(wanted: float = 0.95) -> Row:
    """Of every chromatic marker of the demo: is it part of a trio that keeps every usual limit?"""
    markers = [one for one in ranges() if one.medium == "alcohol marker"]
    lab = np.array([entry.lab for made in markers for entry in entries(made)])
    chromatic = np.flatnonzero(np.hypot(lab[:, 1], lab[:, 2]) >= figures.paper.NEUTRAL_ROLE_C)
    builder = Builder(lab)
    found = sum(
        any(
            family.kept == "whole" and place in family.places
            for family in builder.best(lab[place], _TRIO, _TRIED)
        )
        for place in chromatic
    )
    return (
        "Chromatic demo markers that have a trio within the usual limits",
        f"≥ {wanted:.0%}",
        f"{found} of {len(chromatic)}",
        found / len(chromatic) >= wanted,
    )


def _propose(visitor: Visitor, wanted: float = 10) -> Row:
    """Families for 12 areas of a card out of 400 own markers, against an empty authenticated call."""
    lab = supplies(_COLOURS, 7)
    lines = [f"ROD-{n:03},{one[0]:.2f},{one[1]:.2f},{one[2]:.2f}" for n, one in enumerate(lab)]
    content = "\n".join(["code,L,a,b", *lines]).encode()
    visitor.upload("/api/ranges/import", content, name="Bench markers", medium="water-based marker")
    ids = [one["id"] for one in _of_range(visitor, "Bench markers")]
    visitor.post("/api/drawer", {"colours": ids, "fullness": "full"})
    size = {"width": "5", "height": "7", "unit": "in"}
    pk = visitor.post("/api/cards", {"name": "Families", "size": size})["id"]
    card = json.loads(visitor.get(f"/api/cards/{pk}"))

    def change(**told: object) -> None:
        nonlocal card
        card = visitor.post(f"/api/cards/{pk}/changes", {"version": card["version"], "change": told})

    for number in range(1, _PALETTE + 1):
        anchor = {"colour": ids[number]}
        change(kind="add_colour", anchor=anchor, name=f"colour {number}", role="support")
    for number in range(1, _AREAS + 1):
        change(kind="add_area", name=f"area {number}")
        # Every colour twice, once with three tones and once, focal, with four.
        told = {"colour": (number + 1) // 2, "focal": number % 2 == 0}
        change(kind="edit_areas", keys=[number], coloured_with="water-based marker", **told)

    def propose() -> None:
        nonlocal card
        asked = {"version": card["version"], "areas": list(range(1, _AREAS + 1)), "owned": True}
        card = visitor.post(f"/api/cards/{pk}/colouring/propose", asked)

    for _ in range(6):  # both workers hold the steps between all colours
        propose()
    empty, asked = [], []
    for _ in range(CALLS):
        empty.append(timed(lambda: visitor.get("/api/me")))
        asked.append(timed(propose))
    told = json.loads(visitor.get(f"/api/cards/{pk}/colouring"))
    assert [len(area["tones"]) for area in told["pictures"][0]["areas"]] == [_TRIO, _TRIO + 1] * _PALETTE
    ratio = statistics.median(asked) / statistics.median(empty)
    return (
        f"Families for {_AREAS} areas in {_PALETTE} palette colours from {_COLOURS} colours, stored, with the"
        " whole card as the answer, against an empty authenticated call",
        f"≤ {wanted:g} ×",
        f"{ratio:.1f} ×",
        ratio <= wanted,
    )


def _of_range(visitor: Visitor, name: str) -> list[dict]:
    ranges = json.loads(visitor.get("/api/ranges"))
    pk = next(one["id"] for one in ranges if one["name"] == name)
    return json.loads(visitor.get(f"/api/ranges/{pk}"))["colours"]
