"""Addresses: the API, and the client for everything else."""

from django.conf import settings
from django.http import HttpRequest, HttpResponse
from django.urls import include, path, re_path
from django.views.decorators.cache import never_cache
from django.views.decorators.csrf import ensure_csrf_cookie

from server import errors
from server.accounts import api as accounts
from server.cards import api as cards
from server.catalogue import api as catalogue


@never_cache
@ensure_csrf_cookie
def client(request: HttpRequest) -> HttpResponse:
    """The one page of the client, whatever the address: its router reads it."""
    page = settings.CLIENT / "index.html"
    if not page.exists():
        return HttpResponse("The client is not built yet; run ./jindle demo.", status=503)
    return HttpResponse(page.read_bytes())


api = [
    path("door", accounts.Door.as_view()),
    path("sign-up", accounts.SignUp.as_view()),
    path("sign-in", accounts.SignIn.as_view()),
    path("sign-out", accounts.SignOut.as_view()),
    path("open-demo", accounts.OpenDemo.as_view()),
    path("me", accounts.Me.as_view()),
    path("find", catalogue.Find.as_view()),
    path("drawer", catalogue.Drawer.as_view()),
    path("ranges", catalogue.Ranges.as_view()),
    path("ranges/preview", catalogue.RangePreview.as_view()),
    path("ranges/<int:pk>", catalogue.OneRange.as_view()),
    path("cards", cards.Cards.as_view()),
    path("cards/<int:pk>", cards.OneCard.as_view()),
    path("cards/<int:pk>/changes", cards.CardChanges.as_view()),
    path("cards/<int:pk>/undo", cards.CardUndo.as_view()),
    path("cards/<int:pk>/redo", cards.CardRedo.as_view()),
    path("cards/<int:pk>/alternatives", cards.Alternatives.as_view()),
]
urlpatterns = [
    path("api/", include(api)),
    re_path(r"^api/.*", errors.unknown_address),
    re_path(r"^(?!static/).*", client),
]
handler404 = errors.not_found
handler500 = errors.server_error
