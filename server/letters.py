"""Letters go out by themselves: no request waits for the mail server, or fails with it."""

import logging
from collections.abc import Callable
from dataclasses import dataclass
from threading import Thread

from django.conf import settings
from django.core.mail import send_mail
from django.db import connections

log = logging.getLogger(__name__)


@dataclass(frozen=True)
class Letter:
    """What is written to whom."""

    subject: str
    words: str
    to: str


def send(letter: Letter, failed: Callable[[], object] = lambda: None) -> None:
    """Send a letter; ``failed`` is called where the mail server does not take it."""
    if settings.LETTERS_AT_ONCE:
        _carry(letter, failed)
    else:
        Thread(target=_by_itself, args=(letter, failed), daemon=True).start()


def _by_itself(letter: Letter, failed: Callable[[], object]) -> None:
    try:
        _carry(letter, failed)
    finally:
        connections.close_all()


def _carry(letter: Letter, failed: Callable[[], object]) -> None:
    try:
        send_mail(letter.subject, letter.words, settings.DEFAULT_FROM_EMAIL, [letter.to])
    except OSError as error:  # so are all of smtplib's
        log.warning("a letter could not be sent: %s", type(error).__name__)  # no address in the log
        failed()
