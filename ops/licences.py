"""Under which licences is what ships with Jindle? As the packages say themselves, held against a list."""

import json
import re
from collections.abc import Iterator
from importlib.metadata import Distribution, distributions

from ops.paths import ROOT, VENV, WEB

FILE = ROOT / "docs" / "licences.md"
# What may ship: all of these let anybody use, change and pass on what is built with them. GPL and LGPL ask
# for more of who passes the whole on, which the file says.
ALLOWED = frozenset({
    "0BSD", "Apache-2.0", "BSD-2-Clause", "BSD-3-Clause", "CC0-1.0", "ISC", "MIT", "MIT-0",
    "MIT-CMU", "OFL-1.1", "PSF-2.0", "Zlib",
    "GPL-2.0-or-later", "LGPL-3.0-only", "MPL-1.1",
})  # fmt: skip
# How packages that name no SPDX expression say it.
_CALLED = {
    "3-Clause BSD License": "BSD-3-Clause",
    "Apache 2.0": "Apache-2.0",
    "Apache Software License": "Apache-2.0",
    "BSD": "BSD-3-Clause",
    "BSD 3-Clause OR Apache-2.0": "BSD-3-Clause OR Apache-2.0",
    "BSD License": "BSD-3-Clause",
    "MIT License": "MIT",
    "PSFL": "PSF-2.0",
}
# Of several that one may choose from, the one that asks least.
_CHOSEN = {"pyphen": "MPL-1.1"}
_WORDS = """# Licences of what ships

Jindle's own code is under the [MIT licence](../LICENSE). It stands on the packages below, installed as they
are; the list is made by `./jindle licences`, and `./jindle lint` fails where it is not as the packages say,
or where one is under a licence that is not allowed (`ops/licences.py`).

Two ask more of who passes Jindle on *together with them*; running it for people, or passing on this source
alone, asks nothing of the kind. **mysqlclient** (GPL-2.0-or-later): the whole that it is part of is passed on
under the GPL, with its source. **fpdf2** (LGPL-3.0-only): whoever gets it must be able to put another version
of it in its place, as they can here. The typefaces of printed pages stand in `server/fonts` with their
licences (SIL Open Font License; DejaVu's, which is as free). This is how we read them, and no advice: ask
somebody qualified.

| package | licence |
|---|---|
"""


def _of_python() -> Iterator[tuple[str, str]]:
    """Every locked package that the application runs with."""
    (site,) = (VENV / "lib").glob("python3*/site-packages")
    there = {_plain(one.metadata["Name"]): one for one in distributions(path=[str(site)])}
    lock = (ROOT / "requirements.txt").read_text()
    for name in re.findall(r"^([A-Za-z0-9._-]+)==", lock, re.MULTILINE):
        yield name, _CHOSEN.get(name) or _said(there[_plain(name)])


def _plain(name: str) -> str:
    return re.sub(r"[-_.]+", "-", name).lower()


def _said(package: Distribution) -> str:
    """What a package says: an expression, a short name, or a classifier."""
    if expression := package.metadata.get("License-Expression"):
        return expression
    told = package.metadata.get("License") or ""
    if not told or "\n" in told or len(told) > 40:
        classifiers = package.metadata.get_all("Classifier") or []
        told = next((one.split(" :: ")[-1] for one in classifiers if one.startswith("License")), "")
    return _CALLED.get(told, told)


def _of_client() -> Iterator[tuple[str, str]]:
    """Every locked package that the client is built out of."""
    lock = json.loads((WEB / "package-lock.json").read_text())
    for path, about in lock["packages"].items():
        if path and not about.get("dev"):
            told = about.get("license", "")
            yield path.rpartition("node_modules/")[2], _CALLED.get(told, told)


def collected() -> str:
    """The file as it must be."""
    every = sorted(dict([*_of_python(), *_of_client()]).items(), key=lambda one: one[0].casefold())
    return _WORDS + "".join(f"| {name} | {licence} |\n" for name, licence in every)


def faults() -> list[str]:
    """What is not allowed, and whether the file is out of date."""
    every = dict([*_of_python(), *_of_client()])
    found = [
        f"{name} is under “{licence}”, which ops/licences.py does not allow."
        for name, licence in sorted(every.items())
        if not set(re.split(r" (?:AND|OR) ", licence)) <= ALLOWED
    ]
    if not FILE.is_file() or FILE.read_text() != collected():
        found.append("docs/licences.md is not what the packages say: ./jindle licences writes it.")
    return found


if __name__ == "__main__":
    print(*faults(), sep="\n")
    raise SystemExit(bool(faults()))
