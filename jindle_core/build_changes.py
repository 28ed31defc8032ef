"""Every change of how a card is built; see ``changes`` for what a change is."""

from dataclasses import dataclass, replace
from typing import Any

from jindle_core import defaults
from jindle_core.build import Build
from jindle_core.changes import checked_name
from jindle_core.errors import BadInput, Problem
from jindle_core.layers.pieces import BASE, Kind, Piece, Place
from jindle_core.layers.sizing import laid_out
from jindle_core.layouts import STARTS, start
from jindle_core.plan import Plan


@dataclass(frozen=True, slots=True)
class SetBuild:
    """Change how the card is folded and posted: some of fold, base, envelope, post_limit."""

    settings: dict[str, Any]

    label = "fold, base or post"

    def apply(self, plan: Plan) -> Plan:
        """The plan with these settings."""
        return _checked(plan, replace(plan.build, **self.settings))


@dataclass(frozen=True, slots=True)
class StartLayout:
    """Begin anew with the pieces of a layout."""

    layout: str

    label = "starting from a layout"

    def apply(self, plan: Plan) -> Plan:
        """The plan with these pieces and no others."""
        if self.layout not in {one.key for one in STARTS}:
            raise BadInput(
                Problem(
                    f"There is no layout “{self.layout}”.",
                    field="layout",
                    value=self.layout,
                    expected=", ".join(one.key for one in STARTS),
                )
            )
        return _checked(plan, replace(plan.build, pieces=start(self.layout, plan.size, plan.colours)))


@dataclass(frozen=True, slots=True)
class AddPiece:
    """Lay one more piece; ``told`` holds some of Piece's fields, ``place`` some of Place's."""

    kind: Kind
    name: str
    told: dict[str, Any]

    label = "adding a piece"

    def apply(self, plan: Plan) -> Plan:
        """The plan with the piece on top of its neighbours."""
        pieces = plan.build.pieces
        if len(pieces) >= defaults.PIECES_LIMIT:
            raise BadInput(Problem(f"{defaults.PIECES_LIMIT} pieces are the most.", field="pieces"))
        key = max((one.key for one in pieces), default=BASE) + 1
        told = self.told | {"place": Place(**self.told.get("place", {}))}
        added = Piece(key, self.kind, checked_name(self.name), **told)
        return _checked(plan, replace(plan.build, pieces=(*pieces, added)))


@dataclass(frozen=True, slots=True)
class EditPiece:
    """Change what is said of a piece; a size takes its reveal away, and the other way round."""

    key: int
    told: dict[str, Any]

    label = "a piece"

    def apply(self, plan: Plan) -> Plan:
        """The plan with the piece changed."""
        told, piece = dict(self.told), plan.build.piece(self.key)
        if "place" in told:
            told["place"] = replace(piece.place, **told["place"])
        if "name" in told:
            told["name"] = checked_name(told["name"])
        if told.get("size"):
            told["reveal"] = None
        elif told.get("reveal"):
            told["size"] = None
        return _checked(plan, plan.build.with_piece(replace(piece, **told)))


@dataclass(frozen=True, slots=True)
class RemovePiece:
    """Take a piece away; what lay on it lies on what it lay on."""

    key: int

    label = "removing a piece"

    def apply(self, plan: Plan) -> Plan:
        """The plan without the piece."""
        return _checked(plan, plan.build.without_piece(self.key))


@dataclass(frozen=True, slots=True)
class MovePiece:
    """Move a piece to a place in the list, counted from 0: later ones lie over earlier ones."""

    key: int
    to: int

    label = "the order of pieces"

    def apply(self, plan: Plan) -> Plan:
        """The plan with the pieces in this order."""
        moved = plan.build.piece(self.key)
        others = [one for one in plan.build.pieces if one is not moved]
        at = min(max(self.to, 0), len(others))
        return _checked(plan, replace(plan.build, pieces=(*others[:at], moved, *others[at:])))


def _checked(plan: Plan, build: Build) -> Plan:
    """The plan with this build, or BadInput where a piece has no size or nothing to lie on."""
    laid_out(plan.size, build.pieces)
    for piece in build.pieces:
        if piece.material.source == "palette":
            plan.colour(piece.material.id)
    return replace(plan, build=build)


BuildChange = SetBuild | StartLayout | AddPiece | EditPiece | RemovePiece | MovePiece
