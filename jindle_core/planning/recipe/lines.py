"""What does a recipe hold? Plain words, figures and codes, of which all can be stored and told."""

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Ink:
    """A supply as a recipe names it: its id, what it is called, and its colour as #rrggbb as it is used."""

    id: int
    label: str
    name: str
    range: str
    medium: str
    shade: str


@dataclass(frozen=True, slots=True)
class PaletteLine:
    """A palette colour: its name and role, of what it is (blank: a value), its CIELAB and #rrggbb."""

    name: str
    role: str
    of: str
    lab: tuple[float, float, float]
    shade: str


@dataclass(frozen=True, slots=True)
class AreaLine:
    """Areas of a picture that are coloured in one way: tones from light to dark, each with what it is."""

    names: tuple[str, ...]
    tones: tuple[tuple[str, Ink], ...]
    layers: int
    medium: str
    over: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class PictureLine:
    """A picture: on what, its line, how the tones are laid, the range of most tones, its areas, and in which
    sizes it is printed where."""

    name: str
    paper: str
    line: str
    order: str
    range: str
    areas: tuple[AreaLine, ...]
    printed: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class PadLine:
    """A pad of the ground: how it is laid, and how it joins the next (blank for the last)."""

    ink: Ink
    laid: str
    join: str


@dataclass(frozen=True, slots=True)
class PieceLine:
    """A piece: its size, of what it is, how it lies and how it is made, each in words."""

    name: str
    size: str
    material: str
    lies: str
    notes: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class StockLine:
    """A material: how many sheets of which size, and what is cut out of them."""

    material: str
    sheets: int
    size: str
    pieces: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class StepLine:
    """A step: what, the minutes of hands, what then runs by itself (blank: nothing), with which tool, how."""

    words: str
    minutes: float
    wait: str
    tool: str = ""
    how: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class InsteadLine:
    """What could be used instead of a supply, of other ranges that one owns."""

    ink: Ink
    instead: Ink
    nearness: str


@dataclass(frozen=True, slots=True)
class UsedLine:
    """A supply that goes into the card: at which stage, and what one would call its colour."""

    ink: Ink
    stage: str
    hue: str


@dataclass(frozen=True)
class Recipe:
    """All of it."""

    name: str
    size: str
    base: str
    score: str
    palette: tuple[PaletteLine, ...]
    pictures: tuple[PictureLine, ...]
    ground: str
    pads: tuple[PadLine, ...]
    effects: tuple[str, ...]
    pieces: tuple[PieceLine, ...]
    inside: tuple[PieceLine, ...]
    stocks: tuple[StockLine, ...]
    steps: tuple[StepLine, ...]
    minutes: float
    hands: float
    used: tuple[UsedLine, ...]
    instead: tuple[InsteadLine, ...]
    cautions: tuple[str, ...]

    def times_used(self, ink: Ink) -> int:
        """In how many lines a supply stands: areas of one colouring, pads, and pieces together as one."""
        areas = [ink.id in {one.id for _, one in area.tones} for each in self.pictures for area in each.areas]
        pads = [pad.ink.id == ink.id for pad in self.pads]
        built = [line.ink.id == ink.id and line.stage == "build" for line in self.used]
        return max(sum(areas) + sum(pads) + any(built), 1)
