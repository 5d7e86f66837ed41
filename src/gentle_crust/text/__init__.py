"""The catalogues, and the one renderer that makes sentences of what the core says."""
