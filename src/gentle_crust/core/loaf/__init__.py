"""A baked loaf: how it is looked at, and what that comes to."""
