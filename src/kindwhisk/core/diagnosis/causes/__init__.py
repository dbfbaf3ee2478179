"""All causes, by the part of the work that they belong to. Signs and levers are trade habit."""

from collections.abc import Mapping
from types import MappingProxyType

from kindwhisk.core.diagnosis.cause import Cause
from kindwhisk.core.diagnosis.causes import batter, finishing, foam, goods, oven, pieces

CAUSES: Mapping[str, Cause] = MappingProxyType(
    {c.key: c for table in (foam, batter, goods, oven, finishing, pieces) for c in table.CAUSES}
)
"""Every cause by its key."""
