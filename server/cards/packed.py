"""How is a state of a card stored compactly? As JSON, compressed to about a twentieth."""

import json
import zlib
from typing import Any

from django.db import models


class PackedJSONField(models.BinaryField):
    """A JSON document, compressed."""

    def get_db_prep_value(self, value: Any, connection: Any, prepared: bool = False) -> Any:
        """The document as it is stored."""
        packed = zlib.compress(json.dumps(value, separators=(",", ":")).encode())
        return super().get_db_prep_value(packed, connection, prepared)

    def from_db_value(self, value: bytes, *given: Any) -> Any:
        """The document as it was given."""
        return json.loads(zlib.decompress(value))
