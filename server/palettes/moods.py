"""Seasons and places: ours, and a person's own."""

from jindle_core.card.changes.palette import checked_name
from jindle_core.palettes.moods import MOODS, Mood
from jindle_core.stored import plain, structured
from server.access import moods_of
from server.accounts.models import Person
from server.palettes.models import KeptMood
from server.quotas import check_room
from server.writes import write

OWN = "own"  # what the keys of a person's own begin with


def mood_read(kept: KeptMood) -> Mood:
    """A season or place as it was kept."""
    return structured(kept.stored | {"key": f"{OWN}:{kept.pk}", "title": kept.name}, Mood, "mood")


@write
def keep_mood(owner: Person, mood: Mood) -> KeptMood:
    """Keep a season or place of one's own."""
    check_room(owner, "moods")
    return KeptMood.objects.create(owner=owner, name=checked_name(mood.title, "title"), stored=plain(mood))


def every_mood(person: Person) -> list[Mood]:
    """A person's own, then ours."""
    return [*map(mood_read, moods_of(person)), *MOODS]
