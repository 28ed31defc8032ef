"""Which supplies does a card name, and for what; and what is it with others in their place?

There is one walk over all that a card names, ``turned``, of a card as it is stored.
"""

from collections.abc import Callable
from dataclasses import dataclass, fields
from enum import StrEnum
from typing import Any

from jindle_core.card.stored import card_to_json
from jindle_core.card.whole import Card
from jindle_core.checks.ids import NoCard, Supplied, read

Stored = dict[str, Any]


class Use(StrEnum):
    """What a card names something for."""

    PALETTE = "palette"
    CELLS = "cells"
    TONES = "tones"
    PADS = "pads"
    PIECES = "pieces"
    PAPERS = "papers"
    LINE = "line"
    DRAWING = "drawing"
    SHEETS = "sheets"
    WAIVED = "waived"


_ENDS = {"supply": Use.PIECES, "sheet": Use.SHEETS}

Turn = Callable[
    [Use, Any], Any
]  # the use and the id of a colour, range (of the line), drawing or sheet: another


def turned(stored: Stored, turn: Turn) -> Stored:
    """A stored card, in today's form, with every id that it names turned into another; None: it is gone.

    Where one is gone, a palette colour keeps its value, a cell is left out, an
    end stays with the id 0, which is no supply's, a family loses a tone, a piece
    its ink, and a ground its pad and what needs that.
    """

    def one(use: Use, pk: Any) -> Any:
        return None if pk is None else turn(use, pk)

    def end(given: Stored) -> Stored:
        use = _ENDS.get(given["source"])
        return given | {"id": turn(use, given["id"]) or 0} if use and given["id"] else given

    def piece(given: Stored) -> Stored:
        inked = given["inked"] and given["inked"] | {"colour": one(Use.PIECES, given["inked"]["colour"])}
        kept = inked if inked and inked["colour"] is not None else None
        return given | {"material": end(given["material"]), "inked": kept}

    def used(listed: list[Stored]) -> list[Stored]:
        found = [(given, one(Use.PADS, given["colour"])) for given in listed]
        # What needs no pad has none, and stays.
        return [given | {"colour": pk} for given, pk in found if pk is not None or given["colour"] is None]

    def tones(family: list[Any]) -> list[Any]:
        return [pk for each in family if (pk := turn(Use.TONES, each)) is not None]

    def over(listed: list[Stored]) -> list[Stored]:
        found = [laid | {name: one(Use.TONES, laid[name]) for name in ("tone", "colour")} for laid in listed]
        return [laid for laid in found if laid["tone"] is not None and laid["colour"] is not None]

    def picture(given: Stored) -> Stored:
        areas = [
            area
            | {
                "family": tones(area["family"]),
                "glaze": one(Use.TONES, area["glaze"]),
                "over": over(area["over"]),
            }
            for area in given["areas"]
        ]
        return given | {
            "paper": one(Use.PAPERS, given["paper"]),
            "line_range": one(Use.LINE, given["line_range"]),
            "drawing": one(Use.DRAWING, given["drawing"]),
            "areas": areas,
        }

    pairs, ground, build = (stored[name] for name in ("pairs", "ground", "build"))
    cells = [given | {"colour": one(Use.CELLS, given["colour"])} for given in stored["choices"]]

    def waiver(given: Stored) -> Stored | None:
        """One that speaks of a supply speaks of another then; what is no plain id stands beside its check."""
        kind, about = given["check"], given.get("supply")
        if about is None:
            check = read(kind)
            if not isinstance(check, Supplied | NoCard):
                return given
            kind, about = check.kind, check.key
        pk, plain = turn(Use.WAIVED, about), {"reason": given["reason"]}
        if pk is None:
            return None
        return (
            {"check": f"{kind}:{pk}"} | plain
            if isinstance(pk, int)
            else {"check": kind, "supply": pk} | plain
        )

    waivers = [waiver(given) for given in stored["waivers"]]
    mat = ground["mat"] and ground["mat"] | {
        "colour": one(Use.PADS, ground["mat"]["colour"]),
        "paper": one(Use.PAPERS, ground["mat"]["paper"]),
    }
    return stored | {
        "waivers": [one for one in waivers if one is not None],
        "colours": [
            given | {"anchor": given["anchor"] | {"colour": one(Use.PALETTE, given["anchor"]["colour"])}}
            for given in stored["colours"]
        ],
        "choices": [given for given in cells if given["colour"] is not None],
        "pairs": pairs and [pair | {name: end(pair[name]) for name in ("upper", "lower")} for pair in pairs],
        "pictures": [picture(each) for each in stored["pictures"]],
        "ground": ground
        | {
            "paper": one(Use.PAPERS, ground["paper"]),
            "mat": mat if mat and mat["colour"] is not None else None,
            "pads": used(ground["pads"]),
            "effects": used(ground["effects"]),
        },
        "build": build
        | {
            "base": end(build["base"]),
            **{face: [piece(each) for each in build[face]] for face in ("pieces", "inside")},
        },
    }


@dataclass(frozen=True, slots=True)
class Named:
    """Ids of supplies by what they are for; each as often as it is named."""

    palette: tuple[int, ...]
    cells: tuple[int, ...]
    tones: tuple[int, ...]
    pads: tuple[int, ...]
    pieces: tuple[int, ...]
    papers: tuple[int, ...]

    @property
    def every(self) -> frozenset[int]:
        """All of them."""
        return frozenset(pk for one in fields(self) for pk in getattr(self, one.name))


def named(card: Card) -> Named:
    """What a card names: palette colours and chosen cells, tones and glazes of areas, pads and effects of
    the ground, what pieces are of or inked with, and the papers of picture and ground."""
    found: dict[Use, list[int]] = {use: [] for use in Use}

    def note(use: Use, pk: int) -> int:
        found[use].append(pk)
        return pk

    turned(card_to_json(card), note)
    return Named(*(tuple(found[Use(one.name)]) for one in fields(Named)))
