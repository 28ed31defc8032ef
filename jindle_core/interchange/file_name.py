"""Which medium does a file's name speak of?"""

import re
import unicodedata

from jindle_core.media.medium import Medium

# Parts of words in English, German, French, Dutch, Spanish and Italian; the first that is found counts.
_SPOKEN: tuple[tuple[Medium, str], ...] = (
    (Medium.EMBOSSING_POWDER, "powder|pulver|poudre|poeder|polvo|polvere|emboss"),
    (Medium.PIGMENT_PAD, "pigment"),
    (Medium.CHALK_PAD, "chalk|kreide|craie|krijt|tiza|gesso|oxid"),
    (Medium.DYE_PAD, r"\bpads?\b|\binks?\b|inkpad|stempelkissen|encre|encreur|inkt|tinta|inchiostr|tampon"),
    (Medium.GEL_PEN, r"\bgel"),
    (Medium.OIL_PENCIL, "oil.*pencil|olkreide|huile"),
    (Medium.WAX_PENCIL, "pencil|buntstift|farbstift|crayon|potlo|lapi|matit"),
    (Medium.WATER_MARKER, "water.*(marker|pen)|aqua.*(marker|pen)|aquarell|brush.*pen"),
    (Medium.ALCOHOL_MARKER, "marker|feutre|rotulador|pennarell|stift"),
    (Medium.PATTERNED_PAPER, "pattern|designer|muster|motif"),
    (Medium.CARDSTOCK, r"card|karton|papier|paper|karte|\bstock"),
    (Medium.FINISHING_PIECE, "sequin|gem|dot|paillet|strass|finish"),
)


def medium_of(name: str) -> Medium | None:
    """The medium that a file's name speaks of; None where it speaks of none.

    >>> medium_of("Alcohol markers 2030.csv"), medium_of("my Buntstifte.txt"), medium_of("liste.csv")
    (<Medium.ALCOHOL_MARKER: 'alcohol marker'>, <Medium.WAX_PENCIL: 'wax pencil'>, None)
    """
    letters = unicodedata.normalize("NFKD", name.casefold()).encode("ascii", "ignore").decode()
    words = re.sub(r"[\W\d_]+", " ", letters.rpartition(".")[0] or letters)
    return next((medium for medium, spoken in _SPOKEN if re.search(spoken, words)), None)
