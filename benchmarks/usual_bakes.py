"""Usual bakes of the trade beside the model's minutes, where nothing was timed: how far off, how often in range.

The table was compiled from usual recipes of each class, before the factors were set; a third of it is set aside.
"""

from __future__ import annotations

import csv
import math
import statistics
from collections import defaultdict
from collections.abc import Iterator
from dataclasses import dataclass
from pathlib import Path

from benchmarks.goals import met
from kindwhisk.core.baking.asked import SETS
from kindwhisk.core.baking.course import InOven, Sets
from kindwhisk.core.baking.predict import predict
from kindwhisk.core.baking.reference import family
from kindwhisk.core.ovens.air import OvenAir
from kindwhisk.core.ovens.place import OvenMode
from kindwhisk.core.tins.pieces import PipedPiece
from kindwhisk.core.tins.shapes import (
    BoxDimensions,
    BoxTin,
    LoafDimensions,
    LoafTin,
    RoundDimensions,
    RoundTin,
    Tin,
    TubeDimensions,
    TubeTin,
)
from kindwhisk.core.values.technique import Technique

TABLE = Path(__file__).parent.parent / "tests" / "core" / "usual_bakes.csv"
FLARE = 1.12
"""A usual loaf tin is so much wider at its rim."""


@dataclass(frozen=True)
class UsualBake:
    """A bake as recipes have it: what it is, and from how many to how many minutes."""

    kind: str
    content: InOven
    low: float
    high: float
    aside: bool

    @property
    def middle(self) -> float:
        """Between both ends."""
        return math.sqrt(self.low * self.high)


def _tin(row: dict[str, str]) -> tuple[Tin, float, bool]:
    """The tin, how high it is filled (mm), and whether it is a piece."""
    wide, inner, long, fill = (float(row[f"{n}_mm"]) for n in ("width", "inner", "length", "fill"))
    deep = fill * 1.8
    match row["shape"]:
        case "round":
            return RoundTin(dimensions=RoundDimensions(diameter_mm=wide, depth_mm=deep)), fill, False
        case "tube":
            tube = TubeDimensions(diameter_mm=wide, depth_mm=deep, tube_diameter_mm=inner)
            return TubeTin(dimensions=tube), fill, False
        case "loaf":
            loaf = LoafDimensions(
                bottom_width_mm=long, bottom_length_mm=wide, top_width_mm=long * FLARE, top_length_mm=wide * FLARE,
                depth_mm=deep,
            )  # fmt: skip
            return LoafTin(dimensions=loaf), fill, False
        case "square" | "sheet" as shape:
            box = BoxDimensions(width_mm=wide, length_mm=long, depth_mm=deep)
            return BoxTin(shape=shape, dimensions=box), fill, False
        case _:
            piece = PipedPiece(width_mm=wide, height_mm=fill, length_mm=long or None)
            mould = piece.mould()
            return mould, mould.depth_mm, True


def usual_bakes() -> Iterator[UsualBake]:
    """All of the table."""
    with TABLE.open(encoding="utf-8") as file:
        for row in csv.DictReader(file):
            tin, fill, free = _tin(row)
            density = float(row["density"])
            sheet = row["shape"] == "sheet"
            load = 0.6 if free or sheet else tin.volume_ml(fill) * density / 1000
            content = InOven(
                tin=tin,
                fill_mm=fill,
                density=density,
                water=float(row["water"]),
                sets=SETS.get(Technique(row["technique"]), Sets.CRUMB),
                done_c=float(row["done_c"]),
                free=free,
                mode=OvenMode(row["mode"]),
                paper_base=free or sheet or row["technique"] == "meringue",
                air=OvenAir(holds_c=float(row["oven_c"]), load_kg=round(load, 1)),
            )
            yield UsualBake(row["kind"], content, float(row["low_min"]), float(row["high_min"]), row["aside"] == "yes")


def held(bake: UsualBake) -> bool:
    """Whether the range without a timed bake meets the usual one: its middle lies in it."""
    told = predict(bake.content).done_s
    return told.low / 60 <= bake.middle <= told.high / 60


def usual() -> None:
    """By family, and both parts of the table, printed."""
    by_family: dict[str, list[UsualBake]] = defaultdict(list)
    bakes = list(usual_bakes())
    for bake in bakes:
        by_family[family(bake.content)].append(bake)
    for name, some in by_family.items():
        logs = [math.log(predict(b.content).done_s.likely / 60 / b.middle) for b in some]
        inside = sum(held(b) for b in some)
        off = 100 * (math.exp(statistics.median(logs)) - 1)
        print(f"usual bakes, {name:18} {len(some):3}, median {off:+5.1f} %, in range {inside} of {len(some)}")
    parts = {aside: [b for b in bakes if b.aside is aside] for aside in (True, False)}
    for words, some in (("set aside", parts[True]), ("the others", parts[False])):
        share = sum(held(b) for b in some) / len(some)
        print(f"  {words:10} {len(some):3}, in range {100 * share:.0f} %    goal 85: {met(share >= 0.85)}")


if __name__ == "__main__":
    usual()
