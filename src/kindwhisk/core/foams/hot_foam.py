"""Hot syrup into a running foam: the temperature that both reach, and how the foam cools under the whisk."""

from __future__ import annotations

import math

from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.sugar import syrup as sugar_syrup
from kindwhisk.core.sugar.boiling import heat_capacity
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.model import Value
from kindwhisk.core.warmth.air import SEA_LEVEL_KPA

WHITE_CP, YOLK_CP, WHOLE_EGG_CP, STEEL_CP = 3.85, 3.10, 3.55, 0.50
"""kJ/(kg K). Recalled."""
BOWL_G = 1000.0
"""Steel bowl of a stand mixer. Weigh your own: it takes as much heat as a third of the whites."""


class Losses(Value):
    """What does not reach the foam: share left in the pot, K lost in the stream, share of the bowl that warms too."""

    left_behind: float
    stream_k: float
    bowl_share: float


LOW_LOSS = Losses(left_behind=0.02, stream_k=2.0, bowl_share=0.12)
LOSS = Losses(left_behind=0.05, stream_k=5.0, bowl_share=1 / 3)
HIGH_LOSS = Losses(left_behind=0.10, stream_k=10.0, bowl_share=0.85)
"""Trade habit; within 6 K of the hot-syrup reference model."""

WHISKED_W_PER_K = (0.9, 1.4, 2.2)
WHISKED_REFERENCE_KJ = 0.9
"""Heat that a running bowl gives to the air, per kelvin, for a foam of so many kJ/K (about 330 g); a larger one has
more surface, as the root. Trade habit, told by the bowl's own readings."""
COOLING_BOWL_SHARE = 0.8
POUR_G_PER_S = (1.5, 2.5, 4.0)
"""A thread of syrup between whisk and wall. Trade habit."""
SLOWEST = 0.88
"""Nobody pours all of it in the thinnest thread while the whisk cools it most. Chosen."""
GATES_C: tuple[tuple[float, str], ...] = ((45, "pipe warm"), (40, "fold"), (30, "cream"), (26, "butter"))
"""Cool enough for: butter melts above, cream falls, a batter's fat runs. Trade habit."""


class Cooled(Value):
    """``s`` seconds after the peak it is down to ``c``; ``for_`` says what that is cool enough for."""

    c: float
    s: Estimate
    use: str


class HeatBalance(Value):
    """What the bowl reaches and when it has cooled."""

    peak_c: Estimate
    cool_to: tuple[Cooled, ...]
    pour_s: Estimate
    kj_per_k: float


def _mixed(egg_kj: float, egg_c: float, syrup_kj: float, syrup_c: float, bowl_g: float, losses: Losses) -> float:
    # (C_s T_s + (C_e + C_b) T_e)/(C_s + C_e + C_b), written as what the egg gains.
    bowl = bowl_g / 1000 * STEEL_CP * losses.bowl_share
    hot = syrup_kj * (1 - losses.left_behind)
    arrives = max(egg_c, syrup_c - losses.stream_k)
    return egg_c + hot * (arrives - egg_c) / (hot + egg_kj + bowl)


def _whisked(mixed_c: float, air_c: float, lost: float) -> float:
    """What is left of a peak that was whisked in air while the syrup ran: ``lost`` is W/K times the seconds of the pour
    over its heat capacity. What ran in first has cooled longest: ``(1 - exp(-lost))/lost`` of it is left."""
    if mixed_c <= air_c or lost <= 0:
        return mixed_c
    return air_c + (mixed_c - air_c) * -math.expm1(-lost) / lost


# A balance has as many terms.
def balance(  # noqa: PLR0913
    egg_g: float,
    egg_cp: float,
    sugar_g: float,
    syrup_c: float,
    start_c: float,
    *,
    bowl_g: float = BOWL_G,
    air_c: float = 22.0,
    pressure_kpa: float = SEA_LEVEL_KPA,
) -> HeatBalance:
    """The highest temperature of the foam, and its way down.

    ``T = T_e + C_s (T_s - dT - T_e)/(C_s + C_e + C_b)``: heat capacities in kJ/K of the syrup that arrives, of the egg
    and of the share of the bowl that warms; dT is lost in the stream. While it runs, and after it, ``dT/dt = -UA (T -
    T_air)/C`` under the whisk: a large batch is poured for minutes.

    Args:
        egg_g: whites, yolks or whole eggs, of heat capacity ``egg_cp`` in kJ/(kg K), at ``start_c``.
        sugar_g: dry sugar of a syrup boiled to ``syrup_c`` at this pressure.
        bowl_g: the bowl's own weight; its heat is counted as steel.
        air_c: the air of the kitchen.
        pressure_kpa: of the air; tells the water that the syrup still holds.

    Raises:
        CraftError: the syrup is not hotter than the egg.

    Source: energy balance; losses trade habit, within 6 K of the hot-syrup reference model.
    """
    if syrup_c <= start_c:
        raise CraftError(
            "The syrup is not hotter than what it is poured into.",
            field="syrup_c",
            remedy="Give the syrup's temperature in the pot.",
        )
    percent = max(40.0, sugar_syrup.concentration_percent(sugar_syrup.at_sea_level_c(syrup_c, pressure_kpa)))
    syrup_g = sugar_g / percent * 100
    syrup_kj = syrup_g / 1000 * heat_capacity(percent, 90)
    egg_kj = egg_g / 1000 * egg_cp
    together = egg_kj + syrup_kj
    pour_low, pour, pour_high = (syrup_g / rate for rate in reversed(POUR_G_PER_S))
    loses = whisked_w_per_k(together)
    low, likely, high = (
        _whisked(_mixed(egg_kj, start_c, syrup_kj, syrup_c, bowl_g, losses), air_c, w_per_k * seconds / 1000 / together)
        for losses, w_per_k, seconds in (
            (HIGH_LOSS, loses[2], SLOWEST * pour_high),
            (LOSS, loses[1], pour),
            (LOW_LOSS, loses[0], pour_low),
        )
    )
    peak = Estimate(low=low, likely=likely, high=high, basis=Basis.HABIT)
    return HeatBalance(
        peak_c=peak,
        cool_to=tuple(
            Cooled(c=c, s=cooling_s(together, bowl_g, likely, c, air_c), use=use)
            for c, use in GATES_C
            if air_c + 0.5 < c < likely
        ),
        pour_s=Estimate(low=pour_low, likely=pour, high=pour_high, basis=Basis.HABIT),
        kj_per_k=together,
    )


def whisked_w_per_k(content_kj: float) -> tuple[float, float, float]:
    """Low, likely and high loss under the whisk, in W/K, of a foam of so many kJ/K."""
    more = math.sqrt(max(content_kj, 0.05) / WHISKED_REFERENCE_KJ)
    low, likely, high = WHISKED_W_PER_K
    return low * more, likely * more, high * more


def cooling_s(content_kj: float, bowl_g: float, from_c: float, to_c: float, air_c: float) -> Estimate:
    """Seconds under the running whisk from ``from_c`` to ``to_c``; to just above the air at the least.

    ``t = C/UA ln((T0 - T_air)/(T - T_air))``, C in J/K of the foam (``content_kj`` is kJ/K) and most of the bowl
    (``bowl_g``, steel), UA in W/K by :func:`whisked_w_per_k`. Source: Newton's law of cooling; UA trade habit.
    """
    down = max(to_c, air_c + 0.5)
    if from_c <= down:
        return Estimate.exact(0.0, Basis.MODEL)
    capacity = content_kj + COOLING_BOWL_SHARE * bowl_g / 1000 * STEEL_CP
    span = 1000 * capacity * math.log((from_c - air_c) / (down - air_c))
    low, likely, high = (span / loss for loss in reversed(whisked_w_per_k(content_kj)))
    return Estimate(low=low, likely=likely, high=high, basis=Basis.HABIT)


def of_materials(
    syrup: Material, egg: Material, *, bowl_g: float = BOWL_G, air_c: float = 22.0, pressure_kpa: float = SEA_LEVEL_KPA
) -> HeatBalance:
    """:func:`balance` for what has come into the bowl; a syrup without heat warms nothing."""
    sugar = syrup.composition.sugars * syrup.mass_g
    hot = max(syrup.temperature_c, egg.temperature_c + 0.1)
    return balance(
        max(egg.mass_g, 1e-6),
        egg.composition.heat_capacity(),
        sugar,
        hot,
        egg.temperature_c,
        bowl_g=bowl_g,
        air_c=air_c,
        pressure_kpa=pressure_kpa,
    )
