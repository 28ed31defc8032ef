"""Keeps what was started alive: starts it again when it dies, and lets nothing outlive us."""

import fcntl
import json
import os
import signal
import subprocess
import time
from collections.abc import Callable, Iterator
from contextlib import contextmanager, suppress
from dataclasses import dataclass, field
from pathlib import Path

from ops.paths import ROOT, STATE, Trouble

LOOKS = 0.5  # seconds between two looks
_FIRST, _LONGEST = 0.2, 5.0  # seconds before a start again: doubled each time, begun anew after a calm while
_CALM = 60
_KINDLY = 10  # seconds that something is given to end
# In front of a command: the kernel ends it when we end, however that is.
DIES_WITH_US = ("setpriv", "--pdeathsig", "TERM")
DIES_AT_ONCE = ("setpriv", "--pdeathsig", "KILL")  # waits for nobody: another start wants its place


@dataclass
class Watched:
    """Something that runs: how it is started, and whether it lives."""

    name: str
    start: Callable[[], object]
    alive: Callable[[], bool]
    wait: float = _FIRST
    begun: float = field(default_factory=time.monotonic)
    again_at: float | None = None

    def look(self, now: float) -> str:
        """Start it again where it died; what happened in words, or nothing."""
        if self.again_at is None:
            if self.alive():
                return ""
            self.wait = _FIRST if now - self.begun > _CALM else min(self.wait * 2, _LONGEST)
            self.again_at = now + self.wait
            return f"{self.name} died"
        if now < self.again_at:
            return ""
        try:
            self.start()
        except (Trouble, OSError, subprocess.SubprocessError) as trouble:
            self.wait = min(self.wait * 2, _LONGEST)
            self.again_at = time.monotonic() + self.wait
            return f"{self.name} did not start again: {trouble}"
        self.begun, self.again_at = time.monotonic(), None
        return f"{self.name} was started again"


def watch(watched: list[Watched], tell: Callable[[str], None]) -> None:
    """Look after them until Ctrl-C or a request to end."""
    ended = []
    signal.signal(signal.SIGTERM, lambda *_: ended.append(True))
    try:
        while not ended:
            for one in watched:
                if words := one.look(time.monotonic()):
                    tell(words)
            time.sleep(LOOKS)
    except KeyboardInterrupt:
        pass
    tell("Stopping …")


@contextmanager
def only_one(what: str, file: Path = STATE / "testing") -> Iterator[None]:
    """Hold the place of what wants the test database to itself; Trouble that names who holds it."""
    file.parent.mkdir(parents=True, exist_ok=True)
    with file.open("a+") as held:
        try:
            fcntl.flock(held, fcntl.LOCK_EX | fcntl.LOCK_NB)
        except OSError:
            held.seek(0)
            there = held.read() or "another"
            raise Trouble(f"{there} runs in this folder, on the same database: wait for its end.") from None
        held.truncate(0)
        held.write(f"{what} (process {os.getpid()})")
        held.flush()
        try:
            yield
        finally:
            held.truncate(0)


class Running:
    """That there is one of us: who it is, and where; another start finds it."""

    def __init__(self, file: Path = STATE / "running") -> None:
        self._file = file

    @contextmanager
    def alone(self, told: dict[str, object]) -> Iterator[None]:
        """Hold the place for as long as the block lasts; Trouble that names who holds it."""
        self._file.parent.mkdir(parents=True, exist_ok=True)
        with self._file.open("a+") as held:
            try:
                fcntl.flock(held, fcntl.LOCK_EX | fcntl.LOCK_NB)
            except OSError:
                there = self.told()
                if not there:
                    raise Trouble("Another Jindle is just being started here.") from None
                words = f"Jindle already runs at {there['address']} (process {there['pid']})"
                raise Trouble(f"{words}; ./jindle stop ends it.") from None
            held.truncate(0)
            held.write(json.dumps(told | {"pid": os.getpid()}))
            held.flush()
            try:
                yield
            finally:
                held.truncate(0)

    def told(self) -> dict | None:
        """Who runs and where; None where nobody does."""
        try:
            with self._file.open() as there:
                try:
                    fcntl.flock(there, fcntl.LOCK_SH | fcntl.LOCK_NB)
                except OSError:
                    text = there.read()
                    return json.loads(text) if text else {}
        except OSError:
            return None
        return None

    def fell(self) -> bool:
        """Whether the last one was killed: what it started may hold its ports for some seconds more."""
        return self.told() is None and self._file.exists() and self._file.stat().st_size > 0

    def stop(self, patience: float = 30) -> bool:
        """End it and wait until it has ended; False where nobody runs."""
        there = self.told()
        if not there:
            return False
        os.kill(there["pid"], signal.SIGTERM)
        deadline = time.monotonic() + patience
        while self.told() is not None:
            if time.monotonic() > deadline:
                raise Trouble(f"Process {there['pid']} does not end; kill -9 {there['pid']} ends it at once.")
            time.sleep(0.1)
        return True


class Service:
    """A command that runs for long, with all that it starts: one group of processes, which ends with us."""

    dies = DIES_WITH_US

    def __init__(self, command: list[str | Path], env: dict[str, str], cwd: Path = ROOT) -> None:
        self._command, self._env, self._cwd = command, env, cwd
        self._process: subprocess.Popen | None = None

    def start(self) -> subprocess.Popen:
        """Start it; what is left of it before is ended first."""
        self.stop()
        self._process = subprocess.Popen(
            [*self.dies, *map(str, self._command)], env=self._env, cwd=self._cwd, start_new_session=True
        )
        return self._process

    def alive(self) -> bool:
        """Whether its first process lives."""
        return self._process is not None and self._process.poll() is None

    def stop(self) -> None:
        """End it, and all that it started: kindly, or at once where it died and left them."""
        if self._process is None:
            return
        kindly = self.alive()
        with suppress(ProcessLookupError):
            os.killpg(self._process.pid, signal.SIGTERM if kindly else signal.SIGKILL)
        try:
            self._process.wait(timeout=_KINDLY)
        except subprocess.TimeoutExpired:
            os.killpg(self._process.pid, signal.SIGKILL)
            self._process.wait()
        self._process = None
