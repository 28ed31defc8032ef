"""How a person's settings travel in an archive."""

from typing import Any

from server.accounts.models import EYES, PREFERENCES, SURROUNDS, UNITS, Person
from server.parcel import Unpacking, among

_KNOWN: dict[str, Any] = dict.fromkeys(PREFERENCES, (True, False)) | {
    "units": dict(UNITS),
    "surround": dict(SURROUNDS),
    "eyes": dict(EYES),
}


def settings_told(person: Person) -> dict[str, Any]:
    """Those that go along; that the demo studio has made-up devices is nothing of whoever takes it out."""
    return {one: getattr(person, one) for one in PREFERENCES if one != "stand_ins" or not person.everybodys}


def bring_settings(parcel: Unpacking, told: dict[str, Any]) -> None:
    """Set those that an archive tells: an older one has fewer."""
    for name, allowed in _KNOWN.items():
        if name in told:
            setattr(parcel.person, name, among(told[name], allowed))
    parcel.person.save(update_fields=list(_KNOWN))
