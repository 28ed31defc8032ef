"""What does a recipe say of the pictures and the ground of a card?"""

from collections import Counter
from collections.abc import Iterator, Sequence

from jindle_core.card.pictures import Area
from jindle_core.families.judge import tone_names
from jindle_core.layers.pieces import WHITE_END, Kind
from jindle_core.material import End
from jindle_core.planning.recipe.lines import AreaLine, PadLine, PictureLine
from jindle_core.planning.recipe.naming import Naming
from jindle_core.seen.colouring import Coloured
from jindle_core.seen.joins import joins_seen
from jindle_core.words import in_words


def picture(naming: Naming, coloured: Coloured) -> PictureLine:
    """A picture of the card, its areas by how they are coloured."""
    picture = coloured.picture
    paper = naming.end(WHITE_END if picture.paper is None else End("supply", picture.paper))
    groups: dict[tuple[object, ...], list[Area]] = {}
    for area in coloured.areas:
        if area.family:
            laid = (area.family, area.medium, area.layers, area.glaze, area.over)
            groups.setdefault(laid, []).append(area)
    order = "the dark tones first" if coloured.dark_first else "the light tones first"
    line = in_words(picture.line) if picture.line else "no line"
    areas = tuple(_areas(naming, coloured, group) for group in groups.values())
    ranges = Counter(ink.range for area in areas for _, ink in area.tones)
    usual = ranges.most_common(1)[0][0] if ranges else ""
    return PictureLine(picture.name, paper, line, order, usual, areas, tuple(_printed(naming, coloured)))


def _printed(naming: Naming, coloured: Coloured) -> Iterator[str]:
    """In which sizes a picture is printed, how often, and on what where it is not cut out."""
    stack = naming.stack
    shown = [
        piece
        for piece in stack.where.build.every
        if piece.kind is Kind.IMAGE and stack.of.shows(piece.key) is coloured
    ]
    told = Counter(
        f"{stack.where.cut_to(piece).text(naming.units)}"
        + (f", straight on {stack.where.name(piece.on)}" if piece.stamped else ", cut out")
        for piece in shown
    )
    for words, times in told.items():
        yield f"{times} × {words}" if times > 1 else words


def _areas(naming: Naming, coloured: Coloured, group: Sequence[Area]) -> AreaLine:
    first = group[0]
    places, views = coloured.tones[first.key].places, coloured.tone_shades[first.key]
    names = tone_names(len(places)) if len(places) > 1 else ("",) * len(places)
    tones = tuple(
        (name, naming.ink(place, view["colour"]))
        for name, place, view in zip(names, places, views[: len(places)], strict=True)
    )
    over = [
        f"{naming.supplies.rows[laid.place].called} over {naming.supplies.rows[places[at]].called}"
        for at, laid in coloured.laid_over(first).items()
    ]
    if first.key in coloured.glazes:
        over.append(f"{naming.supplies.rows[coloured.glazes[first.key][0]].called} over the darkest")
    areas = tuple(one.name for one in group)
    return AreaLine(areas, tones, first.layers, first.medium.value, tuple(over))


def pads(naming: Naming) -> Iterator[PadLine]:
    """The pads of the ground as they follow one another."""
    grounded = naming.stack.of.grounded
    joins = dict(enumerate(joins_seen([(grounded, dict(enumerate(grounded.joins)))])[0]))
    for at, (pad, place) in enumerate(zip(grounded.pads, grounded.places, strict=True)):
        coats = "" if pad.coats == 1 else f", {pad.coats} coats"
        yield PadLine(
            naming.ink(place), f"{in_words(pad.hand)} hand{coats}", joins[at].words if at in joins else ""
        )


def effects(naming: Naming) -> Iterator[str]:
    """What comes over the ground, each with its ink."""
    for effect in naming.palette.card.ground.effects:
        ink = "" if effect.colour is None else f" with {naming.end(End('supply', effect.colour))}"
        yield in_words(effect.kind) + ink
