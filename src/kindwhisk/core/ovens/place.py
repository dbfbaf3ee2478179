"""Where something stands in an oven, and how the oven moves its heat."""

from enum import StrEnum


class OvenMode(StrEnum):
    """Still air, or a fan."""

    STATIC = "static"
    FAN = "fan"


class Rack(StrEnum):
    """The rack it stands on."""

    TOP = "top"
    MIDDLE = "middle"
    BOTTOM = "bottom"
