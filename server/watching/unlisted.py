"""What is shared by a link is for who has the link: no search engine lists it."""

from collections.abc import Callable

from django.http import HttpRequest, HttpResponse

_SHARED = ("/shared/", "/api/shared/")


class Unlisted:
    """Middleware."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self._get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        """The answer, which says so to robots."""
        answer = self._get_response(request)
        if request.path.startswith(_SHARED):
            answer["X-Robots-Tag"] = "noindex, nofollow"
        return answer
