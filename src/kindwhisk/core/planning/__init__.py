"""Placing a process on the clock, over shared hands, mixer, hob and ovens."""
