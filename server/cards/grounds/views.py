"""The ground of a card as its screen gets it."""

from collections.abc import Sequence
from dataclasses import asdict, replace
from typing import Any

import numpy as np

from jindle_core import figures
from jindle_core.blending.effects import INKED
from jindle_core.blending.inks import seen_on, wet
from jindle_core.blending.joins import Join
from jindle_core.blending.meeting import BLENDED
from jindle_core.blending.orders import best_order, is_rainbow, overlaps
from jindle_core.blending.painting import BRUSHED, LAYERED, TURNING, between
from jindle_core.blending.ways import WayKind, WayOut, ways_out
from jindle_core.blending.working import cautions
from jindle_core.card.ground import PadUse
from jindle_core.checked.ground import ground_checks, pads_to_take
from jindle_core.checked.on_ground import OnGround
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.naming import hue_family
from jindle_core.colorimetry.views import shades
from jindle_core.errors import BadInput, Problem
from jindle_core.matching.verdicts import judge as judge_match
from jindle_core.seen.ground import Grounded
from jindle_core.seen.palette import value_shades
from server.cards.json.changes import use_told
from server.cards.json.checks import check_told
from server.cards.json.panel import panel_told
from server.catalogue.swatches import swatch

_STRIP, _THUMB = 2, 4  # every second place of a strip is shown, of one that is offered every fourth


def whole_ground(on: OnGround) -> dict[str, Any]:
    """Everything of the stage, as ``GroundSerializer`` describes it."""
    grounded, plan = on.grounded, on.grounded.ground
    catalogue = grounded.supplies
    paper = None if plan.paper is None else catalogue.places.get(plan.paper)
    media = {grounded.facts(place).medium for place in grounded.places}
    return {
        "shape": plan.shape.value,
        "across": plan.across,
        "tinted": plan.tinted,
        "wish": plan.wish.value,
        "lettered": plan.lettered,
        "brushed": plan.shape in BRUSHED,
        "turns": plan.shape in TURNING,
        "inked_effects": [kind.value for kind in INKED],
        "most_pads": figures.grounds.GROUND_PADS,
        "most_coats": figures.grounds.PAD_COATS,
        "paper": None if paper is None else swatch(catalogue, paper),
        "paper_shades": value_shades(tuple(map(float, grounded.card_lab))),
        "pads": _pads(grounded),
        "lost": len(plan.pads) - len(grounded.pads) + int(catalogue.lost[list(grounded.places)].sum()),
        "joins": _joins([(grounded, dict(enumerate(grounded.joins)))], damp=True)[0],
        "panel": panel_told(grounded),
        "wet": panel_told(grounded, is_wet=True),
        "findings": [check_told(one, grounded.resolved.card) for one in ground_checks(on)],
        "built": on.stack is not None,
        "effects": [use_told(one) | {"swatch": _swatch_of(grounded, one.colour)} for one in plan.effects],
        "mat": _mat(grounded),
        "order": [asdict(step) for step in grounded.order],
        "cautions": cautions(media, {effect.kind for effect in plan.effects}),
    }


def _swatch_of(grounded: Grounded, pk: int | None) -> dict[str, Any] | None:
    place = None if pk is None else grounded.supplies.places.get(pk)
    return None if place is None else swatch(grounded.supplies, place)


def _pads(grounded: Grounded) -> list[dict[str, Any]]:
    if not grounded.pads:
        return []
    labs = seen_on(grounded.inks, grounded.card)
    views = shades(labs)
    found = []
    for pad, place, lab, view in zip(grounded.pads, grounded.places, labs, views, strict=True):
        about = grounded.known(place)
        found.append(
            asdict(pad)
            | {
                "swatch": swatch(grounded.supplies, place),
                "shades": view,
                "lightness": round(float(lab[0]), 1),
                "predicted": about.predicted,
                "notes": list(about.notes),
            }
        )
    return found


def _joins(
    wanted: Sequence[tuple[Grounded, dict[int, Join]]], damp: bool = False
) -> list[list[dict[str, Any]]]:
    """Joins of some grounds, by the place of their first pad, as ``JoinSerializer`` describes them.

    How they look while they are wet is told only where that is asked for.
    """
    strips = [strip for grounded, joins in wanted for strip in _strips(grounded, list(joins), damp)]
    # All at once: views cost as much for one colour as for a hundred.
    views = iter(shades(np.concatenate(strips)) if strips else [])
    laid = iter(strips)
    return [
        [
            _told(grounded, at, join) | {name: [next(views) for _ in next(laid)] for name in ("strip", "wet")}
            for at, join in joins.items()
        ]
        for grounded, joins in wanted
    ]


def _told(grounded: Grounded, at: int, join: Join) -> dict[str, Any]:
    predicted = grounded.is_predicted(at)
    return {
        "meeting": join.meeting.value if predicted else None,
        "words": join.words if predicted else "not predicted",
        "rough": any(grounded.known(place).rough for place in grounded.places[at : at + 2]),
    }


def _strips(grounded: Grounded, places: Sequence[int], damp: bool) -> list[np.ndarray]:
    """What is shown of some joins, each dry and wet; nothing where it is not predicted."""
    found: list[np.ndarray] = []
    for at, labs in zip(places, grounded.row.strips(places), strict=True):
        if not grounded.is_predicted(at):
            found += [labs[:0], labs[:0]]
        elif grounded.ground.shape in LAYERED:
            found += [labs[:2], labs[:0]]  # the one, and then both
        elif not damp:
            found += [labs[::_THUMB], labs[:0]]
        else:
            mixed = grounded.inks[at : at + 2].mixed(between(grounded.ground.shape, grounded.row.joints[at]))
            found += [labs[::_STRIP], wet(labs, mixed)[::_STRIP]]
    return found


def _mat(grounded: Grounded) -> dict[str, Any] | None:
    mat, lab = grounded.ground.mat, grounded.mat_lab
    if mat is None or lab is None:
        return None
    return asdict(mat) | {
        "swatch": _swatch_of(grounded, mat.colour),
        "paper_swatch": _swatch_of(grounded, mat.paper),
        "shades": value_shades(tuple(map(float, lab))),
        "lightness": round(float(lab[0]), 1),
        "like": _like(grounded, lab),
    }


def _like(grounded: Grounded, lab: np.ndarray) -> dict[str, Any] | None:
    """The palette colour nearest to a predicted one."""
    resolved = grounded.resolved
    if not resolved.card.colours:
        return None
    off = delta_e(np.asarray(lab, float), resolved.lab)
    at = int(off.argmin())
    colour = resolved.card.colours[at]
    return {
        "key": colour.key,
        "name": colour.name,
        "verdict": judge_match(float(off[at]), figures.laying.GLAZE_SIGMA).verdict.value,
        "distance": round(float(off[at]), 1),
    }


def ways(grounded: Grounded, at: int, owned: bool) -> list[dict[str, Any]]:
    """Ways out of the join after a pad, as ``WayOutSerializer`` describes them; the drawer's pads first."""
    if not 0 <= at < len(grounded.pads) - 1:
        raise BadInput(Problem(f"This ground has no join {at}.", field="join", value=str(at)))
    if not grounded.is_predicted(at):
        return []
    places = pads_to_take(grounded, owned)
    found = [(way, places) for way in ways_out(grounded.row, at, grounded.supplies.dabs(places))]
    if owned and not any(way.kind is WayKind.BRIDGE for way, _ in found):
        # The drawer has none: what could be bought, rather than nothing.
        everything = pads_to_take(grounded, owned=False)
        bought = ways_out(grounded.row, at, grounded.supplies.dabs(everything))
        found += [(way, everything) for way in bought if way.kind is WayKind.BRIDGE]
    told = [_way(grounded, *one) for one in found]
    joins = _joins([(after, way.joins) for (_, after), (way, _) in zip(told, found, strict=True)])
    return [one | {"joins": its} for (one, _), its in zip(told, joins, strict=True)]


def _way(grounded: Grounded, way: WayOut, places: np.ndarray) -> tuple[dict[str, Any], Grounded]:
    """A way out without its joins, and the ground that it makes."""
    count = len(grounded.pads)
    pads, brought = [], None
    for place, joint in zip(way.pads, way.joints, strict=True):
        if place < count:
            pads.append(replace(grounded.pads[place], reach=joint.reach, seam=joint.seam))
        else:
            brought = int(places[place - count])
            pk = grounded.supplies.rows[brought].id
            pads.append(PadUse(pk, reach=joint.reach, seam=joint.seam))
    after = grounded.with_ground(replace(grounded.ground, pads=tuple(pads)))
    told = {
        "way": way.kind.value,
        "words": _words(grounded, way, brought),
        "swatch": None if brought is None else swatch(grounded.supplies, brought),
        "pads": [asdict(pad) for pad in pads],
    }
    return told, after


def _words(grounded: Grounded, way: WayOut, brought: int | None) -> str:
    if way.kind is WayKind.ORDER:
        return "in the order " + ", ".join(_names(grounded, way.pads))
    if brought is None:
        return way.kind.value
    name = grounded.supplies.rows[brought].label
    if way.kind is WayKind.BRIDGE:
        return f"{name} between them"
    gone = next(at for at in range(len(grounded.pads)) if at not in way.pads)
    return f"{name} instead of {_names(grounded, [gone])[0]}"


def _names(grounded: Grounded, places: Sequence[int]) -> list[str]:
    return [grounded.supplies.rows[grounded.places[place]].label for place in places]


def what_they_make(grounded: Grounded) -> dict[str, Any]:
    """The best order of the pads and what they give together, as ``TogetherMakeSerializer`` says it."""
    count = len(grounded.pads)
    if count < 2:
        return {"best": None, "overlaps": [], "rainbow": False, "words": "Two pads at least make something."}
    found = overlaps(grounded.inks, grounded.card)
    views = shades(np.array([one.lab for one in found]))
    clean = [one.lab for one in found if one.join.meeting.value == "clean"]
    rainbow = is_rainbow(np.array([*seen_on(grounded.inks, grounded.card), *clean]))
    words = f"{len(clean)} of {len(found)} overlaps come out clean; "
    words += "together they go all round the circle: a rainbow." if rainbow else "no rainbow."
    return {
        "best": _best(grounded),
        "overlaps": [
            {
                "words": " and ".join(_names(grounded, one.places)),
                "shades": view,
                "hue_name": hue_family(one.lab),
                "meeting": one.join.meeting.value,
                "like": _like(grounded, np.array(one.lab)),
            }
            for one, view in zip(found, views, strict=True)
        ],
        "rainbow": rainbow,
        "words": words,
    }


def _best(grounded: Grounded) -> dict[str, Any]:
    best = best_order(grounded.inks, grounded.card)
    # It is judged blended, so it is offered blended.
    pads = [replace(grounded.pads[place], reach=BLENDED.reach, seam=BLENDED.seam) for place in best.places]
    after = grounded.with_ground(replace(grounded.ground, pads=tuple(pads)))
    same = best.places in (tuple(range(len(pads))), tuple(range(len(pads)))[::-1])
    return {
        "same": same,
        "words": ", ".join(_names(grounded, best.places)),
        "pads": [asdict(pad) for pad in pads],
        "joins": _joins([(after, dict(enumerate(best.joins)))])[0],
    }
