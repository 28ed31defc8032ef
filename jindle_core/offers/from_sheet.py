"""Which palette grows from a sheet of paper, and how does a sheet go with a palette?"""

import re
from collections.abc import Sequence

import numpy as np

from jindle_core.card.changes.palette import AddColour
from jindle_core.card.whole import Anchor
from jindle_core.colorimetry.naming import hue_family, own_names
from jindle_core.colorimetry.temperature import temperature
from jindle_core.media.groups import LETTERING_MEDIA
from jindle_core.media.medium import Medium
from jindle_core.palettes.from_paper import Going, goes_with, lettering_for, neutrals_for, propose_roles
from jindle_core.palettes.role import Role
from jindle_core.patterned.colours import PARTS, SheetColour, parts_of
from jindle_core.seen.palette import SeenPalette
from jindle_core.supplies.whole import Supplies

_PART = re.compile(rf"({'|'.join(PARTS)})( [0-9]+)?")


def starts(supplies: Supplies, title: str, chosen: Sequence[int]) -> list[AddColour]:
    """The palette that grows from some places of a sheet: its colours, greys that suit them, lettering."""
    rows = [supplies.rows[place] for place in chosen]
    shares = np.array([supplies.shares.get(row.id, 0.0) or 1e-3 for row in rows])
    parts = parts_of(supplies.lab[list(chosen)], shares)
    order = sorted(range(len(chosen)), key=lambda at: (PARTS.index(parts[at]), -shares[at]))
    chosen, shares = [chosen[at] for at in order], shares[order]
    labs = supplies.lab[chosen]
    from_sheet = [
        SheetColour(supplies.lab_at(place), float(share), parts[at])
        for at, place, share in zip(order, chosen, shares, strict=True)
    ]
    found = [
        _start(supplies, place, name, role)
        for place, name, role in zip(
            chosen, _names(supplies, title, chosen), propose_roles(from_sheet), strict=True
        )
    ]
    markers = _offered(supplies, (Medium.ALCOHOL_MARKER,))
    warm = temperature(labs, shares) > 0
    for at, place in enumerate(neutrals_for(labs, shares, supplies.lab[markers], 1)):
        words = f"{'warm' if warm else 'cool'} grey" + (f" {at + 1}" if at else "")
        found.append(_start(supplies, int(markers[place]), words, Role.NEUTRAL))
    letters = _offered(supplies, LETTERING_MEDIA)
    reading = lettering_for(labs[0], labs[1:], supplies.lab[letters])
    if reading and reading[0] == "candidate":
        place = int(letters[reading[1]])
        found.append(_start(supplies, place, hue_family(supplies.lab_at(place)), Role.DARK))
    return found


def _label(supplies: Supplies, place: int) -> str:
    row = supplies.rows[place]
    return row.name or row.code


def _names(supplies: Supplies, title: str, chosen: Sequence[int]) -> list[str]:
    """What the sheet calls its colours; where that is the part they play, what they are called themselves."""
    told = [_label(supplies, place).removeprefix(f"{title}, ") for place in chosen]
    own = own_names(supplies.lab[list(chosen)])
    return [its if _PART.fullmatch(one) else one for one, its in zip(told, own, strict=True)]


def _start(supplies: Supplies, place: int, name: str, role: Role) -> AddColour:
    pk = supplies.rows[place].id
    return AddColour(Anchor(pk, supplies.lab_at(place), supplies.provenance(place)), name, role)


def _offered(supplies: Supplies, media: tuple[Medium, ...]) -> np.ndarray:
    """Supplies of some media: those that are usable, or all where none is."""
    places = supplies.of_media(media)
    own = places[supplies.usable[places]]
    return own if len(own) else places


def going(palette: SeenPalette, places: Sequence[int]) -> tuple[Going, str]:
    """How a sheet (the places of its colours) goes with a palette, and why or why not."""
    supplies = palette.supplies
    shares = [supplies.shares.get(supplies.rows[place].id) or 0.0 for place in places]
    labs = supplies.lab[list(places)]
    found = goes_with(labs, np.array([share or 1 / len(labs) for share in shares]), palette.lab)
    if not found.holds:
        return found, "none of the palette’s colours is on it"
    words = "has " + ", ".join(palette.card.colours[at].name for at in found.holds)
    if found.stranger is not None:
        hue = hue_family(labs[found.stranger])
        words += f"; brings {hue} ({shares[found.stranger] * 100:.0f} %) along"
    return found, words
