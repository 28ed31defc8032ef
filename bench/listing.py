"""How long, and how large, is the list of somebody's cards, against an empty call?"""

import json
import statistics

from bench.visitor import CALLS, Row, Visitor, timed

_CARDS, _AT_ONCE = 300, 12


def listing_rows(wanted: float = 10, largest: float = 6) -> list[Row]:
    """Rows: a page of 300 cards that were looked at before, each with a palette; and the next page told."""
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
            f"A page of {_CARDS} cards of {len(ids)}, against an empty authenticated call",
            f"≤ {wanted:g} ×",
            f"{ratio:.1f} × ({cold:.0f} × when none had been looked at)",
            ratio <= wanted and all_current and len(told["cards"]) == _CARDS and told["more"],
        ),
        (
            "What is sent of a card in the list, its small picture apart",
            f"≤ {largest:g} kB",
            f"{each:.1f} kB",
            each <= largest,
        ),
    ]
