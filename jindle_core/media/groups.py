"""Which media do the same work on a card, and which of them stand in one column of the palette table?"""

from dataclasses import dataclass

from jindle_core.media.medium import Medium


@dataclass(frozen=True, slots=True)
class Column:
    """A column of the palette table: media that do the same work on a card."""

    key: str
    title: str

    @property
    def media(self) -> tuple[Medium, ...]:
        """What stands in it."""
        return tuple(one for one in Medium if one.traits.column == self.key)


COLUMNS = (
    Column("marker", "Alcohol marker"),
    Column("pad", "Ink pad"),
    Column("pencil", "Pencil"),
    Column("cardstock", "Cardstock"),
    Column("paper", "Patterned paper"),
)
# Columns that a card shows only where its person wants them.
FURTHER_COLUMNS = (
    Column("water", "Water marker"),
    Column("powder", "Powder"),
    Column("gel", "Gel pen"),
    Column("finish", "Finishing piece"),
)
EVERY_COLUMN = (*COLUMNS, *FURTHER_COLUMNS)

PAD_MEDIA = tuple(one for one in Medium if one.traits.pad is not None)
# Lettering is stamped, written or embossed: these leave a line that can be read.
LETTERING_MEDIA = tuple(one for one in Medium if one.traits.letters)
# What a ground, mat or panel can be made of.
MAT_MEDIA = tuple(one for one in Medium if one.traits.stock)
GROUND_MEDIA = (*MAT_MEDIA, *PAD_MEDIA)
FINISH_MEDIA = tuple(one for one in Medium if one.traits.last)
LAID_MEDIA = tuple(one for one in Medium if one.traits.covering is not None)
# What areas of a picture are coloured with; pads are brushed on through a stencil or a mask.
DRAWN_MEDIA = tuple(one for one in Medium if one.traits.toning is not None and one.traits.pad is None)
PICTURE_MEDIA = (*DRAWN_MEDIA, *PAD_MEDIA)
