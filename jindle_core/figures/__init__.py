"""Every default figure of the core, once, named, with its reason.

Unless a line says otherwise the figures come from experiments on five
simulated worlds of about 450 invented colours each (two-constant
Kubelka–Munk on paper, soak-in, dry-down, coverage, surface reflection and
instrument noise). Their forms held up; the constants are starting values.
"""

from jindle_core.figures import (
    building,
    colour,
    contrast,
    cutting,
    drawings,
    families,
    files,
    grounds,
    laying,
    limits,
    palettes,
    paper,
    scans,
    sets,
    training,
    work,
)

__all__ = [
    "building",
    "colour",
    "contrast",
    "cutting",
    "drawings",
    "families",
    "files",
    "grounds",
    "laying",
    "limits",
    "palettes",
    "paper",
    "scans",
    "sets",
    "training",
    "work",
]
