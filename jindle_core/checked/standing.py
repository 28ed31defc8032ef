"""How do the pieces of a card stand against what they really lie beside?"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from jindle_core import figures
from jindle_core.blending.standing import examine_lettering, examine_picture, picture_stands
from jindle_core.checks.finding import Finding, Status
from jindle_core.colorimetry.spaces import as_lab
from jindle_core.contrast.rules import PairKind
from jindle_core.contrast.stacked import Neighbour, StackStanding, examine_stack
from jindle_core.layers.lettering import lettering_rule
from jindle_core.layers.pieces import WORDS, Kind, Piece, Raised
from jindle_core.layers.touching import Beside, lies_beside, rings
from jindle_core.seen.pictures import Edge
from jindle_core.seen.stack.look import Face
from jindle_core.seen.stack.under_words import under_words
from jindle_core.seen.stack.whole import Stack
from jindle_core.shown import percent

_OUTSIDE = 0.01  # mm beside a piece where one looks at what lies there
_ALONG = 5  # places along each side of a piece where what is not of one colour is looked at
# The sides of a piece: whether they lie level, and at which end.
_ENDS = {"top": (True, 0.0), "bottom": (True, 1.0), "left": (False, 0.0), "right": (False, 1.0)}


@dataclass(frozen=True)
class PieceStands:
    """How a piece stands: by which rule, what was found, beside what, and what was compared with what.

    Each of m comparisons is of CIELAB ``upper`` (m, 3) on ``under`` (m, 3), seen ``at`` (m,) keys.
    ``over`` are the keys of what covers it.
    """

    rule: PairKind
    finding: Finding
    beside: str
    upper: np.ndarray
    under: np.ndarray
    at: np.ndarray
    over: tuple[int, ...] = ()


def touching(stack: Stack) -> dict[int, list[Beside]]:
    """By key what shows beside each piece; what is only ink lies beside nothing."""
    found: dict[int, list[Beside]] = {}
    for face in stack.look.faces:
        for one in lies_beside(face.keys, face.sides, face.areas):
            found.setdefault(one.key, []).append(one)
    return found


def standing(stack: Stack, beside: dict[int, list[Beside]]) -> dict[int, PieceStands]:
    """By key how each piece stands; not those that are hidden, nor vellum, which shows what is under it."""
    found: dict[int, PieceStands] = {}
    plain: list[tuple[Piece, StackStanding, list[int]]] = []
    for pieces, face in zip(stack.where.build.faces, stack.look.faces, strict=True):
        sides = _sides(stack, face, beside)
        pictures: list[Piece] = []
        for piece in pieces:
            if piece.is_wanting_words:
                continue  # what nobody typed yet cannot be read or not
            if piece.kind in WORDS:
                found[piece.key] = _words(stack, face, piece)
            elif piece.kind is Kind.IMAGE:
                pictures.append(piece)
            elif piece.key in beside and piece.kind is not Kind.VELLUM:
                around = _around(stack, piece, beside[piece.key], sides)
                if around:
                    judged = StackStanding(_own(stack, piece), tuple(one for one, _ in around))
                    plain.append((piece, judged, [key for _, key in around]))
        found |= _pictures(stack, face, pictures)
    examined = examine_stack([judged for _, judged, _ in plain])
    for (piece, judged, keys), (found_of_it, name) in zip(plain, examined, strict=True):
        finding = _as_meant(piece, judged, found_of_it)
        under = np.array([one.lab for one in judged.beside])
        upper = np.broadcast_to(np.array(judged.lab), under.shape)
        found[piece.key] = PieceStands(PairKind.MAT, finding, name, upper, under, np.array(keys))
    return found


def _as_meant(piece: Piece, judged: StackStanding, finding: Finding) -> Finding:
    """What is found of a piece; white that stands on white, or is stitched there, is meant to show no more
    than its shadow."""
    is_relief = piece.raised is not Raised.FLAT or piece.stitched
    labs = np.array([judged.lab, *(one.lab for one in judged.beside)])
    white = (labs[:, 0] >= figures.contrast.WHITE_L) & (
        np.hypot(labs[:, 1], labs[:, 2]) <= figures.contrast.WHITE_C
    )
    if finding.status is Status.HOLDS or not is_relief or not white.all():
        return finding
    return Finding(Status.HOLDS, finding.figure, finding.limit, "only its shadow shows, as is meant")


def _by_sides(stack: Stack, key: int) -> bool:
    """Whether what a thing shows depends on where one looks; a pattern is of all its colours everywhere."""
    return stack.of.varies(key) and (key == stack.where.carrier or stack.of.sheet(key) is None)


def _own(stack: Stack, piece: Piece) -> tuple[float, float, float]:
    """The colour of a piece; of what carries the ground, what its edge shows on the whole, of a pattern
    that of the most of it."""
    lab = stack.lab(piece.key)
    if (sheet := stack.of.sheet(piece.key)) is not None:
        lab = stack.palette.sheet_labs(sheet)[sheet.shares.argmax()]
    if piece.key == stack.where.carrier:
        along, ends = np.linspace(0, 1, 2 * _ALONG), np.repeat([0.0, 1.0], _ALONG)
        x, y = np.concatenate([along, ends]), np.concatenate([ends, along])
        lab = stack.of.grounded.seen_at(x, y).mean(axis=0)
    lightness, a, b = map(float, lab)
    return lightness, a, b


_Sides = dict[int, list[tuple[str, int, tuple[float, float, float], float]]]


def _sides(stack: Stack, face: Face, beside: dict[int, list[Beside]]) -> _Sides:
    """By key, for pieces beside what is not of one colour: what each side shows of it.

    For each: the side, what lies there (its key), its CIELAB, and how long the side is as a share of all.
    """
    keys = [
        key
        for key in face.keys
        if any(_by_sides(stack, one.beside) for one in beside.get(key, ()))
        and stack.where.piece(key).kind not in WORDS
    ]
    if not keys:
        return {}
    along = np.linspace(0.1, 0.9, _ALONG)
    x, y = np.zeros((2, len(keys), len(_ENDS), _ALONG))
    for at, key in enumerate(keys):
        if key in stack.where.outlines:
            x[at], y[at] = _around_outline(stack, key)
            continue
        box = stack.where.boxes[key]
        left, top, wide, high = (float(getattr(box, side)) for side in ("x", "y", "width", "height"))
        for side, (level, end) in enumerate(_ENDS.values()):
            off = _OUTSIDE if end else -_OUTSIDE
            x[at, side] = left + (wide * along if level else wide * end + off)
            y[at, side] = top + (high * end + off if level else high * along)
    below = np.repeat([face.place(key) for key in keys], len(_ENDS) * _ALONG)
    labs, places = stack.look.seen_at(face, x.ravel(), y.ravel(), below)
    labs, places = labs.reshape(*x.shape, 3), places.reshape(x.shape)
    found: _Sides = {}
    for at, key in enumerate(keys):
        box = stack.where.boxes[key]
        for side, (name, (level, _)) in enumerate(_ENDS.items()):
            length = float((box.width if level else box.height) / (2 * (box.width + box.height)))
            for place in np.unique(places[at, side]):
                here = places[at, side] == place
                if place >= 0:
                    lightness, a, b = labs[at, side][here].mean(axis=0).tolist()
                    told = (name, face.keys[place], (lightness, a, b), length * float(here.mean()))
                    found.setdefault(key, []).append(told)
    return found


def _around_outline(stack: Stack, key: int) -> tuple[np.ndarray, np.ndarray]:
    """Points (4, n) just outside the outline of a piece, by the side on which they lie."""
    _, points = rings(stack.where.outlines[key].lies)
    left, top, right, bottom = stack.where.outlines[key].lies.bounds
    across, down = ((points - [(left + right) / 2, (top + bottom) / 2]) / [right - left, bottom - top]).T
    far = np.stack([-down, down, -across, across])  # in the order of the sides
    nearest = np.argsort(-far, axis=1)[:, : max(len(points) // 4, _ALONG)]
    taken = nearest[:, np.linspace(0, nearest.shape[1] - 1, _ALONG).astype(int)]
    return points[taken, 0], points[taken, 1]


def _around(
    stack: Stack, piece: Piece, beside: Sequence[Beside], sides: _Sides
) -> list[tuple[Neighbour, int]]:
    """What lies beside a piece, with its key; what is not of one colour by what each side shows of it."""
    found = []
    for one in beside:
        name = stack.where.name(one.beside)
        if (sheet := stack.of.sheet(one.beside)) is not None:
            for lab, share in zip(stack.palette.sheet_labs(sheet), sheet.shares, strict=True):
                found.append((Neighbour(name, as_lab(lab), one.share * float(share)), one.beside))
        elif stack.of.varies(one.beside):
            found += [
                (Neighbour(f"{name}, at its {side}", lab, share), key)
                for side, key, lab, share in sides.get(piece.key, ())
                if key == one.beside
            ]
        else:
            lightness, a, b = map(float, stack.lab(one.beside))
            found.append((Neighbour(name, (lightness, a, b), one.share), one.beside))
    return found


def _pictures(stack: Stack, face: Face, pieces: Sequence[Piece]) -> dict[int, PieceStands]:
    """By key how pictures stand along their real outlines, against whatever lies there; not those hidden."""
    edges = [stack.look.pictured.edge(face.parts[piece.key]) for piece in pieces]
    if not edges:
        return {}
    turned = [
        stack.where.as_turned(piece.key, *edge.places.T) for piece, edge in zip(pieces, edges, strict=True)
    ]
    x, y = (np.concatenate(side) for side in zip(*turned, strict=True))
    lengths = [len(edge.places) for edge in edges]
    own = np.repeat([face.place(piece.key) for piece in pieces], lengths)
    # All at once: what is asked of every point is the same.
    _, above = stack.look.seen_at(face, x, y, np.full(len(x), len(face.keys)))
    under, places = stack.look.seen_at(face, x, y, own)
    # Just on its own outline a picture is seen or not as rounding has it.
    shows = (places >= 0) & (above <= own)
    found, ends = {}, np.cumsum(lengths)[:-1]
    parts = (np.split(one, ends) for one in (under, places, shows))
    for piece, edge, *there in zip(pieces, edges, *parts, strict=True):
        if there[2].any():
            found[piece.key] = _picture(stack, face, piece, edge, *there)
    return found


def _picture(
    stack: Stack,
    face: Face,
    piece: Piece,
    edge: Edge,
    under: np.ndarray,
    places: np.ndarray,
    shows: np.ndarray,
) -> PieceStands:
    """A picture along its outline, where that ``shows`` (k,), on colours (k, 3) of things at places (k,)."""
    edge, under, places = edge.only(shows), under[shows], places[shows]
    stands = picture_stands(edge.labs, under)
    outlined = stack.look.pictured.outlined(face.parts[piece.key])
    sigma = stack.of.shows(piece.key).usual_sigma
    finding = examine_picture(stands, edge.labs, under, edge.names, outlined, sigma)
    beside = _names(stack, face, places if stands.all() else places[~stands])
    return PieceStands(PairKind.PICTURE, finding, beside, edge.labs, under, np.array(face.keys)[places])


def _words(stack: Stack, face: Face, piece: Piece) -> PieceStands:
    """Words by their size and weight, where they are worst on what is under them, or what covers them."""
    part, place = face.parts[piece.key], face.place(piece.key)
    (x, y), under, places = under_words(stack.look, face, piece)
    _, above = stack.look.seen_at(face, x, y, np.full(len(x), len(face.keys)))
    rule = lettering_rule(part.size, piece.bold)
    finding = examine_lettering(rule, stack.lab(piece.key), under, stack.written_sigma(piece))
    beside = _names(stack, face, places)
    cut = piece.kind is Kind.CUT_WORDS
    covered = above > place if cut else above != places
    over: tuple[int, ...] = ()
    if covered.mean() > figures.contrast.BESIDE_LEAST:
        over = tuple(face.keys[at] for at in np.unique(above[covered]))
        figure = f"{percent(float(covered.mean()), figures.contrast.BESIDE_LEAST)} covered"
        reason = f"is covered by {_names(stack, face, above[covered])}"
        finding = Finding(Status.FAILS, figure, "nothing over it", reason)
    upper = np.broadcast_to(stack.lab(piece.key), under.shape)
    return PieceStands(rule, finding, beside, upper, under, np.array(face.keys)[np.maximum(places, 0)], over)


def _names(stack: Stack, face: Face, places: np.ndarray) -> str:
    """What is at places of the stack, but for what is hardly there."""
    found, counts = np.unique(places, return_counts=True)
    kept = found[counts >= min(figures.contrast.BESIDE_LEAST * len(places), counts.max())]
    return " and ".join(stack.where.name(face.keys[max(at, 0)]) for at in kept)
