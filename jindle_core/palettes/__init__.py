"""Where does a palette come from, and what goes with it?"""
