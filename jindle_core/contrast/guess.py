"""What probably lies on what, judged by the roles of a palette's colours?"""

from dataclasses import dataclass

from jindle_core.contrast.rules import PairKind


@dataclass(frozen=True, slots=True)
class Guess:
    """A pair guessed: positions of the upper and the lower colour; None is white paper."""

    kind: PairKind
    upper: int
    lower: int | None


def guess_pairs(roles: list[str], lightness: list[float]) -> list[Guess]:
    """First guesses from the roles and L* of a palette's colours, in their order.

    Lettering goes in the darkest colour on the lightest (white paper where
    none is light enough to be one), the leading colour's picture on the
    ground, and a mat in the dark around the ground. A second ground is taken
    for a quiet pattern on the first. What has no colour to stand for it is
    left out; one colour is never guessed to lie on itself.
    """
    places = range(len(roles))

    def first(*wanted: str) -> int | None:
        return next((place for role in wanted for place in places if roles[place] == role), None)

    if not roles:
        return []
    ground, lead = first("ground"), first("lead", "support", "accent")
    darkest = first("dark")
    if darkest is None:
        darkest = min(places, key=lightness.__getitem__)
    lightest = first("light")
    guesses = []
    if lightest != darkest:
        guesses.append(Guess(PairKind.LETTERING_SMALL, darkest, lightest))
    if lead is not None and ground is not None:
        guesses.append(Guess(PairKind.PICTURE, lead, ground))
    if ground is not None and darkest != ground:
        guesses.append(Guess(PairKind.MAT, darkest, ground))
    grounds = [place for place in places if roles[place] == "ground"]
    if len(grounds) > 1:
        guesses.append(Guess(PairKind.QUIET, grounds[1], grounds[0]))
    return guesses
