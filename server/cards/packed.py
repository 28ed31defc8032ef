"""How is a state of a card stored compactly? As JSON, compressed to less than a twentieth.

``usual.json`` is a card with what cards are usually said with; what is compressed refers to it, so it is
never changed: what was stored by it could not be read again. What was stored without it can be.
"""

import json
import zlib
from pathlib import Path
from typing import Any

from django.db import models

_USUAL = (Path(__file__).parent / "usual.json").read_bytes()


class PackedJSONField(models.BinaryField):
    """A JSON document, compressed."""

    def get_db_prep_value(self, value: Any, connection: Any, prepared: bool = False) -> Any:
        """The document as it is stored."""
        packing = zlib.compressobj(zdict=_USUAL)
        packed = packing.compress(json.dumps(value, separators=(",", ":")).encode()) + packing.flush()
        return super().get_db_prep_value(packed, connection, prepared)

    def from_db_value(self, value: bytes, *given: Any) -> Any:
        """The document as it was given."""
        return json.loads(zlib.decompressobj(zdict=_USUAL).decompress(value))
