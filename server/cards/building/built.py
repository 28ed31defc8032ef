"""How a card is built: its pieces with their sizes, how they fit, stand and are cut."""

from dataclasses import asdict, dataclass
from functools import cached_property
from typing import Any

import numpy as np

from jindle_core import defaults
from jindle_core.build import Build
from jindle_core.contrast.rules import Finding, PairKind, Status
from jindle_core.contrast.stacked import Neighbour, Standing, examine_stack
from jindle_core.cutting.middles import middles
from jindle_core.cutting.packing import Sheet, ToCut, area_bound, pack
from jindle_core.cutting.trimming import trimmed
from jindle_core.ends import End
from jindle_core.formats import Length, Size
from jindle_core.layers.fitting import Fit, fits
from jindle_core.layers.folding import flat
from jindle_core.layers.pieces import BASE, WHITE, Kind, Piece
from jindle_core.layers.sizing import Box, cut_size, in_order, laid_out
from jindle_core.layers.stacking import Height, examine_thickness, heights, matching_envelope, thickness
from jindle_core.layers.touching import Beside, neighbours
from jindle_core.layouts import STARTS
from server.cards.grounds.grounded import Grounded
from server.cards.resolve import ResolvedPlan

# By which rule a piece is judged against what it lies beside; the others are told apart as mats are.
_RULES = {Kind.IMAGE: PairKind.PICTURE, Kind.LETTERING: PairKind.LETTERING_LARGE}
_ALONG = 5  # places along each side of a piece where the ground beside it is looked at
# The sides of a piece: whether they lie level, and at which end.
_ENDS = {"top": (True, 0.0), "bottom": (True, 1.0), "left": (False, 0.0), "right": (False, 1.0)}
_GRAIN = 1 / 320  # mm
_SIDES = ("x", "y", "width", "height")


@dataclass(frozen=True)
class Built:
    """The build of a resolved plan; lengths are told in the person's unit."""

    resolved: ResolvedPlan
    units: str

    @property
    def plan(self) -> Build:
        """What is planned."""
        return self.resolved.plan.build

    @property
    def unit(self) -> str:
        """The card's own unit, in which everything is cut."""
        return self.resolved.plan.size.width.unit

    @cached_property
    def boxes(self) -> dict[int, Box]:
        """Where everything lies."""
        return laid_out(self.resolved.plan.size, self.plan.pieces)

    @cached_property
    def heights(self) -> dict[int, Height]:
        """How high everything stands."""
        return heights(self.boxes, self.plan.pieces)

    @cached_property
    def fits(self) -> dict[int, Fit]:
        """How each piece fits."""
        return {fit.key: fit for fit in fits(self.boxes, self.plan.pieces, self.unit)}

    @cached_property
    def _beside(self) -> dict[int, list[Beside]]:
        found: dict[int, list[Beside]] = {}
        for one in neighbours(self.boxes, self.plan.pieces):
            found.setdefault(one.key, []).append(one)
        return found

    def material(self, key: int) -> End:
        """What a piece, or the base, is of."""
        return self.plan.base if key == BASE else self.plan.piece(key).material

    def name(self, key: int) -> str:
        """What a piece, or the base, is called."""
        return "the card" if key == BASE else self.plan.piece(key).name

    @cached_property
    def _ground_panel(self) -> int | None:
        """The key of the panel that carries the ground, where one is laid: the first."""
        if not self.resolved.plan.ground.laid:
            return None
        panels = (piece.key for piece in in_order(self.plan.pieces) if piece.kind is Kind.PANEL)
        return next(panels, None)

    def stock(self, piece: Piece) -> End:
        """What a piece is cut out of: under a coloured picture and under a ground it is their paper."""
        paper: int | None
        if piece.key == self._ground_panel:
            paper = self.resolved.plan.ground.paper
        elif piece.kind is Kind.IMAGE and self.resolved.plan.colouring.drawing is not None:
            paper = self.resolved.plan.colouring.paper
        else:
            return piece.material
        return WHITE if paper is None else End("supply", paper)

    @cached_property
    def _ground_sides(self) -> dict[int, np.ndarray]:
        """By key, for what lies beside the ground: its CIELAB (4, 3) at the piece's sides."""
        keys = [
            key
            for key, beside in self._beside.items()
            if any(one.beside == self._ground_panel for one in beside)
        ]
        if self._ground_panel is None or not keys:
            return {}
        panel, along = self.boxes[self._ground_panel], np.linspace(0.1, 0.9, _ALONG)
        x, y = np.zeros((2, len(keys), len(_ENDS), _ALONG))
        for at, key in enumerate(keys):
            box = self.boxes[key]
            left, top = float((box.x - panel.x) / panel.width), float((box.y - panel.y) / panel.height)
            wide, high = float(box.width / panel.width), float(box.height / panel.height)
            for side, (level, end) in enumerate(_ENDS.values()):
                x[at, side] = left + wide * (along if level else end)
                y[at, side] = top + high * (end if level else along)
        seen = Grounded(self.resolved).seen_at(x.ravel(), y.ravel())
        return dict(zip(keys, seen.reshape(*x.shape, 3).mean(axis=2), strict=True))

    def _neighbours(self, piece: Piece) -> tuple[Neighbour, ...]:
        """What lies beside a piece; a ground by its colours along each side of the piece."""
        found: list[Neighbour] = []
        box = self.boxes[piece.key]
        for one in self._beside.get(piece.key, ()):
            name = self.name(one.beside)
            if one.beside != self._ground_panel:
                found.append(Neighbour(name, self._lab(self.material(one.beside)), one.share))
                continue
            for (side, (level, _)), lab in zip(
                _ENDS.items(), self._ground_sides[piece.key].tolist(), strict=True
            ):
                length = float((box.width if level else box.height) / (2 * (box.width + box.height)))
                found.append(Neighbour(f"{name}, at its {side}", tuple(lab), one.share * length))
        return tuple(found)

    @cached_property
    def stands(self) -> dict[int, tuple[Finding, str]]:
        """By key, how each piece stands against what it really lies beside; not those that are hidden."""
        beside = {piece: self._neighbours(piece) for piece in self.plan.pieces}
        shown = {piece: found for piece, found in beside.items() if found}
        judged = [
            Standing(_RULES.get(piece.kind, PairKind.MAT), self._seen(piece), found, self._outlined(piece))
            for piece, found in shown.items()
        ]
        return dict(zip((piece.key for piece in shown), examine_stack(judged), strict=True))

    def _seen(self, piece: Piece) -> tuple[float, float, float]:
        """The colour of a piece; of the panel with the ground, what its edge shows on the whole."""
        if piece.key != self._ground_panel:
            return self._lab(piece.material)
        along, ends = np.linspace(0, 1, 2 * _ALONG), np.repeat([0.0, 1.0], _ALONG)
        x, y = np.concatenate([along, ends]), np.concatenate([ends, along])
        lightness, a, b = Grounded(self.resolved).seen_at(x, y).mean(axis=0).tolist()
        return lightness, a, b

    def _outlined(self, piece: Piece) -> bool:
        """Whether a drawn or stamped line holds a picture apart from its ground."""
        colouring = self.resolved.plan.colouring
        lined = bool(colouring.line) or colouring.line_range is not None
        return piece.kind is Kind.IMAGE and colouring.drawing is not None and lined

    @property
    def trouble(self) -> int:
        """How many pieces do not fit, or do not stand out from what they lie beside."""
        return sum(
            self.fits[piece.key].finding.status is not Status.HOLDS
            or (piece.key in self.stands and self.stands[piece.key][0].status is not Status.HOLDS)
            for piece in self.plan.pieces
        )

    def _lab(self, end: End) -> tuple[float, float, float]:
        lightness, a, b = self.resolved.end_lab(end).tolist()
        return lightness, a, b

    def size(self, piece: Piece) -> Size:
        """What a piece is cut to."""
        return cut_size(piece, self.boxes[piece.on], self.unit)

    def told(self) -> dict[str, Any]:
        """Everything, as ``BuildSerializer`` describes it."""
        card, plan = self.resolved.plan.size, self.plan
        laid, thick = flat(card, plan.fold), thickness(self.heights)
        stack = max(height.top for height in self.heights.values())
        envelope = plan.envelope or matching_envelope(card, stack)
        edge = "left" if laid.upright else "top"
        return {
            "fold": plan.fold.value,
            "base": self._end(plan.base),
            "flat": laid.size.text(self.units),
            "score": f"{laid.score.text(self.units)} {self.units} from the {edge}",
            "post_limit": plan.post_limit,
            "thickness": _finding(examine_thickness(thick, plan.post_limit)),
            "envelope": envelope and envelope.text(),
            "pieces": [self._piece(piece) for piece in plan.pieces],
            "base_thickness": defaults.THICKNESS["base"],
            "sheets": [
                {"words": f"{name}{wide} × {high} {unit}", "width": wide, "height": high, "unit": unit}
                for name, wide, high, unit in defaults.SHEETS_TO_CUT
            ],
            "layouts": [{"key": one.key, "words": one.words} for one in STARTS],
        }

    def _piece(self, piece: Piece) -> dict[str, Any]:
        size, fit, stands = self.size(piece), self.fits[piece.key], self.stands.get(piece.key)
        height = self.heights[piece.key]
        return {
            "key": piece.key,
            "kind": piece.kind.value,
            "name": piece.name,
            "on": piece.on,
            "size": size.text(),
            "size_shown": size.text(self.units),
            "reveal": piece.reveal and piece.reveal.text(),
            "reveal_unit": piece.reveal and piece.reveal.unit,
            "across": piece.place.across.value,
            "down": piece.place.down.value,
            "right": _signed(piece.place.right),
            "below": _signed(piece.place.below),
            "material": self._end(piece.material),
            "raised": piece.raised.value,
            "trimmed": piece.trimmed,
            "tucked": piece.tucked,
            "box": {
                side: float(getattr(self.boxes[piece.key], side)) for side in ("x", "y", "width", "height")
            },
            "bottom": round(height.bottom, 2),
            "top": round(height.top, 2),
            "fit": _finding(fit.finding),
            "fits_turned": fit.fits_turned,
            "stands": stands and _finding(stands[0]),
            "beside": stands[1] if stands else "",
        }

    def _end(self, end: End) -> dict[str, Any]:
        return {
            "source": end.source,
            "id": end.id,
            "words": self.resolved.end_words(end),
            "shades": self.resolved.end_shades(end),
        }

    def cutting(self, sheet: Size, count: int) -> dict[str, Any]:
        """What is cut for so many cards out of sheets of a size, each material by itself."""
        by_material: dict[End, list[ToCut]] = {}
        laid = flat(self.resolved.plan.size, self.plan.fold).size
        for _ in range(count):
            by_material.setdefault(self.plan.base, []).append(ToCut(BASE, "base", laid))
            for piece in self.plan.pieces:
                if piece.kind is not Kind.FINISH:
                    # A pattern has its direction; plain card is turned as it fits.
                    turns = piece.kind not in (Kind.PAPER, Kind.LETTERING)
                    made = ToCut(piece.key, piece.name, self.size(piece), turns)
                    by_material.setdefault(self.stock(piece), []).append(made)
        found = [(end, one, pieces) for end, pieces in by_material.items() for one in pack(pieces, sheet)]
        return {
            "sheets": [self._sheet(end, one, pieces) for end, one, pieces in found],
            "pieces": [
                {
                    "name": piece.name,
                    "size": piece.size.text(),
                    "count": count,
                    "material": self.resolved.end_words(end),
                }
                for end, pieces in by_material.items()
                for piece in pieces[: len(pieces) // count]
            ],
            "middles": [
                {"name": self.name(one.key), "size": one.size.text()}
                for one in middles(self.boxes, self.plan.pieces, self.unit)
            ],
            "bound": sum(area_bound(pieces, sheet) for pieces in by_material.values()),
        }

    def _sheet(self, end: End, sheet: Sheet, pieces: list[ToCut]) -> dict[str, Any]:
        names = {piece.key: piece.name for piece in pieces}
        parted = trimmed(sheet)
        return {
            "material": self._end(end),
            "width": sheet.width * _GRAIN,
            "height": sheet.height * _GRAIN,
            "cuts": [
                _box(cut) | {"key": cut.key, "name": names[cut.key], "turned": cut.turned}
                for cut in sheet.cuts
            ],
            "left": [_box(part) for part in parted.left] if parted else [],
            "used": round(sheet.used, 3),
        }


def _box(one: Any) -> dict[str, float]:
    return {side: round(getattr(one, side) * _GRAIN, 3) for side in _SIDES}


def _signed(length: Length) -> str:
    """An offset as it is typed: ``−1/4 in``; nothing for none."""
    if not length.ticks:
        return ""
    sign = "−" if length.ticks < 0 else ""
    return f"{sign}{Length(abs(length.ticks), length.unit).text()} {length.unit}"


def _finding(found: Finding) -> dict[str, Any]:
    return asdict(found) | {"status": found.status.value}
