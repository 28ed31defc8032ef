"""What shapes does a line drawing hold?"""
