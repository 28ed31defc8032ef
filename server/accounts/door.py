"""Who may come in at the door? Whoever has our token: a page of another site has not."""

from typing import Any

from rest_framework.authentication import SessionAuthentication
from rest_framework.request import Request


class TokenAtTheDoor(SessionAuthentication):
    """Asks for the token of somebody who is not signed in yet, too."""

    def authenticate(self, request: Request) -> Any:
        """As ever, once the token was found right; PermissionDenied where it was not."""
        if request.method not in ("GET", "HEAD", "OPTIONS"):
            self.enforce_csrf(request)
        return super().authenticate(request)
