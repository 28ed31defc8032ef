"""A live Jindle of a trial's own, behind its proxy, without https."""

import subprocess
import threading
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

ROOT = Path(__file__).resolve().parent.parent


@contextmanager
def lived(state: Path, port: int) -> Iterator[str]:
    """Its address for as long as the block lasts; who comes may make an account."""
    state.mkdir(parents=True)
    told = state / "jindle.toml"
    told.write_text(
        f'hosts = ["localhost"]\nhttps = false\nhttp_port = {port}\nport = {port - 2}\nsign_up = "open"\n'
    )
    command = [ROOT / "jindle", "live", "--settings", told]
    log = state.with_name("trial.log").open("a")
    with subprocess.Popen(command, cwd=ROOT, stdout=subprocess.PIPE, stderr=log, text=True) as process:
        for line in process.stdout:
            if "Jindle is at" in line:
                break
        threading.Thread(target=process.stdout.read, daemon=True).start()
        try:
            yield f"http://localhost:{port}"
        finally:
            process.terminate()
