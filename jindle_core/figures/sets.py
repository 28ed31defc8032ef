"""Colourways: how hues are turned, and what it costs to land them on supplies."""

from types import MappingProxyType

TURN_STEP = 10  # degrees between the turns that are tried
TURNS_APART = 25  # degrees between two turns of one kind that are gone on with
TURNS_KEPT = 4  # of each kind: with five kinds enough to choose eight that differ
LANDED_AT_ONCE = 6  # before one of all that have landed is shown: more makes them differ more, and later
TURNS_OF_A_MOOD, TURNS_OF_ONE_MOOD = 1, 10  # of each of several; of the only one that is gone by
SHOWN = 8
SHEETS_TRIED = 5  # of those nearest to what is wanted, until what is cut of one stands out as it did
SHOWN_APART = 10.0  # mean ΔE00 between two that are shown, and from the card as it is
NEIGHBOURS_SPREAD, OPPOSITE_SPREAD = 35.0, 22.0  # degrees to either side that hues keep of their own
GREYED = 0.15  # of its chroma that is left of what turns to grey beside an accent
ACCENT_WIDTH = 40.0  # degrees to either side of the accent that belong to it

# Landing: candidates a place, states that are gone on with, of which so many are mended, in so many rounds.
CANDIDATES, BEAM, STARTS, ROUNDS = 16, 64, 6, 6
# Of one place what costs 1: L* that it is off, degrees of hue past those that are free, a share of chroma.
# There is no dark card but black and navy, and hardly a blue at L* 92: there hue counts for less.
COST_L, HUE_FREE, COST_HUE, COST_CHROMA = 2.0, 5.0, 12.0, 0.2
HUE_ENDS, HUE_AT_ENDS = (32.0, 90.0), 0.4
# Of two: what was lighter stays lighter by at least so much, or so large a share; how far the difference may
# change; marker and card of one colour; a muddy join; the same supply twice.
LEAST_STEP, STEP_SHARE, COST_STEP = 2.0, 0.35, 6.0
TOGETHER, COST_TOGETHER = 4.0, 2.0
BROKEN = MappingProxyType({"order": 30.0, "mud": 40.0, "twice": 50.0, "family": 30.0, "span": 30.0})
# A value may be off by so many degrees, or weaker by such a share, where its areas find no family else.
VALUE_TURNS, VALUE_SHARES = (0.0, -10.0, 10.0, -20.0, 20.0), (1.0, 0.8, 0.6)

NEARLY_KEPT = 0.9  # of what held: one in ten is looked for before it is seen
MOST_MEMBERS = 40  # cards of a set: more than anybody makes in one go
MOST_CUT = 3000  # pieces of one cutting plan: packed in some seconds
# The squint test of two cards: a grid of so many points a side; L* of deviation below which there is no
# pattern; and how well two patterns go together (Pearson's r) to be told the same, or similar.
SQUINT_SIDE, FLAT_L, PATTERN_SAME, PATTERN_LIKE = 48, 2.0, 0.97, 0.85
