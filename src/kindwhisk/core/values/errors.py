"""What the core refuses: each error names the field and says what to do about it."""

from functools import partial


class CraftError(ValueError):
    """An input that the craft cannot work with.

    ``field`` is the name that the caller used; ``remedy`` says what to enter instead.
    """

    def __init__(self, message: str, *, field: str, remedy: str) -> None:
        super().__init__(message)
        self.message = message
        self.field = field
        self.remedy = remedy

    def __reduce__(self) -> tuple[object, ...]:
        """So that it comes over whole from another process."""
        return partial(type(self), field=self.field, remedy=self.remedy), (self.message,)


class NotNowError(CraftError):
    """Right in itself, but it does not fit what has happened so far; nothing was changed."""
