"""A formula as a process: portions flow through steps from vessel to vessel, and a forecast walks along."""
