"""A picture as it is told."""

from jindle_core.seen.filled import PictureSeen
from server.told.card import Picture, PictureShape, Stop


def picture_told(seen: PictureSeen) -> Picture:
    """The picture."""
    return Picture(
        width=seen.drawing.width,
        height=seen.drawing.height,
        paper=seen.paper,
        stamped=seen.stamped,
        outlined=seen.outlined,
        away=seen.away and list(seen.away),
        shapes=[
            PictureShape(
                path=one.path,
                key=one.key,
                colour=one.colour,
                stops=[Stop(at=at, shades=shades) for at, shades in one.stops],
            )
            for one in seen.shapes
        ],
        lines=list(seen.drawing.lines),
    )
