"""Shading families: their steps, costs and limits."""

from types import MappingProxyType

# A family into another range: costs of being off in colour and in its steps.
FAMILY_SIZES = (2, 5)
FAMILY_DELTA_E = 6.0
FAMILY_STEP_L = 4.0
FAMILY_STEP_AB = 72.0  # squared
FAMILY_LEAST_STEP = (3.0, 0.35)  # ΔL*, or this share of the original step, whichever is larger
FAMILY_GIVES_WAY = 6.0  # ΔL* by which a step may differ before it is told

# Shading families: limits of the step from one tone to the next, by how many tones there are.
# ΔL* least and most, hue drift (degrees, or ΔH* below the next figure), then drift from the anchor.
STEP_LIGHTNESS = MappingProxyType({2: (8.0, 28.0), 3: (8.0, 28.0), 4: (6.0, 26.0), 5: (5.0, 24.0)})
STEP_HUE = 20.0
STEP_HUE_DISTANCE = 6.0  # ΔH*: near the neutral axis an angle says nothing
STEP_CHROMA = (30.0, 0.6)  # ΔC*, or this share of the stronger one
ANCHOR_HUE = 30.0
FAMILY_SPAN = MappingProxyType({2: 12.0, 3: 25.0, 4: 30.0, 5: 36.0})  # ΔL* lightest to darkest: form shows
# The same where a small drawer has nothing within them: an honest second best.
RELAXED_LIGHTNESS = (6.0, 32.0)
RELAXED_HUE = 25.0
RELAXED_ANCHOR_HUE = 40.0
RELAXED_SPAN = 0.8  # of the span wanted
STEP_COST = MappingProxyType({"lightness": 8.0, "hue": 6.0, "chroma": 10.0, "free chroma": 12.0})
OFF_MIDDLE_COST = 0.5  # for each place that the colour wanted is off the middle of its family
STEP_AIM = 2.0  # ΔL* that a step aims at beyond its share of the span
FAMILIES_OFFERED = 5
FAMILY_CANDIDATES = 1500  # every step between two of them is held at once: about 90 MB
FOLLOWED_L = (
    3.0  # ΔL* that counts as much as FAMILY_DELTA_E where tones are followed: lightness is kept first
)
# Of an L* at both ends, tried until a family spans enough; the last finds one wherever there is any.
SPAN_PRICES = (0.0, 0.05, 0.15, 0.5, 2.0, 1e4)
# Of the best around a colour as many are held against the family that they are to be like: of 1 the areas of
# the demo cards without their markers' range are off by ΔL* 5.8 in the mean, of 8 by 4.6, of 40 by 4.1.
FAMILIES_TRIED = 40
ANCHORS_TRIED = 3  # supplies nearest to the colour wanted that a family may be built around
FAMILY_LEAST_LIGHTNESS = 2.0  # ΔL* below which two tones are no order at all
ANCHOR_COST = 6.0  # ΔE00 that a family's own anchor may be off the colour wanted
METAL_STEP = 45.0  # metal jumps from light to dark on purpose
TRUE_GREY_C = 1.5  # a grey this even leans to neither side
SKIN_HUE = (38.0, 80.0)  # CIELAB degrees between which human skin lies, light and deep
SKIN_CHROMA = (6.0, 38.0)
WHITE_THING_L = (72.0, 97.0)  # L* of what shades a white thing, most of it bare paper
BESIDE_BLACK_L = 55.0  # next to black, white wants a darker grey than usual
BLACK_THING_L = (12.0, 58.0)
GLASS_L = 58.0  # glass stays light, its glints bare paper
WHITE_STEP, WHITE_SPAN = 4.0, 10.0  # ΔL*: the bare paper is its lightest tone already
WHITE_BARE = 0.5  # of the way from light to shadow: what stays paper
GLINT_BARE = 0.15
DEEPEN = (8.0, 20.0)  # ΔL* that a deeper shadow must bring at least, and need not exceed
BLEND_SHARE = 0.2  # of a tone's part on a shape: where it runs into the next
