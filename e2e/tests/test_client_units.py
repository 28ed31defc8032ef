"""The client's own tests (``web/src/**/*.test.ts``) as tests of this runner: one for each file."""

import json
import os
import subprocess
import unittest
from pathlib import Path
from typing import ClassVar

WEB = Path(__file__).resolve().parents[2] / "web"
FILES = sorted((WEB / "src").rglob("*.test.ts"))


class ClientUnitTests(unittest.TestCase):
    found: ClassVar[dict[str, list[dict]]]
    said: ClassVar[str]

    @classmethod
    def setUpClass(cls):
        command = [WEB / "node_modules" / ".bin" / "vitest", "run", "--reporter=json"]
        environment = os.environ | {"NO_COLOR": "1"}
        done = subprocess.run(command, cwd=WEB, env=environment, capture_output=True, text=True)
        start = done.stdout.find('{"numTotal')
        assert start >= 0, done.stdout + done.stderr
        told = json.loads(done.stdout[start:])
        cls.said = done.stderr
        cls.found = {one["name"]: one for one in told["testResults"]}

    def test_nothing_goes_wrong_after_a_test(self):
        self.assertNotIn("Unhandled", self.said)

    def holds(self, file: Path) -> None:
        told = self.found[str(file)]
        broken = [
            one["fullName"] + "\n" + "\n".join(one["failureMessages"])
            for one in told["assertionResults"]
            if one["status"] != "passed"
        ]
        self.assertEqual((told["status"], broken), ("passed", []), told["message"])
        self.assertGreater(len(told["assertionResults"]), 0)


def _of(file: Path):
    return lambda self: self.holds(file)


for _file in FILES:
    setattr(ClientUnitTests, f"test_{_file.name.removesuffix('.test.ts')}", _of(_file))
