"""Off the tray: judged cold; what is done with those that stick."""

from __future__ import annotations

from kindwhisk.core.values.model import Value


class Lifting(Value):
    """What one sees of a cold piece, what it means, and what to do."""

    sees: str
    means: str
    do: str


LIFTING: tuple[Lifting, ...] = (
    Lifting(sees="It lifts off clean.", means="Done.", do="Lift them by peeling the paper away from below."),
    Lifting(
        sees="Its middle stays on the paper.",
        means="Not dry enough below.",
        do="Back into the oven for two minutes more; or ten minutes in the freezer, then lift.",
    ),
    Lifting(
        sees="It lifts while warm and tears.",
        means="Sugar is still soft.",
        do="Leave them on the tray until it is cold: judge cold.",
    ),
)
"""Trade habit."""
