"""What the README says it takes to add something is all that it takes: each is added to a copy of the code and used."""

from __future__ import annotations

import os
import shutil
import subprocess
import sys
from collections.abc import Callable
from pathlib import Path

import pytest

SOURCE = Path(__file__).parents[1] / "src"
CORE = "kindwhisk/core"

OVAL = '''
"""Oval tins."""

from __future__ import annotations

import math
import re
from typing import ClassVar, Literal, Self

from kindwhisk.core.tins.paper import PaperShape, paper
from kindwhisk.core.tins.shapes.shape import Dimensions, Footprint, Millimetres, Shape


class OvalDimensions(Dimensions):
    """Straight walls."""

    width_mm: Millimetres
    length_mm: Millimetres
    depth_mm: Millimetres


class OvalTin(Shape):
    """An ellipse with straight walls."""

    words: ClassVar[str] = r"oval"
    firsts: ClassVar[dict[str, dict[str, float]]] = {"oval": {"width_mm": 160, "length_mm": 240, "depth_mm": 60}}
    measures: ClassVar[dict[str, str]] = {"width_mm": "wide", "length_mm": "long", "depth_mm": "deep"}

    shape: Literal["oval"] = "oval"
    dimensions: OvalDimensions

    @classmethod
    def named_by(cls, text: str, sizes: tuple[float, ...], depth: float | None) -> Self | None:
        """By both widths."""
        if len(sizes) != 2 or not re.search(cls.words, text):
            return None
        return cls(dimensions=OvalDimensions(width_mm=sizes[0], length_mm=sizes[1], depth_mm=depth or 60))

    def cut(self, height_mm: float) -> Footprint:
        """The ellipse."""
        a, b = self.dimensions.width_mm / 2, self.dimensions.length_mm / 2
        return Footprint(math.pi * a * b, math.pi * (3 * (a + b) - math.sqrt((3 * a + b) * (a + 3 * b))), a)

    def lining(self) -> tuple[PaperShape, ...]:
        """Its base."""
        d = self.dimensions
        return (paper("base", "oval", [[(0.0, 0.0), (d.width_mm, 0.0), (d.width_mm, d.length_mm)]]),)
'''

USES_OVAL = """
import math
from kindwhisk.api.routers.craft import router
from kindwhisk.core.baking.course import InOven, course
from kindwhisk.core.baking.reference import family
from kindwhisk.core.ovens.air import OvenAir
from kindwhisk.core.reading.tins_named import find_tin
from kindwhisk.core.tins.shapes import shape_views
from kindwhisk.core.tins.standing import stand
from pydantic import TypeAdapter
from kindwhisk.core.tins.shapes import Tin

tin = TypeAdapter(Tin).validate_python(
    {"shape": "oval", "dimensions": {"width_mm": 160, "length_mm": 240, "depth_mm": 60}}
)
assert abs(tin.volume_ml() - math.pi * 80 * 120 * 60 / 1000) < 1e-6
assert "oval" in {v.shape for v in shape_views()}
named = find_tin("a 16 x 24 cm oval tin")
assert named is not None
assert named.tin.shape == "oval"
assert stand(tin, 400, 0.45).fill_fraction > 0.4
assert course(InOven(tin=tin, fill_mm=40, density=0.45, air=OvenAir(holds_c=170))).done_s > 900
assert family(InOven(tin=tin, fill_mm=40, density=0.45, air=OvenAir(holds_c=170))) == "oval"
"""

GLAZE = '''
"""Glaze: pour a glaze over."""

from __future__ import annotations

from typing import Any, ClassVar, Literal

from pydantic import Field

from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.process.outcome import Checkpoint, Outcome
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import StepBase
from kindwhisk.core.values.estimate import Estimate


class GlazeStep(StepBase):
    """Pour it over at ``at_c``."""

    first: ClassVar[dict[str, Any]] = {"at_c": 32}

    kind: Literal["glaze"] = "glaze"
    at_c: float = Field(ge=20, le=60)

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """All of it lies on top."""
        return Outcome(
            material=combine(intake),
            duration_s=Estimate.around(90, 0.5),
            modelled_s=90,
            goal=f"{self.at_c:g} °C",
            do="Pour it over the middle and let it run.",
            checkpoints=(Checkpoint(id="glazed", name="Glazed", confirms="Glazed", sees="No drop falls."),),
        )
'''

USES_GLAZE = """
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.kinds import kinds
from kindwhisk.core.process.scaling import scale
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.planning.solver import plan
from kindwhisk.core.planning.tasks import job
from kindwhisk.demo.formulas import butter_sponge
from kindwhisk.demo.kitchen import demo_kitchen

known = {k.kind: k for k in kinds()}
assert known["glaze"].draft["at_c"] == 32
assert [f.name for f in known["glaze"].fields] == ["at_c"]
written = butter_sponge().model_dump(mode="json")
last = written["steps"][-1]
written["steps"].append(
    {"kind": "glaze", "id": "glaze", "title": "Glaze it", "vessel": last["vessel"], "at_c": 32,
     "inputs": [{"source": "step", "step": last["id"]}, {"source": "ingredient", "ingredient": "jam", "grams": 60}]}
)
seen = scale(Formula.model_validate(written), demo_kitchen(), Wish()).forecast
assert seen.step("glaze").goal == "32 °C"
assert "glaze" in {p.id for p in plan(job(seen), 8 * 3600).placed}
"""

TONKA = '    food("tonka", "tonka bean", "flavour", (5.0, 0, 25.0, 6.0, 30.0), "#3a2a20", 0.50, density=1.20),\n'

USES_TONKA = """
from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.ingredients.eggs import EggSize
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.reading.line import read_line

assert ingredient("tonka").name == "tonka bean"
read = read_line("4 g grated tonka bean", EggSize.EU_M)
assert (read.ingredient, read.grams) == ("tonka", 4)
assert Material(parts={"tonka": 4}).composition.fat == 0.25
"""

OPENED = '''
class DoorOpened(_Event):
    """The oven's door was opened."""

    kind: Literal["door_opened"]
    step: Short


'''

USES_OPENED = """
import tempfile
from datetime import UTC, datetime, timedelta
from pathlib import Path
from kindwhisk.bench.bench import Bench
from kindwhisk.bench.hub import Hub
from kindwhisk.bench.log.events import event_adapter
from kindwhisk.core.process.wish import Wish
from kindwhisk.demo.formulas import demo_formulas
from kindwhisk.demo.kitchen import demo_kitchen
from kindwhisk.store.database import open_store

store = open_store(Path(tempfile.mkdtemp()))
store.kitchens.save(demo_kitchen())
for formula in demo_formulas():
    store.formulas.save(formula)
bench, now = Bench(store, Hub(store)), datetime(2026, 11, 2, 5, tzinfo=UTC)
bake = bench.start("butter-sponge", Wish(), now + timedelta(hours=4), "start-0001", now)
event = {"kind": "door_opened", "client_key": "opened-01", "at": now, "step": "bake"}
bench.post(bake, event_adapter.validate_python(event))
assert bench.state(bake, now=now).sequence == 1
assert bench.moment(bake, now).progress.step("bake").looked_at == [now]
store.close()
"""


def before(text: str, mark: str, more: str) -> str:
    assert text.count(mark) >= 1, mark
    return text.replace(mark, more + mark, 1)


def add_tin(root: Path) -> None:
    shapes = root / CORE / "tins" / "shapes"
    (shapes / "oval.py").write_text(OVAL)
    own = shapes / "__init__.py"
    text = before(own.read_text(), "    | HalfSphereTin,", "    | OvalTin\n")
    own.write_text(
        before(text, "from kindwhisk.core.tins.shapes.round", "from kindwhisk.core.tins.shapes.oval import OvalTin\n")
    )


def add_step(root: Path) -> None:
    steps = root / CORE / "process" / "steps"
    (steps / "glaze.py").write_text(GLAZE)
    own = steps / "__init__.py"
    text = before(own.read_text(), "    | WashStep,", "    | GlazeStep\n")
    own.write_text(
        before(
            text,
            "from kindwhisk.core.process.steps.invert",
            "from kindwhisk.core.process.steps.glaze import GlazeStep\n",
        )
    )


def add_ingredient(root: Path) -> None:
    table = root / CORE / "ingredients" / "table" / "flavours.py"
    names = root / CORE / "reading" / "names" / "flavours.py"
    table.write_text(before(table.read_text(), '    food("vanilla-extract", ', TONKA))
    names.write_text(
        before(names.read_text(), '    "vanilla-extract": ', '    "tonka": "tonka bean|tonka beans|fève tonka",\n')
    )


def add_event(root: Path) -> None:
    log = root / "kindwhisk" / "bench" / "log"
    events, projection = log / "events.py", log / "projection.py"
    text = before(events.read_text(), "class Undone(_Event):", OPENED.lstrip("\n"))
    events.write_text(before(text, "    | Undone,", "    | DoorOpened\n"))
    case = "            case ev.DoorOpened():\n                progress.step(event.step).looked_at.append(at)\n"
    projection.write_text(before(projection.read_text(), "            case ev.GateTicked():", case))


@pytest.mark.parametrize(
    ("add", "use"),
    [(add_tin, USES_OVAL), (add_step, USES_GLAZE), (add_ingredient, USES_TONKA), (add_event, USES_OPENED)],
    ids=["tin", "step", "ingredient", "event"],
)
def test_what_the_readme_names_is_enough(add: Callable[[Path], None], use: str, tmp_path: Path) -> None:
    root = tmp_path / "src"
    shutil.copytree(SOURCE, root, ignore=shutil.ignore_patterns("__pycache__"))
    add(root)
    done = subprocess.run(
        [sys.executable, "-c", use],
        env=os.environ | {"PYTHONPATH": str(root)},
        capture_output=True,
        text=True,
        check=False,
    )
    assert done.returncode == 0, done.stderr[-2000:]
