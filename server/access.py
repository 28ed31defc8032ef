"""Who may see and change what: the one place that decides.

Lists are filtered here, so that what is not a person's never leaves the
database; what somebody may not see does not exist for them (404).
"""

from typing import Any, TypeVar

from django.core.exceptions import ObjectDoesNotExist
from django.db.models import Model, Q, QuerySet
from django.http import Http404
from rest_framework.exceptions import PermissionDenied

from server.accounts.models import Person
from server.cards.models import StepTaken, StoredCard
from server.catalogue.models import AskedFor, Colour, DrawerEntry, PutAway, Range, Reading, StripColour
from server.colouring.models import Drawing, KeptFamily
from server.palettes.models import Combination, KeptMood
from server.papers.models import Paper
from server.recipes.models import SharedRecipe
from server.records.models import Record, RecordPhoto
from server.sets.models import CardSet
from server.training.models import MissedQuestion, TrainingAnswer, TrainingSheet

Found = TypeVar("Found", bound=Model)


def cards_of(person: Person) -> QuerySet[StoredCard]:
    """The cards that a person may see and change: their own."""
    return StoredCard.objects.filter(owner=_somebody(person), deleted=None)


def deleted_cards_of(person: Person) -> QuerySet[StoredCard]:
    """The cards that a person has deleted and can still bring back, the latest first."""
    return _deleted(StoredCard.objects.filter(owner=_somebody(person)))


def own_card(person: Person, pk: int) -> StoredCard:
    """A card of the person's; 404 for anybody else's."""
    found = one(cards_of(person), pk=pk)
    found.owner = person  # the same object, so that nobody reads them again
    return found


def steps_taken_by(person: Person) -> QuerySet[StepTaken]:
    """How long a person's steps took them."""
    return StepTaken.objects.filter(owner=_somebody(person))


def ranges_seen_by(person: Person) -> QuerySet[Range]:
    """The ranges that a person may see and match against: the shared ones and their own."""
    return Range.objects.filter(Q(owner=None) | Q(owner=_somebody(person)), gone=False)


def put_away_by(person: Person) -> QuerySet[PutAway]:
    """The shared ranges that a person has put away."""
    return PutAway.objects.filter(owner=_somebody(person))


def ranges_of(person: Person) -> QuerySet[Range]:
    """The ranges that a person may change: their own."""
    return Range.objects.filter(owner=_somebody(person), gone=False)


def colours_seen_by(person: Person) -> QuerySet[Colour]:
    """The colours that a person may see: those of the ranges they see."""
    return Colour.objects.filter(Q(range__owner=None) | Q(range__owner=_somebody(person)), range__gone=False)


def own_colours_of(person: Person) -> QuerySet[Colour]:
    """The colours of a person's own ranges."""
    return Colour.objects.filter(range__owner=_somebody(person))


def gone_ranges_of(person: Person) -> QuerySet[Range]:
    """A person's deleted ranges: what their cards name of them stands in as it was."""
    return Range.objects.filter(owner=_somebody(person), gone=True)


def deleted_ranges_of(person: Person) -> QuerySet[Range]:
    """The ranges that a person has deleted and can still bring back, the latest first."""
    return gone_ranges_of(person).filter(deleted__isnull=False).order_by("-deleted")


def drawer_of(person: Person) -> QuerySet[DrawerEntry]:
    """What a person owns."""
    return DrawerEntry.objects.filter(owner=_somebody(person), colour__range__gone=False)


def asked_for_by(person: Person) -> QuerySet[AskedFor]:
    """What a person put on the shopping list."""
    return AskedFor.objects.filter(owner=_somebody(person), colour__range__gone=False)


def strip_of(person: Person) -> QuerySet[StripColour]:
    """The colours on a person's strip of known swatches, in order."""
    return StripColour.objects.filter(owner=_somebody(person), colour__range__gone=False)


def readings_of(person: Person) -> QuerySet[Reading]:
    """The readings that a person may see and change: their own."""
    return Reading.objects.filter(owner=_somebody(person), colour__range__gone=False)


def papers_seen_by(person: Person) -> QuerySet[Paper]:
    """The sheets of paper that a person may see: the shared ones and their own."""
    mine = Q(owner=None) | Q(owner=_somebody(person))
    return Paper.objects.filter(mine, deleted=None, range__gone=False)


def papers_on_shelf(person: Person) -> QuerySet[Paper]:
    """Those of them that the person looks at: not of ranges that they have put away."""
    return papers_seen_by(person).exclude(range__in=put_away_by(person).values("range"))


def papers_offered_to(person: Person) -> QuerySet[Paper]:
    """Those of them that are offered anywhere: no sheet that was put by."""
    return papers_on_shelf(person).filter(put_by=None)


def papers_off_shelf(person: Person) -> QuerySet[Paper]:
    """A person's own sheets that were put by or deleted: their colours are offered nowhere."""
    off = Q(put_by__isnull=False) | Q(deleted__isnull=False)
    return Paper.objects.filter(off, owner=_somebody(person))


def own_papers_of(person: Person) -> QuerySet[Paper]:
    """A person's own sheets."""
    return papers_seen_by(person).filter(owner=person)


def deleted_papers_of(person: Person) -> QuerySet[Paper]:
    """The sheets that a person has deleted and can still bring back, the latest first."""
    return _deleted(Paper.objects.filter(owner=_somebody(person)))


def own_paper(person: Person, pk: int) -> Paper:
    """A sheet that the person may change; 403 for a shared one, 404 for another's."""
    found = one(papers_seen_by(person).select_related("range"), pk=pk)
    if found.owner_id != person.pk:
        raise PermissionDenied
    found.owner = person
    return found


def combinations_seen_by(person: Person) -> QuerySet[Combination]:
    """The combinations of colours that a person may see: the shared ones and their own."""
    return Combination.objects.filter(Q(owner=None) | Q(owner=_somebody(person)))


def own_combinations_of(person: Person) -> QuerySet[Combination]:
    """The combinations that a person keeps."""
    return Combination.objects.filter(owner=_somebody(person))


def own_combination(person: Person, pk: int) -> Combination:
    """A combination that the person may change; 403 for a shared one, 404 for another's."""
    found = one(combinations_seen_by(person), pk=pk)
    if found.owner_id != person.pk:
        raise PermissionDenied
    return found


def drawings_seen_by(person: Person) -> QuerySet[Drawing]:
    """The line drawings that a person may see: the shared ones and their own."""
    return Drawing.objects.filter(Q(owner=None) | Q(owner=_somebody(person)), deleted=None)


def own_drawings_of(person: Person) -> QuerySet[Drawing]:
    """A person's own line drawings."""
    return drawings_seen_by(person).filter(owner=person)


def deleted_drawings_of(person: Person) -> QuerySet[Drawing]:
    """The drawings that a person has deleted and can still bring back, the latest first."""
    return _deleted(Drawing.objects.filter(owner=_somebody(person)))


def own_drawing(person: Person, pk: int) -> Drawing:
    """A drawing that the person may change; 403 for a shared one, 404 for another's."""
    found = one(drawings_seen_by(person), pk=pk)
    if found.owner_id != person.pk:
        raise PermissionDenied
    return found


def records_of(person: Person) -> QuerySet[Record]:
    """What a person has made: theirs alone to see and change."""
    return Record.objects.filter(owner=_somebody(person))


def photos_of(person: Person) -> QuerySet[RecordPhoto]:
    """A person's photos of what they made."""
    return RecordPhoto.objects.filter(record__owner=_somebody(person))


def own_record(person: Person, pk: int) -> Record:
    """One of them; 404 for anybody else's."""
    found = one(records_of(person), pk=pk)
    found.owner = person
    return found


def shared_recipes_of(person: Person) -> QuerySet[SharedRecipe]:
    """The links to recipes that a person gave, which they alone see listed and may end."""
    return _links().filter(owner=_somebody(person))


def shared_recipe(token: str) -> SharedRecipe:
    """What a link leads to, for whoever has it; 404 where there is no such link, or it was ended."""
    return one(_links(), token=token)


def _links() -> QuerySet[SharedRecipe]:
    """Links rest as long as their card is deleted."""
    return SharedRecipe.objects.filter(card__deleted=None)


def sets_of(person: Person) -> QuerySet[CardSet]:
    """The sets of cards that a person may see and change: their own."""
    return CardSet.objects.filter(owner=_somebody(person))


def own_set(person: Person, pk: int) -> CardSet:
    """One of them; 404 for anybody else's."""
    found = one(sets_of(person), pk=pk)
    found.owner = person
    return found


def training_answers_of(person: Person) -> QuerySet[TrainingAnswer]:
    """What a person answered in training: theirs alone."""
    return TrainingAnswer.objects.filter(owner=_somebody(person))


def training_missed_of(person: Person) -> QuerySet[MissedQuestion]:
    """What comes back to a person in training."""
    return MissedQuestion.objects.filter(owner=_somebody(person))


def training_sheets_of(person: Person) -> QuerySet[TrainingSheet]:
    """The sheets that a person printed to train on: theirs alone to see and fill."""
    return TrainingSheet.objects.filter(owner=_somebody(person))


def moods_of(person: Person) -> QuerySet[KeptMood]:
    """The seasons and places that a person has kept."""
    return KeptMood.objects.filter(owner=_somebody(person))


def kept_families_of(person: Person) -> QuerySet[KeptFamily]:
    """The shading families that a person has kept."""
    return KeptFamily.objects.filter(owner=_somebody(person))


def one(found: QuerySet[Found], **which: Any) -> Found:
    """The one object, or 404: the same answer whether it is another's or nobody's."""
    try:
        return found.get(**which)
    except ObjectDoesNotExist:
        raise Http404 from None


def own_range(person: Person, pk: int) -> Range:
    """A range that the person may change; 403 for a shared one, 404 for another's."""
    found = one(ranges_seen_by(person), pk=pk)
    if found.owner_id != person.pk:
        raise PermissionDenied
    found.owner = person  # the same object, so that what is counted on it is seen at once
    return found


def _deleted(found: QuerySet[Found]) -> QuerySet[Found]:
    return found.filter(deleted__isnull=False).order_by("-deleted", "-id")


def _somebody(person: Person) -> Person:
    if not person.is_authenticated:
        raise PermissionDenied
    return person
