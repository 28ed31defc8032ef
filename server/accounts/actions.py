"""What can be done with accounts."""

from django.conf import settings
from django.contrib.auth import authenticate, login, logout, password_validation
from django.core.exceptions import ValidationError
from django.db import IntegrityError, transaction
from django.http import HttpRequest
from rest_framework.exceptions import NotFound

from jindle_core.changes import checked_name
from jindle_core.errors import BadInput, Problem
from server.accounts.models import Person

DEMO_NAME = "The demo studio"


def sign_up(request: HttpRequest, name: str, password: str) -> Person:
    """Make an account and sign in with it."""
    name = checked_name(name)
    try:
        password_validation.validate_password(password)
    except ValidationError as error:
        problems = (Problem(sentence, field="password") for sentence in error.messages)
        raise BadInput(*problems) from None
    try:
        with transaction.atomic():
            person = Person.objects.create_user(name, password)
    except IntegrityError:
        raise BadInput(
            Problem("Somebody has that name already; choose another.", field="name", value=name)
        ) from None
    login(request, person)
    return person


def sign_in(request: HttpRequest, name: str, password: str) -> Person:
    """Sign in; the same answer for a wrong name and a wrong password."""
    person = authenticate(request, name=" ".join(name.split()), password=password)
    if person is None:
        raise BadInput(Problem("Name and password do not go together.", field="password"))
    login(request, person)
    return person


def open_demo(request: HttpRequest) -> Person:
    """Sign in to the demo studio; it exists in demo mode only."""
    person = Person.objects.filter(name=DEMO_NAME).first() if settings.DEMO else None
    if person is None:
        raise NotFound
    login(request, person, backend="django.contrib.auth.backends.ModelBackend")
    return person


def sign_out(request: HttpRequest) -> None:
    """End the session."""
    logout(request)
