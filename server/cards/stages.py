"""The stages of a card as they are told, each by itself or along with the answer to a change."""

from typing import Any, TypedDict

from jindle_core.checked.whole import CheckedCard
from server.accounts.models import Person
from server.cards.json.build import build_told
from server.cards.json.colouring import colouring_told
from server.cards.json.ground import ground_told
from server.told.build import Build
from server.told.colouring import Colouring
from server.told.ground import Ground

STAGES_TOLD = ("colouring", "background", "build")


class Along(TypedDict):
    """The stage that was asked for along with a card, and none of the others."""

    colouring: Colouring | None
    background: Ground | None
    build: Build | None


def along(stage: str | None, checked: CheckedCard, person: Person) -> Along:
    """The stage that was asked for along with the card, and none of the others."""
    return {
        "colouring": colouring_told(checked) if stage == "colouring" else None,
        "background": ground_told(checked.laid) if stage == "background" else None,
        "build": build_told(checked.examined, person.units) if stage == "build" else None,
    }


def stage_told(stage: str, checked: CheckedCard, person: Person) -> Any:
    """A stage by itself."""
    return along(stage, checked, person)[stage]  # type: ignore[literal-required]
