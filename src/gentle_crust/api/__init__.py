"""The program over HTTP: one blueprint a room, problem+json for whatever is refused."""
