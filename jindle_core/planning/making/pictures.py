"""What is to be done for the pictures of a card: stamped, coloured, cut out?"""

from collections.abc import Iterable, Iterator
from dataclasses import dataclass, replace

from jindle_core import figures
from jindle_core.card.pictures import Area
from jindle_core.checked.whole import CheckedCard
from jindle_core.layers.pieces import BASE, Kind, Piece
from jindle_core.material import End
from jindle_core.media.medium import Carrier, Toning
from jindle_core.planning.colouring import area_steps, picture_steps
from jindle_core.planning.cutting import sizes
from jindle_core.planning.making.doing import DRY, Doing, Left, Stage, State, bare, prepared
from jindle_core.planning.step import Step, listed
from jindle_core.planning.task import After, Hazard, Task, Tool, Work
from jindle_core.seen.colouring import Coloured
from jindle_core.seen.stack.whole import Stack
from jindle_core.words import Said, said


def pictures(checked: CheckedCard, cut_first: bool) -> Iterator[Doing]:
    """Each picture that is shown: stamped, coloured, cut out, its white edges touched up.

    ``cut_first``: cut out before they are stamped. What is stamped on another picture comes after it.
    """
    left = {coloured.picture.key: (coloured, pieces) for coloured, pieces in shown(checked.seen.stack)}
    while left:
        free = (
            key for key, (_, pieces) in left.items() if not _on_others(checked, key, pieces) & left.keys()
        )
        yield from _picture(_Shown(checked, *left.pop(next(free, next(iter(left))))), cut_first)


def shown(stack: Stack) -> list[tuple[Coloured, list[Piece]]]:
    """The pictures that pieces show, with those pieces."""
    found: dict[int, list[Piece]] = {}
    for piece in stack.where.build.every:
        if piece.kind is Kind.IMAGE:
            found.setdefault(stack.of.shows(piece.key).picture.key, []).append(piece)
    return [(one, found[one.picture.key]) for one in stack.coloured if one.picture.key in found]


def _on_others(checked: CheckedCard, own: int, pieces: Iterable[Piece]) -> set[int]:
    """The keys of the other pictures that some pieces are stamped on."""
    stack = checked.seen.stack
    under = (stack.where.piece(piece.on) for piece in pieces if piece.stamped and piece.on != BASE)
    return {stack.of.shows(one.key).picture.key for one in under if one.kind is Kind.IMAGE} - {own}


@dataclass(frozen=True, slots=True)
class _Shown:
    """A picture of a card that is made, and the pieces that show it."""

    checked: CheckedCard
    coloured: Coloured
    pieces: list[Piece]

    @property
    def stack(self) -> Stack:
        return self.checked.seen.stack

    @property
    def name(self) -> str:
        return self.coloured.picture.name

    @property
    def keys(self) -> tuple[int, ...]:
        return tuple(piece.key for piece in self.pieces)

    @property
    def cut(self) -> list[Piece]:
        """Those that are cut out, and not stamped straight on what they lie on."""
        return [piece for piece in self.pieces if not piece.stamped]

    @property
    def under(self) -> tuple[State, ...]:
        """What must be done to what it is stamped on, before it is."""
        return bare(self.stack, *(piece.on for piece in self.pieces if piece.stamped))

    def key(self, work: str) -> str:
        """The key of something that is done to it."""
        return f"{work}:{self.coloured.picture.key}"


def _picture(shown: _Shown, cut_first: bool) -> Iterator[Doing]:
    start: tuple[After, ...] = ()
    under = shown.under
    if shown.cut and cut_first:
        yield Doing(_die_cut(shown), leaves=_is_out(shown))
        start = (After(shown.key("out"), 0, "it is cut out first, as you like it"),)
    if shown.coloured.line is not None:
        line = After(shown.key("stamp"), *_line_dries(shown.coloured))
        laid = () if shown.cut else ((DRY, line),)
        yield Doing(_stamp(shown, start), under, (*_is_printed(shown, line), *laid))
        start, under = (line,), ()
    done: list[After] = []
    for task, dries in _colouring(shown, start):
        done.append(After(task.key, dries, "its colours must be dry"))
        yield Doing(task, under, _is_printed(shown, done[-1]))
    if shown.cut and not cut_first:
        dry = (replace(one, reason="colour must be dry before it is cut") for one in done)
        yield Doing(_cut_out(shown, (*start, *dry)), leaves=_is_out(shown))
    edged = [piece for piece in shown.cut if done and not piece.white_edge]
    if edged:
        edge = After(shown.key("edge"), 0, "its edges must be touched up")
        yield Doing(_white_edges(shown, len(edged), done), leaves=prepared(shown.keys, edge))


def _is_printed(shown: _Shown, done: After) -> tuple[Left, ...]:
    """Something of the picture is there, on its pieces and on what it is stamped on."""
    covered = tuple((State(Stage.READY, piece.on), done) for piece in shown.pieces if piece.stamped)
    return (*prepared(shown.keys, done), *covered)


def _is_out(shown: _Shown) -> tuple[Left, ...]:
    out = After(shown.key("out"), 0, "it must be cut out")
    keys = (piece.key for piece in shown.cut)
    return (*prepared(keys, out), (DRY, replace(out, reason="it must be cut out to be laid")))


def _stamp(shown: _Shown, start: tuple[After, ...]) -> Task:
    picture, line, times = shown.coloured.picture, shown.coloured.line, len(shown.pieces)
    minutes = figures.work.STAMP_FIRST + figures.work.STAMP_EACH * times
    pattern, hazards = "Stamp {picture} {on}", set[Hazard]()
    if _is_sealed(shown.coloured):
        pattern += "; at once clear powder over the wet line, and melt it"
        minutes += figures.work.EMBOSS * times
        hazards |= {Hazard.HEAT, Hazard.POWDER}
    elif line is not None and line.slow:
        pattern += "; heat-set it"
        minutes += figures.work.HEAT_SET * times
        hazards |= {Hazard.HEAT}
    words = said(pattern, picture=picture.name, on=_stamped_on(shown))
    printed = dict.fromkeys(shown.stack.where.cut_to(piece) for piece in shown.pieces)
    return Task(
        shown.key("stamp"), Work.STAMP, words, minutes, Tool.STAMPS, start, shown.keys,
        steps=tuple(Step("printed", measures=(size,)) for size in printed), hazards=frozenset(hazards),
        once=figures.work.STAMP_FIRST,
    )  # fmt: skip


def _stamped_on(shown: _Shown) -> Said:
    """On what a picture is stamped, and how often."""
    told, cut = [], shown.cut
    if cut:
        stock = shown.checked.inventory.stock_words(shown.stack.of.stock(cut[0].key))
        several = "{times} times, with room for its die, on {stock}"
        told.append(said(several if len(cut) > 1 else "on {stock}", times=len(cut), stock=stock))
    if straight := [piece for piece in shown.pieces if piece.stamped]:
        pieces = listed(shown.stack.where.name(piece.on) for piece in straight)
        several = "{times} times straight on {pieces}"
        one = "straight on {pieces}"
        told.append(said(several if len(straight) > 1 else one, times=len(straight), pieces=pieces))
    return said("{first}, and {then}", first=told[0], then=told[1]) if len(told) > 1 else told[0]


def _is_sealed(coloured: Coloured) -> bool:
    return "embossed line" in coloured.picture.finishes


def _line_dries(coloured: Coloured) -> tuple[float, str]:
    """The minutes that a line is waited for, and why."""
    if _is_sealed(coloured):
        return figures.work.POWDER_COOLS, "the melted line must be cool"
    slow = coloured.line is not None and coloured.line.slow
    wait = figures.work.LINE_DRIES["slow" if slow else "quick"]
    return wait, "the line must be dry before colour comes over it"


def _die_cut(shown: _Shown) -> Task:
    """Pictures that are cut out before they are stamped: no scissors follow what is not there yet."""
    cut, stock = shown.cut, shown.stack.of.stock(shown.cut[0].key)
    several = "Die-cut {picture}, {times} times, out of {stock}, to be stamped on"
    pattern = several if len(cut) > 1 else "Die-cut {picture} out of {stock}, to be stamped on"
    of = shown.checked.inventory.stock_words(stock)
    return Task(
        shown.key("out"), Work.DIE, said(pattern, picture=shown.name, times=len(cut), stock=of),
        figures.work.DIE_SHEET + figures.work.DIE_PIECE * len(cut), Tool.MACHINE,
        to=tuple(piece.key for piece in cut), supplies=(stock,), steps=tuple(sizes(shown.stack, cut)),
        hazards=frozenset({Hazard.ROLLERS}), once=figures.work.DIE_SHEET,
    )  # fmt: skip


def _colouring(shown: _Shown, start: tuple[After, ...]) -> Iterator[tuple[Task, float]]:
    """The groups of areas in their order, and how long each then dries.

    Each comes after those before it that it touches while they are wet, wherever the others are done.
    """
    coloured = shown.coloured
    areas = {area.key: area for area in coloured.areas}
    keys = [area.key for area in coloured.areas]
    touching = {(keys[a], keys[b]) for a, b in coloured.touching}
    before: list[tuple[str, tuple[int, ...]]] = []
    for step in picture_steps(coloured, shown.checked.examined.covered.needless):
        group = [areas[key] for key in step.to]
        key = f"{shown.key('colour')}:{min(step.to)}"
        wet = tuple(area.key for area in group if area.medium.traits.stays_damp)
        neighbours = tuple(
            After(earlier, figures.work.COLOUR_DRIES["wet"], "its neighbour is still wet")
            for earlier, others in before
            if any((a, b) in touching for a in wet for b in others)
        )
        dries = figures.work.COLOUR_DRIES["wet" if wet else "dry"]
        yield _coloured(key, coloured, group, (*start, *neighbours)), dries
        before.append((key, wet))


def _coloured(key: str, coloured: Coloured, group: list[Area], after: tuple[After, ...]) -> Task:
    minutes = figures.work.COLOUR_FIRST + sum(
        figures.work.COLOUR_TONE[area.extent.value] * len(area.family) * area.layers
        + figures.work.GLAZE * (len(area.over) + (area.glaze is not None))
        for area in group
    )
    traits = group[0].medium.traits
    hazards = {Hazard.ALCOHOL} if traits.carrier is Carrier.ALCOHOL else set[Hazard]()
    if "solvent" in coloured.picture.finishes:
        hazards.add(Hazard.SOLVENT)
    ids = dict.fromkeys(pk for area in group for pk in area.family)
    areas = listed(area.name for area in group)
    words = said("Colour {areas} of {picture}", areas=areas, picture=coloured.picture.name)
    tool = Tool.BRUSHES if traits.toning is Toning.BRUSHED else Tool.COLOURS
    return Task(
        key, Work.COLOUR, words, minutes, tool, after, (), tuple(area.key for area in group),
        tuple(End("supply", pk) for pk in ids), tuple(area_steps(coloured, group[0])),
        frozenset(hazards), figures.work.COLOUR_FIRST,
    )  # fmt: skip


def _cut_out(shown: _Shown, after: tuple[After, ...]) -> Task:
    cut = shown.cut
    pattern = "Cut out {picture}, {times} times" if len(cut) > 1 else "Cut out {picture}"
    words = said(pattern, picture=shown.name, times=len(cut))
    return Task(
        shown.key("out"), Work.CUT_OUT, words, figures.work.CUT_OUT * len(cut), Tool.SCISSORS, after,
        tuple(piece.key for piece in cut), steps=tuple(sizes(shown.stack, cut, blanks=False)),
        hazards=frozenset({Hazard.BLADE}),
    )  # fmt: skip


def _white_edges(shown: _Shown, many: int, done: list[After]) -> Task:
    no_edge = After(shown.key("out"), 0, "there is no edge before it is cut out")
    return Task(
        shown.key("edge"), Work.EDGE, said("Touch up the white edges of {picture}", picture=shown.name),
        figures.work.WHITE_EDGE * many, Tool.COLOURS, (no_edge, *done), shown.keys,
    )  # fmt: skip
