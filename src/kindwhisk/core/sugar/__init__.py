"""Sugar work: what a syrup is at a temperature, what a pot does on the flame, and what a whisk waits for."""
