"""Days of several bakes."""
