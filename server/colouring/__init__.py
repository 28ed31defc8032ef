"""Line drawings to be coloured, and shading families that a person has kept."""
