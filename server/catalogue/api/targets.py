"""A colour to be matched: a supply by its id, or a value that was typed."""

from dataclasses import dataclass

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.naming import hue_family
from jindle_core.colorimetry.spaces import on_screen
from jindle_core.colorimetry.typed import read_typed
from jindle_core.colorimetry.views import shades
from jindle_core.colorimetry.wide import wide_shade
from jindle_core.errors import BadInput, Problem
from jindle_core.supplies.asked import place_of
from jindle_core.supplies.whole import Supplies
from server.catalogue.swatches import swatch
from server.told.choices import PROVENANCE_WORDS
from server.told.find import Target as TargetTold


@dataclass(frozen=True)
class Target:
    """The colour, its uncertainty, its place in the supplies if it is a supply, and itself as told."""

    lab: tuple[float, float, float]
    sigma: float
    place: int | None
    told: TargetTold


def target_of(supplies: Supplies, colour: int | None, value: str) -> Target:
    """The target that is named by a supply's id or by #rrggbb or Lab as typed."""
    if colour is not None:
        place = place_of(supplies, colour)
        shown = swatch(supplies, place)
        sigma = float(supplies.sigma[place])
        same = ("lab", "shades", "hue_name", "provenance_words", "uncertainty", "on_screen", "wide")
        label = f"{shown.range_name} {shown.label}"
        told = TargetTold(swatch=shown, label=label, **{name: getattr(shown, name) for name in same})
        return Target(supplies.lab_at(place), sigma, place, told)
    typed = read_typed(value)
    if typed is None:
        raise BadInput(
            Problem(
                f"“{value}” is no colour value.",
                field="value",
                value=value,
                expected="#rrggbb, or L, a, b such as 52, −10, 20",
            )
        )
    lab = np.array(typed.lab)
    sigma = figures.colour.UNCERTAINTY[typed.provenance]
    told = TargetTold(
        swatch=None,
        label=value.strip(),
        lab=[round(part, 2) for part in typed.lab],
        shades=shades(lab)[0],
        hue_name=hue_family(typed.lab),
        provenance_words=PROVENANCE_WORDS[typed.provenance],
        uncertainty=sigma,
        on_screen=bool(on_screen(lab)),
        wide=wide_shade(typed.lab),
    )
    return Target(typed.lab, sigma, None, told)
