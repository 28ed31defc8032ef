"""How is a card stored as JSON, and how do cards that were stored long ago come back?

Each stored card carries the version of the form that it is written in. Whoever
changes that form raises ``VERSION`` and adds one step, which brings a card from
the version before to the next and is never changed again; a card as it was
written then goes to ``tests/data``.
"""

from collections.abc import Callable
from typing import Any

from jindle_core.card.whole import Card
from jindle_core.errors import BadInput, Problem
from jindle_core.stored import plain, structured

VERSION = 6

Stored = dict[str, Any]


def card_to_json(card: Card) -> Stored:
    """The card as plain JSON values."""
    return {"version": VERSION} | plain(card)


def card_from_json(stored: Any) -> Card:
    """The card that ``card_to_json`` wrote, now or long ago; BadInput where it is none."""
    return structured(upgraded(stored), Card, "card")


def upgraded(stored: Any) -> Any:
    """A stored card in today's form; BadInput where it is of a later one. What is no card stays as it is."""
    if not isinstance(stored, dict):
        return stored
    version = stored.get("version", 1)
    if type(version) is not int or not 1 <= version <= VERSION:
        words = f"This card is written in form {version!r:.20}; this Jindle reads forms up to {VERSION}."
        raise BadInput(Problem(words, field="version", value=str(version)[:20]))
    for step in range(version, VERSION):
        try:
            stored = _STEPS[step](stored) | {"version": step + 1}
        except (TypeError, KeyError, AttributeError):
            return stored  # it is no card of that form, and what reads it says where
    return stored


def _all_there(stored: Stored) -> Stored:
    """1 to 2: nothing is left out any more. Cards began with a palette only, and grew."""
    colouring = _COLOURING | stored.get("colouring", {})
    colouring["areas"] = [{"glaze": None} | area for area in colouring["areas"]]
    ground = _GROUND | stored.get("ground", {})
    build = _BUILD | stored.get("build", {})
    for face in ("pieces", "inside"):
        build[face] = [{"inked": None} | piece for piece in build[face]]
    waivers = stored.get("waivers", [])
    there = {"choices": stored.get("choices", []), "pairs": stored.get("pairs"), "waivers": waivers}
    return stored | there | {"colouring": colouring, "ground": ground, "build": build}


_COLOURING: Stored = {
    "drawing": None,
    "areas": [],
    "paper": None,
    "surface": "",
    "light": "upper left",
    "dark_first": None,
    "line": "alcohol-proof",
    "line_range": None,
    "finishes": [],
}
_GROUND: Stored = {
    "shape": "bands",
    "across": False,
    "pads": [],
    "paper": None,
    "tinted": False,
    "wish": "quiet",
    "lettered": False,
    "effects": [],
    "mat": None,
}
_BUILD: Stored = {
    "fold": None,
    "pieces": [],
    "inside": [],
    "base": {"source": "white", "id": 0},
    "ground_on": None,
    "envelope": None,
    "post_limit": None,
}


def _keys(stored: Stored) -> Stored:
    """2 to 3: what people read is no key any more."""
    colouring = _keyed(stored["colouring"], "light")
    colouring["areas"] = [_keyed(area, "thing") for area in colouring["areas"]]
    ground = _keyed(stored["ground"], "shape")
    ground["pads"] = [_keyed(pad, "reach", "seam") for pad in ground["pads"]]
    ground["effects"] = [_keyed(effect, "kind") for effect in ground["effects"]]
    build = _keyed(stored["build"], "fold")
    for face in ("pieces", "inside"):
        pieces = [_keyed(piece, "kind", "raised") for piece in build[face]]
        build[face] = [piece | {"place": _keyed(piece["place"], "across", "down")} for piece in pieces]
    pairs = stored["pairs"] and [_keyed(pair, "kind") for pair in stored["pairs"]]
    waivers = [one | {"check": _effect_keyed(one["check"])} for one in stored["waivers"]]
    parts = {"colouring": colouring, "ground": ground, "build": build, "pairs": pairs}
    return stored | parts | {"waivers": waivers}


def _effect_keyed(check: str) -> str:
    """A check of an effect named the effect."""
    before, effect, kind = check.partition("ground:effect ")
    return before + effect + _key(kind) if effect else check


def _key(words: str) -> str:
    return _KEYS.get(words, words.replace(" ", "-"))


def _keyed(held: Stored, *names: str) -> Stored:
    """With those of its fields as keys that were words."""
    words = {name: held[name] for name in names if isinstance(held.get(name), str)}
    return held | {name: _key(said) for name, said in words.items()}


_KEYS = {
    "cut-out words": "cut-words",
    "splashes of diluted ink": "diluted-splashes",
    "splashes of opaque white": "white-splashes",
    "a lighter hand": "lighter-hand",
    "a white gap": "white-gap",
    "sky over a stencil edge": "stencilled-sky",
    "stripes kept apart": "stripes",
}


_PLAIN: Stored = {
    "picture": None,
    "mirrored": False,
    "shape": None,
    "sides": ["top", "right", "bottom", "left"],
    "stitched": False,
    "opening": None,
    "turn": 0.0,
    "made": None,
}


def _pictures(stored: Stored) -> Stored:
    """3 to 4: a card has several pictures, a piece says which it shows, and may be shaped and turned."""
    colouring = stored["colouring"]
    picture = {name: one for name, one in colouring.items() if name != "next_key"}
    picture |= {"key": 1, "name": "picture"}
    picture["areas"] = [area | {"like": None} for area in colouring["areas"]]
    faces = {face: [piece | _PLAIN for piece in stored["build"][face]] for face in ("pieces", "inside")}
    waivers = [one | {"check": _of_picture(one["check"])} for one in stored["waivers"]]
    kept = {name: one for name, one in stored.items() if name != "colouring"}
    told = {"pictures": [picture], "next_area": colouring.get("next_key", 1), "next_picture": 2}
    return kept | told | {"build": stored["build"] | faces, "waivers": waivers}


def _of_picture(check: str) -> str:
    """A check of materials, which names its picture."""
    before, conflict, rule = check.partition("conflict:")
    return check if before or not conflict else f"conflict:1:{rule}"


_CUT: Stored = {
    "own": [],
    "stamped": False,
    "pattern": {
        "right": {"ticks": 0, "unit": "mm"},
        "below": {"ticks": 0, "unit": "mm"},
        "turn": 0.0,
        "repeated": True,
    },
}


def _cut(stored: Stored) -> Stored:
    """4 to 5: a piece may have an outline of one's own, be stamped, or be cut out of a sheet."""
    faces = {face: [piece | _CUT for piece in stored["build"][face]] for face in ("pieces", "inside")}
    return stored | {"build": stored["build"] | faces}


_STENCIL: Stored = {"form": "hills", "openings": [], "shape": 1.0}


def _stencilled(stored: Stored) -> Stored:
    """5 to 6: pads go through stencils, tones are glazed, and the palette has further columns."""
    ground = stored["ground"]
    pads = [pad | {"stencil": _STENCIL, "same": False} for pad in ground["pads"]]
    pictures = [one | {"areas": [area | {"over": []} for area in one["areas"]]} for one in stored["pictures"]]
    # A ground that was laid through stencils goes on looking as it did.
    back = ground["shape"] != "layered-stencils"
    ground = ground | {"pads": pads, "back": back, "one_side": False}
    return stored | {"ground": ground, "pictures": pictures, "further": []}


_STEPS: dict[int, Callable[[Stored], Stored]] = {
    1: _all_there,
    2: _keys,
    3: _pictures,
    4: _cut,
    5: _stencilled,
}
