"""Written recipes with their right readings, and what compares the two."""
