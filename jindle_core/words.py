"""In which words is a key said? What is stored and sent are keys; people read words."""

from types import MappingProxyType

# Where the words are not the key with its hyphens taken out.
PHRASES = MappingProxyType(
    {
        "same": "same to the eye",
        "stamped": "stamped with an ink",
        "powder": "embossed with a powder",
        "clear-powder": "stamped, under clear powder",
        "white-embossed": "embossed in white",
        "pen": "written with a gel pen",
        "rounded": "rounded corners",
        "banner": "banner, swallow-tailed",
        "label": "label, hollow corners",
        "scalloped": "scalloped edge",
        "cloud": "cloud edge",
        "hill": "hills",
        "letters": "outline of its words",
        "cut-words": "cut-out words",
        "diluted-splashes": "splashes of diluted ink",
        "white-splashes": "splashes of opaque white",
        "lighter-hand": "a lighter hand",
        "white-gap": "a white gap",
        "stencilled-sky": "sky over a stencil edge",
        "own-openings": "own",
        "stripes": "stripes kept apart",
        "lighter-join": "a lighter hand at the join",
        "white-join": "a gap left white",
        "pad-between": "a pad between",
        "another-pad": "another pad near it",
        "softens": "a little dull",
    }
)


def in_words(key: str) -> str:
    """A key as people read it.

    >>> from jindle_core.layers.pieces import Raised
    >>> in_words(Raised.DOUBLE)
    'double foam tape'
    """
    return PHRASES.get(key, key.replace("-", " "))
