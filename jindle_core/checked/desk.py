"""What lies on the desk: a card's parts in their colours, its picture, its ground."""

from collections.abc import Sequence
from dataclasses import dataclass

from jindle_core.checked.on_ground import OnGround
from jindle_core.colorimetry.views import Shades
from jindle_core.layers.folding import Fold
from jindle_core.seen.desk import Part
from jindle_core.seen.filled import PictureSeen, picture_seen
from jindle_core.seen.palette import value_shades
from jindle_core.seen.panel import PanelSeen, panel_seen
from jindle_core.seen.stack.whole import VEIL_OPACITY, Stack


@dataclass(frozen=True, slots=True)
class Drawn:
    """A part in its colour in every view, and how opaque it is."""

    part: Part
    shades: Shades
    opacity: float


@dataclass(frozen=True, slots=True)
class Desk:
    """A card as it lies there, in millimetres; ``inside`` is empty for one without pieces.

    ``pictures`` are those that have a drawing, by the keys that parts name them by.
    """

    width: float
    height: float
    front: tuple[Drawn, ...]
    inside: tuple[Drawn, ...]
    fold: Fold
    pictures: dict[int, PictureSeen]
    panel: PanelSeen | None


def desk_of(laid: OnGround, stack: Stack) -> Desk:
    """A card on the desk."""
    card = laid.palette.card
    return Desk(
        float(card.size.width.millimetres),
        float(card.size.height.millimetres),
        drawn(laid.parts, laid, stack),
        drawn(stack.where.parts[1], laid, stack) if card.build.every else (),
        card.fold,
        {key: seen for key, one in stack.look.drawn.items() if (seen := picture_seen(one))},
        panel_seen(laid.grounded),
    )


def drawn(parts: Sequence[Part], laid: OnGround, stack: Stack) -> tuple[Drawn, ...]:
    """Some parts in their colours."""
    palette = laid.palette
    mat = None if laid.stack else laid.grounded.mat_lab
    inked = {} if mat is None else {"mat": value_shades(tuple(map(float, mat)))}
    return tuple(
        Drawn(
            part,
            inked.get(part.name)
            or (stack.shades(part.piece) if part.piece else palette.end_shades(part.end)),
            VEIL_OPACITY if part.shape == "veil" else 1.0,
        )
        for part in parts
    )
