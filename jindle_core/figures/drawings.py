"""Line drawings, and the areas that are coloured on them."""

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
PICTURES_LIMIT = 30  # of a card: five birds, a jar, leaves, and room
AREA_TINY, AREA_LARGE = 0.012, 0.12  # shares of the drawing up to and from which an area is called so
