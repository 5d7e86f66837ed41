"""Formulas in baker's percentages, and what they weigh."""
