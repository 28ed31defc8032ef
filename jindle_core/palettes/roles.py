"""What is a colour that joins a palette probably for, and what would that change?"""

from collections.abc import Sequence

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.spaces import Array
from jindle_core.palettes.role import Role


def guess_role(lab: Array, taken: Sequence[Role]) -> Role:
    """The role of a colour (3,) beside some roles: by its lightness and strength, and what is wanting.

    Very dark ones carry the words, very light ones lie under them, greys are
    neutral. Of the others the first leads, a pale one is a ground where there
    is none, and the first strong one after a lead and a support is the accent.

    >>> guess_role([18, 0, 2], []), guess_role([48, -18, -26], [Role.DARK])
    (<Role.DARK: 'dark'>, <Role.LEAD: 'lead'>)
    """
    lightness, a, b = map(float, lab)
    chroma = float(np.hypot(a, b))
    grey = chroma < figures.paper.NEUTRAL_ROLE_C
    pale = chroma < figures.paper.PALE_ROLE_C
    if lightness <= figures.paper.DARK_ROLE_L and (pale or Role.LEAD in taken) and Role.DARK not in taken:
        return Role.DARK
    if lightness >= figures.paper.LIGHT_ROLE_L and pale:
        return next((one for one in (Role.LIGHT, Role.GROUND) if one not in taken), Role.NEUTRAL)
    if grey:
        return Role.NEUTRAL
    if Role.LEAD not in taken:
        return Role.LEAD
    if lightness >= figures.paper.GROUND_ROLE_L and pale and Role.GROUND not in taken:
        return Role.GROUND
    strong = chroma >= figures.paper.ACCENT_ROLE_C
    if strong and Role.SUPPORT in taken and Role.ACCENT not in taken:
        return Role.ACCENT
    return Role.SUPPORT
