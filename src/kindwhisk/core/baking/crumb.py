"""The crumb as heat sees it: what it takes to warm it, to boil its water off, and how well it conducts."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

Array = NDArray[np.float64]

LATENT_J_PER_KG = 2.26e6
"""Of water near 100 C. Published."""
DRY_J_PER_KG_K = 1500.0
"""Heat capacity of a dried crumb. Recalled."""
PLATEAU_K = 1.0
"""The water of a cell boils off over so many kelvin above its boiling point. Numerical: a flat step has no inverse."""
VAPOUR_HELPS, VAPOUR_POWER = 1.6, 3.0
"""Vapour that goes from bubble to bubble multiplies conduction by ``1 + 1.6 ((T - 20)/80)^3``. Bake reference model."""
DRIED_CONDUCTS = 0.45
"""A dried crumb conducts so much of a raw batter's: no vapour helps it. Bake reference model."""


@dataclass(frozen=True)
class Crumb:
    """A batter that sets. Densities in g/ml, ``water`` as a mass fraction, temperatures in C.

    ``conducts_w_per_mk`` is that of the raw batter at 20 C, ``heat_j_per_kg_k`` its heat capacity. A ``plain`` one
    conducts the same at any temperature and never boils: for checks against the analytic series.
    """

    density: float
    water: float = 0.33
    start_c: float = 22.0
    boils_c: float = 100.0
    conducts_w_per_mk: float = 0.32
    heat_j_per_kg_k: float = 2900.0
    plain: bool = False

    @property
    def moist_j(self) -> float:
        """J to warm a cubic metre of it by one kelvin while it is moist."""
        return self.density * 1000 * self.heat_j_per_kg_k

    @property
    def dried_j(self) -> float:
        """The same, dried."""
        return self.density * 1000 * (1 - self.water) * DRY_J_PER_KG_K

    @property
    def latent_j(self) -> float:
        """J to boil the water out of a cubic metre."""
        return self.density * 1000 * self.water * LATENT_J_PER_KG

    @property
    def boiling_j(self) -> float:
        """J in a cubic metre, above 0 C, when its water begins to boil."""
        return self.moist_j * self.boils_c

    def heat_of(self, celsius: float) -> float:
        """J in a cubic metre at a temperature below boiling, above 0 C."""
        return self.moist_j * celsius

    def dryness(self, heat: Array) -> Array:
        """Share of the water that has boiled off, for heats in J per cubic metre."""
        if self.plain:
            return np.zeros_like(heat)
        return np.clip((heat - self.boiling_j) / self.latent_j, 0.0, 1.0)

    def temperature(self, heat: Array) -> tuple[Array, Array]:
        """Temperatures (C) of heats (J per cubic metre), and J for one more kelvin there."""
        if self.plain:
            return heat / self.moist_j, np.full_like(heat, self.moist_j)
        over = heat - self.boiling_j
        plateau = self.latent_j / PLATEAU_K
        celsius = np.where(
            over <= 0,
            heat / self.moist_j,
            self.boils_c
            + np.where(over <= self.latent_j, over / plateau, PLATEAU_K + (over - self.latent_j) / self.dried_j),
        )
        per_kelvin = np.where(over < 0, self.moist_j, np.where(over < self.latent_j, plateau, self.dried_j))
        return celsius, per_kelvin

    def conducts(self, celsius: Array, dried: Array) -> Array:
        """W/(m K) at temperatures (C), where a share ``dried`` of the water has boiled off."""
        if self.plain:
            return np.full_like(celsius, self.conducts_w_per_mk)
        warm = np.clip((celsius - 20) / 80, 0.0, 1.0)
        helped: Array = (1 - dried) * (1 + VAPOUR_HELPS * warm**VAPOUR_POWER) + dried * DRIED_CONDUCTS
        return self.conducts_w_per_mk * helped

    @property
    def dried_conducts(self) -> float:
        """W/(m K) of a dried crumb."""
        return self.conducts_w_per_mk * DRIED_CONDUCTS
