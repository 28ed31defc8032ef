"""How often does one answer with a whole card cross the line between server and core?

Counted, not timed: every call that code of ``server`` makes into ``jindle_core``,
whatever lies between them, while a card of the demo studio is worked out and told.
"""

import os
import sys
from pathlib import Path
from types import FrameType
from typing import Any

from bench.visitor import Row

_ROOT = Path(__file__).resolve().parent.parent
_ZONES = {str(_ROOT / name) + os.sep: name for name in ("server", "jindle_core")}


class Crossings:
    """Counts calls from server into core, and from core into server, while it is entered."""

    def __init__(self) -> None:
        self.down: list[str] = []
        self.up: list[str] = []
        self._zones: list[str] = [""]

    def __enter__(self) -> "Crossings":
        sys.setprofile(self._seen)
        return self

    def __exit__(self, *_: object) -> None:
        sys.setprofile(None)

    def _seen(self, frame: FrameType, event: str, _: Any) -> None:
        if event == "call":
            path, before = frame.f_code.co_filename, self._zones[-1]
            # What is neither, such as a library, belongs to whoever called it.
            zone = next((name for start, name in _ZONES.items() if path.startswith(start)), before)
            if (before, zone) == ("server", "jindle_core"):
                self.down.append(frame.f_code.co_name)
            elif (before, zone) == ("jindle_core", "server"):
                self.up.append(frame.f_code.co_name)
            self._zones.append(zone)
        elif event == "return" and len(self._zones) > 1:
            self._zones.pop()


def crossing_rows(pk: int, wanted: int = 12) -> list[Row]:
    """A row: the card with a key, worked out anew in this process and told."""
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "server.settings")
    import django  # noqa: PLC0415 (the rest of the bench needs no framework)

    django.setup()
    from server.cards import views  # noqa: PLC0415
    from server.cards.models import StoredCard  # noqa: PLC0415
    from server.catalogue.arrays import catalogue_for  # noqa: PLC0415

    card = StoredCard.objects.get(pk=pk)
    supplies = catalogue_for(card.owner)
    with Crossings() as found:
        told = views.whole_card(card, supplies, card.owner)
    return [
        (
            f"Calls from server into core for one card with {len(told['checks'])} checks; back up",
            f"≤ {wanted}; 0",
            f"{len(found.down)}; {len(found.up)}",
            0 < len(found.down) <= wanted and not found.up,
        )
    ]
