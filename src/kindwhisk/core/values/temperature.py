"""A temperature on its way."""

from kindwhisk.core.values.model import Value


class Point(Value):
    """A temperature (C) at a number of seconds from now; less than none lies behind."""

    s: float
    c: float
