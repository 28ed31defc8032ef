import doctest
import importlib
import pkgutil
import unittest

import jindle_core

NAMES = [
    found.name
    for found in pkgutil.walk_packages(jindle_core.__path__, "jindle_core.")
    if ".tests" not in found.name
]


class ExampleTests(unittest.TestCase):
    def test_every_example_in_a_docstring_runs(self):
        tried = 0
        for name in NAMES:
            with self.subTest(name):
                failed, attempted = doctest.testmod(importlib.import_module(name))
                self.assertEqual(failed, 0)
                tried += attempted
        self.assertGreaterEqual(tried, 10)
