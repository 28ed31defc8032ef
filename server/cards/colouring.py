"""The colouring of a card's picture, its families laid on its paper as predicted."""

from collections.abc import Sequence
from dataclasses import asdict, dataclass
from functools import cached_property
from typing import Any

import numpy as np

from jindle_core import figures
from jindle_core.card.pictures import Area, Colouring
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.temperature import temperature
from jindle_core.colorimetry.views import shades
from jindle_core.compatibility.materials import (
    FINISHES,
    LINE_INKS,
    SURFACES,
    WHITE_MARKER_PAPER,
    LineInk,
    Surface,
)
from jindle_core.compatibility.properties import is_line_ink, line_ink_of, surface_of
from jindle_core.compatibility.rules import Conflict, Used, cautions, conflicts
from jindle_core.families.judge import Judgement, judge, tone_names
from jindle_core.families.mending import glazed_over
from jindle_core.families.order import sessions, wet_neighbours, working_order
from jindle_core.families.recipes import Thing, recipe
from jindle_core.families.shading import edge_tone
from jindle_core.line_art.drawing import LineDrawing
from jindle_core.matching.verdicts import combined
from jindle_core.matching.verdicts import judge as judge_match
from jindle_core.media import WET_MEDIA
from jindle_core.prediction.confidence import prediction_sigma
from jindle_core.prediction.stocks import WHITE, stock_kind
from jindle_core.supplies.colours import Supplies, is_transparent
from server.access import drawings_seen_by
from server.accounts.models import Person
from server.cards.models import StoredCard
from server.cards.resolve import ResolvedPlan
from server.catalogue.swatches import swatch


@dataclass(frozen=True)
class Tones:
    """The tones of an area, light to dark: places, predicted CIELAB (k, 3), how sure that is."""

    places: tuple[int, ...]
    lab: np.ndarray
    sigma: tuple[float, ...]


@dataclass(frozen=True)
class Coloured:
    """The colouring of a resolved plan.

    ``drawing`` is None where it has none, or it is gone; ``used_to_dark_first``
    is what its person does where the card says nothing.
    """

    resolved: ResolvedPlan
    drawing: LineDrawing | None
    used_to_dark_first: bool = False

    @property
    def plan(self) -> Colouring:
        """What is planned."""
        return self.resolved.plan.colouring

    @property
    def _catalogue(self) -> Supplies:
        return self.resolved.catalogue

    @property
    def dark_first(self) -> bool:
        """Whether shadows are laid first on this card."""
        said = self.plan.dark_first
        return self.used_to_dark_first if said is None else said

    @cached_property
    def paper(self) -> int | None:
        """Where the paper stands in the catalogue; None for white marker paper."""
        return None if self.plan.paper is None else self._catalogue.places.get(self.plan.paper)

    @cached_property
    def paper_lab(self) -> tuple[float, ...]:
        """The paper's colour."""
        return figures.laying.PAPER_WHITE_LAB if self.paper is None else self._catalogue.lab_at(self.paper)

    @cached_property
    def tones(self) -> dict[int, Tones]:
        """By the key of an area: its tones, without those that are no longer among the supplies."""
        found = {
            area.key: tuple(self._catalogue.places[pk] for pk in area.family if pk in self._catalogue.places)
            for area in self.plan.areas
        }
        seen = {}
        for layers in {area.layers for area in self.plan.areas}:
            areas = [area for area in self.plan.areas if area.layers == layers]
            places = np.array(sorted({place for area in areas for place in found[area.key]}), dtype=np.intp)
            labs = self._catalogue.predicted(places, layers, self.paper) if len(places) else places
            seen |= {(layers, int(place)): lab for place, lab in zip(places, labs, strict=True)}
        return {
            area.key: Tones(
                found[area.key],
                np.array([seen[area.layers, place] for place in found[area.key]]).reshape(-1, 3),
                tuple(self._sigma(place, area.layers) for place in found[area.key]),
            )
            for area in self.plan.areas
        }

    def _sigma(self, place: int, layers: int) -> float:
        known = float(self._catalogue.sigma[place])
        if layers == 1 and self.paper is None:
            return known
        range_id = self._catalogue.rows[place].range_id
        medium, fitted = self._catalogue.ranges[range_id].medium, range_id in self._catalogue.fits
        return combined(known, prediction_sigma(medium, layers, stock_kind(self.paper_lab), fitted))

    @cached_property
    def glazes(self) -> dict[int, tuple[int, np.ndarray]]:
        """By the key of an area that has one: its glaze's place, and the Lab (3,) of it over the darkest."""
        found = {}
        for area in self.plan.areas:
            place, tones = self._catalogue.places.get(area.glaze or 0), self.tones[area.key].places
            if place is not None and tones and is_transparent(area.medium):
                dark, over = self._catalogue.reflectance(np.array([tones[-1], place]))
                behaviour = self._catalogue.behaviour(int(self._catalogue.range_ids[tones[-1]]))
                seen = glazed_over(dark, over[None], behaviour, area.layers, self.card)
                found[area.key] = (place, seen[0])
        return found

    @cached_property
    def card(self) -> np.ndarray:
        """The paper's reflectance (31,)."""
        return WHITE if self.paper is None else self._catalogue.reflectance(np.array([self.paper]))[0]

    def judgement(self, area: Area) -> Judgement | None:
        """What holds of an area's family; None where it has less than two tones."""
        tones = self.tones[area.key]
        if len(tones.places) < figures.families.FAMILY_SIZES[0]:
            return None
        around, reach = self.aim(area, max(tones.sigma))
        glazed = self.glazes[area.key][1] if area.key in self.glazes else None
        return judge(tones.lab, recipe(area.thing).allowance, around, reach, glazed)

    def aim(self, area: Area, sigma: float) -> tuple[np.ndarray | None, float]:
        """The colour that an area's family is wanted for, and how near to it one tone must come.

        ``sigma`` is how well the tones are known. What has a recipe with
        colours of its own is wanted for none.
        """
        if area.colour is None or recipe(area.thing).around:
            return None, np.inf
        at = [colour.key for colour in self.resolved.plan.colours].index(area.colour)
        known = np.hypot(self.resolved.sigma[at], sigma)
        return self.resolved.lab[at], float(np.hypot(figures.colour.COUSIN, known))

    @cached_property
    def surface(self) -> Surface:
        """What kind of paper it is."""
        if self.plan.surface in SURFACES:
            return SURFACES[self.plan.surface]
        if self.paper is None:
            return WHITE_MARKER_PAPER
        facts = self._catalogue.ranges[self._catalogue.rows[self.paper].range_id]
        return surface_of(facts.properties, stock_kind(self.paper_lab))

    @cached_property
    def line(self) -> LineInk | None:
        """What the line is made with."""
        facts = self._catalogue.ranges.get(self.plan.line_range or 0)
        if facts:
            return line_ink_of(facts.name, facts.medium, facts.properties)
        return LINE_INKS.get(self.plan.line)

    @cached_property
    def used(self) -> Used:
        """What the picture is made with."""
        areas = self.plan.areas
        return Used(
            self.line,
            frozenset(area.medium for area in areas),
            self.surface,
            max((area.layers for area in areas if area.medium in WET_MEDIA), default=1),
            frozenset(self.plan.finishes),
        )

    @cached_property
    def conflicts(self) -> list[Conflict]:
        """What of the materials will not get on; nothing while there is nothing to colour."""
        return conflicts(self.used) if self.plan.areas else []

    @cached_property
    def touching(self) -> set[tuple[int, int]]:
        """Pairs of places of areas that share an edge in the drawing."""
        places = {area.shape: at for at, area in enumerate(self.plan.areas) if area.shape}
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
        at = self.plan.areas.index(area)
        return any(self.plan.areas[b].thing is thing for a, b in self.touching if a == at)

    def warmth(self, area: Area | None = None) -> float:
        """How warm the palette is, above 0 warm; for an area, what lies beside it counts again."""
        keys = [colour.key for colour in self.resolved.plan.colours]
        labs = list(self.resolved.lab)
        if area is not None:
            at = self.plan.areas.index(area)
            beside = [self.plan.areas[b].colour for a, b in self.touching if a == at]
            labs += [self.resolved.lab[keys.index(key)] for key in beside if key in keys]
        return temperature(np.array(labs), np.ones(len(labs))) if labs else 0.0

    @cached_property
    def tone_shades(self) -> dict[int, list[dict[str, str]]]:
        """By the key of an area: its tones in every view, and last its glaze where it has one."""
        labs = {key: tones.lab for key, tones in self.tones.items()}
        labs |= {key: np.vstack([labs[key], lab]) for key, (_, lab) in self.glazes.items()}
        if not sum(map(len, labs.values())):
            return {key: [] for key in labs}
        views = shades(np.concatenate(list(labs.values())))
        found = {}
        for key, laid in labs.items():
            found[key], views = views[: len(laid)], views[len(laid) :]
        return found

    def told(self) -> dict[str, Any]:
        """Everything of the stage, as ``ColouringSerializer`` describes it."""
        plan = self.plan
        return {
            "drawing": plan.drawing if self.drawing else None,
            "paper": None if self.paper is None else swatch(self._catalogue, self.paper),
            "surface": self.surface.title,
            "surface_said": self.plan.surface in SURFACES,
            "wet_layers": self.surface.wet_layers,
            "light": plan.light.value,
            "dark_first": self.dark_first,
            "line": plan.line,
            "line_range": plan.line_range,
            "lines": [{"key": key, "words": ink.title} for key, ink in LINE_INKS.items()],
            "line_ranges": [
                {"id": one.id, "name": one.name}
                for one in self._catalogue.ranges.values()
                if is_line_ink(one.medium) and not one.gone
            ],
            "finishes": list(plan.finishes),
            "all_finishes": [{"key": key, "words": words} for key, words in FINISHES.items()],
            "areas": [self._area(area) for area in plan.areas],
            "sessions": self._sessions(),
            "conflicts": [asdict(one) | {"status": one.status.value} for one in self.conflicts],
            "cautions": cautions(self.used) if plan.areas else [],
            "greys": "warm" if self.warmth() > 0 else "cool",
        }

    def _area(self, area: Area) -> dict[str, Any]:
        tones, views, glaze = self.tones[area.key], self.tone_shades[area.key], None
        if area.key in self.glazes:
            place, lab = self.glazes[area.key]
            glaze = self._tone(
                "glazed shadow", place, views[-1], lab, figures.laying.GLAZE_SIGMA, predicted=True
            )
        judged = self.judgement(area)
        count = len(tones.places)
        names = tone_names(count) if count >= figures.families.FAMILY_SIZES[0] else ("tone",) * count
        return {
            "key": area.key,
            "name": area.name,
            "shape": area.shape,
            "colour": area.colour,
            "thing": area.thing.value,
            "extent": area.extent.value,
            "focal": area.focal,
            "medium": area.medium.value,
            "layers": area.layers,
            "note": recipe(area.thing).note,
            "lost": len(area.family) - count + int(self._catalogue.lost[list(tones.places)].sum()),
            "likeness": self._likeness(area),
            "tones": [
                self._tone(*each, predicted=area.layers > 1 or self.paper is not None)
                for each in zip(names, tones.places, views[:count], tones.lab, tones.sigma, strict=True)
            ],
            "glaze": glaze,
            "judgement": None if judged is None else told_judgement(judged),
            "order": self._order(area, count),
            "edge": edge_tone(count, self.plan.light) if count else None,
        }

    def _tone(
        self, name: str, place: int, view: dict[str, str], lab: np.ndarray, sigma: float, predicted: bool
    ) -> dict[str, Any]:
        return {
            "name": name,
            "swatch": swatch(self._catalogue, place),
            "shades": view,
            "lightness": round(float(lab[0]), 1),
            "uncertainty": round(sigma, 1),
            "predicted": predicted,
        }

    def _likeness(self, area: Area) -> str | None:
        """How near the nearest tone comes to the palette colour; None where that is not asked of it."""
        tones = self.tones[area.key]
        if area.colour is None or not tones.places or recipe(area.thing).around:
            return None
        at = [colour.key for colour in self.resolved.plan.colours].index(area.colour)
        off = delta_e(self.resolved.lab[at], tones.lab)
        nearest = int(off.argmin())
        sigma = combined(self.resolved.sigma[at], tones.sigma[nearest])
        return judge_match(float(off[nearest]), sigma).verdict.value

    def _order(self, area: Area, count: int) -> list[dict[str, Any]]:
        if not count:
            return []
        glaze = ""
        if area.key in self.glazes:
            row = self._catalogue.rows[self.glazes[area.key][0]]
            glaze = row.label
        solvent = "solvent" in self.plan.finishes
        strokes = working_order(area.medium, count, self.dark_first, area.layers, glaze, solvent)
        return [asdict(one) for one in strokes]

    def _sessions(self) -> list[dict[str, Any]]:
        """The order of the areas that have a family, those of one family together."""
        places = [at for at, area in enumerate(self.plan.areas) if area.family]
        renumbered = {at: n for n, at in enumerate(places)}
        # Pencil is dry as soon as it is laid.
        wet_areas = {at for at in places if self.plan.areas[at].medium in WET_MEDIA}
        touching = {
            (renumbered[a], renumbered[b]) for a, b in self.touching if a in wet_areas and b in wet_areas
        }
        order = sessions([self.plan.areas[at].family for at in places], touching)
        wet = set(wet_neighbours(order, touching))
        return [
            {"areas": [self.plan.areas[places[n]].key for n in one.areas], "wait": at in wet}
            for at, one in enumerate(order)
        ]


def coloured_plans(cards: Sequence[StoredCard], catalogue: Supplies, person: Person) -> list[Coloured]:
    """The colouring of some cards, their drawings fetched all at once."""
    plans = [card.value for card in cards]
    wanted = {plan.colouring.drawing for plan in plans} - {None}
    drawings = drawings_seen_by(person).in_bulk(wanted) if wanted else {}
    found = {pk: drawing.shapes for pk, drawing in drawings.items()}
    return [
        Coloured(ResolvedPlan(plan, catalogue), found.get(plan.colouring.drawing), person.dark_first)
        for plan in plans
    ]


def told_judgement(judged: Judgement) -> dict[str, Any]:
    """A judgement as ``JudgementSerializer`` describes it."""
    return {
        "span": round(judged.span, 1),
        "wanted": judged.wanted,
        "lightness": [round(one, 1) for one in judged.lightness],
        "hue": [None if one is None else round(one) for one in judged.hue],
        "faults": [{"step": one.step, "words": one.words} for one in judged.faults],
    }
