"""What comes in and goes out: written recipes and open formats."""
