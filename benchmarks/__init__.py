"""Speed and size, never timed inside tests."""
