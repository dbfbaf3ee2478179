"""The base of every value in the core: immutable, strict about its fields."""

from pydantic import BaseModel, ConfigDict


class Value(BaseModel):
    """An immutable value. Unknown fields are refused, so that a misspelt one is never silently lost."""

    model_config = ConfigDict(frozen=True, extra="forbid")
