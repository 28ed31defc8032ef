"""What would adding a colour to a palette mean?"""

from dataclasses import dataclass, replace

from jindle_core.card.changes.every import changed
from jindle_core.card.changes.palette import AddColour
from jindle_core.checked.card import pair_checks
from jindle_core.checked.check import Check
from jindle_core.palettes.role import Role
from jindle_core.seen.palette import SeenPalette


@dataclass(frozen=True)
class Turned:
    """A check that a change turns: as it was, and as it is after; None where it is gone."""

    before: Check
    after: Check | None


@dataclass(frozen=True)
class Adding:
    """The role that the colour would have, and what it would change."""

    role: Role
    turned: tuple[Turned, ...]


def adding(palette: SeenPalette, change: AddColour) -> Adding:
    """What adding a colour would mean; nothing is changed. BadInput where it cannot be added.

    Only guesses change, of which there is one of a kind; those that go on
    holding, or failing, may do so without a word.
    """
    after = replace(palette, card=changed(palette.card, change))
    now = {pair.kind: check for pair, check in zip(after.pairs, pair_checks(after), strict=True)}
    guessed = palette.pairs if palette.card.pairs is None else ()
    before = zip(guessed, pair_checks(palette) if guessed else (), strict=True)
    turned = [
        Turned(check, now.get(pair.kind))
        for pair, check in before
        if pair.kind not in now or now[pair.kind].finding.status is not check.finding.status
    ]
    return Adding(after.card.colours[-1].role, tuple(turned))
