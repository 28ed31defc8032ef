"""Does anything that can be asked break it? Requests made up from the schema, thousands of them.

``./jindle trial fuzz`` starts a Jindle of its own with the demo data and lets schemathesis ask every address
what its schema allows, and what it does not, as somebody signed in. No answer may be a failure of the server,
and each must be one that the schema names.
"""

import os
import re
import subprocess
import sys
from pathlib import Path

from bench.trials import keep
from bench.visitor import ADDRESS, Visitor

SCHEMA = Path(__file__).resolve().parent.parent / "server" / "schema.yml"
EXAMPLES = int(os.environ.get("JINDLE_FUZZ", "20"))  # of each address, besides those at the edges
# What would end the session that asks, or begin another.
_SKIPPED = (
    "^/api/(me/delete|me/password|me/sign-out-elsewhere|sign-out|sign-in|sign-up|new-password|open-demo)$"
)
_CHECKS = "not_a_server_error,status_code_conformance,content_type_conformance,response_schema_conformance"


def main() -> int:
    """The trial; 0 where nothing broke."""
    visitor = Visitor("Somebody who asks")
    cookies = "; ".join(f"{one.name}={one.value}" for one in visitor.jar)
    command = [
        Path(sys.executable).parent / "schemathesis", "run", SCHEMA, "--url", ADDRESS,
        "--exclude-path-regex", _SKIPPED, "--checks", _CHECKS, "--mode", "all", "--seed", "11",
        "--max-examples", str(EXAMPLES), "--workers", "2", "--phases", "examples,coverage,fuzzing",
        "--request-timeout", "30", "--header", f"Cookie: {cookies}",
        "--header", f"X-CSRFToken: {visitor.token()}", "--no-color",
    ]  # fmt: skip
    done = subprocess.run([str(one) for one in command], capture_output=True, text=True)
    print(done.stdout, done.stderr)
    counted = re.search(r"(\d+) generated", done.stdout)
    failed = re.search(r"(\d+) unique failure", done.stdout)
    counted, failed = (one[1] if one else "no" for one in (counted, failed))
    found = [
        f"{counted} requests made up from the schema, well-formed and not, to every address but those that"
        f" end or begin a session: {failed} kinds of failure (of the server, or an answer that the schema"
        " does not name).",
    ]
    keep("Made-up requests", "./jindle trial fuzz", found)
    return done.returncode


if __name__ == "__main__":
    raise SystemExit(main())
