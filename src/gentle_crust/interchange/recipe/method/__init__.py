"""The sentences of a method, read into a course."""
