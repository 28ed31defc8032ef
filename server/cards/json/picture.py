"""A picture as it is told."""

from typing import Any

from jindle_core.seen.filled import PictureSeen


def picture_told(seen: PictureSeen) -> dict[str, Any]:
    """The picture as ``PictureSerializer`` describes it."""
    return {
        "width": seen.drawing.width,
        "height": seen.drawing.height,
        "paper": seen.paper,
        "stamped": seen.stamped,
        "outlined": seen.outlined,
        "away": seen.away and list(seen.away),
        "shapes": [
            {
                "path": one.path,
                "key": one.key,
                "colour": one.colour,
                "stops": [{"at": at, "shades": shades} for at, shades in one.stops],
            }
            for one in seen.shapes
        ],
        "lines": list(seen.drawing.lines),
    }
