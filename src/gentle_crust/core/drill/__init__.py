"""Learning to read dough: a dough at a moment that the learner does not know, judged, then shown."""
