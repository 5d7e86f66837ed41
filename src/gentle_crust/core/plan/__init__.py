"""A plan as it is shown and kept: a solved course told by the clock, what to weigh, ribbon, ways, what if and why."""
