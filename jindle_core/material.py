"""What is something on a card made of, as far as its colour goes?"""

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class End:
    """What a pair or a piece is of.

    ``source`` is "palette" (a key), "supply" (a colour's id), "sheet" (a patterned paper's, of a piece only)
    or "white". What a piece is cut out of may also be "vellum", or a "ribbon" of no colour that is said.
    """

    source: str
    id: int = 0
