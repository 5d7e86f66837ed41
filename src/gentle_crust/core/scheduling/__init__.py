"""From a wish to a bake-day plan."""
