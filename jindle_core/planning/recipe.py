"""What does somebody need to know to make a card again? All of it in words, figures and codes.

A recipe is made of a card that is seen, and says nothing that the card does not: colours by area, sizes of
every piece, supplies, the order of work. Lengths are in the unit that is asked for.
"""

from collections import Counter
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from functools import cached_property

import numpy as np

from jindle_core import figures
from jindle_core.card.pictures import Area
from jindle_core.checked.whole import CheckedCard
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.naming import hue_family
from jindle_core.families.judge import tone_names
from jindle_core.layers.folding import flat
from jindle_core.layers.pieces import BASE, WHITE_END, Kind, Piece, Raised
from jindle_core.lengths import read_size
from jindle_core.matching.verdicts import Verdict
from jindle_core.material import End
from jindle_core.naming import Use
from jindle_core.planning.cutting import Cutting
from jindle_core.planning.planned import Planned, planned
from jindle_core.planning.step import Step
from jindle_core.planning.task import Task
from jindle_core.seen.colouring import Coloured
from jindle_core.seen.joins import joins_seen
from jindle_core.seen.ruler import halves, lies
from jindle_core.seen.uses import uses
from jindle_core.supplies.matched import matches_of
from jindle_core.supplies.whole import Supplies
from jindle_core.words import in_words


@dataclass(frozen=True, slots=True)
class Ink:
    """A supply as a recipe names it: its id, what it is called, and its colour as #rrggbb as it is used."""

    id: int
    label: str
    name: str
    range: str
    medium: str
    shade: str


@dataclass(frozen=True, slots=True)
class PaletteLine:
    """A palette colour: its name and role, of what it is (blank: a value), its CIELAB and #rrggbb."""

    name: str
    role: str
    of: str
    lab: tuple[float, float, float]
    shade: str


@dataclass(frozen=True, slots=True)
class AreaLine:
    """Areas of a picture that are coloured in one way: tones from light to dark, each with what it is."""

    names: tuple[str, ...]
    tones: tuple[tuple[str, Ink], ...]
    layers: int
    medium: str
    over: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class PictureLine:
    """A picture: on what, its line, how the tones are laid, the range of most tones, its areas, and in which
    sizes it is printed where."""

    name: str
    paper: str
    line: str
    order: str
    range: str
    areas: tuple[AreaLine, ...]
    printed: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class PadLine:
    """A pad of the ground: how it is laid, and how it joins the next (blank for the last)."""

    ink: Ink
    laid: str
    join: str


@dataclass(frozen=True, slots=True)
class PieceLine:
    """A piece: its size, of what it is, how it lies and how it is made, each in words."""

    name: str
    size: str
    material: str
    lies: str
    notes: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class StockLine:
    """A material: how many sheets of which size, and what is cut out of them."""

    material: str
    sheets: int
    size: str
    pieces: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class StepLine:
    """A step: what, the minutes of hands, what then runs by itself (blank: nothing), with which tool, how."""

    words: str
    minutes: float
    wait: str
    tool: str = ""
    how: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class InsteadLine:
    """What could be used instead of a supply, of other ranges that one owns."""

    ink: Ink
    instead: Ink
    nearness: str


@dataclass(frozen=True, slots=True)
class UsedLine:
    """A supply that goes into the card: at which stage, and what one would call its colour."""

    ink: Ink
    stage: str
    hue: str


@dataclass(frozen=True)
class Recipe:
    """All of it."""

    name: str
    size: str
    base: str
    score: str
    palette: tuple[PaletteLine, ...]
    pictures: tuple[PictureLine, ...]
    ground: str
    pads: tuple[PadLine, ...]
    effects: tuple[str, ...]
    pieces: tuple[PieceLine, ...]
    inside: tuple[PieceLine, ...]
    stocks: tuple[StockLine, ...]
    steps: tuple[StepLine, ...]
    minutes: float
    hands: float
    used: tuple[UsedLine, ...]
    instead: tuple[InsteadLine, ...]
    cautions: tuple[str, ...]

    def times_used(self, ink: Ink) -> int:
        """In how many lines a supply stands: areas of one colouring, pads, and pieces together as one."""
        areas = [ink.id in {one.id for _, one in area.tones} for each in self.pictures for area in each.areas]
        pads = [pad.ink.id == ink.id for pad in self.pads]
        built = [line.ink.id == ink.id and line.stage == "build" for line in self.used]
        return max(sum(areas) + sum(pads) + any(built), 1)


def recipe_of(checked: CheckedCard, units: str, work: Planned | None = None) -> Recipe:
    """The recipe of a card; ``work`` is how it is planned, else as one would begin with it."""
    return _Writing(checked, units, work or planned(checked)).recipe()


_STAGES = {Use.TONES: "colouring", Use.PADS: "background"}  # in which the rest is not used


class _Writing:
    """One card that is written down."""

    def __init__(self, checked: CheckedCard, units: str, work: Planned) -> None:
        self._checked, self._units, self._work = checked, units, work
        self._stack = checked.seen.stack
        self._palette, self._build = self._stack.palette, self._stack.where.build
        self._supplies: Supplies = self._palette.supplies

    def recipe(self) -> Recipe:
        card, units, work = self._palette.card, self._units, self._work
        laid = flat(card.size, card.fold)
        grounded = self._stack.of.grounded
        built = bool(self._build.every)
        edge = "left" if laid.upright else "top"
        return Recipe(
            card.name,
            card.size.text(units),
            laid.size.text(units) if built else "",
            f"{halves(laid, units)[0].text()} {units} from the {edge}" if built else "",
            tuple(self._colours()),
            tuple(self._picture(one) for one in self._stack.coloured if one.areas),
            in_words(grounded.ground.shape) if grounded.pads else "",
            tuple(self._pads()),
            tuple(self._effects()),
            tuple(self._piece(one) for one in self._build.pieces),
            tuple(self._piece(one) for one in self._build.inside),
            tuple(self._stocks()) if built else (),
            tuple(self._steps()),
            work.schedule.minutes_told,
            work.schedule.hands,
            (*self._used(), *self._sheets()),
            tuple(self._instead()),
            tuple(work.cautions),
        )

    def _ink(self, place: int, shade: str = "") -> Ink:
        row = self._supplies.rows[place]
        known = self._supplies.ranges[row.range_id]
        shown = shade or self._supplies.shades[place]["colour"]
        return Ink(row.id, row.label, row.name if row.code else "", known.name, known.medium.value, shown)

    def _end(self, end: End) -> str:
        """An end in words, a supply with its range."""
        place = self._supplies.places.get(end.id) if end.source == "supply" else None
        words = self._palette.end_words(end)
        if place is None:
            return words
        row = self._supplies.rows[place]
        return f"{words}, {row.name}" if row.code and row.name not in ("", row.code) else words

    def _colours(self) -> Iterator[PaletteLine]:
        for colour in self._palette.card.colours:
            place = self._palette.place(colour)
            of = ""
            if place is not None:
                ink = self._ink(place)
                of = f"{ink.range} {self._supplies.rows[place].called}"
            end = End("palette", colour.key)
            lightness, a, b = (round(float(one), 1) for one in self._palette.end_lab(end))
            shade = self._palette.end_shades(end)["colour"]
            yield PaletteLine(colour.name, colour.role.value, of, (lightness, a, b), shade)

    # --- Pictures and ground.

    def _picture(self, coloured: Coloured) -> PictureLine:
        picture = coloured.picture
        paper = self._end(WHITE_END if picture.paper is None else End("supply", picture.paper))
        groups: dict[tuple[object, ...], list[Area]] = {}
        for area in coloured.areas:
            if area.family:
                laid = (area.family, area.medium, area.layers, area.glaze, area.over)
                groups.setdefault(laid, []).append(area)
        order = "the dark tones first" if coloured.dark_first else "the light tones first"
        line = in_words(picture.line) if picture.line else "no line"
        areas = tuple(self._areas(coloured, group) for group in groups.values())
        ranges = Counter(ink.range for area in areas for _, ink in area.tones)
        usual = ranges.most_common(1)[0][0] if ranges else ""
        return PictureLine(picture.name, paper, line, order, usual, areas, tuple(self._printed(coloured)))

    def _printed(self, coloured: Coloured) -> Iterator[str]:
        """In which sizes a picture is printed, how often, and on what where it is not cut out."""
        stack = self._stack
        shown = [
            piece
            for piece in self._build.every
            if piece.kind is Kind.IMAGE and stack.of.shows(piece.key) is coloured
        ]
        told = Counter(
            f"{stack.where.cut_to(piece).text(self._units)}"
            + (f", straight on {stack.where.name(piece.on)}" if piece.stamped else ", cut out")
            for piece in shown
        )
        for words, times in told.items():
            yield f"{times} × {words}" if times > 1 else words

    def _areas(self, coloured: Coloured, group: Sequence[Area]) -> AreaLine:
        first = group[0]
        places, views = coloured.tones[first.key].places, coloured.tone_shades[first.key]
        names = tone_names(len(places)) if len(places) > 1 else ("",) * len(places)
        tones = tuple(
            (name, self._ink(place, view["colour"]))
            for name, place, view in zip(names, places, views[: len(places)], strict=True)
        )
        over = [
            f"{self._supplies.rows[laid.place].called} over {self._supplies.rows[places[at]].called}"
            for at, laid in coloured.laid_over(first).items()
        ]
        if first.key in coloured.glazes:
            over.append(f"{self._supplies.rows[coloured.glazes[first.key][0]].called} over the darkest")
        areas = tuple(one.name for one in group)
        return AreaLine(areas, tones, first.layers, first.medium.value, tuple(over))

    def _pads(self) -> Iterator[PadLine]:
        grounded = self._stack.of.grounded
        joins = dict(enumerate(joins_seen([(grounded, dict(enumerate(grounded.joins)))])[0]))
        for at, (pad, place) in enumerate(zip(grounded.pads, grounded.places, strict=True)):
            coats = "" if pad.coats == 1 else f", {pad.coats} coats"
            yield PadLine(
                self._ink(place), f"{in_words(pad.hand)} hand{coats}", joins[at].words if at in joins else ""
            )

    def _effects(self) -> Iterator[str]:
        """What comes over the ground, each with its ink."""
        for effect in self._palette.card.ground.effects:
            ink = "" if effect.colour is None else f" with {self._end(End('supply', effect.colour))}"
            yield in_words(effect.kind) + ink

    # --- Pieces and what they are cut of.

    def _piece(self, piece: Piece) -> PieceLine:
        stack = self._stack
        notes = []
        if piece.shape is not None:
            notes.append(in_words(piece.shape))
        if piece.opening is not None:
            notes.append(f"a frame with a rim of {piece.opening.rim.text(self._units)} {self._units}")
        if piece.turn:
            notes.append(f"turned by {piece.turn:g}°")
        if piece.raised is not Raised.FLAT:
            notes.append(f"on {in_words(piece.raised)}")
        if piece.trimmed:
            notes.append("trimmed at the edge" if piece.is_laid else "runs off the edge")
        if piece.kind is Kind.IMAGE and piece.stamped:
            notes.append("stamped straight on it")
        if piece.white_edge:
            notes.append("with a white edge")
        if piece.stitched:
            notes.append("stitched")
        if piece.inked is not None:
            notes.append(f"inked with {self._end(End('supply', piece.inked.colour))}")
        if piece.kind is Kind.LETTERING and piece.made is not None:
            notes.append(in_words(piece.made))
        if piece.text:
            notes.insert(0, f"“{piece.text}”")
        place = lies(stack, piece, self._units)
        under = "the base" if piece.on == BASE else stack.where.name(piece.on)
        return PieceLine(
            piece.name,
            stack.where.cut_to(piece).text(self._units),
            self._of(piece),
            f"on {under}: {place}" if place else f"on {under}",
            tuple(notes),
        )

    def _of(self, piece: Piece) -> str:
        """Of what a piece is, as it is found in the drawer; what is only ink, of that ink."""
        inventory, stack = self._checked.inventory, self._stack
        if piece.kind is Kind.LETTERING:
            return inventory.ink_words(piece)
        if piece.is_ink:
            return "the line and its colours"
        if piece.kind is Kind.FINISH:
            return inventory.words_for(piece.material, "finish")
        return self._stock(stack.of.stock(piece.key))

    def _stock(self, end: End) -> str:
        sheet = self._palette.sheet(end)
        at = self._supplies.places.get(sheet.colours[0]) if sheet else None
        if sheet and at is not None:
            return f"{sheet.title}, {self._supplies.ranges[int(self._supplies.range_ids[at])].name}"
        return self._checked.inventory.stock_words(end) if end.source == "palette" else self._end(end)

    def _stocks(self) -> Iterator[StockLine]:
        """By material what is cut out of how many sheets of a usual size."""
        usual = next(one for one in figures.cutting.SHEETS_TO_CUT if one[3] == self._units)
        cutting = Cutting(self._stack, read_size(*usual[1:]), self._work.wishes.cards)
        counted: dict[End, int] = {}
        for sheet in cutting.sheets:
            counted[sheet.material] = counted.get(sheet.material, 0) + 1
        names: dict[End, list[str]] = {}
        for piece in cutting.pieces:
            names.setdefault(piece.material, []).append(piece.name)
        for end, pieces in names.items():
            size = cutting.sheet_of(end).text(self._units)
            yield StockLine(self._stock(end), counted.get(end, 0), size, tuple(pieces))

    def _steps(self) -> Iterator[StepLine]:
        waits = {one.task.key: one for one in self._work.running}
        for placed in self._work.schedule.placed:
            wait = waits.get(placed.task.key)
            told = f"{wait.end - wait.start:g} min" if wait else ""
            task = placed.task
            how = tuple(self._how(task, step) for step in task.steps)
            yield StepLine(task.words, task.minutes, told, task.tool.value, how)

    def _how(self, task: Task, step: Step) -> str:
        """A step of a task, with what it is done with."""
        ink = "" if step.using is None else f"{self._palette.end_words(task.supplies[step.using])}: "
        return ink + step.text(self._units)

    @cached_property
    def _places(self) -> list[tuple[int, list[Use]]]:
        """The places of the supplies that the card uses, and what for."""
        return [
            (self._supplies.places[one.end.id], [usage.use for usage in one.usages])
            for one in uses(self._stack, self._checked.examined.covered)
            if one.end.source == "supply" and one.end.id in self._supplies.places
        ]

    def _sheets(self) -> Iterator[UsedLine]:
        """Patterned sheets, each as the colour of which it shows most."""
        for one in uses(self._stack, self._checked.examined.covered):
            sheet = self._palette.sheet(one.end)
            there = [self._supplies.places.get(pk) for pk in sheet.colours] if sheet else []
            at = there[int(sheet.shares.argmax())] if sheet and there else None
            if sheet is not None and at is not None:
                ink = replace(self._ink(at), label=sheet.title, name="")
                yield UsedLine(ink, "build", hue_family(self._supplies.lab_at(at)))

    def _used(self) -> Iterator[UsedLine]:
        for place, for_what in self._places:
            hue = hue_family(self._supplies.lab_at(place))
            for stage in dict.fromkeys(_STAGES.get(use, "build") for use in for_what):
                yield UsedLine(self._ink(place), stage, hue)

    def _instead(self) -> Iterator[InsteadLine]:
        """For what is used the nearest in another range: whoever makes it has another drawer."""
        supplies = self._supplies
        for place, _ in self._places:
            known = supplies.ranges[supplies.rows[place].range_id]
            others = supplies.of_media((known.medium,))
            others = others[supplies.to_be_had[others] & (supplies.range_ids[others] != known.id)]
            if not len(others):
                continue
            nearest = others[delta_e(supplies.lab[place], supplies.lab[others]).argmin()]
            sigma = [float(supplies.sigma[place])]
            (match,) = matches_of(supplies, np.array([nearest]), supplies.lab[[place]], sigma)
            if match.near.verdict is Verdict.FAR:
                continue
            words = in_words(match.near.verdict)
            if match.near.direction:
                words += f", {match.near.direction}"
            yield InsteadLine(self._ink(place), self._ink(int(nearest)), words)
