"""What a component is to the whole, by its heading, in five languages."""

from __future__ import annotations

import re

from kindwhisk.core.process.components import Part

PART_WORDS: tuple[tuple[re.Pattern[str], Part], ...] = (
    (re.compile(r"syrup|soak|sirop|bagna|sciroppo|シロップ|punch"), Part.SOAK),
    (re.compile(r"glaze|icing|frosting|glaçage|glassa|topping|ganache coat"), Part.GLAZE),
    (re.compile(r"decor|finish|to serve|仕上げ"), Part.DECORATION),
    (re.compile(r"fill|cream|crème|crema|custard|ganache|mousse|curd|farcitur|クリーム|nhân|buttercream|jam"), Part.FILLING),
    (re.compile(r"white|meringue|meringa|blanc|album|メレンゲ|lòng trắng"), Part.MERINGUE),
    (re.compile(r"shell|macaron|coque|almond"), Part.SHELLS),
)  # fmt: skip


def part_of(name: str) -> Part:
    """What a component is to the whole, by its name."""
    return next((part for pattern, part in PART_WORDS if pattern.search(name)), Part.SPONGE)
