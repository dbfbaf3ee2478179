"""Eggs: from a size class to grams of white, yolk and whole egg."""

from __future__ import annotations

import math
from collections.abc import Sequence
from enum import StrEnum

from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.model import Value


class EggSize(StrEnum):
    """Size classes by mass in the shell."""

    EU_S = "eu-s"
    EU_M = "eu-m"
    EU_L = "eu-l"
    EU_XL = "eu-xl"
    US_MEDIUM = "us-medium"
    US_LARGE = "us-large"
    US_EXTRA_LARGE = "us-extra-large"
    US_JUMBO = "us-jumbo"


IN_SHELL_G: dict[EggSize, tuple[float, float, float]] = {
    EggSize.EU_S: (46.0, 50.0, 53.0),
    EggSize.EU_M: (53.0, 58.0, 63.0),
    EggSize.EU_L: (63.0, 68.0, 73.0),
    EggSize.EU_XL: (73.0, 76.0, 82.0),
    EggSize.US_MEDIUM: (47.0, 49.6, 54.0),
    EggSize.US_LARGE: (54.0, 56.7, 62.0),
    EggSize.US_EXTRA_LARGE: (61.0, 63.8, 69.0),
    EggSize.US_JUMBO: (68.0, 70.9, 77.0),
}
"""Low, likely, high grams in the shell. EU: limits of the marketing classes, the middle taken as likely.
US: minimum weight per dozen as likely (published); low and high of single eggs are recalled."""

SHELL_SHARE = 0.11
YOLK_SHARE_AT_58_G = 0.30
YOLK_SHARE_PER_G = -0.0009
"""The share of yolk falls as eggs grow; slope recalled. White is what is left."""
SHARE_SPREAD = 0.03


class EggParts(Value):
    """Grams out of some eggs."""

    size: EggSize
    count: float
    in_shell_g: Estimate
    white_g: Estimate
    yolk_g: Estimate
    whole_g: Estimate


def egg_parts(size: EggSize, count: float = 1.0) -> EggParts:
    """White, yolk and whole egg out of ``count`` eggs (0 or more, fractions allowed).

    Source: class limits published; shares of shell, white and yolk recalled (shell 11 %, white 58-60 %,
    yolk 29-31 %). The ranges are those of one egg times ``count``: a dozen evens out more than that.
    """
    low, likely, high = IN_SHELL_G[size]
    shell = Estimate(low=low, likely=likely, high=high, basis=Basis.PUBLISHED).scaled(count)
    yolk_share = YOLK_SHARE_AT_58_G + YOLK_SHARE_PER_G * (likely - 58.0)

    def share(fraction: float) -> Estimate:
        part = shell.scaled(fraction)
        return Estimate(
            low=part.low * (1 - SHARE_SPREAD),
            likely=part.likely,
            high=part.high * (1 + SHARE_SPREAD),
            basis=Basis.RECALLED,
        )

    return EggParts(
        size=size,
        count=count,
        in_shell_g=shell,
        white_g=share(1 - SHELL_SHARE - yolk_share),
        yolk_g=share(yolk_share),
        whole_g=share(1 - SHELL_SHARE),
    )


class EggNeed(Value):
    """Eggs to take out, and what is left of them.

    ``exact`` is how many would do if they could be divided; ``advice`` says how to take a part of one.
    """

    size: EggSize
    count: int
    exact: float
    white_g: float
    yolk_g: float
    whole_g: float
    left_white_g: float
    left_yolk_g: float
    left_whole_g: float
    advice: str


NEARLY = 0.05
"""A twentieth of an egg more is not worth cracking another: eggs of one class differ by more."""
WORTH_A_WORD_G = 2.0


def egg_need(
    white_g: float, yolk_g: float, whole_g: float, size: EggSize, one: EggParts | None = None
) -> EggNeed | None:
    """Eggs to crack for these grams, and what is left over; None without egg. ``one`` is an egg as this kitchen's own
    have weighed, where they were weighed."""
    if white_g + yolk_g + whole_g <= 0:
        return None
    one = one or egg_parts(size)
    apart = max(white_g / one.white_g.likely, yolk_g / one.yolk_g.likely)
    beaten = whole_g / one.whole_g.likely
    separated, together = math.ceil(apart - NEARLY), math.ceil(beaten - NEARLY)
    left = (
        max(0.0, separated * one.white_g.likely - white_g),
        max(0.0, separated * one.yolk_g.likely - yolk_g),
        max(0.0, together * one.whole_g.likely - whole_g),
    )
    return EggNeed(
        size=size,
        count=separated + together,
        exact=apart + beaten,
        white_g=white_g,
        yolk_g=yolk_g,
        whole_g=whole_g,
        left_white_g=left[0],
        left_yolk_g=left[1],
        left_whole_g=left[2],
        advice=_advice(white_g, yolk_g, whole_g, left),
    )


def _advice(white_g: float, yolk_g: float, whole_g: float, left: tuple[float, float, float]) -> str:
    said = []
    if whole_g > 0:
        said.append(f"Beat whole eggs and weigh off {whole_g:.0f} g")
    if white_g > 0 or yolk_g > 0:
        wanted = [f"{g:.0f} g of {name}" for g, name in ((white_g, "white"), (yolk_g, "yolk")) if g > 0]
        said.append("stir what you separated and weigh off " + " and ".join(wanted))
    over = [
        f"{g:.0f} g {name}" for g, name in zip(left, ("white", "yolk", "whole egg"), strict=True) if g > WORTH_A_WORD_G
    ]
    text = "; ".join(said)
    text = text[:1].upper() + text[1:] + ": eggs of one class differ by a tenth."
    return text + (f" Left over: {', '.join(over)}." if over else "")


class EggsOfTheDay(Value):
    """Eggs for several bakes: cracked for each alone, or pooled so that one's whites go with another's yolks."""

    size: EggSize
    alone: int
    pooled: int
    white_g: float
    yolk_g: float
    whole_g: float
    left_white_g: float
    left_yolk_g: float


def eggs_of_the_day(needs: Sequence[EggNeed], size: EggSize, one: EggParts | None = None) -> EggsOfTheDay | None:
    """What the bakes of a day need together; None without any egg."""
    white, yolk, whole = (sum(getattr(n, name) for n in needs) for name in ("white_g", "yolk_g", "whole_g"))
    together = egg_need(white, yolk, whole, size, one)
    if together is None:
        return None
    return EggsOfTheDay(
        size=size,
        alone=sum(n.count for n in needs),
        pooled=together.count,
        white_g=white,
        yolk_g=yolk,
        whole_g=whole,
        left_white_g=together.left_white_g,
        left_yolk_g=together.left_yolk_g,
    )
