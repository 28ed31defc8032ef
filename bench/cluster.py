"""Is anything lost when servers fall that hold the same, and do people get on?

``./jindle trial cluster`` starts three database servers of one Galera cluster and two live Jindles on this
machine. At twenty devices, two an account, people add cards and change one that both devices have open, each
through either Jindle. A database server is killed that nobody asks first, then a whole Jindle, then the one
that is written to; each comes back. Everything that was acknowledged must be in all three afterwards.
"""

import json
import os
import secrets
import shutil
import subprocess
import threading
import time
import urllib.error
import urllib.request
from collections import Counter
from http.client import HTTPException
from http.cookiejar import CookieJar
from itertools import count
from pathlib import Path

from bench.lived import live
from bench.nodes import COUNT, Node, address
from bench.trials import keep

STATE = Path(os.environ["JINDLE_STATE"])
PORTS = (8763, 8767)
ACCOUNTS, DEVICES = 10, 2
CALM, LONGEST = 8.0, 10.0  # seconds of work between two falls; until everybody gets on
SIZE = {"width": "5", "height": "7", "unit": "in"}
_PLACES = [f"http://localhost:{port}" for port in PORTS]
_CARDS = """SELECT person.name, JSON_VALUE(card.stored, '$.name'), card.version
FROM jindle.card JOIN jindle.person ON card.owner_id = person.id ORDER BY card.id"""


class Device(threading.Thread):
    """Somebody at a device, who goes to the other Jindle where one does not answer."""

    def __init__(self, account: int, device: int) -> None:
        super().__init__(daemon=True)
        self.who, self.device = f"Somebody {account}", device
        self._jar = CookieJar()
        self._opener = urllib.request.build_opener(urllib.request.HTTPCookieProcessor(self._jar))
        self._first = (account + device) % len(_PLACES)
        self.kept: set[str] = set()
        self.changed = self.unsure = 0
        self.refused: dict[int, int] = {}
        self.acknowledged, self.ended = threading.Event(), threading.Event()
        self.shared = 0

    def ask(self, path: str, data: dict | None = None) -> dict:
        """What either of them answers: the usual one first."""
        for turn in range(len(_PLACES)):
            place = _PLACES[(self._first + turn) % len(_PLACES)]
            token = next((one.value for one in self._jar if one.name == "csrftoken"), "")
            headers = {"X-CSRFToken": token, "Content-Type": "application/json"}
            body = None if data is None else json.dumps(data).encode()
            try:
                with self._opener.open(
                    urllib.request.Request(place + path, body, headers), timeout=30
                ) as answer:
                    text = answer.read()
                    return json.loads(text) if text and path != "/" else {}
            except urllib.error.HTTPError:
                raise
            except urllib.error.URLError:  # nobody is there
                if turn == len(_PLACES) - 1:
                    raise
        raise AssertionError("one of them answered or raised")

    def come(self) -> None:
        """The first device makes the account and the card that both have open."""
        self.ask("/")
        own = {"name": self.who, "password": "measured-and-told"}
        self.ask("/api/sign-in" if self.device else "/api/sign-up", own)
        if not self.device:
            self.shared = self.ask("/api/cards", {"name": "the shared one", "size": SIZE})["id"]
            colour = {"kind": "add_colour", "anchor": {"value": "#204060"}, "name": "one", "role": "lead"}
            self.ask(f"/api/cards/{self.shared}/changes", {"version": 1, "change": colour})

    def run(self) -> None:
        """A card, a change, a card, a change, until it is told to end."""
        for number in count(1):
            for work in (self._add, self._change):
                if self.ended.is_set():
                    return
                try:
                    work(number)
                except urllib.error.HTTPError as error:
                    code = error.code
                    if code != 409:
                        self.refused[code] = self.refused.get(code, 0) + 1
                        self.ended.wait(0.3)
                    self.unsure += code == 503
                except (OSError, HTTPException):
                    self.refused[0] = self.refused.get(0, 0) + 1
                    self.unsure += 1
                    self.ended.wait(0.3)

    def _add(self, number: int) -> None:
        name = f"card {self.device}-{number}"
        self.ask("/api/cards", {"name": name, "size": SIZE})
        self.kept.add(name)
        self.acknowledged.set()

    def _change(self, number: int) -> None:
        path = f"/api/cards/{self.shared}"
        version = self.ask(path)["version"]
        change = {"kind": "edit_colour", "key": 1, "name": f"name {self.device}-{number}"}
        self.ask(f"{path}/changes", {"version": version, "change": change})
        self.changed += 1
        self.acknowledged.set()


def _get_on(devices: list[Device]) -> float:
    """Seconds until each of them was acknowledged something anew."""
    begun = time.perf_counter()
    for device in devices:
        device.acknowledged.clear()
    for device in devices:
        if not device.acknowledged.wait(60):
            raise SystemExit(f"{device.who} never got on.")
    return time.perf_counter() - begun


def _lost(devices: list[Device], nodes: list[Node]) -> tuple[int, int, bool]:
    """How many cards, and how many changes of shared cards, are missing; whether all nodes hold the same."""
    told = [one.query(_CARDS).stdout for one in nodes]
    rows = [line.split("\t") for line in told[0].splitlines()[1:]]
    there = {(who, name) for who, name, _ in rows}
    cards = sum((device.who, name) not in there for device in devices for name in device.kept)
    changes = 0
    for account in range(ACCOUNTS):
        pair = [one for one in devices if one.who == f"Somebody {account}"]
        version = max(int(version) for who, _, version in rows if who == pair[0].who)
        changes += max(0, 2 + sum(one.changed for one in pair) - version)
    return cards, changes, all(one == told[0] for one in told)


class Machines:
    """The database servers and the Jindles, each of which asks another of the servers first."""

    def __init__(self) -> None:
        password, self._secret = secrets.token_hex(24), secrets.token_urlsafe(50)
        self.nodes = [Node(number, password) for number in range(COUNT)]
        for node in self.nodes:
            node.join(first=node is self.nodes[0])
        self._jindles = [self._start(at) for at in range(len(PORTS))]

    def _start(self, at: int) -> subprocess.Popen:
        order = self.nodes[at:] + self.nodes[:at]
        return live(STATE / f"machine{at}", PORTS[at], database=address(order), secret=self._secret)

    def fall(self) -> None:
        """Kill the last Jindle."""
        self._jindles[-1].kill()
        self._jindles[-1].wait()

    def come_back(self) -> None:
        """Start it again."""
        self._jindles[-1] = self._start(len(PORTS) - 1)

    def stop(self) -> None:
        """End all of them."""
        for one in self._jindles:
            one.terminate()
            one.wait()
        for node in self.nodes:
            node.stop()


def _work() -> list[Device]:
    """All of them, at work."""
    devices = [Device(account, device) for account in range(ACCOUNTS) for device in range(DEVICES)]
    for one in devices:
        one.come()
    for one in devices:
        one.shared = one.shared or devices[devices.index(one) - 1].shared
        one.start()
    return devices


def _told(devices: list[Device], nodes: list[Node]) -> tuple[str, str, bool]:
    """What was found in words, and whether it is as it must be."""
    cards, changes, same = _lost(devices, nodes)
    kept, changed = sum(len(one.kept) for one in devices), sum(one.changed for one in devices)
    codes = sum((Counter(one.refused) for one in devices), Counter())
    said = ", ".join(f"{times} × {code or 'nothing at all'}" for code, times in sorted(codes.items()))
    return (
        f"{COUNT} database servers, {len(PORTS)} Jindles, {len(devices)} devices, {ACCOUNTS} people: {cards}"
        f" of {kept:,} acknowledged cards and {changes} of {changed:,} acknowledged changes of cards that two"
        f" devices changed at once are missing. The servers hold {'the same' if same else 'NOT the same'}.",
        f"Answers other than yes, and than “changed in another window” (409): {said or 'none'}.",
        not cards and not changes and same and set(codes) <= {0, 503},
    )


def main() -> int:
    """The trial; 0 where nothing was lost and everybody got on in time."""
    shutil.rmtree(STATE, ignore_errors=True)
    machines = Machines()
    devices, nodes = _work(), machines.nodes
    falls = (
        ("a database server that nobody asks first", nodes[-1].kill, nodes[-1].join),
        ("one of the two Jindles", machines.fall, machines.come_back),
        ("the database server that one writes to", nodes[0].kill, nodes[0].join),
    )
    slowest = {}
    for words, fall, come_back in falls:
        time.sleep(CALM)
        fall()
        after = _get_on(devices)
        time.sleep(CALM)
        come_back()
        slowest[words] = (after, _get_on(devices))
    for one in devices:
        one.ended.set()
    for one in devices:
        one.join()
    lost, answers, good = _told(devices, nodes)
    machines.stop()
    found = [
        lost,
        answers,
        *(
            f"After {words} was killed everybody got on within {after:.1f} s; as it came back, {back:.1f} s."
            for words, (after, back) in slowest.items()
        ),
    ]
    print("\n".join(found))
    keep("Several machines", "./jindle trial cluster", found)
    return 0 if good and max(max(both) for both in slowest.values()) <= LONGEST else 1


if __name__ == "__main__":
    raise SystemExit(main())
