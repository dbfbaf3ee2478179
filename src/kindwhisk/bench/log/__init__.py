"""What happened: events, what a bake started from, and the progress that they amount to."""
