import os
import select
import signal
import subprocess
import sys
import tempfile
import unittest
from itertools import pairwise
from pathlib import Path
from unittest import mock

from ops import commands, database
from ops.paths import ROOT, Trouble
from ops.watching import Running, Watched, only_one


class FakeThing:
    def __init__(self):
        self.lives, self.starts, self.broken = True, 0, False

    def start(self):
        self.starts += 1
        if self.broken:
            raise Trouble("no room")
        self.lives = True


class LookTests(unittest.TestCase):
    def setUp(self):
        self.thing = FakeThing()
        self.watched = Watched("It", self.thing.start, lambda: self.thing.lives, begun=0.0)

    def test_what_dies_is_started_again_at_once(self):
        self.assertEqual(self.watched.look(100.0), "")
        self.thing.lives = False
        self.assertEqual(self.watched.look(100.5), "It died")
        self.assertEqual(self.watched.look(100.6), "")
        self.assertEqual(self.watched.look(101.0), "It was started again")
        self.assertEqual((self.watched.look(101.5), self.thing.starts), ("", 1))

    def test_what_dies_again_and_again_is_given_time_but_never_up(self):
        self.thing.lives, self.thing.broken = False, True
        now, begun = 100.0, []
        for _ in range(400):
            before = self.thing.starts
            with mock.patch("time.monotonic", return_value=now):
                self.watched.look(now)
            if self.thing.starts > before:
                begun.append(now)
            now += 0.1
        waits = [round(later - sooner, 1) for sooner, later in pairwise(begun)]
        self.assertEqual(waits, sorted(waits))
        self.assertTrue(4.9 <= waits[-1] <= 5.2)


def ended(pid):
    """Wait until a process has ended, however long that takes."""
    try:
        handle = os.pidfd_open(pid)
    except ProcessLookupError:
        return
    select.select([handle], [], [])
    os.close(handle)


# The number is told by what was started, so that by then it surely ends with whoever started it.
_CHILD = """
import os
from pathlib import Path
from ops.watching import Running, Service, watch
with Running(Path(os.environ["PLACE"])).alone({"address": "http://here/"}):
    service = Service(["sh", "-c", "echo $$; exec sleep 86400"], dict(os.environ))
    service.start()
    watch([], lambda words: service.stop())
"""


class RunningTests(unittest.TestCase):
    def setUp(self):
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.place = Path(folder.name) / "running"
        self.running = Running(self.place)

    def begin(self):
        process = subprocess.Popen(
            [sys.executable, "-c", _CHILD], cwd=ROOT, env=os.environ | {"PLACE": str(self.place)},
            stdout=subprocess.PIPE, text=True,
        )  # fmt: skip
        self.addCleanup(process.communicate)
        self.addCleanup(process.kill)
        return process, int(process.stdout.readline())

    def test_a_second_start_finds_the_first_and_stop_ends_it(self):
        self.assertIsNone(self.running.told())
        self.assertFalse(self.running.stop())
        process, child = self.begin()
        self.assertEqual(self.running.told(), {"address": "http://here/", "pid": process.pid})
        with self.assertRaisesRegex(Trouble, "already runs at http://here/"), self.running.alone({}):
            pass
        with (
            mock.patch.object(commands, "Running", lambda: self.running),
            mock.patch("builtins.print") as said,
        ):
            self.assertEqual(commands.main(["demo"]), 0)
            self.assertEqual(commands.main(["status"]), 1)  # it says that it runs, and does not answer
            self.assertEqual(commands.main(["stop"]), 0)
        self.assertIn("already runs at http://here/", said.call_args_list[0].args[0])
        self.assertEqual(process.wait(), 0)
        ended(child)
        self.assertIsNone(self.running.told())
        self.assertFalse(self.running.fell())

    def test_nothing_outlives_us_when_we_are_killed(self):
        process, child = self.begin()
        process.kill()
        ended(child)
        self.assertIsNone(self.running.told())
        process.wait()
        self.assertTrue(self.running.fell())
        with self.running.alone({"address": "again"}):
            self.assertFalse(self.running.fell())
            self.assertEqual(Running(self.place).told()["address"], "again")


class DatabaseTests(unittest.TestCase):
    def test_a_database_that_is_killed_is_started_again(self):
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        with mock.patch.object(database, "STATE", Path(folder.name)):
            found = database.Database()
            self.addCleanup(found.stop)
            found.start()
            watched = Watched("The database", found.start, found.alive)
            os.kill(int((found.home / "pid").read_text()), signal.SIGKILL)
            found._started.wait()
            self.assertEqual(watched.look(1e9), "The database died")
            self.assertEqual(watched.look(2e9), "The database was started again")
            self.assertTrue(found.running())


class OnlyOneTests(unittest.TestCase):
    def test_the_second_is_told_who_runs(self):
        with tempfile.TemporaryDirectory() as folder:
            file = Path(folder) / "deep" / "testing"
            with (
                only_one("./jindle test", file),
                self.assertRaisesRegex(Trouble, r"test \(process [0-9]+\) runs"),
            ):
                only_one("./jindle bench", file).__enter__()
            with only_one("./jindle bench", file):
                pass
