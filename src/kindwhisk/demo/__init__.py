"""A made-up kitchen to look around in."""
