"""Somebody signed in over HTTP, made-up supplies, and what a row of the table is."""

import json
import os
import re
import time
import urllib.request
from collections.abc import Callable
from http.cookiejar import CookieJar
from pathlib import Path

import numpy as np

from jindle_core.colorimetry.spaces import on_screen

ADDRESS = os.environ.get("JINDLE_ADDRESS", "")
CALLS = 60
# What is measured, its target, what was found, whether it is met.
Row = tuple[str, str, str, bool]


def timed(action: Callable[[], object]) -> float:
    """Seconds that one call takes."""
    start = time.perf_counter()
    action()
    return time.perf_counter() - start


def supplies(count: int, seed: int) -> np.ndarray:
    """Random colours (count, 3) that a screen can show."""
    random = np.random.default_rng(seed)
    lab = random.uniform([8, -60, -65], [98, 75, 85], (count * 3, 3))
    return lab[on_screen(lab)][:count]


class Visitor:
    """Somebody signed in over HTTP: to the demo studio, or under a name of their own."""

    def __init__(self, name: str = "") -> None:
        self._opener = urllib.request.build_opener(urllib.request.HTTPCookieProcessor(CookieJar()))
        self.jar = next(one for one in self._opener.handlers if hasattr(one, "cookiejar")).cookiejar
        self.get("/")
        self._headers = {"X-CSRFToken": self.token(), "Referer": ADDRESS, "Content-Type": "application/json"}
        own = {"name": name, "password": "measured-and-told"}
        self.post("/api/sign-up", own) if name else self.post("/api/open-demo", {})
        self._headers["X-CSRFToken"] = self.token()

    def token(self) -> str:
        """What forms are sent with."""
        return next(cookie.value for cookie in self.jar if cookie.name == "csrftoken")

    def upload(self, path: str, content: bytes, **values: str) -> list[dict]:
        """The lines of the answer to a file sent with a form."""
        edge = "jindle-bench-boundary"
        parts = [
            f'--{edge}\r\nContent-Disposition: form-data; name="{name}"\r\n\r\n{value}\r\n'
            for name, value in values.items()
        ]
        parts.append(f'--{edge}\r\nContent-Disposition: form-data; name="file"; filename="range.csv"\r\n\r\n')
        body = "".join(parts).encode() + content + f"\r\n--{edge}--\r\n".encode()
        headers = self._headers | {"Content-Type": f"multipart/form-data; boundary={edge}"}
        with self._opener.open(urllib.request.Request(ADDRESS + path, body, headers)) as answer:
            return [json.loads(line) for line in answer]

    def get(self, path: str) -> bytes:
        """The answer's body."""
        with self._opener.open(ADDRESS + path) as answer:
            return answer.read()

    def post(self, path: str, data: dict) -> dict:
        """The answer as JSON."""
        request = urllib.request.Request(ADDRESS + path, json.dumps(data).encode(), self._headers)
        with self._opener.open(request) as answer:
            text = answer.read()
        return json.loads(text) if text else {}


def peak_memory() -> float:
    """The most memory (MB) that any worker of the server has held so far."""
    peaks = []
    for status in Path("/proc").glob("[0-9]*/status"):
        try:
            text = status.read_text()
            command = (status.parent / "cmdline").read_bytes().decode().split("\0")
        except OSError:
            continue
        if any(part.endswith("gunicorn") for part in command) and any(
            ADDRESS.rsplit(":", 1)[1] in one for one in command
        ):
            peaks.append(int(re.search(r"VmHWM:\s*(\d+)", text)[1]) / 1024)
    return max(peaks, default=0.0)
