"""A dough at the bench: what happened to it, how it goes on from there, how it stands, and what it runs into."""
