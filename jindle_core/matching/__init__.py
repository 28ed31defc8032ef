"""What is nearest, how near is it, and what does one call that?"""
