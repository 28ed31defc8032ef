"""What would make a check of the build hold? Each way was tried before it is offered."""

import numpy as np

from jindle_core import figures
from jindle_core.card.changes.arranging import Along, ArrangeChange, LayAlong, Scatter
from jindle_core.card.changes.build import (
    AddPiece,
    BuildChange,
    EditPiece,
    MovePiece,
    PutOnStrip,
    SetBuild,
)
from jindle_core.card.changes.every import Purpose, Several
from jindle_core.card.layouts import EDGE
from jindle_core.card.whole import PaletteColour
from jindle_core.checked.build import PLAIN, Examined
from jindle_core.checked.check import Mend
from jindle_core.checked.recolour import WantedColour, recolourings
from jindle_core.checks.finding import Status
from jindle_core.colorimetry.difference import delta_e
from jindle_core.contrast.stacked import examine_finish, examine_melting
from jindle_core.layers.fitting import ways_to_fit
from jindle_core.layers.folding import Fold, examine_base
from jindle_core.layers.making import Making
from jindle_core.layers.pieces import (
    BASE,
    WHITE_END,
    WORDS,
    Across,
    Down,
    Kind,
    Piece,
    PieceSaid,
    PlaceSaid,
    Raised,
)
from jindle_core.lengths import Length, Size
from jindle_core.material import End
from jindle_core.seen.palette import palette_ends
from jindle_core.words import in_words

_OFFERED = 2
_TRIED = 3  # colours for a strip, those that are furthest off first


def to_fit(examined: Examined, piece: Piece) -> list[Mend]:
    """Turned, moved back, cut or trimmed."""
    found = []
    ways = ways_to_fit(piece, examined.stack.where.boxes)
    if examined.stack.of.sheet(piece.key) is not None:
        nothing = Length(0, "mm")
        from_corner: PieceSaid = {"pattern": {"right": nothing, "below": nothing, "turn": 0.0}}
        ways += [
            ("start at the sheet's corner", from_corner),
            ("repeat the pattern", {"pattern": {"repeated": True}}),
        ]
    for words, told in ways:
        change = EditPiece(piece.key, told)
        after = _tried(examined, change)
        fit = after.fits[piece.key].finding
        if fit.status is Status.HOLDS:
            found.append(Mend(words, fit.figure, change))
    return found


def to_make(examined: Examined, piece: Piece) -> list[Mend]:
    """Words made in the other ways that get on with what is there."""
    found = []
    for making in Making:
        change = EditPiece(piece.key, {"made": making} | _plain_white(piece, making))
        after = _tried(examined, change)
        finding = after.makings[piece.key]
        if finding.status is Status.HOLDS and _stands(after, piece):
            found.append(Mend(in_words(making), after.stands[piece.key].finding.figure, change))
    return found[:_OFFERED]


def _plain_white(piece: Piece, making: Making) -> PieceSaid:
    """White that is embossed is of no other colour."""
    return {"material": WHITE_END} if making is Making.WHITE and piece.material != WHITE_END else {}


def _in_white(examined: Examined, piece: Piece) -> list[Mend]:
    """Words that cannot be read embossed in white, where that can be done and read."""
    if piece.kind is not Kind.LETTERING or piece.made is Making.WHITE:
        return []
    change = EditPiece(piece.key, {"made": Making.WHITE} | _plain_white(piece, Making.WHITE))
    after = _tried(examined, change)
    able = after.makings[piece.key].status is not Status.FAILS
    if not (able and _stands(after, piece) and _no_worse(examined, after)):
        return []
    return [Mend("emboss it in white", after.stands[piece.key].finding.figure, change)]


def _on_strip(examined: Examined, piece: Piece) -> list[Mend]:
    """Words on a pattern put on a strip, in white or the palette's colour that is furthest from theirs."""
    stack = examined.stack
    if piece.kind not in WORDS or all(stack.of.sheet(key) is None for key in examined.stands[piece.key].at):
        return []
    ends, labs = palette_ends(stack.palette, [stack.where.material(piece.key)])
    ends, labs = [*ends, WHITE_END], np.concatenate([labs, stack.palette.end_lab(WHITE_END)[None]])
    apart = np.abs(labs[:, 0] - stack.lab(piece.key)[0])
    for at in np.argsort(-apart, kind="stable")[:_TRIED]:
        change = PutOnStrip(piece.key, ends[at])
        after = _tried(examined, change)
        if _stands(after, piece) and _no_worse(examined, after):
            words = f"put it on a strip in {stack.palette.end_words(ends[at])}"
            shades = stack.palette.end_shades(ends[at])
            return [Mend(words, after.stands[piece.key].finding.figure, change, shades)]
    return []


def to_stand(examined: Examined, piece: Piece) -> list[Mend]:
    """Words out from what covers them, or in white; a white edge for a picture; another colour, here or
    beside it."""
    stack, found = examined.stack, []
    if examined.stands[piece.key].over:
        return _to_uncover(examined, piece)
    found += _on_strip(examined, piece)
    if piece.kind is Kind.IMAGE and not piece.white_edge and not piece.stamped:
        change = EditPiece(piece.key, {"white_edge": True})
        after = _tried(examined, change)
        if _stands(after, piece) and _no_worse(examined, after):
            words = f"leave a white edge of {figures.building.WHITE_EDGE:g} mm around it"
            found.append(Mend(words, after.stands[piece.key].finding.figure, change))
    found += _in_white(examined, piece)
    for key in dict.fromkeys([piece.key, *examined.stands[piece.key].at.tolist()]):
        if len(found) < _OFFERED:
            found += recolourings(stack, examined.stands, key, piece.key)
    return found[:_OFFERED]


def _to_uncover(examined: Examined, piece: Piece) -> list[Mend]:
    """Words in front, moved, or what covers them made smaller: of each way the first that does."""
    stack = examined.stack
    ways: list[list[tuple[str, MovePiece | EditPiece]]] = [
        [("bring it to the front", MovePiece(piece.key, len(stack.where.build.face(piece.key))))],
        [
            (
                f"move it: {in_words(down)}, {in_words(across)}",
                EditPiece(piece.key, {"place": _placed(across, down)}),
            )
            for down in (Down.BOTTOM, Down.TOP, Down.MIDDLE)
            for across in (Across.CENTRE, Across.RIGHT, Across.LEFT)
        ],
        [
            (f"{over.name} {size.text()}", EditPiece(over.key, {"size": size}))
            for over in (stack.where.piece(key) for key in examined.stands[piece.key].over)
            for size in _smaller(stack.where.cut_to(over))
        ],
    ]
    found = []
    for tries in ways:
        for words, change in tries:
            after = _tried(examined, change)
            if _stands(after, piece) and _no_worse(examined, after):
                found.append(Mend(words, after.stands[piece.key].finding.figure, change))
                break
    return found


def _placed(across: Across, down: Down) -> PlaceSaid:
    nothing = Length(0, "mm")
    return {"across": across, "down": down, "right": nothing, "below": nothing}


def _smaller(size: Size) -> list[Size]:
    """A size in some smaller ones of the same proportions, in whole ticks."""
    return [
        Size(*(Length(round(side.ticks * share), side.unit) for side in (size.width, size.height)))
        for share in figures.building.SMALLER
        if min(size.width.ticks, size.height.ticks) * share >= 1
    ]


def _stands(examined: Examined, piece: Piece) -> bool:
    stands = examined.stands.get(piece.key)
    return stands is not None and stands.finding.status is Status.HOLDS


def _no_worse(before: Examined, after: Examined) -> bool:
    """Whether nothing fails that did not before."""
    return _failing(after) <= _failing(before)


def _failing(examined: Examined) -> set[tuple[str, int]]:
    found = {("fit", key) for key, fit in examined.fits.items() if fit.finding.status is Status.FAILS}
    if examined.thick.status is Status.FAILS:
        found.add(("thick", BASE))
    return found | {
        ("stands", key) for key, one in examined.stands.items() if one.finding.status is Status.FAILS
    }


def to_repeat(examined: Examined, piece: Piece) -> list[Mend]:
    """A finishing piece in one of the colours that are there."""
    labs, names = examined.colours_without(piece)
    repeats = WantedColour(
        lambda some: np.asarray((delta_e(some[:, None], labs[None]) <= figures.colour.NEAR).any(axis=1)),
        lambda lab: examine_finish(lab, labs, names).figure,
    )
    return recolourings(examined.stack, examined.stands, piece.key, piece.key, repeats)


def to_part(examined: Examined, one: int, other: int) -> list[Mend]:
    """Another colour for the smaller of two, lighter or darker than all that it lies beside."""
    stack = examined.stack
    smaller, larger = sorted((one, other), key=lambda key: (key == BASE, _area(examined, key)))
    near = {each.beside for each in examined.beside.get(smaller, ()) if examined.is_plain(each.beside)}
    around = np.array([stack.lab(key)[0] for key in {larger, *near}])
    parts = WantedColour(
        lambda candidates: (np.abs(candidates[:, :1] - around) >= figures.contrast.MELTS_L).all(axis=1),
        lambda lab: examine_melting(lab, stack.lab(larger)).figure,
    )
    return recolourings(stack, examined.stands, smaller, smaller, parts)


def to_return(examined: Examined, colour: PaletteColour) -> list[Mend]:
    """A finishing piece in a colour, where there is one that can be, and new ones."""
    stack, end = examined.stack, End("palette", colour.key)
    ways: list[tuple[str, BuildChange | ArrangeChange]] = [
        (f"{one.name} in {colour.name}", EditPiece(one.key, {"material": end, "inked": None}))
        for one in examined.finishes
        if one.material != end
    ]
    # As many as lead by themselves; beside others that do, two that repeat one another.
    count = 2 if len(examined.finishes) >= figures.building.FLOW_COUNT else figures.building.FLOW_COUNT
    ways = [*ways[:1], (f"add {count} dots in {colour.name}", Scatter(count, Along.DIAGONAL, end))]
    found = []
    for words, change in ways:
        after = _tried(examined, change)
        if after.flow.status is Status.HOLDS or (
            examined.finishes and examined.flow.status is not Status.HOLDS
        ):
            figure = next(finding.figure for one, finding in after.accents if one.key == colour.key)
            found.append(Mend(words, figure, change, stack.palette.end_shades(end)))
    return found


def to_lead(examined: Examined) -> list[Mend]:
    """The finishing pieces along a line, as many as make one, where they lead then and all fits."""
    build, pieces = examined.stack.where.build, examined.finishes
    more = max(figures.building.FLOW_COUNT - len(pieces), 0)
    keys = (*(piece.key for piece in pieces), *(build.next_key + at for at in range(more)))
    found = []
    for along in Along:
        laid = LayAlong(keys, along)
        add = f"{more} more, and all " if more else "them "
        change = Several(Purpose.ARRANGE, (Scatter(more, along, pieces[0].material), laid)) if more else laid
        after = _tried(examined, change)
        if after.flow.status is Status.HOLDS and _no_worse(examined, after):
            found.append(Mend(f"{add}{in_words(along)}", after.flow.figure, change))
    return found


def to_spread(examined: Examined) -> list[Mend]:
    """A piece in the palette's lightest or darkest, with which the card reaches far enough."""
    stack, found = examined.stack, []
    ends = [End("palette", colour.key) for colour in stack.palette.card.colours]
    order = np.argsort(stack.palette.lab[:, 0])
    pieces = [
        piece
        for piece in stack.where.build.pieces
        if piece.kind in PLAIN and piece.key != stack.where.carrier
    ]
    for end in (ends[at] for at in (*order[:1], *order[1:][-1:])):
        for piece in pieces:
            if piece.material != end:
                change = EditPiece(piece.key, {"material": end, "inked": None})
                after = _tried(examined, change)
                stands = after.stands.get(piece.key)
                if after.spread.status is Status.HOLDS and stands and stands.finding.status is Status.HOLDS:
                    words = f"{piece.name} in {stack.palette.end_words(end)}"
                    shades = stack.palette.end_shades(end)
                    found.append(Mend(words, after.spread.figure, change, shades))
                    break
    return found


def to_write(examined: Examined) -> list[Mend]:
    """A white panel inside."""
    stack = examined.stack
    told: PieceSaid = {"reveal": EDGE[stack.where.unit], "material": WHITE_END}
    change = AddPiece(Kind.PANEL, "writing panel", told, inside=True)
    after = _tried(examined, change)
    if after.writing.status is not Status.HOLDS or not _no_worse(examined, after):
        return []
    shades = stack.palette.end_shades(WHITE_END)
    return [Mend("lay a white panel inside", after.writing.figure, change, shades)]


def to_thin(examined: Examined) -> list[Mend]:
    """Of the pieces that are raised, which, held flat or lower, makes the card thin enough."""
    found = []
    for piece in examined.stack.where.build.every:
        for raised in (Raised.TAPE, Raised.FLAT):
            if figures.building.FOAM[raised.value] < figures.building.FOAM[piece.raised.value]:
                change = EditPiece(piece.key, {"raised": raised})
                after = _tried(examined, change)
                if after.thick.status is Status.HOLDS and _no_worse(examined, after):
                    how = "flat" if raised is Raised.FLAT else f"on {in_words(raised)}"
                    found.append(Mend(f"{piece.name} {how}", after.thick.figure, change))
                    break
    return found[:_OFFERED]


def to_fold(examined: Examined) -> list[Mend]:
    """The other fold, where a usual sheet holds the base then."""
    card = examined.stack.palette.card
    found = []
    for fold in Fold:
        after = examine_base(card.size, fold)
        if fold is not card.fold and after.status is Status.HOLDS:
            found.append(Mend(f"fold it {in_words(fold)}", after.figure, SetBuild({"fold": fold})))
    return found


def to_post(examined: Examined) -> list[Mend]:
    """A usual envelope instead of one's own."""
    usual = examined.usual_envelope
    if examined.stack.where.build.envelope is None or usual is None:
        return []
    change = SetBuild({"envelope": None})
    after = Examined(examined.stack.after(change))
    if after.posted.status is not Status.HOLDS:
        return []
    return [Mend(f"take one of {usual.text()}", after.posted.figure, change)]


def _tried(examined: Examined, change: BuildChange | ArrangeChange | Several) -> Examined:
    """What is found after a change."""
    return Examined(examined.stack.after(change))


def _area(examined: Examined, key: int) -> float:
    box = examined.stack.where.boxes[key]
    return float(box.width * box.height)
