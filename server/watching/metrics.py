"""Figures for who watches over it, in the format that Prometheus reads; shown to who knows the token."""

import os
import secrets

from django.conf import settings
from django.http import Http404, HttpRequest, HttpResponse
from django.views.decorators.cache import never_cache
from prometheus_client import CONTENT_TYPE_LATEST, CollectorRegistry, Counter, Histogram, generate_latest
from prometheus_client import REGISTRY as OWN
from prometheus_client.multiprocess import MultiProcessCollector

_REQUESTS = Counter(
    "jindle_requests_total", "Requests by what was asked and how it ended", ("method", "route", "status")
)
_SECONDS = Histogram(
    "jindle_request_seconds",
    "How long requests took",
    ("route",),
    buckets=(0.01, 0.03, 0.1, 0.3, 1, 3, 10, 30),
)


def counted(method: str, route: str, status: int, seconds: float) -> None:
    """A request that was answered."""
    _REQUESTS.labels(method, route, str(status)).inc()
    _SECONDS.labels(route).observe(seconds)


@never_cache
def metrics(request: HttpRequest) -> HttpResponse:
    """All figures of all processes; to anybody without the token there is nothing here."""
    given = request.headers.get("Authorization", "").removeprefix("Bearer ")
    if not settings.METRICS_TOKEN or not secrets.compare_digest(
        given.encode(), settings.METRICS_TOKEN.encode()
    ):
        raise Http404
    registry = OWN
    if "PROMETHEUS_MULTIPROC_DIR" in os.environ:
        registry = CollectorRegistry()
        MultiProcessCollector(registry)  # type: ignore[no-untyped-call]
    return HttpResponse(generate_latest(registry), content_type=CONTENT_TYPE_LATEST)
