"""What a view is asked: REST framework's request, by somebody who is signed in."""

from rest_framework import request

from server.accounts.models import Person


class Request(request.Request):
    """As views get it behind the door: nobody else comes to them (``DEFAULT_PERMISSION_CLASSES``)."""

    user: Person
