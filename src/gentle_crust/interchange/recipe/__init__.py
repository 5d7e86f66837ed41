"""A written recipe read whole: its amounts, its stages and its method."""
