"""With which layouts can a card start, in the palette's roles?"""

from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace

from jindle_core.card.whole import PaletteColour
from jindle_core.layers.pieces import BASE, WHITE_END, Across, Down, Kind, Piece, Place, Raised
from jindle_core.lengths import Length, Size
from jindle_core.material import End
from jindle_core.palettes.role import Role

EDGE = {"in": Length(8, "in"), "mm": Length(30, "mm")}  # 1/8 in or 3 mm
_NARROW = {"in": Length(4, "in"), "mm": Length(20, "mm")}  # 1/16 in or 2 mm


def share(length: Length, part: float) -> Length:
    """A part of a length, on the ruler's marks: whole sixteenths or millimetres."""
    step = 4 if length.unit == "in" else 10
    return Length(max(round(length.ticks * part / step) * step, step), length.unit)


@dataclass(frozen=True, slots=True)
class Start:
    """A layout to start with: a key, its words, and how it is made."""

    key: str
    words: str
    made: Callable[["_Maker"], list[Piece]]


@dataclass(frozen=True, slots=True)
class _Maker:
    """A card's size, which end of the palette plays which role, and the drawing's width by its height."""

    card: Size
    ends: dict[Role, End]
    proportion: float | None

    def size(self, wide: float, high: float) -> Size:
        """Parts of the card's width and height."""
        return Size(share(self.card.width, wide), share(self.card.height, high))

    def of(self, *roles: Role) -> End:
        """What the first of some roles that the palette has is made of; white where it has none."""
        return next((self.ends[role] for role in roles if role in self.ends), WHITE_END)

    @property
    def edge(self) -> Length:
        """The usual reveal."""
        return EDGE[self.card.width.unit]

    @property
    def narrow(self) -> Length:
        """A narrow reveal."""
        return _NARROW[self.card.width.unit]

    def mat(self, key: int, on: int, *roles: Role, narrow: bool = False) -> Piece:
        """A mat around what will lie on it."""
        reveal = self.narrow if narrow else self.edge
        return Piece(key, Kind.MAT, f"mat {key}", on, reveal, material=self.of(*roles))

    def panel(self, key: int, on: int, *roles: Role) -> Piece:
        """A panel with an even frame of what is under it."""
        return Piece(key, Kind.PANEL, "panel", on, self.edge, material=self.of(*roles))

    def picture(self, key: int, on: int, wide: float, high: float, place: Place) -> Piece:
        """A picture, raised, as large as it fits into so much of the card."""
        if self.proportion:
            width, height = self.card.width.millimetres, self.card.height.millimetres
            shape = float(width / height) * wide / high
            wide, high = wide * min(self.proportion / shape, 1.0), high * min(shape / self.proportion, 1.0)
        return Piece(
            key, Kind.IMAGE, "picture", on, size=self.size(wide, high), place=place,
            material=self.of(Role.LEAD), raised=Raised.TAPE,
        )  # fmt: skip

    def strip(self, key: int, on: int, place: Place, wide: float = 0.5, *, flat: bool = True) -> Piece:
        """A strip that words go on."""
        return Piece(
            key, Kind.STRIP, "strip", on, size=self.size(wide, 0.12), place=place,
            material=self.of(Role.LIGHT), raised=Raised.FLAT if flat else Raised.TAPE,
        )  # fmt: skip

    def words(self, key: int, on: int) -> Piece:
        """Words on a strip, as large as it lets them."""
        return Piece(
            key, Kind.LETTERING, "words", on, self.narrow, material=self.of(Role.DARK, Role.LEAD, Role.ACCENT)
        )


_LOW = Place(Across.RIGHT_THIRD, Down.LOWER_THIRD)


def _plain(make: _Maker) -> list[Piece]:
    return [make.panel(1, BASE, Role.GROUND), make.picture(2, 1, 0.5, 0.5, Place())]


def _framed(make: _Maker) -> list[Piece]:
    return [
        make.mat(1, BASE, Role.DARK, Role.ACCENT),
        make.panel(2, 1, Role.GROUND),
        make.picture(3, 2, 0.5, 0.55, Place(Across.LEFT_THIRD, Down.MIDDLE)),
        make.strip(4, 2, _LOW),
        make.words(5, 4),
    ]


def _three_mats(make: _Maker) -> list[Piece]:
    return [
        make.mat(1, BASE, Role.DARK),
        make.mat(2, 1, Role.ACCENT, Role.SUPPORT, narrow=True),
        make.mat(3, 2, Role.LIGHT, narrow=True),
        make.panel(4, 3, Role.GROUND),
        make.picture(5, 4, 0.45, 0.4, Place(Across.CENTRE, Down.UPPER_THIRD)),
        make.strip(6, 4, Place(Across.CENTRE, Down.LOWER_THIRD), flat=False),
        make.words(7, 6),
    ]


def _band(make: _Maker) -> list[Piece]:
    band = Piece(
        2, Kind.PAPER, "band of paper", 1, size=Size(make.card.width, share(make.card.height, 0.3)),
        place=Place(Across.CENTRE, Down.LOWER_THIRD), material=make.of(Role.SUPPORT), trimmed=True,
    )  # fmt: skip
    return [make.panel(1, BASE, Role.GROUND), band, make.picture(3, 1, 0.4, 0.6, Place(Across.LEFT_THIRD))]


def _two_halves(make: _Maker) -> list[Piece]:
    left = Piece(
        1, Kind.PAPER, "left half", BASE, size=Size(share(make.card.width, 0.4), make.card.height),
        place=Place(Across.LEFT, Down.TOP), material=make.of(Role.SUPPORT),
    )  # fmt: skip
    return [
        left,
        make.picture(2, BASE, 0.5, 0.6, Place(Across.CENTRE)),
        make.strip(3, BASE, _LOW),
        make.words(4, 3),
    ]


def _window(make: _Maker) -> list[Piece]:
    window = Piece(
        2, Kind.PANEL, "window", 1, size=make.size(0.55, 0.55), place=Place(Across.CENTRE, Down.UPPER_THIRD),
        material=make.of(Role.LIGHT), raised=Raised.SHEET,
    )  # fmt: skip
    return [
        make.panel(1, BASE, Role.GROUND),
        window,
        make.picture(3, 2, 0.35, 0.4, Place()),
        make.strip(4, 1, Place(Across.CENTRE, Down.LOWER_THIRD)),
        make.words(5, 4),
    ]


def _veil(make: _Maker) -> list[Piece]:
    veil = Piece(
        2, Kind.VELLUM, "vellum", 1, size=Size(make.card.width, share(make.card.height, 0.25)),
        place=Place(Across.CENTRE, Down.BOTTOM), trimmed=True,
    )  # fmt: skip
    return [
        make.panel(1, BASE, Role.GROUND),
        make.picture(3, 1, 0.55, 0.6, Place(Across.CENTRE, Down.UPPER_THIRD)),
        veil,
        make.strip(4, 1, Place(Across.CENTRE, Down.BOTTOM), 0.6),
        make.words(5, 4),
    ]


STARTS = (
    Start("plain", "a plain panel with a picture", _plain),
    Start("framed", "a mat, a panel, a picture beside its words", _framed),
    Start("three mats", "three mats, a picture over a raised strip", _three_mats),
    Start("band", "a band of paper across, the picture over it", _band),
    Start("halves", "half in paper, half bare, the picture on the seam", _two_halves),
    Start("window", "a raised window with the picture in it", _window),
    Start("veil", "vellum over the foot of the picture, with the words on it", _veil),
)


def start(
    key: str,
    card: Size,
    colours: Sequence[PaletteColour],
    first: int = 1,
    proportion: float | None = None,
) -> tuple[Piece, ...]:
    """The pieces of a layout for a card, in its palette's roles; KeyError for one that there is not.

    Their keys begin with ``first``; the picture takes the ``proportion`` (width
    by height) of the card's drawing, where it has one.
    """
    ends: dict[Role, End] = {}
    for colour in colours:
        ends.setdefault(colour.role, End("palette", colour.key))
    made = {one.key: one for one in STARTS}[key].made
    return tuple(_shifted(piece, first - 1) for piece in made(_Maker(card, ends, proportion)))


def _shifted(piece: Piece, by: int) -> Piece:
    return replace(piece, key=piece.key + by, on=piece.on if piece.on == BASE else piece.on + by)
