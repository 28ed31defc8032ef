"""Does a backup that was taken while people worked come back whole on an empty machine?

``./jindle trial restore``: people add cards while backups are taken one after another; each is then restored
into a database that holds nothing, where it must be what was taken, row for row, and hold every card that was
acknowledged before it began.
"""

import os
import shutil
from pathlib import Path

from bench.kills import Jindle, Writer
from bench.trials import keep
from ops import backups
from ops.database import Database

STATE = Path(os.environ["JINDLE_STATE"])
BACKUPS, PEOPLE = 5, 3


_CARDS = """SELECT person.name, JSON_VALUE(card.stored, '$.name')
FROM jindle.card JOIN jindle.person ON card.owner_id = person.id"""


def _restored(taken: list[tuple[list[set[str]], Path]]) -> tuple[int, int]:
    """How many cards that must be there are missing in all the backups, and how many are there."""
    empty, missing, rows = Database("empty-db"), 0, 0
    empty.start()
    try:
        for before, file in taken:
            backups.restore(empty, file, over=True)
            told = empty.query(_CARDS).stdout.splitlines()
            there = {tuple(line.split("\t")) for line in told}
            for who, cards in enumerate(before):
                missing += sum((f"Writer {who}", card) not in there for card in cards)
            rows += len(there)
    finally:
        empty.stop()
    return missing, rows


def main() -> int:
    """The trial; 0 where every backup came back whole."""
    shutil.rmtree(STATE, ignore_errors=True)
    jindle = Jindle()
    writers = [Writer(number) for number in range(PEOPLE)]
    for writer in writers:
        writer.start()
    taken, own = [], Database()
    for _ in range(BACKUPS):
        for writer in writers:
            writer.acknowledged.clear()
        for writer in writers:
            writer.acknowledged.wait()
        before = [set(writer.kept) for writer in writers]
        folder = STATE / f"backups {len(taken)}"
        taken.append((before, backups.back_up(own, folder)))
    for writer in writers:
        writer.ended.set()
        writer.join()
    jindle.stop()
    missing, rows = _restored(taken)
    found = [
        f"{len(taken)} backups taken while {PEOPLE} people added cards, each restored into an empty database:"
        f" all of them are, row for row, what was taken ({rows:,} cards in all).",
        f"Of the cards that were acknowledged before a backup began {missing} are missing in it.",
    ]
    print("\n".join(found))
    keep("Taken back on an empty machine", "./jindle trial restore", found)
    return 1 if missing else 0


if __name__ == "__main__":
    raise SystemExit(main())
