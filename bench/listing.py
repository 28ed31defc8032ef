"""How long, and how large, is the list of somebody's cards, against an empty call?"""

import json
import statistics

import numpy as np

from bench.visitor import CALLS, Row, Visitor, timed

_CARDS, _PAGE, _AT_ONCE = 1000, 300, 12


def listing_rows(wanted: float = 10, largest: float = 6) -> list[Row]:
    """Rows: a page of 1,000 cards that were looked at before, each with a palette; and the next page told."""
    visitor = Visitor("Somebody with many cards")
    size = {"width": "5", "height": "7", "unit": "in"}
    first = visitor.post("/api/cards", {"name": "The first", "size": size})["id"]
    card = {"version": 1}
    for number, value in enumerate(("#204060", "#c08030", "#f4efe0", "#608050", "#903040", "#dfe7ea")):
        told = {
            "kind": "add_colour",
            "anchor": {"value": value},
            "name": f"colour {number}",
            "role": "support",
        }
        card = visitor.post(f"/api/cards/{first}/changes", {"version": card["version"], "change": told})
    layout = {"kind": "start_layout", "layout": "framed"}
    visitor.post(f"/api/cards/{first}/changes", {"version": card["version"], "change": layout})
    ids = [first]
    for number in range(_CARDS):
        ids.append(visitor.post(f"/api/cards/{first}/copy", {"name": f"Card {number}"})["id"])
    first_time = timed(lambda: visitor.get("/api/cards"))
    for start in range(0, len(ids), _AT_ONCE):
        asked = "&".join(f"ids={pk}" for pk in ids[start : start + _AT_ONCE])
        visitor.get(f"/api/cards/glances?{asked}")
    empty, listed = [], []
    for _ in range(CALLS):
        empty.append(timed(lambda: visitor.get("/api/me")))
        listed.append(timed(lambda: visitor.get("/api/cards")))
    answer = visitor.get("/api/cards")
    told = json.loads(answer)
    nothing = statistics.median(empty)
    ratio, cold = statistics.median(listed) / nothing, first_time / nothing
    each = len(answer) / len(told["cards"]) / 1000
    all_current = all(one["current"] for one in told["cards"])
    return [
        (
            f"A page of {_PAGE} cards of {len(ids):,}, against an empty authenticated call",
            f"≤ {wanted:g} ×",
            f"{ratio:.1f} × ({cold:.0f} × when none had been looked at)",
            ratio <= wanted and all_current and len(told["cards"]) == _PAGE and told["more"],
        ),
        (
            "What is sent of a card in the list, its small picture apart",
            f"≤ {largest:g} kB",
            f"{each:.1f} kB",
            each <= largest,
        ),
    ]


_OWN = 40_000
_TICKS = 20


def growth_rows(most: float = 15) -> list[Row]:
    """Rows: a tick in the drawer, and a page of a range, with very many colours of one's own."""
    visitor = Visitor("Somebody with many colours")
    random = np.random.default_rng(9)
    labs = random.uniform([5, -60, -60], [95, 60, 60], (_OWN, 3)).round(2)
    lines = "".join(f"ROW-{at},tint {at},{lab[0]},{lab[1]},{lab[2]}\n" for at, lab in enumerate(labs))
    told = visitor.upload(
        "/api/ranges/import",
        f"code,name,L,a,b\n{lines}".encode(),
        name="Very many",
        medium="dye ink pad",
        provenance="read",
    )
    path = f"/api/ranges/{told[-1]['id']}"
    ids = [one["id"] for one in json.loads(visitor.get(path))["colours"]]
    empty, ticked, paged, found = [], [], [], []
    for turn in range(_TICKS):
        empty.append(timed(lambda: visitor.get("/api/me")))
        ticked.append(timed(lambda pk=ids[turn]: visitor.post("/api/drawer", {"colours": [pk]})))
        paged.append(timed(lambda: visitor.get(path)))
        found.append(timed(lambda: visitor.get(f"{path}?words=violet")))
    tick, page, search = (
        statistics.median(times) / statistics.median(empty) for times in (ticked, paged, found)
    )
    weight = len(visitor.get(path)) / 1000
    return [
        (
            f"A tick in the drawer with {_OWN:,} colours of one's own, against an empty authenticated call",
            f"≤ {most:g} ×",
            f"{tick:.1f} ×",
            tick <= most,
        ),
        (
            "A page of that range after it; what is found in it by a word; what a page weighs",
            f"≤ {most:g} ×; told; told",
            f"{page:.1f} ×; {search:.0f} ×; {weight:.0f} kB",
            page <= most,
        ),
    ]
