"""Draws the sheets of patterned paper: which of its colours stands at each place.

The drawings are made of plain shapes by a program, so that the share of every
colour is known.
"""

import numpy as np
from numpy.typing import NDArray
from PIL import Image, ImageDraw

Labels = NDArray[np.uint8]
# What a sheet's pattern is made of, in the order of its colours after the ground.
PATTERNS = ("leaves", "dots", "stripes", "tiles", "waves")


def draw_sheet(colours: int, seed: int, side: int = 1000, accent: float | None = None) -> Labels:
    """A square sheet as labels (side, side), 0 the ground, of a pattern that goes with ``seed``.

    ``accent`` is the share of the last colour, drawn as a few small dots;
    without it that colour is one more of the pattern.
    """
    random = np.random.default_rng(seed)
    image = Image.new("L", (side, side), 0)
    pen = ImageDraw.Draw(image)
    pattern = PATTERNS[seed % len(PATTERNS)]
    last = colours - 1 if accent is not None else colours
    _PATTERN[pattern](pen, side, random, list(range(1, last)))
    if accent is not None:
        _scatter(pen, side, random, colours - 1, accent)
    return np.asarray(image)


def _scatter(
    pen: ImageDraw.ImageDraw, side: int, random: np.random.Generator, label: int, share: float
) -> None:
    """Equal dots that do not touch, together of a share of the sheet."""
    count = 14
    radius = side * np.sqrt(share / (count * np.pi))
    cells = random.permutation(25)[:count]
    for cell in cells:
        row, column = divmod(int(cell), 5)
        x, y = ((place + 0.5 + random.uniform(-0.15, 0.15)) * side / 5 for place in (column, row))
        pen.ellipse((x - radius, y - radius, x + radius, y + radius), fill=label)


def _leaves(pen, side, random, labels) -> None:
    for number in range(90):
        label = labels[number % len(labels)]
        x, y, turn = random.uniform(0, side), random.uniform(0, side), random.uniform(0, np.pi)
        long = side * random.uniform(0.05, 0.11)
        across = np.linspace(0, 2 * np.pi, 24)
        along, wide = np.cos(across) * long, np.sin(across) ** 3 * long * 0.35
        leaf = np.stack(
            [x + along * np.cos(turn) - wide * np.sin(turn), y + along * np.sin(turn) + wide * np.cos(turn)],
            1,
        )
        pen.polygon([tuple(point) for point in leaf], fill=label)


def _dots(pen, side, random, labels) -> None:
    step = side / 11
    for row in range(12):
        for column in range(12):
            label = labels[(row * 3 + column) % len(labels)]
            x, y = (column + (row % 2) / 2) * step, row * step
            radius = step * (0.2 + 0.2 * (label / max(labels)))
            pen.ellipse((x - radius, y - radius, x + radius, y + radius), fill=label)


def _stripes(pen, side, random, labels) -> None:
    at = 0.0
    while at < side:
        for label in labels:
            wide = side * random.uniform(0.012, 0.05)
            pen.rectangle((at, 0, at + wide, side), fill=label)
            at += wide
        at += side * random.uniform(0.04, 0.1)


def _tiles(pen, side, random, labels) -> None:
    step = side / 9
    for row in range(9):
        for column in range(9):
            x, y, label = column * step, row * step, labels[int(random.integers(len(labels)))]
            corners = [(x, y), (x + step, y), (x + step, y + step), (x, y + step)]
            first = int(random.integers(4))
            pen.polygon([corners[(first + turn) % 4] for turn in range(3)], fill=label)


def _waves(pen, side, random, labels) -> None:
    across = np.linspace(0, side, 200)
    for number in range(16):
        label = labels[number % len(labels)]
        y = (number + 0.5) * side / 16 + np.sin(across / side * 2 * np.pi * 3 + number) * side * 0.02
        pen.line(
            [(float(one), float(other)) for one, other in zip(across, y, strict=True)],
            fill=label,
            width=side // 40,
        )


_PATTERN = {"leaves": _leaves, "dots": _dots, "stripes": _stripes, "tiles": _tiles, "waves": _waves}
