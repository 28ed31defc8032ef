"""What lies on a card's ground, and how it stands there?"""

from dataclasses import dataclass, replace
from functools import cached_property

import numpy as np

from jindle_core.blending.effects import EffectKind
from jindle_core.blending.inks import seen_on
from jindle_core.blending.painting import spread
from jindle_core.blending.standing import examine_lettering, examine_picture, examine_wish, picture_stands
from jindle_core.card.ground import Ground
from jindle_core.checks.finding import Finding
from jindle_core.contrast.rules import PairKind
from jindle_core.layers.lettering import lettering_rule
from jindle_core.layers.showing import topmost
from jindle_core.seen.desk import Part, desk
from jindle_core.seen.ground import Grounded
from jindle_core.seen.palette import SeenPalette
from jindle_core.seen.pictures import Edge, Pictured
from jindle_core.seen.stack.whole import Stack

_PATTERN_WEIGHT = 5  # samples for each motif of a pattern: together about a fifth of the ground


@dataclass(frozen=True)
class OnGround:
    """What lies on the ground of a card: its pictures, its lettering.

    ``parts`` are as they lie on the desk; ``stack`` is what a card is built of, if it is.
    """

    pictured: Pictured
    grounded: Grounded
    parts: tuple[Part, ...]
    stack: Stack | None = None

    def with_ground(self, ground: Ground) -> "OnGround":
        """The same on another ground."""
        return replace(self, grounded=self.grounded.with_ground(ground))

    @property
    def palette(self) -> SeenPalette:
        """The card with its colours."""
        return self.pictured.palette

    @cached_property
    def _panel(self) -> Part:
        return next(part for part in self.parts if part.shape == "ground")

    def on_panel(self, x: np.ndarray, y: np.ndarray) -> tuple[np.ndarray, np.ndarray]:
        """Millimetres on the card as shares of the panel."""
        panel = self._panel
        if self.stack is not None:
            x, y = self.stack.where.as_laid(panel.piece, x, y)
        return (x - panel.x) / panel.width, (y - panel.y) / panel.height

    @cached_property
    def edge(self) -> Edge:
        """The outline of what lies on the ground as a picture, in shares of the panel."""
        shown = [part for part in self.parts if part.name == "picture"]
        found = [self._on_ground(part, self._edge(part)) for part in shown]
        places = np.concatenate([np.zeros((0, 2)), *(edge.places for edge in found)])
        labs = np.concatenate([np.zeros((0, 3)), *(edge.labs for edge in found)])
        names = tuple(name for edge in found for name in edge.names)
        return Edge(np.stack(self.on_panel(*places.T), axis=1), labs, names)

    def _edge(self, part: Part) -> Edge:
        """The outline of a part as it lies."""
        edge = self.pictured.edge(part)
        if self.stack is None:
            return edge
        return replace(edge, places=np.stack(self.stack.where.as_turned(part.piece, *edge.places.T), axis=1))

    def _on_ground(self, part: Part, edge: Edge) -> Edge:
        """What of an outline lies on the ground: on a card that is built of pieces not all may."""
        if self.stack is None:
            return edge
        face = self.stack.look.faces[0]
        x, y = edge.places.T
        places = topmost(face.sides, x, y, np.full(len(x), face.place(part.piece)), face.areas)
        return edge.only(places == face.place(self.stack.where.build.carrier))

    @cached_property
    def picture(self) -> np.ndarray:
        """CIELAB (k, 3) of what the pictures are coloured with, large shapes more often."""
        keys = {part.picture for part in self.parts if part.shape == "drawing"}
        drawn = [self.pictured.labs(key) for key in sorted(keys)]
        return np.concatenate(drawn) if drawn else self.edge.labs

    @cached_property
    def sample(self) -> np.ndarray:
        """CIELAB (r, 3) all over the ground, patterns on it included."""
        grounded = self.grounded
        raster = seen_on(grounded.inks.mixed(spread(grounded.fields)), grounded.card)
        patterns = [
            np.repeat(seen, _PATTERN_WEIGHT, axis=0)
            for kind in (EffectKind.STENCIL, EffectKind.TEXT)
            if kind in grounded.marks and (seen := grounded.marks[kind].seen) is not None
        ]
        return np.concatenate([raster, *patterns])

    def under(self, part: Part) -> np.ndarray:
        """CIELAB (m, 3) of what lies under a part: the ground, or the picture where that covers it."""
        x, y = (one.ravel() for one in np.meshgrid(np.linspace(0.05, 0.95, 8), np.linspace(0.1, 0.9, 4)))
        x, y = part.x + x * part.width, part.y + y * part.height
        found = self.grounded.seen_at(*self.on_panel(x, y))
        for picture in (one for one in self.parts if one.shape == "drawing"):
            covered, labs = self.pictured.at(picture, x, y)
            found[covered] = labs[covered]
        return found

    def picture_stands(self) -> Finding | None:
        """Whether the picture stands out where it lies on the ground; None where none does."""
        edge = self.edge
        if not len(edge.labs):
            return None
        outlined = any(self.pictured.outlined(part) for part in self.parts if part.name == "picture")
        ground = self.grounded.seen_at(*edge.places.T)
        stands = picture_stands(edge.labs, ground)
        return examine_picture(stands, edge.labs, ground, edge.names, outlined)

    def does_what_is_wanted(self) -> Finding:
        """Too loud, too quiet, or right."""
        return examine_wish(self.grounded.ground.wish, self.sample, self.picture, self.grounded.card_lab)

    def lettering_stands(self) -> tuple[str, Finding] | None:
        """How lettering, or its strip, stands on the ground under it; None where neither lies on it.

        Not of a card that is built of pieces: its words are judged on what they really lie on.
        """
        text = self._part("lettering")
        if text is None or self.stack is not None:
            return None
        strip, palette = self._part("strip"), self.palette
        words, lab = palette.end_words, palette.end_lab
        if strip is None:
            rule = lettering_rule(text.size, text.bold)
            found = examine_lettering(rule, lab(text.end), self.under(text))
            return f"Lettering in {words(text.end)}, straight on the ground", found
        found = examine_lettering(PairKind.MAT, lab(strip.end), self.under(strip))
        return f"The lettering's strip in {words(strip.end)}", found

    def _part(self, name: str) -> Part | None:
        return next((part for part in self.parts if part.name == name), None)

    def mat_stands(self) -> Finding | None:
        """Whether a mat that is inked by oneself can be told from the ground it frames; None without one."""
        if self.grounded.mat_lab is None or self.stack is not None:
            return None  # a card that is built of pieces says of each what it is of
        side, ends = np.linspace(0.01, 0.99, 12), np.repeat([0.0, 1.0], 12)
        x, y = np.concatenate([ends, side, side]), np.concatenate([side, side, ends])
        return examine_lettering(PairKind.MAT, self.grounded.mat_lab, self.grounded.seen_at(x, y))


def on_ground(stack: Stack) -> OnGround:
    """The ground of a card with what lies on it."""
    palette = stack.palette
    if palette.card.build.every:
        return OnGround(stack.look.pictured, stack.of.grounded, tuple(stack.where.parts[0]), stack)
    parts = desk(palette.card, palette.pairs, stack.where.drawings)
    return OnGround(stack.look.pictured, stack.of.grounded, tuple(parts))
