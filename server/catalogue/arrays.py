"""Everything a person can match against, held as arrays and kept fresh.

A request never reads a row per colour: one small query asks for the versions,
and only a change of them reads the colours again.
"""

from collections import OrderedDict
from collections.abc import Mapping
from threading import Lock

from jindle_core.fullness import Kept
from jindle_core.media.medium import Medium
from jindle_core.supplies.colours import RangeFacts, SupplyColour
from jindle_core.supplies.whole import Supplies
from server.access import drawer_of, gone_ranges_of, papers_off_shelf, put_away_by, ranges_seen_by
from server.accounts.models import Person
from server.catalogue.drawer_actions import kept_in
from server.catalogue.models import CatalogueStamp, Colour
from server.catalogue.readings import from_bytes, read_of

_KEPT = 64  # people whose arrays are held at once in one process
_NOBODY, _NOTHING_OWN = 0, 0  # no person's key; the version of who never had supplies of their own

_Key = tuple[int, int, int, int]
_held: OrderedDict[_Key, Supplies] = OrderedDict()
_holding = Lock()


def catalogue_for(person: Person) -> Supplies:
    """The shared ranges and the person's own, as they are now; one query where nothing changed."""
    key = catalogue_key(person)
    with _holding:
        if found := _held.get(key):
            _held.move_to_end(key)
            return found
        theirs = [held for held in _held if held[0] == person.pk]
        same = next((_held[held] for held in theirs if held[:-1] == key[:-1]), None)
    if same is None and person.catalogue_version == _NOTHING_OWN:
        same = _shared_alone(person, key[1])
    made = read_catalogue(person) if same is None else same.with_drawer(_drawer(person, same))
    with _holding:
        for old in [held for held in _held if held[0] == person.pk]:
            earlier = _held.pop(old)
            if earlier is not same:
                made = made.after(earlier)
        _hold(key, made)
    return made


def _shared_alone(person: Person, version: int) -> Supplies:
    """What everybody sees who has nothing of their own: read once for all of them, without a drawer."""
    key = (_NOBODY, version, _NOTHING_OWN, 0)
    with _holding:
        if found := _held.get(key):
            _held.move_to_end(key)
            return found
    made = read_catalogue(person).with_drawer({}).worked_out()
    with _holding:
        for old in [held for held in _held if held[0] == _NOBODY]:
            del _held[old]
        _hold(key, made)
    return made


def _hold(key: _Key, made: Supplies) -> None:
    _held[key] = made
    while len(_held) > _KEPT:
        _held.popitem(last=False)


def catalogue_key(person: Person) -> _Key:
    """Whose supplies, and the version of the shared ones, of their own and of their drawer."""
    shared = CatalogueStamp.objects.filter(pk=1).values_list("version", flat=True).first() or 0
    return person.pk, shared, person.catalogue_version, person.drawer_version


def forget_catalogues(but: Mapping[_Key, Supplies] | None = None) -> dict[_Key, Supplies]:
    """Hold nothing but this, and say what was held: for tests, whose roll-backs make versions come again."""
    with _holding:
        earlier = dict(_held)
        _held.clear()
        _held.update(but or {})
    return earlier


def read_catalogue(person: Person) -> Supplies:
    """The same read anew and not held: within a transaction that changes supplies and may not be kept."""
    ranges = _ranges(person)
    told = ("id", "range_id", "code", "name", "family", "provenance", "discontinued")
    kinds = (*told, "lab_l", "lab_a", "lab_b")
    stored = Colour.objects.filter(range__in=list(ranges)).order_by("id").values_list(*kinds)
    rows = tuple(SupplyColour(*row) for row in stored)
    measured = Colour.objects.filter(range__in=list(ranges), spectrum__isnull=False)
    spectra = {
        pk: spectrum
        for pk, stored in measured.values_list("id", "spectrum")
        if (spectrum := from_bytes(stored)) is not None
    }
    reads = read_of(person)
    settled = {}
    for pk, (one, read) in reads.settled.items():
        settled[pk] = one
        spectra.pop(pk, None)
        if read is not None:
            spectra[pk] = read
    printed = Colour.objects.filter(range__in=list(ranges), share__isnull=False)
    shares = {pk: share or 0.0 for pk, share in printed.values_list("id", "share")}
    sheets_off = set(papers_off_shelf(person).values_list("range", "title"))
    off = frozenset(row.id for row in rows if row.id in shares and (row.range_id, row.family) in sheets_off)
    found = Supplies(
        rows,
        ranges,
        spectra=spectra,
        settled=settled,
        swatches=reads.other,
        shares=shares,
        off=off,
    )
    return found.with_drawer(_drawer(person, found))


def _ranges(person: Person) -> dict[int, RangeFacts]:
    """All that the person sees, and those that are gone but stand in for what cards name."""
    away = set(put_away_by(person).values_list("range", flat=True))
    return {
        one.pk: RangeFacts(
            one.pk,
            one.name,
            one.maker,
            Medium(one.medium),
            one.owner_id is not None,
            one.gone,
            one.properties,
            one.pk in away,
        )
        for one in ranges_seen_by(person) | gone_ranges_of(person)
    }


def _drawer(person: Person, supplies: Supplies) -> dict[int, Kept]:
    """What the person's drawer holds of some supplies."""
    away = [key for key, facts in supplies.ranges.items() if facts.away]
    drawer = kept_in(drawer_of(person).exclude(colour__range__in=away))
    # A sheet of one's own that was photographed lies on one's shelf.
    for pk in supplies.shares.keys() - supplies.off - drawer.keys():
        if supplies.ranges[supplies.rows[supplies.places[pk]].range_id].own:
            drawer[pk] = Kept()
    return drawer
