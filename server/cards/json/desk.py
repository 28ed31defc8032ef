"""The card on the desk as it is told."""

from collections.abc import Iterable
from dataclasses import asdict

from jindle_core.checked.desk import Desk, Drawn
from server.cards.json.panel import panel_told
from server.cards.json.picture import picture_told
from server.told.card import Desk as DeskTold
from server.told.card import DeskPicture, Part, PatternDrawn


def desk_told(desk: Desk, inside: bool = True) -> DeskTold:
    """The card; its inside where that is wanted."""
    return DeskTold(
        width=desk.width,
        height=desk.height,
        parts=parts_told(desk.front),
        inside=parts_told(desk.inside) if inside else [],
        fold=desk.fold,
        pictures=[DeskPicture(key=key, **vars(picture_told(one))) for key, one in desk.pictures.items()],
        ground=panel_told(desk.panel),
    )


def parts_told(parts: Iterable[Drawn]) -> list[Part]:
    """Some parts of the desk."""
    return [
        Part(
            name=one.part.name,
            shape=one.part.shape,
            x=round(one.part.x, 3),
            y=round(one.part.y, 3),
            width=round(one.part.width, 3),
            height=round(one.part.height, 3),
            key=one.part.end.id if one.part.end.source == "palette" else 0,
            piece=one.part.piece,
            raised=round(one.part.raised, 2),
            rim=one.part.rim,
            text=one.part.text,
            size=round(one.part.size, 3),
            bold=one.part.bold,
            trimmed=one.part.trimmed,
            picture=one.part.picture,
            mirrored=one.part.mirrored,
            path=one.part.path,
            stitches=one.part.stitches,
            pattern=None if one.part.pattern is None else PatternDrawn(**asdict(one.part.pattern)),
            turns=[list(turn) for turn in one.part.turns],
            opacity=round(one.opacity, 3),
            shades=one.shades,
        )
        for one in parts
    ]
