"""Will line ink, medium, paper and finish get on?"""
