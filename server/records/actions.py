"""Everything that is written of what was made."""

from collections import Counter
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from datetime import date, timedelta
from typing import Any

from django.db.models import F
from django.utils import timezone
from PIL import Image

from jindle_core.checked.whole import CheckedCard
from jindle_core.errors import BadInput, Problem
from jindle_core.interchange.bare_picture import jpeg
from jindle_core.lengths import TICKS
from jindle_core.planning.instead import UsedInstead
from jindle_core.planning.planned import Planned
from jindle_core.planning.progress import Progress
from jindle_core.planning.recipe.lines import Recipe
from jindle_core.planning.recipe.whole import recipe_of
from jindle_core.stored import plain, structured
from jindle_core.travelling.recipe_file import told_to_json
from jindle_core.travelling.told import Travelling
from server.accounts.models import Person
from server.cards.glances import picture_of
from server.cards.models import StoredCard
from server.cards.planning.actions import keep_work, work_there
from server.cards.travel import told_of
from server.errors import StaleRecord
from server.pictures import opened
from server.quotas import check_bytes, check_room
from server.records.models import (
    FEW_WORDS,
    MANY_WORDS,
    MOST_PHOTOS,
    MadeTogether,
    Record,
    RecordPhoto,
    RecordUse,
)
from server.writes import write

EARLIEST = date(1950, 1, 1)
MOST_MADE = 10_000
_SIDE = 1400  # pixels of a photo's longer side: enough for a page, and for many in an archive


@dataclass(frozen=True)
class Said:
    """What a person says of what they made; free words, any of them blank."""

    made: date
    count: int = 1
    occasion: str = ""
    person: str = ""
    went_well: str = ""
    to_change: str = ""
    instead: Sequence[UsedInstead] = field(default_factory=tuple)

    def __post_init__(self) -> None:
        latest = timezone.localdate() + timedelta(days=1)  # somewhere it is tomorrow already
        if not EARLIEST <= self.made <= latest:
            words = f"What was made was made between {EARLIEST.year} and today."
            raise BadInput(Problem(words, field="made", value=self.made.isoformat()))
        if not 1 <= self.count <= MOST_MADE:
            words = f"From 1 to {MOST_MADE:,} cards are made at once."
            raise BadInput(Problem(words, field="count", value=str(self.count)))
        limits = {
            "occasion": FEW_WORDS,
            "person": FEW_WORDS,
            "went_well": MANY_WORDS,
            "to_change": MANY_WORDS,
        }
        for name, most in limits.items():
            if len(getattr(self, name)) > most:
                raise BadInput(Problem(f"{most} characters are the most.", field=name))


@dataclass(frozen=True)
class Made:
    """A card as it was when it was made: as it travels, its recipe by unit of length, how long steps took,
    how it was predicted to look (WebP), and photos (JPEG)."""

    name: str
    told: Travelling
    recipes: Mapping[str, Recipe]
    times: Sequence[dict[str, Any]]
    picture: bytes | None = None
    photos: Sequence[bytes] = ()


@write
def record_card(
    card: StoredCard, work_version: int, said: Said, checked: CheckedCard, work: Planned
) -> Record:
    """Keep a card as it is made now; the next time it is made begins anew.

    StaleWork where the work on it went on, or was recorded, on another device.
    """
    going = work_there(card, work_version)
    check_room(card.owner, "records")
    kept = keep_record(card.owner, card, said, made_now(card, checked, work, going.progress))
    keep_work(card, replace(going, progress=Progress(), instead=()))
    return kept


def made_now(card: StoredCard, checked: CheckedCard, work: Planned, progress: Progress) -> Made:
    """A card as it is made now."""
    recipes = {unit: recipe_of(checked, unit, work) for unit in TICKS}
    picture, told = picture_of(card), told_of(checked, card.owner)
    return Made(checked.seen.card.name, told, recipes, _times(work, progress), picture and picture[0])


def keep_record(
    owner: Person,
    card: StoredCard | None,
    said: Said,
    made: Made,
    together: MadeTogether | None = None,
) -> Record:
    """Store what was made, under what it is found again; ``together`` with others of a set."""
    record = Record.objects.create(
        owner=owner,
        card=card,
        together=together,
        name=made.name,
        stored=told_to_json(made.told),
        recipes={unit: plain(recipe) for unit, recipe in made.recipes.items()},
        times=made.times,
        picture=made.picture,
        **_fields(said),
    )
    RecordPhoto.objects.bulk_create(RecordPhoto(record=record, picture=one) for one in made.photos)
    _note_uses(record, said.instead)
    return record


@write
def change_record(record: Record, version: int, said: Said) -> None:
    """Say something else of what was made; the card as it was stays."""
    written = Record.objects.filter(pk=record.pk, version=version).update(
        version=F("version") + 1, **_fields(said)
    )
    if not written:
        raise StaleRecord
    record.refresh_from_db()
    record.uses.all().delete()
    _note_uses(record, said.instead)


@write
def delete_record(record: Record) -> None:
    """Forget what was made, with its photos."""
    record.delete()


@write
def add_photo(record: Record, content: bytes) -> RecordPhoto:
    """Keep a photo of what was made, made anew; BadInput for what is no picture, and for too many."""
    if record.photos.count() >= MOST_PHOTOS:
        raise BadInput(Problem(f"{MOST_PHOTOS} photos of a card are the most.", field="file"))
    image = Image.fromarray(opened(content).pixels)
    image.thumbnail((_SIDE, _SIDE))
    picture = jpeg(image)
    check_room(record.owner, "photos")
    check_bytes(record.owner, len(picture))
    return RecordPhoto.objects.create(record=record, picture=picture)


@write
def delete_photo(record: Record, pk: int) -> None:
    """Take a photo away."""
    record.photos.filter(pk=pk).delete()


def _fields(said: Said) -> dict[str, Any]:
    return {
        "made": said.made,
        "count": said.count,
        "occasion": said.occasion,
        "person": said.person,
        "went_well": said.went_well,
        "to_change": said.to_change,
        "instead": [plain(one) for one in said.instead],
    }


def _times(work: Planned, progress: Progress) -> list[dict[str, Any]]:
    """How long steps took, where somebody saw them begin."""
    words = {task.key: task.words for task in work.tasks}
    return [
        {"words": words[key], "minutes": round(past.took, 1)}
        for key, past in progress.past.items()
        if past.took is not None and key in words
    ]


def _note_uses(record: Record, instead: Sequence[UsedInstead]) -> None:
    """Under what it is found again: what was planned, unless something else was taken wherever it was to be
    used, and what was taken."""
    recipe = recipe_as_made(record, "mm")
    replaced = Counter(was for was, _ in {(one.was, one.of) for one in instead})
    rows = [
        (line.ink.label, line.ink.range, line.ink.medium, line.stage, line.hue, line.ink.shade)
        for line in recipe.used
        if recipe.times_used(line.ink) > replaced[f"{line.ink.label} of {line.ink.range}"]
    ]
    rows += [(one.label, one.range, one.medium, "instead", one.hue, one.shade) for one in instead]
    names = ("label", "range_name", "medium", "stage", "hue", "shade")
    RecordUse.objects.bulk_create(
        RecordUse(record=record, **dict(zip(names, row, strict=True))) for row in dict.fromkeys(rows)
    )


def recipe_as_made(record: Record, units: str) -> Recipe:
    """The recipe as it was then, in a unit of length."""
    return structured(record.recipes[units], Recipe, "recipe")
