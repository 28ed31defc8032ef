"""The demo data: shared ranges, papers and drawings, and the studio that everybody may open."""

import csv
import json
from dataclasses import replace
from pathlib import Path
from typing import Any

from django.db import transaction
from django.utils import timezone

from jindle_core.card.changes.palette import AddColour
from jindle_core.card.whole import Anchor, Card
from jindle_core.checked.shading import proposed
from jindle_core.colorimetry.spaces import as_lab
from jindle_core.errors import BadInput, Problem
from jindle_core.interchange.drawer_csv import read_drawer
from jindle_core.interchange.entries import RangeFile
from jindle_core.interchange.range_csv import read_range
from jindle_core.interchange.range_json import DETAILS
from jindle_core.line_art.svg import read_svg
from jindle_core.palettes.role import Role
from jindle_core.patterned.sheet import Sheet
from jindle_core.seen.whole import SeenCard
from jindle_core.supplies.whole import Supplies
from server.access import (
    asked_for_by,
    cards_of,
    combinations_seen_by,
    deleted_cards_of,
    deleted_drawings_of,
    deleted_papers_of,
    drawer_of,
    drawings_seen_by,
    gone_ranges_of,
    kept_families_of,
    moods_of,
    own_drawings_of,
    own_papers_of,
    papers_seen_by,
    put_away_by,
    ranges_of,
    readings_of,
    records_of,
    sets_of,
    shared_recipes_of,
    steps_taken_by,
    strip_of,
    training_answers_of,
    training_missed_of,
    training_sheets_of,
)
from server.accounts.models import PREFERENCES, Person
from server.cards.actions import keep_card
from server.cards.changes import read_change
from server.cards.models import StoredCard
from server.cards.serializers import SizeRequestSerializer
from server.cards.sheets import sheets_seen
from server.catalogue.arrays import read_catalogue
from server.catalogue.drawer_actions import keep
from server.catalogue.models import Colour, Range, touch_catalogue
from server.catalogue.range_actions import RangeDetails, store_range
from server.catalogue.reading_actions import keep_reader_state
from server.colouring.actions import keep_family, store_drawing
from server.colouring.models import Drawing
from server.palettes.actions import keep_combination
from server.palettes.models import Combination
from server.papers.models import Paper
from server.records.models import MadeTogether
from server.writes import write
from standins.device import State

DEMO_NAME = "The demo studio"
DATA = Path(__file__).resolve().parents[2] / "demo" / "data"


@transaction.atomic
def load() -> bool:
    """Load everything or nothing, once; False where the studio is there. What is new of everybody's comes."""
    _shared()
    if Person.objects.filter(name=DEMO_NAME).exists():
        return False
    _furnish(Person.objects.create_user(DEMO_NAME))
    return True


def _shared() -> None:
    """The ranges, papers, drawings and combinations of everybody's that are not there yet."""
    there = set(Range.objects.filter(owner=None).values_list("name", flat=True))
    for about in json.loads((DATA / "ranges.json").read_text()):
        if about["name"] not in there:
            content = (DATA / "ranges" / f"{about['slug']}.csv").read_bytes()
            fields = {name: about[name] for name in DETAILS if name in about}
            store_range(None, RangeDetails(**fields), _with_spectra(read_range(content), about["slug"]))
    _papers()
    _drawings()
    _combinations()


@write
def set_back(studio: Person) -> None:
    """The studio as it was at first; who is in it stays in it."""
    for theirs in (
        cards_of(studio) | deleted_cards_of(studio),
        readings_of(studio),
        own_papers_of(studio) | deleted_papers_of(studio),
        ranges_of(studio) | gone_ranges_of(studio),
        drawer_of(studio),
        combinations_seen_by(studio).filter(owner=studio),
        own_drawings_of(studio) | deleted_drawings_of(studio),
        kept_families_of(studio),
        records_of(studio),
        MadeTogether.objects.filter(owner=studio),
        sets_of(studio),
        moods_of(studio),
        put_away_by(studio),
        asked_for_by(studio),
        strip_of(studio),
        shared_recipes_of(studio),
        steps_taken_by(studio),
        training_answers_of(studio),
        training_missed_of(studio),
        training_sheets_of(studio),
    ):
        theirs.delete()
    keep_reader_state(studio, State())
    for name in PREFERENCES:
        setattr(studio, name, getattr(Person._meta.get_field(name), "default"))  # noqa: B009 (not every field has one)
    studio.created = timezone.now()
    studio.save()
    touch_catalogue(studio)
    _furnish(studio)


def opened() -> Person | None:
    """The studio for somebody who comes in; the first of a day (UTC) finds it as it was at first."""
    studio = Person.objects.filter(name=DEMO_NAME).first()
    if studio is not None and _of_yesterday(studio):
        _set_back_once(studio)
    return studio


def _of_yesterday(studio: Person) -> bool:
    return studio.created.date() < timezone.now().date()


@write
def _set_back_once(studio: Person) -> None:
    """Of several who come in at once only the first does it."""
    studio.refresh_from_db()
    if _of_yesterday(studio):
        set_back(studio)


def _furnish(studio: Person) -> None:
    """Its drawer, its cards, a family that was kept, and the devices that are made up."""
    studio.stand_ins = True
    studio.save(update_fields=["stand_ins"])
    ids = _ids()
    lines = read_drawer((DATA / "drawer.csv").read_bytes())
    keep(studio, [(ids[line.range, line.colour], line.kept) for line in lines])
    stories = _stories(studio, owned=True)
    for story in json.loads((DATA / "cards.json").read_text()):
        keep_card(studio, stories.card(story))
    keep_family(studio, "river green", [ids["Wherry", key] for key in ("REED-2", "REED-4", "REED-6")])


def example_names() -> list[str]:
    """What the finished cards that can be copied are called; none without what they are made of."""
    if not Colour.objects.filter(range__owner=None).exists():
        return []
    return [story["name"] for story in json.loads((DATA / "cards.json").read_text())]


def keep_example(owner: Person, name: str) -> StoredCard:
    """Make one of the finished cards for somebody; BadInput where there is none so called."""
    stories = json.loads((DATA / "cards.json").read_text())
    story = next((one for one in stories if one["name"] == name), None)
    if story is None or name not in example_names():
        raise BadInput(Problem(f"There is no example “{name}”.", field="name", value=name))
    return keep_card(owner, _stories(owner, owned=False).card(story))


def _ids() -> dict[tuple[str, str], int]:
    """The shared colours by the names of their ranges and their keys."""
    told = Colour.objects.filter(range__owner=None).values_list("range__name", "key", "pk")
    return {(name, key): pk for name, key, pk in told}


def _stories(person: Person, owned: bool) -> "_Story":
    """How cards come about for somebody, with families out of their drawer or of all there is."""
    supplies = read_catalogue(person)
    shared = papers_seen_by(person).filter(owner=None).values_list("range__name", "title", "pk")
    papers = {(name, title): pk for name, title, pk in shared}
    sheets = sheets_seen(supplies, person, papers.values())
    drawings = {one.name: one for one in drawings_seen_by(person).filter(owner=None)}
    return _Story(person, supplies, drawings, sheets, _ids() | papers, owned)


class _Story:
    """A card as it comes about, by changes such as people make; it is kept only at the end."""

    def __init__(
        self,
        studio: Person,
        supplies: Supplies,
        drawings: dict[str, Drawing],
        sheets: dict[int, Sheet],
        ids: dict,
        owned: bool,
    ) -> None:
        self._owned = owned
        self._studio, self._supplies, self._drawings, self._ids = studio, supplies, drawings, ids
        self._sheets = sheets

    def card(self, story: dict) -> Card:
        """The card of a story."""
        size = SizeRequestSerializer().to_internal_value(story["size"])
        lines = {one.pk: one.shapes for one in self._drawings.values()}
        card = Card(story["name"], size)
        self._seen = SeenCard(card, self._supplies, lines, sheets=self._sheets)
        for told in story["changes"]:
            anchor = told.get("anchor", {})
            named = {"anchor": {"colour": self._ids[tuple(anchor["colour"])]}} if "colour" in anchor else {}
            self._change(told | named)
        self._colour(story["pictures"])
        for told in ({"kind": "set_ground"} | story["ground"], *story.get("build", ())):
            self._change(_named(told, self._ids))
        return self._seen.card

    def _change(self, told: dict) -> None:
        self._seen = self._seen.after(read_change(told, self._supplies, self._studio))

    def _colour(self, pictures: list[dict]) -> None:
        """The card's pictures with their areas, and a family for each."""
        keys: dict[str, int] = {}
        for number, told in enumerate(pictures):
            name, like = told["name"], told.get("like")
            drawing = self._drawings[told["drawing"]].pk if like is None else None
            if number:
                like = like and keys[like]
                self._change({"kind": "add_picture", "name": name, "drawing": drawing, "like": like})
            else:
                self._change({"kind": "set_drawing", "drawing": drawing})
                first = self._seen.card.pictures[0].key
                self._change({"kind": "name_picture", "picture": first, "name": name})
            picture = self._seen.card.pictures[-1]
            keys[name] = picture.key
            areas = {area.name: area.key for area in picture.areas}
            for area, said in told["areas"].items():
                self._change({"kind": "edit_areas", "keys": [areas[area]]} | said)
            wanted = [areas[area] for area in told["areas"]]
            coloured = self._seen.picture(picture.key)
            self._seen = self._seen.after(proposed([coloured], wanted, self._owned))


def _named(told: Any, ids: dict) -> Any:
    """A ground or a piece as the story tells it, the ids of its colours looked up."""
    if isinstance(told, dict):
        return {
            name: ids[tuple(one)] if name in ("colour", "id") and isinstance(one, list) else _named(one, ids)
            for name, one in told.items()
        }
    return [_named(one, ids) for one in told] if isinstance(told, list) else told


def _drawings() -> None:
    """The shared line drawings."""
    folder = DATA / "drawings"
    there = set(Drawing.objects.filter(owner=None).values_list("name", flat=True))
    for one in json.loads((folder / "drawings.json").read_text()):
        if one["name"] not in there:
            store_drawing(None, one["name"], read_svg((folder / one["file"]).read_bytes()))


def _with_spectra(file: RangeFile, slug: str) -> RangeFile:
    """The range's file with the spectra that stand beside it, if any do."""
    path = DATA / "spectra" / f"{slug}.csv"
    if not path.exists():
        return file
    with path.open(newline="", encoding="utf-8") as lines:
        spectra = {row[0]: tuple(map(float, row[1:])) for row in list(csv.reader(lines))[1:]}
    return replace(file, entries=tuple(replace(one, reflectance=spectra[one.key]) for one in file.entries))


def _papers() -> None:
    """The drawn sheets, shared as their ranges are, with the share of each colour."""
    there = set(Paper.objects.filter(range__owner=None).values_list("range__name", "title"))
    told = json.loads((DATA / "papers.json").read_text())
    missing = [about for about in told if (about["range"], about["title"]) not in there]
    for about in missing:
        found = Range.objects.get(owner=None, name=about["range"])
        colours = list(found.colours.filter(family=about["title"]).order_by("id"))
        for colour, share in zip(colours, about["shares"], strict=True):
            colour.share = share
        Colour.objects.bulk_update(colours, ["share"])
        picture = (DATA / about["picture"]).read_bytes()
        Paper.objects.create(
            range=found,
            title=about["title"],
            picture=picture,
            mime="image/png",
            width_mm=about["width_mm"],
        )
    # Those that were loaded before there was a width have none yet.
    unmeasured = Paper.objects.filter(range__owner=None, width_mm=None)
    if missing or unmeasured.exists():
        unmeasured.update(width_mm=told[0]["width_mm"])
        touch_catalogue(None)


def _combinations() -> None:
    """The shared combinations, which are tied to no supply."""
    there = set(Combination.objects.filter(owner=None).values_list("name", flat=True))
    told = json.loads((DATA / "combinations.json").read_text())
    for about in (one for one in told if one["name"] not in there):
        colours = [
            AddColour(Anchor(None, as_lab(one["lab"]), "typed"), one["name"], Role(one["role"]))
            for one in about["colours"]
        ]
        keep_combination(None, about["name"], colours)
