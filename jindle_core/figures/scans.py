"""Outlines out of photos and scans. All lengths are in widths of the stroke, tried on drawings degraded as
stamps are: gaps, salt, texture, warm light, blur, JPEG, smudges (``bench/scans.py``)."""

SIDE = 2000  # pixels of the longer side that are looked at: a stroke of half a millimetre on A4 has 3
FIRST_SIDE = 1000  # at which the stroke's width is found
STROKE = 5.5  # pixels: finer, and blur fills what lies between; wider, and salt tears the line
SIDES = (400, 2000)  # pixels that the longer side may come to by that
PAPER_AROUND = 0.06  # of the longer side: a piece of it that surely holds paper
HYSTERESIS = 0.25  # of the way from the threshold to paper: what belongs to ink that touches it
FAINT = 0.93  # of the paper's lightness: a threshold above that parts paper from paper
MOST_INK = 0.4  # of the picture
LEAST_LENGTH = 0.3  # of the longer side that a skeleton has at least
HOLES, SPECKS = 0.6, 2.0  # areas in squares of the width: holes in a line that are filled, ink that is dust
SPUR, PRUNINGS = 1.2, 3  # shorter branches are the line's rough edge; looked for so often
FACING, FACING_COSINE = 4.4, 0.55  # how far apart ends are that face each other, and how straight
FACING_FAR, FACING_STRAIGHT = 7.5, 0.9  # further apart where one goes on as the other does
TO_LINE, TO_LINE_DANGLING = 3.1, 4.5  # an end to a line; the loose line is so many times as long as the gap
LOOK_BACK = 4.0  # along a line from its end, for the way that it points
SMOOTHED, SIMPLIFIED = 0.3, 0.22
AREA = 6.0  # squares of the width: smaller regions are the line's own
ENDS = 1.5  # loose ends a length of ten widths: dirty prints have 0.6 at most; more is texture, no drawing
LIKELY = 9.0  # widths up to which an end is told as one that could be closed
TIP = 0.7  # of a spur's length: what lies no nearer than that is where it began
PLACES = 30  # of them that are told
MENDS, MEND_POINTS = 60, 400  # strokes of the hand for one drawing, and points of a stroke
