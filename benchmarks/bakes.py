"""How right and how fast the bake model is: beside a fine mesh solved by scipy, and beside stand-in bakes."""

from __future__ import annotations

import math
import random
import statistics
import time
from typing import Any, NamedTuple

import numpy as np
from scipy.integrate import solve_ivp
from scipy.sparse import diags, kron, lil_matrix

from kindwhisk.core.baking.course import DWELL_S, InOven, course, crumb_of, faces_of, mesh_of
from kindwhisk.core.baking.crumb import LATENT_J_PER_KG, Array
from kindwhisk.core.baking.faces import STEFAN, TIRES_KG_PER_M2, Face
from kindwhisk.core.baking.follow import CrumbFollower
from kindwhisk.core.baking.predict import OWN_SPREAD, predict
from kindwhisk.core.ovens.air import OvenAir
from kindwhisk.core.ovens.place import OvenMode
from kindwhisk.core.ovens.times import BakeTime, with_factor
from kindwhisk.core.tins.shapes import RoundDimensions, RoundTin, Tin
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.warmth.air import saturation_kpa
from kindwhisk.demo.formulas.shorthand import SHEET_30, TUBE_17
from kindwhisk.devices.oven import OvenPlan, StandInCake, StandInOven

FINE = (40, 30)
_TABLE_C = np.arange(0.0, 121.0)
_TABLE_KPA = np.array([saturation_kpa(float(c)) for c in _TABLE_C])


def in_oven(tin: Tin, fill_mm: float, oven_c: float = 170, mode: OvenMode = OvenMode.STATIC) -> InOven:
    """A sponge batter in an oven."""
    load = round(tin.volume_ml(fill_mm) * 0.45 / 1000, 1)
    return InOven(tin=tin, fill_mm=fill_mm, density=0.45, mode=mode, air=OvenAir(holds_c=oven_c, load_kg=load))


ROUND = RoundTin(dimensions=RoundDimensions(diameter_mm=200, depth_mm=80))
BAKES = {
    "round, 40 mm": in_oven(ROUND, 40),
    "round, fan": in_oven(ROUND, 40, 160, OvenMode.FAN),
    "tube": in_oven(TUBE_17, 52),
    "sheet": in_oven(SHEET_30, 12, 180),
}


class _Fine:
    """The same equations on a fine mesh, as a right-hand side for a stiff solver: heat of each cell, water lost at
    faces."""

    def __init__(self, content: InOven) -> None:
        self.crumb, self.mesh, self.faces = crumb_of(content), mesh_of(content, *FINE), faces_of(content)
        self.oven = content.air.course()
        self.cells = FINE[0] * FINE[1]

    def flux(
        self, face: Face, inside: Array, resists: Array, wet: Array, lost: Array, oven_c: float
    ) -> tuple[Array, Array]:
        """W/m2 into cells, and kg/(m2 s) evaporated, with the surface's balance solved by Newton."""
        sees, surface = oven_c + face.hotter_k, inside.copy()
        tired = np.exp(-lost / TIRES_KG_PER_M2) * wet * face.evaporates * face.moves_m_per_s
        for _ in range(6):
            a, b = surface + 273.15, sees + 273.15
            radiation = face.emissivity * STEFAN * (a * a + b * b) * (a + b)
            outside = 1 / (1 / (face.air_w_per_m2k + radiation) + face.resists_m2k_per_w)
            env = (face.air_w_per_m2k * oven_c + radiation * sees) / (face.air_w_per_m2k + radiation)
            capped = np.minimum(surface, 100.0)
            kpa, more = np.interp(capped, _TABLE_C, _TABLE_KPA), np.interp(capped + 0.5, _TABLE_C, _TABLE_KPA)
            slope = np.where(surface < 100, (more - kpa) / 0.5, 0.0)
            per_kpa = 18.015 / (8.314462 * (capped + 273.15))
            steam = tired * kpa * per_kpa
            gap = outside * (env - surface) - LATENT_J_PER_KG * steam - (surface - inside) / resists
            surface = surface + gap / (outside + LATENT_J_PER_KG * tired * slope * per_kpa + 1 / resists)
        return (surface - inside) / resists, steam

    def __call__(self, t_s: float, state: Array) -> Array:
        mesh, crumb, (layers, rings) = self.mesh, self.crumb, FINE
        heat = state[: self.cells].reshape(layers, rings)
        top_lost = state[self.cells :]
        celsius, _ = crumb.temperature(heat)
        dried = crumb.dryness(heat)
        conducts = crumb.conducts(celsius, dried)
        up, out = mesh.thick / (2 * conducts), mesh.wide / (2 * conducts)
        gained = np.zeros_like(heat)
        upward = mesh.level[:-1] / (up[:-1] + up[1:]) * (celsius[:-1] - celsius[1:])
        gained[:-1] -= upward
        gained[1:] += upward
        outward = mesh.side[:, :-1] / (out[:, :-1] + out[:, 1:]) * (celsius[:, :-1] - celsius[:, 1:])
        gained[:, :-1] -= outward
        gained[:, 1:] += outward
        oven_c, none = self.oven(t_s), np.zeros(layers)

        def crust(where: Any, depth: Array) -> Array:
            share = dried[where]
            moist = (1 - share) ** 2 * depth[where] / (2 * conducts[where])
            found: Array = moist + share * (1 - share / 2) * depth[where] / crumb.dried_conducts
            return found

        every = slice(None)
        steam = none
        places: list[tuple[Any, Face, Array, Array]] = [
            ((0, every), self.faces.bottom, mesh.base, mesh.thick),
            ((-1, every), self.faces.top, mesh.level[-1], mesh.thick),
            ((every, -1), self.faces.wall, mesh.side[:, -1], mesh.wide),
        ]
        if mesh.tube.any():
            places.append(((every, 0), self.faces.tube, mesh.tube, mesh.wide))
        for where, face, area, depth in places:
            open_top = face is self.faces.top
            lost = top_lost if open_top else np.zeros_like(area)
            into, gone = self.flux(face, celsius[where], crust(where, depth), 1 - dried[where], lost, oven_c)
            gained[where] += into * area
            if open_top:
                steam = gone
        return np.concatenate(((gained / mesh.volume).ravel(), steam))


def fine_minutes(content: InOven) -> float:
    """Minutes to done on the fine mesh, by scipy's BDF."""
    model = _Fine(content)
    layers, rings = FINE
    line = diags([1.0, 1.0, 1.0], [-1, 0, 1], shape=(layers, layers))
    row = diags([1.0, 1.0, 1.0], [-1, 0, 1], shape=(rings, rings))
    sparsity = lil_matrix((model.cells + rings, model.cells + rings))
    near = kron(line, diags([1.0], [0], shape=(rings, rings))) + kron(diags([1.0], [0], shape=(layers, layers)), row)
    sparsity[: model.cells, : model.cells] = near
    last = model.cells - rings
    for ring in range(rings):
        sparsity[last + ring, model.cells + ring] = 1
        sparsity[model.cells + ring, last + ring] = 1
        sparsity[model.cells + ring, model.cells + ring] = 1

    def done(_: float, state: Array) -> float:
        heat = state[: model.cells].reshape(layers, rings)
        return float(model.crumb.temperature(heat)[0].min()) - content.finished_c

    done.terminal = True  # type: ignore[attr-defined]
    start = np.concatenate((np.full(model.cells, model.crumb.heat_of(model.crumb.start_c)), np.zeros(rings)))
    found = solve_ivp(
        model, (0, 4 * 3600), start, method="BDF", events=done, rtol=1e-5, atol=1e2, jac_sparsity=sparsity, max_step=60
    )
    assert found.t_events is not None
    return (float(found.t_events[0][0]) + DWELL_S) / 60


def _against_fine() -> None:
    worst, ratios = 0.0, []
    for name, content in BAKES.items():
        began = time.perf_counter()
        fine = fine_minutes(content)
        middle = time.perf_counter()
        rounds = 5
        for _ in range(rounds):
            course.__wrapped__(content)
        own_s = (time.perf_counter() - middle) / rounds
        own = (course(content).done_s or math.nan) / 60
        ratios.append((middle - began) / own_s)
        worst = max(worst, abs(own / fine - 1))
        print(
            f"bake, {name:14}       {1000 * own_s:7.1f} ms   {own:5.1f} min; {fine:.1f} on {FINE[0]} x {FINE[1]} cells "
            f"by scipy, which takes {middle - began:.1f} s, {ratios[-1]:.0f} times as long"
        )
    print(f"                           worst difference {100 * worst:.1f} %, least {min(ratios):.0f} times as fast")


class _Followed(NamedTuple):
    """Errors of the end as a share of the time, at shares of it, with a probe; and without any."""

    by_share: dict[float, list[float]]
    blind: list[float]
    inside: int
    told: int
    us: float


def follow(runs: int = 60) -> _Followed:
    """Stand-in bakes in ovens that are not as supposed, followed by the probe in their middle."""
    supposed = in_oven(ROUND, 40)
    expected = predict(supposed)
    rng = random.Random(5)
    found: dict[float, list[float]] = {0.3: [], 0.5: [], 0.7: [], 0.85: []}
    blind, inside, told, spent, count = [], 0, 0, 0.0, 0
    for n in range(runs):
        oven = StandInOven(OvenPlan(offset_k=rng.gauss(0, 8), seed=n), 170.0)
        oven.air_c = oven.wall_c = oven.probe_c = 170 + oven.plan.offset_k
        own = in_oven(ROUND, 40 * rng.gauss(1, 0.05)).model_copy(update={"density": 0.45 * rng.gauss(1, 0.04)})
        cake = StandInCake(own, seed=n)
        oven.cakes.append(cake)
        readings = []
        while cake.core_c < supposed.finished_c:
            oven.advance(10)
            readings.append((cake.t_s, cake.read()))
        ends = cake.t_s + DWELL_S
        blind.append(abs(expected.done_s.likely / ends - 1))
        follower, open_shares = CrumbFollower(supposed, expected), sorted(found)
        for t_s, celsius in readings:
            began = time.perf_counter()
            follower.take(t_s, celsius)
            spent, count = spent + time.perf_counter() - began, count + 1
            while open_shares and t_s >= open_shares[0] * ends:
                left = follower.forecast(t_s).left_s
                share = open_shares.pop(0)
                if left is not None:
                    found[share].append(abs((t_s + left.likely) / ends - 1))
                    inside += left.low <= ends - t_s <= left.high
                    told += 1
    return _Followed(found, blind, inside, told, 1e6 * spent / count)


def _learning() -> None:
    rng = random.Random(11)
    model = Estimate.around(1800, OWN_SPREAD, Basis.FORMULA)
    for known in (0, 1, 3, 5):
        errors = []
        for _ in range(300):
            truth = rng.gauss(0, 0.15) + rng.gauss(0, 0.08) + rng.gauss(0, 0.05)
            seen = tuple(
                BakeTime(
                    id=str(i), oven="a", family="round", formula="f", modelled_s=1800,
                    observed_s=1800 * math.exp(truth + rng.gauss(0, 0.06) + (0.6 if rng.random() < 0.1 else 0)),
                )
                for i in range(known)
            )  # fmt: skip
            told = with_factor(model, seen, "a", "round", "f", OWN_SPREAD).likely
            errors.append(abs(told / (1800 * math.exp(truth)) - 1))
        print(
            f"next bake after {known} bakes     median {100 * statistics.median(errors):4.1f} %, eight in ten within "
            f"{100 * sorted(errors)[239]:.1f} %; one bake in ten is an outlier"
        )


def bakes() -> None:
    """All of it, printed."""
    _against_fine()
    seen = follow()
    print(f"a reading in the crumb     {seen.us:7.0f} us")
    print(f"end of a bake, no probe    median {100 * statistics.median(seen.blind):4.1f} % of its time")
    for share, errors in seen.by_share.items():
        nine = sorted(errors)[int(0.9 * len(errors))]
        print(
            f"  by its middle, {100 * share:.0f} % in    median {100 * statistics.median(errors):4.1f} %, "
            f"nine in ten within {100 * nine:.1f} %"
        )
    print(f"  the range held the end in {seen.inside} of {seen.told}")
    _learning()


if __name__ == "__main__":
    bakes()
