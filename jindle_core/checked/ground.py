"""Does a card's ground run evenly and do what is wanted of it, and what would mend it?"""

from collections.abc import Callable, Iterable, Iterator
from dataclasses import replace
from functools import partial
from typing import Any

import numpy as np

from jindle_core import figures
from jindle_core.blending.effects import EffectKind, examine_marks
from jindle_core.blending.evenness import (
    evened,
    examine_centre,
    examine_edge,
    examine_layer,
    examine_side,
    examine_steps,
)
from jindle_core.blending.inks import Inks, seen_on
from jindle_core.blending.joins import Join, Meeting
from jindle_core.blending.known import are_white
from jindle_core.blending.painting import EDGED, GroundShape, at_points, spread
from jindle_core.blending.standing import Wish
from jindle_core.card.changes.ground import SetGround
from jindle_core.card.ground import Effect, GroundSettings, PadUse
from jindle_core.checked.check import Check, Mend
from jindle_core.checked.on_ground import OnGround
from jindle_core.checks.finding import Finding, Status
from jindle_core.checks.ids import GroundId, GroundPart
from jindle_core.colorimetry.difference import delta_e
from jindle_core.contrast.rules import PairKind, holds
from jindle_core.media.groups import PAD_MEDIA
from jindle_core.prediction.behaviour import Hand
from jindle_core.seen.ground import Grounded
from jindle_core.shown import percent
from jindle_core.words import in_words

_BANDS = 5  # of an ombre of one pad, where it is judged
_TRIED = 4  # pads instead of one
_ALONG = 9  # places along an edge
_HANDS = list(Hand)


def ground_checks(on: OnGround) -> list[Check]:
    """All that holds or does not hold of a ground; none where nothing is laid."""
    if not on.grounded.ground.laid:
        return []
    effects = (
        _of_ground(GroundPart.EFFECT, kind[0].upper() + kind[1:], examine_marks(kind, seen), which=kind)
        for kind, seen in on.grounded.marks.items()
    )
    return [*_evenness(on.grounded), *_standing(on), *effects]


def join_checks(grounded: Grounded) -> list[Check]:
    """How each pad meets the next; not what cannot be predicted."""
    found = []
    for at, join in enumerate(grounded.joins):
        if grounded.is_predicted(at) and at not in grounded.unmet:
            title = f"{_name(grounded, at)} into {_name(grounded, at + 1)}"
            found.append(_of_ground(GroundPart.JOIN, title, _met(join), which=at))
    return found


def _met(join: Join) -> Finding:
    words = f"{in_words(join.meeting)}: {join.words}"
    if join.meeting is Meeting.BROWN:  # no want of strength, so its figure would contradict it
        return Finding(Status.LOOK_AGAIN, "", "", words)
    status = Status.LOOK_AGAIN if join.meeting is Meeting.MUDDY else Status.HOLDS
    kept = f"{percent(join.kept, join.wanted)} of the colour kept"
    return Finding(status, kept, percent(join.wanted), words)


def _of_ground(
    part: GroundPart,
    title: str,
    finding: Finding,
    to_mend: Callable[[], list[Mend]] = list,
    which: object = "",
) -> Check:
    return Check("background", GroundId(part, str(which)), title, finding, to_mend=to_mend)


# --- Evenness.


def _evenness(grounded: Grounded) -> Iterator[Check]:
    shape, pads = grounded.ground.shape, grounded.pads
    if pads and shape is GroundShape.OMBRE:
        yield _steps(grounded)
    if pads and shape is GroundShape.VIGNETTE:
        yield _centre(grounded)
    if shape in EDGED:
        yield from (_edge(grounded, at) for at in range(len(pads)))
    if shape is GroundShape.STENCILS:
        yield from (_layer(grounded, at) for at in range(1, len(grounded.layers)))
    if pads and grounded.ground.one_side:
        yield _side(grounded)


def _bands(grounded: Grounded) -> np.ndarray:
    if len(grounded.pads) > 1:
        return seen_on(grounded.inks, grounded.card)
    middle = np.full(_BANDS, 0.5)
    along = np.linspace(0, 1, _BANDS)
    return grounded.seen_at(*((along, middle) if grounded.ground.across else (middle, along)))


def _steps(grounded: Grounded) -> Check:
    labs = _bands(grounded)

    def to_mend() -> list[Mend]:
        tried = [
            (at, _changed(grounded.pads, at, coats=pad.coats + 1))
            for at, pad in enumerate(grounded.pads)
            if pad.coats < figures.grounds.PAD_COATS
        ]
        seen = [_bands(grounded.with_ground(replace(grounded.ground, pads=pads))) for _, pads in tried]
        best = evened([labs, *seen])
        if not best:
            return []
        at, pads = tried[best - 1]
        words = f"one more coat of {_name(grounded, at)}"
        return [_mend(words, examine_steps(seen[best - 1]).figure, {"pads": pads})]

    return _of_ground(GroundPart.STEPS, "Steps of the ombre", examine_steps(labs), to_mend)


def _centre(grounded: Grounded) -> Check:
    def seen(of: Grounded) -> Finding:
        # Half of the way to the corner lies so far from the middle, right and down.
        x = np.array([0.5, 0.5 + figures.grounds.VIGNETTE_CENTRE[1] / 2])
        centre, edge = of.seen_at(x, x)
        return examine_centre(centre, edge)

    ways: list[tuple[str, GroundSettings]] = [
        ("cover the centre with a light hand of the first pad", {"tinted": True})
    ]
    hand = grounded.pads[0].hand
    if hand is not Hand.LIGHT:
        lighter = _changed(grounded.pads, 0, hand=_HANDS[_HANDS.index(hand) - 1])
        ways.append((f"a lighter hand with {_name(grounded, 0)}", {"pads": lighter}))
    to_mend = partial(_that_hold, grounded, ways, seen)
    return _of_ground(GroundPart.CENTRE, "Centre of the vignette", seen(grounded), to_mend)


def _edge(grounded: Grounded, at: int) -> Check:
    def seen(of: Grounded) -> Finding:
        return examine_edge(of.inks[at], of.card)

    pad = grounded.pads[at]
    ways: list[tuple[str, GroundSettings]] = [
        ("a lighter hand, tapped off first", {"pads": _changed(grounded.pads, at, hand=hand)})
        for hand in _HANDS[: _HANDS.index(pad.hand)][::-1]
    ]
    title = f"Edge of {_name(grounded, at)}"
    return _of_ground(
        GroundPart.EDGE, title, seen(grounded), lambda: _that_hold(grounded, ways, seen)[:1], at
    )


def _layer(grounded: Grounded, at: int) -> Check:
    """Whether what goes through a stencil shows over what lies there before it."""

    def seen(of: Grounded) -> Finding:
        return examine_layer(*(seen_on(one, of.card) for one in _over_before(of, at)))

    def lightest_first() -> list[Mend]:
        laid = _lightest_first(grounded)
        return _that_hold(grounded, [("the lightest layer first", {"pads": laid})], seen)

    name = _name(grounded, grounded.layers[at][0])
    return _of_ground(GroundPart.LAYER, f"{name} over the layer before", seen(grounded), lightest_first, at)


def _over_before(grounded: Grounded, at: int) -> tuple[Inks, Inks]:
    """What lies before a layer where all lie, and what lies there with it; each layer by its first pad."""
    firsts = [layer[0] for layer in grounded.layers[: at + 1]]
    inks = grounded.inks[firsts]
    return inks[:-1].mixed(np.ones((1, at)))[0], inks.mixed(np.ones((1, at + 1)))[0]


def _lightest_first(grounded: Grounded) -> tuple[PadUse, ...]:
    """The pads with the lighter layers before the darker ones; the stencils stay in their order."""
    layers = [[grounded.pads[at] for at in layer] for layer in grounded.layers]
    light = [float(seen_on(grounded.inks[layer], grounded.card)[:, 0].mean()) for layer in grounded.layers]
    order = sorted(range(len(layers)), key=lambda n: -light[n])
    return tuple(
        replace(pad, stencil=layers[place][0].stencil, same=nth > 0)
        for place, n in enumerate(order)
        for nth, pad in enumerate(layers[n])
    )


def _side(grounded: Grounded) -> Check:
    """How the edge stands out that the brush always comes in from."""
    x, y = np.zeros(_ALONG), np.linspace(0.05, 0.95, _ALONG)
    evenly = grounded.with_ground(replace(grounded.ground, one_side=False))
    found = examine_side(grounded.seen_at(x, y), evenly.seen_at(x, y))
    ways: list[Mend] = [_mend("come in from the opposite side too", "", {"one_side": False})]
    return _of_ground(GroundPart.SIDE, "The edge that is brushed twice", found, lambda: ways)


def _that_hold(
    grounded: Grounded, ways: list[tuple[str, GroundSettings]], seen: Callable[[Grounded], Finding]
) -> list[Mend]:
    """Of some ways to change a ground, those with which it holds."""
    tried = [
        (words, settings, seen(grounded.with_ground(replace(grounded.ground, **settings))))
        for words, settings in ways
    ]
    return [
        _mend(words, after.figure, settings)
        for words, settings, after in tried
        if after.status is Status.HOLDS
    ]


# --- Against what lies on it.


def _standing(on: OnGround) -> Iterator[Check]:
    # Of a card that is built of pieces the stack judges each on what it really lies on.
    built = on.stack is not None
    picture = None if built else on.picture_stands()
    if picture is not None:
        to_mend = partial(_mends, on, OnGround.picture_stands)
        yield _of_ground(GroundPart.PICTURE, "The picture on it", picture, to_mend)
    titles = {Wish.QUIET: "A quiet ground", Wish.SHINE: "A dark ground", Wish.BRIGHT: "A bright ground"}
    wanted = on.does_what_is_wanted()
    title = titles[on.grounded.ground.wish]
    yield _of_ground(GroundPart.WISH, title, wanted, partial(_mends, on, OnGround.does_what_is_wanted))
    lettering = on.lettering_stands()
    if lettering:
        bare = not any(part.name == "strip" for part in on.parts)
        strip = [_mend("put it on its strip", "", {"lettered": False})] if bare else []
        yield _of_ground(GroundPart.LETTERING, *lettering, lambda: strip)
    mat = on.mat_stands()
    if mat is not None:
        yield _of_ground(GroundPart.MAT, "The inked mat around it", mat)


def _mends(on: OnGround, examine: Callable[[OnGround], Finding | None]) -> list[Mend]:
    """What would make it hold, tried out: of each way the first that does."""
    found, open_now = [], _open(on)
    for tries in _ways(on):
        for words, settings in tries:
            changed = on.with_ground(replace(on.grounded.ground, **settings))
            after = examine(changed)
            # What mends one thing must not break another.
            if after and after.status is Status.HOLDS and _open(changed) < open_now:
                found.append(_mend(words, after.figure, settings))
                break
    return found


def _open(on: OnGround) -> int:
    found = (on.picture_stands(), on.does_what_is_wanted())
    return sum(one is not None and one.status is not Status.HOLDS for one in found)


_Tries = Iterable[tuple[str, GroundSettings]]


def _ways(on: OnGround) -> list[_Tries]:
    """Another hand, one more coat, one of the pads alone, another pad, a pale grey pattern instead."""
    dark = on.grounded.ground.wish is Wish.SHINE
    ways: list[_Tries] = []
    if on.grounded.pads:
        ways += [_other_hands(on, 1), _more_coats(on)] if dark else [_other_hands(on, -1)]
        ways += [_alone(on), _another_pad(on)]
    return ways if dark else [*ways, _grey_pattern(on)]


def _other_hands(on: OnGround, turn: int) -> _Tries:
    words = "a heavier hand" if turn > 0 else "a lighter hand"
    changed = tuple(_with_hand(pad, turn) for pad in on.grounded.pads)
    if changed != on.grounded.pads:
        yield f"{words} all over", {"pads": changed}
    lightest = tuple(replace(pad, hand=Hand.LIGHT, coats=1) for pad in on.grounded.pads)
    if turn < 0 and lightest not in (changed, on.grounded.pads):
        yield "the lightest hand all over, in one coat", {"pads": lightest}


def _more_coats(on: OnGround) -> _Tries:
    most = figures.grounds.PAD_COATS
    changed = tuple(replace(pad, coats=min(pad.coats + 1, most)) for pad in on.grounded.pads)
    if changed != on.grounded.pads:
        yield "one more coat all over", {"pads": changed}


def _alone(on: OnGround) -> _Tries:
    pads = on.grounded.pads
    for at, pad in enumerate(pads if len(pads) > 1 else ()):
        yield f"take {_name(on.grounded, at)} alone", {"pads": (pad,)}


def _grey_pattern(on: OnGround) -> _Tries:
    supplies, grey = on.grounded.supplies, _pale_grey(on.grounded)
    if grey is not None:
        others = tuple(one for one in on.grounded.ground.effects if one.kind is not EffectKind.STENCIL)
        words = f"bare card with a pale grey pattern in {supplies.rows[grey].called}"
        for hand, how in ((Hand.MIDDLE, ""), (Hand.LIGHT, ", a light hand")):
            effect = Effect(EffectKind.STENCIL, supplies.rows[grey].id, hand)
            yield words + how, {"pads": (), "effects": (effect, *others)}


def _another_pad(on: OnGround) -> _Tries:
    """Instead of the pad that lies most where the picture sinks in, the nearest that would hold there."""
    grounded, (places, labs) = on.grounded, (on.edge.places, on.edge.labs)
    weights = at_points(grounded.fields, *places.T) if len(places) else spread(grounded.fields)
    if len(places):
        sinks = ~holds(PairKind.PICTURE, labs, grounded.seen_at(*places.T))
        weights = weights[sinks] if sinks.any() else weights
    at = int(weights.sum(axis=0).argmax())
    candidates = pads_to_take(grounded, owned=True)
    seen = grounded.supplies.lab[candidates]
    now = grounded.supplies.lab[grounded.places[at]]
    order = np.argsort(delta_e(now, seen), kind="stable")
    if len(labs):
        # Flat, as if it were laid all over: the whole ground is examined after.
        stands = holds(PairKind.PICTURE, np.repeat(labs, len(seen), axis=0), np.tile(seen, (len(labs), 1)))
        share = stands.reshape(len(labs), len(seen)).mean(axis=0)
        order = order[share[order] >= figures.grounds.STANDS_SHARE[0]]
    for place in candidates[order[:_TRIED]]:
        pk = grounded.supplies.rows[place].id
        words = f"{grounded.supplies.rows[place].called} instead of {_name(grounded, at)}"
        yield words, {"pads": _changed(grounded.pads, at, colour=pk)}


def pads_to_take(grounded: Grounded, owned: bool) -> np.ndarray:
    """The places of pads that could be taken and are predicted: those owned, or all that can be had."""
    supplies = grounded.supplies
    places = supplies.of_media(PAD_MEDIA)
    mine = places[supplies.usable[places]]
    places = mine if owned and len(mine) else places
    metal = [key for key, facts in supplies.ranges.items() if facts.properties.get("metallic")]
    left = are_white(supplies.lab[places]) | np.isin(supplies.range_ids[places], metal)
    return places[~left & ~np.isin(places, grounded.places)]


def _pale_grey(grounded: Grounded) -> int | None:
    """The palest grey pad that shows on the card, from the drawer first; None where there is none."""
    for owned in (True, False):
        places = pads_to_take(grounded, owned)
        lab = grounded.supplies.lab[places]
        fits = np.hypot(lab[:, 1], lab[:, 2]) <= figures.paper.NEUTRAL_ROLE_C
        fits &= delta_e(grounded.card_lab, lab) >= 2 * figures.grounds.EFFECT_SHOWS
        if fits.any():
            return int(places[fits][lab[fits][:, 0].argmax()])
    return None


# --- How it is told.


def _with_hand(pad: PadUse, turn: int) -> PadUse:
    at = min(max(_HANDS.index(pad.hand) + turn, 0), len(_HANDS) - 1)
    return replace(pad, hand=_HANDS[at])


def _changed(pads: tuple[PadUse, ...], at: int, **told: Any) -> tuple[PadUse, ...]:
    return (*pads[:at], replace(pads[at], **told), *pads[at + 1 :])


def _name(grounded: Grounded, at: int) -> str:
    return grounded.supplies.rows[grounded.places[at]].called


def _mend(words: str, figure: str, settings: GroundSettings) -> Mend:
    return Mend(words, figure, SetGround(settings))
