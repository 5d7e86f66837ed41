"""Stand-ins for instruments: a kitchen played by a process of its own, and how the program listens to instruments."""
