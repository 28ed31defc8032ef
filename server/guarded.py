"""How is work on a foreign file kept from stopping everybody? In a process of its own, with limits.

``python -m server.guarded`` is that process: it reads which function and with
what from its input and writes what it gave, or raised, to its output.
"""

import pickle
import resource
import subprocess
import sys
from collections.abc import Callable
from typing import Any, TypeVar

from jindle_core.errors import BadInput, Problem

Given = TypeVar("Given")
Made = TypeVar("Made")
_SECONDS = 5  # of computing
_PATIENCE = 12  # times as long is waited, on a busy machine
_MEGABYTES = 500


def guarded(
    work: Callable[[Given], Made], content: Given, seconds: int = _SECONDS, megabytes: int = _MEGABYTES
) -> Made:
    """What a module's function gives for a file; BadInput where it takes too long or too much."""
    try:
        done = subprocess.run(
            [sys.executable, "-m", "server.guarded", str(seconds), str(megabytes)],
            input=pickle.dumps((work, content)),
            capture_output=True,
            timeout=_PATIENCE * seconds,
            env={"OPENBLAS_NUM_THREADS": "1", "PATH": "", "PYTHONPATH": ":".join(filter(None, sys.path))},
        )
    except subprocess.TimeoutExpired:
        raise _too_much() from None
    if done.returncode or not done.stdout:
        raise _too_much()
    found: Made
    found, fault = pickle.loads(done.stdout)
    if fault is not None:
        raise fault
    return found


def _too_much() -> BadInput:
    words = "This file takes too long, or too much memory, to read. Make it smaller or simpler."
    return BadInput(Problem(words, field="file"))


def _main() -> None:
    seconds, megabytes = map(int, sys.argv[1:])
    resource.setrlimit(resource.RLIMIT_CPU, (seconds, seconds))
    resource.setrlimit(resource.RLIMIT_DATA, (megabytes * 2**20,) * 2)
    work, content = pickle.loads(sys.stdin.buffer.read())
    try:
        answer: tuple[Any, BadInput | None] = (work(content), None)
    except BadInput as fault:
        answer = (None, fault)
    except (MemoryError, RecursionError):
        answer = (None, _too_much())
    sys.stdout.buffer.write(pickle.dumps(answer))


if __name__ == "__main__":
    _main()
