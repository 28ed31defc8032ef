"""One line in the log for each request, with a number that the person's error message shows too.

Of a request is told what was asked for (the address as a pattern, without its numbers), how it ended and how
long it took: nothing that somebody typed, and nobody's name.
"""

import json
import logging
import re
import time
import uuid
from collections.abc import Callable
from datetime import UTC, datetime

from django.conf import settings
from django.http import HttpRequest, HttpResponse

from server.watching.metrics import counted

HEADER = "X-Request-Id"
log = logging.getLogger("jindle.request")
_GIVEN = re.compile(r"[A-Za-z0-9-]{8,64}")


class Watched:
    """The outermost middleware."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self._get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        """The answer, with its number; its line in the log, its part in the figures."""
        given = request.headers.get(HEADER, "")
        number = given if settings.BEHIND_PROXY and _GIVEN.fullmatch(given) else uuid.uuid4().hex[:16]
        begun = time.perf_counter()
        response = self._get_response(request)
        seconds = time.perf_counter() - begun
        response[HEADER] = number
        if request.path.startswith("/api/"):  # nothing of somebody's stays behind on a device that others use
            response.headers.setdefault("Cache-Control", "no-store")
        route = f"/{request.resolver_match.route}" if request.resolver_match else "other"
        counted(request.method or "", route, response.status_code, seconds)
        level = logging.WARNING if seconds > settings.SLOW or response.status_code >= 500 else logging.INFO
        told = {
            "request": number,
            "method": request.method,
            "route": route,
            "status": response.status_code,
            "ms": round(seconds * 1000, 1),
            "slow": seconds > settings.SLOW,
        }
        log.log(level, "%s %s", request.method, route, extra={"told": told})
        return response


class Lines(logging.Formatter):
    """Each record as one JSON object on a line."""

    def format(self, record: logging.LogRecord) -> str:
        """When, how bad, where, what, and what else is told of it."""
        told = {
            "at": datetime.fromtimestamp(record.created, UTC).isoformat(timespec="milliseconds"),
            "level": record.levelname,
            "logger": record.name,
            "message": record.getMessage(),
            **getattr(record, "told", {}),
        }
        if record.exc_info:
            told["trace"] = self.formatException(record.exc_info)
        return json.dumps(told, ensure_ascii=False)
