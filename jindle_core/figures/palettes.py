"""Palettes: the card's own, and those out of a rule landed on supplies."""

from types import MappingProxyType

from jindle_core.figures.colour import COUSIN

# Palette and card.
PALETTE_LIMIT = 24  # more is not a palette; the first nine have number keys
ALTERNATIVES = 12
UNDO_LIMIT = 200  # changes that undo reaches back: so many states before the one that stands are kept
NAME_LIMIT = 500
# What is on the desk in its first simple form, as shares of the shorter side.
MAT_REVEAL = 0.03  # about 1/8 in on a card 4 1/4 in high
MARGIN = 0.03
STRIP_HEIGHT = 0.14
STRIP_WIDTH = 0.5  # of the card's width
DRAWING_INSET = 0.04  # of the panel's side, around a line drawing on it
FOCAL_HEIGHT = 0.5

# A hole in the palette table: nothing in the medium within this ΔE00.
# Beyond "cousin" a substitute is another colour, so the cell says so.
HOLE = COUSIN

# Palettes out of a rule, landed on supplies. Ours, set by looking at what the demo ranges give.
RULE_FEW = (8, 12, 16)  # supplies tried for each place: roughly, of many palettes, of one
RULE_STARTS, RULE_SEED = 8, 20  # beginnings at random of one palette, the same every time
RULE_ROUNDS = 4  # of trying them place by place; later ones change nothing
RULE_CHROMA = 0.11  # Oklab chroma of a rule's colour where its base has less: a grey has no hue to follow
RULE_COLOURED = 0.03  # Oklab chroma from which a supply has a hue at all
RULE_GREY_OFF = 60.0  # degrees that a grey counts as off where the rule wants a hue
RULE_KEPT = 12.0  # degrees of mean deviation up to which a rule is kept: half of what parts two neighbours
RULE_APART = 10.0  # ΔE00 below which two colours of a palette do one colour's work
RULE_ORDERED = 8.0  # ΔL* from which the rule says which of two is the lighter
NATURAL_L = (45.0, 85.0, 105.0)  # L* of deep hues, of yellow, and yellow's Oklab hue
RULE_COSTS = MappingProxyType(
    {"off": 5.0, "order": 3.0, "span": 8.0, "apart": 4.0, "wanted": 10.0, "check": 2.0}
)
DRAWER_PALETTES = 12
DRAWER_FINALISTS = 50  # leads of a rule that are gone on with after a rough first look
DRAWER_LEADS = 300  # colours that lead: of more the strongest of each kind, which are what one would show
DRAWER_SHARED = 2  # colours that two palettes offered together may share
CHANGES_AT_ONCE = 100  # as one: more than all the pieces of a card
PLACES_CARDS = 30  # of one's cards, newest first, that are told where something could be taken
# Moods: hues a person can oversee; degrees that one reaches, before it is two; L* from dark to light that
# shows form at all; and more chroma (Oklab's) than any supply has.
MOOD_HUES, MOOD_REACH, MOOD_SPAN, MOOD_CHROMA = 4, 45.0, 30.0, 0.3
