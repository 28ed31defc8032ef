"""Everything that is written of the work on a card: what is wanted of it, what is pressed at the table."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass, field, replace
from datetime import UTC, datetime
from typing import Any, Protocol

from django.utils import timezone

from jindle_core import figures
from jindle_core.errors import BadInput, Problem
from jindle_core.planning.instead import UsedInstead
from jindle_core.planning.pace import Pace, Taken, paces
from jindle_core.planning.planned import Planned
from jindle_core.planning.progress import Press, Progress
from jindle_core.planning.task import Task
from jindle_core.planning.task import Work as Kind
from jindle_core.planning.wishes import Wishes
from jindle_core.stored import plain, structured
from server.access import steps_taken_by
from server.accounts.models import Person
from server.cards.models import StepTaken, StoredCard, Work
from server.errors import StaleWork
from server.writes import write

FORM = 1  # that the work on a card is stored in


@dataclass(frozen=True)
class _Stored:
    form: int
    wishes: Wishes
    progress: Progress
    instead: tuple[UsedInstead, ...] = ()


@dataclass(frozen=True)
class Going:
    """The work on a card as it is stored; version 0 for none yet."""

    version: int = 0
    wishes: Wishes = field(default_factory=Wishes)
    progress: Progress = field(default_factory=Progress)
    instead: tuple[UsedInstead, ...] = ()


def now() -> float:
    """The second that it is, by the server's clock: the one that all devices share."""
    return timezone.now().timestamp()


class WorkPlace(Protocol):
    """What is worked on: a card, or several together."""

    pk: Any
    owner: Any

    def work_found(self) -> Work | None:
        """The work on it as it is stored."""

    def keep_work(self, version: int, stored: object) -> None:
        """Store the work on it."""


def going_on(place: WorkPlace) -> Going:
    """How a person works on something; BadInput where it is not as it was written."""
    row = place.work_found()
    if row is None:
        return Going()
    return read_work(row.stored, row.version)


def read_work(stored: Any, version: int) -> Going:
    """The same from what is stored of it."""
    found = structured(stored, _Stored, "plan")
    if found.form != FORM:
        raise BadInput(Problem(f"This plan is written in form {found.form}; this Jindle reads {FORM}."))
    return Going(version, found.wishes, found.progress, found.instead)


def written(going: Going) -> dict[str, Any]:
    """The work on a card as it is stored."""
    return plain(_Stored(FORM, going.wishes, going.progress, going.instead))


def paces_of(person: Person) -> dict[Kind, Pace]:
    """How much of the usual minutes each kind of work takes a person."""
    rows = steps_taken_by(person).values_list("work", "usual", "took")[:_LOOKED_AT]
    return paces(Taken(Kind(work), usual, took) for work, usual, took in rows)


_LOOKED_AT = 500  # of the latest: several times what a pace is the median of, for each kind of work


@write
def want(place: WorkPlace, version: int, wanted: Callable[[Wishes], Wishes], tasks: Sequence[Task]) -> None:
    """Change what is wanted of the order of work."""
    there = work_there(place, version)
    keep_work(place, replace(there, wishes=wanted(there.wishes).among(tasks)))


@dataclass(frozen=True)
class Pressed:
    """What was pressed of a step, by its key; ``go_on``: what can be done next is begun with it."""

    press: Press
    key: str
    minutes: float = 0.0
    go_on: bool = False


@write
def press(
    place: WorkPlace, version: int, given: Pressed, work: Planned, then: Callable[[Going], Planned]
) -> None:
    """Take down what was pressed; ``then`` tells how the work stands once it was."""
    there, at = work_there(place, version), now()
    known = {task.key: task for task in work.tasks}
    if given.key not in known:
        words = "This step is not in the plan any more: the card was changed."
        raise BadInput(Problem(words, field="key", value=given.key))
    progress = there.progress.among(list(work.tasks))
    # What was done as something else by now is to be done again.
    if given.key in progress.past and given.key not in work.past:
        progress = replace(progress, past={k: past for k, past in progress.past.items() if k != given.key})
    progress = progress.after(given.press, known[given.key], at, given.minutes)
    if isinstance(place, StoredCard):  # a batch of several cards tells little of one's pace with one
        _take_down(place, known[given.key], progress, at)
    if given.go_on and not progress.hand:
        going = replace(there, progress=progress)
        following = then(going).next_at(at)
        if following is not None:
            progress = progress.after(Press.BEGIN, following, at)
    keep_work(place, replace(there, progress=progress))


@write
def take_instead(card: StoredCard, version: int, used: Sequence[UsedInstead]) -> None:
    """Say what is used otherwise than planned, all of it."""
    if len(used) > figures.work.MOST_INSTEAD:
        words = f"{figures.work.MOST_INSTEAD} things that were used otherwise are the most."
        raise BadInput(Problem(words, field="instead"))
    keep_work(card, replace(work_there(card, version), instead=tuple(used)))


@write
def start_over(place: WorkPlace, version: int) -> None:
    """Nothing is done yet, as for making it again; how long steps took stays known."""
    there = work_there(place, version)
    if isinstance(place, StoredCard):
        StepTaken.objects.filter(card=place).update(card=None)
        known = steps_taken_by(place.owner)
        latest = list(known.values_list("pk", flat=True)[:_LOOKED_AT])
        known.filter(card=None).exclude(pk__in=latest).delete()
    keep_work(place, replace(there, progress=Progress(), instead=()))


@write
def forget_pace(person: Person, work: Kind | None = None) -> None:
    """Forget how long steps took, of one kind of work or all."""
    found = steps_taken_by(person)
    (found.filter(work=work.value) if work else found).delete()


def keep_taken(person: Person, taken: Sequence[tuple[Taken, datetime]]) -> None:
    """Keep how long steps took that are of no card any more."""
    StepTaken.objects.bulk_create(
        StepTaken(owner=person, key="", work=one.work.value, usual=one.usual, took=one.took, at=at)
        for one, at in taken
    )


def _take_down(card: StoredCard, task: Task, progress: Progress, at: float) -> None:
    """How long a step took, as long as it is done."""
    past = progress.past.get(task.key)
    if past is None or past.took is None:
        StepTaken.objects.filter(card=card, key=task.key).delete()
        return
    told = {"owner": card.owner, "work": task.work.value, "usual": task.usual, "took": past.took}
    if not StepTaken.objects.filter(card=card, key=task.key).exists():
        StepTaken.objects.create(card=card, key=task.key, at=datetime.fromtimestamp(at, UTC), **told)


def work_there(place: WorkPlace, version: int) -> Going:
    """What is stored; StaleWork where that is not what the person saw. The person's row is locked by now."""
    found = going_on(place)
    if found.version != version:
        raise StaleWork
    return found


def keep_work(place: WorkPlace, going: Going) -> None:
    """Store the work on something under its next version."""
    place.keep_work(going.version + 1, written(going))
