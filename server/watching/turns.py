"""Whose heavy work is done next? Few at once, and in turns: who has much waiting holds up nobody else."""

from collections import Counter
from collections.abc import Callable
from itertools import count
from threading import Condition

from django.conf import settings
from django.http import HttpRequest, HttpResponse, JsonResponse

from server import errors
from server.told.encoder import as_json

AT_ONCE, EACH = 2, 4  # a picture takes a whole core for a second or two; of one person, waiting ones too
PATIENCE = 120.0  # seconds that somebody waits for a turn: less than the proxy does
_SAID = "You have asked for too much at once. Nothing was changed; try again when what runs has ended."


class Turns:
    """So many at once; who has least at work goes first, then who was served longest ago."""

    def __init__(self, at_once: int = AT_ONCE, each: int = EACH) -> None:
        self._at_once, self._each = at_once, each
        self._changed, self._numbers = Condition(), count(1)
        self._running: Counter[object] = Counter()
        self._served: dict[object, int] = {}
        self._waiting: list[tuple[object, int]] = []

    def take(self, person: object, patience: float = PATIENCE) -> bool:
        """Wait for a turn; False where a person asks for too much at once, or none came in time."""
        with self._changed:
            asked = sum(one == person for one, _ in self._waiting) + self._running[person]
            if asked >= self._each:
                return False
            mine = person, next(self._numbers)
            self._waiting.append(mine)
            came = self._changed.wait_for(lambda: self._next == mine, patience)
            self._waiting.remove(mine)
            if came:
                self._running[person] += 1
                self._served[person] = mine[1]
            self._changed.notify_all()
            return came

    def give_back(self, person: object) -> None:
        """A turn is over."""
        with self._changed:
            self._running[person] -= 1
            if not self._running[person]:
                del self._running[person]
            there = {*self._running, *(one for one, _ in self._waiting)}
            self._served = {one: at for one, at in self._served.items() if one in there}
            self._changed.notify_all()

    @property
    def _next(self) -> tuple[object, int] | None:
        if self._running.total() >= self._at_once:
            return None
        return min(
            self._waiting,
            key=lambda one: (self._running[one[0]], self._served.get(one[0], 0), one[1]),
            default=None,
        )


class InTurns:
    """Middleware: what the proxy in front calls heavy waits for its turn, and holds it until all is told."""

    turns = Turns()

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self._get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        """The answer, in turn, or 429."""
        if not settings.BEHIND_PROXY or request.headers.get("X-Pool") != "heavy":
            return self._get_response(request)
        person = request.user.pk or request.META.get("REMOTE_ADDR", "")
        if not self.turns.take(person):
            headers = {"Retry-After": "2"}
            return JsonResponse(as_json(errors.body("too_much_at_once", _SAID)), status=429, headers=headers)
        try:
            answer = self._get_response(request)
        except BaseException:
            self.turns.give_back(person)
            raise
        # Whoever leaves ends a long answer, which is closed then.
        answer._resource_closers.append(lambda: self.turns.give_back(person))  # type: ignore[attr-defined]
        return answer
