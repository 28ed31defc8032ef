"""The stages of a card as they are told, each by itself or along with the answer to a change."""

from collections.abc import Callable
from typing import Any

from jindle_core.checked.whole import CheckedCard
from server.accounts.models import Person
from server.cards.json.build import build_told
from server.cards.json.colouring import colouring_told
from server.cards.json.ground import ground_told

_TOLD: dict[str, Callable[[CheckedCard, Person], dict[str, Any]]] = {
    "colouring": lambda checked, _: colouring_told(checked),
    "background": lambda checked, _: ground_told(checked.laid),
    "build": lambda checked, person: build_told(checked.examined, person.units),
}
STAGES_TOLD = tuple(_TOLD)


def stage_told(stage: str, checked: CheckedCard, person: Person) -> dict[str, Any]:
    """A stage as its serializer describes it."""
    return _TOLD[stage](checked, person)


def along(stage: str | None, checked: CheckedCard, person: Person) -> dict[str, Any]:
    """The stage that was asked for along with the card, and none of the others."""
    told: dict[str, Any] = dict.fromkeys(STAGES_TOLD)
    return told | {stage: stage_told(stage, checked, person)} if stage in _TOLD else told
