"""Heat without an oven: air and its pressure, thermometers, warming, cooling, browning."""
