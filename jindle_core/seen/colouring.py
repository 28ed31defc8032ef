"""A picture of a card as it is coloured, its families laid on its paper as predicted."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from functools import cached_property, lru_cache

import numpy as np

from jindle_core import figures
from jindle_core.card.pictures import Area, Picture
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import Array, Lab, as_lab, reflectance_to_lab
from jindle_core.colorimetry.temperature import temperature
from jindle_core.colorimetry.views import Shades, shades
from jindle_core.compatibility.materials import (
    LINE_INKS,
    SURFACES,
    WHITE_MARKER_PAPER,
    LineInk,
    Surface,
)
from jindle_core.compatibility.properties import line_ink_of, surface_of
from jindle_core.compatibility.rules import Conflict, Used, conflicts
from jindle_core.errors import BadInput, Problem
from jindle_core.families.judge import FamilyJudgement, judge_family
from jindle_core.families.mending import glazed_over
from jindle_core.families.recipes import Thing, recipe
from jindle_core.families.rule import Allowance
from jindle_core.families.strokes import wet_strokes
from jindle_core.line_art.drawing import LineDrawing
from jindle_core.matching.verdicts import Verdict, combined, judge_distance
from jindle_core.prediction.laying import dye, glazed
from jindle_core.prediction.near import Way
from jindle_core.prediction.stocks import WHITE_CARD, stock_kind
from jindle_core.seen.palette import SeenPalette
from jindle_core.supplies.whole import Supplies


@lru_cache(maxsize=256)  # most pictures of a card are coloured as they were before a change
def _in_views(labs: bytes) -> tuple[Shades, ...]:
    """Colours, CIELAB (n, 3) of 8-byte numbers, in every view."""
    return tuple(shades(np.frombuffer(labs)))


@lru_cache(maxsize=1024)
def _judged(
    labs: bytes, allowance: Allowance, around: bytes | None, reach: float, glazed: bytes | None
) -> FamilyJudgement:
    """``judge_family`` of tones, CIELAB (k, 3) of 8-byte numbers as all colours here."""
    wanted, deepest = (None if lab is None else np.frombuffer(lab) for lab in (around, glazed))
    return judge_family(np.frombuffer(labs).reshape(-1, 3), allowance, wanted, reach, deepest)


@dataclass(frozen=True)
class Tones:
    """The tones of an area, light to dark: places, predicted CIELAB (k, 3), how sure that is."""

    places: tuple[int, ...]
    lab: np.ndarray
    sigma: tuple[float, ...]


@dataclass(frozen=True, slots=True)
class LaidOver:
    """What is laid over a tone: its place among the supplies, and in how many layers each."""

    place: int
    under_layers: int
    layers: int


@dataclass(frozen=True)
class Coloured:
    """A picture of a card, coloured.

    ``drawing`` is None where it has none, or it is gone; ``used_to_dark_first``
    is what its person does where the card says nothing. ``over`` is, by its
    shapes, what it is stamped on instead of its paper, as reflectances (31,).
    """

    palette: SeenPalette
    picture: Picture
    drawing: LineDrawing | None
    used_to_dark_first: bool = False
    over: Mapping[str, Array] = field(default_factory=dict)

    @cached_property
    def areas(self) -> tuple[Area, ...]:
        """Its areas as they are coloured: one that is like another as that one."""
        return tuple(self.palette.card.followed(area) for area in self.picture.areas)

    def area(self, key: int) -> Area:
        """The area with this key; BadInput where it has none."""
        for area in self.areas:
            if area.key == key:
                return area
        raise BadInput(Problem(f"This picture has no area {key}.", field="key", value=str(key)))

    @property
    def _supplies(self) -> Supplies:
        return self.palette.supplies

    @property
    def dark_first(self) -> bool:
        """Whether shadows are laid first in it."""
        said = self.picture.dark_first
        return self.used_to_dark_first if said is None else said

    def on_paper(self, place: int | None) -> "Coloured":
        """The same on the card at a place of the supplies; None: on white marker paper."""
        paper = None if place is None else self._supplies.rows[place].id
        return replace(self, picture=replace(self.picture, paper=paper))

    @cached_property
    def paper(self) -> int | None:
        """Where the paper stands among the supplies; None for white marker paper."""
        return None if self.picture.paper is None else self._supplies.places.get(self.picture.paper)

    @cached_property
    def paper_lab(self) -> Lab:
        """The paper's colour."""
        return figures.laying.PAPER_WHITE_LAB if self.paper is None else self._supplies.lab_at(self.paper)

    @cached_property
    def tones(self) -> dict[int, Tones]:
        """By the key of an area: its tones, without those that are no longer among the supplies."""
        found = self._laid_alone
        for area in self.areas:
            if area.over:
                found[area.key] = self._with_over(area, found[area.key])
        return found

    def _with_over(self, area: Area, tones: Tones) -> Tones:
        """The tones of an area with what is laid over some of them, as predicted."""
        labs, sigma = tones.lab.copy(), list(tones.sigma)
        for tone, laid in self.laid_over(area).items():
            if laid.under_layers == 1:
                # As swatches of glazes are read: one layer, and what was read of it holds.
                place, pk = np.array([laid.place]), self._supplies.rows[tones.places[tone]].id
                way = Way(laid.layers, card=self._card_under(area), below=pk)
                labs[tone] = self._supplies.predicted.laid(place, way)[0]
                doubt = float(self._supplies.predicted.laying_sigma(place, way)[0])
                own = combined(float(self._supplies.sigma[laid.place]), doubt)
                sigma[tone] = combined(float(self._supplies.sigma[tones.places[tone]]), own)
                continue
            under, over = self._supplies.reflectance(np.array([tones.places[tone], laid.place]))
            behaviour = self._supplies.predicted.behaviour(int(self._supplies.range_ids[tones.places[tone]]))
            seen = glazed(
                dye(under), laid.under_layers, dye(over), laid.layers, behaviour, self._card_under(area)
            )
            labs[tone] = reflectance_to_lab(seen)
            over_it = combined(float(self._supplies.sigma[laid.place]), figures.laying.GLAZE_SIGMA)
            sigma[tone] = combined(sigma[tone], over_it)
        return Tones(tones.places, labs, tuple(sigma))

    def laid_over(self, area: Area) -> dict[int, LaidOver]:
        """By the number of a tone what is laid over it, where that can be; what is gone is left out."""
        places = [self._supplies.places.get(pk) for pk in area.family]
        here = [place for place in places if place is not None]
        found = {}
        for one in area.over if area.medium.traits.layered else ():
            under, over = (self._supplies.places.get(pk) for pk in (one.tone, one.colour))
            if under is not None and over is not None and under in here:
                found[here.index(under)] = LaidOver(over, one.tone_layers, one.layers)
        return found

    @property
    def _laid_alone(self) -> dict[int, Tones]:
        found = {
            area.key: tuple(self._supplies.places[pk] for pk in area.family if pk in self._supplies.places)
            for area in self.areas
        }
        if self.over:
            return {
                area.key: Tones(
                    found[area.key],
                    self._supplies.predicted.laid(
                        np.array(found[area.key], dtype=np.intp),
                        Way(area.layers, card=self._card_under(area)),
                    ),
                    self._sigmas(found[area.key], area),
                )
                for area in self.areas
            }
        seen: dict[tuple[int, int], Array] = {}
        for layers in {area.layers for area in self.areas}:
            areas = [area for area in self.areas if area.layers == layers]
            places = np.array(sorted({place for area in areas for place in found[area.key]}), dtype=np.intp)
            labs = self._supplies.predicted.in_layers(places, layers, self.paper) if len(places) else places
            seen |= {(layers, int(place)): lab for place, lab in zip(places, labs, strict=True)}
        return {
            area.key: Tones(
                found[area.key],
                np.array([seen[area.layers, place] for place in found[area.key]]).reshape(-1, 3),
                self._sigmas(found[area.key], area),
            )
            for area in self.areas
        }

    def _card_under(self, area: Area) -> Array:
        """The reflectance (31,) of what an area is laid on."""
        return self.over.get(area.shape, self.card)

    def bare(self, shape: str) -> Lab:
        """What shows of a shape where nothing is laid on it."""
        return as_lab(reflectance_to_lab(self.over[shape])) if shape in self.over else self.paper_lab

    def _sigmas(self, places: Sequence[int], area: Area) -> tuple[float, ...]:
        at = np.array(places, dtype=np.intp)
        known = self._supplies.sigma[at]
        if area.layers == 1 and self.paper is None and not self.over:
            return tuple(known.tolist())
        laying = self._supplies.predicted.laying_sigma(at, Way(area.layers, card=self._card_under(area)))
        return tuple(np.hypot(known, laying).tolist())

    @cached_property
    def glazes(self) -> dict[int, tuple[int, np.ndarray]]:
        """By the key of an area that has one: its glaze's place, and the Lab (3,) of it over the darkest."""
        found = {}
        for area in self.areas:
            place, tones = self._supplies.places.get(area.glaze or 0), self.tones[area.key].places
            if place is not None and tones and area.medium.traits.layered:
                dark, over = self._supplies.reflectance(np.array([tones[-1], place]))
                behaviour = self._supplies.predicted.behaviour(int(self._supplies.range_ids[tones[-1]]))
                seen = glazed_over(dark, over[None], behaviour, area.layers, self._card_under(area))
                found[area.key] = (place, seen[0])
        return found

    @cached_property
    def card(self) -> np.ndarray:
        """The paper's reflectance (31,)."""
        return WHITE_CARD if self.paper is None else self._supplies.reflectance(np.array([self.paper]))[0]

    @property
    def sigma(self) -> float:
        """One sigma (ΔE00) of the least known of all its tones as they are laid here; 0 without any."""
        return max((one for tones in self.tones.values() for one in tones.sigma), default=0.0)

    @property
    def usual_sigma(self) -> float:
        """The same of a usual one of them."""
        every = [one for tones in self.tones.values() for one in tones.sigma]
        return float(np.median(every)) if every else 0.0

    def is_guess(self, area: Area) -> bool:
        """Whether nobody can say how an area looks, as of a film on dark card before any of it was read."""
        return max(self.tones[area.key].sigma, default=0.0) > figures.colour.NEAR

    def judgement(self, area: Area) -> FamilyJudgement | None:
        """What holds of an area's family; None where it has less than two tones."""
        tones = self.tones[area.key]
        if len(tones.places) < figures.families.FAMILY_SIZES[0]:
            return None
        around, reach = self.aim(area, max(tones.sigma))
        glazed = self.glazes[area.key][1] if area.key in self.glazes else None
        wanted, deepest = (None if lab is None else lab.tobytes() for lab in (around, glazed))
        return _judged(tones.lab.tobytes(), recipe(area.thing).allowance, wanted, reach, deepest)

    def aim(self, area: Area, sigma: float) -> tuple[np.ndarray | None, float]:
        """The colour that an area's family is wanted for, and how near to it one tone must come.

        ``sigma`` is how well the tones are known. What has a recipe with
        colours of its own is wanted for none.
        """
        if area.colour is None or recipe(area.thing).around:
            return None, np.inf
        at = [colour.key for colour in self.palette.card.colours].index(area.colour)
        known = np.hypot(self.palette.sigma[at], sigma)
        return self.palette.lab[at], float(np.hypot(figures.colour.COUSIN, known))

    @cached_property
    def surface(self) -> Surface:
        """What kind of paper it is."""
        if self.picture.surface in SURFACES:
            return SURFACES[self.picture.surface]
        if self.paper is None:
            return WHITE_MARKER_PAPER
        facts = self._supplies.ranges[self._supplies.rows[self.paper].range_id]
        return surface_of(facts.properties, stock_kind(np.array(self.paper_lab)))

    @cached_property
    def line(self) -> LineInk | None:
        """What the line is made with."""
        facts = self._supplies.ranges.get(self.picture.line_range or 0)
        if facts:
            return line_ink_of(facts.name, facts.medium, facts.properties)
        return LINE_INKS.get(self.picture.line)

    def wet_strokes(self, area: Area) -> int:
        """How often an area is wetted where that is most often; one without a family by its layers."""
        tones = max(len(self.tones[area.key].places), 1)
        return wet_strokes(area.medium, tones, self.dark_first, area.layers)

    @cached_property
    def used(self) -> Used:
        """What the picture is made with."""
        areas = self.areas
        return Used(
            self.line,
            frozenset(area.medium for area in areas),
            self.surface,
            max((self.wet_strokes(area) for area in areas), default=0),
            frozenset(self.picture.finishes),
        )

    @cached_property
    def conflicts(self) -> list[Conflict]:
        """What of the materials will not get on; nothing while there is nothing to colour."""
        return conflicts(self.used) if self.areas else []

    @cached_property
    def touching(self) -> set[tuple[int, int]]:
        """Pairs of places of areas that share an edge in the drawing."""
        places = {area.shape: at for at, area in enumerate(self.areas) if area.shape}
        shapes = self.drawing.shapes if self.drawing else ()
        return {
            (places[shape.id], places[other])
            for shape in shapes
            if shape.id in places
            for other in shape.touches
            if other in places
        }

    def beside(self, area: Area, thing: Thing) -> bool:
        """Whether an area touches one that shows a thing."""
        at = self.areas.index(area)
        return any(self.areas[b].thing is thing for a, b in self.touching if a == at)

    def warmth(self, area: Area | None = None) -> float:
        """How warm the palette is, above 0 warm; for an area, what lies beside it counts again."""
        keys = [colour.key for colour in self.palette.card.colours]
        labs = list(self.palette.lab)
        if area is not None:
            at = self.areas.index(area)
            beside = [self.areas[b].colour for a, b in self.touching if a == at]
            labs += [self.palette.lab[keys.index(key)] for key in beside if key in keys]
        return temperature(np.array(labs), np.ones(len(labs))) if labs else 0.0

    @cached_property
    def tone_shades(self) -> dict[int, list[Shades]]:
        """By the key of an area: its tones in every view, and last its glaze where it has one."""
        labs = {key: tones.lab for key, tones in self.tones.items()}
        labs |= {key: np.vstack([labs[key], lab]) for key, (_, lab) in self.glazes.items()}
        if not sum(map(len, labs.values())):
            return {key: [] for key in labs}
        views = list(_in_views(np.concatenate(list(labs.values())).tobytes()))
        found = {}
        for key, laid in labs.items():
            found[key], views = views[: len(laid)], views[len(laid) :]
        return found

    def likeness(self, area: Area) -> Verdict | None:
        """How near the nearest tone comes to the palette colour; None where that is not asked of it."""
        tones = self.tones[area.key]
        if area.colour is None or not tones.places or recipe(area.thing).around:
            return None
        at = [colour.key for colour in self.palette.card.colours].index(area.colour)
        off = delta_e(self.palette.lab[at], tones.lab)
        nearest = int(off.argmin())
        own = self.palette.sigma[at]
        sigma = combined(own, tones.sigma[nearest])
        if tones.places[nearest] == self.palette.place(self.palette.card.colours[at]):
            # The colour itself, laid otherwise: its own doubt is in both, and so in no difference of them.
            sigma = max(tones.sigma[nearest] ** 2 - own**2, 0.0) ** 0.5
        return judge_distance(float(off[nearest]), sigma).verdict
