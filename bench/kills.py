"""What is lost when the database, a worker or everything is killed in the middle of work?

``./jindle trial kills`` starts a Jindle of its own, lets people add cards without a pause, and kills, in
turn, the database, one worker of the application, and all of it at once (which is then started again).
Nothing that was acknowledged may be missing afterwards, and everybody must get on within ten seconds.
"""

import json
import os
import random
import shutil
import signal
import subprocess
import threading
import time
import urllib.error
from http.client import HTTPException
from itertools import count
from pathlib import Path

ROOT = Path(__file__).resolve().parent.parent
STATE = Path(os.environ["JINDLE_STATE"])
PORT = 8754
_LOG = STATE.with_name("trial.log")
os.environ["JINDLE_ADDRESS"] = f"http://127.0.0.1:{PORT}"

from bench.trials import keep  # noqa: E402 (as the next)
from bench.visitor import Visitor  # noqa: E402 (it reads the address when it is loaded)

PEOPLE, ROUNDS, LONGEST = 3, 100, 10.0
_ANSWERS = {0: "nothing at all", 503: "503, to be asked again"}
SIZE = {"width": "5", "height": "7", "unit": "in"}


class Writer(threading.Thread):
    """Somebody who adds cards, and remembers which of them were acknowledged."""

    def __init__(self, number: int) -> None:
        super().__init__(daemon=True)
        self.visitor = Visitor(f"Writer {number}")
        self.kept: set[str] = set()
        self.refused: dict[int, int] = {}
        self.ended = threading.Event()
        self.acknowledged = threading.Event()

    def run(self) -> None:
        """Until it is told to end."""
        for number in count(1):
            if self.ended.is_set():
                return
            name = f"card {number}"
            try:
                self.visitor.post("/api/cards", {"name": name, "size": SIZE})
            except urllib.error.HTTPError as error:
                self.refused[error.code] = self.refused.get(error.code, 0) + 1
                self.ended.wait(0.1)
            except (OSError, HTTPException):
                self.refused[0] = self.refused.get(0, 0) + 1
                self.ended.wait(0.1)
            else:
                self.kept.add(name)
                self.acknowledged.set()

    def lost(self) -> set[str]:
        """What was acknowledged and is not there."""
        there: set[str] = set()
        for page in count(1):
            cards = json.loads(self.visitor.get(f"/api/cards?page={page}"))["cards"]
            if not cards:
                return self.kept - there
            there |= {one["name"] for one in cards}
        raise AssertionError("pages end")


class Jindle:
    """A Jindle of one's own, as ``./jindle demo`` starts it."""

    def __init__(self) -> None:
        self.process = self._start()

    def _start(self) -> subprocess.Popen:
        command = [ROOT / "jindle", "demo", "--port", str(PORT)]
        process = subprocess.Popen(
            command, env=os.environ, cwd=ROOT, stdout=subprocess.PIPE, stderr=_LOG.open("a"), text=True
        )
        for line in process.stdout:
            if "Jindle is at" in line:
                break
        threading.Thread(target=process.stdout.read, daemon=True).start()
        return process

    def database(self) -> None:
        """Kill its database."""
        os.kill(int((STATE / "db" / "pid").read_text()), signal.SIGKILL)

    def worker(self) -> None:
        """Kill one process of the application that answers."""
        os.kill(random.choice(self._workers()), signal.SIGKILL)

    def everything(self) -> None:
        """Kill all of it, and start it again."""
        workers, database = self._workers(), int((STATE / "db" / "pid").read_text())
        for pid in (self.process.pid, *workers, database):
            os.kill(pid, signal.SIGKILL)
        self.process.wait()
        self.process = self._start()

    def _workers(self) -> list[int]:
        found = []
        for place in Path("/proc").glob("[0-9]*"):
            try:
                command = (place / "cmdline").read_bytes().decode()
                parent = int((place / "stat").read_text().rsplit(")", 1)[1].split()[1])
            except (OSError, ValueError):
                continue
            if "gunicorn" in command and f":{PORT}" in command and parent != self.process.pid:
                found.append(int(place.name))
        return found

    def stop(self) -> None:
        """End it."""
        self.process.terminate()
        self.process.wait()


def main() -> int:
    """The trial; 0 where nothing was lost and everybody got on in time."""
    random.seed(5)
    shutil.rmtree(STATE, ignore_errors=True)
    jindle = Jindle()
    writers = [Writer(number) for number in range(PEOPLE)]
    for writer in writers:
        writer.start()
    ways = {"the database": jindle.database, "a worker": jindle.worker, "everything": jindle.everything}
    slowest = dict.fromkeys(ways, 0.0)
    rounds = int(os.environ.get("JINDLE_ROUNDS", ROUNDS))
    for number in range(rounds):
        words = list(ways)[number % len(ways)]
        time.sleep(random.uniform(0, 0.5))
        begun = time.perf_counter()
        ways[words]()
        for writer in writers:
            writer.acknowledged.clear()
        for writer in writers:
            if not writer.acknowledged.wait(60):
                print(f"After {words} was killed somebody never got on.")
                return 1
        slowest[words] = max(slowest[words], time.perf_counter() - begun)
    for writer in writers:
        writer.ended.set()
        writer.join()
    lost = sum(len(writer.lost()) for writer in writers)
    kept = sum(len(writer.kept) for writer in writers)
    codes = sorted({code for writer in writers for code in writer.refused})
    jindle.stop()
    told = ", ".join(_ANSWERS.get(code, str(code)) for code in codes)
    found = [
        f"{rounds} kills of the database, of a worker and of everything, in turn, while {PEOPLE} people add"
        f" cards: {lost} of {kept:,} acknowledged cards lost.",
        f"What they were answered meanwhile: {told}.",
        *(f"After {one} was killed everybody got on within {took:.1f} s." for one, took in slowest.items()),
    ]
    print("\n".join(found))
    keep("Killed in the middle of work", f"./jindle trial kills --rounds {rounds}", found)
    return 0 if not lost and max(slowest.values()) <= LONGEST and set(codes) <= {0, 503} else 1


if __name__ == "__main__":
    raise SystemExit(main())
