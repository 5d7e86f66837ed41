"""Cultures, levain builds and yeasted preferments."""
