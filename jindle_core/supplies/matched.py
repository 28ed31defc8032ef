"""What is told of a colour among the supplies, and how near is it to another?"""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import NamedTuple

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import Lab
from jindle_core.colorimetry.views import Shades
from jindle_core.colorimetry.wide import wide_shade
from jindle_core.fullness import Fullness
from jindle_core.matching.nearest import query_each
from jindle_core.matching.verdicts import Judgement, Verdict, combined, direction, judge_distance
from jindle_core.media.groups import COLUMNS
from jindle_core.media.medium import Form, Medium
from jindle_core.provenance import Provenance
from jindle_core.supplies.whole import Supplies
from jindle_core.words import in_words


class Swatch(NamedTuple):
    """A colour as it is shown; ``fullness`` is None where it is not in the drawer.

    ``read`` says that it is the person's own reading, ``lost`` that its range
    was deleted. ``wide`` is its shade for screens that show more than others,
    where those cannot show it. ``second`` is predicted: a marker's second
    layer, a pad's light hand. ``share`` and ``sheet`` are of patterned paper:
    the colour's part of its sheet, and every colour of that.
    """

    id: int
    code: str
    name: str
    label: str
    family: str
    range_id: int
    range_name: str
    medium: Medium
    form: Form
    lab: Lab
    hue_name: str
    provenance: Provenance
    uncertainty: float
    on_screen: bool
    wide: str | None
    fullness: Fullness | None
    read: bool
    discontinued: bool
    lost: bool
    shades: Shades
    second: Shades | None
    share: float | None
    sheet: tuple[Shades, ...]


def swatch_of(supplies: Supplies, place: int) -> Swatch:
    """The colour at a place of the supplies."""
    row = supplies.rows[place]
    facts, kept = supplies.ranges[row.range_id], supplies.kept(place)
    form = facts.medium.traits.form
    sheet = supplies.sheets.get((facts.id, row.family), ()) if form is Form.SHEET else ()
    return Swatch(
        row.id,
        row.code,
        row.name,
        row.label,
        row.family,
        facts.id,
        facts.name,
        facts.medium,
        form,
        supplies.lab_at(place),
        supplies.hue_name(place),
        supplies.provenance(place),
        float(supplies.sigma[place]),
        bool(supplies.shown[place]),
        None if supplies.shown[place] else wide_shade(supplies.lab_at(place)),
        kept.fullness if kept else None,
        row.id in supplies.settled,
        bool(supplies.discontinued[place]),
        bool(supplies.lost[place]),
        supplies.shades[place],
        supplies.predicted.second_shades.get(place),
        supplies.shares.get(row.id),
        tuple(supplies.shades[other] for other in sheet),
    )


@dataclass(frozen=True, slots=True)
class Nearness:
    """How near a colour is to a target: ΔE00, what that means, and which way it is off."""

    distance: float
    judged: Judgement
    direction: str

    @property
    def verdict(self) -> Verdict:
        """What one calls it."""
        return self.judged.verdict

    @property
    def words(self) -> str:
        """The same as one would say it, with which way it is off."""
        sure = "probably " if self.judged.tentative else ""
        towards = f", {self.direction}" if self.direction else ""
        return f"{sure}{in_words(self.verdict)}{towards}"


def nearness(
    target: Sequence[float], sigma: float, lab: Sequence[float], its_sigma: float, distance: float
) -> Nearness:
    """How near a CIELAB (3,) known to ``its_sigma`` is to a target (3,) known to ``sigma``."""
    uncertainty = combined(sigma, its_sigma)
    towards = direction(target, lab, distance, uncertainty)
    return Nearness(distance, judge_distance(distance, uncertainty), towards)


ITSELF = Nearness(0.0, judge_distance(0.0), "")  # however surely or not a supply is known


@dataclass(frozen=True, slots=True)
class Match:
    """A colour of the supplies beside a target."""

    swatch: Swatch
    near: Nearness


def match_of(supplies: Supplies, place: int, target: Sequence[float], sigma: float, distance: float) -> Match:
    """The colour at a place beside a target (3,) known to ``sigma``, from which it is ``distance`` away."""
    its_sigma = float(supplies.sigma[place])
    near = nearness(target, sigma, supplies.lab_at(place), its_sigma, distance)
    return Match(swatch_of(supplies, place), near)


def matches_of(
    supplies: Supplies, places: np.ndarray, targets: np.ndarray, sigmas: Sequence[float]
) -> list[Match]:
    """The colours at places (n,), each beside its own target (n, 3) known to its sigma (n)."""
    distances = delta_e(targets, supplies.lab[places]).tolist()
    each = zip(places.tolist(), targets.tolist(), sigmas, distances, strict=True)
    return [match_of(supplies, *one) for one in each]


def nearest_in_each(supplies: Supplies, labs: np.ndarray, sigmas: np.ndarray) -> list[list[Match]]:
    """For each colour (n, 3), known to its sigma (n), the nearest of every medium but paper.

    An owned one where one is near enough.
    """
    rows: list[list[Match]] = [[] for _ in labs]
    for key in (column.key for column in COLUMNS if column.key != "paper"):
        own, all_of_them = (supplies.searched.tree(key, owned) for owned in (True, False))
        answers = query_each([own[0], all_of_them[0]], labs)
        for at, (mine, best) in enumerate(zip(*answers, strict=True)):
            usable = len(mine.indices) and mine.distances[0] <= figures.colour.NEAR
            (_, places), found = (own, mine) if usable else (all_of_them, best)
            if len(found.indices):
                place, distance = int(places[found.indices[0]]), float(found.distances[0])
                rows[at].append(match_of(supplies, place, labs[at].tolist(), float(sigmas[at]), distance))
    return rows
