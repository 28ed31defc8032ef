"""What lies on a card's ground, and how it stands there?"""

from dataclasses import dataclass, replace
from functools import cached_property

import numpy as np

from jindle_core.blending.effects import EffectKind
from jindle_core.blending.inks import seen_on
from jindle_core.blending.joins import Meeting
from jindle_core.blending.painting import spread
from jindle_core.blending.standing import examine_lettering, examine_picture, examine_wish
from jindle_core.contrast.rules import Finding, PairKind, Status
from jindle_core.desk import Part, built_desk, desk
from jindle_core.ground import Ground
from jindle_core.line_art.outline import outline, shapes_at
from jindle_core.plan import End
from server.cards.colouring import Coloured
from server.cards.grounds.grounded import Grounded

_PATTERN_WEIGHT = 5  # samples for each motif of a pattern: together about a fifth of the ground
_RING = np.linspace(0, 2 * np.pi, 24, endpoint=False)


@dataclass(frozen=True)
class OnGround:
    """What lies on the ground of a card: its picture, its lettering; ``parts`` as they lie on the desk."""

    coloured: Coloured
    grounded: Grounded
    parts: tuple[Part, ...]

    def with_ground(self, ground: Ground) -> "OnGround":
        """The same on another ground."""
        return replace(self, grounded=self.grounded.with_plan(ground))

    @cached_property
    def _panel(self) -> Part:
        return next(part for part in self.parts if part.name == "panel")

    def on_panel(self, x: np.ndarray, y: np.ndarray) -> tuple[np.ndarray, np.ndarray]:
        """Millimetres on the card as shares of the panel."""
        panel = self._panel
        return (x - panel.x) / panel.width, (y - panel.y) / panel.height

    @cached_property
    def edge(self) -> tuple[np.ndarray, np.ndarray, tuple[str, ...]]:
        """The picture's outline: places on the panel (k, 2), CIELAB (k, 3) inside it, and what it is."""
        places, labs, names = [], [], []
        for part in self.parts:
            if part.shape == "drawing" and self.coloured.drawing:
                points, shapes = outline(self.coloured.drawing)
                scale = part.width / self.coloured.drawing.width
                x, y = part.x + points[:, 0] * scale, part.y + points[:, 1] * scale
                labs += [self._shape[shape][0].mean(axis=0) for shape in shapes]
                names += [self._shape[shape][1] for shape in shapes]
            elif part.shape == "disc":
                half = part.width / 2
                x = part.x + half + half * np.cos(_RING)
                y = part.y + half + half * np.sin(_RING)
                labs += [self.coloured.resolved.end_lab(part.end)] * len(_RING)
                names += [self.coloured.resolved.end_words(part.end)] * len(_RING)
            else:
                continue
            places.append(np.stack(self.on_panel(x, y), axis=1))
        return np.concatenate(places or [np.zeros((0, 2))]), np.array(labs).reshape(-1, 3), tuple(names)

    @cached_property
    def _shape(self) -> dict[str, tuple[np.ndarray, str]]:
        """By a shape's id: the colours (t, 3) that it is filled with, and its name."""
        coloured = self.coloured
        found = {
            shape.id: (np.array([coloured.paper_lab]), "bare paper")
            for shape in (coloured.drawing.shapes if coloured.drawing else ())
        }
        for area in coloured.plan.areas:
            labs = coloured.tones[area.key].lab
            if not len(labs) and area.colour is not None:
                labs = coloured.resolved.end_lab(End("palette", area.colour))[None]
            if area.shape and len(labs):
                found[area.shape] = (labs, area.name)
        return found

    @cached_property
    def picture(self) -> np.ndarray:
        """CIELAB (k, 3) of what the picture is coloured with, large shapes more often."""
        shapes = self.coloured.drawing.shapes if self.coloured.drawing else ()
        found = [np.repeat(self._shape[shape.id][0], 1 + round(40 * shape.share), axis=0) for shape in shapes]
        return np.concatenate([*found, np.zeros((0, 3))]) if found else self.edge[1]

    @cached_property
    def sample(self) -> np.ndarray:
        """CIELAB (r, 3) all over the ground, patterns on it included."""
        grounded = self.grounded
        raster = seen_on(grounded.inks.mixed(spread(grounded.fields)), grounded.card)
        patterns = [
            np.repeat(grounded.marks[kind].seen, _PATTERN_WEIGHT, axis=0)
            for kind in (EffectKind.STENCIL, EffectKind.TEXT)
            if kind in grounded.marks
        ]
        return np.concatenate([raster, *patterns])

    def under(self, part: Part) -> np.ndarray:
        """CIELAB (m, 3) of what lies under a part: the ground, or the picture where that covers it."""
        x, y = (one.ravel() for one in np.meshgrid(np.linspace(0.05, 0.95, 8), np.linspace(0.1, 0.9, 4)))
        x, y = part.x + x * part.width, part.y + y * part.height
        found = self.grounded.seen_at(*self.on_panel(x, y))
        picture = next((one for one in self.parts if one.shape == "drawing"), None)
        if picture and self.coloured.drawing:
            scale = self.coloured.drawing.width / picture.width
            points = np.stack([x - picture.x, y - picture.y], axis=1) * scale
            for at, shape in enumerate(shapes_at(self.coloured.drawing, points)):
                if shape is not None:
                    found[at] = self._shape[shape][0].mean(axis=0)
        return found

    def picture_stands(self) -> Finding | None:
        """Whether the picture stands out where it lies; None without one."""
        places, labs, names = self.edge
        if not len(labs):
            return None
        ground = self.grounded.seen_at(*places.T)
        return examine_picture(labs, ground, names, self._outlined)

    @property
    def _outlined(self) -> bool:
        return self.coloured.drawing is not None and self.coloured.line is not None

    def does_what_is_wanted(self) -> Finding:
        """Too loud, too quiet, or right."""
        return examine_wish(self.grounded.plan.wish, self.sample, self.picture, self.grounded.card_lab)

    def lettering_stands(self) -> tuple[str, Finding] | None:
        """How lettering, or its strip, stands on the ground under it; None without any."""
        text = next((part for part in self.parts if part.name == "lettering"), None)
        if text is None:
            return None
        resolved = self.coloured.resolved
        strip = next((part for part in self.parts if part.name == "strip"), None)
        if strip is not None:
            found = examine_lettering(PairKind.MAT, resolved.end_lab(strip.end), self.under(strip))
            return f"The lettering's strip in {resolved.end_words(strip.end)}", found
        lab = resolved.end_lab(text.end)
        found = examine_lettering(PairKind.LETTERING_LARGE, lab, self.under(text))
        return f"Lettering in {resolved.end_words(text.end)}, straight on the ground", found

    def mat_stands(self) -> Finding | None:
        """Whether a mat that is inked by oneself can be told from the ground it frames; None without one."""
        if self.grounded.mat_lab is None:
            return None
        side, ends = np.linspace(0.01, 0.99, 12), np.repeat([0.0, 1.0], 12)
        x, y = np.concatenate([ends, side, side]), np.concatenate([side, side, ends])
        return examine_lettering(PairKind.MAT, self.grounded.mat_lab, self.grounded.seen_at(x, y))

    @property
    def trouble(self) -> int:
        """How much is to be looked at again, without looking for what would mend it."""
        grounded = self.grounded
        if not grounded.plan.laid:
            return 0
        _, lettering = self.lettering_stands() or ("", None)
        found = [self.picture_stands(), self.does_what_is_wanted(), lettering, self.mat_stands()]
        muddy = sum(
            join.meeting is Meeting.MUDDY and grounded.is_predicted(at)
            for at, join in enumerate(grounded.joins)
        )
        return muddy + sum(one is not None and one.status is not Status.HOLDS for one in found)


def on_ground(coloured: Coloured) -> OnGround:
    """The ground of a card with what lies on it."""
    drawing, plan = coloured.drawing, coloured.resolved.plan
    shape = drawing and (drawing.width, drawing.height)
    if plan.build.pieces:
        parts = built_desk(plan.size, plan.build, coloured.resolved.pairs, shape, plan.ground)
    else:
        parts = desk(plan.size, plan.colours, coloured.resolved.pairs, shape, plan.ground)
    return OnGround(coloured, Grounded(coloured.resolved), tuple(parts))
