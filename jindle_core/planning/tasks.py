"""What is to be done for a card, all of it derived from how it is planned?"""

from collections.abc import Collection, Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field, replace

from jindle_core import figures
from jindle_core.checked.whole import CheckedCard
from jindle_core.layers.folding import flat
from jindle_core.layers.making import EMBOSSED, Making
from jindle_core.layers.pieces import BASE, RIBBON_END, Kind, Piece, Raised
from jindle_core.material import End
from jindle_core.media.medium import Medium
from jindle_core.planning.batches import for_cards
from jindle_core.planning.cutting import is_by_die, sizes
from jindle_core.planning.ground import ground_steps
from jindle_core.planning.pictures import PictureTasks
from jindle_core.planning.step import Step, listed
from jindle_core.planning.task import After, Hazard, Task, Tool, Work
from jindle_core.planning.waits import Waits, each_once
from jindle_core.seen.ruler import halves
from jindle_core.seen.stack import Stack


@dataclass(frozen=True, slots=True)
class Habits:
    """How a person works: whether pictures are cut out before they are stamped, how many cards are made,
    and how much of the usual minutes each kind of work takes them."""

    cut_first: bool = False
    cards: int = 1
    pace: Mapping[Work, float] = field(default_factory=dict)


def tasks(checked: CheckedCard, habits: Habits | None = None) -> list[Task]:
    """Everything to be done for a card that is built of pieces, in the order in which one might; none of
    others. What is covered is not coloured."""
    stack, habits = checked.seen.stack, habits or Habits()
    if not stack.build.every:
        return []
    made = _Making(checked, habits)
    found = [
        *made.base(),
        *made.cutting(),
        *made.ground(),
        *made.inking(),
        *made.pictures.tasks(),
        *made.words(),
        *made.assembling(),
        *made.finishing(),
    ]
    found.append(made.post(found))
    known = {task.key for task in found}
    there = [replace(one, after=tuple(each for each in one.after if each.key in known)) for one in found]
    return for_cards(there, habits.cards, habits.pace)


@dataclass(frozen=True, slots=True)
class _Cutter:
    """A way in which pieces are cut out: what it is called, by what, and the minutes that it takes."""

    key: str
    verb: str
    work: Work
    tool: Tool
    hazard: Hazard
    once: float
    each: float


_BY_TRIMMER = _Cutter(
    "cut", "Cut", Work.CUT, Tool.TRIMMER, Hazard.BLADE, figures.work.CUT_SHEET, figures.work.CUT_PIECE
)
_BY_DIE = _Cutter(
    "die", "Die-cut", Work.DIE, Tool.MACHINE, Hazard.ROLLERS, figures.work.DIE_SHEET, figures.work.DIE_PIECE
)
_BY_SCISSORS = replace(_BY_TRIMMER, key="ribbon", tool=Tool.SCISSORS)


class _Making:
    """One card that is made."""

    def __init__(self, checked: CheckedCard, habits: Habits) -> None:
        self._stack: Stack = checked.seen.stack
        self._examined = checked.examined
        self._inventory = checked.inventory
        self._card, self._build = self._stack.palette.card, self._stack.build
        self._waits = Waits()
        self.pictures = PictureTasks(checked, self._waits, habits.cut_first)

    # --- Cutting.

    def base(self) -> Iterator[Task]:
        """The base, cut, scored and folded."""
        laid = flat(self._card.size, self._card.fold)
        half, _ = halves(laid, self._stack.unit)
        edge = "left" if laid.upright else "upper"
        steps = (
            Step("cut it to", measures=(laid.size,)),
            Step(f"score it, from its {edge} edge at", measures=(half,)),
        )
        words = f"Cut, score and fold the base out of {self._inventory.stock_words(self._build.base)}"
        yield Task(
            "base", Work.BASE, words, figures.work.SCORE_BASE, Tool.TRIMMER,
            to=(BASE,), supplies=(self._build.base,), steps=steps, hazards=frozenset({Hazard.BLADE}),
            once=figures.work.BASE_FIRST,
        )  # fmt: skip
        self._waits.prepared(BASE, After("base", 0, "the base must be cut"))

    def cutting(self) -> Iterator[Task]:
        """What is cut, a stock at a time: straight pieces with the trimmer, shaped ones with dies."""
        found: dict[tuple[_Cutter, End], list[Piece]] = {}
        for piece in self._build.every:
            if piece.is_cut and piece.kind is not Kind.IMAGE:
                shaped = _BY_DIE if is_by_die(self._stack, piece) else _BY_TRIMMER
                by = shaped if piece.of_sheet else _BY_SCISSORS
                found.setdefault((by, self._stack.stock(piece.key)), []).append(piece)
        for (by, stock), pieces in found.items():
            yield self._cut(by, stock, pieces)

    def _cut(self, by: _Cutter, stock: End, pieces: list[Piece]) -> Task:
        names, keys = listed(piece.name for piece in pieces), tuple(piece.key for piece in pieces)
        of = self._inventory.stock_words(stock)
        if not pieces[0].of_sheet and stock != RIBBON_END:
            of = f"ribbon in {of}"
        key = f"{by.key}:{min(keys)}"
        for piece in keys:
            self._waits.prepared(piece, After(key, 0, "it must be cut"))
        self._waits.dry.append(After(key, 0, "it must be cut to be laid"))
        return Task(
            key, by.work, f"{by.verb} {names} out of {of}", by.once + by.each * len(pieces), by.tool,
            to=keys, supplies=(stock,), steps=tuple(sizes(self._stack, pieces)),
            hazards=frozenset({by.hazard}), once=by.once,
        )  # fmt: skip

    # --- Ground and inked pieces.

    def ground(self) -> Iterator[Task]:
        """The ground, a coat or colour at a time, with what it dries in between."""
        carrier = self._stack.carrier
        if carrier is None:
            return
        grounded = self._stack.grounded
        parts: list[list[Step]] = [[]]
        for step in ground_steps(grounded):
            if step.wait is not None and parts[-1]:
                parts.append([])
            parts[-1].append(step)
        dries = max((grounded.facts(place).medium.pad.dries for place in grounded.places), default=5.0)
        after = list(self._waits.bare[carrier])
        dusts = any(grounded.facts(place).medium.traits.dusts for place in grounded.places)
        for number, part in enumerate(parts, start=1):
            key, minutes = f"ground:{number}", figures.work.GROUND_STEP * len(part)
            if number == 1:
                minutes += figures.work.GROUND_TAPE
            words = "Lay the ground" if number == 1 else "Go on with the ground"
            yield Task(
                key, Work.GROUND, words, minutes, Tool.BRUSHES, tuple(after), (carrier,),
                supplies=tuple(End("supply", pk) for pk in grounded.taken), steps=tuple(part),
                hazards=frozenset({Hazard.POWDER} if dusts else ()),
                once=figures.work.PAD_FIRST * sum(step.using is not None for step in part),
            )  # fmt: skip
            after = [After(key, dries, "the ink before must be dry")]
        flat_again = "the ground must be dry, and the panel flat again"
        done = After(f"ground:{len(parts)}", dries + figures.work.PANEL_FLATTENS, flat_again)
        self._waits.prepared(carrier, done)
        self._waits.dry.append(done)

    def inking(self) -> Iterator[Task]:
        """Pieces that are inked by oneself."""
        for piece in self._build.every:
            if piece.inked is None:
                continue
            place = self._stack.palette.supplies.places.get(piece.inked.colour)
            medium = Medium.DYE_PAD if place is None else self._stack.grounded.facts(place).medium
            key, minutes = f"ink:{piece.key}", figures.work.INK_PIECE * piece.inked.coats
            supplies = (End("supply", piece.inked.colour),)
            words = f"Ink {piece.name} with {self._stack.palette.end_words(supplies[0])}"
            after = tuple(self._waits.bare[piece.key])
            yield Task(
                key, Work.INK, words, minutes, Tool.BRUSHES, after, (piece.key,), supplies=supplies,
                once=figures.work.PAD_FIRST,
            )  # fmt: skip
            done = After(key, medium.pad.dries, "its ink must be dry")
            self._waits.prepared(piece.key, done)
            self._waits.dry.append(done)

    # --- Words.

    def words(self) -> Iterator[Task]:
        """Words while everything is flat, their places checked dry first."""
        written = [piece for piece in self._build.every if piece.kind is Kind.LETTERING]
        if not written:
            return
        yield Task(
            "lay", Work.LAY, "Lay everything dry, and mark where the words go", figures.work.LAY_DRY,
            Tool.NOTHING, each_once(self._waits.dry),
        )  # fmt: skip
        for piece in written:
            yield self._written(piece)

    def _written(self, piece: Piece) -> Task:
        made, hazards = piece.made or Making.STAMPED, set[Hazard]()
        once, wait, tool = figures.work.WORDS_FIRST, figures.work.LINE_DRIES["quick"], Tool.STAMPS
        minutes = once + figures.work.STAMP_WORDS
        how, reason = "Stamp", "the words must be dry"
        if made in EMBOSSED:
            minutes, wait = minutes + figures.work.EMBOSS, figures.work.POWDER_COOLS
            hazards |= {Hazard.HEAT, Hazard.POWDER}
            how, reason = "Stamp, powder at once and melt", "the powder must be cool"
        elif made is Making.PEN:
            once, minutes, wait = 0.0, figures.work.WRITE, figures.work.PEN_DRIES
            tool, how = Tool.PEN, "Write"
        key = f"words:{piece.key}"
        before = [*self._waits.bare[piece.on], *self._pictures_under(piece)]
        after = (After("lay", 0, "its place must be known"), *each_once(before))
        supplies = (piece.material,) if piece.material.source == "supply" else ()
        said = "the words" if piece.is_wanting_words else f"“{piece.text}”"
        words = f"{how} {said} on {self._stack.name(piece.on)}, with {self._inventory.ink_words(piece)}"
        steps = (Step("what do they say? Nobody typed it yet"),) if piece.is_wanting_words else ()
        self._waits.ready[piece.on].append(After(key, wait, reason))
        return Task(
            key, Work.WORDS, words, minutes, tool, after, (piece.key,), supplies=supplies, steps=steps,
            hazards=frozenset(hazards), once=once,
        )  # fmt: skip

    def _pictures_under(self, words: Piece) -> Iterator[After]:
        """What is waited for of pictures that are stamped where words come to stand."""
        box = self._stack.boxes[words.key]
        for piece in self._build.every:
            is_under = piece.kind is Kind.IMAGE and piece.stamped and piece.on == words.on
            if is_under and box.shared(self._stack.boxes[piece.key]) is not None:
                yield from self._waits.ready[piece.key]

    # --- Putting together.

    def assembling(self) -> Iterator[Task]:
        """The inside before anything is raised, what lies flat, what stands on foam; what hangs over is
        trimmed once it is glued, but before it stands on foam."""
        front, inside = ([piece for piece in face if piece.is_laid] for face in self._build.faces)
        within, before = [piece for piece in inside if piece.raised is Raised.FLAT], list[After]()
        yield from self._trim_raised("trim-inside-raised", inside)
        if inside:
            yield self._laid("inside", Work.INSIDE, inside, self._ready_of(inside), "Glue inside")
            before.append(After("inside", 0, "nothing may be raised before the inside is done"))
            yield from self._trim("trim-inside", within, After("inside", figures.work.GLUE_HOLDS, _HOLDS))
            before.append(After("trim-inside", 0, "nothing may be raised before the inside is done"))
        low = [piece for piece in front if piece.raised is Raised.FLAT]
        raised = [piece for piece in front if piece.raised is not Raised.FLAT]
        if low:
            yield self._laid("flat", Work.GLUE, low, self._ready_of(low), "Glue flat")
            before.append(After("flat", figures.work.GLUE_HOLDS, _HOLDS))
            yield from self._trim("trim", low, After("flat", figures.work.GLUE_HOLDS, _HOLDS))
            before.append(After("trim", 0, "what hangs over is trimmed before anything is raised"))
        yield from self._trim_raised("trim-raised", raised)
        if raised:
            yield self._laid("raise", Work.RAISE, raised, [*before, *self._ready_of(raised)], "Raise on foam")

    def _trim_raised(self, key: str, pieces: Sequence[Piece]) -> Iterator[Task]:
        """A trimmed piece that is raised: marked where it will lie, and cut before it lies on foam."""
        raised = [piece for piece in pieces if piece.trimmed and piece.raised is not Raised.FLAT]
        if raised:
            yield self._trimmed(
                key,
                raised,
                self._ready_of(raised),
                "Trim, before it lies on foam, what would hang over the edge",
            )
            for piece in raised:
                self._waits.ready[piece.key].append(After(key, 0, "it is trimmed before it lies on foam"))

    def _trim(self, key: str, pieces: Sequence[Piece], after: After) -> Iterator[Task]:
        """What hangs over the edge once it is glued."""
        if trimmed := [piece for piece in pieces if piece.trimmed]:
            yield self._trimmed(key, trimmed, [after], "Trim what hangs over the edge")

    def _trimmed(self, key: str, pieces: Sequence[Piece], after: Sequence[After], words: str) -> Task:
        keys = tuple(piece.key for piece in pieces)
        return Task(
            key, Work.TRIM, f"{words}: {listed(piece.name for piece in pieces)}",
            figures.work.TRIM * len(pieces), Tool.SCISSORS, each_once(after), keys,
            steps=tuple(self._trimmings(keys)), hazards=frozenset({Hazard.BLADE}),
        )  # fmt: skip

    def _ready_of(self, pieces: Iterable[Piece]) -> list[After]:
        """What pieces wait for until they are laid on what they lie on."""
        return [one for piece in pieces for at in (piece.key, piece.on) for one in self._waits.ready[at]]

    def _trimmings(self, keys: Collection[int]) -> Iterator[Step]:
        """What falls off pieces and fills elsewhere."""
        for one in self._examined.trimmings:
            if one.piece in keys:
                use = f": it could be {listed(one.could_be)}" if one.could_be else ", for a filler elsewhere"
                yield Step(f"Keep the {one.text(one.unit)} that falls off {one.name}{use}.")

    def _laid(self, key: str, work: Work, pieces: Sequence[Piece], after: Sequence[After], verb: str) -> Task:
        each = figures.work.GLUE_RAISED if work is Work.RAISE else figures.work.GLUE_FLAT
        keys = tuple(piece.key for piece in pieces)
        words = f"{verb}: {listed(piece.name for piece in pieces)}"
        return Task(key, work, words, each * len(pieces), Tool.GLUE, each_once(after), keys)

    def finishing(self) -> Iterator[Task]:
        """Finishing pieces and glitter, when all is put together."""
        done = [After(key, figures.work.GLUE_HOLDS, _HOLDS) for key in _PUT_TOGETHER]
        finishes = [piece for piece in self._build.every if piece.kind is Kind.FINISH]
        if finishes:
            words = f"Set on {listed(piece.name for piece in finishes)}"
            keys = tuple(piece.key for piece in finishes)
            minutes = figures.work.FINISH_EACH * len(finishes)
            supplies = tuple(dict.fromkeys(piece.material for piece in finishes))
            after = each_once([*done, *self._ready_of(finishes)])
            yield Task(
                "finish", Work.FINISH, words, minutes, Tool.FINISHES, after, keys, (), supplies,
                hazards=frozenset({Hazard.SMALL}),
            )  # fmt: skip
            self._waits.last.append(After("finish", figures.work.DROPS_SET, "drops must set, lying flat"))
        for coloured, shown in self.pictures.shown.values():
            if {"gloss", "glitter"} & set(coloured.picture.finishes):
                key = f"gloss:{coloured.picture.key}"
                words = f"Gloss or glitter over {coloured.picture.name}"
                yield Task(
                    key, Work.FINISH, words, figures.work.GLITTER, Tool.FINISHES,
                    each_once([*done, *self._ready_of(shown)]), tuple(piece.key for piece in shown),
                    hazards=frozenset({Hazard.POWDER}),
                )  # fmt: skip
                self._waits.last.append(After(key, figures.work.GLITTER_DRIES, "it must be dry"))

    def post(self, done: Sequence[Task]) -> Task:
        """Into its envelope, after everything: also what is done to a piece that nothing else waits for."""
        waited = {one.key for task in done for one in task.after}
        ready = [one for found in self._waits.ready.values() for one in found if one.key not in waited]
        last = [After(key, figures.work.GLUE_HOLDS, "it must be put together") for key in _PUT_TOGETHER]
        after = each_once([*last, *self._waits.last, *ready])
        words = "Write inside, and into its envelope"
        limits = Step("Is it to be posted: hold it against the limits that you entered under Build.")
        return Task(
            "post", Work.POST, words, figures.work.ENVELOPE, Tool.NOTHING, after, (BASE,), steps=(limits,),
        )  # fmt: skip


_HOLDS = "glue must hold"
_PUT_TOGETHER = ("inside", "flat", "raise", "trim", "trim-inside")
