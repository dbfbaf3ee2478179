"""What a recipe of the corpus should become, and how near what it became is to that.

A file holds the recipe, a line ``----``, and ``key: value`` lines; after ``steps:`` a step a line, as
``name = kind: ingredient grams, @earlier share``. Weighing is not told, nor is what a process assumes.
"""

from __future__ import annotations

import json
import math
import re
from collections.abc import Iterable
from dataclasses import dataclass, field
from pathlib import Path

import numpy as np
from scipy.optimize import linear_sum_assignment

from kindwhisk.core.ingredients.allergens import holds
from kindwhisk.core.ingredients.eggs import EggSize
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.portions import IngredientPortion
from kindwhisk.core.process.steps import Step
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.fill import FillStep
from kindwhisk.core.process.steps.weigh import WeighStep
from kindwhisk.core.reading import recipe
from kindwhisk.core.reading.proposal import ReadRecipe, read

HERE = Path(__file__).parent
GRAMS_WITHIN = 0.15
UNCOUNTED = {"cup", "unknown"}
GRAVE = {"fat-near-whites", "raw-egg", "from-elsewhere", "time-for-temperature"}


AS = {
    "hand": "plain",
    "cut": "plain",
    "skin": "rest",
    **dict.fromkeys(("stack", "spread", "line", "pair", "coat", "ornament"), "assemble"),
}
"""Kinds as the expectations call them: a rest in which a skin forms is a rest; whatever joins parts assembles them."""


@dataclass
class Node:
    """A step as it is compared: its kind, what it takes of the list with grams (0: not told), and earlier nodes."""

    name: str
    kind: str
    takes: dict[str, float] = field(default_factory=dict)
    parents: list[str] = field(default_factory=list)


@dataclass
class Expected:
    """A recipe of the corpus and what it should become."""

    name: str
    text: str
    keys: dict[str, str]
    nodes: list[Node]

    def list_of(self, key: str, cut: str = ",") -> list[str]:
        """The values of a key."""
        return [v.strip() for v in self.keys.get(key, "").split(cut) if v.strip()]

    def read(self) -> ReadRecipe:
        """The recipe as it is read now."""
        if self.text.lstrip().startswith("{"):
            written = recipe.from_jsonld(json.loads(self.text))
        elif self.keys.get("format") == "csv":
            written = recipe.from_csv(self.text)
        else:
            written = recipe.from_text(self.text)
        return read(written, EggSize.EU_M)


def load(path: Path) -> Expected:
    """A file of the corpus."""
    text, _, told = path.read_text(encoding="utf-8").partition("\n----\n")
    head, _, steps = told.partition("steps:")
    keys = {k.strip(): v.strip() for k, _, v in (line.partition(":") for line in head.splitlines()) if k.strip()}
    return Expected(path.stem, text, keys, [_node(line) for line in steps.splitlines() if line.strip()])


def corpus(part: str) -> list[Expected]:
    """All recipes of ``written`` or ``held_out``."""
    return [load(path) for path in sorted((HERE / part).glob("*.txt"))]


def _node(line: str) -> Node:
    name, _, rest = line.partition("=")
    kind, _, inputs = rest.partition(":")
    node = Node(name.strip(), kind.strip())
    for part in (p.strip() for p in inputs.split(",")):
        if part.startswith("@"):
            node.parents.append(part[1:].split()[0])
        elif part:
            ingredient, _, grams = part.partition(" ")
            node.takes[ingredient] = float(grams) if re.fullmatch(r"[\d.]+", grams) else 0.0
    return node


def nodes_of(formula: Formula) -> list[Node]:
    """A formula's steps as they are compared: weighing and what is assumed are seen through."""
    seen_through: dict[str, tuple[dict[str, float], list[str]]] = {}
    found = []
    for step in formula.steps:
        takes: dict[str, float] = {}
        parents: list[str] = []
        for portion in step.inputs:
            if isinstance(portion, IngredientPortion):
                takes[portion.ingredient] = takes.get(portion.ingredient, 0.0) + portion.grams
                continue
            more, earlier = seen_through.get(portion.step, ({}, [portion.step]))
            for ingredient, grams in more.items():
                takes[ingredient] = takes.get(ingredient, 0.0) + grams
            parents += earlier
        if isinstance(step, WeighStep) or step.assumed:
            seen_through[step.id] = (takes, parents)
        else:
            found.append(Node(step.id, AS.get(step.kind, step.kind), takes, parents))
    return found


def _closure(nodes: list[Node]) -> dict[str, frozenset[str]]:
    by_name = {n.name: n for n in nodes}
    found: dict[str, frozenset[str]] = {}
    for node in nodes:
        inner = [found[p] for p in node.parents if p in by_name and p in found]
        found[node.name] = frozenset(node.takes).union(*inner) if inner else frozenset(node.takes)
    return found


def _like(a: Iterable[str], b: Iterable[str]) -> float:
    one, other = set(a), set(b)
    return 1.0 if not one and not other else len(one & other) / len(one | other)


@dataclass
class Score:
    """How many of what was expected came, of how many, and how many came in all."""

    right: int = 0
    expected: int = 0
    found: int = 0

    def add(self, right: int, expected: int, found: int) -> None:
        """Count some more."""
        self.right, self.expected, self.found = self.right + right, self.expected + expected, self.found + found

    @property
    def recall(self) -> float:
        """Of what was expected, how much came."""
        return self.right / self.expected if self.expected else 1.0

    @property
    def precision(self) -> float:
        """Of what came, how much was expected."""
        return self.right / self.found if self.found else 1.0


@dataclass
class Compared:
    """One recipe compared."""

    steps: Score = field(default_factory=Score)
    wiring: Score = field(default_factory=Score)
    lines: Score = field(default_factory=Score)
    remarks: Score = field(default_factory=Score)
    waits: Score = field(default_factory=Score)
    components: Score = field(default_factory=Score)
    truths: dict[str, bool] = field(default_factory=dict)
    missed: list[str] = field(default_factory=list)


def _same_takes(want: Node, got: Node) -> bool:
    if set(want.takes) != set(got.takes):
        return False
    return all(g == 0 or abs(got.takes[i] / g - 1) <= GRAMS_WITHIN for i, g in want.takes.items())


def _graph(want: list[Node], got: list[Node], result: Compared) -> None:
    cost = np.zeros((len(want), len(got)))
    inside_want, inside_got = _closure(want), _closure(got)
    for i, a in enumerate(want):
        for j, b in enumerate(got):
            if a.kind == b.kind:
                place = 1 - abs(i / max(len(want), 1) - j / max(len(got), 1))
                cost[i, j] = -(
                    1 + _like(inside_want[a.name], inside_got[b.name]) + 2 * _like(a.takes, b.takes) + 0.3 * place
                )
    pairs = {}
    for i, j in (map(int, pair) for pair in zip(*linear_sum_assignment(cost), strict=True)):
        if cost[i, j] < 0:
            pairs[want[i].name] = got[j].name
    by_name = {n.name: n for n in got}
    right = sum(w.name in pairs and _same_takes(w, by_name[pairs[w.name]]) for w in want)
    result.steps.add(right, len(want), len(got))
    for w in want:
        if w.name not in pairs:
            result.missed.append(f"no step {w.name} = {w.kind}: {', '.join(w.takes)}")
        elif not _same_takes(w, by_name[pairs[w.name]]):
            result.missed.append(f"{w.name} = {w.kind} takes {w.takes}, got {by_name[pairs[w.name]].takes}")
    for extra in set(by_name) - set(pairs.values()):
        result.missed.append(f"extra step {extra}: {by_name[extra].takes}")
    edges = {(pairs.get(p, "?" + p), pairs.get(w.name, "?" + w.name)) for w in want for p in w.parents}
    edges |= {(i, pairs.get(w.name, "?" + w.name)) for w in want for i in w.takes}
    there = {(p, g.name) for g in got for p in g.parents} | {(i, g.name) for g in got for i in g.takes}
    result.wiring.add(len(edges & there), len(edges), len(there))
    result.missed += [f"no edge {a} > {b}" for a, b in sorted(edges - there)]
    result.missed += [f"extra edge {a} > {b}" for a, b in sorted(there - edges)]


def _tin_of(formula: Formula) -> list[tuple[str, list[float], int]]:
    found: list[tuple[str, list[float], int]] = []
    for step in formula.steps:
        if isinstance(step, FillStep):
            sizes = step.tin.dimensions.model_dump()
            lengths = (
                [sizes.get("diameter_mm") or 0.0]
                if "diameter_mm" in sizes
                else sorted(
                    v for k, v in sizes.items() if k.endswith(("width_mm", "length_mm")) and not k.startswith("bottom")
                )
            )
            if sizes.get("top_diameter_mm"):
                lengths = [sizes["top_diameter_mm"]]
            found.append((step.tin.shape, lengths, step.count))
    return found


def _tin_right(want: str, formula: Formula) -> bool:
    if want == "none":
        return True
    words = want.split()
    sizes = sorted(float(x) for x in words[1].split("x"))
    count = int(words[2][1:]) if len(words) > 2 else 1
    flat = {"sheet", "rectangular", "square"}
    for shape, sides, n in _tin_of(formula):
        square = len(sizes) == 1 and len(sides) == 2 and sides[0] == sides[1]
        lengths = sides[:1] if square else sides
        like = shape == words[0] or {shape, words[0]} <= flat
        if (
            like
            and n == count
            and len(lengths) == len(sizes)
            and all(abs(a - b) <= 8 for a, b in zip(lengths, sizes, strict=True))
        ):
            return True
    return False


def _oven_right(want: str, formula: Formula) -> bool:
    celsius, minutes = (float(x) for x in want.split()[:2])
    return any(
        abs(s.oven_c - celsius) <= 4 and abs(s.reference.minutes / minutes - 1) <= 0.12
        for s in formula.steps
        if isinstance(s, BakeStep)
    )


def _minutes(step: Step) -> float:
    if step.kind == "skin":
        return step.written_minutes or 0.0
    return step.minutes if step.kind == "rest" else step.hours * 60 if step.kind == "chill" else 0.0


def _waits(formula: Formula) -> list[tuple[str, float]]:
    return [
        (AS.get(s.kind, s.kind), _minutes(s))
        for s in formula.steps
        if s.kind in {"rest", "skin", "chill", "cool"} and not s.assumed
    ]


def _match_waits(want: list[str], got: list[tuple[str, float]], result: Compared) -> None:
    left = list(got)
    right = 0
    for words in want:
        kind, _, minutes = words.partition(" ")
        hit = next(
            (
                g
                for g in left
                if g[0] == kind
                and (kind == "cool" or not minutes or abs(math.log(max(g[1], 0.1) / float(minutes))) < 0.25)
            ),
            None,
        )
        if hit is None:
            result.missed.append(f"no wait {words}")
        else:
            left.remove(hit)
            right += 1
    result.waits.add(right, len(want), len(want))


def _without_amount(want: Expected, got: ReadRecipe) -> None:
    """What has no amount can't be wired: it stays beside the process."""
    listed = {line.ingredient for line in got.lines}
    weighed = {line.ingredient for line in got.lines if line.grams is not None}
    for node in want.nodes:
        node.takes = {i: g for i, g in node.takes.items() if i in weighed or i not in listed}


def done(text: str) -> list[str]:
    """Every step of a text by its kind, with what it takes of the list."""
    formula = opened(text).formula
    assert formula is not None
    taken = ((n.kind, ", ".join(f"{i} {grams:.0f}" for i, grams in sorted(n.takes.items()))) for n in nodes_of(formula))
    return [f"{kind}: {takes}" if takes else kind for kind, takes in taken]


def kinds(text: str) -> list[str]:
    """Every step of a text by its kind alone."""
    return [step.partition(":")[0] for step in done(text)]


def opened(text: str) -> ReadRecipe:
    """What a pasted text becomes."""
    return read(recipe.from_text(text), EggSize.EU_M)


def compare(want: Expected) -> Compared:
    """What a recipe became against what it should."""
    got = want.read()
    result = Compared()
    ids = [line.ingredient or "?" for line in got.lines]
    listed = want.list_of("lines")
    result.lines.add(sum(a == b for a, b in zip(listed, ids, strict=False)), len(listed), len(ids))
    if ids != listed:
        result.missed.append(f"lines {ids}")
    told = {row.text for row in got.rows}
    result.truths["class"] = got.technique.value == want.keys.get("class")
    if not result.truths["class"]:
        result.missed.append(f"class {got.technique.value}")
    result.truths["nothing dropped"] = all(
        _kept(row, told) for row in want.text.splitlines()
    ) or want.text.lstrip().startswith(("{", "<", "ingredient;"))
    _remarks(want, got, result)
    if got.formula is None:
        result.missed.append("no formula: " + "; ".join(q.text for q in got.questions))
        result.steps.add(0, len(want.nodes), 0)
        result.wiring.add(0, sum(len(n.takes) + len(n.parents) for n in want.nodes), 0)
        return result
    formula = got.formula
    _without_amount(want, got)
    if want.nodes:
        _graph(want.nodes, nodes_of(formula), result)
    if "tin" in want.keys:
        result.truths["tin"] = _tin_right(want.keys["tin"], formula)
        if not result.truths["tin"]:
            result.missed.append(f"tin {_tin_of(formula)}")
    if "oven" in want.keys:
        result.truths["oven"] = _oven_right(want.keys["oven"], formula)
        if not result.truths["oven"]:
            result.missed.append(
                f"oven {[(s.oven_c, s.reference.minutes) for s in formula.steps if isinstance(s, BakeStep)]}"
            )
    _match_waits(want.list_of("waits", ";"), _waits(formula), result)
    # What stands under no heading is called so by the product.
    parts = [p for p in want.list_of("components", ";") if p != "cake"]
    names = {c.name for c in formula.components} - ({"cake", "soak", "filling"} - set(parts))
    result.components.add(len(names & set(parts)), len(parts), len(names))
    if not set(parts) <= names:
        result.missed.append(f"components {sorted(names)}")
    held = set(holds(formula.ingredients()).allergens)
    if "allergens" in want.keys:
        result.truths["allergens"] = held == set(want.list_of("allergens"))
    if not result.truths.get("allergens", True):
        result.missed.append(f"allergens {sorted(held)}")
    if "servings" in want.keys:
        result.truths["servings"] = formula.servings == int(want.keys["servings"])
    return result


def _remarks(want: Expected, got: ReadRecipe, result: Compared) -> None:
    expected = want.list_of("remarks")
    left = [r.id for r in got.lint if r.id not in UNCOUNTED]
    result.truths["grave remarks"] = {r for r in expected if r in GRAVE} <= set(left)
    found, right = len(left), 0
    for remark in expected:
        if remark in left:
            left.remove(remark)
            right += 1
        else:
            result.missed.append(f"no remark {remark}")
    result.missed += [f"extra remark {r.id}: {r.text} [{r.where}]" for r in got.lint if r.id in left]
    result.remarks.add(right, len(expected), found)


def _kept(row: str, told: set[str]) -> bool:
    bare = re.sub(r"[\W\d_]+", "", row)
    return not bare or any(
        bare[:12] in re.sub(r"[\W\d_]+", "", t) or re.sub(r"[\W\d_]+", "", t)[:12] in bare for t in told
    )
