"""Will it read: the words, the picture, the mat, the ground?"""
