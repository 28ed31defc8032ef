"""How are a card's pictures coloured?"""

from collections.abc import Sequence
from typing import Annotated

from jindle_core.colorimetry.views import Shades
from jindle_core.families.recipes import Extent, Thing
from jindle_core.families.shading import Light
from jindle_core.matching.verdicts import Verdict
from jindle_core.media.groups import PICTURE_MEDIA
from server.told.answer import Answer, OneOf
from server.told.card import Picture, Step
from server.told.swatch import Swatch


class Fault(Answer):
    """What is wrong, and at which step from light to dark (none: with the whole)."""

    step: int | None
    words: str


class Judgement(Answer):
    """A family's steps from light to dark, and what is wrong with it."""

    span: Annotated[float, "ΔL* lightest to darkest"]
    wanted: Annotated[float, "ΔL* that shows form with so many tones"]
    lightness: Annotated[Sequence[float], "ΔL* of each step"]
    hue: Annotated[Sequence[float | None], "degrees of each step; none near grey"]
    faults: Sequence[Fault]


class Over(Answer):
    """What is laid over a tone, and in how many layers each."""

    swatch: Swatch
    under_layers: int
    layers: int


class Tone(Answer):
    """A tone as it would look on the card's paper with the area's layers."""

    name: str
    swatch: Swatch
    shades: Shades
    lightness: Annotated[float, "L*"]
    uncertainty: Annotated[float, "ΔE00"]
    predicted: bool
    over: Annotated[Over | None, "laid over it, dry: both together are the tone"]


class Area(Answer):
    """A part of the picture that is coloured as one."""

    key: int
    name: str
    shape: str
    covered: Annotated[float, "how much other pieces cover (0–1), where nobody need colour it"]
    covered_by: str
    like: Annotated[int | None, "the key of the area that it is coloured as"]
    led_by: Annotated[Sequence[int], "that one's key and those of all that it follows in turn"]
    colour: int | None
    thing: Thing
    extent: Extent
    focal: bool
    medium: Annotated[str, OneOf(*PICTURE_MEDIA)]
    layers: int
    note: Annotated[str, "how such a thing is laid"]
    of_greys: Annotated[bool, "shaded with greys, warm or cool as the palette is"]
    lost: Annotated[int, "tones that have left the supplies"]
    likeness: Annotated[Verdict | None, "of the nearest tone to the palette colour"]
    tones: Sequence[Tone]
    glaze: Annotated[Tone | None, "the darkest tone with a neutral laid over it"]
    judgement: Judgement | None
    order: Sequence[Step]
    edge: Annotated[int | None, "the tone that hides a white cut edge"]


class Named(Answer):
    """A choice and its words."""

    key: str
    words: str


class LineRange(Answer):
    """A range that lines are stamped or written with."""

    id: int
    name: str


class ColouredPicture(Answer):
    """How a picture of the card is coloured."""

    key: int
    name: str
    drawing: int | None
    paper: Swatch | None
    surface: str
    surface_said: Annotated[bool, "of this card, not by the paper's range"]
    wet_layers: Annotated[int, "that the paper takes with ease"]
    wet_strokes: Annotated[int, "over one another, at the busiest join of its families"]
    light: Light
    dark_first: bool
    line: str
    line_range: int | None
    finishes: Sequence[str]
    areas: Sequence[Area]
    sessions: Annotated[Sequence[Step], "to areas that share a family"]
    cautions: Sequence[str]
    greys: Annotated[str, "the greys that go with the palette: warm or cool"]


class Colouring(Answer):
    """How the card's pictures are coloured, and what there is to choose from."""

    pictures: Sequence[ColouredPicture]
    lines: Sequence[Named]
    line_ranges: Sequence[LineRange]
    all_finishes: Sequence[Named]
    most_pictures: int


class OfferedTone(Answer):
    """A tone that could be chosen."""

    swatch: Swatch
    shades: Shades


class OfferedFamily(Answer):
    """A family that could be chosen, light to dark."""

    kept: Annotated[
        str,
        "which limits it keeps: the usual, wider steps, or a farther hue",
        OneOf("whole", "relaxed", "best"),
    ]
    words: Annotated[str, "what it is, in a few words: why it is the best, or how it differs"]
    tones: Sequence[OfferedTone]
    judgement: Judgement


class FamilyMend(Answer):
    """A tone that would help; ``family`` is what the family would be, none for a glaze over the darkest."""

    words: str
    family: Sequence[int] | None
    swatch: Swatch
    shades: Shades


class Offers(Answer):
    """What can be chosen for an area."""

    wanted: Annotated[int, "how many tones its size and importance want"]
    families: Sequence[OfferedFamily]
    mends: Sequence[FamilyMend]


class OnPaper(Answer):
    """The picture on another paper."""

    paper: Swatch | None
    words: str
    uncertainty: Annotated[float, "one sigma of its least known tone, in ΔE00"]
    picture: Picture | None
