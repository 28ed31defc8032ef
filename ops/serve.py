"""Starts the application and ends everything that was started."""

import json
import os
import secrets
import shutil
import signal
import socket
import subprocess
import sys
import time
import urllib.error
import urllib.request
from contextlib import contextmanager
from pathlib import Path

from ops.database import Database
from ops.paths import PYTHON, ROOT, STATE, VENV, Trouble
from ops.setup import client_stamp
from ops.watching import DIES_AT_ONCE, Running, Service, Watched

_PATIENCE = 60
_LETS_GO = 10  # seconds: longer than workers are given to end
# A core for each process: small arrays gain nothing by threads, which hinder what runs beside them.
_ONE_CORE = {"OPENBLAS_NUM_THREADS": "1"}


def environment(database: Database, mode: str, host: str = "127.0.0.1") -> dict[str, str]:
    """What the server is told by its environment; JINDLE_DATABASE from outside wins."""
    return os.environ | {
        "DJANGO_SETTINGS_MODULE": "server.settings",
        "JINDLE_DATABASE": os.environ.get("JINDLE_DATABASE") or database.url,
        "JINDLE_SECRET": secret(),
        "JINDLE_MODE": mode,
        "JINDLE_HOSTS": ",".join(
            dict.fromkeys(["127.0.0.1", "localhost", host if host != "0.0.0.0" else "*"])
        ),
        "JINDLE_STATIC": str(STATE / "static"),
        "PYTHONUNBUFFERED": "1",
        **_ONE_CORE,
    }


def live_environment(database: Database | None, told: dict[str, str]) -> dict[str, str]:
    """What a live server is told: what its settings say, and what is its own where they say nothing."""
    own = {
        "DJANGO_SETTINGS_MODULE": "server.settings",
        "JINDLE_SECRET": secret(),
        "JINDLE_STATIC": str(STATE / "static"),
        "PROMETHEUS_MULTIPROC_DIR": str(STATE / "figures"),
        "PYTHONUNBUFFERED": "1",
        **_ONE_CORE,
    }
    if database is not None:
        own["JINDLE_DATABASE"] = database.url
    return os.environ | own | told


def forget_figures(env: dict[str, str]) -> None:
    """Those of processes that are gone."""
    figures = Path(env["PROMETHEUS_MULTIPROC_DIR"])
    shutil.rmtree(figures, ignore_errors=True)
    figures.mkdir(parents=True)


def secret() -> str:
    """The signing key, made on the first run."""
    file = STATE / "secret"
    if not file.exists():
        STATE.mkdir(exist_ok=True)
        file.touch(mode=0o600)
        file.write_text(secrets.token_urlsafe(50))
    return file.read_text()


def manage(env: dict[str, str], *arguments: str, python: tuple[str, ...] = ()) -> int:
    """Run one of Django's commands."""
    return subprocess.run([PYTHON, *python, ROOT / "manage.py", *arguments], cwd=ROOT, env=env).returncode


def prepare(env: dict[str, str]) -> None:
    """Bring the database up to date, load what comes with Jindle, collect the client's files."""
    collected = STATE / "static-collected"
    fresh = collected.exists() and collected.read_text() == client_stamp()
    if manage(env, "prepare", *([] if fresh else ["--collect"])):
        raise Trouble("“manage.py prepare” failed; what it said stands above.")
    collected.write_text(client_stamp())


def check_port(host: str, port: int, command: str, instead: str = "") -> None:
    """Trouble where the port is taken, with what to do instead, or the command with another port.

    After one of us was killed it is waited for: what that had started lets go of it.
    """
    deadline = time.monotonic() + (_LETS_GO if Running().fell() else 0)
    while True:
        with socket.socket() as probe:
            probe.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
            try:
                probe.bind((host, port))
            except OSError:
                if time.monotonic() > deadline:
                    instead = instead or f"run ./jindle {command} --port {port + 1}"
                    raise Trouble(f"Port {port} is taken; {instead}") from None
            else:
                return
        time.sleep(0.2)


@contextmanager
def database_running(database: Database):
    """The database for as long as the block lasts; one that ran before is left running."""
    started = False
    if not os.environ.get("JINDLE_DATABASE"):
        started = database.start()
    try:
        yield database
    finally:
        if started:
            database.stop()


class Web(Service):
    """The application served by gunicorn, which starts workers again by itself."""

    dies = DIES_AT_ONCE

    def __init__(
        self, env: dict[str, str], host: str, port: int, workers: int = 2, threads: int = 16, nice: int = 0
    ) -> None:
        self.address = f"http://{'127.0.0.1' if host == '0.0.0.0' else host}:{port}"
        # Many threads: whoever sends slowly takes one, and they cost next to nothing.
        command = [
            "nice", f"-n{nice}",
            VENV / "bin" / "gunicorn", "server.wsgi", f"--bind={host}:{port}", f"--workers={workers}",
            f"--threads={threads}", "--preload", "--no-control-socket", "--log-level=warning",
            "--graceful-timeout=5", f"--config={ROOT / 'ops' / 'live' / 'gunicorn.conf.py'}",
            f"--chdir={ROOT}",
        ]  # fmt: skip
        super().__init__(command, env)

    def start(self) -> subprocess.Popen:
        """Start it, and wait until it answers."""
        process = super().start()
        _answers(f"{self.address}/api/health", process)
        return process


@contextmanager
def server_running(env: dict[str, str], host: str, port: int, **how: int):
    """The application for as long as the block lasts."""
    web = Web(env, host, port, **how)
    try:
        web.start()
        yield web
    finally:
        web.stop()


def watched(database: Database | None, web: Web) -> list[Watched]:
    """The application, and the database where it is its own, to be looked after."""
    found = [Watched("The application", web.start, web.alive)]
    if database is not None and not os.environ.get("JINDLE_DATABASE"):
        found.insert(0, Watched("The database", database.start, database.alive))
    return found


@contextmanager
def running(command: list[str | Path], env: dict[str, str], cwd: Path = ROOT):
    """A process for as long as the block lasts."""
    service = Service(command, env, cwd)
    try:
        yield service.start()
    finally:
        service.stop()


def health(address: str) -> dict[str, bool]:
    """What of it is up, as it says itself; empty where it does not answer."""
    try:
        with urllib.request.urlopen(f"{address.rstrip('/')}/api/health", timeout=5) as answer:
            return json.load(answer)
    except urllib.error.HTTPError as error:
        return json.load(error) if error.code == 503 else {}
    except (OSError, ValueError):
        return {}


def _answers(address: str, process: subprocess.Popen) -> None:
    deadline = time.monotonic() + _PATIENCE
    while time.monotonic() < deadline and process.poll() is None:
        try:
            urllib.request.urlopen(address, timeout=2).close()
            return
        except urllib.error.HTTPError:
            return  # it answers, though not well
        except OSError:
            time.sleep(0.1)
    raise Trouble("The application did not start; what it said stands above.")


def wait_for_end(*processes: subprocess.Popen) -> None:
    """Wait for Ctrl-C, a request to end, or the end of a process."""
    signal.signal(signal.SIGTERM, lambda *_: sys.exit(0))
    try:
        while all(process.poll() is None for process in processes):
            time.sleep(0.3)
    except KeyboardInterrupt:
        print("\nStopping …", flush=True)
