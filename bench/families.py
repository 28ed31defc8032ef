"""How many colours have a family of their hue, and how long is it until a card has its families?"""

import json
import statistics

import numpy as np

from bench.visitor import CALLS, Row, Visitor, supplies, timed
from demo.make import entries, ranges
from jindle_core.families.build import Builder
from jindle_core.families.rule import keeps_hue, keeps_strength

_AREAS, _PALETTE, _COLOURS = 12, 6, 400
_TONES, _MADE, _DRAWER = 4, (71, 72, 73), 40


def family_rows(visitor: Visitor) -> list[Row]:
    """Rows of the bench's table: families of a colour's own hue, and twelve areas at once."""
    return [*hue_rows(), _propose(visitor)]


def hue_rows() -> list[Row]:
    """Of colours that are no greys, neither very pale nor dark: do they get four tones of their hue?"""
    each = [
        np.array([one.lab for one in entries(made)]) for made in ranges() if made.medium == "alcohol marker"
    ]
    both, which = np.vstack(each), np.repeat(range(len(each)), [len(one) for one in each])
    rows = [_of_hue("both demo markers together", both, which, 0.98)]
    rows += [_of_hue(f"demo markers {n} alone", lab, None, 0.95) for n, lab in enumerate(each, start=1)]
    for n, seed in enumerate(_MADE, start=1):
        rows.append(_of_hue(f"made range {n}, not used in finding figures", _made(seed), None, 0.98))
    return [*rows, _from_a_drawer(both)]


def _asked(lab: np.ndarray) -> np.ndarray:
    strong = np.hypot(lab[:, 1], lab[:, 2]) >= 20
    return np.flatnonzero(strong & (lab[:, 0] >= 45) & (lab[:, 0] <= 90))


def _of_hue(words: str, lab: np.ndarray, which: np.ndarray | None, wanted: float) -> Row:
    builder, asked, found, off = Builder(lab, which), _asked(lab), 0, 0
    for place in asked:
        (first, *_) = builder.best(lab[place], _TONES)
        tones = lab[list(first.places)]
        off += not (keeps_hue(tones, lab[place]) & keeps_strength(tones, lab[place])).all()
        found += first.kept == "whole" and len(tones) == _TONES and first.judgement.holds
    return (
        f"Colours of {words} first shaded by {_TONES} tones of their hue; with any of another, or grey",
        f"≥ {wanted:.0%}, 0",
        f"{found} of {len(asked)}, {off}",
        found / len(asked) >= wanted and not off,
    )


def _from_a_drawer(lab: np.ndarray, drawers: int = 20) -> Row:
    """From forty markers somebody owns: whole, fewer tones, a second best that is said to be, or nothing."""
    random, counts, off = np.random.default_rng(5), [0, 0, 0, 0], 0
    for _ in range(drawers):
        own = lab[random.choice(len(lab), _DRAWER, replace=False)]
        builder = Builder(own)
        for wanted in lab[_asked(lab)]:
            found = builder.best(wanted, _TONES)
            if not found:
                counts[3] += 1
                continue
            tones = own[list(found[0].places)]
            off += not keeps_strength(tones, wanted).all()
            whole = found[0].kept == "whole"
            counts[0 if whole and len(tones) == _TONES else 1 if whole else 2] += 1
    shares = " / ".join(f"{one / sum(counts):.0%}" for one in counts)
    return (
        f"From {drawers} drawers of {_DRAWER}: {_TONES} tones / fewer / a second best, said / none; any grey",
        "told, 0",
        f"{shares}, {off}",
        not off,
    )


def _made(seed: int) -> np.ndarray:
    """A range of about a hundred colours, each hue in six depths that reach L* 45; yellows turn to gold."""
    random, found = np.random.default_rng(seed), []
    for hue in np.sort(random.uniform(0, 360, 16)):
        strength = random.uniform(35, 65)
        for depth, lightness in enumerate(np.linspace(random.uniform(88, 94), random.uniform(32, 44), 6)):
            yellow = 75 <= hue <= 112
            turned = hue - (6 * depth if yellow else 0) + random.normal(0, 3)
            chroma = strength * (0.3, 0.6, 0.85, 1.0, 0.9, 0.75)[depth] * random.uniform(0.92, 1.08)
            angle = np.radians(turned)
            found.append((lightness + random.normal(0, 1), chroma * np.cos(angle), chroma * np.sin(angle)))
    return np.array(found)


def _propose(visitor: Visitor, wanted: float = 6) -> Row:
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
    assert all(area["tones"] for area in told["pictures"][0]["areas"])
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
