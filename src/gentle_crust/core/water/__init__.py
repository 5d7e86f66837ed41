"""The temperature of the water: the one thing a baker can set."""
