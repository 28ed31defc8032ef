"""The commands of ``./jindle``."""

import argparse
import os
import signal
import subprocess
import sys
from collections.abc import Callable
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path

from ops import backups, setup, told
from ops.database import Database
from ops.licences import FILE, collected, faults
from ops.living import backup, invite, live, restore, upgrade
from ops.paths import PYTHON, ROOT, STATE, VENV, WEB, Trouble
from ops.serve import (
    check_port,
    database_running,
    environment,
    health,
    prepare,
    running,
    server_running,
    wait_for_end,
    watched,
)
from ops.serve import manage as django
from ops.watching import Running, only_one, watch


def demo(options: argparse.Namespace) -> int:
    """install what is missing, start everything with demo data, print the address"""
    if there := Running().told():
        print(f"Jindle already runs at {there['address']}; ./jindle stop ends it.")
        return 0
    check_port(options.host, options.port, "demo")
    setup.ensure_system()
    setup.ensure_python()
    setup.ensure_client()
    address, database = f"http://{options.host}:{options.port}/", Database()
    with Running().alone({"address": address}), database_running(database):
        env = environment(database, "demo", options.host)
        prepare(env)
        with server_running(env, options.host, options.port) as web:
            print(f"\nJindle is at {address}  (Ctrl-C stops it)", flush=True)
            watch(watched(database, web), lambda words: print(words, flush=True))
    return 0


def stop(options: argparse.Namespace) -> int:
    """end the Jindle that runs from this folder"""
    print("Stopped." if Running().stop() else "Nothing runs.")
    return 0


def status(options: argparse.Namespace) -> int:
    """whether it runs, and what of it is up"""
    there = Running().told()
    if not there:
        print("Nothing runs.")
        return 1
    print(f"Jindle runs at {there['address']} (process {there['pid']})")
    found = health(there["address"])
    for what, words in (
        ("database", "the database answers"),
        ("migrations", "its tables are of this version"),
        ("disk", "there is room on the disk"),
    ):
        print(f"  {'yes' if found.get(what) else 'NO '}  {words}")
    return 0 if found.get("up") else 1


def dev(options: argparse.Namespace) -> int:
    """the same with auto-reload, for working on Jindle"""
    check_port(options.host, options.port, "dev")
    _ensure_all()
    with database_running(Database()) as database:
        env = environment(database, "dev")
        prepare(env)
        # Vite serves the client and hands /api on to Django behind it.
        api = [PYTHON, ROOT / "manage.py", "runserver", "127.0.0.1:8900"]
        client = ["npm", "run", "dev", "--", "--host", options.host, "--port", str(options.port)]
        with running(api, env) as first, running(client, env, cwd=WEB) as second:
            print(f"\nJindle is at http://{options.host}:{options.port}/static/app/", flush=True)
            wait_for_end(first, second)
    return 0


def test(options: argparse.Namespace) -> int:
    """everything that must hold: lint, types, every test; or only what is named"""
    if options.names and all(name.split(".")[0] == "jindle_core" for name in options.names):
        # The core needs neither database, browser nor Node; its packages are built against the system's.
        setup.ensure_system()
        setup.ensure_python("dev")
        return 1 if _tests(environment(Database("test-db", durable=False), "demo"), options) else 0
    _ensure_all()
    with only_one("./jindle test"):
        return _tested(options)


def _tested(options: argparse.Namespace) -> int:
    failed = lint(options)
    with database_running(Database("test-db", durable=False)) as database:
        # "demo" so that the door to the demo studio is there to be tested.
        failed += _tests(environment(database, "demo"), options)
    return 1 if failed else 0


def _tests(env: dict[str, str], options: argparse.Namespace) -> int:
    names = options.names or ["jindle_core", "standins", "demo", "server", "e2e", "ops"]
    # What runs in several processes is not all counted.
    alone = options.names or options.coverage
    how = ["--no-input", "--parallel", "1" if alone else "2", "--timing"]
    if not options.coverage:
        return django(env, "test", *how, *names, python=("-W", "error"))
    failed = django(env, "test", *how, *names, python=("-m", "coverage", "run"))
    subprocess.run([PYTHON, "-m", "coverage", "report"], cwd=ROOT)
    return failed


def lint(options: argparse.Namespace) -> int:
    """style, types and import contracts; --changed in seconds, without the types of the client"""
    if "changed" in options and options.changed:
        setup.ensure_python("dev")
        steps = _of_what_changed()
    else:
        _ensure_all()
        steps = _of_all()
    # The types of models are known to whoever reads the settings; no database is asked.
    env = environment(Database(), "demo")

    def step(told: tuple[list, Path]) -> subprocess.CompletedProcess:
        command, folder = told
        return subprocess.run(command, cwd=folder, env=env, stdout=subprocess.PIPE, stderr=subprocess.STDOUT)

    failed = 0
    with ThreadPoolExecutor(os.cpu_count()) as at_once:
        for done in at_once.map(step, steps):
            print(done.stdout.decode(), end="", flush=True)
            failed += done.returncode != 0
    return failed


_Steps = list[tuple[list[str | Path], Path]]


def _of_all() -> _Steps:
    return [
        *_of_python(["."]),
        ([sys.executable, "-m", "ops.licences"], ROOT),
        (["npm", "run", "--silent", "check"], WEB),
        (["npm", "run", "--silent", "lint"], WEB),
    ]


def _of_python(paths: list[str]) -> _Steps:
    bin_folder = VENV / "bin"
    return [
        ([bin_folder / "mypy"], ROOT),
        ([bin_folder / "ruff", "check", *paths], ROOT),
        ([bin_folder / "ruff", "format", "--check", *paths], ROOT),
        ([bin_folder / "lint-imports", "--no-logo"], ROOT),
    ]


def _of_what_changed() -> _Steps:
    """What a commit would change, and what is new; types and contracts of Python as a whole."""
    told = ["git", "status", "--porcelain", "--no-renames", "--untracked-files=all", "-z"]
    lines = subprocess.run(told, cwd=ROOT, capture_output=True, text=True, check=True).stdout.split("\0")
    there = [line[3:] for line in lines if line and (ROOT / line[3:]).is_file()]
    python = [one for one in there if one.endswith(".py")]
    client = [
        one.removeprefix("web/")
        for one in there
        if one.startswith("web/src/") and one.endswith((".ts", ".vue", ".css"))
    ]
    scripts = [one for one in client if not one.endswith(".css")]
    return [
        *(_of_python(python) if python else []),
        *([(["npx", "eslint", *scripts], WEB)] if scripts else []),
        *([(["npx", "prettier", "--check", *client], WEB)] if client else []),
    ]


def manage(options: argparse.Namespace) -> int:
    """a command of Django's, such as makemigrations or shell, on the demo's database"""
    setup.ensure_system()
    setup.ensure_python("dev")
    with database_running(Database()) as database:
        return django(environment(database, "demo"), *options.arguments)


def bench(options: argparse.Namespace) -> int:
    """measure the speed targets, as ratios in one run, or parts of them; --write keeps the table in docs"""
    return _with_server("bench.run", [*options.parts, *(["--write"] if options.write else [])], port=8750)


# Trials of a whole Jindle of their own, and what runs them.
_WHOLE = {
    "kills": "bench.kills",
    "restore": "bench.restored",
    "slow": "bench.slow",
    "load": "bench.load",
    "cluster": "bench.cluster",
}


def trial(options: argparse.Namespace) -> int:
    """the long trials: of hostile files, of falls, of load, of several machines and others"""
    if options.what == "presses":
        return _with_server("e2e.presses", [], port=8753)
    if options.what == "fuzz":
        setup.ensure_python("trials")
        return _with_server("bench.fuzz", [], port=8770)
    if options.what == "archives":
        return _with_server("bench.archives", [], port=8752)
    _ensure_all()
    if options.what in _WHOLE:
        setup.ensure_python("trials")
        if options.what == "cluster":
            setup.ensure_system(cluster=True)
        env = os.environ | {"JINDLE_STATE": str(STATE / "trial"), "JINDLE_ROUNDS": str(options.rounds)}
        env["JINDLE_MINUTES"] = str(options.minutes)
        return subprocess.run([PYTHON, "-m", _WHOLE[options.what]], cwd=ROOT, env=env).returncode
    if options.what == "hostile":
        return subprocess.run([PYTHON, "-m", "bench.hostile"], cwd=ROOT).returncode
    with only_one("./jindle trial"), database_running(Database("test-db", durable=False)) as database:
        env = environment(database, "demo") | {"JINDLE_EXAMPLES": str(options.examples)}
        return django(env, "test", "--no-input", "server.cards.tests.test_every_change")


def audit(options: argparse.Namespace) -> int:
    """known holes in the packages that are used, where a database of them can be reached"""
    _ensure_all()
    setup.ensure_python("trials")
    lock = ROOT / "requirements.txt"
    python = [VENV / "bin" / "pip-audit", "--require-hashes", "--disable-pip", "-r", lock]
    failed = subprocess.run(python, cwd=ROOT).returncode
    return subprocess.run(["npm", "audit", "--omit=dev"], cwd=WEB).returncode or failed


def reset(options: argparse.Namespace) -> int:
    """the demo studio as it was at first; accounts and their cards stay"""
    setup.ensure_system()
    setup.ensure_python()
    setup.ensure_client()
    with database_running(Database()) as database:
        env = environment(database, "demo")
        prepare(env)
        return django(env, "set_back_demo")


def shots(options: argparse.Namespace) -> int:
    """take the pictures in docs/screenshots from the demo data"""
    return _with_server("e2e.shots", [], port=8751)


def _with_server(module: str, arguments: list[str], port: int) -> int:
    """Run a module against a fresh server with the demo data, in a database of its own."""
    _ensure_all()
    check_port("127.0.0.1", port, "help")
    with only_one("./jindle bench"), database_running(Database("scratch-db")) as database:
        env = environment(database, "demo")
        if django(env, "reset_db"):
            raise Trouble("The scratch database could not be emptied.")
        prepare(env)
        with server_running(env, "127.0.0.1", port):
            env["JINDLE_ADDRESS"] = f"http://127.0.0.1:{port}"
            return subprocess.run([PYTHON, "-m", module, *arguments], cwd=ROOT, env=env).returncode


def db(options: argparse.Namespace) -> int:
    """the demo's database: db start, db stop, db shell"""
    database = Database()
    if options.what == "stop":
        database.stop()
        return 0
    setup.ensure_system()
    database.start(outlives=True)
    if options.what == "shell":
        return subprocess.run([*database.shell(), "jindle"]).returncode
    print("The database runs; ./jindle db stop ends it.")
    return 0


def schema(options: argparse.Namespace) -> int:
    """write the schemas of the API and of recipe files anew after a change of either"""
    setup.ensure_python("dev")
    env = environment(Database(), "demo")
    return django(env, "spectacular", "--file", "server/schema.yml", "--validate") or django(
        env, "recipe_schema"
    )


def letters(options: argparse.Namespace) -> int:
    """write the outlines of the letters anew out of the face that ships"""
    _ensure_all()
    return subprocess.run([PYTHON, "-m", "demo.letters"], cwd=ROOT).returncode


def licences(options: argparse.Namespace) -> int:
    """write docs/licences.md anew, and say what of what ships may not"""
    _ensure_all()
    FILE.write_text(collected())
    print(*(found := faults()), sep="\n")
    return 1 if found else 0


def lock(options: argparse.Namespace) -> int:
    """write the Python lock files anew from requirements*.in"""
    setup.ensure_python("dev")
    for name in ("requirements", "requirements-dev", "requirements-trials"):
        setup.run(
            VENV / "bin" / "uv", "pip", "compile", "--quiet", "--generate-hashes", "--no-header",
            "--python-version", "3.11", f"{name}.in", "-o", f"{name}.txt",
        )  # fmt: skip
    return 0


def _ensure_all() -> None:
    setup.ensure_system(testing=True)
    setup.ensure_python()
    setup.ensure_python("dev")
    setup.ensure_client()


COMMANDS: dict[str, Callable[[argparse.Namespace], int]] = {
    command.__name__: command
    for command in (
        demo,
        test,
        live,
        invite,
        stop,
        status,
        backup,
        restore,
        upgrade,
        dev,
        reset,
        lint,
        manage,
        bench,
        trial,
        audit,
        shots,
        db,
        schema,
        letters,
        licences,
        lock,
    )
}


def main(arguments: list[str]) -> int:
    """Run the command named first."""
    parser = argparse.ArgumentParser(prog="./jindle", description="Jindle: one palette, every medium.")
    commands = parser.add_subparsers(dest="command", metavar="command")
    commands.add_parser("help", help="this list")
    made = {
        name: commands.add_parser(name, help=command.__doc__, description=command.__doc__)
        for name, command in COMMANDS.items()
    }
    for name, port in (("demo", 8000), ("dev", 5173)):
        made[name].add_argument(
            "--host", default="127.0.0.1", help="listen elsewhere than on this machine only"
        )
        made[name].add_argument("--port", type=int, default=port)
    made["test"].add_argument(
        "names", nargs="*", help="only these, such as jindle_core or e2e.tests.test_story"
    )
    made["test"].add_argument("--coverage", action="store_true", help="print what is not reached")
    made["lint"].add_argument("--changed", action="store_true", help="only what git says has changed")
    made["manage"].add_argument("arguments", nargs=argparse.REMAINDER, help="as Django's manage.py has them")
    made["bench"].add_argument("parts", nargs="*", help="only these, such as screens or colourways")
    made["bench"].add_argument("--write", action="store_true", help="keep the table in docs/benchmarks.md")
    trials = ("hostile", "archives", "changes", "presses", "fuzz", *_WHOLE)
    made["trial"].add_argument("what", choices=trials)
    made["trial"].add_argument("--rounds", type=int, default=100, help="of kills")
    made["trial"].add_argument("--minutes", type=float, default=5, help="of work under load")
    made["trial"].add_argument("--examples", type=int, default=150, help="of sequences of changes")
    for name in ("live", "invite"):
        made[name].add_argument("--settings", type=Path, default=told.FILE, help="the file of settings")
    made["live"].add_argument("--new", action="store_true", help="write one to be filled in")
    made["live"].add_argument("--units", type=Path, metavar="FOLDER", help="write systemd's units there")
    made["backup"].add_argument("--to", type=Path, default=backups.FOLDER, help="the folder")
    made["backup"].add_argument("--clear-out", action="store_true", help="delete what need not be kept")
    made["restore"].add_argument("file", type=Path, nargs="?", help="the backup")
    made["restore"].add_argument("--over", action="store_true", help="in place of what is stored")
    made["restore"].add_argument("--back", action="store_true", help="what was stored before the last one")
    made["restore"].add_argument(
        "--foreign", action="store_true", help="it was taken by another installation, and is known to be good"
    )
    made["upgrade"].add_argument("--only-try", action="store_true", help="leave what is stored as it is")
    made["db"].add_argument("what", choices=("start", "stop", "shell"))
    options = parser.parse_args(arguments)
    if options.command in (None, "help"):
        parser.print_help()
        return 0
    os.chdir(ROOT)
    signal.signal(signal.SIGTERM, lambda *_: sys.exit(143))
    try:
        return COMMANDS[options.command](options)
    except Trouble as trouble:
        print(trouble, file=sys.stderr)
        return 1
    except KeyboardInterrupt:
        return 130
