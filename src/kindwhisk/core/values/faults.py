"""What is wrong with a document that was refused, field by field, in plain words."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from typing import Any, NamedTuple

WORDS = {
    "missing": "is missing",
    "extra_forbidden": "is not known here",
    "greater_than": "must be more than {gt}",
    "greater_than_equal": "must be at least {ge}",
    "less_than": "must be less than {lt}",
    "less_than_equal": "must be at most {le}",
    "finite_number": "must be a number",
    "float_parsing": "must be a number",
    "float_type": "must be a number",
    "int_parsing": "must be a whole number",
    "int_type": "must be a whole number",
    "int_from_float": "must be a whole number",
    "string_type": "must be text",
    "string_too_short": "must have at least {min_length} characters",
    "string_too_long": "must have at most {max_length} characters",
    "too_long": "must have at most {max_length} entries",
    "too_short": "must have at least {min_length} entries",
    "enum": "must be one of {expected}",
    "literal_error": "must be one of {expected}",
    "union_tag_invalid": "'{tag}' is not one of {expected_tags}",
    "union_tag_not_found": "does not say which {discriminator} it is",
    "json_invalid": "is not JSON: {error}",
    "dict_type": "must be an object with named fields",
    "model_type": "must be an object with named fields",
    "model_attributes_type": "must be an object with named fields",
    "datetime_from_date_parsing": "must be a date and time such as 2026-11-25T15:40:00+00:00",
    "datetime_parsing": "must be a date and time such as 2026-11-25T15:40:00+00:00",
    "datetime_type": "must be a date and time such as 2026-11-25T15:40:00+00:00",
    "timezone_aware": "needs an offset such as +01:00 or Z",
}
"""By pydantic's names of what went wrong; anything else keeps pydantic's own words."""


class Fault(NamedTuple):
    """One field and what is wrong with it; ``field`` is empty for the document as a whole."""

    field: str
    text: str

    @property
    def sentence(self) -> str:
        """Both as one sentence."""
        return f"{self.field or 'It'} {self.text}."


DISCRIMINATORS = ("kind", "shape", "source")


def _as_written(path: Sequence[str | int], document: Any) -> list[str]:
    """The path without the names of union members, which pydantic puts into it but nobody wrote."""
    written, here, told = [], document, False
    for part in path:
        if not told and isinstance(here, Mapping) and part in [here.get(d) for d in DISCRIMINATORS]:
            told = True
            continue
        written.append(str(part))
        told = False
        try:
            here = here[part]
        except (KeyError, IndexError, TypeError):
            here = None
    return written


def faults(errors: Iterable[Mapping[str, Any]], document: Any) -> list[Fault]:
    """The faults behind pydantic's errors.

    Args:
        errors: ``ValidationError.errors()``, or the like.
        document: what was refused, as it was read from JSON.
    """
    found = []
    for error in errors:
        path = _as_written(error["loc"], document)
        pattern = WORDS.get(str(error["type"]))
        text = pattern.format(**error.get("ctx", {})) if pattern else str(error["msg"]).removeprefix("Value error, ")
        found.append(Fault(field=".".join(path), text=text))
    return found
