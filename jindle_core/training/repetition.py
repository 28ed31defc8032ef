"""When does what was missed come back? In boxes, each twice as late as the one before (Leitner 1972)."""

from jindle_core import figures


def next_box(box: int | None, right: bool) -> int | None:
    """Into which box a question goes after an answer, from the one it came out of (None: it was in none).

    None where it comes back no more: it was right at once, or out of the last box.

    >>> next_box(None, True), next_box(None, False), next_box(2, True), next_box(4, False)
    (None, 0, 3, 0)
    """
    if not right:
        return 0
    if box is None or box + 1 >= len(figures.training.BOX_DAYS):
        return None
    return box + 1


def days_until(box: int) -> int:
    """After how many days what lies in a box is asked again."""
    return figures.training.BOX_DAYS[box]
