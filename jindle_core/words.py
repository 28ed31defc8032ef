"""In which words is a key said? What is stored and sent are keys; people read words."""

from collections.abc import Mapping
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


class Said(str):
    """A sentence that keeps the pattern that it is made by, and what stands in it.

    The pattern is its key: what says the same of other things has the same. So another language is a table of
    patterns, and no rule needs to read a sentence. What stands in it may be such a sentence itself.
    """

    pattern: str
    values: Mapping[str, object]


def said(pattern: str, **values: object) -> Said:
    """The sentence of a pattern.

    >>> told = said("Ink {piece} with {ink}", piece="mat 1", ink="KILN-7")
    >>> told, told.pattern
    ('Ink mat 1 with KILN-7', 'Ink {piece} with {ink}')
    """
    made = Said(pattern.format(**values))
    made.pattern, made.values = pattern, MappingProxyType(values)
    return made


def in_words(key: str) -> str:
    """A key as people read it.

    >>> from jindle_core.layers.pieces import Raised
    >>> in_words(Raised.DOUBLE)
    'double foam tape'
    """
    return PHRASES.get(key, key.replace("-", " "))
