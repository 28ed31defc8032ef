"""What is a colour of a range, and how near is it to another?"""

from collections.abc import Sequence
from typing import Annotated

from jindle_core.colorimetry.views import Shades
from jindle_core.fullness import Fullness
from jindle_core.matching.verdicts import Verdict
from jindle_core.media.medium import Form, Medium
from server.told.answer import Answer, Long, OneOf
from server.told.choices import PROVENANCE_WORDS


class Swatch(Answer):
    """A colour of a range."""

    id: int
    code: str
    name: str
    label: Annotated[str, "the code or, where the range has none, the name"]
    family: str
    range_id: int
    range_name: str
    medium: Medium
    form: Form
    lab: Annotated[Sequence[float], Long(3, 3)]
    hue_name: str
    provenance: Annotated[str, OneOf(PROVENANCE_WORDS)]
    provenance_words: str
    uncertainty: float
    on_screen: bool
    wide: Annotated[str | None, "the shade for screens that show more than sRGB"]
    owned: bool
    fullness: Annotated[Fullness | None, "in my drawer"]
    read: Annotated[bool, "the person's own reading, not the range's figure"]
    discontinued: bool
    lost: Annotated[bool, "no longer in the supplies: its range was deleted"]
    shades: Shades
    second: Annotated[Shades | None, "predicted: a marker's second layer, or a pad's light hand"]
    share: Annotated[float | None, "of the sheet, for patterned paper"]
    sheet: Annotated[Sequence[Shades], "for patterned paper: all colours of its sheet"]


class Near(Answer):
    """How near something is to a target."""

    distance: Annotated[float, "ΔE00"]
    uncertainty: Annotated[float, "ΔE00, both colours combined"]
    verdict: Verdict
    tentative: Annotated[bool, "not sure enough to be said without “probably”"]
    between: Annotated[Sequence[Verdict], Long(2, 2), "the words it really lies between, four times of five"]
    likely: Annotated[Sequence[float], Long(2, 2), "the same in ΔE00"]
    direction: str


class Match(Near):
    """How near a colour is to a target."""

    swatch: Swatch
