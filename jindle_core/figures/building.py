"""Building: thickness in mm, envelopes, words, what holds."""

from types import MappingProxyType

# Building: thickness in mm. Card of about 300 g/m², paper of 120; what is held up by foam stands on it.
# Vellum reflects and lets through about so much: our estimate from sheets of 100 g/m² as sold; no reading.
VELLUM = (0.28, 0.62)
THICKNESS = MappingProxyType(
    {"base": 0.35, "card": 0.35, "paper": 0.15, "vellum": 0.1, "ribbon": 0.5, "finish": 2.0, "ink": 0.0}
)
FOAM = MappingProxyType({"flat": 0.0, "foam-tape": 1.2, "foam-sheet": 2.0, "double-foam-tape": 2.4})
ENVELOPE_ROOM = 3  # mm (⅛ in) that an envelope is larger than a card at least
# What stands up on a card takes nothing of its envelope up to so many mm in the middle, and where it stands
# so near to an edge that the envelope's own lies over it, since nothing gives there. Beyond that the middle
# takes half, for paper bows over it: cardmakers post 4¼ × 5½ in cards of layers on foam in 4⅜ × 5¾ in.
ENVELOPE_TAKES, ENVELOPE_EDGE_TAKES, ENVELOPE_EDGE, ENVELOPE_BOWS = 4.0, 3.0, 5.0, 0.5
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
PIECES_LIMIT = 60  # of one card, front and inside together
PEN_LAB = (22.0, 0.0, -1.0)  # a black pen, dry, on card: what one writes with inside
# A line by hand, in mm from one to the next: what people write small, usually, and large or for old eyes; a
# word takes so many times that across, its space too; and what stays free at the edges of where one writes.
HANDWRITING = MappingProxyType({"small": 6.0, "usual": 8.0, "large": 11.0})
WORD_WIDE, WRITING_MARGIN = 2.4, 4.0
WRITING_GRID = 72  # points a side that the inside is looked at on
LEAST_LINES = 5  # of usual writing, that a proposal for the inside leaves
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
MAT_FRAME = MappingProxyType(
    {"in": 4, "mm": 20}
)  # ticks that a mat under a piece shows: the narrow usual frame
# The same of a mat that follows cut-out words, which are slight: 1.5 mm; and the least (mm) that holds.
WORDS_FRAME = MappingProxyType({"in": 2, "mm": 15})
WORDS_MARGIN = 0.5
COPY_STEP = MappingProxyType({"in": 12, "mm": 50})  # ticks to the right and down that a copy lies off
# Finishing pieces that are scattered: ticks across of the usual sizes, how far (mm) off the picture, and
# how far off the line as a share of the shorter side, so that they look thrown and still lead.
DOTS = MappingProxyType({"in": (8, 10, 12), "mm": (30, 40, 50)})
DOTS_OFF, DOTS_STRAY, SCATTER_MOST = 5.0, 0.06, 15
# Finishing pieces together: so many make a line, over so much of the card's diagonal; their weight lies so
# far off the middle at most, as a share of the way to a corner.
FLOW_COUNT, FLOW_REACH, FLOW_OFF = 3, 0.45, 0.35
DOT_SIZE = MappingProxyType({"in": 12, "mm": 50})  # ticks of a finishing piece that is offered
# Shapes, as shares of the shorter side, so that they look alike at any size; in mm where a die is as it is.
ROUNDING, ROUNDING_MOST = 0.15, 6.0  # a corner punch takes 3 to 6 mm
TAG_CORNER, TAG_EYELET = 0.28, 0.07  # of a tag's width
SWALLOW_TAIL = 0.5  # of a banner's height: a cut at 45°
LABEL_CORNER, LABEL_CORNER_MOST = 0.18, 8.0
STAR_HOLLOW = 0.5  # between the regular star (0.38), whose points tear, and a blunt one
BOWS = MappingProxyType({"scalloped": 0.05, "cloud": 0.08, "hill": 0.14})  # how deep a border's bows are
BOW_LEAST = 1.2  # mm: smaller ones are cut by no die
STITCH_OFF = 1.8  # mm from the edge to a line of stitches
EMBOSSED_WHITE = (95.5, -0.3, 0.8)  # CIELAB: white powder once it is melted, a little less than paper
OWN_POINTS = 400  # of an outline of one's own: a detailed die has some hundred bends
OWN_OFF = 0.001  # of its size that smoothing it may move a point: 0.1 mm of a piece of 100 mm
# What is covered so far is not worth colouring; of a piece more than a sliver must show to be worth cutting.
COVERED, HIDDEN = 0.8, 0.02
STRIP_AROUND = 0.35  # of the words' height that a strip put under them shows on every side
