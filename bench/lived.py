"""A live Jindle of a trial's own, behind its proxy, without https."""

import os
import subprocess
import threading
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

from ops.watching import DIES_WITH_US

ROOT = Path(__file__).resolve().parent.parent


def live(state: Path, port: int, **also: str) -> subprocess.Popen:
    """Start one that keeps what is its own there; who comes may make an account. It answers already."""
    state.mkdir(parents=True, exist_ok=True)
    told = state / "jindle.toml"
    text = f'hosts = ["localhost"]\nhttps = false\nhttp_port = {port}\nport = {port - 2}\nsign_up = "open"\n'
    told.write_text(text + "".join(f'{name} = "{value}"\n' for name, value in also.items()))
    command = [*DIES_WITH_US, ROOT / "jindle", "live", "--settings", told]
    env = os.environ | {"JINDLE_STATE": str(state)}
    with state.with_name("trial.log").open("a") as log:
        process = subprocess.Popen(command, cwd=ROOT, env=env, stdout=subprocess.PIPE, stderr=log, text=True)
    for line in process.stdout:
        if "Jindle is at" in line:
            break
    else:
        raise SystemExit(f"It did not start; what it said stands in {state.with_name('trial.log')}.")
    threading.Thread(target=process.stdout.read, daemon=True).start()
    return process


@contextmanager
def lived(state: Path, port: int) -> Iterator[str]:
    """One's address for as long as the block lasts."""
    process = live(state, port)
    try:
        yield f"http://localhost:{port}"
    finally:
        process.terminate()
        process.wait()
