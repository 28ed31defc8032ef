"""What will this colour look like on that paper, with so many layers, over that ink?"""
