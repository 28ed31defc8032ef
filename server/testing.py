"""Django's test runner, with a closing line that anybody can read."""

from typing import Any

from django.test.runner import DiscoverRunner

import jindle_core.tests  # noqa: F401 (how Hypothesis draws, for all tests)


class Runner(DiscoverRunner):
    """Prints ``N passed, N failed`` from the real result, last of all."""

    def suite_result(self, suite: Any, result: Any, **kwargs: Any) -> int:
        """How many failed; says how many passed."""
        told = [one for one, _ in (*result.failures, *result.errors)] + list(result.unexpectedSuccesses)
        # Of a test with several parts that fail it is one that failed.
        failed = len({getattr(one, "test_case", one).id() for one in told})
        self.closing_line = f"{result.testsRun - failed - len(result.skipped)} passed, {failed} failed"
        if result.skipped:
            self.closing_line += f", {len(result.skipped)} skipped"
        return failed

    def run_tests(self, test_labels: Any, **kwargs: Any) -> int:
        """Run, then print the line."""
        failed: int = super().run_tests(test_labels, **kwargs)
        print(self.closing_line, flush=True)
        return failed
