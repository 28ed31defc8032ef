"""Which of a card's materials will not get on, why, and what are the ways out?

Rules are data: a test on what is used, with its reason. They are cardmakers'
common experience in our own words; the label of a product goes before them.
"""

from collections.abc import Callable
from dataclasses import dataclass

from jindle_core.checks.finding import Status
from jindle_core.compatibility.materials import LineInk, Surface
from jindle_core.media.medium import Carrier, Medium, Toning, Traits


@dataclass(frozen=True, slots=True)
class Used:
    """What a picture is made with: line ink (None: no line), media, paper, finishes, and its wet ``strokes``
    over one another where there are most."""

    line: LineInk | None
    media: frozenset[Medium]
    surface: Surface
    strokes: int
    finishes: frozenset[str]

    @property
    def sealed(self) -> bool:
        """Whether the line lies under clear embossing powder."""
        return "embossed line" in self.finishes

    @property
    def carriers(self) -> set[Carrier]:
        """What wets the paper."""
        return {one.traits.carrier for one in self.media if one.traits.carrier is not None}

    def any(self, told: Callable[[Traits], object]) -> bool:
        """Whether any of the media is so."""
        return any(told(one.traits) for one in self.media)


@dataclass(frozen=True, slots=True)
class Conflict:
    """What will not get on: a key, how bad, a title, why, and the ways out."""

    key: str
    status: Status
    title: str
    why: str
    ways: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class _Rule:
    conflict: Conflict
    applies: Callable[[Used], bool]


def _rule(
    key: str, status: Status, title: str, why: str, ways: tuple[str, ...], applies: Callable[[Used], bool]
) -> _Rule:
    return _Rule(Conflict(key, status, title, why, ways), applies)


_ANOTHER_INK = "stamp with an ink that is proof against it"
_SEAL = "seal the line with clear embossing powder first"

CONFLICTS = (
    _rule(
        "line bleeds", Status.FAILS, "The line bleeds under alcohol markers",
        "Alcohol dissolves this ink, and the nib drags it into the colour.",
        (_ANOTHER_INK, _SEAL, "colour first, line last"),
        lambda used: Carrier.ALCOHOL in used.carriers
        and used.line is not None and not used.line.solvent_proof and not used.sealed,
    ),
    _rule(
        "line runs", Status.FAILS, "The line runs under water",
        "This ink is not waterproof: a wet brush or water-based marker picks it up.",
        ("stamp with a waterproof ink", _SEAL, "heat-set it if its label says that this proofs it"),
        lambda used: Carrier.WATER in used.carriers
        and used.line is not None and not used.line.waterproof and not used.sealed,
    ),
    _rule(
        "line smears", Status.LOOK_AGAIN, "The line stays open for hours",
        "Slow-drying ink smears under the hand and dirties nibs and brushes.",
        ("heat-set it", _SEAL, "let it dry overnight"),
        lambda used: used.line is not None and used.line.slow and not used.sealed,
    ),
    _rule(
        "stencil smears", Status.LOOK_AGAIN, "A stencil over a fresh stamp smears it",
        "Ink pads are brushed on through a stencil, and that lies on the line while it is open.",
        ("heat-set the line first", _SEAL, "stamp the line last"),
        lambda used: used.any(lambda its: its.pad)
        and used.line is not None and used.line.slow and not used.sealed,
    ),
    _rule(
        "feathers", Status.FAILS, "More wet layers than the paper takes",
        "Going back and forth over a join wets as a layer does. Beyond what the paper can hold, colour creeps"
        " over the line and the surface pills.",
        ("fewer tones or layers", "smooth marker paper", "let each layer dry, and go over the joins once"),
        lambda used: bool(used.carriers) and used.strokes > used.surface.most_layers,
    ),
    _rule(
        "wears", Status.LOOK_AGAIN, "Many wet layers for this paper",
        "It takes them from a light hand only; colour may creep over the line where tones join.",
        ("let each layer dry", "try the join on a scrap of it", "fewer tones or layers"),
        lambda used: bool(used.carriers)
        and used.surface.wet_layers < used.strokes <= used.surface.most_layers,
    ),
    _rule(
        "sits on top", Status.FAILS, "Alcohol colour does not sink in here",
        "The paper does not drink: colour stays wet on it, cannot be blended and wipes off.",
        ("colour on other paper and cut out", "colour from behind, in one layer, and let it dry long"),
        lambda used: Carrier.ALCOHOL in used.carriers and not used.surface.soaks,
    ),
    _rule(
        "pills", Status.LOOK_AGAIN, "Little water for this paper",
        "It is not made for water: it buckles and its surface rubs up.",
        ("watercolour paper", "a damp brush, never a wet one", "one layer"),
        lambda used: Carrier.WATER in used.carriers and not used.surface.takes_water,
    ),
    _rule(
        "breaks the line", Status.LOOK_AGAIN, "A solid line breaks on rough paper",
        "Watercolour paper has a tooth, so a stamped line prints in gaps.",
        ("stamp twice without moving the block", "a smooth watercolour paper"),
        lambda used: used.line is not None and used.surface.takes_water,
    ),
    _rule(
        "warps", Status.FAILS, "Heat warps this paper",
        "Vellum and the like curl under the heat tool.",
        ("emboss another layer and glue it on", "heat from below, briefly and moving, and test first"),
        lambda used: not used.surface.takes_heat and bool(used.finishes & {"embossing", "embossed line"}),
    ),
    _rule(
        "powder sticks", Status.LOOK_AGAIN, "Powder sticks to anything damp",
        "Embossing powder catches on fresh colour and on static, and leaves specks.",
        ("let the colour dry wholly", "dust with an anti-static pad", "emboss before colouring"),
        lambda used: "embossing" in used.finishes and bool(used.carriers),
    ),
    _rule(
        "gloss lifts", Status.FAILS, "Gloss lifts colour that water wakes",
        "Gloss medium and glitter glue are wet: they pick up water-reactive ink and cloud.",
        ("seal the colour first, after a test", "keep them off the coloured part", "alcohol markers there"),
        lambda used: used.any(lambda its: its.runs) and bool(used.finishes & {"gloss", "glitter"}),
    ),
    _rule(
        "wax dulls", Status.LOOK_AGAIN, "Wax dulls the black line",
        "Pencil over a black line leaves a grey bloom on it.",
        ("redraw the line at the end", "keep the point beside the line"),
        lambda used: used.any(lambda its: its.blooms) and used.line is not None,
    ),
    _rule(
        "wax under marker", Status.LOOK_AGAIN, "Pencil under marker clogs the nib",
        "Wax and oil on the paper keep marker colour out and stay on the nib.",
        ("markers first, pencil over them once dry",),
        lambda used: used.any(lambda its: its.toning is Toning.DRAWN) and bool(used.carriers),
    ),
    _rule(
        "solvent wakes marker", Status.LOOK_AGAIN, "Blending solvent moves what lies under it",
        "It can lift alcohol colour and soften a line that is not proof.",
        ("blend dry, with a stump or a white pencil", "test on a scrap of the same"),
        lambda used: "solvent" in used.finishes
        and (Carrier.ALCOHOL in used.carriers or (used.line is not None and not used.line.solvent_proof)),
    ),
)  # fmt: skip


def conflicts(used: Used) -> list[Conflict]:
    """What of a card's materials will not get on, the failing ones first."""
    found = [rule.conflict for rule in CONFLICTS if rule.applies(used)]
    return sorted(found, key=lambda one: one.status is not Status.FAILS)


CAUTIONS: tuple[tuple[Callable[[Used], bool], str], ...] = (
    (
        lambda used: Carrier.ALCOHOL in used.carriers,
        "Alcohol markers: fresh air, and no flame or heat tool near while they are wet.",
    ),
    (
        lambda used: bool(used.finishes & {"solvent", "fixative"}),
        "Solvent and spray: outdoors or at an open window, away from flame; read the label and safety sheet."
        " With asthma, skin trouble or in pregnancy ask a professional first.",
    ),
    (
        lambda used: bool(used.finishes & {"embossing", "embossed line"}),
        "The heat tool burns skin and scorches paper; keep it off anything damp with alcohol or solvent.",
    ),
    (
        lambda used: "glitter" in used.finishes,
        "Glitter and fine powder: do not breathe them, wipe up damp, keep from small children.",
    ),
)


def cautions(used: Used) -> list[str]:
    """What to take care of; the product's label and safety sheet go before it."""
    return [words for applies, words in CAUTIONS if applies(used)]
