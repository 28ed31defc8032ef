"""What are the media, and which of them stand in one column of the palette table?"""

from dataclasses import dataclass
from enum import StrEnum


class Medium(StrEnum):
    """The forms that colour comes in at a cardmaker's table."""

    ALCOHOL_MARKER = "alcohol marker"
    DYE_PAD = "dye ink pad"
    PIGMENT_PAD = "pigment ink pad"
    CHALK_PAD = "chalk ink pad"
    WATER_MARKER = "water-based marker"
    WAX_PENCIL = "wax pencil"
    OIL_PENCIL = "oil pencil"
    CARDSTOCK = "cardstock"
    PATTERNED_PAPER = "patterned paper"
    EMBOSSING_POWDER = "embossing powder"
    GEL_PEN = "gel pen"
    FINISHING_PIECE = "finishing piece"


class Form(StrEnum):
    """The form in which a swatch of a medium is drawn."""

    STROKE = "stroke"
    DAB = "dab"
    HATCH = "hatch"
    CARD = "card"
    SHEET = "sheet"
    ROUND = "round"


FORM = {
    Medium.ALCOHOL_MARKER: Form.STROKE,
    Medium.WATER_MARKER: Form.STROKE,
    Medium.DYE_PAD: Form.DAB,
    Medium.PIGMENT_PAD: Form.DAB,
    Medium.CHALK_PAD: Form.DAB,
    Medium.WAX_PENCIL: Form.HATCH,
    Medium.OIL_PENCIL: Form.HATCH,
    Medium.CARDSTOCK: Form.CARD,
    Medium.PATTERNED_PAPER: Form.SHEET,
    Medium.EMBOSSING_POWDER: Form.ROUND,
    Medium.GEL_PEN: Form.ROUND,
    Medium.FINISHING_PIECE: Form.ROUND,
}


PAD_MEDIA = (Medium.DYE_PAD, Medium.PIGMENT_PAD, Medium.CHALK_PAD)


@dataclass(frozen=True, slots=True)
class Column:
    """A column of the palette table: media that do the same work on a card."""

    key: str
    title: str
    media: tuple[Medium, ...]


COLUMNS = (
    Column("marker", "Alcohol marker", (Medium.ALCOHOL_MARKER,)),
    Column("pad", "Ink pad", PAD_MEDIA),
    Column("pencil", "Pencil", (Medium.WAX_PENCIL, Medium.OIL_PENCIL)),
    Column("cardstock", "Cardstock", (Medium.CARDSTOCK,)),
    Column("paper", "Patterned paper", (Medium.PATTERNED_PAPER,)),
)
# Columns that a card shows only where its person wants them.
FURTHER_COLUMNS = (
    Column("water", "Water marker", (Medium.WATER_MARKER,)),
    Column("powder", "Powder", (Medium.EMBOSSING_POWDER,)),
    Column("gel", "Gel pen", (Medium.GEL_PEN,)),
    Column("finish", "Finishing piece", (Medium.FINISHING_PIECE,)),
)
EVERY_COLUMN = (*COLUMNS, *FURTHER_COLUMNS)
COLUMN_OF = {medium: column.key for column in EVERY_COLUMN for medium in column.media}

# Lettering is stamped, written or embossed: these leave a line that can be read.
LETTERING_MEDIA = (
    Medium.DYE_PAD,
    Medium.PIGMENT_PAD,
    Medium.GEL_PEN,
    Medium.EMBOSSING_POWDER,
)
# What a ground, mat or panel can be made of.
GROUND_MEDIA = (Medium.CARDSTOCK, *PAD_MEDIA)
MAT_MEDIA = (Medium.CARDSTOCK,)
FINISH_MEDIA = (Medium.FINISHING_PIECE, Medium.EMBOSSING_POWDER)  # what is set on last
WET_MEDIA = (Medium.ALCOHOL_MARKER, Medium.WATER_MARKER)  # what wets the paper that it colours
# What areas of a picture are coloured with; pads are brushed on through a stencil or a mask.
PICTURE_MEDIA = (
    Medium.ALCOHOL_MARKER,
    Medium.WATER_MARKER,
    Medium.WAX_PENCIL,
    Medium.OIL_PENCIL,
    *PAD_MEDIA,
)
