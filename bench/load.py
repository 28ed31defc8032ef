"""Does everybody get on while twenty people work, photographs are read, and two hundred look on?

``./jindle trial load`` starts a live Jindle of its own with its proxy. First somebody alone asks for next to
nothing; then twenty people change their cards for five minutes; then the same while three photographs are
read without a pause; then two hundred look at theirs. Each of them comes from an address of their own.
"""

from gevent import monkey

monkey.patch_all()

import os  # noqa: E402 (what is patched is patched before it is loaded)
import random  # noqa: E402
import shutil  # noqa: E402
from itertools import count  # noqa: E402
from pathlib import Path  # noqa: E402

import gevent  # noqa: E402
from locust import HttpUser, between, constant, task  # noqa: E402
from locust.env import Environment  # noqa: E402
from requests.adapters import HTTPAdapter  # noqa: E402

from bench.lived import lived  # noqa: E402
from bench.trials import keep  # noqa: E402

STATE = Path(os.environ["JINDLE_STATE"])
PORT = 8759
MINUTES = float(os.environ.get("JINDLE_MINUTES", "5"))
WORKING, PHOTOGRAPHS, LOOKING = 20, 3, 200
QUIET, READ, LOOKED = 15, 60, 60  # seconds
ME_MOST, CHANGE_MOST = 3.0, 6.0
SIZE = {"width": "5", "height": "7", "unit": "in"}
_NUMBERS = count(1)


class _From(HTTPAdapter):
    """Connections from one address of this machine."""

    def __init__(self, address: str) -> None:
        self._address = address
        super().__init__()

    def init_poolmanager(self, *given: object, **named: object) -> None:
        super().init_poolmanager(*given, source_address=(self._address, 0), **named)


class Person(HttpUser):
    """Somebody with an account of their own, at a device of their own."""

    abstract = True
    wait_time = constant(0.5)

    def on_start(self) -> None:
        """Come, and make an account."""
        number = next(_NUMBERS)
        self.client.mount("http://", _From(f"127.0.{number // 250 + 1}.{number % 250 + 1}"))
        self.client.get("/", name="(coming)")
        own = {"name": f"Somebody {number}", "password": "measured-and-told"}
        self.sent("/api/sign-up", own, "(coming)")
        self.begin()

    def begin(self) -> None:
        """What is there before the work begins."""

    def sent(self, path: str, data: dict, name: str) -> dict:
        """The answer to what was sent."""
        headers = {"X-CSRFToken": self.client.cookies["csrftoken"]}
        answer = self.client.post(path, json=data, headers=headers, name=name)
        return answer.json() if answer.text else {}


class Asking(Person):
    """Who asks for next to nothing, again and again."""

    wait_time = constant(0.2)

    @task
    def me(self) -> None:
        """The emptiest call."""
        self.client.get("/api/me", name="me")


class Maker(Person):
    """Who makes a card: a palette, a layout, and then the pieces, nudged about."""

    wait_time = between(1, 3)

    def begin(self) -> None:
        """A card with three colours and a layout."""
        pk = self.sent("/api/cards", {"name": "A card", "size": SIZE}, "(begun)")["id"]
        self.card, self.version = f"/api/cards/{pk}", 1
        for value, role in (("#2b3a55", "dark"), ("#dfe7ea", "ground"), ("#c9603e", "lead")):
            colour = {"kind": "add_colour", "anchor": {"value": value}, "name": role, "role": role}
            self.change(colour, "(begun)")
        self.change({"kind": "start_layout", "layout": "framed"}, "(begun)")

    def change(self, change: dict, name: str) -> None:
        """One change."""
        asked = {"version": self.version, "stage": "build", "change": change}
        self.version = self.sent(f"{self.card}/changes", asked, name)["version"]

    @task(6)
    def nudge(self) -> None:
        """Move a piece."""
        far = {"right": random.choice((-1, 1)), "below": random.choice((-1, 1))}
        self.change({"kind": "nudge_piece", "key": 2} | far, "change")

    @task(2)
    def look(self) -> None:
        """Look at a stage."""
        self.client.get(f"{self.card}/{random.choice(('colouring', 'ground', 'build'))}", name="stage")

    @task(1)
    def table(self) -> None:
        """Look at the palette."""
        self.client.get(self.card, name="card")

    @task(1)
    def cards(self) -> None:
        """Look at all cards."""
        self.client.get("/api/cards", name="cards")


class Photographer(Person):
    """Who has photographs read, one after the other."""

    def begin(self) -> None:
        """A photograph of the stand-in camera."""
        camera = self.client.get("/api/camera", name="(coming)").json()
        asked = {"paper": camera["papers"][0]["id"], "light": camera["lights"][0]}
        headers = {"X-CSRFToken": self.client.cookies["csrftoken"]}
        self.photo = self.client.post(
            "/api/camera/photograph", json=asked, headers=headers, name="(coming)"
        ).content

    @task
    def read(self) -> None:
        """Have it read."""
        headers = {"X-CSRFToken": self.client.cookies["csrftoken"]}
        files = {"file": ("sheet.jpg", self.photo, "image/jpeg")}
        self.client.post("/api/papers/read", files=files, headers=headers, name="photograph")


class Looker(Person):
    """Who looks at what is there."""

    wait_time = between(2, 6)

    @task(3)
    def cards(self) -> None:
        """All cards."""
        self.client.get("/api/cards", name="cards")

    @task(1)
    def drawer(self) -> None:
        """The drawer."""
        self.client.get("/api/drawer", name="drawer")

    @task(1)
    def me(self) -> None:
        """The emptiest call."""
        self.client.get("/api/me", name="me")


def _run(address: str, people: dict[type[Person], int], seconds: float) -> Environment:
    """What was answered once all of them had come, in so many seconds."""
    for kind, number in people.items():
        kind.fixed_count = number
    env = Environment(user_classes=list(people), host=address)
    runner = env.create_local_runner()
    total = sum(people.values())
    broke: list[str] = []
    env.events.user_error.add_listener(lambda exception, **_: broke.append(repr(exception)))
    runner.start(total, spawn_rate=4)
    while runner.user_count < total:
        gevent.sleep(0.5)
    gevent.sleep(10)  # their accounts are made, their cards begun
    broke += [f"{one.occurrences} × {one.name}: {one.error}" for one in env.stats.errors.values()]
    env.stats.clear_all()
    gevent.sleep(seconds)
    runner.quit()
    if broke:
        raise RuntimeError(f"Somebody could not go on: {broke[0]}")
    return env


def _milliseconds(env: Environment, name: str, part: float) -> float:
    return next(one for key, one in env.stats.entries.items() if key[0] == name).get_response_time_percentile(
        part
    )


def _errors(env: Environment) -> list[str]:
    return [f"{one.occurrences} × {one.name}: {one.error}" for one in env.stats.errors.values()]


def main() -> int:
    """The trial; 0 where nobody met an error and everybody got on."""
    random.seed(7)
    shutil.rmtree(STATE, ignore_errors=True)
    with lived(STATE, PORT) as address:
        quiet = _run(address, {Asking: 1}, QUIET)
        work = _run(address, {Asking: 1, Maker: WORKING}, MINUTES * 60)
        read = _run(address, {Asking: 1, Maker: WORKING, Photographer: PHOTOGRAPHS}, READ)
        looks = _run(address, {Looker: LOOKING}, LOOKED)
    alone, worked, beside = (_milliseconds(one, "me", 0.5) for one in (quiet, work, read))
    change, slowed = (_milliseconds(one, "change", 0.95) for one in (work, read))
    runs = (quiet, work, read, looks)
    errors = [one for env in runs for one in _errors(env)]
    total, failed = (
        sum(getattr(env.stats.total, what) for env in runs) for what in ("num_requests", "num_failures")
    )
    photographs = read.stats.entries["photograph", "POST"].num_requests
    found = [
        f"{failed} errors in {total:,} answers: {WORKING} people changed their cards for {MINUTES:g} minutes,"
        f" then again while {PHOTOGRAPHS} photographs were read without a pause ({photographs} in {READ} s),"
        f" then {LOOKING} looked at theirs.",
        f"A change while {WORKING} people work, of twenty the slowest: {change / worked:.1f} × the median of"
        f" `/api/me` in that run (at most {CHANGE_MOST:g} × is wanted); {slowed / beside:.1f} × while"
        " photographs are read.",
        f"`/api/me` while {WORKING} people work and photographs are read: {beside / alone:.1f} × its quiet"
        f" time (medians; at most {ME_MOST:g} × is wanted).",
    ]
    print("\n".join([*found, *errors]))
    keep("Under load", f"./jindle trial load --minutes {MINUTES:g}", found)
    return 0 if not errors and beside <= ME_MOST * alone and change <= CHANGE_MOST * worked else 1


if __name__ == "__main__":
    raise SystemExit(main())
