"""What ships is under licences that let it be passed on, and the list says so."""

import unittest
from unittest import mock

from ops import licences


class LicenceTests(unittest.TestCase):
    def test_the_list_is_what_the_packages_say_and_all_are_allowed(self):
        self.assertEqual(licences.faults(), [])
        listed = licences.FILE.read_text()
        for line in ("| mysqlclient | GPL-2.0-or-later |", "| vue | MIT |", "| numpy | BSD-3-Clause AND"):
            self.assertIn(line, listed)

    def test_one_that_is_not_allowed_is_named(self):
        with mock.patch.object(licences, "ALLOWED", licences.ALLOWED - {"ISC"}):
            self.assertTrue(any("picocolors is under “ISC”" in one for one in licences.faults()))
