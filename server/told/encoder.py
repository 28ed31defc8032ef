"""How is an answer sent: as JSON, whatever it holds?"""

import json
from typing import Any

from rest_framework.renderers import JSONRenderer
from rest_framework.utils.encoders import JSONEncoder

from server.told.answer import Answer


class Encoder(JSONEncoder):
    """Answers and all that they hold."""

    def default(self, obj: Any) -> Any:
        """What of an object is told in its place."""
        return obj.told() if isinstance(obj, Answer) else super().default(obj)


class Renderer(JSONRenderer):
    """The API's own."""

    encoder_class = Encoder


def as_json(answer: Any) -> Any:
    """The same in plain values, as it is stored or compared."""
    return json.loads(json.dumps(answer, cls=Encoder))
