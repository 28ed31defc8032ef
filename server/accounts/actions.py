"""What can be done with accounts."""

import secrets
from datetime import timedelta
from hashlib import sha256

from django.conf import settings
from django.contrib.auth import authenticate, login, logout, password_validation, update_session_auth_hash
from django.contrib.auth.tokens import default_token_generator
from django.core.exceptions import ValidationError
from django.db import IntegrityError, transaction
from django.http import HttpRequest
from django.utils import timezone

from jindle_core.card.changes.palette import checked_name
from jindle_core.errors import BadInput, Problem
from server.accounts.models import Invitation, Person
from server.letters import Letter, send

_USED = "This link was used already, or is too old: ask for another."
_BETWEEN_MAILS = timedelta(minutes=10)
_BACKEND = "django.contrib.auth.backends.ModelBackend"  # for who comes in without a password check


def sign_up(request: HttpRequest, name: str, password: str, invitation: str = "") -> Person:
    """Make an account and sign in with it, where that is open to them."""
    if settings.SIGN_UP == "closed":
        raise BadInput(Problem("No accounts are made here; ask who runs this Jindle.", field="name"))
    name = checked_name(name)
    _check_password(password, name)
    try:
        with transaction.atomic():
            if settings.SIGN_UP == "invitation":
                _use(invitation)
            person = Person.objects.create_user(name, password)
    except IntegrityError:
        raise BadInput(
            Problem("Somebody has that name already; choose another.", field="name", value=name)
        ) from None
    login(request, person, backend=_BACKEND)
    return person


def invite() -> str:
    """A code with which one account can be made."""
    code = secrets.token_urlsafe(12)
    Invitation.objects.create(digest=_digest(code))
    return code


def _use(code: str) -> None:
    """Use an invitation up; BadInput where it is none, or no longer."""
    if not Invitation.objects.filter(digest=_digest(code), used=False).update(used=True):
        words = "That invitation is none, or was used already. Ask who runs this Jindle for one."
        raise BadInput(Problem(words, field="invitation"))


def _digest(code: str) -> str:
    return sha256(code.strip().encode()).hexdigest()


def forgotten(name: str, address: str) -> None:
    """Send a link for a new password to who has that name, if mail can reach them; nobody is told which.

    ``address`` is that of this Jindle. The letter goes out by itself: the answer takes as long for all.
    """
    person = Person.objects.filter(name=" ".join(name.split())).exclude(email="").first()
    if person is None or not person.has_usable_password():
        return
    now = timezone.now()
    # Whoever asks again and again fills nobody's letter box.
    before = Person.objects.filter(pk=person.pk).exclude(forgotten_at__gt=now - _BETWEEN_MAILS)
    if not before.update(forgotten_at=now):
        return
    link = f"{address}/new-password?who={person.pk}&key={default_token_generator.make_token(person)}"
    hours = settings.PASSWORD_RESET_TIMEOUT // 3600
    words = (
        f"Somebody, you perhaps, forgot the password of {person.name}.\n\n{link}\n\nopens the page for a new"
        f" one, once, within {hours} hours. If it was not you, do nothing: everything stays as it is.\n"
    )
    letter = Letter("A new password for Jindle", words, person.email)
    send(letter, failed=lambda: _ask_again(person.pk))


def _ask_again(pk: int) -> None:
    """No letter went out: whoever asks again is not kept waiting for one that never comes."""
    Person.objects.filter(pk=pk).update(forgotten_at=None)


def new_password(request: HttpRequest, who: int, key: str, password: str) -> Person:
    """Take a new password by a link that was sent, and sign in."""
    person = Person.objects.filter(pk=who).first()
    if person is None or not default_token_generator.check_token(person, key):
        raise BadInput(Problem(_USED, field="key"))
    _check_password(password, person.name)
    before = person.password
    person.set_password(password)
    # A link is for one: of several who come with it at once only the first finds the password as it was.
    if not Person.objects.filter(pk=who, password=before).update(password=person.password):
        raise BadInput(Problem(_USED, field="key"))
    _tell_of_change(person)
    login(request, person, backend=_BACKEND)
    return person


def _tell_of_change(person: Person) -> None:
    """So that whoever did not change it themselves hears of it, where mail can reach them."""
    if person.email and settings.HAS_MAIL:
        words = (
            f"The password of {person.name} was changed just now.\n\nIf it was not you, take another at once"
            " by “Forgotten?” where one signs in; whoever has the old one is signed out by that.\n"
        )
        send(Letter("Your password was changed", words, person.email))


def change_address(request: HttpRequest, person: Person, email: str, password: str) -> None:
    """Give the account another address for forgotten passwords; who had the old one hears of it."""
    _confirm(request, person, password, "password")
    before, person.email = person.email, email
    person.save(update_fields=["email"])
    if before and before != email and settings.HAS_MAIL:
        words = (
            f"The address for a forgotten password of {person.name} is not this one any more.\n\nIf it was"
            " not you, sign in, give yours again and take another password at once; if you cannot, write to"
            " whoever runs this Jindle.\n"
        )
        send(Letter("Your address was changed", words, before))


def sign_out_elsewhere(request: HttpRequest, person: Person) -> None:
    """End every session of the account but this one."""
    if person.everybodys:
        raise BadInput(Problem("The demo studio is everybody's: nobody is sent out of it.", field=""))
    person.doors_shut += 1
    person.save(update_fields=["doors_shut"])
    update_session_auth_hash(request, person)


def sign_in(request: HttpRequest, name: str, password: str) -> Person:
    """Sign in; the same answer for a wrong name and a wrong password."""
    person = authenticate(request, name=" ".join(name.split()), password=password)
    if person is None:
        raise BadInput(Problem("Name and password do not go together.", field="password"))
    login(request, person)
    return person


def change_password(request: HttpRequest, person: Person, old: str, new: str) -> None:
    """Give the account another password; the session goes on."""
    _confirm(request, person, old, "old")
    _check_password(new, person.name, "new")
    person.set_password(new)
    person.save(update_fields=["password"])
    _tell_of_change(person)
    update_session_auth_hash(request, person)


def delete_account(request: HttpRequest, person: Person, password: str) -> None:
    """Delete the account with everything in it, and sign out."""
    _confirm(request, person, password, "password")
    logout(request)
    person.delete()


def _confirm(request: HttpRequest, person: Person, password: str, field: str) -> None:
    """BadInput for a wrong password. Wrong ones count as at the door: after some, nobody is let try."""
    if not person.has_usable_password():
        raise BadInput(Problem("The demo studio is everybody's: make an account of your own.", field=field))
    if authenticate(request, name=person.name, password=password) is None:
        raise BadInput(Problem("That is not your password.", field=field))


def _check_password(password: str, name: str, field: str = "password") -> None:
    if not password.strip():
        raise BadInput(Problem("A password of spaces is none; choose another.", field=field))
    if (
        _bare(name) in _bare(password)
        and len(_bare(password)) - len(_bare(name)) < settings.PASSWORD_LEAST // 2
    ):
        words = "A password that is little more than your name is soon guessed; choose another."
        raise BadInput(Problem(words, field=field))
    try:
        password_validation.validate_password(password)
    except ValidationError as error:
        raise BadInput(*(Problem(sentence, field=field) for sentence in error.messages)) from None


def _bare(text: str) -> str:
    """A text as somebody who guesses tries it: without case, spaces and marks."""
    return "".join(one for one in text.casefold() if one.isalnum())


def come_in(request: HttpRequest, person: Person) -> None:
    """Sign in without a password: into the demo studio."""
    login(request, person, backend=_BACKEND)


def sign_out(request: HttpRequest) -> None:
    """End the session."""
    logout(request)
