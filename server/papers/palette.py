"""The palette that grows from a sheet, and how a sheet goes with a palette, in words."""

from typing import Any

import numpy as np

from jindle_core.card.changes.palette import AddColour
from jindle_core.card.whole import Anchor
from jindle_core.colorimetry.naming import hue_family
from jindle_core.colorimetry.temperature import temperature
from jindle_core.media import LETTERING_MEDIA, Medium
from jindle_core.palettes.from_paper import Going, lettering_for, neutrals_for, propose_roles
from jindle_core.palettes.role import Role
from jindle_core.patterned.colours import PARTS, SheetColour, parts_of
from jindle_core.supplies.colours import Supplies
from server.papers.models import Paper


def starts(catalogue: Supplies, paper: Paper, chosen: list[int]) -> list[AddColour]:
    """The palette that grows from some places of a sheet."""
    rows = [catalogue.rows[place] for place in chosen]
    shares = np.array([catalogue.shares.get(row.id, 0.0) or 1e-3 for row in rows])
    parts = parts_of(catalogue.lab[chosen], shares)
    order = sorted(range(len(chosen)), key=lambda at: (PARTS.index(parts[at]), -shares[at]))
    chosen, shares = [chosen[at] for at in order], shares[order]
    labs = catalogue.lab[chosen]
    from_sheet = [
        SheetColour(catalogue.lab_at(place), float(share), parts[at])
        for at, place, share in zip(order, chosen, shares, strict=True)
    ]
    roles = propose_roles(from_sheet)
    found = [
        _start(catalogue, place, _label(catalogue, place).removeprefix(f"{paper.title}, "), role)
        for place, role in zip(chosen, roles, strict=True)
    ]
    markers = _offered(catalogue, (Medium.ALCOHOL_MARKER,))
    warm = temperature(labs, shares) > 0
    for at, place in enumerate(neutrals_for(labs, shares, catalogue.lab[markers], 1)):
        words = f"{'warm' if warm else 'cool'} grey" + (f" {at + 1}" if at else "")
        found.append(_start(catalogue, int(markers[place]), words, Role.NEUTRAL))
    letters = _offered(catalogue, LETTERING_MEDIA)
    reading = lettering_for(labs[0], labs[1:], catalogue.lab[letters])
    if reading and reading[0] == "candidate":
        found.append(_start(catalogue, int(letters[reading[1]]), "lettering", Role.DARK))
    return found


def _label(catalogue: Supplies, place: int) -> str:
    row = catalogue.rows[place]
    return row.name or row.code


def _start(catalogue: Supplies, place: int, name: str, role: Role) -> AddColour:
    pk = catalogue.rows[place].id
    return AddColour(Anchor(pk, catalogue.lab_at(place), catalogue.provenance(place)), name, role)


def _offered(catalogue: Supplies, media: tuple[Medium, ...]) -> np.ndarray:
    """Supplies of some media: those that are usable, or all where none is."""
    places = catalogue.of_media(media)
    own = places[catalogue.usable[places]]
    return own if len(own) else places


def reason(going: Going, names: list[str], told: dict[str, Any]) -> str:
    """Why a sheet goes with a palette of these names, or does not."""
    if not going.holds:
        return "none of the palette’s colours is on it"
    words = "has " + ", ".join(names[at] for at in going.holds)
    if going.stranger is not None:
        stranger = told["colours"][going.stranger]
        words += f"; brings {hue_family(stranger['lab'])} ({(stranger['share'] or 0) * 100:.0f} %) along"
    return words
