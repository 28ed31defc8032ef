"""The colours of ranges, as one person knows them: looked up, chosen from, laid as predicted."""
