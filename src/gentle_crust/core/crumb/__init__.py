"""A slice read: its holes measured on the picture's array."""
