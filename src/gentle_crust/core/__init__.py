"""The craft: pure functions on frozen data. No clocks, no files but the tables, no framework."""
