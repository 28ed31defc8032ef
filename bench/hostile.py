"""What do files do that were made to stop a worker? ``./jindle trial hostile`` keeps the table in docs."""

import io
import math
import resource
import zipfile
from collections.abc import Callable
from concurrent.futures import ProcessPoolExecutor
from functools import partial
from multiprocessing import get_context
from pathlib import Path
from typing import Any

from PIL import Image

from bench.visitor import timed
from jindle_core.errors import BadInput
from jindle_core.line_art.svg import read_svg
from server.guarded import guarded
from server.pictures import opened
from server.zipped import unzipped

ROOT = Path(__file__).resolve().parent.parent
SECONDS, MEGABYTES, PICTURES = 5, 500, 1000  # within which everything is answered or refused
SVG = '<svg xmlns="http://www.w3.org/2000/svg"><path d="{}"/></svg>'


def _path(parts: list[str]) -> bytes:
    return SVG.format("".join(parts)).encode()


def squares(count: int) -> bytes:
    """A path of so many squares beside each other."""
    side = math.isqrt(count) + 1
    return _path([f"M{10 * (n % side)} {10 * (n // side)}h8v8h-8z" for n in range(count)])


def nested(count: int) -> bytes:
    """A path of so many squares, each within the last."""
    wide = 2 * count + 9
    return _path([f"M{n} {n}h{wide - 2 * n}v{wide - 2 * n}h-{wide - 2 * n}z" for n in range(count)])


def arcs(count: int) -> bytes:
    """A path of so many arcs that all lie over one another."""
    return _path([f"M{n % 7} {n % 5}a9 9 0 1 0 {n % 11} {n % 3 + 1}z" for n in range(count)])


def crossing(count: int) -> bytes:
    """One ring of so many points that crosses itself all over."""
    return _path(["M0 0", *(f"L{n * 7919 % 1000} {n * 104729 % 997}" for n in range(count)), "z"])


def swelling(megabytes: int) -> bytes:
    """An archive with one file of so many megabytes of nothing."""
    return _zipped({"about.json": bytes(megabytes * 2**20)})


def crowded(count: int) -> bytes:
    """An archive with so many empty files."""
    return _zipped({f"cards/{n}.json": b"" for n in range(count)})


def _zipped(files: dict[str, bytes]) -> bytes:
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as archive:
        for name, content in files.items():
            archive.writestr(name, content)
    return out.getvalue()


def clear(side: int) -> bytes:
    """A see-through PNG of so many pixels on a side."""
    return _saved(Image.new("RGBA", (side, side), (9, 9, 9, 90)), "PNG", compress_level=1)


def one_shade(side: int) -> bytes:
    """A WebP picture of nothing, of so many pixels on a side, in 38 bytes."""
    return _saved(Image.new("RGBA", (side, side), (9, 9, 9, 90)), "WEBP", lossless=True, method=0)


def _saved(image: Image.Image, kind: str, **how: Any) -> bytes:
    out = io.BytesIO()
    image.save(out, kind, **how)
    return out.getvalue()


DRAWING, ARCHIVE = partial(guarded, read_svg), partial(guarded, unzipped)
Case = tuple[str, Callable[[bytes], Any], Callable[[int], bytes], int]
CASES: list[Case] = [
    *[(f"{count:,} squares in one path", DRAWING, squares, count) for count in (1000, 2000, 4000, 40_000)],
    ("2,000 squares, each within the last", DRAWING, nested, 2000),
    *[(f"{count:,} overlapping arcs", DRAWING, arcs, count) for count in (700, 1500, 4000)],
    *[(f"A ring of {count:,} points across itself", DRAWING, crossing, count) for count in (300, 60_000)],
    *[(f"An archive that swells to {size:,} MB", ARCHIVE, swelling, size) for size in (300, 3000)],
    *[(f"An archive of {count:,} empty files", ARCHIVE, crowded, count) for count in (1000, 200_000)],
    *[(f"A see-through PNG of {side**2 / 1e6:.0f} megapixels", opened, clear, side) for side in (8900, 9500)],
    *[(f"A WebP of {side**2 / 1e6:.0f} megapixels", opened, one_shade, side) for side in (5000, 8900)],
]


def tried(place: int) -> tuple[str, float, float, str]:
    """A case by its place: its name, the seconds and megabytes that it took, and what came of it."""
    name, work, make, count = CASES[place]
    content = make(count)
    answers = []

    def read() -> None:
        try:
            work(content)
            answers.append("read")
        except BadInput as refused:
            answers.append(f"refused: {refused}")

    seconds = timed(read)
    return name, seconds, resource.getrusage(resource.RUSAGE_CHILDREN).ru_maxrss / 1024, answers[0]


def main() -> int:
    """Try all, each in a process of its own; print the table and keep it."""
    with ProcessPoolExecutor(1, get_context("spawn"), max_tasks_per_child=1) as pool:
        rows = list(pool.map(tried, range(len(CASES))))
    table = [
        "# Files that were made to stop a worker",
        "",
        f"Made by `./jindle trial hostile`; wanted: an answer within {SECONDS} s of computing and "
        f"{MEGABYTES} MB, for pictures {PICTURES} MB.",
        "",
        "| File | Seconds | MB | What came of it |",
        "| --- | ---: | ---: | --- |",
        *(f"| {name} | {seconds:.1f} | {memory:.0f} | {what} |" for name, seconds, memory, what in rows),
    ]
    (ROOT / "docs" / "hostile.md").write_text("\n".join(table) + "\n")
    print("\n".join(table))
    limits = [PICTURES if work is opened else MEGABYTES for _, work, _, _ in CASES]
    return int(any(row[2] > limit for row, limit in zip(rows, limits, strict=True)))


if __name__ == "__main__":
    raise SystemExit(main())
