"""What is to be done for a card, all of it derived from how it is planned?"""

from collections import defaultdict
from collections.abc import Generator, Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field, replace

from jindle_core import figures
from jindle_core.card.pictures import Area
from jindle_core.checked.whole import CheckedCard
from jindle_core.layers.making import EMBOSSED, Making
from jindle_core.layers.pieces import BASE, Kind, Piece, Raised
from jindle_core.material import End
from jindle_core.media import PAD_MEDIA, Medium
from jindle_core.planning.batches import for_cards
from jindle_core.planning.colouring import STAYING_DAMP, area_steps, picture_steps
from jindle_core.planning.cutting import is_by_die
from jindle_core.planning.ground import ground_steps
from jindle_core.planning.step import Step
from jindle_core.planning.task import After, Hazard, Task, Tool, Work
from jindle_core.seen.colouring import Coloured
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
        *made.pictures(),
        *made.words(),
        *made.assembling(),
        *made.finishing(),
    ]
    known = {task.key for task in found}
    there = [replace(one, after=tuple(each for each in one.after if each.key in known)) for one in found]
    return for_cards(there, habits.cards, habits.pace)


class _Making:
    """One card that is made."""

    def __init__(self, checked: CheckedCard, habits: Habits) -> None:
        self._stack: Stack = checked.seen.stack
        self._examined, self._habits = checked.examined, habits
        self._needless = checked.examined.covered.needless
        self._card, self._build = self._stack.palette.card, self._stack.build
        self._cuts: list[str] = []
        self._ready: defaultdict[int, list[After]] = defaultdict(list)  # what a piece waits for

    # --- Cutting.

    def base(self) -> Iterator[Task]:
        """The base, cut, scored and folded."""
        hazards = frozenset({Hazard.BLADE})
        words = "Cut, score and fold the base"
        yield Task(
            "base", Work.BASE, words, figures.work.SCORE_BASE, Tool.TRIMMER,
            to=(BASE,), supplies=(self._build.base,), hazards=hazards, once=figures.work.BASE_FIRST,
        )  # fmt: skip
        self._ready[BASE].append(After("base", 0, "the base must be cut"))

    def cutting(self) -> Iterator[Task]:
        """What is cut, a stock at a time: straight pieces with the trimmer, shaped ones with dies."""
        straight: dict[End, list[Piece]] = {}
        shaped: dict[End, list[Piece]] = {}
        for piece in self._build.every:
            if piece.is_cut and piece.kind is not Kind.IMAGE:
                by = shaped if is_by_die(self._stack, piece) else straight
                by.setdefault(self._stack.stock(piece.key), []).append(piece)
        for stock, pieces in straight.items():
            yield self._cut(stock, pieces)
        for stock, pieces in shaped.items():
            yield self._cut(stock, pieces, by_die=True)

    def _cut(self, stock: End, pieces: list[Piece], by_die: bool = False) -> Task:
        names, keys = listed(piece.name for piece in pieces), tuple(piece.key for piece in pieces)
        out_of = f"{names} out of {self._stack.palette.end_words(stock)}"
        if by_die:
            key, work, tool, words = f"die:{min(keys)}", Work.DIE, Tool.MACHINE, f"Die-cut {out_of}"
            once, each, hazard = figures.work.DIE_SHEET, figures.work.DIE_PIECE, Hazard.ROLLERS
        else:
            key, work, tool, words = f"cut:{min(keys)}", Work.CUT, Tool.TRIMMER, f"Cut {out_of}"
            once, each, hazard = figures.work.CUT_SHEET, figures.work.CUT_PIECE, Hazard.BLADE
        self._cuts.append(key)
        for piece in keys:
            self._ready[piece].append(After(key, 0, "it must be cut"))
        return Task(
            key, work, words, once + each * len(pieces), tool, to=keys, supplies=(stock,),
            hazards=frozenset({hazard}), once=once,
        )  # fmt: skip

    # --- Pictures.

    def pictures(self) -> Iterator[Task]:
        """Each picture that is shown: stamped, coloured, cut out, its white edges touched up."""
        for coloured in self._stack.coloured:
            shown = [
                piece
                for piece in self._build.every
                if piece.kind is Kind.IMAGE and self._stack.shows(piece.key) is coloured
            ]
            if shown:
                yield from self._picture(coloured, shown)

    def _picture(self, coloured: Coloured, shown: list[Piece]) -> Iterator[Task]:
        picture, keys = coloured.picture, tuple(piece.key for piece in shown)
        name, number = picture.name, picture.key
        cut = [piece for piece in shown if not piece.stamped]
        out = f"out:{number}"
        last = f"stamp:{number}"
        if coloured.line is not None:
            yield self._stamp(coloured, shown)
            wait, reason = self._line_wait(coloured)
        else:
            last, wait, reason = "", 0.0, ""
        start = [After(last, wait, reason)] if last else []
        if cut and self._habits.cut_first:
            yield self._out(coloured, cut, [])
            start.append(After(out, 0, "it is cut out first, as you like it"))
        done = yield from self._colouring(coloured, start)
        if cut and not self._habits.cut_first:
            after = [After(key, minutes, "colour must be dry before it is cut") for key, minutes in done]
            yield self._out(coloured, cut, [*start, *after])
        ready = [After(key, minutes, "its colours must be dry") for key, minutes in done] or start
        edged = [piece for piece in cut if done and not piece.white_edge]
        if edged:
            edge = f"edge:{number}"
            words = f"Touch up the white edges of {name}"
            minutes = figures.work.WHITE_EDGE * len(edged)
            no_edge = After(out, 0, "there is no edge before it is cut out")
            yield Task(edge, Work.EDGE, words, minutes, Tool.COLOURS, (no_edge, *ready), keys)
            ready = [After(edge, 0, "its edges must be touched up")]
        elif cut:
            ready = [*ready, After(out, 0, "it must be cut out")]
        for piece in shown:
            self._ready[piece.key] += ready

    def _stamp(self, coloured: Coloured, shown: list[Piece]) -> Task:
        picture = coloured.picture
        times = len(shown)
        often = "" if times == 1 else f" {times} times, with room for its die,"
        on = self._stack.palette.end_words(self._stack.stock(shown[0].key))
        sealed = "embossed line" in picture.finishes
        minutes = figures.work.STAMP_FIRST + figures.work.STAMP_EACH * times
        words, hazards = f"Stamp {picture.name}{often} on {on}", set[Hazard]()
        if sealed:
            words += "; at once clear powder over the wet line, and melt it"
            minutes += figures.work.EMBOSS * times
            hazards |= {Hazard.HEAT, Hazard.POWDER}
        elif coloured.line is not None and coloured.line.slow:
            words += "; heat-set it"
            minutes += figures.work.HEAT_SET * times
            hazards |= {Hazard.HEAT}
        straight = [piece for piece in shown if piece.stamped]
        after = [one for piece in straight for one in self._ready[piece.on]]
        if self._habits.cut_first and len(straight) < len(shown):
            after.append(After(f"out:{picture.key}", 0, "the cut piece is stamped, as you like it"))
        keys = tuple(piece.key for piece in shown)
        return Task(
            f"stamp:{picture.key}", Work.STAMP, words, minutes, Tool.STAMPS, tuple(after), keys,
            hazards=frozenset(hazards), once=figures.work.STAMP_FIRST,
        )  # fmt: skip

    def _line_wait(self, coloured: Coloured) -> tuple[float, str]:
        sealed = "embossed line" in coloured.picture.finishes
        slow = coloured.line is not None and coloured.line.slow and not sealed
        if sealed:
            return figures.work.POWDER_COOLS, "the melted line must be cool"
        wait = figures.work.LINE_DRIES["slow" if slow else "quick"]
        return wait, "the line must be dry before colour comes over it"

    def _colouring(
        self, coloured: Coloured, start: list[After]
    ) -> Generator[Task, None, list[tuple[str, float]]]:
        """The groups of areas in their order; gives what is done, by key, and how long each then dries.

        Each comes after those before it that it touches while they are wet, wherever the others are done.
        """
        done: list[tuple[str, float]] = []
        areas = {area.key: area for area in coloured.areas}
        keys = [area.key for area in coloured.areas]
        touching = {(keys[a], keys[b]) for a, b in coloured.touching}
        before: list[tuple[str, tuple[int, ...]]] = []
        for step in picture_steps(coloured, self._needless):
            group = [areas[key] for key in step.to]
            key = f"colour:{coloured.picture.key}:{min(step.to)}"
            after = list(start)
            wet = tuple(area.key for area in group if area.medium in STAYING_DAMP)
            for earlier, others in before:
                if any((a, b) in touching for a in wet for b in others):
                    dries = figures.work.COLOUR_DRIES["wet"]
                    after.append(After(earlier, dries, "its neighbour is still wet"))
            yield self._coloured(key, coloured, group, after)
            done.append((key, figures.work.COLOUR_DRIES["wet" if wet else "dry"]))
            before.append((key, wet))
        return done

    def _coloured(self, key: str, coloured: Coloured, group: list[Area], after: list[After]) -> Task:
        minutes = figures.work.COLOUR_FIRST + sum(
            figures.work.COLOUR_TONE[area.extent.value] * len(area.family) * area.layers
            + figures.work.GLAZE * (len(area.over) + (area.glaze is not None))
            for area in group
        )
        medium = group[0].medium
        hazards = {Hazard.ALCOHOL} if medium is Medium.ALCOHOL_MARKER else set[Hazard]()
        if "solvent" in coloured.picture.finishes:
            hazards.add(Hazard.SOLVENT)
        ids = dict.fromkeys(pk for area in group for pk in area.family)
        words = f"Colour {listed(area.name for area in group)} of {coloured.picture.name}"
        tool = Tool.BRUSHES if medium in PAD_MEDIA else Tool.COLOURS
        return Task(
            key, Work.COLOUR, words, minutes, tool, tuple(after), (),
            tuple(area.key for area in group), tuple(End("supply", pk) for pk in ids),
            tuple(area_steps(coloured, group[0])), frozenset(hazards), figures.work.COLOUR_FIRST,
        )  # fmt: skip

    def _out(self, coloured: Coloured, cut: list[Piece], after: list[After]) -> Task:
        minutes = figures.work.CUT_OUT * len(cut)
        keys = tuple(piece.key for piece in cut)
        words = f"Cut out {coloured.picture.name}" + (f", {len(cut)} times" if len(cut) > 1 else "")
        hazards = frozenset({Hazard.BLADE})
        return Task(
            f"out:{coloured.picture.key}", Work.CUT_OUT, words, minutes, Tool.SCISSORS, tuple(after), keys,
            hazards=hazards,
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
        dries = max(
            (figures.work.PAD_DRIES[grounded.facts(place).medium] for place in grounded.places), default=5.0
        )
        after = list(self._ready[carrier])
        hazards = {Hazard.POWDER} if any("chalk" in step.words for part in parts for step in part) else set()
        for number, part in enumerate(parts, start=1):
            key, minutes = f"ground:{number}", figures.work.GROUND_STEP * len(part)
            if number == 1:
                minutes += figures.work.GROUND_TAPE
            words = "Lay the ground" if number == 1 else "Go on with the ground"
            yield Task(
                key, Work.GROUND, words, minutes, Tool.BRUSHES, tuple(after), (carrier,),
                supplies=tuple(End("supply", pad.colour) for pad in grounded.pads), steps=tuple(part),
                hazards=frozenset(hazards),
                once=figures.work.PAD_FIRST * sum(step.using is not None for step in part),
            )  # fmt: skip
            after = [After(key, dries, "the ink before must be dry")]
        flat = "the ground must be dry, and the panel flat again"
        self._ready[carrier].append(After(f"ground:{len(parts)}", dries + figures.work.PANEL_FLATTENS, flat))

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
            after = tuple(self._ready[piece.key])
            yield Task(
                key, Work.INK, words, minutes, Tool.BRUSHES, after, (piece.key,), supplies=supplies,
                once=figures.work.PAD_FIRST,
            )  # fmt: skip
            self._ready[piece.key].append(After(key, figures.work.PAD_DRIES[medium], "its ink must be dry"))

    # --- Words.

    def words(self) -> Iterator[Task]:
        """Words while everything is flat, their places checked dry first."""
        written = [piece for piece in self._build.every if piece.kind is Kind.LETTERING]
        if not written:
            return
        after = tuple(After(key, 0, "it must be cut to be laid") for key in self._cuts)
        yield Task(
            "lay", Work.LAY, "Lay everything dry, and mark where the words go", figures.work.LAY_DRY,
            Tool.NOTHING, after,
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
        key, text = f"words:{piece.key}", piece.text or self._card.name
        after = (After("lay", 0, "its place must be known"), *self._ready[piece.on])
        supplies = (piece.material,) if piece.material.source == "supply" else ()
        words = f"{how} “{text}” on {self._stack.name(piece.on)}"
        self._ready[piece.on].append(After(key, wait, reason))
        return Task(
            key, Work.WORDS, words, minutes, tool, after, (piece.key,), supplies=supplies,
            hazards=frozenset(hazards), once=once,
        )  # fmt: skip

    # --- Putting together.

    def assembling(self) -> Iterator[Task]:
        """The inside before anything is raised, what lies flat, what stands on foam, what is trimmed."""
        front, inside = self._build.faces
        within = [piece for piece in inside if _is_laid(piece)]
        yield from self._laid("inside", Work.INSIDE, within, [], "Glue inside")
        kept = [After("inside", 0, "nothing may be raised before the inside is done")] if within else []
        flat = [piece for piece in front if _is_laid(piece) and piece.raised is Raised.FLAT]
        raised = [piece for piece in front if _is_laid(piece) and piece.raised is not Raised.FLAT]
        yield from self._laid("flat", Work.GLUE, flat, [], "Glue flat")
        holds = [After("flat", figures.work.GLUE_HOLDS, "glue must hold")] if flat else []
        yield from self._laid("raise", Work.RAISE, raised, [*kept, *holds], "Raise on foam")
        trimmed = [piece for piece in front if piece.trimmed]
        if trimmed:
            last = "raise" if raised else "flat"
            words = f"Trim what hangs over the edge: {listed(piece.name for piece in trimmed)}"
            after = (After(last, figures.work.GLUE_HOLDS, "glue must hold"),)
            keys = tuple(piece.key for piece in trimmed)
            minutes = figures.work.TRIM * len(trimmed)
            yield Task(
                "trim", Work.TRIM, words, minutes, Tool.SCISSORS, after, keys, steps=self._trimmings(),
                hazards=frozenset({Hazard.BLADE}),
            )  # fmt: skip

    def _trimmings(self) -> tuple[Step, ...]:
        """What falls off and fills elsewhere."""
        found = []
        for one in self._examined.trimmings:
            use = f": it could be {listed(one.could_be)}" if one.could_be else ", for a filler elsewhere"
            found.append(Step(f"Keep the {one.text(one.unit)} that falls off {one.name}{use}."))
        return tuple(found)

    def _laid(
        self, key: str, work: Work, pieces: Sequence[Piece], after: Sequence[After], verb: str
    ) -> Iterator[Task]:
        if not pieces:
            return
        each = figures.work.GLUE_RAISED if work is Work.RAISE else figures.work.GLUE_FLAT
        keys = tuple(piece.key for piece in pieces)
        ready = [
            *after,
            *(one for piece in pieces for at in (piece.key, piece.on) for one in self._ready[at]),
        ]
        words = f"{verb}: {listed(piece.name for piece in pieces)}"
        yield Task(key, work, words, each * len(pieces), Tool.GLUE, _once(ready), keys)

    def finishing(self) -> Iterator[Task]:
        """Finishing pieces and glitter last; all lies flat until it is set, and goes into its envelope."""
        laid = ("inside", "flat", "raise", "trim")
        done = [After(key, figures.work.GLUE_HOLDS, "glue must hold") for key in laid]
        finishes = [piece for piece in self._build.every if piece.kind is Kind.FINISH]
        last = [After(key, figures.work.GLUE_HOLDS, "it must be put together") for key in laid]
        if finishes:
            words = f"Set on {listed(piece.name for piece in finishes)}"
            keys = tuple(piece.key for piece in finishes)
            minutes = figures.work.FINISH_EACH * len(finishes)
            supplies = tuple(dict.fromkeys(piece.material for piece in finishes))
            yield Task(
                "finish", Work.FINISH, words, minutes, Tool.FINISHES, tuple(done), keys, (), supplies,
                hazards=frozenset({Hazard.SMALL}),
            )  # fmt: skip
            last.append(After("finish", figures.work.DROPS_SET, "drops must set, lying flat"))
        for coloured in self._stack.coloured:
            if coloured.picture.finishes and {"gloss", "glitter"} & set(coloured.picture.finishes):
                key = f"gloss:{coloured.picture.key}"
                words = f"Gloss or glitter over {coloured.picture.name}"
                yield Task(
                    key, Work.FINISH, words, figures.work.GLITTER, Tool.FINISHES, tuple(done),
                    hazards=frozenset({Hazard.POWDER}),
                )  # fmt: skip
                last.append(After(key, figures.work.GLITTER_DRIES, "it must be dry"))
        words = "Write inside, and into its envelope"
        limits = Step("Is it to be posted: hold it against the limits that you entered under Build.")
        yield Task(
            "post", Work.POST, words, figures.work.ENVELOPE, Tool.NOTHING, _once(last), (BASE,),
            steps=(limits,),
        )  # fmt: skip


def _is_laid(piece: Piece) -> bool:
    return not piece.is_ink and piece.kind is not Kind.FINISH


def _once(after: Sequence[After]) -> tuple[After, ...]:
    """Each of what is waited for once, the longest wait for it."""
    found: dict[str, After] = {}
    for one in after:
        if one.key not in found or found[one.key].minutes < one.minutes:
            found[one.key] = one
    return tuple(found.values())


_NAMED = 4


def listed(names: Iterable[str]) -> str:
    """Names as they are said, each once; of many the first."""
    every = list(dict.fromkeys(names))
    shown = every[:_NAMED]
    more = f" and {len(every) - _NAMED} more" if len(every) > _NAMED else ""
    return ", ".join(shown) + more
