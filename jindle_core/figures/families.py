"""Shading families: their steps, costs and limits."""

from types import MappingProxyType

# A family into another range: costs of being off in colour and in its steps.
FAMILY_SIZES = (2, 5)
FAMILY_DELTA_E = 6.0
FAMILY_STEP_L = 4.0
FAMILY_STEP_AB = 72.0  # squared
FAMILY_LEAST_STEP = (3.0, 0.35)  # ΔL*, or this share of the original step, whichever is larger
FAMILY_GIVES_WAY = 6.0  # ΔL* by which a step may differ before it is told

# Shading families: what one tone may be to the next, and to the colour that the family is wanted for. As many
# cardmakers pick them: the hue is kept, what is darker keeps its strength, and a yellow deepens to gold.
STEP_LEAST, STEP_LEAST_PALE, STEP_PALE_L = (
    4.0,
    3.0,
    80.0,
)  # ΔL*: from tones lighter than that, less
STEP_NONE = 1.0  # ΔL*: nearer than that two tones are one, however pale
STEP_MOST = 24.0  # ΔL*: farther apart no blending joins them
STEP_TURN = 25.0  # degrees from one tone to the next; a yellow's darker ones as far as they may turn at all
STEP_CHROMA = (30.0, 0.6)  # ΔC*, or this share of the stronger one, whichever is less
STEP_CHROMA_LEAST = 6.0  # ΔC* that is no step: of two near greys a share of their C* is less than eyes see
PALE_L, PALE_C = 85.0, 15.0  # lighter and weaker than both a tone may rise to any strength within the first
TURN_DARKER, TURN_LIGHTER = 20.0, 25.0  # degrees off the wanted hue, either way
YELLOW_HUES = (75.0, 112.0)  # a yellow has no dark of its own …
YELLOW_DARKER = (38.0, 8.0)  # … and turns so far towards orange, or towards green
YELLOW_DEEPENS = 20.0  # ΔL* below it from which it may turn all of that; a peach as light as it is no shadow
NEARLY_WHITE_L, NEARLY_WHITE_C = 88.0, 8.0  # lighter and weaker: of any hue
HUE_DISTANCE = 6.0  # ΔH*: near the neutral axis an angle says nothing
DARKER_KEEPS = 0.5  # of the C* wanted: the rest looks grey beside it
COOL_SHADOW = (280.0, 110.0, 8.0)  # the hue that a chosen darkest tone may turn to, how far, ΔL* darker
FAMILY_SPAN = MappingProxyType({2: 12.0, 3: 25.0, 4: 30.0, 5: 36.0})  # ΔL* lightest to darkest: form shows …
SPAN_OF_PALE = (
    12.0,
    0.6,
    95.0,
)  # … of pale colours from less: and so much of what lacks to white
# The same where a small drawer has nothing within them: an honest second best, of its hue all the same.
RELAXED_LIGHTNESS = (2.0, 32.0)
RELAXED_TURN = 40.0  # a rust for an orange: before there is nothing at all
RELAXED_SPAN = 0.8  # of the span wanted
# What costs as much as another: ΔL* off an even step, degrees of turn, ΔC*; beside them a change of range.
STEP_COST = MappingProxyType({"lightness": 6.0, "turn": 15.0, "chroma": 15.0})
OTHER_RANGE_COST = 0.6
YELLOW_COST = (0.7, 3.0)  # times that a yellow's turn to gold counts, and its getting duller: it looks dirty
TURN_COUNTS_C = 30.0  # C* from which a turn counts in full
OFF_MIDDLE_COST = 0.5  # for each place that the colour wanted is off the middle of its family
STEP_AIM = 2.0  # ΔL* that a step aims at beyond its share of the span
FAMILIES_OFFERED = 5
FAMILIES_LOOKED_AT = 300  # of which those are chosen that differ
DIFFERS = (5.0, 6.0)  # ΔC* in the mean, ΔL* of the darkest or lightest, from which one looks another
FAMILY_CANDIDATES = 1500  # every step between two of them is worked out at once: seven arrays of 18 MB
FOLLOWED_L = (
    3.0  # ΔL* that counts as much as FAMILY_DELTA_E where tones are followed: lightness is kept first
)
# Of an L* at both ends, tried until a family spans enough; the last finds one wherever there is any.
SPAN_PRICES = (0.0, 0.05, 0.15, 0.5, 2.0, 1e4)
# Of the best around a colour as many are held against the family that they are to be like: of 1 the areas of
# the demo cards without their markers' range are off by ΔL* 5.8 in the mean, of 8 by 4.6, of 40 by 4.1.
FAMILIES_TRIED = 40
ANCHORS_TRIED = 3  # supplies nearest to the colour wanted that a family may be built around
ANCHOR_COST = 6.0  # ΔE00 that a family's own anchor may be off the colour wanted
METAL_STEP = 45.0  # metal jumps from light to dark on purpose
TRUE_GREY_C = 1.5  # a grey this even leans to neither side
SKIN_HUE = (38.0, 80.0)  # CIELAB degrees between which human skin lies, light and deep
SKIN_CHROMA = (6.0, 38.0)
WHITE_THING_L = (72.0, 97.0)  # L* of what shades a white thing, most of it bare paper
FUR_GREY_C = 20.0  # C*: fur and feathers weaker than that are chosen with grey shadows, a yellow chick is not
# Next to black a white thing's darkest grey lies at L* 68 to 72: how dark it may be, its span, its middle.
BESIDE_BLACK_L, BESIDE_BLACK_SPAN, BESIDE_BLACK_MIDDLE = 68.0, 18.0, 79.0
# What white things are shaded with, as a*, b* of it, and how far off that one of its tones may lie.
WHITES = MappingProxyType(
    {"cool grey": (-0.5, -3.0), "toned grey": (0.5, 3.0), "cream": (0.5, 10.0), "palest pink": (8.0, 2.0)}
)
WHITE_REACH = 6.0
BLACK_THING_L = (12.0, 58.0)
GLASS_L = 58.0  # glass stays light, its glints bare paper
WHITE_SPAN = 10.0  # ΔL*: the bare paper is its lightest tone already
PALE_SKIN_L, PALE_SKIN_SPAN = 70.0, 10.0  # of a skin lighter than that two tones so far apart are usual
WHITE_BARE = 0.5  # of the way from light to shadow: what stays paper
GLINT_BARE = 0.15
DEEPEN = (8.0, 20.0)  # ΔL* that a deeper shadow must bring at least, and need not exceed
BLEND_SHARE = 0.2  # of a tone's part on a shape: where it runs into the next
