"""Rise and set: bubbles grow until the crumb around them sets; what sets first stays low, and the middle domes."""

from __future__ import annotations

import numpy as np

from kindwhisk.core.baking.crumb import Array
from kindwhisk.core.baking.mesh import Mesh
from kindwhisk.core.tins.rise import KEPT, SETTING_C, WATER_ACTIVITY
from kindwhisk.core.warmth.air import saturation_kpa

_TABLE_C = np.arange(0.0, SETTING_C + 1.0)
_TABLE_KPA = np.array([saturation_kpa(float(c)) for c in _TABLE_C])


LEVELS = 0.12
"""How much of a column's height follows the level of what can still flow. Chosen: a foam batter hardly flows, a sponge
of 40 mm domes by a few millimetres."""


class Rising:
    """The rise of a content in its mesh, step by step.

    A column rises by its own bubbles, but for a small part: batter that has not set levels itself, so what the bubbles
    gain lifts the columns that can still move. A column has set when half of it has. ``gas`` is the share of bubbles in
    the raw volume.
    """

    def __init__(self, mesh: Mesh, gas: float, start_c: float, pressure_kpa: float) -> None:
        self._mesh, self._gas, self._start_c, self._kpa = mesh, gas, start_c, pressure_kpa
        self._volume = mesh.volume
        self._column = mesh.level[-1]
        self._hottest: Array = np.full(mesh.shape, start_c)
        self._frozen: Array = np.full(mesh.shape[1], np.nan)
        self._start_m = float(self._volume.sum() / self._column.sum())
        self.heights_m: Array = self._volume.sum(axis=0) / self._column
        self._from_kpa = self._pressed(np.array([min(start_c, 60.0)]))[0]

    def _pressed(self, celsius: Array) -> Array:
        """Pressure of the dry gas in bubbles (kPa)."""
        vapour = WATER_ACTIVITY * np.interp(celsius, _TABLE_C, _TABLE_KPA)
        pressed: Array = np.maximum(self._kpa - vapour, 5.0)
        return pressed

    def _grown(self) -> Array:
        """Each cell's volume to its raw one."""
        warm = np.minimum(self._hottest, SETTING_C)
        share = np.clip((warm - self._start_c) / max(SETTING_C - self._start_c, 1.0), 0.0, 1.0)
        kept = 1 - (1 - KEPT[1]) * share
        growth = (warm + 273.15) / (self._start_c + 273.15) * self._from_kpa / self._pressed(warm)
        grown: Array = np.maximum(1.0, 1 - self._gas + kept * growth * self._gas)
        return grown

    def take(self, celsius: Array) -> None:
        """One more moment."""
        self._hottest = np.maximum(self._hottest, celsius)
        grown = self._grown() * self._volume
        level = self._levelled(float(grown.sum()))
        set_now = (self._set_cells.mean(axis=0) >= 0.5) & np.isnan(self._frozen)
        self._frozen[set_now] = level[set_now]
        self.heights_m = (1 - LEVELS) * grown.sum(axis=0) / self._column + LEVELS * level

    @property
    def _set_cells(self) -> Array:
        cells: Array = (self._hottest >= SETTING_C).astype(float)
        return cells

    def _levelled(self, total: float) -> Array:
        """Each column's height (m) if all that can flow levelled itself."""
        free = np.isnan(self._frozen)
        if not free.any():
            return self._frozen.copy()
        held = float((self._frozen[~free] * self._column[~free]).sum())
        level = max((total - held) / float(self._column[free].sum()), self._start_m)
        return np.where(free, level, self._frozen)

    @property
    def mean_mm(self) -> float:
        """Mean height, mm."""
        return float((self.heights_m * self._column).sum() / self._column.sum()) * 1000

    @property
    def dome_mm(self) -> float:
        """How much the middle stands above the edge, mm."""
        return float(self.heights_m.max() - self.heights_m[-1]) * 1000

    @property
    def set_share(self) -> float:
        """Share of the volume that has set."""
        return float((self._set_cells * self._volume).sum() / self._volume.sum())
