"""Answers that tell their progress: one JSON object a line, the last of them the result."""

import json
import logging
from collections.abc import Generator, Iterator
from typing import Any, TypeVar

from django.http import StreamingHttpResponse

from server import errors
from server.told.encoder import Encoder
from server.told.made import Streamed

Result = TypeVar("Result")
log = logging.getLogger(__name__)
MEDIA_TYPE = "application/x-ndjson"
# A proxy in front is not to gather the lines.
_AT_ONCE = {"Cache-Control": "no-store", "X-Accel-Buffering": "no"}


def progress(lines: Iterator[Streamed]) -> StreamingHttpResponse:
    """The lines as they come; what is raised midway becomes a last line ``{"error": …}``."""
    return StreamingHttpResponse(_told(lines), content_type=MEDIA_TYPE, headers=_AT_ONCE)


def finished(steps: Generator[Any, None, Result]) -> Result:
    """What steps that tell their progress come to, for who does not follow it."""
    while True:
        try:
            next(steps)
        except StopIteration as end:
            result: Result = end.value
            return result


def _told(lines: Iterator[Streamed]) -> Iterator[bytes]:
    try:
        for line in lines:
            yield _line(line)
    except Exception as error:
        answer = errors.answer(error, {})
        if answer is None:
            log.exception("broke while telling its progress")
            told = errors.body("server_error", errors.BROKE)
        else:
            told = answer.data
        yield _line({"error": told})


def _line(line: Any) -> bytes:
    return json.dumps(line, cls=Encoder).encode() + b"\n"
