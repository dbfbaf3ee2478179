"""How one server is set up."""

from __future__ import annotations

from dataclasses import dataclass
from pathlib import Path

LOOPBACK = {"127.0.0.1", "localhost", "::1"}


@dataclass(frozen=True)
class Settings:
    """Where the data lie, what is served, and who may ask."""

    data: Path
    web: Path | None = None
    host: str = "127.0.0.1"
    passcode: str | None = None
    stand_ins: bool = False

    def __post_init__(self) -> None:
        if self.host not in LOOPBACK and not self.passcode:
            raise ValueError(
                f"To listen on {self.host}, other machines included, a passcode is required: "
                "give --passcode or set KINDWHISK_PASSCODE."
            )
