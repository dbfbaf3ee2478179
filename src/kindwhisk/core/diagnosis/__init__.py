"""Why a bake went wrong: faults, what may cause them, what speaks for and against each."""
