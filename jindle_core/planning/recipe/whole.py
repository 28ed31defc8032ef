"""What does somebody need to know to make a card again? All of it in words, figures and codes.

A recipe is made of a card that is seen, and says nothing that the card does not: colours by area, sizes of
every piece, supplies, the order of work. Lengths are in the unit that is asked for.
"""

from collections.abc import Iterator
from dataclasses import replace
from functools import cached_property

import numpy as np

from jindle_core.checked.whole import CheckedCard
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.naming import hue_family
from jindle_core.layers.folding import flat
from jindle_core.matching.verdicts import Verdict
from jindle_core.material import End
from jindle_core.naming import Use
from jindle_core.planning.planned import Planned, planned
from jindle_core.planning.recipe.built import piece_line, stocks
from jindle_core.planning.recipe.coloured import effects, pads, picture
from jindle_core.planning.recipe.lines import InsteadLine, PaletteLine, Recipe, StepLine, UsedLine
from jindle_core.planning.recipe.naming import Naming
from jindle_core.planning.step import Step
from jindle_core.planning.task import Task
from jindle_core.seen.ruler import halves
from jindle_core.seen.uses import uses
from jindle_core.supplies.matched import matches_of
from jindle_core.supplies.whole import Supplies
from jindle_core.words import in_words


def recipe_of(checked: CheckedCard, units: str, work: Planned | None = None) -> Recipe:
    """The recipe of a card; ``work`` is how it is planned, else as one would begin with it."""
    return _Writing(checked, units, work or planned(checked)).recipe()


_STAGES = {Use.TONES: "colouring", Use.PADS: "background"}  # in which the rest is not used


class _Writing:
    """One card that is written down."""

    def __init__(self, checked: CheckedCard, units: str, work: Planned) -> None:
        self._units, self._work, self._naming = units, work, Naming(checked, units)
        self._covered, self._stack = checked.examined.covered, checked.seen.stack
        self._palette = self._stack.palette
        self._supplies: Supplies = self._palette.supplies

    def recipe(self) -> Recipe:
        card, units, work = self._palette.card, self._units, self._work
        laid = flat(card.size, card.fold)
        grounded = self._stack.of.grounded
        build = self._stack.where.build
        built, naming = bool(build.every), self._naming
        edge = "left" if laid.upright else "top"
        return Recipe(
            card.name,
            card.size.text(units),
            laid.size.text(units) if built else "",
            f"{halves(laid, units)[0].text()} {units} from the {edge}" if built else "",
            tuple(self._colours()),
            tuple(picture(naming, one) for one in self._stack.coloured if one.areas),
            in_words(grounded.ground.shape) if grounded.pads else "",
            tuple(pads(naming)),
            tuple(effects(naming)),
            tuple(piece_line(naming, one) for one in build.pieces),
            tuple(piece_line(naming, one) for one in build.inside),
            tuple(stocks(naming, work.wishes.cards)) if built else (),
            tuple(self._steps()),
            work.schedule.minutes_told,
            work.schedule.hands,
            (*self._used(), *self._sheets()),
            tuple(self._instead()),
            tuple(work.cautions),
        )

    def _colours(self) -> Iterator[PaletteLine]:
        for colour in self._palette.card.colours:
            place = self._palette.place(colour)
            of = ""
            if place is not None:
                ink = self._naming.ink(place)
                of = f"{ink.range} {self._supplies.rows[place].called}"
            end = End("palette", colour.key)
            lightness, a, b = (round(float(one), 1) for one in self._palette.end_lab(end))
            shade = self._palette.end_shades(end)["colour"]
            yield PaletteLine(colour.name, colour.role.value, of, (lightness, a, b), shade)

    def _steps(self) -> Iterator[StepLine]:
        waits = {one.task.key: one for one in self._work.running}
        for placed in self._work.schedule.placed:
            wait = waits.get(placed.task.key)
            told = f"{wait.end - wait.start:g} min" if wait else ""
            task = placed.task
            how = tuple(self._how(task, step) for step in task.steps)
            yield StepLine(str(task.words), task.minutes, told, task.tool.value, how)

    def _how(self, task: Task, step: Step) -> str:
        """A step of a task, with what it is done with."""
        ink = "" if step.using is None else f"{self._palette.end_words(task.supplies[step.using])}: "
        return ink + step.text(self._units)

    @cached_property
    def _places(self) -> list[tuple[int, list[Use]]]:
        """The places of the supplies that the card uses, and what for."""
        return [
            (self._supplies.places[one.end.id], [usage.use for usage in one.usages])
            for one in uses(self._stack, self._covered)
            if one.end.source == "supply" and one.end.id in self._supplies.places
        ]

    def _sheets(self) -> Iterator[UsedLine]:
        """Patterned sheets, each as the colour of which it shows most."""
        for one in uses(self._stack, self._covered):
            sheet = self._palette.sheet(one.end)
            there = [self._supplies.places.get(pk) for pk in sheet.colours] if sheet else []
            at = there[int(sheet.shares.argmax())] if sheet and there else None
            if sheet is not None and at is not None:
                ink = replace(self._naming.ink(at), label=sheet.title, name="")
                yield UsedLine(ink, "build", hue_family(self._supplies.lab_at(at)))

    def _used(self) -> Iterator[UsedLine]:
        for place, for_what in self._places:
            hue = hue_family(self._supplies.lab_at(place))
            for stage in dict.fromkeys(_STAGES.get(use, "build") for use in for_what):
                yield UsedLine(self._naming.ink(place), stage, hue)

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
            yield InsteadLine(self._naming.ink(place), self._naming.ink(int(nearest)), match.near.words)
