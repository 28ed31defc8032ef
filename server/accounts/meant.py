"""Whom is a request meant for, where it says so: what a device kept for one person reaches no other."""

from collections.abc import Callable

from django.http import HttpRequest, HttpResponse, JsonResponse

from server import errors
from server.told.encoder import as_json

_SAID = "Another person is signed in here by now. It is kept for the one who pressed it."


class Meant:
    """Middleware: a request that names its person (X-Person) is refused where another is signed in."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self._get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        """The answer, or 403 for a person who is not meant."""
        named = request.headers.get("X-Person")
        if named is not None and named != str(request.user.pk):
            return JsonResponse(as_json(errors.body("another_person", _SAID)), status=403)
        return self._get_response(request)
