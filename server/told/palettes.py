"""Which palettes could there be?"""

from collections.abc import Sequence
from typing import Annotated

from jindle_core.colorimetry.views import Shades
from jindle_core.palettes.role import Role
from server.told.answer import Answer
from server.told.find import Target
from server.told.swatch import Match


class LandedColour(Answer):
    """A colour of a palette: what was asked for, and the supply that stands for it."""

    name: str
    role: Role
    lab: Sequence[float]
    wanted: Shades
    match: Match | None


class Reason(Answer):
    """What speaks for a palette, or against it."""

    holds: bool
    words: str


class Landing(Answer):
    """A palette that keeps a rule, on real supplies."""

    rule: str
    title: str
    about: str
    colours: Sequence[LandedColour]
    reasons: Sequence[Reason]


class RuleLandings(Answer):
    """A palette of each rule, from one colour; ``missing`` says why a rule has none."""

    base: Target
    landings: Sequence[Landing]
    missing: Sequence[str]


class DrawerLandings(Answer):
    """Palettes that a medium's owned colours give, best first."""

    count: Annotated[int, "how many colours there were to choose from"]
    landings: Sequence[Landing]


class Combination(Answer):
    """A combination that was kept, and what it lands on."""

    id: int
    name: str
    own: bool
    colours: Sequence[LandedColour]


class HueRegionSeen(Answer):
    """The same with a colour of it."""

    middle: float
    reach: float
    shades: Shades


class Mood(Answer):
    """A season or place: its hues, how light and how strong it is, why, and on what it lands."""

    key: str
    title: str
    about: str
    own: Annotated[int | None, "the id of one's own"]
    hues: Sequence[HueRegionSeen]
    lightness: Sequence[float]
    chroma: Sequence[float]
    landing: Landing | None
    missing: Annotated[str, "why it lands on nothing here"]
