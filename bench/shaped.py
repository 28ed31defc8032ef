"""How long does a card of many shaped pieces and several pictures take, against an empty call?"""

import math
import statistics
from itertools import cycle

from bench.visitor import CALLS, Row, Visitor, timed
from jindle_core.layers.shapes import Shape

_PIECES, _PICTURES, _AREAS = 40, 8, 20


def shaped_rows(visitor: Visitor, wanted: float = 12, followed: float = 25) -> list[Row]:
    """Rows: a change to a card of 40 shaped, turned pieces that show 8 pictures, with its checks; and a
    palette colour followed through it, before and after."""
    size = {"width": "7", "height": "5", "unit": "in"}
    pk = visitor.post("/api/cards", {"name": "Forty shapes", "size": size})["id"]
    card = {"version": 1}

    def change(stage: str | None = None, **told: object) -> None:
        nonlocal card
        asked = {"version": card["version"], "stage": stage, "change": told}
        card = visitor.post(f"/api/cards/{pk}/changes", asked)

    (drawing,) = visitor.upload("/api/drawings", _ovals(), name="Twenty ovals")
    for place, (value, role) in enumerate((("#2b3a55", "dark"), ("#dfe7ea", "ground"), ("#c9603e", "lead"))):
        change(kind="add_colour", anchor={"value": value}, name=f"colour {place}", role=role)
    change(kind="set_drawing", drawing=drawing["id"])
    for number in range(2, _PICTURES + 1):
        change(kind="add_picture", name=f"picture {number}", drawing=drawing["id"])
    for number in range(_PICTURES):
        keys = list(range(number * _AREAS + 1, (number + 1) * _AREAS + 1))
        change(kind="edit_areas", keys=keys, colour=1 + number % 3)
    path = f"/api/cards/{pk}/colouring/propose"
    asked = {"version": card["version"], "areas": list(range(1, _PICTURES * _AREAS + 1)), "owned": True}
    card = visitor.post(path, asked)
    shapes = cycle(shape.value for shape in Shape)
    for number in range(_PIECES):
        side = {"width": f"{25 + number} mm", "height": "22 mm", "unit": "mm"}
        offset = {"right": f"{number % 9 * 14} mm", "below": f"{number % 7 * 13} mm"}
        told = {
            "piece_kind": "panel",
            "shape": next(shapes),
            "material": {"source": "palette", "id": 1 + number % 3},
        }
        if number >= _PIECES - _PICTURES:
            told = {"piece_kind": "image", "picture": number - _PIECES + _PICTURES + 1}
        turned = {"turn": number * 7 % 50, "name": f"piece {number}", "across": "left", "down": "top"}
        change(kind="add_piece", **told, **side, **offset, **turned)
    ways, values = cycle((1, -1)), cycle(("#3a552b", "#4a2b55"))
    empty, changed, following = [], [], []
    for _ in range(CALLS):
        empty.append(timed(lambda: visitor.get("/api/me")))
        changed.append(timed(lambda: change("build", kind="nudge_piece", key=5, right=next(ways), below=0)))
        asked = {"key": 1, "value": next(values), "held": []}
        following.append(timed(lambda asked=asked: visitor.post(f"/api/cards/{pk}/follow", asked)))
    assert len(card["build"]["pieces"]) == _PIECES
    nothing = statistics.median(empty)
    ratio, through = (statistics.median(one) / nothing for one in (changed, following))
    return [
        (
            f"A change to a card of {_PIECES} shaped pieces and {_PICTURES} pictures of {_AREAS} areas,"
            " with all its checks and its stage",
            f"≤ {wanted:g} ×",
            f"{ratio:.1f} ×",
            ratio <= wanted,
        ),
        (
            "A palette colour followed through such a card, its families too, shown before and after",
            f"≤ {followed:g} ×",
            f"{through:.1f} ×",
            through <= followed,
        ),
    ]


def _ovals() -> bytes:
    """A drawing of twenty ovals."""
    found = []
    for number in range(_AREAS):
        x, y = 60 + number % 5 * 190, 80 + number // 5 * 240
        turns = [math.tau * step / 24 for step in range(24)]
        points = " ".join(f"{x + 80 * math.cos(turn):.1f},{y + 100 * math.sin(turn):.1f}" for turn in turns)
        found.append(f'<polygon id="oval-{number}" points="{points}"/>')
    return f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1000 1000">{"".join(found)}</svg>'.encode()
