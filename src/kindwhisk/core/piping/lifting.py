"""Off the tray: judged cold; what is done with those that stick."""

from __future__ import annotations

from kindwhisk.core.values.model import Value


class Lifting(Value):
    """What one sees of a cold piece, what it means, and what to do."""

    sees: str
    means: str
    do: str


LIFTED = Lifting(sees="It lifts off clean.", means="Done.", do="Peel the paper away from below.")
STUCK: tuple[Lifting, ...] = (
    Lifting(
        sees="Its middle stays on the paper:",
        means="Not dry enough below.",
        do="two minutes more in the oven, or ten minutes in the freezer, then lift.",
    ),
    Lifting(
        sees="It tears while warm:",
        means="Its sugar is still soft.",
        do="leave it on the tray until that is cold.",
    ),
)
"""Trade habit."""
