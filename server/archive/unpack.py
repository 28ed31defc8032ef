"""Bringing an archive back into an empty account."""

import json
import shutil
from collections.abc import Iterator, Mapping
from dataclasses import replace
from datetime import UTC, date, datetime
from math import isfinite
from pathlib import Path
from tempfile import TemporaryDirectory
from typing import IO, Any

from django.db import DataError, IntegrityError
from django.utils import timezone

from jindle_core import figures
from jindle_core.card.changes.palette import AddColour, checked_name
from jindle_core.card.sound import sound
from jindle_core.card.stored import card_from_json, card_to_json
from jindle_core.card.whole import Anchor
from jindle_core.errors import BadInput, Problem
from jindle_core.interchange.range_json import read_range_json
from jindle_core.lengths import TICKS
from jindle_core.line_art.drawing import drawing_from_json
from jindle_core.palettes.moods import Mood
from jindle_core.palettes.role import Role
from jindle_core.planning.instead import UsedInstead
from jindle_core.planning.pace import Taken
from jindle_core.planning.recipe import Recipe
from jindle_core.planning.task import Work
from jindle_core.stored import structured
from jindle_core.supplies.whole import Supplies
from jindle_core.travelling.recipe_file import told_from_json
from server.access import (
    cards_of,
    colours_seen_by,
    combinations_seen_by,
    drawer_of,
    drawings_seen_by,
    kept_families_of,
    moods_of,
    papers_seen_by,
    ranges_of,
    ranges_seen_by,
    readings_of,
    records_of,
    sets_of,
    training_answers_of,
    training_sheets_of,
)
from server.accounts.models import EYES, SURROUNDS, UNITS, Person
from server.archive.history import whole
from server.archive.pack import FORMAT, NOT_AS_WRITTEN, VERSION
from server.archive.references import Turns, in_plan, named
from server.archive.zipped import PHOTOS, PICTURES, unzipped
from server.cards.held import checked_card
from server.cards.models import CardWork, Revision, StoredCard
from server.cards.planning.actions import keep_taken, read_work, written
from server.cards.views import card_told
from server.catalogue.arrays import read_catalogue
from server.catalogue.drawer_actions import keep, set_asked
from server.catalogue.models import (
    FULLNESS_CHOICES,
    HAND_CHOICES,
    LAYERS_LIMIT,
    MEDIUM_CHOICES,
    PROVENANCE_CHOICES,
    Range,
)
from server.catalogue.range_actions import RangeDetails, put_away, store_range
from server.catalogue.reading_actions import Laid, Value, add_readings
from server.catalogue.strips import check_strip, set_strip
from server.colouring.actions import keep_family, store_drawing
from server.colouring.models import Drawing
from server.guarded import guarded
from server.palettes.actions import keep_combination
from server.palettes.moods import keep_mood
from server.papers.actions import checked_width
from server.papers.models import Paper
from server.quotas import check_all, largest_archive, refuse_in_demo
from server.records.actions import Made, Said, keep_record
from server.records.models import MOST_PHOTOS, MadeTogether
from server.sets.actions import make_set
from server.training.archived import bring_training
from server.writes import write
from standins.reader import SimulatedReader

_SECONDS = 30  # of computing, to unpack a small archive
_EACH_SECOND = 1_000_000  # bytes: a photo is made anew five to ten times as fast
# What reading a file raises that is not as it was written.
_BROKEN = (*NOT_AS_WRITTEN, RecursionError, OverflowError, DataError, IntegrityError)


class _Unzipped(Mapping[str, bytes]):
    """The files of an archive by their names: each is read when it is asked for."""

    def __init__(self, folder: str, names: list[str]) -> None:
        self._places = {name: Path(folder, str(number)) for number, name in enumerate(names)}

    def __getitem__(self, name: str) -> bytes:
        return self._places[name].read_bytes()

    def __iter__(self) -> Iterator[str]:
        return iter(self._places)

    def __len__(self) -> int:
        return len(self._places)


def unpack(person: Person, archive: IO[bytes]) -> dict[str, int]:
    """Store everything of an archive, or nothing; says how much of each.

    Raises BadInput for what is no archive of ours, and where the account has
    something in it already.
    """
    refuse_in_demo(person, "bring an archive")
    with TemporaryDirectory() as folder:
        packed = Path(folder, "packed")
        with packed.open("wb") as out:
            shutil.copyfileobj(archive, out)
        told = (str(packed), folder, largest_archive(person))
        names = guarded(unzipped, told, _SECONDS + packed.stat().st_size // _EACH_SECOND)
        packed.unlink()
        return _checked(person, _Unzipped(folder, names))


def _checked(person: Person, files: Mapping[str, bytes]) -> dict[str, int]:
    about = _read(files, "about.json")
    if not isinstance(about, dict) or about.get("format") != FORMAT:
        raise BadInput(
            Problem("This is no Jindle archive.", field="file", expected="a .zip from “Take out everything”")
        )
    if about.get("version") not in range(1, VERSION + 1):
        told = f"The archive has version {about.get('version')!r:.20}; this reads up to {VERSION}."
        raise BadInput(Problem(told, field="file"))
    return _unpacked(person, files, about)


@write
def _unpacked(person: Person, files: Mapping[str, bytes], about: dict) -> dict[str, int]:
    if any(
        found.exists()
        for found in (
            ranges_of(person),
            drawer_of(person),
            cards_of(person),
            readings_of(person),
            combinations_seen_by(person).filter(owner=person),
            drawings_seen_by(person).filter(owner=person),
            kept_families_of(person),
            records_of(person),
            moods_of(person),
            sets_of(person),
            training_answers_of(person),
            training_sheets_of(person),
        )
    ):
        raise BadInput(
            Problem(
                "This account is not empty. Bring an archive into a new account: nothing is mixed up so.",
                field="file",
            )
        )
    made = _Unpacking(person, files).run(about)
    check_all(person)
    return made


def _read(files: Mapping[str, bytes], name: str) -> Any:
    try:
        return json.loads(files[name])
    except KeyError:
        raise BadInput(Problem(f"The archive has no {name}.", field="file")) from None
    except (ValueError, RecursionError):
        raise BadInput(Problem(f"{name} in the archive is not well-formed JSON.", field="file")) from None


class _Unpacking:
    """One archive on its way into one account."""

    def __init__(self, person: Person, files: Mapping[str, bytes]) -> None:
        self.person = person
        self.files = files
        self.own: dict[str, Range] = {}
        self.ids: dict[tuple[str, str], int] = {}
        self.ranges: dict[str, int] = {}
        self.drawings: dict[str, int] = {}
        self.sheets: dict[str, int] = {}
        self.cards: dict[str, int] = {}
        self.together: dict[int, MadeTogether] = {}
        self.catalogue: Supplies | None = None

    def run(self, about: dict) -> dict[str, int]:
        at = "about.json"
        try:
            self._settings(about["settings"])
            counts = {"ranges": 0}
            for at in self._named("ranges/"):
                self._range(at)
                counts["ranges"] += 1
            own = {found.pk: name for name, found in self.own.items()}
            for pk, range_id, name, key in colours_seen_by(self.person).values_list(
                "id", "range_id", "range__name", "key"
            ):
                self.ids[named(range_id, name, own), key] = pk
                self.ranges[named(range_id, name, own)] = range_id
            counts["ranges"] -= self._gone(about.get("gone", []))
            names = about.get("put_away", [])
            shared = ranges_seen_by(self.person).filter(owner=None, name__in=names)
            put_away(self.person, list(shared.values_list("pk", flat=True)), away=True)
            at = "papers.json"
            counts["papers"] = self._papers(_read(self.files, at))
            at = "drawer.json"
            counts["drawer"] = self._drawer(_read(self.files, at))
            at = "asked for.json"
            set_asked(self.person, [self._colour(one) for one in self._later(at)], True)
            at = "strip.json"
            self._strip(self._later(at))
            at = "readings.json"
            counts["readings"] = self._readings(_read(self.files, at))
            at = "combinations.json"
            counts["combinations"] = self._combinations(self._later(at))
            at = "drawings.json"
            counts["drawings"] = self._drawings(self._later(at))
            at = "families.json"
            counts["families"] = self._families(self._later(at))
            at = "times.json"
            self._times(self._later(at))
            counts["cards"] = 0
            for at in self._named("cards/"):
                self.cards[at] = self._card(_read(self.files, at)).pk
                counts["cards"] += 1
            at = "moods.json"
            counts["moods"] = self._moods(self._later(at))
            at = "sets.json"
            counts["sets"] = self._sets(self._later(at))
            at = "training.json"
            counts["answers"] = self._training(at)
            counts["records"] = 0
            for at in self._named("records/"):
                self._record(_read(self.files, at))
                counts["records"] += 1
        except BadInput as error:
            told = (replace(one, message=f"{at} in the archive: {one.message}") for one in error.problems)
            raise BadInput(*told) from None
        except _BROKEN as error:
            raise BadInput(
                Problem(f"{at} in the archive is not as it was written ({error!r}).", field="file")
            ) from None
        return counts

    def _later(self, name: str) -> list:
        """The lines of a file that archives from before there was such a thing lack."""
        return _read(self.files, name) if name in self.files else []

    def _named(self, folder: str) -> list[str]:
        return sorted(
            (name for name in self.files if name.startswith(folder) and name.endswith(".json")),
            key=lambda name: (len(name), name),
        )

    def _settings(self, settings: dict) -> None:
        known: dict[str, Any] = {"units": dict(UNITS), "surround": dict(SURROUNDS)}
        known |= dict.fromkeys(
            ("only_owned", "dark_first", "figures", "value_only", "stand_ins"), (True, False)
        )
        known["eyes"] = dict(EYES)
        for name, allowed in known.items():
            if name in settings:  # an older archive has fewer
                setattr(self.person, name, _among(settings[name], allowed))
        self.person.save(update_fields=list(known))

    def _range(self, name: str) -> None:
        details, file = read_range_json(self.files[name])
        medium = _among(details["medium"], dict(MEDIUM_CHOICES))
        stored = store_range(self.person, RangeDetails(**details | {"medium": medium}), file)
        self.own[name.removeprefix("ranges/").removesuffix(".json")] = stored

    def _gone(self, names: list) -> int:
        gone = [self.own[name].pk for name in set(names)]
        return Range.objects.filter(pk__in=gone).update(gone=True)

    def _papers(self, lines: list) -> int:
        for shared in papers_seen_by(self.person).select_related("range").defer("picture"):
            self.sheets[named(shared.pk, f"{shared.range.name}: {shared.title}", {})] = shared.pk
        for number, one in enumerate(lines, start=1):
            # Those under this name were looked at when they were unpacked.
            picture = self.files[PICTURES + one["picture"].removeprefix(PICTURES)]
            stored = Paper.objects.create(
                owner=self.person,
                range=self.own[one["range"]],
                title=checked_name(one["title"], "title")[:120],
                picture=picture,
                mime="image/jpeg",
                width_mm=checked_width(one.get("width")),
                simulated=_among(one.get("simulated", False), (True, False)),
                **_shelved(one),
            )
            self.sheets[f"own {number}"] = stored.pk
        return len(lines)

    def _colour(self, reference: list) -> int:
        """The colour's id; BadInput where this Jindle has no such shared range or colour."""
        found = self.ids.get(tuple(reference))
        if found is None:
            told = " ".join(map(str, reference))[:120]
            raise BadInput(Problem(f"The archive speaks of a colour that is not here: {told}.", field="file"))
        return found

    def _drawer(self, lines: list) -> int:
        fullness = dict(FULLNESS_CHOICES)
        keep(
            self.person,
            [
                (self._colour(one["colour"]), _among(one["full"], fullness), str(one["note"])[:200])
                for one in lines
            ],
        )
        return len(lines)

    def _readings(self, lines: list) -> int:
        sides = ("colour", "paper", "below")  # earlier archives have nothing below
        wanted = {self._colour(one[side]) for one in lines for side in sides if one.get(side)}
        colours = colours_seen_by(self.person).in_bulk(wanted)
        for one in lines:
            lightness, a, b = map(float, one["lab"])
            value = Value(
                (lightness, a, b),
                _among(one["provenance"], dict(PROVENANCE_CHOICES)),
                str(one["taken_with"])[:120],
                None if one["reflectance"] is None else [float(value) for value in one["reflectance"]],
                _among(one.get("simulated", one["taken_with"] == SimulatedReader.name), (True, False)),
            )
            paper, below = (
                colours[self._colour(one[side])] if one.get(side) else None for side in ("paper", "below")
            )
            laid = Laid(
                date.fromisoformat(one["taken"]),
                _among(one["layers"], range(1, LAYERS_LIMIT + 1)),
                _among(one["hand"], dict(HAND_CHOICES)),
                paper,
                str(one["note"])[:200],
                below,
            )
            add_readings(self.person, [(colours[self._colour(one["colour"])], value)], laid)
        return len(lines)

    def _combinations(self, lines: list) -> int:
        for one in lines:
            colours = []
            for colour in one["colours"]:
                lightness, a, b = map(float, colour["lab"])
                provenance = _among(colour["provenance"], dict(PROVENANCE_CHOICES))
                anchor = Anchor(None, (lightness, a, b), provenance)
                colours.append(AddColour(anchor, colour["name"], Role(colour["role"])))
            keep_combination(self.person, one["name"], colours)
        return len(lines)

    def _record(self, told: dict) -> None:
        instead = tuple(structured(one, UsedInstead, "instead") for one in told["instead"])
        words = {name: str(told[name]) for name in ("occasion", "person", "went_well", "to_change")}
        said = Said(date.fromisoformat(told["made"]), _whole(told["count"]), **words, instead=instead)
        recipes = {unit: structured(told["recipes"][unit], Recipe, "recipe") for unit in TICKS}
        times = [{"words": str(one["words"]), "minutes": _minutes(one["minutes"])} for one in told["times"]]
        # Those under these names were looked at when they were unpacked.
        photos = [self.files[PHOTOS + name.removeprefix(PHOTOS)] for name in told["photos"][:MOST_PHOTOS]]
        picture = told["picture"] and self.files[PHOTOS + told["picture"].removeprefix(PHOTOS)]
        made = Made(
            checked_name(told["name"]), told_from_json(told["stored"]), recipes, times, picture, photos
        )
        together = None
        if of := told.get("together"):  # an older archive tells of none
            together = self.together.setdefault(
                _whole(of["number"]), MadeTogether(owner=self.person, name=checked_name(of["name"]))
            )
            if together.pk is None:
                together.save()
        key = self.cards.get(told["card"] or "")
        card = None if key is None else cards_of(self.person).only("pk").get(pk=key)
        keep_record(self.person, card, said, made, together)

    def _strip(self, lines: list) -> None:
        strip = [self._colour(one) for one in lines]
        check_strip(read_catalogue(self.person), strip)
        set_strip(self.person, strip)

    def _training(self, at: str) -> int:
        if at not in self.files:  # earlier archives have none
            return 0
        return bring_training(self.person, _read(self.files, at), lambda one: self.ids.get(tuple(one)))

    def _moods(self, lines: list) -> int:
        for one in lines:
            keep_mood(self.person, replace(structured(one["mood"], Mood, "mood"), title=one["name"]))
        return len(lines)

    def _sets(self, lines: list) -> int:
        for one in lines:
            cards = {self.cards[each["card"]]: _whole(each["count"]) for each in one["cards"]}
            # All its cards may be deleted by now: it is kept, for others can be put into it.
            made = make_set(self.person, one["name"], cards)
            if one["work"] is not None:
                made.keep_work(1, written(read_work(one["work"], 1)))
        return len(lines)

    def _card(self, told: dict) -> StoredCard:
        history = told["history"]
        head = _among(told["head"], [one["number"] for one in history])
        states = [self._plan(plan) for plan in whole(history)]
        near = range(head - figures.palettes.UNDO_LIMIT, head + figures.palettes.UNDO_LIMIT + 1)
        card = StoredCard(owner=self.person, stored=self._plan(told["plan"]), head=head, **_shelved(told))
        card.save()
        Revision.objects.bulk_create(
            [
                Revision(card=card, number=one["number"], label=str(one["label"])[:80], stored=stored)
                for one, stored in zip(history, states, strict=True)
                if _among(type(one["number"]), (int,)) and one["number"] in near
            ],
            batch_size=100,
        )
        self.catalogue = self.catalogue or read_catalogue(self.person)
        card_told(card, checked_card(card, self.catalogue, self.person), self.person, {})
        if told.get("work") is not None:
            CardWork.objects.create(card=card, version=1, stored=written(read_work(told["work"], 1)))
        return card

    def _drawings(self, lines: list) -> int:
        for one in drawings_seen_by(self.person):
            self.drawings[named(one.pk, one.name, {})] = one.pk
        for one in lines:
            drawing = drawing_from_json(one["drawing"])
            stored = store_drawing(self.person, one["name"], drawing)
            Drawing.objects.filter(pk=stored.pk).update(**_shelved(one))
            self.drawings[one["id"]] = stored.pk
        return len(lines)

    def _families(self, lines: list) -> int:
        for one in lines:
            keep_family(self.person, one["name"], [self._colour(tone) for tone in one["colours"]])
        return len(lines)

    def _times(self, lines: list) -> None:
        taken = [Taken(Work(one["work"]), _minutes(one["usual"]), _minutes(one["took"])) for one in lines]
        at = [datetime.fromisoformat(one["at"]).astimezone(UTC) for one in lines]
        keep_taken(self.person, list(zip(taken, at, strict=True)))

    def _plan(self, told: dict) -> dict:
        plan = in_plan(told, Turns(self._colour, self.ranges.get, self.drawings.get, self.sheets.get))
        return card_to_json(sound(card_from_json(plan)))


def _shelved(told: dict) -> dict[str, Any]:
    """Since when it is put by or deleted: since now. Earlier archives say nothing of it."""
    now = timezone.now()
    return {name: now if told.get(name) is True else None for name in ("put_by", "deleted")}


def _whole(value: Any) -> int:
    if type(value) is not int:
        raise ValueError(f"{value!r:.40} is no whole number")
    return value


def _minutes(value: Any) -> float:
    if not isfinite(value):
        raise ValueError(f"{value!r:.40} is no number of minutes")
    return float(value)


def _among(value: Any, allowed: Any) -> Any:
    if value not in allowed:
        raise ValueError(f"{value!r} is not known")
    return value
