"""What an oven thermometer tells of an oven's degrees: measured minus set, by place in it and by mode."""

from __future__ import annotations

from collections.abc import Sequence
from functools import lru_cache

from pydantic import Field

from kindwhisk.core.learning.effects import WRONG_SHARE, Belief, Learned, Observation, learn
from kindwhisk.core.ovens.place import OvenMode, Rack
from kindwhisk.core.values.model import Value

OVEN_SD, PLACE_SD, MODE_SD = 12.0, 5.0, 5.0
"""How much ovens, places in them and modes differ, in K. Trade habit."""
NOISE_K = 3.0
"""A thermometer read once, in an oven that cycles. Trade habit."""


class DegreesSeen(Value):
    """An oven set to ``set_c`` that showed ``measured_c`` once it held (C). ``noise_k`` is less for a probe's mean."""

    id: str
    oven: str
    set_c: float = Field(ge=40, le=320)
    measured_c: float = Field(ge=20, le=400)
    rack: Rack = Rack.MIDDLE
    mode: OvenMode = OvenMode.STATIC
    noise_k: float = Field(default=NOISE_K, gt=0, le=20)

    @property
    def observation(self) -> Observation:
        """As a sum of effects, in K."""
        return Observation(self.measured_c - self.set_c, _effects(self.oven, self.rack, self.mode), self.noise_k)


def _effects(oven: str, rack: Rack, mode: OvenMode) -> tuple[str, ...]:
    places = (f"place {oven} {rack.value}",) if rack is not Rack.MIDDLE else ()
    modes = (f"mode {oven} {mode.value}",) if mode is not OvenMode.STATIC else ()
    return (f"oven {oven}", *places, *modes)


_SD = {"oven": OVEN_SD, "place": PLACE_SD, "mode": MODE_SD}


def _priors(effects: Sequence[str]) -> dict[str, float]:
    return {e: _SD[e.split(" ", 1)[0]] for e in effects}


@lru_cache(maxsize=32)
def _learned(seen: tuple[DegreesSeen, ...], wrong: float = WRONG_SHARE) -> Learned:
    observations = [s.observation for s in seen]
    return learn(observations, _priors([e for o in observations for e in o.effects]), wrong)


def trust(seen: tuple[DegreesSeen, ...]) -> tuple[float, ...]:
    """How far each was trusted (0 to 1), in their order."""
    return _learned(seen).trusted if seen else ()


def offset_k(
    seen: tuple[DegreesSeen, ...], oven: str, rack: Rack = Rack.MIDDLE, mode: OvenMode = OvenMode.STATIC
) -> Belief:
    """Offset (thermometer − dial) at a place in a mode, in K, as mean and standard deviation."""
    effects = _effects(oven, rack, mode)
    return _learned(seen).sum_of(effects, _priors(effects))
