"""The ground of a card, what would better it, and what its pads make, as they are told."""

from collections.abc import Sequence
from dataclasses import asdict

import numpy as np

from jindle_core import figures
from jindle_core.blending.effects import INKED
from jindle_core.blending.inks import seen_on
from jindle_core.blending.joins import Join
from jindle_core.blending.painting import TURNING, GroundShape
from jindle_core.checked.on_ground import OnGround
from jindle_core.colorimetry.naming import hue_family
from jindle_core.colorimetry.views import shades
from jindle_core.offers.for_join import JoinOffer, OrderOffer, RainbowOffer, Together
from jindle_core.planning.ground import cautions, ground_steps
from jindle_core.seen.ground import Grounded
from jindle_core.seen.joins import JoinSeen, joins_seen
from jindle_core.seen.palette import value_shades
from jindle_core.seen.panel import panel_seen
from server.cards.json.panel import panel_told
from server.cards.json.step import step_told
from server.catalogue.swatches import swatch
from server.told.ground import (
    BestOrder,
    Effect,
    Ground,
    InkedCard,
    NearestColour,
    Overlap,
    Pad,
    PadUse,
    Rainbow,
    TogetherMake,
    WayOut,
)
from server.told.ground import Join as JoinTold
from server.told.swatch import Swatch


def ground_told(on: OnGround) -> Ground:
    """Everything of the stage."""
    grounded, plan = on.grounded, on.grounded.ground
    supplies = grounded.supplies
    paper = None if plan.paper is None else supplies.places.get(plan.paper)
    stencilled = plan.shape is GroundShape.STENCILS
    media = {grounded.facts(place).medium for place in grounded.places}
    return Ground(
        shape=plan.shape,
        across=plan.across,
        tinted=plan.tinted,
        wish=plan.wish,
        lettered=plan.lettered,
        back=plan.back,
        one_side=plan.one_side,
        stencilled=stencilled,
        turns=plan.shape in TURNING,
        inked_effects=list(INKED),
        most_pads=figures.grounds.STENCIL_PADS if stencilled else figures.grounds.GROUND_PADS,
        most_coats=figures.grounds.PAD_COATS,
        paper=None if paper is None else swatch(supplies, paper),
        paper_shades=value_shades(tuple(map(float, grounded.card_lab))),
        pads=_pads(grounded),
        lost=len(plan.pads) - len(grounded.pads) + int(supplies.lost[list(grounded.places)].sum()),
        joins=_joins([(grounded, dict(enumerate(grounded.joins)))], damp=True)[0],
        panel=panel_told(panel_seen(grounded)),
        wet=panel_told(panel_seen(grounded, is_wet=True)),
        built=on.stack is not None,
        effects=[
            Effect(effect=one.kind, colour=one.colour, hand=one.hand, swatch=_swatch_of(grounded, one.colour))
            for one in plan.effects
        ],
        mat=_mat(grounded),
        inks=[swatch(supplies, supplies.places[pk]) for pk in grounded.taken],
        order=[step_told(step, grounded.palette.unit) for step in ground_steps(grounded)],
        cautions=cautions(media, {effect.kind for effect in plan.effects}),
    )


def _swatch_of(grounded: Grounded, pk: int | None) -> Swatch | None:
    place = None if pk is None else grounded.supplies.places.get(pk)
    return None if place is None else swatch(grounded.supplies, place)


def _pads(grounded: Grounded) -> list[Pad]:
    if not grounded.pads:
        return []
    labs = seen_on(grounded.inks, grounded.card)
    views = shades(labs)
    found = []
    layer_of = {at: n for n, layer in enumerate(grounded.layers) for at in layer}
    for at, (pad, place, lab, view) in enumerate(
        zip(grounded.pads, grounded.places, labs, views, strict=True)
    ):
        about = grounded.known(place)
        found.append(
            Pad(
                swatch=swatch(grounded.supplies, place),
                shades=view,
                lightness=round(float(lab[0]), 1),
                uncertainty=round(grounded.sigma(at), 1),
                predicted=about.predicted,
                layer=layer_of[at],
                notes=about.notes,
                **asdict(pad),
            )
        )
    return found


def _join(seen: JoinSeen) -> JoinTold:
    return JoinTold(
        meeting=seen.meeting,
        words=seen.words,
        rough=seen.rough,
        brushed=seen.brushed,
        uncertainty=round(seen.sigma, 1),
        strip=list(seen.strip),
        wet=list(seen.wet),
    )


def _joins(wanted: Sequence[tuple[Grounded, dict[int, Join]]], damp: bool = False) -> list[list[JoinTold]]:
    return [[_join(one) for one in joins] for joins in joins_seen(wanted, damp)]


def _mat(grounded: Grounded) -> InkedCard | None:
    mat, lab, sigma = grounded.ground.mat, grounded.mat_lab, grounded.mat_sigma
    if mat is None or lab is None or sigma is None:
        return None
    return InkedCard(
        swatch=swatch(grounded.supplies, grounded.supplies.places[mat.colour]),
        paper_swatch=_swatch_of(grounded, mat.paper),
        shades=value_shades(tuple(map(float, lab))),
        lightness=round(float(lab[0]), 1),
        uncertainty=round(sigma, 1),
        like=_like(grounded, lab, sigma),
        **asdict(mat),
    )


def _like(grounded: Grounded, lab: np.ndarray, sigma: float) -> NearestColour | None:
    """The palette colour nearest to a predicted one."""
    found = grounded.palette.nearest(lab, sigma)
    if found is None:
        return None
    return NearestColour(
        key=found.colour.key,
        name=found.colour.name,
        verdict=found.verdict,
        distance=round(found.distance, 1),
    )


def join_offers_told(grounded: Grounded, offers: Sequence[JoinOffer]) -> list[WayOut]:
    """Ways out of a join."""
    joins = _joins([(one.after, one.joins) for one in offers])
    return [
        WayOut(
            way=one.kind,
            words=one.words,
            swatch=None if one.brought is None else swatch(grounded.supplies, one.brought),
            pads=[PadUse(**asdict(pad)) for pad in one.after.pads],
            joins=its,
        )
        for one, its in zip(offers, joins, strict=True)
    ]


def _order(best: OrderOffer) -> BestOrder:
    return BestOrder(
        same=best.same,
        words=best.words,
        pads=[PadUse(**asdict(pad)) for pad in best.after.pads],
        joins=_joins([(best.after, dict(enumerate(best.joins)))])[0],
    )


def rainbows_told(found: Sequence[RainbowOffer]) -> list[Rainbow]:
    """Pads for a rainbow."""
    return [Rainbow(whole=one.whole, gap=round(one.gap), **vars(_order(one.order))) for one in found]


def together_told(grounded: Grounded, found: Together) -> TogetherMake:
    """What the pads make."""
    views = shades(np.array([one.lab for one in found.overlaps])) if found.overlaps else []
    return TogetherMake(
        best=None if found.best is None else _order(found.best),
        overlaps=[
            Overlap(
                words=one.words,
                shades=view,
                hue_name=hue_family(one.lab),
                uncertainty=round(one.sigma, 1),
                meeting=one.meeting,
                like=_like(grounded, np.array(one.lab), one.sigma),
            )
            for one, view in zip(found.overlaps, views, strict=True)
        ],
        rainbow=found.rainbow,
        words=found.words,
    )
