"""How one server is set up."""

from __future__ import annotations

from dataclasses import dataclass
from pathlib import Path

LOOPBACK = {"127.0.0.1", "localhost", "::1"}
SHORTEST_PASSCODE, FEWEST_DIFFERENT = 6, 4


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
        if self.passcode is not None:
            _check(self.passcode)


def _check(passcode: str) -> None:
    """See that a passcode can't be guessed in a morning.

    Raises:
        ValueError: it can be.
    """
    if len(passcode.strip()) < SHORTEST_PASSCODE:
        raise ValueError(
            f"The passcode is too short: with fewer than {SHORTEST_PASSCODE} signs, blanks at its ends not counted, it "
            "is guessed in minutes. Give a longer one, such as four words."
        )
    if len(set(passcode)) < FEWEST_DIFFERENT:
        raise ValueError(
            f"The passcode is too plain: it has fewer than {FEWEST_DIFFERENT} different signs, so it is among the "
            "first that anybody tries. Give another, such as four words."
        )
