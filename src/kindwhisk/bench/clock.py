"""The moment: UTC, to the millisecond."""

from datetime import UTC, datetime


def now() -> datetime:
    """Now, in UTC."""
    moment = datetime.now(UTC)
    return moment.replace(microsecond=moment.microsecond // 1000 * 1000)
