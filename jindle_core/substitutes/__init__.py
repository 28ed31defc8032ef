"""What can be used instead of a colour that is not there?"""
