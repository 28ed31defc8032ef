"""What is to be done for the pictures of a card: stamped, coloured, cut out?"""

from collections.abc import Generator, Iterable, Iterator, Sequence
from functools import cached_property

from jindle_core import figures
from jindle_core.card.pictures import Area
from jindle_core.checked.whole import CheckedCard
from jindle_core.layers.pieces import BASE, Kind, Piece
from jindle_core.material import End
from jindle_core.media.medium import Carrier, Toning
from jindle_core.planning.colouring import area_steps, picture_steps
from jindle_core.planning.cutting import sizes
from jindle_core.planning.step import Step, listed
from jindle_core.planning.task import After, Hazard, Task, Tool, Work
from jindle_core.planning.waits import Waits, each_once
from jindle_core.seen.colouring import Coloured


class PictureTasks:
    """The pictures of a card that is made; ``cut_first``: cut out before they are stamped."""

    def __init__(self, checked: CheckedCard, waits: Waits, cut_first: bool) -> None:
        self._stack, self._build = checked.seen.stack, checked.seen.stack.build
        self._inventory, self._needless = checked.inventory, checked.examined.covered.needless
        self._waits, self._cut_first = waits, cut_first

    def tasks(self) -> Iterator[Task]:
        """Each picture that is shown: stamped, coloured, cut out, its white edges touched up."""
        shown = dict(self.shown)
        while shown:
            # What is stamped on another picture comes after it.
            free = (
                key for key, (_, pieces) in shown.items() if not self._on_others(key, pieces) & shown.keys()
            )
            yield from self._picture(*shown.pop(next(free, next(iter(shown)))))

    @cached_property
    def shown(self) -> dict[int, tuple[Coloured, list[Piece]]]:
        """By key the pictures that pieces show, and those pieces."""
        found: dict[int, tuple[Coloured, list[Piece]]] = {}
        for piece in self._build.every:
            if piece.kind is Kind.IMAGE:
                coloured = self._stack.shows(piece.key)
                found.setdefault(coloured.picture.key, (coloured, []))[1].append(piece)
        return {
            one.picture.key: found[one.picture.key]
            for one in self._stack.coloured
            if one.picture.key in found
        }

    def _on_others(self, own: int, pieces: Iterable[Piece]) -> set[int]:
        """The keys of the other pictures that some pieces are stamped on."""
        on = {piece.on for piece in pieces if piece.stamped and piece.on != BASE}
        under = (self._stack.piece(key) for key in on)
        shown = {self._stack.shows(one.key).picture.key for one in under if one.kind is Kind.IMAGE}
        return shown - {own}

    def _picture(self, coloured: Coloured, shown: list[Piece]) -> Iterator[Task]:
        picture, keys = coloured.picture, tuple(piece.key for piece in shown)
        name, number = picture.name, picture.key
        cut = [piece for piece in shown if not piece.stamped]
        out = f"out:{number}"
        start: list[After] = []
        if cut and self._cut_first:
            yield self._die_cut(coloured, cut)
            start.append(After(out, 0, "it is cut out first, as you like it"))
        if coloured.line is not None:
            yield self._stamp(coloured, shown, start)
            wait, reason = self._line_wait(coloured)
            start = [After(f"stamp:{number}", wait, reason)]
        else:
            start += self._under(shown)
        done = yield from self._colouring(coloured, start)
        if cut and not self._cut_first:
            after = [After(key, minutes, "colour must be dry before it is cut") for key, minutes in done]
            yield self._out(coloured, cut, [*start, *after])
        ready = [After(key, minutes, "its colours must be dry") for key, minutes in done] or start
        for piece in shown:
            if piece.stamped:
                self._waits.ready[piece.on] += ready
        edged = [piece for piece in cut if done and not piece.white_edge]
        if edged:
            edge = f"edge:{number}"
            words = f"Touch up the white edges of {name}"
            minutes = figures.work.WHITE_EDGE * len(edged)
            no_edge = After(out, 0, "there is no edge before it is cut out")
            yield Task(edge, Work.EDGE, words, minutes, Tool.COLOURS, (no_edge, *ready), keys)
            ready = [*ready, After(edge, 0, "its edges must be touched up")]
        elif cut:
            ready = [*ready, After(out, 0, "it must be cut out")]
        for piece in shown:
            self._waits.prepared(piece.key, *ready)
        self._waits.dry += [After(out, 0, "it must be cut out to be laid")] if cut else start

    def _under(self, shown: Iterable[Piece]) -> list[After]:
        """What must be done to what pictures are stamped on, before they are."""
        return [one for piece in shown if piece.stamped for one in self._waits.bare[piece.on]]

    def _stamp(self, coloured: Coloured, shown: list[Piece], start: Sequence[After]) -> Task:
        picture, times = coloured.picture, len(shown)
        sealed = "embossed line" in picture.finishes
        minutes = figures.work.STAMP_FIRST + figures.work.STAMP_EACH * times
        words, hazards = f"Stamp {picture.name}{self._stamped_on(shown)}", set[Hazard]()
        if sealed:
            words += "; at once clear powder over the wet line, and melt it"
            minutes += figures.work.EMBOSS * times
            hazards |= {Hazard.HEAT, Hazard.POWDER}
        elif coloured.line is not None and coloured.line.slow:
            words += "; heat-set it"
            minutes += figures.work.HEAT_SET * times
            hazards |= {Hazard.HEAT}
        sizes = dict.fromkeys(self._stack.cut_to(piece) for piece in shown)
        return Task(
            f"stamp:{picture.key}", Work.STAMP, words, minutes, Tool.STAMPS,
            (*start, *each_once(self._under(shown))), tuple(piece.key for piece in shown),
            steps=tuple(Step("printed", measures=(size,)) for size in sizes), hazards=frozenset(hazards),
            once=figures.work.STAMP_FIRST,
        )  # fmt: skip

    def _stamped_on(self, shown: Sequence[Piece]) -> str:
        """On what a picture is stamped, and how often."""
        said = []
        if cut := [piece for piece in shown if not piece.stamped]:
            times = f" {len(cut)} times, with room for its die," if len(cut) > 1 else ""
            said.append(f"{times} on {self._inventory.stock_words(self._stack.stock(cut[0].key))}")
        if straight := [piece for piece in shown if piece.stamped]:
            times = f" {len(straight)} times" if len(straight) > 1 else ""
            said.append(f"{times} straight on {listed(self._stack.name(piece.on) for piece in straight)}")
        return ", and".join(said)

    def _die_cut(self, coloured: Coloured, cut: list[Piece]) -> Task:
        """Pictures that are cut out before they are stamped: no scissors follow what is not there yet."""
        name, stock = coloured.picture.name, self._stack.stock(cut[0].key)
        often = f", {len(cut)} times," if len(cut) > 1 else ""
        words = f"Die-cut {name}{often} out of {self._inventory.stock_words(stock)}, to be stamped on"
        return Task(
            f"out:{coloured.picture.key}", Work.DIE, words,
            figures.work.DIE_SHEET + figures.work.DIE_PIECE * len(cut), Tool.MACHINE,
            to=tuple(piece.key for piece in cut), supplies=(stock,), steps=tuple(sizes(self._stack, cut)),
            hazards=frozenset({Hazard.ROLLERS}), once=figures.work.DIE_SHEET,
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
            wet = tuple(area.key for area in group if area.medium.traits.stays_damp)
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
        hazards = {Hazard.ALCOHOL} if medium.traits.carrier is Carrier.ALCOHOL else set[Hazard]()
        if "solvent" in coloured.picture.finishes:
            hazards.add(Hazard.SOLVENT)
        ids = dict.fromkeys(pk for area in group for pk in area.family)
        words = f"Colour {listed(area.name for area in group)} of {coloured.picture.name}"
        tool = Tool.BRUSHES if medium.traits.toning is Toning.BRUSHED else Tool.COLOURS
        return Task(
            key, Work.COLOUR, words, minutes, tool, tuple(after), (),
            tuple(area.key for area in group), tuple(End("supply", pk) for pk in ids),
            tuple(area_steps(coloured, group[0])), frozenset(hazards), figures.work.COLOUR_FIRST,
        )  # fmt: skip

    def _out(self, coloured: Coloured, cut: list[Piece], after: list[After]) -> Task:
        minutes = figures.work.CUT_OUT * len(cut)
        keys = tuple(piece.key for piece in cut)
        words = f"Cut out {coloured.picture.name}" + (f", {len(cut)} times" if len(cut) > 1 else "")
        return Task(
            f"out:{coloured.picture.key}", Work.CUT_OUT, words, minutes, Tool.SCISSORS, tuple(after), keys,
            steps=tuple(sizes(self._stack, cut, blanks=False)),
            hazards=frozenset({Hazard.BLADE}),
        )  # fmt: skip
