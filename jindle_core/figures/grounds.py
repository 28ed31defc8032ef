"""Grounds: pads blended into one another, and how they are laid out."""

from types import MappingProxyType

# Blending pads into one another: weights along a join, and when it goes muddy.
STRIP_PLACES = 21
STRIP_FALLS = (0.3, 0.9)  # of the way: between them the first pad runs out; the second comes in mirrored
REACH = MappingProxyType({"a-little": 0.5, "halfway": 1.0, "far": 4 / 3})  # of that stretch; far is all of it
GAP_FALLS = (0.26, 0.4)  # the same where a gap is left white: the middle fifth stays bare
SEAM_LIGHT, SEAM_RAMP = 0.35, 0.3  # a light hand at the join, and the part of the way that leads to it
MUD_ENDS_C = 12.0  # C* that the duller end must have: grey into colour is no mud
MUD_APART = 30.0  # degrees: nearer hues only deepen one another where they overlap
MUD_SHARE = 0.55  # of the duller end's C* that is left at the dullest place
MUD_DIPPED = (0.75, 3.0)  # the same where it darkens too, by this ΔL*
# What a join keeps of its colour is foreseen to about so much of that share: nearer to the limit is
# "probably". So much is asked for besides: a dull join that is not foreseen spoils the ground, a clean one
# that was feared costs only a choice. More would call pairs muddy that are known to be clean.
MUD_DOUBT, MUD_CARE = 0.05, 0.01
SOFT_SHARE = 0.7
MUD_SEEN = 12.0  # ΔE00 from the bare card below which a grey is paler than anyone would call mud
OPPOSITE_HUES = 120.0  # degrees apart
BRIDGE_SHARE = 0.6  # of the duller end's C* that a pad between two must have
BRIDGES_OFFERED = 6
ANOTHER_PAD = 14.0  # ΔE00 up to which another pad can stand for one: beyond it the ground is another
WAYS_OFFERED = 3  # of each kind
RAINBOW_GAP = 100.0  # degrees of hue that no rainbow leaves open
RAINBOW_PADS, RAINBOWS_KEPT = 5, 400  # pads of one at most; sets that are gone on with: half a second
ORDER_PADS = 7  # every order of them is tried: 5,040

# Grounds. How they are laid out is ours: shares of the panel, as one would brush them.
GROUND_PADS = 6
PAD_COATS = 3
FIELD_PLACES = 11  # of a join on the panel: between two of them no eye sees a step
OMBRE_LEAST = 0.06  # of a dab, where an ombre of one pad begins
VIGNETTE_CENTRE = (0.22, 0.5)  # of the way to the corner: bare up to the one, full colour from the other
STRIPES, STRIPE_GAP = 6, 0.3  # at least so many stripes, and the share of each that stays bare
SKY_EDGES, SKY_REACH = 4, 1.4  # how often the stencil is moved, and how far above its edge ink runs, in moves
EDGE_PLACES, EDGE_HEIGHT, EDGE_OFFSET, EDGE_STEP = 41, 0.16, 0.37, 0.3
OMBRE_SPAN = 12.0  # ΔL* in all below which it reads as one tone
OMBRE_BACK = 2.0  # ΔL* against the run
OMBRE_UNEVEN = 0.5  # of the mean step by which a step may be off it
OMBRE_BETTER = 0.75  # of the unevenness that another coat must leave at most to be worth it
# ΔE00 of a bare centre from the colour beside it; beside a warm one white glares sooner.
CENTRE_HARSH, CENTRE_WARM = 34.0, 24.0
WARM_HUES = (20.0, 105.0)  # degrees
EDGE_GATHERS = 1.3  # of the ink's amount that gathers along a stencil's edge
EDGE_LINE = 5.0  # ΔE00 from which that shows as a line
STANDS_SHARE = (0.85, 0.5)  # of a picture's outline that must stand out; below the second it fails
OUTLINE_POINTS = 160  # along the picture's outline
GROUND_TAIL = 0.05  # of a ground's area that does not count as one of its colours
GROUND_THERE = 3.0  # ΔE00 from the bare card below which a ground is hardly there
GROUND_LOUD = 6.0  # C* by which a quiet ground may be stronger than the picture
DARK_GROUND_L = 45.0  # L* up to which a ground lets a picture shine
SHINES_SHARE = 0.3  # of a picture that must be lighter than a dark ground
BLACK_PAD = (22.0, 8.0)  # L* and C* up to which a pad swallows whatever it meets
WHITE_PAD = (90.0, 5.0)  # L* from and C* up to which a pad is white: on white card its film cannot be known
CLEAN_BRUSH = 40.0  # degrees of hue from which two pads want a brush each
# Effects over a ground. How far water lifts is our estimate from what cardmakers say; test it on a scrap.
WATER_LEAVES = MappingProxyType({"dye ink pad": 0.45, "pigment ink pad": 0.85, "chalk ink pad": 0.65})
SPLASH = 0.3  # of a dab: ink diluted with water
WHITE_COATS = 2.0  # films of opaque white in a drop
WHITE_ABSORPTION = 0.004  # K of such a film: a white that reflects about 0.88 by itself
EFFECT_SHOWS, EFFECT_LOUD = 2.5, 18.0  # ΔE00 between which a mark reads as texture
GROUND_SAMPLES = 24  # a side of the raster on which a ground is judged
# Layered stencils. Sizes are shares of the panel's height, as sets of stencils for cards are cut.
STENCIL_LAYERS, STENCIL_PADS = 6, 12  # of a ground; several inks can go through one
# Openings of one's own on all stencils of a ground: with more, what lies where takes longer than a second.
STENCIL_POINTS, STENCIL_OPENINGS = 1200, 60
STENCIL_OFF = 0.002  # of its size by which the corners of one's own may be off
CLOUD_SIZE, MOTIF_SIZE, MOTIFS, DIAMONDS = 0.11, 0.3, 14, 4
STENCIL_LESS = 0.75  # of its size that the last of some stencils of one form has lost
LEFT_ON_BRUSH = 0.12  # of a dab: our estimate of what a brush still gives on the way back; test it on a scrap
# Brushing always from one side: how far in from there, as a share of the panel's width, and up to how much.
ONE_SIDE_REACH, ONE_SIDE_TWICE, ONE_SIDE_STEPS = 0.08, 2.0, 4
