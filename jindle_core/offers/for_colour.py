"""What can be used instead of a colour, and what corresponds to a family in another range?"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.spaces import Lab
from jindle_core.families.convert import ToneStep, convert
from jindle_core.fullness import TO_BUY
from jindle_core.media.medium import Medium
from jindle_core.prediction.behaviour import Hand
from jindle_core.supplies.inked import inked_cards
from jindle_core.supplies.matched import Match, Nearness, Swatch, match_of, nearness, swatch_of
from jindle_core.supplies.whole import Supplies

_NEAREST = 4
_GLAZES = 3
NO_GAIN = 99.0  # ΔE00 that a prediction is nearer than where nothing is owned


@dataclass(frozen=True, slots=True)
class Predicted:
    """A colour that is predicted, not read: its CIELAB, how near it would be, and how much nearer (ΔE00)
    than the nearest single colour that is owned."""

    lab: Lab
    near: Nearness
    gain: float


@dataclass(frozen=True, slots=True)
class GlazeOffer:
    """One owned colour laid over another, each in so many layers."""

    under: Swatch
    over: Swatch
    under_layers: int
    over_layers: int
    predicted: Predicted

    @property
    def unread(self) -> bool:
        """Whether one of them is known no better than by its label: of two labels no glaze is foreseen."""
        return max(self.under.uncertainty, self.over.uncertainty) >= figures.colour.UNCERTAINTY["label"]


@dataclass(frozen=True, slots=True)
class InkedOffer:
    """An owned white card inked whole with an owned pad."""

    pad: Swatch
    card: Swatch
    hand: Hand
    predicted: Predicted


@dataclass(frozen=True, slots=True)
class Instead:
    """What can be used instead of a colour, from what is owned.

    ``wanting`` says why something else is wanted, empty where nothing is
    amiss; the notes why there is no glaze and no inked card, where there is none.
    """

    wanting: str
    nearest: tuple[Match, ...]
    glazes: tuple[GlazeOffer, ...]
    glaze_note: str
    inked: tuple[InkedOffer, ...]
    ink_note: str


@dataclass(frozen=True, slots=True)
class Target:
    """A colour that is wanted: its CIELAB, how sure that is (ΔE00), its medium, its place if it has one."""

    lab: Lab
    sigma: float
    medium: Medium
    place: int | None = None


def instead_of(supplies: Supplies, place: int) -> Instead:
    """What can be used instead of the colour at a place."""
    target = Target(supplies.lab_at(place), float(supplies.sigma[place]), _medium(supplies, place), place)
    nearest = _nearest(supplies, place)
    best = nearest[0].near.distance if nearest else NO_GAIN
    glazes, glaze_note = glazed(supplies, target, best)
    inked, ink_note = inked_whole(supplies, target, best)
    return Instead(
        _wanting(supplies, place), tuple(nearest), tuple(glazes), glaze_note, tuple(inked), ink_note
    )


def _wanting(supplies: Supplies, place: int) -> str:
    kept = supplies.kept(place)
    if kept is None:
        return (
            "discontinued, and not in your drawer" if supplies.discontinued[place] else "not in your drawer"
        )
    return TO_BUY.get(kept.fullness, "")


def _medium(supplies: Supplies, place: int) -> Medium:
    return supplies.ranges[supplies.rows[place].range_id].medium


def _nearest(supplies: Supplies, place: int) -> list[Match]:
    """The nearest usable colours of the media that do the same work."""
    column = _medium(supplies, place).traits.column
    places = supplies.of_media((_medium(supplies, place),)) if column is None else supplies.columns[column]
    places = places[supplies.usable[places] & (places != place)]
    target, sigma = supplies.lab_at(place), float(supplies.sigma[place])
    (found,) = supplies.nearest(np.array([target]), _NEAREST, places)
    return [
        match_of(supplies, int(at), target, sigma, float(distance))
        for at, distance in zip(found.indices, found.distances, strict=True)
    ]


def _predicted(target: Target, lab: Lab, distance: float, sigma: float, best: float) -> Predicted:
    near = nearness(target.lab, target.sigma, lab, sigma, distance)
    return Predicted(lab, near, min(best, NO_GAIN) - distance)


def glazed(supplies: Supplies, target: Target, best: float) -> tuple[list[GlazeOffer], str]:
    """Two of what is owned that come nearer to a colour together than ``best`` (ΔE00); or why none do."""
    medium = target.medium if target.medium.traits.layered else Medium.ALCOHOL_MARKER
    table, places = supplies.glazed.table(medium)
    if len(places) < 2:
        return [], f"A glaze takes two colours of {medium.value} in the drawer."
    own = next((at for at, one in enumerate(places) if one == target.place), None)
    found = [
        glaze
        for glaze in table.best(np.array(target.lab), _GLAZES, own)
        if best - glaze.distance >= figures.laying.GLAZE_GAIN and glaze.distance <= figures.palettes.HOLE
    ]
    if not found:
        return [], "No two of what you own come nearer than one alone by enough to be worth it."
    offers = []
    for glaze in found:
        under, over = int(places[glaze.under]), int(places[glaze.over])
        sigma = supplies.predicted.glaze_sigma(under, over)
        offers.append(
            GlazeOffer(
                swatch_of(supplies, under),
                swatch_of(supplies, over),
                glaze.under_layers,
                glaze.over_layers,
                _predicted(target, glaze.lab, glaze.distance, sigma, best),
            )
        )
    return offers, ""


def inked_whole(supplies: Supplies, target: Target, best: float) -> tuple[list[InkedOffer], str]:
    """White cards that, inked whole, come near a cardstock that is wanted; or why none do."""
    if not target.medium.traits.stock:
        return [], ""
    found = inked_cards(supplies, target.lab)
    if found is None:
        return [], "To ink your own, the drawer must hold a pad and a white card."
    return [
        InkedOffer(
            swatch_of(supplies, one.pad),
            swatch_of(supplies, one.card),
            one.hand,
            _predicted(target, one.lab, one.distance, one.sigma, best),
        )
        for one in found
        if one.card is not None
    ], ""


@dataclass(frozen=True, slots=True)
class ConvertedFamily:
    """A family, light to dark, side by side with the one that corresponds to it in another range.

    ``mean`` is the mean ΔE00 of the family found, ``separate`` that of separate
    nearest ones. Where none corresponds ``found`` is empty, and ``note`` says why.
    """

    tones: tuple[Swatch, ...]
    found: tuple[Match, ...] = ()
    steps: tuple[ToneStep, ...] = ()
    mean: float | None = None
    separate: float | None = None
    note: str = ""


def converted(supplies: Supplies, here: Sequence[int], range_id: int, owned: bool) -> ConvertedFamily:
    """What corresponds to a family (places) in a range, out of what is owned of it or all that can be had."""
    kept = supplies.usable if owned else supplies.to_be_had
    there = np.flatnonzero((supplies.range_ids == range_id) & kept)
    made = convert(supplies.lab[list(here)], supplies.lab[there])
    if made is None:
        order = np.argsort(-supplies.lab[list(here)][:, 0], kind="stable")
        whose = "What you own of it" if owned else supplies.ranges[range_id].name
        note = f"{whose} holds no {len(here)} colours that run from light to dark like these."
        return ConvertedFamily(tuple(swatch_of(supplies, here[at]) for at in order), note=note)
    tones = [here[at] for at in made.order]
    pairs = zip(tones, made.places, made.distances, strict=True)
    return ConvertedFamily(
        tuple(swatch_of(supplies, tone) for tone in tones),
        tuple(
            match_of(
                supplies, int(there[at]), supplies.lab_at(tone), float(supplies.sigma[tone]), float(distance)
            )
            for tone, at, distance in pairs
        ),
        tuple(made.steps),
        float(np.mean(made.distances)),
        made.nearest,
    )
