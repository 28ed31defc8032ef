"""Installs what is missing: Debian packages, Python and Node packages, the built client."""

import ctypes.util
import hashlib
import importlib.util
import os
import re
import shutil
import subprocess
import sys
import sysconfig
from collections.abc import Iterable
from pathlib import Path

from ops.paths import DIST, PYTHON, ROOT, STATE, VENV, WEB, Trouble

# With these a database server is sent what the others of its cluster hold.
_OF_CLUSTER = {"mariadb-backup": "mariadb-backup", "socat": "socat"}
NODE_WANTED = (20, 19)


def run(*command: str | Path, cwd: Path = ROOT, quiet: bool = False, **environment: str) -> None:
    """Run a command; Trouble with its last lines where it fails."""
    done = subprocess.run(
        [str(part) for part in command],
        cwd=cwd,
        env=os.environ | environment,
        capture_output=quiet,
        text=True,
    )
    if done.returncode:
        told = "\n".join(((done.stdout or "") + (done.stderr or "")).splitlines()[-15:])
        raise Trouble(f"“{' '.join(map(str, command))}” failed.\n{told}".rstrip())


def ensure_system(testing: bool = False, proxy: bool = False, cluster: bool = False) -> None:
    """Debian's packages: the database server, what is built against or set with, a browser for tests."""
    wanted = {
        "mariadb-server": shutil.which("mariadbd") or Path("/usr/sbin/mariadbd").exists(),
        "libmariadb-dev": shutil.which("mariadb_config"),
        "pkg-config": shutil.which("pkg-config"),
        "gcc": shutil.which("gcc"),
        "python3-dev": (Path(sysconfig.get_paths()["include"]) / "Python.h").exists(),
        "python3-venv": importlib.util.find_spec("ensurepip"),
        # WeasyPrint sets its pages with these.
        "libpangoft2-1.0-0": ctypes.util.find_library("pangoft2-1.0"),
        "libharfbuzz-subset0": ctypes.util.find_library("harfbuzz-subset"),
    }
    if testing:
        wanted["chromium"] = shutil.which("chromium")
    if proxy:
        wanted["nginx"] = shutil.which("nginx") or Path("/usr/sbin/nginx").exists()
    if cluster:
        wanted |= {one: shutil.which(program) for one, program in _OF_CLUSTER.items()}
    missing = [package for package, found in wanted.items() if not found]
    if missing:
        _install(missing)


def _install(packages: list[str]) -> None:
    by_hand = f"apt-get update && apt-get install -y --no-install-recommends {' '.join(packages)}"
    if not shutil.which("apt-get"):
        raise Trouble(f"These are missing and this is no Debian: {', '.join(packages)}. Install them first.")
    prefix: list[str] = []
    if os.geteuid() != 0:
        if not shutil.which("sudo") or subprocess.run(["sudo", "-n", "true"], capture_output=True).returncode:
            raise Trouble(f"Debian packages are missing and need an administrator: run as root: {by_hand}")
        prefix = ["sudo", "-n"]
    print(f"Installing {', '.join(packages)} …", flush=True)
    run(*prefix, "apt-get", "update", quiet=True)
    run(
        *prefix, "env", "DEBIAN_FRONTEND=noninteractive",
        "apt-get", "install", "-y", "--no-install-recommends", *packages, quiet=True,
    )  # fmt: skip


def ensure_python(also: str = "") -> None:
    """The virtual environment with the locked packages; ``also`` those for "dev" or for "trials"."""
    lock = ROOT / (f"requirements-{also}.txt" if also else "requirements.txt")
    stamp = VENV / f".{lock.stem}-installed"
    if PYTHON.exists() and _same(stamp, _digest([lock])):
        return
    print("Installing Python packages …", flush=True)
    if not PYTHON.exists():
        run(sys.executable, "-m", "venv", VENV, quiet=True)
    run(PYTHON, "-m", "pip", "install", "--quiet", "--require-hashes", "-r", lock, quiet=True)
    stamp.write_text(_digest([lock]))


def ensure_node() -> None:
    """The client's locked packages."""
    if not shutil.which("node") or not shutil.which("npm"):
        raise Trouble("Node 20.19 or newer is missing; install it (with npm) and run this again.")
    version = subprocess.run(["node", "--version"], capture_output=True, text=True).stdout.strip()
    if tuple(map(int, re.findall(r"\d+", version)[:2])) < NODE_WANTED:
        raise Trouble(f"Node {version} is too old; install Node 20.19 or newer and run this again.")
    stamp, lock = WEB / "node_modules" / ".installed", WEB / "package-lock.json"
    if _same(stamp, _digest([lock])):
        return
    print("Installing Node packages …", flush=True)
    run("npm", "ci", "--no-audit", "--no-fund", cwd=WEB, quiet=True)
    stamp.write_text(_digest([lock]))


def ensure_client() -> None:
    """The built client, as new as its sources."""
    ensure_node()
    sources = [
        path for path in sorted((WEB / "src").rglob("*")) if path.is_file() and path.name != "schema.ts"
    ]
    sources += [WEB / name for name in ("index.html", "vite.config.ts", "package-lock.json", "package.json")]
    sources.append(ROOT / "server" / "schema.yml")
    digest, stamp = _digest(sources), STATE / "client-built"
    if DIST.exists() and _same(stamp, digest):
        return
    print("Building the client …", flush=True)
    run("npm", "run", "--silent", "build", cwd=WEB, quiet=True)
    STATE.mkdir(exist_ok=True)
    stamp.write_text(digest)


def client_stamp() -> str:
    """What tells one built client from another."""
    return (STATE / "client-built").read_text()


def _digest(files: Iterable[Path]) -> str:
    digest = hashlib.sha256()
    for file in files:
        digest.update(str(file.relative_to(ROOT)).encode())
        digest.update(file.read_bytes())
    return digest.hexdigest()


def _same(stamp: Path, digest: str) -> bool:
    return stamp.exists() and stamp.read_text() == digest
