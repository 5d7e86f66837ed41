"""Gentle Crust: plans lean and sourdough loaves, timed to the dough's own temperature."""

__version__ = "0.1.0"
