"""Every default figure of the core, once, named, with its reason.

Unless a line says otherwise the figures come from experiments on five
simulated worlds of about 450 invented colours each (two-constant
Kubelka–Munk on paper, soak-in, dry-down, coverage, surface reflection and
instrument noise). Their forms held up; the constants are starting values.
"""

from types import MappingProxyType

# --- Uncertainty of a colour, one sigma in ΔE00, by where the colour came from.
# Two instrument readings of one swatch differ by 0.5 to 1.0; a label is
# printed, not dyed, and a screen value passed through somebody's monitor.
UNCERTAINTY = MappingProxyType(
    {"read": 0.5, "photographed": 3.0, "label": 4.0, "screen": 5.0, "predicted": 2.0, "typed": 0.0}
)

# --- Verdicts: upper limits in ΔE00. At 1 side-by-side halves melt together;
# at 2.5 the edge shows only when sought; at 5 it shows but the two still read
# as one colour on a card; up to 9 they are of one family.
SAME_TO_THE_EYE = 1.0
VERY_NEAR = 2.5
NEAR = 5.0
COUSIN = 9.0

# --- Direction words: components of a difference smaller than this are not
# named (the eye ranks the larger ones first); "a touch" up to the second.
DIRECTION_FLOOR = 0.8
DIRECTION_TOUCH = 4.0
DIRECTION_MUCH = 12.0
# A component is named beside the largest only if it reaches this share of it.
DIRECTION_SHARE = 0.5
DIRECTION_HUE = 60.0  # degrees beyond which one hue is no longer on the way to the other

# --- Nearest search: candidates taken from the DIN99o tree before ranking by
# ΔE00, and the factor c such that every colour within ΔE00 d lies within d/c
# in DIN99o. c was searched for adversarially; it is a numeric bound, not a
# proof, so the bench compares every answer with brute force.
FIRST_CANDIDATES = 32
DIN99O_BOUND = ((6.0, 0.33), (12.0, 0.30), (20.0, 0.25))

# --- Finding by a name with a slip in it: likeness in per cent (Levenshtein
# ratio). One letter left out of seven gives 92, two letters changed over 75;
# shorter texts than this are too like everything.
SLIP_LIKENESS = 75.0
SLIP_LENGTH = 4

# --- Recovery of a reflectance from Lab.
REFLECTANCE_FLOOR = 0.005  # no real paint or paper reflects less
RECOVERY_ROUNDS = 3  # after three the round trip is under 0.5

# --- Transparent colour on paper (markers, dye pads, pencils).
SURFACE_REFLECTION = 0.006  # what the surface returns before any dye is met
TRANSMITTANCE_RANGE = (0.003, 1.03)
TRANSPARENT_SHARE = 0.35  # w of R = M^w · K^(1-w); w = 1 is off by 11 on kraft
LEAST_ABSORPTION = 1e-4  # total K/S is kept above this, or layers give NaN
LIGHTENING_LIMIT = 0.2  # a layer takes away at most this share of the paper's K/S
# How much of what a layer brings the next one brings (b). A film's layers lie whole on one another.
LAYER_DECAY = MappingProxyType({"transparent": 0.75, "film": 0.9, "wax": 0.65})
# ΔL* by which a full dab dries lighter; chalk most, since it turns from wet film to powder.
DRY_DOWN = MappingProxyType({"dye ink pad": 3.0, "pigment ink pad": 3.0, "chalk ink pad": 5.0})
HAND_WEIGHT = MappingProxyType({"light": 0.35, "middle": 1.0, "heavy": 1.5})  # of one full layer
GLAZE_WEIGHT = 0.87  # of what is laid over a dry colour; between 0.85 and 0.90 in all five worlds
FILM_SCATTER = MappingProxyType({"semi-opaque": 0.2, "opaque": 0.6})  # S at 550 nm of one layer
PENCIL_COVER = 0.15  # share of a pencil's colour that another paper does not change
PAPER_WHITE_LAB = (95.5, 0.3, -1.2)  # a usual smooth white card, slightly blue
# Kinds of stock by a typical colour, and the share of a colour's strength that shows on them.
STOCKS = MappingProxyType(
    {
        "white": (PAPER_WHITE_LAB, 1.0),
        "pale tint": ((91.0, -3.0, -6.0), 0.98),
        "cream": ((91.0, 2.0, 13.0), 0.93),
        "grey": ((62.0, 0.0, 0.0), 0.87),
        "kraft": ((60.0, 9.0, 23.0), 0.65),
    }
)
# One sigma (ΔE00) that each layer after the first adds, and that another stock
# than white adds, by what the medium does; a fit leaves the share below of it.
PREDICTION_SIGMA = MappingProxyType({"transparent": (1.2, 1.5), "film": (1.2, 2.0), "wax": (1.0, 2.0)})
FITTED_SHARE = 0.8
GLAZE_SIGMA = 3.0  # the best of many predictions flatters itself: 1.5 to 2 above the predicted

# --- Fitting a range's behaviour to readings.
FIT_READINGS = 6  # fewer cannot tell a range's habit from the noise of an instrument
FIT_MOST = 120  # more add nothing that the habits of a range could show
FIT_PRIOR = MappingProxyType({"decay": 0.08, "share": 0.15, "scatter": 0.15, "cover": 0.1})
FIT_LIMITS = MappingProxyType(
    {"decay": (0.4, 0.97), "share": (0.0, 1.0), "scatter": (0.02, 2.0), "cover": (0.0, 0.8)}
)

# --- The chart of a range: fields by hue angle and L*, and the chroma below
# which a colour is a neutral or a field's middle is judged.
CHART_NEUTRAL = 6.0
CHART_HUES = 30
CHART_STEP = 20
CHART_LOWEST = 20
CHART_CHROMA = 28.0

# --- What to use instead.
GLAZE_GAIN = 2.0  # ΔE00 by which a glaze must beat the nearest single colour to be offered
GLAZE_OWNED = 200  # more owned colours than this make a table too large to hold
WHITE_CARD_L = 91.0  # a card this light and with less chroma than below counts as white
WHITE_CARD_C = 5.0

# --- A family into another range: costs of being off in colour and in its steps.
FAMILY_SIZES = (2, 5)
FAMILY_DELTA_E = 6.0
FAMILY_STEP_L = 4.0
FAMILY_STEP_AB = 72.0  # squared
FAMILY_LEAST_STEP = (3.0, 0.35)  # ΔL*, or this share of the original step, whichever is larger
FAMILY_GIVES_WAY = 6.0  # ΔL* by which a step may differ before it is told

# --- Shading families: limits of the step from one tone to the next, by how many tones there are.
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

# --- Readings.
READING_OUTLIER = 3.0  # ΔE00 from the median, or three of its uncertainties: read it again

# --- Contrast: what lies on what. Limits from cards judged at arm's length.
LETTERING_SMALL = (4.0, 40.0)  # luminance ratio, ΔL*
LETTERING_LARGE = (2.5, 30.0)
PICTURE_DELTA_E = 20.0
PICTURE_DELTA_L = 12.0
QUIET_DELTA_L = 10.0  # upper limits: a ground whose colours differ more competes
QUIET_RATIO = 1.35
QUIET_DELTA_E = 15.0
MAT_DELTA_E = 6.0
SPREAD_LEAST = 0.01  # of a card below which a colour has no weight in its light and dark
SPREAD_LIGHT_L = 70.0  # from here light; dark is what can carry lettering on a light ground
ONCE_LEAST = 2  # places in which a colour returns: once looks like an accident
BESIDE_LEAST = 0.05  # of a piece's edge: what lies along less of it is not judged
MELTS_L = 5.0  # ΔL* below which squinting melts two colours together
PALETTE_SPAN = 45.0  # ΔL* lightest to darkest
FLARE = 0.05  # added to both luminances, as in WCAG: light that the surface returns

# --- Viewing.
LAMP = "LED-B1"  # CIE 15:2018 warm white LED, 2733 K: the usual evening lamp
LAMP_ADAPTATION = 0.8  # the eye adapts to a warm room, but not wholly

# --- Palette and card.
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

# --- A hole in the palette table: nothing in the medium within this ΔE00.
# Beyond "cousin" a substitute is another colour, so the cell says so.
HOLE = COUSIN

# --- Pictures of paper. The limits were tried on drawn papers under made-up lamps.
LARGEST_PICTURE = 40 * 1024 * 1024
PICTURE_PIXELS = 80_000_000
PICTURE_LEAST = 32  # pixels on a side
PICTURE_SIDE = 800  # what is worked on: a dot of half a millimetre on a 6 in sheet still has 2 pixels
REFERENCE_LEAST = 6  # pixels on a side of the marked card
REFERENCE_CLIPPED = 0.2  # share of it that may be at the end of the scale
REFERENCE_DARK = 0.005  # linear; a card darker than this is none
WHITE_LIGHT = 0.78  # of the strongest that any patch has in a channel: a card may lie in some shade
WHITE_ROUGH = 0.035  # relative deviation within 7 × 7 pixels
WHITE_SHARE = 0.006  # of the picture, at least
WHITE_FILLED = 0.8  # of its bounding box
SHADING_SAMPLE = 4000
SHADING_LIMIT = 1.2  # log: a light more than three times uneven is no photograph to read
CLUSTERS = 16
COLOUR_SAMPLE = 5000
SHARE_SAMPLE = 9000
PLAIN_LEAST = 400
EDGE_SPREAD = 9.0  # CIELAB within 3 × 3 pixels
SWALLOWED = 14.0  # CIELAB from a cluster's centre
MERGED = 4.0  # ΔE00; 6 loses tonal papers
SMALL_SHARE = 0.01
SMALLEST_SHARE = 0.003
STANDS_OUT = 12.0  # ΔE00 of a small colour from every other
ACCENT_SHARE = 0.05
PLAINLY = 0.6  # of its share that a colour between two others must have where nothing is mixed

# --- A printed swatch sheet, in mm: marks and boxes large enough for a telephone held over the whole page.
SHEET_MARGIN = 10.0  # what no home printer leaves out
SHEET_MARK = 6.0
SHEET_FIELD = (24.0, 14.0)
SHEET_TOP = 36.0
SHEET_COLUMNS = 6
SHEET_GAP = 3.0
SHEET_BOX = 15.0
SHEET_PITCH = 28.0  # a box with two lines of text and air
SHEET_HINT = 4.5  # side of the corner that is printed in the colour
SHEET_RIM = 1.5
# Finding it: shares of the picture's longer side, of the paper's light, of a mark's own area.
MARK_SIDE = (0.008, 0.06)
MARK_DARK = 0.22
MARK_SQUARE = 0.72  # shorter by longer side: turned by up to 10°, or seen from the side
MARK_FILLED = 0.62  # of its bounding box, for the same reason
MARK_ALIKE = 2.5  # largest by smallest area: seen from the side the far ones are smaller
MARK_HOLE = 0.06
PATCH_SPREAD = 3.0  # ΔE00: a swatch laid by hand has up to 2
PATCH_BARE = 2.0  # ΔE00 from the card: nothing laid there, or a colour too pale to be told from none
PATCH_STRANGE = 12.0  # ΔE00 of the usual swatch from what the range says: this is another page
GREY_TONE = (0.5, 2.0)  # exponents beyond these say that the grey card is no grey card
GREY_CARD_LAB = (50.0, 0.0, 0.0)  # a photographer's grey card reflects 18 %: L* 49.5

# --- Palettes out of paper.
DARK_ROLE_L = 40.0  # a colour this dark can carry lettering on a light ground
LIGHT_ROLE_L = 85.0
NEUTRAL_ROLE_C = 8.0
PALE_ROLE_C = 30.0  # C* up to which a very dark or very light colour is dark or light before it is a hue
GROUND_ROLE_L, ACCENT_ROLE_C = 70.0, 40.0  # what lies quietly under a picture; what calls out
WARM_HUE = 55.0  # degrees; warm and cool greys part along this line through the neutral axis
MIDDLE_GREY_L, DARK_GREY_L = 65.0, 35.0  # what shades white things, and what gives them weight
WRONG_GREY = 15.0  # ΔL* that a grey of the other temperature must be better by
AGREES = 7.0  # ΔE00 within which a sheet's colour is taken for a palette's: near, and a little

# --- Palettes out of a rule, landed on supplies. Ours, set by looking at what the demo ranges give.
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

# --- Blending pads into one another: weights along a join, and when it goes muddy.
STRIP_PLACES = 21
STRIP_FALLS = (0.3, 0.9)  # of the way: between them the first pad runs out; the second comes in mirrored
REACH = MappingProxyType({"a little": 0.5, "halfway": 1.0, "far": 4 / 3})  # of that stretch; far is all of it
GAP_FALLS = (0.26, 0.4)  # the same where a gap is left white: the middle fifth stays bare
SEAM_LIGHT, SEAM_RAMP = 0.35, 0.3  # a light hand at the join, and the part of the way that leads to it
MUD_ENDS_C = 12.0  # C* that the duller end must have: grey into colour is no mud
MUD_APART = 30.0  # degrees: nearer hues only deepen one another where they overlap
MUD_SHARE = 0.55  # of the duller end's C* that is left at the dullest place
MUD_DIPPED = (0.75, 3.0)  # the same where it darkens too, by this ΔL*
SOFT_SHARE = 0.7
MUD_SEEN = 12.0  # ΔE00 from the bare card below which a grey is paler than anyone would call mud
OPPOSITE_HUES = 120.0  # degrees apart
BRIDGE_SHARE = 0.6  # of the duller end's C* that a pad between two must have
BRIDGES_OFFERED = 6
ANOTHER_PAD = 14.0  # ΔE00 up to which another pad can stand for one: beyond it the ground is another
WAYS_OFFERED = 3  # of each kind
RAINBOW_GAP = 100.0  # degrees of hue that no rainbow leaves open
ORDER_PADS = 7  # every order of them is tried: 5,040

# --- Grounds. How they are laid out is ours: shares of the panel, as one would brush them.
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

# --- Building: thickness in mm. Card of about 300 g/m², paper of 120; what is held up by foam stands on it.
# Vellum reflects and lets through about so much: our estimate from sheets of 100 g/m² as sold; no reading.
VELLUM = (0.28, 0.62)
THICKNESS = MappingProxyType(
    {"base": 0.35, "card": 0.35, "paper": 0.15, "vellum": 0.1, "ribbon": 0.5, "finish": 2.0, "ink": 0.0}
)
FOAM = MappingProxyType({"flat": 0.0, "foam tape": 1.2, "foam sheet": 2.0, "double foam tape": 2.4})
ENVELOPE_ROOM = 3  # mm that an envelope must be larger, or the card buckles
# The usual envelopes, for the usual cards; ISO 269's three, and others by their size.
ENVELOPES = (
    ("4 3/8", "5 3/4", "in"),
    ("5 1/4", "7 1/4", "in"),
    ("3 7/8", "8 7/8", "in"),
    ("4 1/2", "4 1/2", "in"),
    ("6 1/2", "6 1/2", "in"),
    ("114", "162", "mm"),
    ("110", "220", "mm"),
    ("162", "229", "mm"),
    ("155", "155", "mm"),
)
SHEETS_TO_CUT = (("Letter, ", "8 1/2", "11", "in"), ("A4, ", "210", "297", "mm"), ("", "12", "12", "in"))
PIECES_LIMIT = 60  # of one card, front and inside together
PEN_LAB = (22.0, 0.0, -1.0)  # a black pen, dry, on card: what one writes with inside
WRITING_SHARE = 0.3  # of the inside that must be free and light enough to write on
# Words, in parts of the type's size, measured on the bold title face that ships: how high capitals are, how
# wide a letter is at most on the whole (0.46 to 0.56 in usual wishes; 0.65 all in capitals); and how much of
# its box's height the type takes.
TYPE_CAPITALS, TYPE_WIDTH, TYPE_WIDTH_CAPITALS, TYPE_HEIGHT = 0.67, 0.57, 0.65, 0.72
SMALLER = (0.75, 0.5)  # of a picture's size, where it covers what is to be read
WORDS_LEAST = 6  # letters: shorter words do not fill their box to the brim
WORDS_LIMIT = 120
LARGE_CAPITALS = 3.5  # mm, of bold type: 14 point, from which WCAG 2.2 calls bold lettering large
BLACK_CARD_L = 30.0  # L* up to which a grey card is called black
WHITE_EDGE = 1.0  # mm that are left white around a picture that is cut out
OFFSET_LIMIT = 610  # mm that a piece may be moved off its place
NUDGE = MappingProxyType({"in": (4, 1), "mm": (10, 1)})  # ticks that an arrow key moves by, and with Shift
DOT_SIZE = MappingProxyType({"in": 12, "mm": 50})  # ticks of a finishing piece that is offered
TRIMMING_LEAST = 12.0  # mm on its narrow side from which a trimming can fill elsewhere
CUT_LEAST = 3.0  # mm: narrower strips do not hold in a trimmer
PACKING_WORK = 7000  # pieces laid in all the tries together: about two seconds
SHEET_PIECES = 500  # pieces that are laid out at once
MIDDLE_RIM = 6.0  # mm of a mat that must stay under what covers its middle

# --- Line drawings.
LARGEST_DRAWING = 4 * 1024 * 1024
DRAWING_SHAPES = 2000  # a drawing to be coloured by hand has some dozens
DRAWING_POINTS, DRAWING_RINGS = 120_000, 4_000  # of a drawing, of one path: ten times what a fine stamp has
DRAWING_FLAT = 1.0  # thousandths of the longer side
DRAWING_AREAS = 120
DRAWING_DEPTH = 40  # groups in groups
DRAWING_FAR = 1e7  # user units: larger is a mistake, not a drawing
AREA_LEAST = 0.0004  # of the drawing: a smaller shape is a dot of the pen
AREA_TOUCH = 6.0  # thousandths of the drawing's side: about what a line's width hides
AREA_NAME = 60
AREA_LAYERS = 3  # what a marker area is ever given
AREAS_LIMIT = 120
AREA_TINY, AREA_LARGE = 0.012, 0.12  # shares of the drawing up to and from which an area is called so

# --- Files.
LARGEST_FILE = 8 * 1024 * 1024  # 50,000 rows of a range are about 3 MB
LARGEST_RANGE = 50_000
