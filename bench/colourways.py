"""Do cards in other colours keep what held, on all supplies and on the drawer; and what does a set save?

Five cards are the demo's, as their recipes are, five are made of a rule's palette, a layout and a drawing.
"""

import json
import statistics
import time
from collections.abc import Sequence
from dataclasses import dataclass, field, replace
from itertools import combinations

import numpy as np
from scipy.stats import kendalltau

from bench.travelling import everybodys
from bench.visitor import CALLS, Row, Visitor, timed
from demo.make import DATA
from jindle_core.blending.joins import Meeting
from jindle_core.card.changes.build import StartLayout
from jindle_core.card.changes.every import changed
from jindle_core.card.changes.palette import AddColour
from jindle_core.card.changes.pictures import EditAreas, SetDrawing, areas_of
from jindle_core.card.layouts import STARTS
from jindle_core.card.whole import Anchor, Card
from jindle_core.checked.shading import proposed
from jindle_core.checked.whole import CheckedCard
from jindle_core.families.judge import judge_family
from jindle_core.families.recipes import recipe
from jindle_core.interchange.drawer_csv import read_drawer
from jindle_core.lengths import OF_SHEETS, read_size
from jindle_core.line_art.svg import read_svg
from jindle_core.palettes.landing import Landed, land
from jindle_core.palettes.moods import MOODS
from jindle_core.palettes.rules import PALETTE_RULES
from jindle_core.planning.planned import standing
from jindle_core.planning.progress import Progress
from jindle_core.planning.schedule import schedule
from jindle_core.planning.tasks import tasks
from jindle_core.planning.wishes import Aim, Wishes
from jindle_core.seen.whole import SeenCard
from jindle_core.sets.batch import batched
from jindle_core.sets.colourways import Colourway, Colourways, Wanted
from jindle_core.sets.members import Member
from jindle_core.sets.shared_sheets import SetCutting
from jindle_core.supplies.whole import Supplies
from jindle_core.travelling.arriving import Arriving
from jindle_core.travelling.foreign import Foreign
from jindle_core.travelling.recipe_file import read_recipe

_MADE, _OF_A_SET = 5, 4
_DRAWINGS = ("heron", "teapot", "anchor", "moth", "watering-can")
_LETTER = read_size("8 1/2", "11", "in", OF_SHEETS)


def with_drawer(supplies: Supplies) -> Supplies:
    """The same as the demo studio owns of them."""
    owned = {(line.range, line.colour): line for line in read_drawer((DATA / "drawer.csv").read_bytes())}
    drawer = {}
    for row in supplies.rows:
        line = owned.get((supplies.ranges[row.range_id].name, row.code or row.name))
        if line is not None:
            drawer[row.id] = line.kept
    return replace(supplies, drawer=drawer)


def _demo_cards(visitor: Visitor, supplies: Supplies) -> list[SeenCard]:
    ids = [one["id"] for one in json.loads(visitor.get("/api/cards"))["cards"]]
    told = [read_recipe(visitor.get(f"/api/cards/{pk}/recipe/file")).told for pk in ids]
    seen = [Arriving(Foreign(one, supplies), owned=False).after for one in told]
    # Other parts of the bench leave cards behind that were never built.
    return [one for one in seen if one.card.build.every]


def _made_cards(supplies: Supplies) -> list[SeenCard]:
    """Cards of a palette that a rule lands on markers, in a layout, with all of a drawing coloured."""
    on, places = supplies.searched.landable("marker", False), supplies.searched.tree("marker", False)[1]
    chance = np.random.default_rng(19)
    found = []
    for number in range(_MADE):
        rule = PALETTE_RULES[number % len(PALETTE_RULES)]
        landed = next(iter(land([rule], on.lab[chance.choice(on.leads)], on)))
        assert isinstance(landed, Landed)
        card = Card(f"Made {number + 1}", read_size("5 1/2", "4 1/4", "in"))
        for slot, at in zip(rule.places, landed.places, strict=True):
            place = int(places[at])
            anchor = Anchor(supplies.rows[place].id, supplies.lab_at(place), supplies.provenance(place))
            card = changed(card, AddColour(anchor, slot.name, slot.role))
        drawing = read_svg((DATA / "drawings" / f"{_DRAWINGS[number]}.svg").read_bytes())
        card = changed(card, SetDrawing(1, areas_of(drawing), drawing.width / drawing.height))
        keys = [colour.key for colour in card.colours]
        for at, area in enumerate(card.areas):
            card = changed(card, EditAreas((area.key,), colour=keys[at % len(keys)]))
        card = changed(card, StartLayout(STARTS[number % len(STARTS)].key))
        seen = SeenCard(card, supplies, {1: drawing})
        found.append(seen.after(proposed(seen.coloured, [], owned=False)))
    return found


@dataclass
class _Counted:
    """What became of all that was proposed."""

    held: int = 0
    lost: int = 0
    rules: int = 0
    rules_lost: int = 0
    shown: list[int] = field(default_factory=list)
    mud: int = 0
    order: list[float] = field(default_factory=list)
    off: dict[str, list[float]] = field(default_factory=dict)
    families: list[bool] = field(default_factory=list)
    apart: list[float] = field(default_factory=list)
    seconds: list[float] = field(default_factory=list)

    def add(self, seen: SeenCard, owned: bool) -> list[Colourway]:
        """All that is proposed for a card."""
        ways, found, begun = Colourways(seen, Wanted(owned=owned, like=MOODS)), [], time.perf_counter()
        for one in ways.proposals():
            self.seconds.append(time.perf_counter() - begun)
            found.append(one)
            self._count(seen, ways, one)
            begun = time.perf_counter()
        self.shown.append(len(found))
        labs = [one.landed.labs for one in found]
        if len(labs) > 1:
            self.apart.append(min(ways.apart(*pair) for pair in combinations(labs, 2)))
        return found

    def _count(self, seen: SeenCard, ways: Colourways, one: Colourway) -> None:
        self.held += len(one.held)
        self.lost += len(one.gives_way)
        kinds = ("pair", "stands", "span", "spread")
        self.rules += sum(check.id.kind in kinds for check in one.held)
        self.rules_lost += sum(check.id.kind in kinds for check in one.gives_way)
        before, after = (
            {at for at, join in enumerate(card.ground.joins) if join.meeting is Meeting.MUDDY}
            for card in (seen, one.seen)
        )
        self.mud += len(after - before)
        was, now = ways.labs[:, 0], one.landed.labs[:, 0]
        if len(set(was.tolist())) > 1:
            self.order.append(float(kendalltau(was, now).statistic))
        for spot, change in zip(ways.spots, np.abs(now - was), strict=True):
            if not spot.held:
                self.off.setdefault(spot.id.partition(":")[0], []).append(float(change))
        for here, there in zip(seen.coloured, one.seen.coloured, strict=True):
            for area in here.areas:
                tones, then = here.tones[area.key], there.tones[area.key]
                if tones.places == then.places or len(then.places) < 2:
                    continue
                allowed = recipe(area.thing).allowance
                around, reach = there.aim(there.area(area.key), max(then.sigma))
                if judge_family(tones.lab, allowed).holds:
                    self.families.append(judge_family(then.lab, allowed, around, reach).holds)
                if len(tones.places) == len(then.places):
                    self.off.setdefault("tones", []).append(
                        float(np.abs(tones.lab[:, 0] - then.lab[:, 0]).mean())
                    )


def colourway_rows(visitor: Visitor) -> list[Row]:
    """Rows: colourways of ten cards on all supplies and on the drawer, and five sets of five."""
    supplies = with_drawer(everybodys())
    cards = [*_demo_cards(visitor, supplies), *_made_cards(supplies)]
    empty = statistics.median(timed(lambda: visitor.get("/api/me")) for _ in range(CALLS))
    rows: list[Row] = []
    sets: list[list[CheckedCard]] = []
    limits = (
        (False, "all supplies", 0.97, 2.0, 3.0, 2.0, 0.98, 12.0),
        (True, "the drawer", 0.96, 2.5, 4.0, 2.0, 0.95, 10.0),
    )
    for owned, words, checks, palette, cut, tones, family, apart in limits:
        count = _Counted()
        for seen in cards:
            found = count.add(seen, owned)
            if not owned and len(found) >= _OF_A_SET:
                sets.append([CheckedCard(seen), *(one.checked for one in found[:_OF_A_SET])])
        off = {what: statistics.mean(values) for what, values in count.off.items()}
        kept = 1 - count.lost / count.held
        whole = statistics.mean(count.families)
        least = statistics.mean(count.apart)
        ratio = statistics.median(count.seconds) / empty
        tau = statistics.mean(count.order)
        of = f"Ten cards in other colours, {words}: "
        rows += [
            (
                of + "lettering, mat and span rules that held, held",
                "100%",
                f"{1 - count.rules_lost / count.rules:.1%} of {count.rules}",
                not count.rules_lost,
            ),
            (
                of + "all checks that held, held",
                f"≥ {checks:.0%}",
                f"{kept:.1%} of {count.held}",
                kept >= checks,
            ),
            (
                of + "new muddy joins; Kendall's τ of lightness",
                "0; ≥ 0.97",
                f"{count.mud}; {tau:.3f}",
                not count.mud and tau >= 0.97,
            ),
            (
                of + "mean change of L*, palette, cardstock, tones",
                f"≤ {palette:g}, {cut:g}, {tones:g}",
                f"{off['colour']:.1f}, {off['cut']:.1f}, {off['tones']:.1f}",
                off["colour"] <= palette and off["cut"] <= cut and off["tones"] <= tones,
            ),
            (
                of + "families within their usual limits",
                f"≥ {family:.0%}",
                f"{whole:.1%} of {len(count.families)}",
                whole >= family,
            ),
            (
                of + "proposals a card; mean of the least ΔE00 between shown palettes",
                f"8; ≥ {apart:g}",
                f"{statistics.mean(count.shown):.1f}; {least:.1f}",
                least >= apart,
            ),
            (
                of + "a proposal, against an empty authenticated call",
                "≤ 15 ×",
                f"{ratio:.0f} × ({statistics.median(count.seconds) * 1000:.0f} ms)",
                ratio <= 15,
            ),
        ]
    return [*rows, *_of_sets(sets)]


def _of_sets(sets: Sequence[Sequence[CheckedCard]]) -> list[Row]:
    ratios, apart, saved = [], [], []
    for cards in sets:
        members = [Member(at, one) for at, one in enumerate(cards)]
        cutting = SetCutting(members, _LETTER)
        ratios.append(len(cutting.sheets) / cutting.bound)
        apart.append(len(cutting.sheets) / cutting.apart)
        alone = [schedule(tasks(one.checked), Aim.TOOLS) for one in members]
        together = standing(batched(members), Wishes(aim=Aim.TOOLS), Progress(), 0.0).schedule
        saved.append(1 - (together.hands + together.set_up) / sum(one.hands + one.set_up for one in alone))
    ratio, less = statistics.mean(ratios), statistics.mean(saved)
    return [
        (
            f"{len(sets)} sets of five colourways: sheets against the area bound; against each by itself",
            "≤ 1.15; told",
            f"{ratio:.2f}; {statistics.mean(apart):.2f}",
            ratio <= 1.15,
        ),
        (
            "The same: minutes of hands, tools taken up too, less than of five by themselves",
            "≥ 25%",
            f"{less:.0%}, {min(saved):.0%} to {max(saved):.0%}",
            less >= 0.25,
        ),
    ]
