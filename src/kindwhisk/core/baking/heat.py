"""Heat into an aerated batter: finite volumes of enthalpy, implicit in time.

Each cell holds heat; what passes between cells and through the faces is taken at the end of a step, so that a step may
be long, and heat is conserved exactly: what a cell gains is what went through its sides. Boiling is a plateau of the
enthalpy. A wall or open top has no heat of its own: its temperature follows from the balance on both of its sides.
"""

from __future__ import annotations

import numpy as np
from scipy.linalg import lapack

from kindwhisk.core.baking.crumb import LATENT_J_PER_KG, Array, Crumb
from kindwhisk.core.baking.faces import STEFAN, TIRES_KG_PER_M2, Face, Faces
from kindwhisk.core.baking.mesh import Mesh

BUCK_KPA = (0.61121, 18.678, 234.5, 257.14)
"""Saturated vapour over water. Source: Buck 1981, published."""
GAS_J_PER_MOL_K, WATER_KG_PER_MOL = 8.314462, 0.018015
HOTTEST_STEAM_C = 100.0


class _Boundary:
    """All faces of a content, cell by cell in one row: bottom, top, wall, and the tube's wall where there is one.

    ``cells`` are the places in the flattened mesh; a cell in a corner has two faces. ``celsius`` is each surface's
    own temperature, ``evaporated`` the water lost there so far (kg/m2), ``taken_j`` the heat that came in.
    """

    def __init__(self, mesh: Mesh, faces: Faces, start_c: float) -> None:
        layers, rings = mesh.shape
        places = np.arange(layers * rings).reshape(layers, rings)
        self.parts: list[tuple[str, slice]] = []
        cells, areas, depths = [], [], []
        found = [
            ("bottom", places[0], mesh.base, mesh.thick[0]),
            ("top", places[-1], mesh.level[-1], mesh.thick[-1]),
            ("wall", places[:, -1], mesh.side[:, -1], mesh.wide[:, -1]),
        ]
        if mesh.tube.any():
            found.append(("tube", places[:, 0], mesh.tube, mesh.wide[:, 0]))
        at = 0
        for name, where, area, depth in found:
            self.parts.append((name, slice(at, at + len(where))))
            at += len(where)
            cells.append(where)
            areas.append(area)
            depths.append(depth)
        self.cells, self.area, self.depth = np.concatenate(cells), np.concatenate(areas), np.concatenate(depths)
        self.celsius: Array = np.full(at, start_c)
        self.evaporated: Array = np.zeros(at)
        self.taken_j = 0.0
        self.move_to(faces)

    def move_to(self, faces: Faces) -> None:
        """Other surroundings."""
        by_name: dict[str, Face] = {
            "bottom": faces.bottom,
            "top": faces.top,
            "wall": faces.wall,
            "tube": faces.tube,
        }
        chosen = [(by_name[name], part.stop - part.start) for name, part in self.parts]

        def spread(values: list[float]) -> Array:
            return np.repeat(np.array(values), [n for _, n in chosen])

        self.air = spread([f.air_w_per_m2k for f, _ in chosen])
        self.emits = spread([f.emissivity * STEFAN for f, _ in chosen])
        self.resists = spread([f.resists_m2k_per_w for f, _ in chosen])
        self.steams = spread([f.evaporates * f.moves_m_per_s for f, _ in chosen])
        self.hotter = spread([f.hotter_k for f, _ in chosen])

    def part(self, name: str) -> slice:
        """Where a face's cells are in the row."""
        return next(part for known, part in self.parts if known == name)

    def meet(self, before_cells: Array, wet: Array, oven_c: float) -> tuple[Array, Array]:
        """How heat passes here now: W/K into each cell, and towards which temperature.

        ``before_cells`` is what lies between each surface and its cell's own temperature (m2 K/W); ``wet`` the share of
        water left there.
        """
        sees = oven_c + self.hotter
        a, b = self.celsius + 273.15, sees + 273.15
        radiation = self.emits * (a * a + b * b) * (a + b)
        both = self.air + radiation
        outside = 1 / (1 / both + self.resists)
        env = (self.air * oven_c + radiation * sees) / both
        steam, more = self._steam(wet)
        self._through = 1 / before_cells
        self._from_outside = outside * env - LATENT_J_PER_KG * (steam - more * self.celsius)
        steep = outside + LATENT_J_PER_KG * more
        self._all = self._through + steep
        self._steam_at_zero, self._more = steam - more * self.celsius, more
        self.coefficient = self.area * self._through * steep / self._all
        self.towards = self._from_outside / steep
        return self.coefficient, self.towards

    def _steam(self, wet: Array) -> tuple[Array, Array]:
        """kg/(m2 s) at the surface's temperature, and more of it for each kelvin."""
        a, b, c, d = BUCK_KPA
        t = np.minimum(self.celsius, HOTTEST_STEAM_C)
        pascal = a * np.exp((b - t / c) * (t / (d + t))) * 1000
        slope = pascal * (b * d - t * (2 * d + t) / c) / (d + t) ** 2
        eager = np.exp(-self.evaporated / TIRES_KG_PER_M2) * wet * self.steams
        eager *= WATER_KG_PER_MOL / (GAS_J_PER_MOL_K * (t + 273.15))
        return eager * pascal, eager * slope

    def settle(self, inside: Array, seconds: float) -> None:
        """After a step that ended with the cells at ``inside``: each surface's temperature, and what went through."""
        self.celsius = (self._from_outside + self._through * inside) / self._all
        steam = np.maximum(0.0, self._steam_at_zero + self._more * self.celsius)
        self.evaporated = self.evaporated + steam * seconds
        self.taken_j += float((self.coefficient * (self.towards - inside)).sum()) * seconds


class Bake:
    """A content on its way: :meth:`advance` it under an oven's temperature.

    ``heat`` is in J per cubic metre by (layer, ring); ``celsius`` follows from it.
    """

    def __init__(self, crumb: Crumb, mesh: Mesh, faces: Faces) -> None:
        self.crumb, self.mesh = crumb, mesh
        layers, rings = mesh.shape
        self.heat: Array = np.full((layers, rings), crumb.heat_of(crumb.start_c))
        self.celsius, self._per_kelvin = crumb.temperature(self.heat)
        self.t_s = 0.0
        self._boundary = _Boundary(mesh, faces, crumb.start_c)
        self._band = np.zeros((rings + 1, layers * rings))

    @property
    def stored_j(self) -> float:
        """Heat that it holds."""
        return float((self.heat * self.mesh.volume).sum())

    @property
    def taken_j(self) -> float:
        """Heat that has come in through all faces, less what went out with vapour of the surface."""
        return self._boundary.taken_j

    @property
    def top_c(self) -> float:
        """The top's own temperature in the middle (C)."""
        return float(self._boundary.celsius[self._boundary.part("top")][0])

    @property
    def lost_kg(self) -> float:
        """Water that has left, from inside and from open surfaces."""
        boiled = float((self.crumb.dryness(self.heat) * self.mesh.volume).sum())
        surface = float((self._boundary.evaporated * self._boundary.area).sum())
        return boiled * self.crumb.density * 1000 * self.crumb.water + surface

    @property
    def coldest_c(self) -> float:
        """The coldest cell: the core."""
        return float(self.celsius.min())

    def move_to(self, faces: Faces) -> None:
        """The same content among other surroundings."""
        self._boundary.move_to(faces)

    def advance(self, seconds: float, oven_c: float) -> None:
        """One step, with the oven at ``oven_c`` at its end."""
        found = self._solve(seconds, oven_c)
        self.heat = self.heat + self._per_kelvin * (found - self.celsius)
        self._boundary.settle(found.ravel()[self._boundary.cells], seconds)
        self.celsius, self._per_kelvin = self.crumb.temperature(self.heat)
        self.t_s += seconds

    def _crust(self, dried: Array, conducts: Array) -> Array:
        """What lies before cells at a face: one that boils dries from its face inward, and its front is at the boil."""
        depth = self._boundary.depth
        moist = (1 - dried) ** 2 * depth / (2 * conducts)
        before: Array = moist + dried * (1 - dried / 2) * depth / self.crumb.dried_conducts
        return before

    def _solve(self, seconds: float, oven_c: float) -> Array:
        """Temperatures at the end of the step, with heat taken as linear in them around those now."""
        celsius, mesh, faces, (layers, rings) = self.celsius, self.mesh, self._boundary, self.mesh.shape
        dried = self.crumb.dryness(self.heat)
        conducts = self.crumb.conducts(celsius, dried)
        up = mesh.thick / (2 * conducts)
        out = mesh.wide / (2 * conducts)
        between_layers = mesh.level[:-1] / (up[:-1] + up[1:])
        between_rings = mesh.side[:, :-1] / (out[:, :-1] + out[:, 1:])
        capacity = mesh.volume * self._per_kelvin / seconds
        right = (capacity * celsius).ravel()
        diagonal = capacity
        diagonal[:-1] += between_layers
        diagonal[1:] += between_layers
        diagonal[:, :-1] += between_rings
        diagonal[:, 1:] += between_rings
        at_faces = dried.ravel()[faces.cells]
        crust = self._crust(at_faces, conducts.ravel()[faces.cells])
        coefficient, towards = faces.meet(crust, 1 - at_faces, oven_c)
        on_diagonal, drive = diagonal.ravel(), coefficient * towards
        for _, part in faces.parts:
            on_diagonal[faces.cells[part]] += coefficient[part]
            right[faces.cells[part]] += drive[part]
        band = self._band
        band[0] = on_diagonal
        band[1].reshape(layers, rings)[:, :-1] = -between_rings
        band[rings].reshape(layers, rings)[:-1] = -between_layers
        _, found, info = lapack.dpbsv(band, right.reshape(-1, 1), lower=1)
        if info:
            raise ArithmeticError("The heat balance has no solution.")
        solved: Array = found.reshape(layers, rings)
        return solved
