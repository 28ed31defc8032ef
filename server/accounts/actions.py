"""What can be done with accounts."""

from django.contrib.auth import authenticate, login, logout, password_validation, update_session_auth_hash
from django.core.exceptions import ValidationError
from django.db import IntegrityError, transaction
from django.http import HttpRequest

from jindle_core.card.changes.palette import checked_name
from jindle_core.errors import BadInput, Problem
from server.accounts.models import Person

_BACKEND = "django.contrib.auth.backends.ModelBackend"  # for who comes in without a password check


def sign_up(request: HttpRequest, name: str, password: str) -> Person:
    """Make an account and sign in with it."""
    name = checked_name(name)
    _check_password(password)
    try:
        with transaction.atomic():
            person = Person.objects.create_user(name, password)
    except IntegrityError:
        raise BadInput(
            Problem("Somebody has that name already; choose another.", field="name", value=name)
        ) from None
    login(request, person, backend=_BACKEND)
    return person


def sign_in(request: HttpRequest, name: str, password: str) -> Person:
    """Sign in; the same answer for a wrong name and a wrong password."""
    person = authenticate(request, name=" ".join(name.split()), password=password)
    if person is None:
        raise BadInput(Problem("Name and password do not go together.", field="password"))
    login(request, person)
    return person


def change_password(request: HttpRequest, person: Person, old: str, new: str) -> None:
    """Give the account another password; the session goes on."""
    _confirm(person, old, "old")
    _check_password(new, "new")
    person.set_password(new)
    person.save(update_fields=["password"])
    update_session_auth_hash(request, person)


def delete_account(request: HttpRequest, person: Person, password: str) -> None:
    """Delete the account with everything in it, and sign out."""
    _confirm(person, password, "password")
    logout(request)
    person.delete()


def _confirm(person: Person, password: str, field: str) -> None:
    if not person.has_usable_password():
        raise BadInput(Problem("The demo studio is everybody's: make an account of your own.", field=field))
    if not person.check_password(password):
        raise BadInput(Problem("That is not your password.", field=field))


def _check_password(password: str, field: str = "password") -> None:
    if not password.strip():
        raise BadInput(Problem("A password of spaces is none; choose another.", field=field))
    try:
        password_validation.validate_password(password)
    except ValidationError as error:
        raise BadInput(*(Problem(sentence, field=field) for sentence in error.messages)) from None


def come_in(request: HttpRequest, person: Person) -> None:
    """Sign in without a password: into the demo studio."""
    login(request, person, backend=_BACKEND)


def sign_out(request: HttpRequest) -> None:
    """End the session."""
    logout(request)
