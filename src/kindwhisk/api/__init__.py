"""The HTTP door: thin routers over core, bench and store."""
