"""The commands of ``./jindle`` for a machine that people rely on."""

import argparse
import os
import shutil
from contextlib import ExitStack
from pathlib import Path

from ops import backups, heavy, setup, told
from ops.database import Database
from ops.paths import ROOT, STATE, Trouble
from ops.proxy import Proxy
from ops.serve import (
    check_port,
    database_running,
    environment,
    forget_figures,
    health,
    live_environment,
    manage,
    prepare,
    server_running,
    watched,
)
from ops.watching import Running, Watched, watch


def live(options: argparse.Namespace) -> int:
    """for people to rely on: behind a proxy, from a file of settings, which --new writes"""
    if options.new:
        told.new(options.settings)
        print(f"{options.settings} is to be filled in.")
        return 0
    if options.units:
        return _units(options.units, options.settings)
    said = told.read(options.settings)
    address = f"http{'s' if said['https'] else ''}://{said['hosts'][0]}"
    if there := Running().told():
        print(f"Jindle already runs at {there['address']}; ./jindle stop ends it.")
        return 0
    for port in {
        said["port"],
        said["port"] + 1,
        said["http_port"],
        *([said["https_port"]] if said["https"] else []),
    }:
        check_port("0.0.0.0", port, "live", f"end what holds it, or say another in {options.settings}")
    setup.ensure_system(proxy=True)
    setup.ensure_python()
    setup.ensure_client()
    own = None if "database" in said else Database()
    inside = f"http://127.0.0.1:{said['port']}/"
    with Running().alone({"address": inside, "outside": address}), ExitStack() as ends:
        if own is not None:
            ends.enter_context(database_running(own))
        env = live_environment(own, told.environment(said))
        prepare(env)
        forget_figures(env)
        here = "127.0.0.1"
        web = ends.enter_context(server_running(env, here, said["port"], workers=2 * (os.cpu_count() or 1)))
        few = {"workers": heavy.WORKERS, "threads": heavy.THREADS, "nice": heavy.NICE}
        pool = ends.enter_context(server_running(env, here, said["port"] + 1, **few))
        if not health(inside)["migrations"]:
            raise Trouble(
                "What is stored is of a newer version of Jindle than this one: bring this up to it."
            )
        front = Proxy(said, env)
        ends.callback(front.stop)
        front.start()
        print(f"Jindle is at {address}", flush=True)
        also = [
            Watched("The pool for heavy work", pool.start, pool.alive),
            Watched("The proxy", front.start, front.alive),
        ]
        watch([*watched(own, web), *also], lambda words: print(words, flush=True))
    return 0


def _units(folder: Path, settings: Path) -> int:
    folder.mkdir(parents=True, exist_ok=True)
    for template in (ROOT / "ops" / "live").glob("jindle*.*"):
        text = template.read_text().format(root=ROOT, state=STATE, settings=settings.resolve())
        (folder / template.name).write_text(text)
        print(folder / template.name)
    return 0


def invite(options: argparse.Namespace) -> int:
    """a code with which one account can be made in a live Jindle that asks for one"""
    said = told.read(options.settings)
    own = None if "database" in said else Database()
    with ExitStack() as ends:
        if own is not None:
            ends.enter_context(database_running(own))
        return manage(live_environment(own, told.environment(said)), "invite")


def backup(options: argparse.Namespace) -> int:
    """everything that is stored as one file, also while it runs; old ones are cleared out with --clear-out"""
    with database_running(_own_database()) as database:
        print(backups.back_up(database, options.to))
    if options.clear_out:
        for file in backups.clear_out(options.to):
            print(f"{file.name} is not needed any more")
    return 0


def restore(options: argparse.Namespace) -> int:
    """a backup in place of what is stored; with --back what was stored before that"""
    if there := Running().told():
        raise Trouble(f"Jindle runs at {there.get('address')}; end it first with ./jindle stop.")
    if bool(options.file) == options.back:
        raise Trouble("Say which backup, or --back.")
    setup.ensure_system()
    with database_running(_own_database()) as database:
        if options.back:
            backups.take_back(database)
        else:
            backups.restore(database, options.file, options.over, options.foreign)
    print("It is in its place. What was stored before is kept: ./jindle restore --back puts it back.")
    return 0


def upgrade(options: argparse.Namespace) -> int:
    """what is stored for this version of the program: tried on a copy first, with a backup to go back to"""
    if there := Running().told():
        raise Trouble(f"Jindle runs at {there['address']}; end it first with ./jindle stop.")
    setup.ensure_system()
    setup.ensure_python()
    with database_running(_own_database()) as database:
        file = backups.back_up(database)
        _try_on_copy(file)
        print(f"It was tried on a copy. The way back: the version before, and ./jindle restore --over {file}")
        if not options.only_try:
            _migrate(environment(database, "live"))
            print("What is stored is of this version now.")
    return 0


def _try_on_copy(file: Path) -> None:
    copy = Database("tried-db", durable=False)
    shutil.rmtree(copy.home, ignore_errors=True)
    copy.start()
    try:
        backups.restore(copy, file)
        _migrate(environment(copy, "live"))
    finally:
        copy.stop()
        shutil.rmtree(copy.home, ignore_errors=True)


def _migrate(env: dict[str, str]) -> None:
    for step in (("migrate", "--no-input", "--verbosity", "0"), ("try_cards",)):
        if manage(env, *step):
            raise Trouble(f"“manage.py {step[0]}” failed; what it said stands above.")


def _own_database() -> Database:
    if os.environ.get("JINDLE_DATABASE"):
        raise Trouble("The database is another's (JINDLE_DATABASE): back it up where it stands.")
    return Database()
