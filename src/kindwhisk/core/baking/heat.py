"""Heat into an aerated batter: finite volumes of enthalpy, implicit in time.

Each cell holds heat; what passes between cells and through the faces is taken at the end of a step, so that a step may
be long, and heat is conserved exactly: what a cell gains is what went through its sides. Boiling is a plateau of the
enthalpy. A wall or open top has no heat of its own: its temperature follows from the balance on both of its sides.
"""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import Any

import numpy as np
from scipy.linalg import lapack

from kindwhisk.core.baking.crumb import LATENT_J_PER_KG, Array, Crumb
from kindwhisk.core.baking.faces import STEFAN, TIRES_KG_PER_M2, Face, Faces
from kindwhisk.core.baking.mesh import Mesh

BUCK = (0.61121, 18.678, 234.5, 257.14)
GAS_J_PER_MOL_K, WATER_KG_PER_MOL = 8.314462, 0.018015


@dataclass
class _Surface:
    """One face of the content: its area for each cell that touches it, and what has happened there."""

    face: Face
    area: Array
    celsius: Array
    evaporated: Array
    """Water lost there so far, kg/m2."""
    taken_j: float = 0.0
    coefficient: Array = field(init=False)
    towards: Array = field(init=False)
    _held: tuple[Array, Array, Array, Array] = field(init=False)

    def meet(self, resists: Array, wet: Array, oven_c: float) -> None:
        """How heat passes here now: ``coefficient`` (W/K) towards a temperature ``towards`` for each cell.

        ``resists`` is what lies between the surface and each cell's own temperature (m2 K/W).
        """
        face, sees = self.face, oven_c + self.face.hotter_k
        a, b = self.celsius + 273.15, sees + 273.15
        radiation = face.emissivity * STEFAN * (a * a + b * b) * (a + b)
        outside = 1 / (1 / (face.air_w_per_m2k + radiation) + face.resists_m2k_per_w)
        env = (face.air_w_per_m2k * oven_c + radiation * sees) / (face.air_w_per_m2k + radiation)
        through = 1 / resists
        lost, more = self._evaporation(wet)
        offset = LATENT_J_PER_KG * (lost - more * self.celsius)
        steep = outside + LATENT_J_PER_KG * more
        self.coefficient = self.area * through * steep / (through + steep)
        self.towards = (outside * env - offset) / steep
        self._held = (through, outside * env - offset, through + steep, lost - more * self.celsius)
        self._more = more

    def _evaporation(self, wet: Array) -> tuple[Array, Array]:
        """kg/(m2 s) at the surface's temperature, and more of it for each kelvin."""
        if not self.face.evaporates:
            nothing = np.zeros_like(self.celsius)
            return nothing, nothing
        a, b, c, d = BUCK
        t = np.minimum(self.celsius, 100.0)
        pressure = a * np.exp((b - t / c) * (t / (d + t))) * 1000
        slope = pressure * (b * d - t * (2 * d + t) / c) / (d + t) ** 2
        per_pascal = WATER_KG_PER_MOL / (GAS_J_PER_MOL_K * (t + 273.15))
        tired = np.exp(-self.evaporated / TIRES_KG_PER_M2) * wet * self.face.evaporates * self.face.moves_m_per_s
        return tired * pressure * per_pascal, tired * slope * per_pascal

    def settle(self, inside: Array, seconds: float) -> None:
        """After a step that ended with the cells at ``inside``: its own temperature, and what went through it."""
        through, from_outside, both, evaporation = self._held
        self.celsius = (from_outside + through * inside) / both
        self.evaporated = self.evaporated + np.maximum(0.0, evaporation + self._more * self.celsius) * seconds
        self.taken_j += float((self.coefficient * (self.towards - inside)).sum()) * seconds


class Bake:
    """A content on its way: :meth:`advance` it under an oven's temperature.

    ``heat`` is in J per cubic metre by (layer, ring); ``celsius`` follows from it.
    """

    def __init__(self, crumb: Crumb, mesh: Mesh, faces: Faces) -> None:
        self.crumb, self.mesh = crumb, mesh
        layers, rings = mesh.shape
        self.heat: Array = np.full((layers, rings), crumb.heat_of(crumb.start_c))
        self.celsius: Array = np.full((layers, rings), crumb.start_c)
        self.t_s = 0.0

        def surface(face: Face, area: Array) -> _Surface:
            return _Surface(face, area, np.full(area.shape, crumb.start_c), np.zeros(area.shape))

        self.bottom, self.top = surface(faces.bottom, mesh.base), surface(faces.top, mesh.level[-1])
        self.wall, self.tube = surface(faces.wall, mesh.side[:, -1]), surface(faces.tube, mesh.tube)
        self._hollow = bool(mesh.tube.any())

    @property
    def stored_j(self) -> float:
        """Heat that it holds."""
        return float((self.heat * self.mesh.volume).sum())

    @property
    def taken_j(self) -> float:
        """Heat that has come in through all faces, less what went out with vapour of the surface."""
        return self.bottom.taken_j + self.wall.taken_j + self.tube.taken_j + self.top.taken_j

    @property
    def lost_kg(self) -> float:
        """Water that has left, from inside and from open surfaces."""
        boiled = float((self.crumb.dryness(self.heat) * self.mesh.volume).sum())
        faces = sum(float((s.evaporated * s.area).sum()) for s in (self.wall, self.tube, self.top))
        return boiled * self.crumb.density * 1000 * self.crumb.water + faces

    @property
    def coldest_c(self) -> float:
        """The coldest cell: the core."""
        return float(self.celsius.min())

    def move_to(self, faces: Faces) -> None:
        """The same content among other surroundings."""
        self.bottom.face, self.wall.face, self.tube.face, self.top.face = (
            faces.bottom,
            faces.wall,
            faces.tube,
            faces.top,
        )

    def advance(self, seconds: float, oven_c: float) -> None:
        """One step, with the oven at ``oven_c`` at its end."""
        celsius, per_kelvin = self.crumb.temperature(self.heat)
        found = self._solve(celsius, per_kelvin, seconds, oven_c)
        self.heat = self.heat + per_kelvin * (found - celsius)
        for surface, cells in self._surfaces(found):
            surface.settle(cells, seconds)
        self.celsius = self.crumb.temperature(self.heat)[0]
        self.t_s += seconds

    def _crust(self, dried: Array, conducts: Array, depth: Array) -> Array:
        """What lies before cells at a face: a cell that boils dries from its face inward, and its front is at the
        boil."""
        moist = (1 - dried) ** 2 * depth / (2 * conducts)
        crust: Array = dried * (1 - dried / 2) * depth / self.crumb.dried_conducts
        return moist + crust

    def _surfaces(self, field_: Array) -> list[tuple[_Surface, Array]]:
        found = [(self.bottom, field_[0]), (self.top, field_[-1]), (self.wall, field_[:, -1])]
        return [*found, (self.tube, field_[:, 0])] if self._hollow else found

    def _solve(self, celsius: Array, per_kelvin: Array, seconds: float, oven_c: float) -> Array:
        """Temperatures at the end of the step, with heat taken as linear in them around ``celsius``."""
        mesh, heat, (layers, rings) = self.mesh, self.heat, self.mesh.shape
        conducts = self.crumb.conducts(celsius, heat)
        up = mesh.thick / (2 * conducts)
        out = mesh.wide / (2 * conducts)
        between_layers = mesh.level[:-1] / (up[:-1] + up[1:])
        between_rings = mesh.side[:, :-1] / (out[:, :-1] + out[:, 1:])
        capacity = mesh.volume * per_kelvin / seconds
        diagonal = capacity.copy()
        diagonal[:-1] += between_layers
        diagonal[1:] += between_layers
        diagonal[:, :-1] += between_rings
        diagonal[:, 1:] += between_rings
        right = capacity * celsius
        dried = self.crumb.dryness(heat)
        places: list[tuple[_Surface, Any, Array]] = [
            (self.bottom, np.s_[0, :], mesh.thick),
            (self.top, np.s_[-1, :], mesh.thick),
        ]
        places.append((self.wall, np.s_[:, -1], mesh.wide))
        if self._hollow:
            places.append((self.tube, np.s_[:, 0], mesh.wide))
        for surface, place, depth in places:
            surface.meet(self._crust(dried[place], conducts[place], depth[place]), 1 - dried[place], oven_c)
            diagonal[place] += surface.coefficient
            right[place] += surface.coefficient * surface.towards
        band = np.zeros((rings + 1, layers * rings))
        band[0] = diagonal.ravel()
        band[1].reshape(layers, rings)[:, :-1] -= between_rings
        band[rings].reshape(layers, rings)[:-1] -= between_layers
        _, found, info = lapack.dpbsv(band, right.reshape(-1, 1), lower=1)
        if info:
            raise ArithmeticError("The heat balance has no solution.")
        solved: Array = found.reshape(layers, rings)
        return solved
