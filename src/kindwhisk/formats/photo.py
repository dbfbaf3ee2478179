"""A photo as it is kept: turned upright, scaled down, and without anything but its picture."""

from __future__ import annotations

import io
from typing import NamedTuple

from PIL import Image, ImageOps, UnidentifiedImageError

from kindwhisk.core.values.errors import CraftError

LONG_SIDE, SMALL_SIDE = 2000, 420
"""Pixels of the longer side: enough to see a crumb full size, and for a list. Chosen."""
MOST_BYTES = 25_000_000
MOST_PIXELS = 120_000_000
QUALITY = 86


class KeptPhoto(NamedTuple):
    """A photo whole and small, both as JPEG, and the pixels of the whole one."""

    whole: bytes
    small: bytes
    width: int
    height: int


def prepared_photo(raw: bytes) -> KeptPhoto:
    """A photo as a camera gives it, made ready to be kept. Place, time and camera are not taken along.

    Raises:
        CraftError: it is no picture that can be read, or far too large; names ``photo``.
    """
    if not raw:
        raise CraftError("The photo is empty.", field="photo", remedy="Take it again, or choose another file.")
    if len(raw) > MOST_BYTES:
        raise CraftError(
            f"The photo has {len(raw) / 1e6:.0f} MB.",
            field="photo",
            remedy=f"Choose one of at most {MOST_BYTES // 1_000_000} MB.",
        )
    try:
        with Image.open(io.BytesIO(raw)) as opened:
            if opened.width * opened.height > MOST_PIXELS:
                raise CraftError(
                    f"The photo has {opened.width} by {opened.height} pixels.",
                    field="photo",
                    remedy="Choose a smaller one.",
                )
            # Nearly all of a large photo's pixels are thrown away: JPEG can leave them out while it is read.
            opened.draft("RGB", (LONG_SIDE, LONG_SIDE))
            upright = ImageOps.exif_transpose(opened).convert("RGB")
    except (UnidentifiedImageError, OSError, SyntaxError, ValueError, Image.DecompressionBombError) as error:
        raise CraftError(
            "That is no photo that can be read.", field="photo", remedy="Send it as JPEG, PNG or WebP."
        ) from error
    whole = _fitted(upright, LONG_SIDE)
    return KeptPhoto(_jpeg(whole), _jpeg(_fitted(whole, SMALL_SIDE)), whole.width, whole.height)


def _fitted(image: Image.Image, side: int) -> Image.Image:
    fitted = image.copy()
    fitted.thumbnail((side, side), Image.Resampling.LANCZOS)
    return fitted


def _jpeg(image: Image.Image) -> bytes:
    # A new picture of the pixels alone: nothing that came along is written.
    bare = Image.new("RGB", image.size)
    bare.paste(image)
    into = io.BytesIO()
    bare.save(into, "JPEG", quality=QUALITY, optimize=True, progressive=True)
    return into.getvalue()
