"""How long do 300 cards with all their states take to be taken out and brought back?

``./jindle trial archives`` keeps the table in docs. The cards are one built
card of the demo, three hundred times, whose own changes are made forwards and
backwards until as many states are kept as a card keeps.
"""

import io
import json
import zipfile
from itertools import chain, cycle, islice
from pathlib import Path

from bench.visitor import Visitor, peak_memory, timed
from jindle_core import figures
from server.cards.history import differences, whole

ROOT = Path(__file__).resolve().parent.parent
CARDS = 300
STATES = figures.palettes.UNDO_LIMIT + 1


def grown(content: bytes) -> bytes:
    """The demo's archive with its card of most changes ``CARDS`` times, each with ``STATES`` states."""
    out = io.BytesIO()
    with (
        zipfile.ZipFile(io.BytesIO(content)) as taken,
        zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as made,
    ):
        cards = [json.loads(taken.read(name)) for name in taken.namelist() if name.startswith("cards/")]
        for name in taken.namelist():
            if not name.startswith("cards/"):
                made.writestr(name, taken.read(name))
        card = max(cards, key=lambda card: len(card["history"]))
        own = list(whole(card["history"]))
        states = list(islice(cycle(chain(own, own[-2:0:-1])), STATES))
        history = [
            {"number": number, "label": "a change"} | told for number, told in enumerate(differences(states))
        ]
        for number in range(CARDS):
            plan = states[-1] | {"name": f"Card {number}"}
            text = json.dumps(card | {"history": history, "head": STATES - 1, "plan": plan})
            made.writestr(f"cards/{number:04}.json", text)
    return out.getvalue()


def main() -> int:
    """Bring them in under a new name, take them out again, print the table and keep it."""
    archive = grown(Visitor().get("/api/me/archive"))
    visitor = Visitor("Three hundred cards")
    before, told, again = peak_memory(), [], []
    bringing = timed(lambda: told.extend(visitor.upload("/api/me/archive", archive)))
    between = peak_memory()
    taking = timed(lambda: again.append(visitor.get("/api/me/archive")))
    with zipfile.ZipFile(io.BytesIO(again[0])) as files:
        names = [name for name in files.namelist() if name.startswith("cards/")]
        same = sum(len(json.loads(files.read(name))["history"]) == STATES for name in names)
    table = [
        f"# {CARDS} cards with {STATES} states each",
        "",
        "Made by `./jindle trial archives`. The states are the changes of one card of the demo.",
        "",
        "| | Seconds | MB | Peak memory of a worker, MB |",
        "| --- | ---: | ---: | ---: |",
        f"| before | | | {before:.0f} |",
        f"| brought into an empty account | {bringing:.0f} | {len(archive) / 2**20:.1f} | {between:.0f} |",
        f"| taken out again | {taking:.0f} | {len(again[0]) / 2**20:.1f} | {peak_memory():.0f} |",
        "",
        f"{told[0]['cards']} cards came in; {same} of {len(names)} went out with all their states.",
    ]
    (ROOT / "docs" / "archives.md").write_text("\n".join(table) + "\n")
    print("\n".join(table))
    return int(not told[0]["cards"] == same == CARDS)


if __name__ == "__main__":
    raise SystemExit(main())
