"""Which colours has a sheet of patterned paper, seen in a picture?

Pictures are linear sRGB, arrays of shape (h, w, 3); boxes are in pixels of them.
"""
