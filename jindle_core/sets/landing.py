"""On which supplies does a card land in a scheme: palette, card and pads, all at once?

Costs are ours, see ``figures.sets``: each place keeps its lightness before its hue and that before its
strength; each two keep which is lighter, and by how much; a colour and the card of it stay together; pads
go on meeting cleanly; nothing is taken twice that was two things.
"""

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from functools import cached_property

import numpy as np

from jindle_core import figures
from jindle_core.blending.joins import measure_join, strips
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import Array, hue_to_lab, lab_to_hue
from jindle_core.media.groups import PAD_MEDIA
from jindle_core.media.medium import Medium
from jindle_core.seen.whole import SeenCard
from jindle_core.sets.depths import Depths
from jindle_core.sets.joint import Joint

VALUE = -1  # the place of what is no supply
_NOWHERE = 1e3  # what it costs at most to land
May = Callable[[np.ndarray], np.ndarray]


@dataclass(frozen=True, slots=True)
class Spot:
    """Something that takes a colour: its id (``colour:1``, ``cut:7``, ``pad:0``), its colour now and, for a
    supply, its place; ``held`` stays as it is."""

    id: str
    lab: tuple[float, float, float]
    place: int
    media: tuple[Medium, ...]
    held: bool


@dataclass(frozen=True, slots=True)
class Landed:
    """What each spot takes: its colour (n, 3), the place of a supply or ``VALUE``; and the cost."""

    labs: Array
    places: tuple[int, ...]
    cost: float


class Landing:
    """One card that lands again and again, of what ``may`` be taken."""

    def __init__(self, seen: SeenCard, may: May, held: frozenset[str], depths: Depths | None = None) -> None:
        self._seen, self._may, self._depths = seen, may, depths
        self._mud: dict[int, np.ndarray] = {}
        self.spots = [*_colours(seen, held), *_cuts(seen, held), *_pads(seen, held)]
        self.labs = np.array([one.lab for one in self.spots], dtype=float).reshape(-1, 3)

    def apart(self, one: Array, other: Array) -> float:
        """How different two landings (n, 3) are: the mean ΔE00 at what may take another colour."""
        moving = np.array([not spot.held for spot in self.spots], dtype=bool)
        return float(delta_e(one[moving], other[moving]).mean())

    def roughly(self, wanted: Array) -> Array:
        """What it costs if each lands by itself where it wants colours (t, n, 3): (t,), enough to tell turns
        that supplies follow from others."""
        found = np.zeros(len(wanted))
        for at, one in enumerate(self.spots):
            if not (one.held or one.place == VALUE):
                found += self._alone(one.media, wanted[:, at])[0].min(axis=-1, initial=_NOWHERE)
        return found

    def land(self, wanted: Array) -> Landed:
        """What all of them take together where they want colours (n, 3)."""
        found = [self._candidates(at, wanted[at]) for at in range(len(self.spots))]
        labs, places, alone = ([one[which] for one in found] for which in range(3))
        between = {}
        for i in range(len(self.spots)):
            for j in range(i + 1, len(self.spots)):
                if len(alone[i]) * len(alone[j]) > 1:
                    between[i, j] = self._two(i, j, labs, places)
        joint = Joint(alone, between)
        chosen = joint.best()
        return Landed(
            np.array([one[at] for one, at in zip(labs, chosen, strict=True)]).reshape(-1, 3),
            tuple(int(one[at]) for one, at in zip(places, chosen, strict=True)),
            joint.cost(chosen),
        )

    def _candidates(self, at: int, wanted: Array) -> tuple[Array, np.ndarray, Array]:
        """What a spot may take: colours (c, 3), their places and costs (c,), the cheapest first."""
        spot = self.spots[at]
        if spot.held:
            return self.labs[[at]], np.array([spot.place]), np.zeros(1)
        if spot.place == VALUE:
            labs = _nearby(wanted)
            places, costs = np.full(len(labs), VALUE), _cost(wanted, labs[:, 0], *lab_to_hue(labs))
        else:
            costs, places = self._alone(spot.media, wanted)
            best = np.argsort(costs, kind="stable")[: 2 * figures.sets.CANDIDATES]
            labs, places, costs = self._seen.supplies.lab[places[best]], places[best], costs[best]
        kind, _, key = spot.id.partition(":")
        if kind == "colour" and self._depths is not None:
            costs = costs + figures.sets.BROKEN["family"] * self._depths.lacking(int(key), labs)
        best = np.argsort(costs, kind="stable")[: figures.sets.CANDIDATES]
        return labs[best], places[best], costs[best]

    def _alone(self, media: tuple[Medium, ...], wanted: Array) -> tuple[Array, np.ndarray]:
        """What each of m supplies of some media costs for colours (…, 3): (…, m); and the places of these."""
        there, lightness, hue, chroma = self._of(media)
        return _cost(wanted, lightness, hue, chroma), there

    def _of(self, media: tuple[Medium, ...]) -> tuple[np.ndarray, Array, Array, Array]:
        if media not in self._known:
            there = self._seen.supplies.of_media(media)
            there = there[self._may(there)]
            labs = self._seen.supplies.lab[there]
            self._known[media] = (there, labs[:, 0], *lab_to_hue(labs))
        return self._known[media]

    @cached_property
    def _known(self) -> dict[tuple[Medium, ...], tuple[np.ndarray, Array, Array, Array]]:
        return {}

    def _two(self, i: int, j: int, labs: Sequence[Array], places: Sequence[np.ndarray]) -> Array:
        """What each two candidates of two spots cost together (c_i, c_j)."""
        was = self.labs[i, 0] - self.labs[j, 0]
        now = labs[i][:, None, 0] - labs[j][None, :, 0]
        cost = ((now - was) / figures.sets.COST_STEP) ** 2
        if abs(was) >= figures.sets.LEAST_STEP:
            least = max(figures.sets.LEAST_STEP, figures.sets.STEP_SHARE * abs(was))
            cost = cost + figures.sets.BROKEN["order"] * (now * np.sign(was) < least)
        if abs(was) >= figures.contrast.PALETTE_SPAN:
            cost = cost + figures.sets.BROKEN["span"] * (np.abs(now) < figures.contrast.PALETTE_SPAN)
        if self._together(i, j):
            apart = delta_e(labs[i][:, None], labs[j][None])
            allowed = max(figures.sets.TOGETHER, float(delta_e(self.labs[i], self.labs[j])))
            cost = cost + (np.maximum(0, apart - allowed) / figures.sets.COST_TOGETHER) ** 2
        if self.spots[i].place != self.spots[j].place or self.spots[i].place == VALUE:
            same = (places[i][:, None] == places[j][None]) & (places[i][:, None] != VALUE)
            cost = cost + figures.sets.BROKEN["twice"] * same
        if self.spots[i].id.startswith("pad:") and self.spots[j].id.startswith("pad:"):
            cost = cost + figures.sets.BROKEN["mud"] * self._muddy(i, j, places)
        return np.asarray(cost)

    def _together(self, i: int, j: int) -> bool:
        """Whether one is of the other's colour: the nearest of the palette, and not far off."""
        kinds = [self.spots[at].id.partition(":")[0] for at in (i, j)]
        if kinds[0] != "colour" or kinds[1] == "colour":
            return False
        count = len(self._seen.palette.lab)
        off = delta_e(self.labs[j], self.labs[:count])
        return bool(off.argmin() == i and off[i] <= figures.colour.COUSIN)

    def _muddy(self, i: int, j: int, places: Sequence[np.ndarray]) -> Array:
        """Which two pads meet in mud (c_i, c_j), where these follow one another and meet cleanly now."""
        grounded = self._seen.ground
        first, second = (int(self.spots[at].id.partition(":")[2]) for at in (i, j))
        pads = grounded.ground.pads
        if second != first + 1 or len(pads) != len(grounded.pads) or grounded.row.is_over(first):
            return np.zeros((len(places[i]), len(places[j])))
        how = [(pads[at].hand, pads[at].coats) for at in (first, second)]
        # The same pads are candidates again and again.
        known = self._mud.setdefault(first, np.full((len(self._seen.supplies.rows),) * 2, -1, dtype=np.int8))
        rows, columns = np.nonzero(known[np.ix_(places[i], places[j])] < 0)
        if len(rows):
            one, other = (
                grounded.inks_at(which.tolist(), [laid] * len(which))
                for which, laid in zip((places[i][rows], places[j][columns]), how, strict=True)
            )
            met = measure_join(strips(one, other, grounded.card), grounded.card)
            known[places[i][rows], places[j][columns]] = met.muddy
        return np.asarray(known[np.ix_(places[i], places[j])], dtype=float)


def _cost(wanted: Array, lightness: Array, hue: Array, chroma: Array) -> Array:
    """What colours (m,) cost where others (…, 3) are wanted: (…, m)."""
    turn, strength = (one[..., None] for one in lab_to_hue(wanted))
    level = wanted[..., 0, None]
    off = np.abs((hue - turn + 180) % 360 - 180)
    low, high = figures.sets.HUE_ENDS
    weight = np.where((level >= low) & (level <= high), 1.0, figures.sets.HUE_AT_ENDS)
    # What has hardly any strength has no hue to be off.
    weight = weight * np.minimum(strength / figures.palettes.RULE_COLOURED, 1.0)
    lost = (strength - chroma) / np.maximum(strength, figures.palettes.RULE_COLOURED)
    costs = ((lightness - level) / figures.sets.COST_L) ** 2
    costs = costs + weight * (np.maximum(0, off - figures.sets.HUE_FREE) / figures.sets.COST_HUE) ** 2
    # Stronger than wanted counts half as much as weaker.
    return np.asarray(costs + (np.where(lost > 0, lost, lost / 2) / figures.sets.COST_CHROMA) ** 2)


def _nearby(wanted: Array) -> Array:
    """A value (3,) and others round it (c, 3): it may be any colour, but its areas may want another."""
    (hue,), (chroma,) = lab_to_hue(wanted[None])
    turns, shares = np.meshgrid(figures.sets.VALUE_TURNS, figures.sets.VALUE_SHARES)
    made = hue_to_lab(np.full(turns.size, wanted[0]), hue + turns.ravel(), chroma * shares.ravel())
    made[:, 0] = wanted[0]
    made[0] = wanted
    return np.asarray(made)


def _colours(seen: SeenCard, held: frozenset[str]) -> list[Spot]:
    """The palette: what is of a supply lands on one of its medium, a value stays a value."""
    found = []
    for colour, lab in zip(seen.card.colours, seen.palette.lab.reshape(-1, 3), strict=True):
        place = seen.palette.place(colour)
        media = () if place is None else (_medium(seen, place),)
        id_ = f"colour:{colour.key}"
        stays = id_ in held or _grey(lab)
        found.append(Spot(id_, _lab(lab), VALUE if place is None else place, media, stays))
    return found


def _cuts(seen: SeenCard, held: frozenset[str]) -> list[Spot]:
    """The supplies that the card and its pieces are cut of, each once; one of a held piece stays."""
    pieces = seen.card.build.every
    kept = {one.material for one in pieces if f"piece:{one.key}" in held}
    ends = dict.fromkeys([seen.card.build.base, *(one.material for one in pieces)])
    found = []
    for end in ends:
        place = seen.supplies.places.get(end.id) if end.source == "supply" else None
        if place is not None:
            lab = seen.supplies.lab[place]
            stays = end in kept or _grey(lab)
            found.append(Spot(f"cut:{end.id}", _lab(lab), place, (_medium(seen, place),), stays))
    return found


def _pads(seen: SeenCard, held: frozenset[str]) -> list[Spot]:
    """The pads of the ground, in their order."""
    found = []
    for at, pad in enumerate(seen.card.ground.pads):
        place = seen.supplies.places.get(pad.colour)
        if place is not None:
            lab = seen.supplies.lab[place]
            stays = f"pad:{at}" in held or _grey(lab)
            found.append(Spot(f"pad:{at}", _lab(lab), place, PAD_MEDIA, stays))
    return found


def _medium(seen: SeenCard, place: int) -> Medium:
    return seen.supplies.ranges[int(seen.supplies.range_ids[place])].medium


def _grey(lab: Array) -> bool:
    """Whether something has no hue that could turn: whites stay white, and greys grey."""
    return bool(lab_to_hue(np.asarray(lab)[None])[1][0] < figures.palettes.RULE_COLOURED)


def _lab(lab: Array) -> tuple[float, float, float]:
    lightness, a, b = np.asarray(lab, dtype=float).tolist()
    return lightness, a, b
