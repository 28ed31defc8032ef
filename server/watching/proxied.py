"""Who asks, where a proxy on this machine stands in front: the one that it names, not the proxy."""

from collections.abc import Callable

from django.conf import settings
from django.http import HttpRequest, HttpResponse

_HERE = ("127.0.0.1", "::1", "")  # the last by a socket


class Proxied:
    """Middleware; only the proxy itself is believed, and only the address that it wrote last."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self._get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        """The answer, asked by whom the proxy names."""
        if settings.BEHIND_PROXY and request.META.get("REMOTE_ADDR", "") in _HERE:
            named = request.headers.get("X-Forwarded-For", "").rpartition(",")[2].strip()
            if named:
                request.META["REMOTE_ADDR"] = named
        return self._get_response(request)
