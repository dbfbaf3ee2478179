"""Whipping: how long to a peak or a ribbon, what slows it, what it passes on the way, and when it has gone too far.

Times are those of a stand mixer on medium-high. All of it is trade habit, which this kitchen's own bakes replace.
"""

from __future__ import annotations

import math

from kindwhisk.core.foams.foam import Foam, Peak, egg_white_g, sugar_to_white
from kindwhisk.core.ingredients.acids import as_cream_of_tartar_g
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.model import Value

REFERENCE_G = 150.0
FRENCH_MINUTES = 5.0
SWISS_MINUTES = 7.0
SYRUP_MINUTES = 9.0
RIBBON_MINUTES = 7.5
YOLK_MINUTES = 6.0
CREAM_MINUTES = 3.0
PEAK_FACTOR: dict[Peak, float] = {Peak.SOFT: 0.78, Peak.MEDIUM: 1.0, Peak.STIFF: 1.25}
SUGAR_SLOWS = 0.45
COLD_SLOWS_PER_K = 0.012
MASS_POWER = 0.3
SPREAD = 0.4
ACID_SLOWS = 0.25
"""A percent of acid (as cream of tartar) on the white lengthens the whipping by so much."""
ACID_GUARDS = 1.2
SALT_HURRIES = 0.35
"""A percent of acid widens, a percent of salt narrows by so much the time in which a peak may still be saved."""
DRIED_SLOWS, DRIED_GUARDS = 1.15, 1.3
MOST_PERCENT = 1.0
OVER_AFTER_S = (45.0, 200.0)
"""After its peak a foam without sugar is over in about so long; each weight of sugar to one of white adds so much."""
OVER_SPREAD = 0.6
USUAL_SPEED, SPEED_POWER = 6, 0.5
"""A step of the machine's scale up or down, where the usual is 6 of 12."""

FROTHY, WHITE_AND_FINE = 0.15, 0.35


class Whites(Value):
    """What in a bowl of whites decides how long they take: shares of the white in percent, sugar to white."""

    mass_g: float
    sugar_to_white: float
    temperature_c: float
    acid_percent: float = 0.0
    salt_percent: float = 0.0
    dried: bool = False

    @classmethod
    def of(cls, start: Material) -> Whites:
        """Of what is in the bowl."""
        white = egg_white_g(start)
        per = 100 / white if white > 0 else 0.0
        return cls(
            mass_g=start.mass_g,
            sugar_to_white=sugar_to_white(start),
            temperature_c=start.temperature_c,
            acid_percent=min(MOST_PERCENT, as_cream_of_tartar_g(start) * per),
            salt_percent=min(MOST_PERCENT, start.grams_of("salt") * per),
            dried=start.grams_of("white-dried") > 0,
        )

    @property
    def guard(self) -> float:
        """How much longer than plain whites they keep at their peak."""
        acid = 1 + ACID_GUARDS * self.acid_percent
        return acid * (1 - SALT_HURRIES * self.salt_percent) * (DRIED_GUARDS if self.dried else 1.0)


class WhipStage(Value):
    """Something that a foam passes, by time and by look."""

    name: str
    at_s: Estimate
    look: str


class Rescue(Value):
    """What it looks like when something is wrong, whether it can be brought back, how, and how far.

    ``grams`` of an ``ingredient`` go in for that; by the table it is a ``share`` of what is in the bowl.
    """

    sign: str
    can: bool
    do: str
    limit: str
    ingredient: str = ""
    share: float = 0.0
    grams: float = 0.0

    def for_bowl(self, mass_g: float) -> Rescue:
        """The same for so much in the bowl."""
        return self.model_copy(update={"grams": self.share * mass_g})


RESCUES: tuple[Rescue, ...] = (
    Rescue(
        sign="Grains between the fingers",
        can=True,
        do="Lowest speed for two minutes, or five minutes' rest and a few turns: the sugar goes on dissolving.",
        limit="Not once it stands stiff: grains then weep as drops in the oven.",
    ),
    Rescue(
        sign="Dull, first flecks at the wall",
        can=True,
        do="Stop. Fold in a spoon of fresh white by hand, a tenth of what is in the bowl, and use it at once.",
        limit="Once: and only while no water stands at the bottom.",
        ingredient="egg-white",
        share=0.1,
    ),
    Rescue(
        sign="Dry lumps, water at the bottom",
        can=False,
        do="Start again with fresh whites; these go into something that is cooked.",
        limit="No sugar or acid brings it back.",
    ),
    Rescue(
        sign="Stays low and grey, never turns white",
        can=False,
        do="Fat or yolk is in it: wash bowl and whisk, wipe them with a little vinegar, take fresh whites.",
        limit="Whipping longer does not help.",
    ),
    Rescue(
        sign="Went flat while it waited",
        can=True,
        do="A few turns on medium speed.",
        limit="Within its hold window, and once; with little sugar it comes back coarser.",
    ),
)


def whites_s(whites: Whites, peak: Peak, speed: int = USUAL_SPEED) -> Estimate:
    """Seconds to a peak. More sugar, acid, cold, a larger batch and a slower machine take longer."""
    cold = 1 + COLD_SLOWS_PER_K * max(0.0, 22.0 - whites.temperature_c)
    size = (max(whites.mass_g, 30.0) / REFERENCE_G) ** MASS_POWER
    sugar = 1 + SUGAR_SLOWS * whites.sugar_to_white
    acid = 1 + ACID_SLOWS * whites.acid_percent
    dried = DRIED_SLOWS if whites.dried else 1.0
    pace = (USUAL_SPEED / speed) ** SPEED_POWER
    minutes = FRENCH_MINUTES * PEAK_FACTOR[peak] * sugar * cold * size * acid * dried * pace
    return Estimate.around(60 * minutes, SPREAD)


def stages(to_peak: Estimate, peak: Peak) -> tuple[WhipStage, ...]:
    """What whites pass on the way to ``peak`` and beyond it, each with its moment."""

    def at(share: float) -> Estimate:
        return to_peak.scaled(share)

    own = PEAK_FACTOR[peak]
    found = [
        WhipStage(name="frothy", at_s=at(FROTHY), look="large bubbles cover the top"),
        WhipStage(name="white and fine", at_s=at(WHITE_AND_FINE), look="no bubble can be told from the next"),
    ]
    looks = {Peak.SOFT: "the tip droops right over", Peak.MEDIUM: "the tip bends", Peak.STIFF: "the tip stands"}
    found += [
        WhipStage(name=f"{each.value} peak", at_s=at(PEAK_FACTOR[each] / own), look=looks[each])
        for each in Peak
        if PEAK_FACTOR[each] <= own
    ]
    return tuple(found)


def over_s(to_peak: Estimate, whites: Whites) -> Estimate:
    """Seconds from the start until the foam is over-whipped, on the same speed."""
    least, per_ratio = OVER_AFTER_S
    spare = (least + per_ratio * whites.sugar_to_white) * whites.guard
    likely = to_peak.likely + spare
    return Estimate(
        low=to_peak.likely + spare / (1 + OVER_SPREAD),
        likely=likely,
        high=to_peak.high + spare * (1 + OVER_SPREAD),
        basis=Basis.weakest((to_peak.basis, Basis.HABIT)),
    )


def ribbon_s(mass_g: float, temperature_c: float) -> Estimate:
    """Seconds to the ribbon stage of whole eggs and sugar; warmed eggs (38 to 43 C) get there sooner."""
    cold = 1 + COLD_SLOWS_PER_K * 2 * max(0.0, 40.0 - temperature_c)
    size = (max(mass_g, 60.0) / (2 * REFERENCE_G)) ** MASS_POWER
    return Estimate.around(60 * RIBBON_MINUTES * cold * size, SPREAD)


def plain_s(foam: Foam, mass_g: float) -> Estimate:
    """Seconds on the whisk of the foams whose time hardly follows anything but the batch."""
    minutes = {
        Foam.SWISS_MERINGUE: SWISS_MINUTES,
        Foam.YOLK_FOAM: YOLK_MINUTES,
        Foam.CREAM: CREAM_MINUTES,
        Foam.ITALIAN_MERINGUE: SYRUP_MINUTES,
    }[foam]
    return Estimate.around(60 * minutes * (max(mass_g, 50.0) / (2 * REFERENCE_G)) ** MASS_POWER, SPREAD)


SHAPE = 1.3
RATE = 3.0
"""Overrun follows ``1 - exp(-rate x^shape)`` of the share of the likely time; 95 % is there at the end."""


def whipped_share(share: float) -> float:
    """Share of the final overrun after ``share`` (0 to 1) of the likely time. Source: the meringue reference model."""
    end = 1 - math.exp(-RATE)
    return (1 - math.exp(-RATE * max(0.0, share) ** SHAPE)) / end


class Seen(Value):
    """A density (g/ml) read from a cup after ``share`` (0 to 1) of the likely time."""

    density: float
    share: float


def material_while_whipping(whipped: Material, share: float, seen: Seen | None = None) -> Material:
    """What is in the bowl after ``share`` of the likely time, by the model, through a cup if one was read."""
    grown = min(1.0, whipped_share(share))
    if seen is None:
        return whipped.with_gas(whipped.gas_ml.scaled(grown))
    final = whipped.gas_ml.likely
    gas = max(0.0, whipped.mass_g / seen.density - whipped.gas_free_volume_ml)
    before = min(1.0, whipped_share(seen.share))
    if before < 1 and grown > before:
        gas += (final - gas) * (grown - before) / (1 - before)
    return whipped.with_gas(whipped.gas_ml.scaled(gas / final) if final > 0 else whipped.gas_ml)
