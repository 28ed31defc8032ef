"""Where things lie."""

import os
from pathlib import Path

ROOT = Path(__file__).resolve().parent.parent
STATE = Path(os.environ.get("JINDLE_STATE", ROOT / ".jindle"))  # everything made at run time; never committed
VENV = ROOT / ".venv"
PYTHON = VENV / "bin" / "python"
WEB = ROOT / "web"
DIST = WEB / "dist"


class Trouble(Exception):
    """Something that a person must see to, said in one sentence with what to run."""
