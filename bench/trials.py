"""The table of trials in docs/trials.md: what was tried, of which commit, what was found."""

import re
import subprocess
from datetime import UTC, datetime
from pathlib import Path

ROOT = Path(__file__).resolve().parent.parent
_FILE = ROOT / "docs" / "trials.md"


def keep(name: str, command: str, found: list[str]) -> None:
    """Put what a trial found in its part of the page."""
    asked = ("git", "rev-parse", "--short", "HEAD")
    commit = subprocess.run(asked, cwd=ROOT, capture_output=True, text=True).stdout.strip()
    day = datetime.now(UTC).date().isoformat()
    text = _FILE.read_text()
    part = f"## {name}\n\n`{command}`, {day}, at {commit or 'no commit'}:\n\n" + "".join(
        f"- {one}\n" for one in found
    )
    there = re.compile(rf"^## {re.escape(name)}\n.*?(?=^## |\Z)", re.M | re.S)
    _FILE.write_text(there.sub(lambda _: f"{part}\n", text) if there.search(text) else f"{text}\n{part}")
