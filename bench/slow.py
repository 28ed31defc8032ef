"""Do people who send slowly, or hold a connection and say nothing, hold up anybody?

``./jindle trial slow`` starts a live Jindle of its own with its proxy, asks it a short question, and asks
again while a hundred connections stand idle and fifty uploads come in drop by drop.
"""

import os
import shutil
import socket
import statistics
import threading
import urllib.request
from pathlib import Path

from bench.lived import lived
from bench.trials import keep
from bench.visitor import timed

STATE = Path(os.environ["JINDLE_STATE"])
PORT, IDLE, SLOW, CALLS, MOST = 8757, 100, 50, 60, 3.0
_UPLOAD = b"POST /api/papers/read HTTP/1.1\r\nHost: localhost\r\nContent-Length: 9000000\r\n\r\n"


def _ask() -> None:
    with urllib.request.urlopen(f"http://localhost:{PORT}/api/door", timeout=30) as answer:
        assert answer.status == 200


def _drip(connections: list[socket.socket], ended: threading.Event) -> None:
    while not ended.wait(1):
        for one in connections:
            one.send(b"x")


def main() -> int:
    """The trial; 0 where nobody was held up."""
    shutil.rmtree(STATE, ignore_errors=True)
    with lived(STATE, PORT):
        quiet = [timed(_ask) for _ in range(CALLS)]
        ended = threading.Event()
        held = [socket.create_connection(("localhost", PORT)) for _ in range(IDLE + SLOW)]
        for one in held[IDLE:]:
            one.sendall(_UPLOAD)
        dripping = threading.Thread(target=_drip, args=(held[IDLE:], ended))
        dripping.start()
        busy = [timed(_ask) for _ in range(CALLS)]
        ended.set()
        dripping.join()
        for one in held:
            one.close()
    ratio = statistics.median(busy) / statistics.median(quiet)
    found = [
        f"A short question while {IDLE} connections say nothing and {SLOW} uploads come in drop by drop:"
        f" answered each time, {ratio:.1f} × its quiet time (median; at most {MOST:g} × is wanted), at the"
        f" slowest {max(busy) / statistics.median(quiet):.1f} ×."
    ]
    print("\n".join(found))
    keep("Slow and silent connections", "./jindle trial slow", found)
    return 0 if ratio <= MOST else 1


if __name__ == "__main__":
    raise SystemExit(main())
