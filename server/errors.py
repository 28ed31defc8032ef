"""One format for everything that goes wrong: a code, a sentence, the places."""

import logging
import sys
from collections.abc import Iterator
from dataclasses import asdict
from typing import Any

from django.core.exceptions import PermissionDenied
from django.http import Http404, HttpRequest, JsonResponse
from rest_framework import exceptions, status
from rest_framework.response import Response
from rest_framework.views import set_rollback

from jindle_core.errors import BadInput, Problem
from server.away import RETRY_AFTER, SENTENCES, STATUSES, away
from server.told.encoder import as_json
from server.told.error import Error
from server.told.error import Problem as ProblemTold

log = logging.getLogger(__name__)

_SENTENCES = {
    "not_authenticated": "Sign in first.",
    "permission_denied": "That is not yours to change.",
    "not_found": "There is nothing here under that address.",
    "parse_error": "The request is not well-formed JSON.",
    "method_not_allowed": "That cannot be done at this address.",
    "unsupported_media_type": "Send JSON, or a form with a file.",
}
BROKE = "Something broke here. Nothing was changed; try again, and tell us if it stays."


class Stale(exceptions.APIException):
    """Somebody, in another window perhaps, changed it since it was read."""

    status_code = status.HTTP_409_CONFLICT
    default_code = "stale"
    default_detail = (
        "This card was changed in another window since you opened it. Your change was not "
        "saved; the newest state is loaded, so make it again if you still want it."
    )


class StaleWork(Stale):
    """The work on a card went on, on another device perhaps, since it was read."""

    default_detail = (
        "Another window or device was quicker: the work on this card has gone on since. What you pressed "
        "was not taken; the newest state is shown, so press again if you still want it."
    )


class StaleRecord(Stale):
    """What was said of something made was changed in another window since it was read."""

    default_detail = (
        "What you say of this was changed in another window since you opened it. Yours was not saved; "
        "the newest is loaded, so make your change again if you still want it."
    )


class StaleSet(Stale):
    """Which cards a set has was changed in another window since it was read."""

    default_detail = (
        "This set was changed in another window since you opened it. Yours was not saved; the newest is "
        "loaded, so make your change again if you still want it."
    )


class CannotBeShown(exceptions.APIException):
    """A stored card that cannot be worked out; it can be brought back to an earlier state, or deleted."""

    status_code = status.HTTP_422_UNPROCESSABLE_ENTITY
    default_code = "cannot_be_shown"

    def __init__(self, why: Exception) -> None:
        known = isinstance(why, BadInput)
        self.reason = str(why).rstrip(".") if known else f"it is not as it was written ({why!r})"
        super().__init__(f"This card cannot be shown: {self.reason}")


def body(code: str, message: str, problems: tuple[Problem, ...] = ()) -> Error:
    """An error in the one format."""
    return Error(code=code, message=message, problems=[ProblemTold(**asdict(one)) for one in problems])


def answer(error: Exception, context: dict) -> Response | None:
    """REST framework's exception handler: every error in the one format."""
    if STATUSES.get(away(error) or "") != 503:
        set_rollback()
    if isinstance(error, BadInput):
        return Response(body("bad_input", _gist(error.problems), error.problems), status=400)
    if isinstance(error, Http404):
        error = exceptions.NotFound()
    elif isinstance(error, PermissionDenied):
        error = exceptions.PermissionDenied()
    if isinstance(error, exceptions.ValidationError):
        problems = tuple(_flatten(error.detail))
        return Response(body("bad_input", _gist(problems), problems), status=400)
    if code := away(error):
        log.info("the database is away or full: %r", error)
        return Response(body(code, SENTENCES[code]), STATUSES[code], headers=_again(code))
    if isinstance(error, exceptions.APIException):
        code = error.default_code
        if isinstance(error, exceptions.NotAuthenticated):
            error.status_code = status.HTTP_401_UNAUTHORIZED
        return Response(body(code, _SENTENCES.get(code, str(error.detail))), status=error.status_code)
    return None


def _again(code: str) -> dict[str, str]:
    return {"Retry-After": str(RETRY_AFTER)} if STATUSES[code] == 503 else {}


def _gist(problems: tuple[Problem, ...]) -> str:
    more = f" And {len(problems) - 1} more." if len(problems) > 1 else ""
    return problems[0].message + more


def _flatten(detail: Any, field: str = "") -> Iterator[Problem]:
    if isinstance(detail, dict):
        for name, inner in detail.items():
            known = "" if name == "non_field_errors" else str(name)
            yield from _flatten(inner, ".".join(part for part in (field, known) if part))
    elif isinstance(detail, list):
        for inner in detail:
            yield from _flatten(inner, field)
    else:
        yield Problem(f"{field}: {detail}" if field else str(detail), field=field)


def not_found(request: HttpRequest, exception: Exception) -> JsonResponse:
    """The answer to whatever does not exist outside the API's own views."""
    return JsonResponse(as_json(body("not_found", _SENTENCES["not_found"])), status=404)


def bad_request(request: HttpRequest, exception: Exception) -> JsonResponse:
    """The answer to what no view is asked: too many fields, a header that cannot be."""
    words = "The request is not one that can be read: too many values, or a header that is none."
    return JsonResponse(as_json(body("bad_request", words)), status=400)


def unknown_address(request: HttpRequest) -> JsonResponse:
    """The answer to an address under /api/ that means nothing."""
    return not_found(request, Http404())


def server_error(request: HttpRequest) -> JsonResponse:
    """The answer where something broke; what broke is in the server's log."""
    if code := away(sys.exc_info()[1]):
        told = body(code, SENTENCES[code])
        return JsonResponse(as_json(told), status=STATUSES[code], headers=_again(code))
    return JsonResponse(as_json(body("server_error", BROKE)), status=500)


def locked_out(request: HttpRequest, *args: Any) -> JsonResponse:
    """The answer to whoever tried too many wrong passwords."""
    message = "Too many tries with a wrong password. Wait a few minutes, then try again."
    return JsonResponse(as_json(body("too_many_tries", message)), status=429)
