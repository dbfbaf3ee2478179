"""Names of the trade as values: kept in one spelling, understood in others."""

from __future__ import annotations

import unicodedata
from collections.abc import Mapping
from enum import StrEnum
from typing import Self


def folded(name: str) -> str:
    """Without accents, capitals and doubled spaces."""
    bare = (c for c in unicodedata.normalize("NFD", name) if not unicodedata.combining(c))
    return " ".join("".join(bare).casefold().split())


class TradeName(StrEnum):
    """A closed list of names. A value that is spelled without its accents, or called by another common name
    (:meth:`also_called`), is the same one."""

    @classmethod
    def also_called(cls) -> Mapping[str, str]:
        """Other names, folded, to the value that they stand for: common ones, and those of earlier versions."""
        return {}

    @classmethod
    def _missing_(cls, value: object) -> Self | None:
        if not isinstance(value, str):
            return None
        wanted = folded(value)
        wanted = folded(cls.also_called().get(wanted, wanted))
        return next((member for member in cls if folded(member.value) == wanted), None)
