"""Colours: how sure they are, how alike, how they are named, found and seen."""

from types import MappingProxyType

# Uncertainty of a colour, one sigma in ΔE00, by where the colour came from.
# Two instrument readings of one swatch differ by 0.5 to 1.0; a label is
# printed, not dyed, and a screen value passed through somebody's monitor.
UNCERTAINTY = MappingProxyType(
    {"read": 0.5, "photographed": 3.0, "label": 4.0, "screen": 5.0, "predicted": 2.0, "typed": 0.0}
)

# Verdicts: upper limits in ΔE00. At 1 side-by-side halves melt together;
# at 2.5 the edge shows only when sought; at 5 it shows but the two still read
# as one colour on a card; up to 9 they are of one family.
SAME_TO_THE_EYE = 1.0
VERY_NEAR = 2.5
NEAR = 5.0
COUSIN = 9.0
# The variance of an error along L*, a* or b*, as a share of the square of a σ in ΔE00: the errors of three
# axes add up to that of the distance, and not all of one lies along the way between two colours. From half a
# third to a whole one the word told is right about as often; at three quarters its chances come as they are
# said (bench, *nearness*).
VERDICT_VARIANCE = 0.75 / 3
VERDICT_SURE = 0.8  # less likely than this, a word is said with "probably"
VERDICT_BAND = (
    0.1  # of the likely distances so many lie below, and above, the two words that one lies between
)

# Which supply a colour in a photo was: how likely it is at all one that was once noted for this card, one
# that was used for anything, one of the drawer, or any other; where there is none of a kind, the rest counts
# for more. Ours: who wrote down what they used mostly wrote down the right thing, and bought little for it.
WHICH_NOTED, WHICH_USED, WHICH_OWNED, WHICH_OTHER = 0.70, 0.16, 0.12, 0.02
WHICH_LAYERS = (0.6, 0.3, 0.1)  # how often a tone is laid once, twice, three times
# The share of colours that are of no supply (a blend, a shadow, a reflection), and among how many cubic
# units of CIELAB they may lie.
WHICH_NONE, WHICH_SPACE = 0.1, 400_000.0
WHICH_LEAST = 0.01  # less likely than this is not told
WHICH_TOLD = 12

# Direction words: components of a difference smaller than this are not
# named (the eye ranks the larger ones first); "a touch" up to the second.
DIRECTION_FLOOR = 0.8
DIRECTION_TOUCH = 4.0
DIRECTION_MUCH = 12.0
# A component is named beside the largest only if it reaches this share of it.
DIRECTION_SHARE = 0.5
DIRECTION_HUE = 60.0  # degrees beyond which one hue is no longer on the way to the other

# Nearest search: candidates taken from the DIN99o tree before ranking by
# ΔE00, and the factor c such that every colour within ΔE00 d lies within d/c
# in DIN99o. c was searched for adversarially; it is a numeric bound, not a
# proof, so the bench compares every answer with brute force.
FIRST_CANDIDATES = 32
DIN99O_BOUND = ((6.0, 0.33), (12.0, 0.30), (20.0, 0.25))

# Finding by a name with a slip in it: likeness in per cent (Levenshtein
# ratio). One letter left out of seven gives 92, two letters changed over 75;
# shorter texts than this are too like everything.
SLIP_LIKENESS = 75.0
SLIP_LENGTH = 4

# Recovery of a reflectance from Lab.
REFLECTANCE_FLOOR = 0.005  # no real paint or paper reflects less
RECOVERY_ROUNDS = 3  # after three the round trip is under 0.5
RECOVERY_STEPS, RECOVERY_STILL = 5, 0.1  # after which a real colour moves by less than that; others never do
# How much of the smoothest logarithm: colourants take away shares of light, and so are nearer to it than
# cards are. A quarter fewer muddy joins of pads known by their colour alone are missed than by none, and no
# pair that is known to be clean is called muddy, as it is from a half on.
RECOVERY_LOGARITHM = 0.3

# The chart of a range: fields by hue angle and L*, and the chroma below
# which a colour is a neutral or a field's middle is judged.
CHART_NEUTRAL = 6.0
CHART_HUES = 30
CHART_STEP = 20
CHART_LOWEST = 20
CHART_CHROMA = 28.0

# Viewing.
LAMP = "LED-B1"  # CIE 15:2018 warm white LED, 2733 K: the usual evening lamp
LAMP_ADAPTATION = 0.8  # the eye adapts to a warm room, but not wholly
FREE_LEVEL = 0.3  # of a difference of L* where a word says a hue and no depth: "green" is dark or pale
DESCRIBED_OFF = 16.0  # farther than so from what is meant a colour is not called so any more
