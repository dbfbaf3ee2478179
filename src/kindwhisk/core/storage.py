"""Where something stands that is neither worked on nor in the oven."""

from enum import StrEnum


class Storage(StrEnum):
    """A place that is shared."""

    FRIDGE = "fridge"
    FREEZER = "freezer"
    RACK = "rack"
