"""What the program does for its baker: load, ask the core, save. No HTTP here, no SQL."""
