"""Eggs: from a size class to grams of white, yolk and whole egg."""

from enum import StrEnum

from kindwhisk.core.estimate import Basis, Estimate
from kindwhisk.core.model import Value


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
