"""Backups: everything that is stored, as one file, taken while it runs; and back.

Pictures are kept in the database, so that one consistent dump of it is all of it. A backup is a gzipped SQL
file, and beside it a note (JSON) with the digest of what is in it, sealed with the installation's key: so
nobody who can write into the folder makes one that is restored.
"""

import gzip
import hashlib
import hmac
import json
import re
import subprocess
import zlib
from collections.abc import Iterable, Iterator
from datetime import UTC, date, datetime
from pathlib import Path

from ops.database import Database
from ops.paths import STATE, Trouble
from ops.serve import secret

FOLDER = STATE / "backups"
_NOW, _READ, _BEFORE = "jindle", "jindle_restored", "jindle_before"
_STAMP = "%Y-%m-%dT%H%M%SZ"
_NAMED = re.compile(r"jindle-(\d{4}-\d{2}-\d{2})T\d{6}Z\.sql\.gz")
_CHUNK = 1024 * 1024
# A fortnight day by day, a quarter week by week, two years month by month.
DAYS, WEEKS, MONTHS = 14, 13, 24


def back_up(database: Database, folder: Path = FOLDER) -> Path:
    """A backup in a folder; Trouble where it cannot be taken whole, and then nothing is left of it."""
    folder.mkdir(parents=True, exist_ok=True)
    taken = datetime.now(UTC).strftime(_STAMP)
    file = folder / f"jindle-{taken}.sql.gz"
    half, digest = file.with_suffix(".half"), hashlib.sha256()
    half.touch(mode=0o600)
    try:
        with gzip.open(half, "wb", compresslevel=6) as out:
            for part in _dumped(database, _NOW):
                digest.update(part)
                out.write(part)
        told = {"taken": taken, "sha256": digest.hexdigest()}
        _note(file).write_text(json.dumps(told | {"seal": _seal(taken, digest.hexdigest())}))
        half.rename(file)
    except OSError as error:
        raise Trouble(f"The backup could not be written to {folder}: {error.strerror}") from None
    finally:
        half.unlink(missing_ok=True)
    return file


def restore(database: Database, file: Path, over: bool = False, foreign: bool = False) -> None:
    """What a backup holds in place of what is stored, which can be had back (``take_back``).

    It is read beside what is there, compared with what was taken, and put in its place at once. Trouble where
    the file is not whole, where something is stored and ``over`` was not said, where anything differs, and
    where it was not taken here unless ``foreign`` says that it is another installation's, known to be good.
    """
    wanted = _told(file, foreign)
    if _tables(database, _NOW) and not over:
        raise Trouble("Something is stored already; say --over to put the backup in its place.")
    _run(database, f"DROP DATABASE IF EXISTS {_READ}; CREATE DATABASE {_READ} CHARACTER SET utf8mb4")
    command = [*database.shell(), "--sandbox", _READ]  # what is read runs no command and opens no file
    with subprocess.Popen(command, stdin=subprocess.PIPE, stderr=subprocess.PIPE) as reading:
        try:
            for part in _unpacked(file):
                reading.stdin.write(part)
            reading.stdin.close()
        except BrokenPipeError:
            pass
        said = reading.stderr.read().decode(errors="replace").strip()
    if reading.returncode:
        raise Trouble(f"The backup could not be read back: {said[-400:]}")
    digest = hashlib.sha256()
    for part in _dumped(database, _READ):
        digest.update(part)
    if digest.hexdigest() != wanted:
        raise Trouble("What was read back is not what was taken; nothing was changed.")
    _put_in_place(database, _READ)


def take_back(database: Database) -> None:
    """What was stored before the last restore, again; what that brought can be had back in the same way."""
    if not _tables(database, _BEFORE):
        raise Trouble("Nothing is kept from before a restore.")
    _run(database, f"DROP DATABASE IF EXISTS {_READ}; CREATE DATABASE {_READ} CHARACTER SET utf8mb4")
    moved = ", ".join(f"{_BEFORE}.`{one}` TO {_READ}.`{one}`" for one in _tables(database, _BEFORE))
    _run(database, f"RENAME TABLE {moved}")
    _put_in_place(database, _READ)


def _put_in_place(database: Database, fresh: str) -> None:
    """All tables of a database in place of those that stand, in one step; those are kept beside."""
    _run(database, f"DROP DATABASE IF EXISTS {_BEFORE}; CREATE DATABASE {_BEFORE} CHARACTER SET utf8mb4")
    away = [f"{_NOW}.`{one}` TO {_BEFORE}.`{one}`" for one in _tables(database, _NOW)]
    here = [f"{fresh}.`{one}` TO {_NOW}.`{one}`" for one in _tables(database, fresh)]
    _run(database, f"RENAME TABLE {', '.join([*away, *here])}")
    _run(database, f"DROP DATABASE {fresh}")


def kept(days: Iterable[date], today: date) -> set[date]:
    """Which days' backups stay: the last of each day, week and month, as far back as each is kept."""
    found: set[date] = set()
    newest = sorted(set(days), reverse=True)
    for most, part in (
        (DAYS, lambda day: day),
        (WEEKS, lambda day: day.isocalendar()[:2]),
        (MONTHS, lambda day: (day.year, day.month)),
    ):
        parts: dict[object, date] = {}
        for day in newest:
            parts.setdefault(part(day), day)
        found.update(list(parts.values())[:most])
    return found | {day for day in newest if day >= today}


def clear_out(folder: Path = FOLDER, today: date | None = None) -> list[Path]:
    """Delete the backups that need not be kept; those that were deleted. Of one day the last stays."""
    by_day: dict[date, list[Path]] = {}
    for file in sorted(folder.glob("jindle-*.sql.gz")):
        if named := _NAMED.fullmatch(file.name):
            by_day.setdefault(date.fromisoformat(named[1]), []).append(file)
    now = today or datetime.now(UTC).date()
    staying = kept(by_day, now)
    gone = [
        file for day, files in by_day.items() if day < now for file in files[: -1 if day in staying else None]
    ]
    for file in gone:
        file.unlink()
        _note(file).unlink(missing_ok=True)
    return gone


def _note(file: Path) -> Path:
    return file.with_name(file.name.removesuffix(".sql.gz") + ".json")


def _seal(taken: str, digest: str) -> str:
    """What only this installation can write under a backup."""
    return hmac.new(secret().encode(), f"backup {taken} {digest}".encode(), hashlib.sha256).hexdigest()


def _told(file: Path, foreign: bool) -> str:
    """The digest that the note tells, which the file has; Trouble where they are not one another's."""
    if not file.exists() or not _note(file).exists():
        raise Trouble(f"{file} and the note beside it ({_note(file).name}) make a backup; one is not there.")
    try:
        note = json.loads(_note(file).read_text())
        wanted, sealed = note["sha256"], _seal(note["taken"], note["sha256"])
        is_own = hmac.compare_digest(note.get("seal", ""), sealed)
    except (ValueError, KeyError, TypeError, AttributeError):
        raise Trouble(f"{_note(file)} is no note of a backup.") from None
    if not is_own and not foreign:
        raise Trouble(
            f"{file} was not taken by this Jindle: whoever wrote it could have put anything into it. If it is"
            " another installation's, or older than seals are, and you know where it was, say --foreign."
        )
    digest = hashlib.sha256()
    for part in _unpacked(file):
        digest.update(part)
    if digest.hexdigest() != wanted:
        raise Trouble(f"{file} is not what was taken: it was changed since, or is another one.")
    return wanted


def _unpacked(file: Path) -> Iterator[bytes]:
    try:
        with gzip.open(file) as packed:
            while part := packed.read(_CHUNK):
                yield part
    except (EOFError, gzip.BadGzipFile, zlib.error):
        raise Trouble(f"{file} is not whole.") from None


def _dumped(database: Database, name: str) -> Iterator[bytes]:
    """All that is stored under a name, as of one moment, in an order of its own."""
    command = [
        "mariadb-dump", "--no-defaults", f"--socket={database.socket}", "--single-transaction", "--quick",
        "--skip-lock-tables", "--hex-blob", "--order-by-primary", "--skip-comments", name,
    ]  # fmt: skip
    with subprocess.Popen(command, stdout=subprocess.PIPE, stderr=subprocess.PIPE) as process:
        while part := process.stdout.read(_CHUNK):
            yield part
        said = process.stderr.read().decode(errors="replace").strip()
    if process.returncode:
        raise Trouble(f"The database could not be read whole: {said[-400:]}")


def _tables(database: Database, name: str) -> list[str]:
    if name not in _run(database, "SHOW DATABASES").split():
        return []
    return _run(database, f"SHOW TABLES FROM {name}").split()[1:]


def _run(database: Database, sql: str) -> str:
    done = database.query(sql)
    if done.returncode:
        raise Trouble(f"The database refuses: {done.stderr.strip()[-400:]}")
    return done.stdout
