"""Oven, vessel and the staged bake."""
