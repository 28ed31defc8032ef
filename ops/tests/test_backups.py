import gzip
import hashlib
import json
import random
import tempfile
import unittest
from datetime import date, timedelta
from pathlib import Path
from unittest import mock

from ops import backups, database
from ops.paths import Trouble

_MADE = """
CREATE TABLE card (id INT PRIMARY KEY AUTO_INCREMENT, name VARCHAR(80), picture LONGBLOB) ENGINE=InnoDB;
CREATE TABLE piece (id INT PRIMARY KEY, card INT, FOREIGN KEY (card) REFERENCES card (id)) ENGINE=InnoDB;
INSERT INTO card VALUES (1, 'Ida’s “moon” 緑', x'00ff1027'), (2, 'x', NULL); INSERT INTO piece VALUES (7, 2)
"""


class BackupTests(unittest.TestCase):
    @classmethod
    def setUpClass(cls):
        folder = tempfile.TemporaryDirectory()
        cls.addClassCleanup(folder.cleanup)
        cls.home = Path(folder.name)
        with mock.patch.object(database, "STATE", cls.home):
            cls.database = database.Database(durable=False)
        cls.addClassCleanup(cls.database.stop)
        cls.database.start()

    def setUp(self):
        for name in ("jindle", "jindle_before"):
            self.ask(f"DROP DATABASE IF EXISTS {name}; CREATE DATABASE {name} CHARACTER SET utf8mb4", "mysql")
        self.ask(_MADE)
        self.file = backups.back_up(self.database, self.home / "kept")

    def ask(self, sql, name="jindle"):
        done = self.database.query(f"USE {name}; {sql}")
        self.assertEqual(done.returncode, 0, done.stderr)
        return done.stdout

    def test_back_in_place_and_back_again(self):
        told = self.ask("SELECT id, name, HEX(picture) FROM card; SELECT * FROM piece")
        self.ask("DELETE FROM piece; UPDATE card SET name = 'later'; CREATE TABLE late (id INT)")
        with self.assertRaisesRegex(Trouble, "say --over"):
            backups.restore(self.database, self.file)
        later = self.ask("SELECT id, name FROM card; SHOW TABLES")
        backups.restore(self.database, self.file, over=True)
        self.assertEqual(self.ask("SELECT id, name, HEX(picture) FROM card; SELECT * FROM piece"), told)
        self.assertNotIn("late", self.ask("SHOW TABLES"))
        self.assertNotEqual(self.database.query("INSERT INTO jindle.piece VALUES (8, 99)").returncode, 0)
        backups.take_back(self.database)
        self.assertEqual(self.ask("SELECT id, name FROM card; SHOW TABLES"), later)
        backups.take_back(self.database)
        self.assertEqual(self.ask("SELECT id, name, HEX(picture) FROM card; SELECT * FROM piece"), told)

    def test_into_an_empty_machine(self):
        self.ask("DROP DATABASE jindle; CREATE DATABASE jindle CHARACTER SET utf8mb4", "mysql")
        backups.restore(self.database, self.file)
        self.assertIn("Ida’s “moon” 緑", self.ask("SELECT name FROM card"))
        with self.assertRaisesRegex(Trouble, "Nothing is kept"):
            backups.take_back(self.database)

    def test_what_is_not_whole_changes_nothing(self):
        before, whole = self.ask("SELECT id, name FROM card"), self.file.read_bytes()
        note = self.file.with_name(self.file.name.removesuffix(".sql.gz") + ".json")
        for words, content in (("is not whole", whole[:-40]), ("is not whole", b"nothing of the kind")):
            self.file.write_bytes(content)
            with self.assertRaisesRegex(Trouble, words):
                backups.restore(self.database, self.file, over=True)
        self.file.write_bytes(whole)
        told = json.loads(note.read_text())
        for words, text in (
            ("not taken by this Jindle", json.dumps(told | {"sha256": "0"})),
            ("not taken by this Jindle", json.dumps(told | {"seal": ""})),
            ("no note", "[]"),
            ("no note", "{"),
            ("no note", json.dumps(told | {"seal": 7})),
        ):
            note.write_text(text)
            with self.assertRaisesRegex(Trouble, words):
                backups.restore(self.database, self.file, over=True)
        note.unlink()
        with self.assertRaisesRegex(Trouble, "one is not there"):
            backups.restore(self.database, self.file, over=True)
        self.assertEqual(self.ask("SELECT id, name FROM card"), before)

    def test_a_doctored_one_is_refused_and_runs_nothing_even_where_it_is_called_good(self):
        mark = self.home / "ran"
        content = f"\\! touch {mark}\nsystem touch {mark}\nCREATE TABLE card (id INT);\n".encode()
        self.file.write_bytes(gzip.compress(content))
        note = self.file.with_name(self.file.name.removesuffix(".sql.gz") + ".json")
        told = {"taken": "2030-01-01T000000Z", "sha256": hashlib.sha256(content).hexdigest()}
        note.write_text(json.dumps(told))
        with self.assertRaisesRegex(Trouble, "not taken by this Jindle"):
            backups.restore(self.database, self.file, over=True)
        with self.assertRaises(Trouble):
            backups.restore(self.database, self.file, over=True, foreign=True)
        self.assertFalse(mark.exists())
        self.assertIn("Ida", self.ask("SELECT name FROM card"))

    def test_one_of_another_installation_is_restored_where_that_is_said(self):
        with mock.patch.object(backups, "secret", return_value="another installation's"):
            with self.assertRaisesRegex(Trouble, "say --foreign"):
                backups.restore(self.database, self.file, over=True)
            backups.restore(self.database, self.file, over=True, foreign=True)
        self.assertIn("Ida", self.ask("SELECT name FROM card"))

    def test_a_dump_that_breaks_off_leaves_nothing_behind(self):
        with mock.patch.object(backups, "_NOW", "no_such"), self.assertRaisesRegex(Trouble, "read whole"):
            backups.back_up(self.database, self.home / "other")
        self.assertEqual(list((self.home / "other").iterdir()), [])
        with (
            self.assertRaisesRegex(Trouble, "could not be written"),
            mock.patch("gzip.open", side_effect=OSError(28, "No space left on device")),
        ):
            backups.back_up(self.database, self.home / "other")


class KeepingTests(unittest.TestCase):
    def test_days_weeks_and_months(self):
        today = date(2030, 6, 15)
        days = {today - timedelta(days=back) for back in range(900)}
        staying = backups.kept(days, today)
        for back in range(backups.DAYS):
            self.assertIn(today - timedelta(days=back), staying)
        for back in range(backups.MONTHS):
            month = (today.year * 12 + today.month - 1 - back) // 12, (today.month - 1 - back) % 12 + 1
            self.assertTrue(any((day.year, day.month) == month for day in staying), month)
        self.assertLessEqual(len(staying), backups.DAYS + backups.WEEKS + backups.MONTHS)

    def test_night_after_night_the_oldest_that_is_wanted_is_never_lost(self):
        chance, there, day = random.Random(3), set(), date(2030, 1, 1)
        for _ in range(700):
            day += timedelta(days=chance.choice((1, 1, 1, 2, 9)))
            there = backups.kept(there | {day}, day)
            self.assertIn(day, there)
        self.assertGreater(day - min(there), timedelta(days=330))

    def test_of_one_day_the_last_stays(self):
        with tempfile.TemporaryDirectory() as place:
            folder = Path(place)
            names = [f"jindle-2030-01-0{day}T0{hour}0000Z" for day in (1, 2) for hour in (1, 2)]
            for name in names:
                (folder / f"{name}.sql.gz").touch()
                (folder / f"{name}.json").touch()
            (folder / "mine.sql.gz").touch()
            backups.clear_out(folder, date(2030, 1, 2))
            left = sorted(one.name for one in folder.glob("*.sql.gz"))
        self.assertEqual(left, [*(f"{name}.sql.gz" for name in names[1:]), "mine.sql.gz"])
