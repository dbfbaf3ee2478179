"""The craft, computed: pure functions and immutable values, without I/O, clock, web or database.

Inside the core temperatures are Celsius, masses grams, volumes millilitres, lengths millimetres,
times seconds and pressures kPa. Conversion happens only at the edges (:mod:`kindwhisk.core.quantities`).
"""
