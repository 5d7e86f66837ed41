"""What crosses an edge, declared once: requests, answers, events, and documents as they are stored."""
