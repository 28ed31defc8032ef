"""How would a card look in other colours: the same light and dark, other hues, on real supplies?"""

from collections import Counter
from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from functools import cached_property
from itertools import count, islice, zip_longest
from typing import NamedTuple

import numpy as np

from jindle_core import figures
from jindle_core.card.changes.build import EditPiece, SetBuild
from jindle_core.card.changes.every import AnyChange, changed
from jindle_core.card.changes.ground import SetGround
from jindle_core.card.changes.palette import EditColour, Reanchor
from jindle_core.card.changes.pictures import SetFamilies
from jindle_core.card.ground import Ground
from jindle_core.card.pictures import Area
from jindle_core.card.whole import Anchor, Card
from jindle_core.checked.check import Check
from jindle_core.checked.compared import gives_way, holding
from jindle_core.checked.whole import CheckedCard
from jindle_core.checks.finding import Status
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.naming import hue_family
from jindle_core.colorimetry.spaces import Array, as_lab, hue_to_lab, lab_to_hue
from jindle_core.colorimetry.views import Shades
from jindle_core.errors import BadInput, Problem
from jindle_core.families.recipes import Thing
from jindle_core.layers.pieces import BASE
from jindle_core.material import End
from jindle_core.offers.moving import Follower, Moving, families
from jindle_core.palettes.moods import Mood
from jindle_core.patterned.sheet import Sheet
from jindle_core.seen.whole import SeenCard
from jindle_core.sets.depths import Builders, Depths
from jindle_core.sets.landing import VALUE, Landed, Landing, Spot
from jindle_core.sets.schemes import Leading, Scheme, SchemeKind, leading, recoloured, turned

# What must go on holding in any colours: lettering, mats, pictures on what they lie on, span, clean joins.
_RULES = ("pair", "stands", "span", "spread", "join")


# What has a colour by nature, which keeps it unless that is freed: a blue tomato is laughed at.
KEEPS_HUE = {
    Thing.SKIN: "skin",
    Thing.FUR: "fur and feathers",
    Thing.LEAF: "leaves and grass",
    Thing.FRUIT: "fruit and vegetables",
    Thing.SKY: "sky and water",
}
BOLDNESS = {0.6: "quiet", 0.8: "softer", 1.0: "as it is", 1.25: "stronger", 1.5: "bold"}


# What a colourway is told to keep, by the kinds of checks of it.
_KEPT = {
    "contrast": ("pair", "stands", "span", "spread"),
    "clean joins": ("join", "edge"),
    "shading families": ("family",),
}


class Kept(NamedTuple):
    """How much of what a colourway shall keep it does: so many of so many.

    >>> [Kept("contrast", kept, 20).how for kept in (20, 18, 17)]
    ['as before', 'nearly as before', 'partly']
    """

    words: str
    kept: int
    of: int

    @property
    def how(self) -> str:
        """The same in words."""
        if self.kept == self.of:
            return "as before"
        return "nearly as before" if self.kept >= figures.sets.NEARLY_KEPT * self.of else "partly"


@dataclass(frozen=True, slots=True)
class Wanted:
    """What a person says of colourways.

    ``held`` are ids of what stays (``colour:1``, ``picture:2``, ``piece:5``, ``pad:0``), ``things`` what
    keeps its own hue wherever it is shown; ``bold`` is by how much colours grow stronger; ``like`` are the
    moods that are gone by, with other turns of the hues unless ``only_like``.
    """

    held: frozenset[str] = frozenset()
    things: frozenset[Thing] = frozenset(KEEPS_HUE)
    bold: float = 1.0
    owned: bool = False
    like: tuple[Mood, ...] = ()
    only_like: bool = False

    def __post_init__(self) -> None:
        if not 0.3 <= self.bold <= 2:
            raise BadInput(Problem("How bold is from 0.3 to 2.", field="bold", value=str(self.bold)))


class Holdable(NamedTuple):
    """Something that can be held: its id, what it is called, and its shades, if it is of one colour."""

    id: str
    words: str
    shades: Shades | None


def holdable(seen: SeenCard) -> Iterator[Holdable]:
    """What of a card can be held: colours of the palette, pictures, pads, pieces of supplies of their own."""
    palette, card = seen.palette, seen.card
    for colour in card.colours:
        yield Holdable(f"colour:{colour.key}", colour.name, palette.end_shades(End("palette", colour.key)))
    for picture in card.pictures:
        if picture.areas:
            yield Holdable(f"picture:{picture.key}", f"all of {picture.name}", None)
    for at, pad in enumerate(card.ground.pads):
        end = End("supply", pad.colour)
        yield Holdable(f"pad:{at}", f"pad {at + 1}, {palette.end_words(end)}", palette.end_shades(end))
    for piece in card.build.every:
        if piece.material.source in ("supply", "sheet") or piece.inked is not None:
            yield Holdable(f"piece:{piece.key}", piece.name, palette.end_shades(piece.material))


@dataclass(frozen=True, eq=False)
class Colourway:
    """A card in other colours: the scheme, where it landed, and how it is then.

    ``choice`` says which of the sheets that come near it takes, 0 the nearest; ``held`` are the checks that
    held before, ``gives_way`` those of them that do not then. ``order`` is of how many of how many two things
    the lighter one is the lighter one still; ``stays`` says of each spot whether it is held.
    """

    scheme: Scheme
    landed: Landed
    choice: int
    checked: CheckedCard
    held: tuple[Check, ...]
    gives_way: tuple[Check, ...]
    order: tuple[int, int]
    stays: tuple[bool, ...]

    @property
    def seen(self) -> SeenCard:
        """The card then."""
        return self.checked.seen

    @property
    def changed(self) -> Array:
        """The colours (n, 3) of what took another, in the order of the card's spots."""
        return self.landed.labs[[at for at, held in enumerate(self.stays) if not held]]

    @property
    def keeps(self) -> list[Kept]:
        """What it keeps of what held."""
        lost = {one.key for one in self.gives_way}
        found = [Kept("light and dark", *self.order)]
        for words, kinds in _KEPT.items():
            keys = [one.key for one in self.held if one.id.kind in kinds]
            found.append(Kept(words, sum(key not in lost for key in keys), len(keys)))
        return [one for one in found if one.of]


class Colourways:
    """The colourways of one card. ``shelf`` are the sheets of paper that may be taken, by their ids.

    BadInput where nothing of the card has a hue that could turn, or all that has is held.
    """

    def __init__(self, seen: SeenCard, said: Wanted, shelf: Mapping[int, Sheet] | None = None) -> None:
        self._seen, self._said, self._shelf = seen, said, shelf or seen.sheets
        self._builders: Builders = {}
        # What was left out of the proposals: by the titles of checks that would not hold, and as too alike.
        self.broken, self.alike = Counter[str](), 0
        depths = Depths(seen, self._may, self._kept_areas, self._builders)
        self._landing = Landing(seen, self._may, self._held, depths)
        if all(one.held for one in self._landing.spots):
            words = "Nothing is left that could take another colour: all is held. Free something."
            raise BadInput(Problem(words, field="held"))

    @property
    def spots(self) -> list[Spot]:
        """All that takes a colour."""
        return self._landing.spots

    @property
    def labs(self) -> Array:
        """Their colours (n, 3) as the card is."""
        return self._landing.labs

    def apart(self, one: Array, other: Array) -> float:
        """How different two landings (n, 3) are: the mean ΔE00 at what may take another colour."""
        return self._landing.apart(one, other)

    def _may(self, places: np.ndarray) -> np.ndarray:
        mine: np.ndarray = self._seen.supplies.usable[places]
        return mine if self._said.owned and mine.any() else self._seen.supplies.to_be_had[places]

    @cached_property
    def _kept_areas(self) -> frozenset[int]:
        """The keys of areas that stay: of held pictures, of what keeps its hue, and of those that these are
        coloured as."""
        card = self._seen.card
        stay = [
            area
            for picture in card.pictures
            for area in picture.areas
            if f"picture:{picture.key}" in self._said.held or card.followed(area).thing in self._said.things
        ]
        return frozenset(one.key for area in stay for one in (area, *card.led_by(area)))

    @cached_property
    def _held(self) -> frozenset[str]:
        """What stays, with the palette colours that what stays is in."""
        card = self._seen.card
        areas = (card.followed(area) for area in card.areas if area.key in self._kept_areas)
        return self._said.held | {f"colour:{area.colour}" for area in areas if area.colour is not None}

    # --- Which schemes.

    @cached_property
    def _around(self) -> Leading:
        return leading(self._seen.palette)

    def _asked(self, scheme: Scheme) -> Array:
        return recoloured(scheme, self._around, self._landing.labs)

    @cached_property
    def _turns(self) -> list[Scheme]:
        """Of each kind the turns that the supplies follow most cheaply, some degrees apart; kinds in turn."""
        said = self._said
        kinds = [] if said.only_like else [kind for kind in SchemeKind if kind is not SchemeKind.AFTER]
        found = [self._cheapest(Scheme(kind, 0.0, said.bold), figures.sets.TURNS_KEPT) for kind in kinds]
        kept = figures.sets.TURNS_OF_ONE_MOOD if len(said.like) == 1 else figures.sets.TURNS_OF_A_MOOD
        found += [self._cheapest(Scheme(SchemeKind.AFTER, 0.0, said.bold, mood), kept) for mood in said.like]
        return [one for rank in zip_longest(*found) for one in rank if one is not None]

    def _cheapest(self, scheme: Scheme, count: int) -> list[Scheme]:
        turns = np.arange(0, 360, figures.sets.TURN_STEP, dtype=float)
        if scheme.kind is SchemeKind.TURNED:
            turns = turns[1:]  # by nothing it is the card itself
        costs = self._landing.roughly(turned(scheme, turns, self._around, self._landing.labs))
        kept: list[float] = []
        for turn in turns[np.argsort(costs, kind="stable")]:
            apart = [abs((turn - one + 180) % 360 - 180) for one in kept]
            if len(kept) < count and min(apart, default=360.0) >= figures.sets.TURNS_APART:
                kept.append(float(turn))
        return [replace(scheme, turn=turn) for turn in kept]

    # --- Proposals.

    def proposals(self) -> Iterator[Colourway]:
        """Those that ``looking`` comes upon."""
        return (one for one in self.looking() if one is not None)

    def looking(self) -> Iterator[Colourway | None]:
        """One after another, each the most different from the card and all before it; None for each that was
        only looked at, so that whoever waits can leave. Fewer than eight where there are no more that are far
        enough apart, or that hold what must hold."""
        to_land, landed = iter(self._turns), list[tuple[Scheme, Landed]]()
        shown, apart = [self._landing.labs], list[float]()  # how far each is from all that is shown
        while len(shown) <= figures.sets.SHOWN:
            more = list(islice(to_land, figures.sets.LANDED_AT_ONCE))
            for scheme in more:
                found = self._landing.land(self._asked(scheme))
                landed.append((scheme, found))
                yield None
                apart.append(min(self._landing.apart(found.labs, other) for other in shown))
            if max(apart, default=0.0) < figures.sets.SHOWN_APART:
                if not more:
                    self.alike = len(landed)
                    return
                continue
            at = int(np.argmax(apart))
            apart.pop(at)
            yield None
            made = self._shown(*landed.pop(at))
            if made is not None:
                labs = made.landed.labs
                shown.append(labs)
                apart = [
                    min(before, self._landing.apart(other.labs, labs))
                    for before, (_, other) in zip(apart, landed, strict=True)
                ]
                yield made

    def of(self, scheme: Scheme, choice: int) -> Colourway:
        """The one that was proposed, again; BadInput where that scheme changes nothing."""
        made = self.made(scheme, self._landing.land(self._asked(scheme)), choice)
        if made.seen.card == self._seen.card:
            words = "In that scheme everything stays as it is: there is nothing else to take."
            raise BadInput(Problem(words, field="scheme", value=scheme.kind))
        return made

    def _shown(self, scheme: Scheme, landed: Landed) -> Colourway | None:
        """The card as it lands, if it holds what must hold: with one sheet or another, if it shows sheets."""
        for choice in range(figures.sets.SHEETS_TRIED if self._sheets else 1):
            made = self.made(scheme, landed, choice)
            broken = [one for one in made.gives_way if _must_hold(one)]
            if not broken:
                return made
            if not all(self._sheets & set(one.id.pieces) for one in broken):
                break
        self.broken.update({one.title for one in broken})
        return None

    @cached_property
    def _sheets(self) -> frozenset[int]:
        """The keys of the pieces that are cut out of sheets."""
        sheet = self._seen.palette.sheet
        return frozenset(one.key for one in self._seen.card.build.every if sheet(one.material) is not None)

    @cached_property
    def _holding(self) -> list[Check]:
        return holding(CheckedCard(self._seen))

    def made(self, scheme: Scheme, landed: Landed, choice: int = 0) -> Colourway:
        """The card as it lands in a scheme; of sheets it takes the nearest, or by ``choice`` a later one."""
        card, pairs = self._seen.card, self._seen.palette.pairs
        for change in self._changes(scheme, landed, choice):
            card = changed(card, change, pairs)
        checked = CheckedCard(replace(self._seen, card=card, sheets={**self._shelf, **self._seen.sheets}))
        lost = gives_way(self._holding, checked)
        return Colourway(
            *(scheme, landed, choice, checked, tuple(self._holding), tuple(lost), self._order(landed)),
            tuple(one.held for one in self.spots),
        )

    def _order(self, landed: Landed) -> tuple[int, int]:
        was, now = (np.subtract.outer(labs[:, 0], labs[:, 0]) for labs in (self.labs, landed.labs))
        counts = was >= figures.sets.LEAST_STEP
        return int((counts & (now > 0)).sum()), int(counts.sum())

    def _changes(self, scheme: Scheme, landed: Landed, choice: int) -> Iterator[AnyChange]:
        spots = {one.id: at for at, one in enumerate(self._landing.spots)}
        palette = list(self._palette(spots, landed))
        yield from palette
        yield from self._renamed(palette)
        then = self._seen.card
        for change in palette:
            then = change.apply(then)
        kept = [follower.change for follower in self._families(scheme, spots, landed, then)]
        tones = tuple(one for change in kept if isinstance(change, SetFamilies) for one in change.families)
        if tones:
            yield SetFamilies(tones)
        pads = self._ids(spots, landed, "pad")
        ground = self._ground(pads)
        if ground != self._seen.card.ground:
            yield SetGround({"pads": ground.pads, "effects": ground.effects, "mat": ground.mat})
        cuts = self._ids(spots, landed, "cut")
        yield from self._pieces(pads, lambda end: self._end(scheme, end, cuts, choice))

    def _palette(self, spots: Mapping[str, int], landed: Landed) -> Iterator[Reanchor]:
        supplies = self._seen.supplies
        for colour in self._seen.card.colours:
            at = spots[f"colour:{colour.key}"]
            place, lab = landed.places[at], _lab(landed.labs[at])
            if self._landing.spots[at].held:
                continue
            if place == VALUE:
                yield Reanchor(colour.key, Anchor(None, lab, "typed"))
            elif place != self._landing.spots[at].place:
                anchor = Anchor(supplies.rows[place].id, supplies.lab_at(place), supplies.provenance(place))
                yield Reanchor(colour.key, anchor)

    def _renamed(self, palette: Sequence[Reanchor]) -> Iterator[EditColour]:
        """What has another hue by now is called by it: a “reed” that is purple misleads."""
        names = {colour.name for colour in self._seen.card.colours}
        for change in palette:
            was = self._seen.palette.end_lab(End("palette", change.key))
            called = hue_family(change.anchor.lab)
            if hue_family(as_lab(was)).split()[-1] != called.split()[-1]:
                free = (called if n == 1 else f"{called} {n}" for n in count(1))
                name = next(one for one in free if one not in names)
                names.add(name)
                yield EditColour(change.key, name=name)

    def _ids(self, spots: Mapping[str, int], landed: Landed, kind: str) -> dict[int, int]:
        """By the id of what lay at each spot of a kind the id of what takes its place."""
        rows = self._seen.supplies.rows
        return {
            rows[self._landing.spots[at].place].id: rows[landed.places[at]].id
            for id_, at in spots.items()
            if id_.startswith(f"{kind}:")
        }

    def _families(
        self, scheme: Scheme, spots: Mapping[str, int], landed: Landed, then: Card
    ) -> Iterator[Follower]:
        """The families of areas, each turned as its palette colour landed."""
        for key in dict.fromkeys(area.colour for area in map(then.followed, then.areas)):
            at = None if key is None else spots[f"colour:{key}"]

            def wanted(lab: Array, at: int | None = at) -> Array:
                if at is None:
                    return recoloured(scheme, self._around, lab)
                return _turned_as(self._landing.labs[at], landed.labs[at], lab)

            def mine(area: Area, key: int | None = key, at: int | None = at) -> bool:
                held = at is not None and self._landing.spots[at].held
                return area.colour == key and not held and area.key not in self._kept_areas

            yield from families(Moving(self._seen, wanted, self._may, then, builders=self._builders), mine)

    def _ground(self, pads: Mapping[int, int]) -> Ground:
        """The ground with other pads wherever each is used."""
        ground = self._seen.card.ground
        mat = ground.mat and replace(ground.mat, colour=pads.get(ground.mat.colour, ground.mat.colour))
        effects = tuple(
            one if one.colour is None else replace(one, colour=pads.get(one.colour, one.colour))
            for one in ground.effects
        )
        laid = tuple(replace(one, colour=pads.get(one.colour, one.colour)) for one in ground.pads)
        return replace(ground, pads=laid, effects=effects, mat=mat)

    def _pieces(self, pads: Mapping[int, int], other: Callable[[End], End]) -> Iterator[AnyChange]:
        build, held = self._seen.card.build, self._said.held
        if f"piece:{BASE}" not in held and (end := other(build.base)) != build.base:
            yield SetBuild({"base": end})
        for piece in build.every:
            if f"piece:{piece.key}" in held:
                continue
            if (end := other(piece.material)) != piece.material:
                yield EditPiece(piece.key, {"material": end})
            if (
                piece.inked is not None
                and pads.get(piece.inked.colour, piece.inked.colour) != piece.inked.colour
            ):
                yield EditPiece(piece.key, {"inked": replace(piece.inked, colour=pads[piece.inked.colour])})

    def _end(self, scheme: Scheme, end: End, cuts: Mapping[int, int], choice: int) -> End:
        if end.source == "supply":
            return End("supply", cuts.get(end.id, end.id))
        sheet = self._seen.palette.sheet(end)
        if sheet is None:
            return end
        nearest = self._nearest_sheets(scheme, sheet)
        return End("sheet", nearest[min(choice, len(nearest) - 1)]) if nearest else end

    def _nearest_sheets(self, scheme: Scheme, sheet: Sheet) -> list[int]:
        """The sheets of the shelf, those first whose colours, by their shares, are nearest to what this one's
        want to be."""
        palette = self._seen.palette
        wanted = recoloured(scheme, self._around, palette.sheet_labs(sheet))

        def off(pk: int) -> float:
            other = self._shelf[pk]
            apart = delta_e(wanted[:, None], palette.sheet_labs(other)[None])
            return float(sheet.shares @ apart.min(axis=1) + other.shares @ apart.min(axis=0))

        return sorted(self._shelf, key=off)


def _must_hold(one: Check) -> bool:
    return one.finding.status is Status.FAILS or one.id.kind in _RULES


def _turned_as(before: Array, now: Array, lab: Array) -> Array:
    """Colours (…, 3) turned as one (3,) was: their L* kept, their strength in proportion."""
    (hue, to), (chroma, stronger) = lab_to_hue(np.stack([before, now]))
    own, strength = lab_to_hue(lab)
    scale = stronger / max(float(chroma), 1e-6) if chroma >= figures.palettes.RULE_COLOURED else 1.0
    made = hue_to_lab(lab[..., 0], own + to - hue, strength * min(float(scale), 2.0))
    made[..., 0] = lab[..., 0]
    return np.where((strength < figures.palettes.RULE_COLOURED)[..., None], lab, made)


def _lab(lab: Sequence[float]) -> tuple[float, float, float]:
    lightness, a, b = (float(one) for one in lab)
    return lightness, a, b
