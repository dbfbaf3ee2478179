"""What stands outside: the door for readings, and the simulated stand-ins that ship."""
