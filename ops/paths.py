"""Where things lie."""

import os
from pathlib import Path

ROOT = Path(__file__).resolve().parent.parent
# Everything made at run time; never committed.
STATE = Path(os.environ.get("JINDLE_STATE", ROOT / ".jindle")).absolute()
VENV = ROOT / ".venv"
PYTHON = VENV / "bin" / "python"
WEB = ROOT / "web"
DIST = WEB / "dist"


class Trouble(Exception):
    """Something that a person must see to, said in one sentence with what to run."""
