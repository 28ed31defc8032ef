"""How is JSON that comes in read? Strictly: well-formed, not too deep, and of whole characters."""

import json
from collections.abc import Mapping
from typing import Any

from rest_framework.exceptions import ParseError
from rest_framework.parsers import JSONParser


class StrictJSONParser(JSONParser):
    """JSON whose texts can all be stored and told again."""

    def parse(
        self, stream: Any, media_type: str | None = None, parser_context: Mapping[str, Any] | None = None
    ) -> Any:
        """The value, or ParseError."""
        try:
            found = super().parse(stream, media_type, parser_context)
            # Half of a surrogate pair is no character, though JSON can write it.
            json.dumps(found, ensure_ascii=False).encode()
        except (RecursionError, UnicodeEncodeError):
            raise ParseError from None
        return found
