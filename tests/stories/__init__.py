"""Bakes as a good baker would read them: what was logged, what was seen, and the causes in order."""
