"""The colouring of a card's pictures as it is told."""

from collections.abc import Mapping

import numpy as np

from jindle_core import figures
from jindle_core.card.pictures import Area
from jindle_core.checked.covering import CoveredArea, covered_areas
from jindle_core.checked.whole import CheckedCard
from jindle_core.colorimetry.views import Shades
from jindle_core.compatibility.materials import FINISHES, LINE_INKS, SURFACES
from jindle_core.compatibility.rules import cautions
from jindle_core.families.judge import FamilyJudgement, tone_names
from jindle_core.families.recipes import OF_GREYS, recipe
from jindle_core.families.shading import edge_tone
from jindle_core.planning.colouring import area_steps, picture_steps
from jindle_core.seen.colouring import Coloured, LaidOver
from jindle_core.supplies.whole import Supplies
from server.cards.json.step import step_told
from server.catalogue.swatches import swatch
from server.told.colouring import Area as AreaTold
from server.told.colouring import ColouredPicture, Colouring, Fault, Judgement, LineRange, Named, Over, Tone


def colouring_told(checked: CheckedCard) -> Colouring:
    """Everything of the stage."""
    seen = checked.seen
    found = covered_areas(checked.examined) if seen.card.build.every else []
    covered = {one.area: one for one in found}
    supplies = seen.supplies
    return Colouring(
        pictures=[_picture(one, covered) for one in seen.coloured],
        lines=[Named(key=key, words=ink.title) for key, ink in LINE_INKS.items()],
        line_ranges=[
            LineRange(id=one.id, name=one.name)
            for one in supplies.ranges.values()
            if one.medium.traits.line_ink is not None and not one.lost
        ],
        all_finishes=[Named(key=key, words=words) for key, words in FINISHES.items()],
        most_pictures=figures.drawings.PICTURES_LIMIT,
    )


def _picture(coloured: Coloured, covered: Mapping[int, CoveredArea]) -> ColouredPicture:
    said = coloured.picture
    return ColouredPicture(
        key=said.key,
        name=said.name,
        drawing=said.drawing if coloured.drawing else None,
        paper=None if coloured.paper is None else swatch(coloured.palette.supplies, coloured.paper),
        surface=coloured.surface.title,
        surface_said=said.surface in SURFACES,
        wet_layers=coloured.surface.wet_layers,
        wet_strokes=coloured.used.strokes,
        light=said.light,
        dark_first=coloured.dark_first,
        line=said.line,
        line_range=said.line_range,
        finishes=list(said.finishes),
        areas=[_area(coloured, area, covered.get(area.key)) for area in coloured.areas],
        sessions=[
            step_told(one, coloured.palette.unit) for one in picture_steps(coloured, frozenset(covered))
        ],
        cautions=cautions(coloured.used) if said.areas else [],
        greys="warm" if coloured.warmth() > 0 else "cool",
    )


def _area(coloured: Coloured, area: Area, covered: CoveredArea | None) -> AreaTold:
    tones, judged = coloured.tones[area.key], coloured.judgement(area)
    count = len(tones.places)
    return AreaTold(
        key=area.key,
        name=area.name,
        shape=area.shape,
        covered=0.0 if covered is None else covered.covered,
        covered_by="" if covered is None else covered.by,
        like=area.like,
        led_by=[one.key for one in coloured.palette.card.led_by(area)],
        colour=area.colour,
        thing=area.thing,
        extent=area.extent,
        focal=area.focal,
        medium=area.medium.value,
        layers=area.layers,
        note=" ".join(filter(None, (recipe(area.thing).note, _GUESS if coloured.is_guess(area) else ""))),
        of_greys=area.thing in OF_GREYS,
        lost=len(area.family) - count + int(coloured.palette.supplies.lost[list(tones.places)].sum()),
        likeness=coloured.likeness(area),
        tones=_tones(coloured, area),
        glaze=_glaze(coloured, area),
        judgement=None if judged is None else judgement_told(judged),
        order=[step_told(one, coloured.palette.unit) for one in area_steps(coloured, area)],
        edge=edge_tone(count, coloured.picture.light) if count else None,
    )


def _tones(coloured: Coloured, area: Area) -> list[Tone]:
    tones, over = coloured.tones[area.key], coloured.laid_over(area)
    count, predicted = len(tones.places), area.layers > 1 or coloured.paper is not None
    names = tone_names(count) if count >= figures.families.FAMILY_SIZES[0] else ("tone",) * count
    views = coloured.tone_shades[area.key][:count]
    return [
        _tone(coloured.palette.supplies, *each, predicted=predicted or at in over, over=over.get(at))
        for at, each in enumerate(zip(names, tones.places, views, tones.lab, tones.sigma, strict=True))
    ]


def _glaze(coloured: Coloured, area: Area) -> Tone | None:
    if area.key not in coloured.glazes:
        return None
    place, lab = coloured.glazes[area.key]
    supplies, shades = coloured.palette.supplies, coloured.tone_shades[area.key][-1]
    sigma = supplies.predicted.glaze_sigma(coloured.tones[area.key].places[-1], place)
    return _tone(supplies, "glazed shadow", place, shades, lab, sigma, predicted=True)


_GUESS = "How it looks laid so is a guess: a swatch of it, read on this card, makes it sure (in Supplies)."


def _tone(
    supplies: Supplies,
    name: str,
    place: int,
    view: Shades,
    lab: np.ndarray,
    sigma: float,
    predicted: bool,
    over: LaidOver | None = None,
) -> Tone:
    return Tone(
        name=name,
        swatch=swatch(supplies, place),
        shades=view,
        lightness=round(float(lab[0]), 1),
        uncertainty=round(sigma, 1),
        predicted=predicted,
        over=None if over is None else _over(supplies, over),
    )


def _over(supplies: Supplies, laid: LaidOver) -> Over:
    return Over(swatch=swatch(supplies, laid.place), under_layers=laid.under_layers, layers=laid.layers)


def judgement_told(judged: FamilyJudgement) -> Judgement:
    """A judgement."""
    return Judgement(
        span=round(judged.span, 1),
        wanted=judged.wanted,
        lightness=[round(one, 1) for one in judged.lightness],
        hue=[None if one is None else round(one) for one in judged.hue],
        faults=[Fault(step=one.step, words=one.words) for one in judged.faults],
    )
