import doctest
import importlib
import pkgutil

import jindle_core


def load_tests(loader, tests, pattern):
    """Every example in a docstring of the core is run."""
    for module in pkgutil.walk_packages(jindle_core.__path__, "jindle_core."):
        if ".tests" not in module.name:
            tests.addTests(doctest.DocTestSuite(importlib.import_module(module.name)))
    return tests
