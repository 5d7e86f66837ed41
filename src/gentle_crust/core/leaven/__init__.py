"""Levains, feeds and preferments: how they are built, and when they are ripe."""
