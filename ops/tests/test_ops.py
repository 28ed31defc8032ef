import os
import signal
import socket
import tempfile
import unittest
from pathlib import Path
from unittest import mock

from ops import database, serve, setup
from ops.commands import COMMANDS, main
from ops.paths import Trouble


class TroubleTests(unittest.TestCase):
    def test_a_taken_port_gives_the_command_to_run(self):
        with socket.socket() as taken:
            taken.bind(("127.0.0.1", 0))
            taken.listen()
            port = taken.getsockname()[1]
            told = f"Port {port} is taken; run ./jindle demo --port {port + 1}"
            with mock.patch.object(serve, "_LETS_GO", 0), self.assertRaisesRegex(Trouble, told):
                serve.check_port("127.0.0.1", port, "demo")

    def test_a_missing_right_gives_the_command_to_run(self):
        with (
            mock.patch("os.geteuid", return_value=1000),
            mock.patch(
                "shutil.which", side_effect=lambda name: "/usr/bin/apt-get" if name == "apt-get" else None
            ),
            self.assertRaisesRegex(
                Trouble, r"run as root: apt-get update && apt-get install .*libmariadb-dev"
            ),
        ):
            setup.ensure_system()

    def test_an_old_node_is_named(self):
        with (
            mock.patch("subprocess.run", return_value=mock.Mock(stdout="v18.2.0\n")),
            self.assertRaisesRegex(Trouble, "v18.2.0 is too old"),
        ):
            setup.ensure_node()

    def test_a_failing_command_shows_its_last_lines(self):
        with self.assertRaisesRegex(Trouble, "no such thing"):
            setup.run("sh", "-c", "echo no such thing >&2; exit 3", quiet=True)


class CommandTests(unittest.TestCase):
    def test_help_names_every_command(self):
        with mock.patch("sys.stdout.write") as written:
            self.assertEqual(main(["help"]), 0)
        told = "".join(call.args[0] for call in written.call_args_list)
        for name in COMMANDS:
            self.assertIn(name, told)


class DatabaseTests(unittest.TestCase):
    def setUp(self):
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        patched = mock.patch.object(database, "STATE", Path(folder.name) / ("deep" * 30))
        patched.start()
        self.addCleanup(patched.stop)
        self.database = database.Database()
        self.addCleanup(self.database.stop)

    def test_a_killed_server_loses_no_acknowledged_row(self):
        self.assertLess(len(os.fsencode(self.database.socket)), 107)
        self.assertTrue(self.database.start())
        self.assertFalse(self.database.start())
        made = self.database.query(
            "CREATE TABLE jindle.kept (n INT) ENGINE=InnoDB; INSERT INTO jindle.kept VALUES (41)"
        )
        self.assertEqual(made.returncode, 0, made.stderr)
        os.kill(int((self.database.home / "pid").read_text()), signal.SIGKILL)
        self.database._started.wait()
        self.assertFalse(self.database.running())
        self.assertTrue(self.database.start())
        self.assertIn("41", self.database.query("SELECT n FROM jindle.kept").stdout)
        self.database.stop()
        self.assertFalse(self.database.running())
        self.assertEqual(self.database.home.joinpath("password").stat().st_mode & 0o077, 0)
