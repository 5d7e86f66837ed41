"""The course of a bread: its process as data, carried forward, solved for a time, and told step by step."""
