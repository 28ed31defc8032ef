"""Which media are there, and what does each do on paper, under water and alcohol, and to breathe?

One row a medium. All that depends on a medium reads its row, or is a ``match`` with ``assert_never`` over
what stands there, so that mypy names every place that a new one must decide.
"""

from dataclasses import dataclass
from enum import StrEnum

from jindle_core import figures


class Form(StrEnum):
    """The form in which a swatch of a medium is drawn."""

    STROKE = "stroke"
    DAB = "dab"
    HATCH = "hatch"
    CARD = "card"
    SHEET = "sheet"
    ROUND = "round"


class Covering(StrEnum):
    """What a laid colour does to what lies under it."""

    TRANSPARENT = "transparent"  # a filter in the paper: markers, dye pads
    FILM = "film"  # a scattering film on the paper: pigment and chalk, gel pens
    WAX = "wax"  # a thin film that leaves gaps: pencils


class Carrier(StrEnum):
    """What a pen's colour flows in: it wets the paper, and dissolves what is not proof against it."""

    ALCOHOL = "alcohol"
    WATER = "water"


class Toning(StrEnum):
    """How the tones of an area are laid."""

    BLENDED = "blended"  # wet over the edge of the one before
    DAMP = "damp"  # side by side while damp, pulled out with a brush
    DRAWN = "drawn"  # dry, one over the other
    BRUSHED = "brushed"  # through a stencil or over a mask


class Writing(StrEnum):
    """How words are made with it."""

    STAMPED = "stamped"
    MELTED = "melted"  # strewn on sticky ink, and melted
    WRITTEN = "written"


@dataclass(frozen=True, slots=True, kw_only=True)
class Pad:
    """What a pad of ink does on a panel.

    ``dries``: minutes until the next coat may lie on one. ``dry_down``: ΔL* by which a full dab dries
    lighter. ``water_leaves``: the share of it that a drop of water leaves.
    """

    dries: float
    dry_down: float
    water_leaves: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Traits:
    """What a medium is like.

    ``column``: of the palette table. ``covering``: what it does where it is laid, None for what is not laid
    on paper; ``opaque``: a film that hides nearly all. ``carrier``: what wets the paper, None for what does
    not. ``toning``: how pictures are coloured with it, None where they are not; ``writing``: how words are
    made, ``letters``: of lines that can be read. ``line_ink``: the kind of ink that lines of it usually are
    (a key of ``compatibility.materials.LINE_INKS``), None where none are. ``pad``: what it does as a pad of
    ink, None for what is none. ``runs``: water moves it even when dry. ``blooms``: wax rises from it.
    ``dusts``: dust comes off it. ``last``: it is set on last.
    """

    form: Form
    column: str
    covering: Covering | None = None
    opaque: bool = False
    carrier: Carrier | None = None
    toning: Toning | None = None
    writing: Writing | None = None
    letters: bool = False
    line_ink: str | None = None
    pad: Pad | None = None
    runs: bool = False
    blooms: bool = False
    dusts: bool = False
    last: bool = False

    @property
    def stock(self) -> bool:
        """Whether it is card, which panels and mats are cut from and everything else comes on."""
        return self.form is Form.CARD

    @property
    def printed(self) -> bool:
        """Whether it is paper with a pattern, whose colours belong to sheets."""
        return self.form is Form.SHEET

    @property
    def paper(self) -> bool:
        """Whether pieces are cut from it."""
        return self.stock or self.printed

    @property
    def stays_damp(self) -> bool:
        """Whether a neighbour that is laid beside it before it dries runs into it or is smeared."""
        return self.carrier is not None or self.pad is not None

    @property
    def layered(self) -> bool:
        """Whether colours of it can be glazed over one another."""
        return self.covering is Covering.TRANSPARENT


class Medium(StrEnum):
    """The forms that colour comes in at a cardmaker's table, and what each is like."""

    _value_: str
    traits: Traits

    def __new__(cls, value: str, *row: Traits) -> "Medium":
        """A member is its name and its one row; the row is not asked for where a name is looked up."""
        made = str.__new__(cls, value)
        made._value_ = value
        (made.traits,) = row
        return made

    @property
    def laid(self) -> Covering:
        """What it does where it is laid; ValueError for what is not laid on paper."""
        if self.traits.covering is None:
            raise ValueError(f"{self} is not laid on paper")
        return self.traits.covering

    @property
    def pad(self) -> Pad:
        """What it does as a pad; ValueError for what is none."""
        if self.traits.pad is None:
            raise ValueError(f"{self} is not blended")
        return self.traits.pad

    ALCOHOL_MARKER = (
        "alcohol marker",
        Traits(
            form=Form.STROKE,
            column="marker",
            covering=Covering.TRANSPARENT,
            carrier=Carrier.ALCOHOL,
            toning=Toning.BLENDED,
        ),
    )
    DYE_PAD = (
        "dye ink pad",
        Traits(
            form=Form.DAB,
            column="pad",
            covering=Covering.TRANSPARENT,
            toning=Toning.BRUSHED,
            writing=Writing.STAMPED,
            letters=True,
            line_ink="dye",
            pad=Pad(
                dries=figures.work.PAD_DRIES["dye ink pad"],
                dry_down=figures.laying.DRY_DOWN["dye ink pad"],
                water_leaves=figures.grounds.WATER_LEAVES["dye ink pad"],
            ),
            runs=True,
        ),
    )
    PIGMENT_PAD = (
        "pigment ink pad",
        Traits(
            form=Form.DAB,
            column="pad",
            covering=Covering.FILM,
            toning=Toning.BRUSHED,
            writing=Writing.STAMPED,
            letters=True,
            line_ink="pigment",
            pad=Pad(
                dries=figures.work.PAD_DRIES["pigment ink pad"],
                dry_down=figures.laying.DRY_DOWN["pigment ink pad"],
                water_leaves=figures.grounds.WATER_LEAVES["pigment ink pad"],
            ),
        ),
    )
    CHALK_PAD = (
        "chalk ink pad",
        Traits(
            form=Form.DAB,
            column="pad",
            covering=Covering.FILM,
            opaque=True,
            toning=Toning.BRUSHED,
            writing=Writing.STAMPED,
            line_ink="pigment",
            pad=Pad(
                dries=figures.work.PAD_DRIES["chalk ink pad"],
                dry_down=figures.laying.DRY_DOWN["chalk ink pad"],
                water_leaves=figures.grounds.WATER_LEAVES["chalk ink pad"],
            ),
            dusts=True,
        ),
    )
    WATER_MARKER = (
        "water-based marker",
        Traits(
            form=Form.STROKE,
            column="water",
            covering=Covering.TRANSPARENT,
            carrier=Carrier.WATER,
            toning=Toning.DAMP,
            runs=True,
        ),
    )
    WAX_PENCIL = (
        "wax pencil",
        Traits(form=Form.HATCH, column="pencil", covering=Covering.WAX, toning=Toning.DRAWN, blooms=True),
    )
    OIL_PENCIL = (
        "oil pencil",
        Traits(form=Form.HATCH, column="pencil", covering=Covering.WAX, toning=Toning.DRAWN),
    )
    CARDSTOCK = "cardstock", Traits(form=Form.CARD, column="cardstock")
    PATTERNED_PAPER = "patterned paper", Traits(form=Form.SHEET, column="paper")
    EMBOSSING_POWDER = (
        "embossing powder",
        Traits(form=Form.ROUND, column="powder", writing=Writing.MELTED, letters=True, last=True),
    )
    GEL_PEN = (
        "gel pen",
        Traits(
            form=Form.ROUND,
            column="gel",
            covering=Covering.FILM,
            opaque=True,
            writing=Writing.WRITTEN,
            letters=True,
            line_ink="fine pen",
        ),
    )
    FINISHING_PIECE = "finishing piece", Traits(form=Form.ROUND, column="finish", last=True)
